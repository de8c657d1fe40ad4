"""Rows of the locker to core values."""

from functools import cache, lru_cache
from pathlib import Path

from django.contrib.auth.models import User
from django.db.models import TextField
from django.db.models.functions import Cast
from pydantic import TypeAdapter

from mule.base.memo import Kept
from mule.plan.gear import GEAR, Gear
from server.kernel.documents import revision
from server.library.locker.models import Thing

_LOCKER = TypeAdapter(tuple[Gear, ...])
# Things read and kept: some lockers' worth of them.
_MOST_KEPT = 8_192


def gear_of(row: Thing) -> Gear:
    """The core value of a row."""
    return GEAR.validate_python(row.spec)


# Lockers of the owners who were here last.
_LOCKERS: Kept[tuple[Gear, ...]] = Kept(32)


def locker_of(owner: User, at: str | None = None) -> tuple[Gear, ...]:
    """Every thing of an owner's locker as core values, oldest first. at: its revision, when it is known already.

    The same object as long as nothing in it changes: what the core makes of a locker is kept by that.
    """
    return _LOCKERS.get((owner.pk, at or revision(Thing, owner)), lambda: _read_locker(owner))


def _read_locker(owner: User) -> tuple[Gear, ...]:
    stored = Thing.objects.filter(owner=owner).annotate(text=Cast("spec", TextField()))
    return tuple(map(_read, stored.values_list("text", flat=True)))


@lru_cache(_MOST_KEPT)
def _read(text: str) -> Gear:
    """The value of a stored text, read once: this stands in the way of every click on the bench."""
    return GEAR.validate_json(text)


@cache
def typical() -> dict[str, Gear]:
    """The typical gear table by id: generic things without a make, every figure marked typical."""
    text = (Path(__file__).parent / "typical.json").read_bytes()
    return {thing.id: thing for thing in _LOCKER.validate_json(text)}
