"""What stays at the base on a day: what of it goes into the safe, what goes in first, and what a car does to packs."""

from collections.abc import Mapping
from typing import Literal

from mule.analysis.loadouts import carried
from mule.analysis.power import cold_derating
from mule.base.deadline import Deadline
from mule.base.errors import InvalidInput, Problem
from mule.base.units import Frozen
from mule.packing import StowCase, pieces_left, stow
from mule.plan import Plan
from mule.plan.gear import Bag, Battery, Body, Card, Computer, Drive, Drone, Gear, Lens, Other, PowerBank, Teleconverter
from mule.plan.kit import Entry, Kit
from mule.plan.places import AsPiece, InBag, PieceKind
from mule.plan.purposes import Purpose
from mule.plan.trip import Base, Day
from mule.search.outings.day import loadout_on

# What is locked away, what comes first first: pictures cannot be bought again, a camera is what the trip is for.
_FIRST: tuple[tuple[type, ...], ...] = (
    (Drive, Card),
    (Body, Drone),
    (Lens, Teleconverter),
    (Computer,),
)
# Points of worth between two of these: no number of lighter ones outweighs it.
_STEP = 1_000.0
_SAFE = "the-safe"
USUAL_S = 3.0


class Locked(Frozen):
    """A thing that stays and is worth locking away. inside: pieces that the safe takes; rank: 0 goes in first."""

    item: str
    count: int
    inside: int
    rank: int


class AtBase(Frozen):
    """What lies at the base on a day. sort: of base. locked: by rank, None where there is no safe that was measured.
    proved: what finds no place in it finds none.

    packs: pieces of packs and banks that stay in a car or tent, as cold as the day's coldest hour; left: share of their
    energy at that.
    """

    sort: Literal["room", "car", "boat", "tent"]
    locked: tuple[Locked, ...] | None
    proved: bool
    packs: dict[str, int]
    left: float | None


def base_on(plan: Plan, day: Day) -> Base:
    """Where things lie on a day. Raises InvalidInput for a trip that says nothing of it."""
    base = plan.trip.base_on(day)
    if base is None:
        raise InvalidInput([Problem("base", "", "add the base in the Brief")])
    return base


def at_base(plan: Plan, day: Day, seconds: float = USUAL_S) -> AtBase:
    """What stays on a day, packed into the safe of its base. seconds: for packing.

    Raises InvalidInput for a trip that says nothing of its base.

    >>> from tests import cast
    >>> at_base(cast.plan([]), cast.trip().days[0])
    Traceback (most recent call last):
    mule.base.errors.InvalidInput: base: add the base in the Brief
    """
    base = base_on(plan, day)
    stays = _staying(plan, day)
    outside = base.sort in ("car", "tent")
    packs = {i: n for i, n in stays.items() if isinstance(plan.items[i], Battery | PowerBank)} if outside else {}
    locked, proved = _locked(plan, base, stays, seconds) if base.safe else (None, True)
    return AtBase(
        sort=base.sort,
        locked=locked,
        proved=proved,
        packs=packs,
        left=cold_derating(day.lowest_c) if packs else None,
    )


def _staying(plan: Plan, day: Day) -> Mapping[str, int]:
    """Pieces that do not go along; nothing stays where all that travels goes along."""
    loadout = loadout_on(plan, day)
    if loadout is None:
        return {}
    out = carried(plan.kit, plan.items, loadout).loaded()
    return {item: n - out.get(item, 0) for item, n in plan.loaded.items() if n > out.get(item, 0)}


def _rank(thing: Gear) -> int | None:
    """How early somebody locks it away; None for what nobody does."""
    if isinstance(thing, Computer) and thing.form == "phone":
        return None
    if isinstance(thing, Other):
        return 0 if thing.purpose is Purpose.PAPERS else None
    return next((rank for rank, kinds in enumerate(_FIRST) if isinstance(thing, kinds)), None)


def _locked(plan: Plan, base: Base, stays: Mapping[str, int], seconds: float) -> tuple[tuple[Locked, ...], bool]:
    assert base.safe is not None
    ranks = {item: rank for item in stays if (rank := _rank(plan.items[item])) is not None}
    safe = Bag(id=_SAFE, name="Safe", mass_g=0.1, size=base.safe, inner=base.safe, volume_l=base.safe.litres())
    entries = [Entry(item=_SAFE, place=AsPiece(piece=PieceKind.CABIN, person="nobody"))]
    entries += [Entry(item=item, count=stays[item], place=InBag(bag=_SAFE)) for item in ranks]
    kit = Kit(id="base", name="Base", entries=tuple(entries))
    worth = {item: _STEP * (len(_FIRST) - rank) for item, rank in ranks.items()}
    made = stow({**plan.items, _SAFE: safe}, kit, Deadline(seconds), case=StowCase(worth=worth))
    over = pieces_left(made.left)
    found = [
        Locked(item=item, count=stays[item], inside=stays[item] - over.get(item, 0), rank=rank)
        for item, rank in ranks.items()
    ]
    return tuple(sorted(found, key=lambda one: (one.rank, one.item))), all(one.proof == "proved" for one in made.left)
