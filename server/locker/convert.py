"""Rows of the locker to core values."""

from functools import cache
from pathlib import Path

from django.contrib.auth.models import User
from django.db.models import TextField
from django.db.models.functions import Cast
from pydantic import TypeAdapter

from mule.gear import GEAR, Gear
from server.locker.models import Thing

_LOCKER = TypeAdapter(tuple[Gear, ...])


def gear_of(row: Thing) -> Gear:
    """The core value of a row."""
    return GEAR.validate_python(row.spec)


def locker_of(owner: User) -> tuple[Gear, ...]:
    """Every thing of an owner's locker as core values, oldest first.

    The stored texts are read in one go: this stands in the way of every click on the bench.
    """
    stored = Thing.objects.filter(owner=owner).annotate(text=Cast("spec", TextField()))
    return _LOCKER.validate_json("[" + ",".join(stored.values_list("text", flat=True)) + "]")


@cache
def typical() -> dict[str, Gear]:
    """The typical gear table by id: generic things without a make, every figure marked typical."""
    text = (Path(__file__).parent / "typical.json").read_bytes()
    return {thing.id: thing for thing in _LOCKER.validate_json(text)}
