"""What is missed least when something has to get lighter or emptier: the search behind the drop order and the cures.

The sets of things to leave are searched, not only the single ones (docs/algorithms/cures.md).
"""

from collections.abc import Callable, Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass
from heapq import nsmallest
from itertools import combinations
from math import ceil
from typing import NamedTuple

from mule.analysis.completeness import Requirements
from mule.analysis.optics import Table
from mule.plan import Plan
from mule.plan.gear import Gear, Group, Insert, keeps_safe
from mule.plan.places import InBag

# What may be dropped: things whose loss can be priced. Safety things are never among them, whatever their group.
DROPPABLE = (Group.OPTICS, Group.FILTERS, Group.SUPPORT, Group.LIGHT_SOUND)
# Things that are looked at in pairs, and sets that are offered to be tried.
_PAIRED = 24
_MOST_SETS = 4
# A sum may miss by a rounding.
_LEAST = 1e-6
# Figures of another unit than points, so that one point weighs more than any grams.
_ROUNDED_POINTS = 2


@dataclass(frozen=True)
class Pieces:
    """So many pieces of a thing, at one place."""

    thing: Gear
    count: int

    @property
    def grams(self) -> float:
        """Of these pieces."""
        return self.thing.mass_g * self.count

    @property
    def litres(self) -> float:
        """Of these pieces, by outer size."""
        return self.thing.size.litres() * self.count


@dataclass(frozen=True)
class Burden:
    """What is too much. need: how much has to go, in the unit of ``of``: grams or litres of some pieces."""

    held: Sequence[Pieces]
    need: float
    of: Callable[[Pieces], float]
    person: str
    bags: Collection[str]


def grams(held: Pieces) -> float:
    """What pieces weigh."""
    return held.grams


def litres(held: Pieces) -> float:
    """What room pieces take."""
    return held.litres


class LoadedKit(NamedTuple):
    """An open kit with what other packages say of it: scores, and how its things hang together."""

    plan: Plan
    table: Table
    requirements: Requirements


def inside(plan: Plan, bag: str) -> list[Pieces]:
    """Things in a bag and in its inserts; the inserts themselves are not among them."""
    found: list[Pieces] = []
    for entry in plan.kit.entries:
        if isinstance(entry.place, InBag) and entry.place.bag == bag:
            thing = plan.items[entry.item]
            found += inside(plan, thing.id) if isinstance(thing, Insert) else [Pieces(thing, entry.count)]
    return found


class _Unit(NamedTuple):
    """Something that could stay at home by itself. pieces: per item. gives: how much of the burden goes with it.

    reserve: not to be thought of first: power, cards, what is meant as a backup.
    """

    pieces: Mapping[str, int | None]
    whole: frozenset[str]
    gives: float
    mass_g: float
    points: float
    reserve: bool


def least_missed(kit: LoadedKit, burden: Burden) -> list[Mapping[str, int | None]]:
    """Sets of things to leave that take enough away, those missed least first: pieces by item, None for all.

    The fewest points of the brief first, then nothing that is meant to come, then the fewest grams.
    """
    units = _units(kit, burden)
    found: dict[frozenset[tuple[str, int | None]], tuple[dict[str, int | None], bool, float]] = {}
    for able in ([u for u in units if not u.reserve], units):
        for taken in _sets(able, burden.need):
            pieces = {item: n for unit in taken for item, n in unit.pieces.items()}
            mass_g = sum(unit.mass_g for unit in taken)
            found.setdefault(frozenset(pieces.items()), (pieces, any(u.reserve for u in taken), mass_g))
    if not found:
        return []
    sets = [frozenset(item for item, n in pieces.items() if n is None) for pieces, _, _ in found.values()]
    whole = kit.table.score()
    lost = [whole - score for score in kit.table.scores(sets)]
    ranked = sorted(
        zip(lost, found.values(), strict=True),
        key=lambda one: (round(max(0.0, one[0]), _ROUNDED_POINTS), one[1][1], one[1][2], len(one[1][0])),
    )
    return [pieces for _, (pieces, _, _) in ranked[:_MOST_SETS]]


def _units(kit: LoadedKit, burden: Burden) -> list[_Unit]:
    """Each thing with what is of no use without it, and so many pieces of it as would do alone."""
    gear, loaded = kit.plan.items, kit.plan.loaded
    kept = {*kit.plan.trip.marks.must_take}
    here: dict[str, float] = {}
    counts: dict[str, int] = {}
    for held in burden.held:
        here[held.thing.id] = here.get(held.thing.id, 0.0) + burden.of(held)
        counts[held.thing.id] = counts.get(held.thing.id, 0) + held.count
    made: list[tuple[dict[str, int | None], frozenset[str], float, float, bool]] = []
    for item, there in here.items():
        thing = gear[item]
        if item in kept or keeps_safe(thing) or not _may_stay(thing):
            continue
        goes, fails = kit.requirements.leaving((item,))
        goes = tuple(i for i in goes if not keeps_safe(gear[i]))
        reserve = thing.backup or thing.for_other or thing.group not in DROPPABLE or bool(fails)
        if kept.isdisjoint(goes):
            whole = (item, *goes)
            mass = sum(gear[i].mass_g * loaded[i] for i in whole)
            gives = sum(here.get(i, 0.0) for i in whole)
            made.append((dict.fromkeys(whole), frozenset(whole), gives, mass, reserve))
        some = ceil((burden.need - _LEAST) / (there / counts[item])) if there > 0 else 0
        if 0 < some < loaded[item] and some <= counts[item]:
            gives = there / counts[item] * some
            made.append(({item: some}, frozenset(), gives, thing.mass_g * some, reserve))
    now = kit.table.score()
    scores = kit.table.scores([whole for _, whole, _, _, _ in made]) if made else []
    return [
        _Unit(pieces, whole, gives, mass, max(0.0, now - score), reserve)
        for (pieces, whole, gives, mass, reserve), score in zip(made, scores, strict=True)
    ]


def _may_stay(thing: Gear) -> bool:
    """Clothes, water, papers and what helps people are no photographic question, and bags have their own cures."""
    return thing.group not in (Group.OTHER, Group.SAFETY, Group.CARRY)


def _sets(units: Sequence[_Unit], need: float) -> list[tuple[_Unit, ...]]:
    """Single units, pairs, and one set of what is missed least; each is enough and has nothing needless."""
    single: list[tuple[_Unit, ...]] = [(u,) for u in units if u.gives >= need - _LEAST]
    small = nsmallest(_PAIRED, (u for u in units if u.gives < need - _LEAST), key=lambda u: (u.points, -u.gives))
    pairs = [
        pair
        for pair in combinations(small, 2)
        if pair[0].gives + pair[1].gives >= need - _LEAST and _beside(pair[0], pair[1:])
    ]
    best = nsmallest(2, single, key=_cost) + nsmallest(3, pairs, key=_cost)
    idle = tuple(u for u in units if not u.reserve and not round(u.points, _ROUNDED_POINTS))
    # Where no set is enough, what nobody misses is at least a part.
    part = [] if best or sum(u.gives for u in idle) >= need or not idle else [_apart(idle)]
    return [*best, *_greedy(units, need), *part]


def _apart(units: Sequence[_Unit]) -> tuple[_Unit, ...]:
    """Units of which no two have a thing in common, the largest first."""
    taken: list[_Unit] = []
    for unit in sorted(units, key=lambda u: -u.gives):
        if _beside(unit, taken):
            taken.append(unit)
    return tuple(taken)


def _beside(unit: _Unit, taken: Sequence[_Unit]) -> bool:
    """Whether a unit has no thing in common with those that are taken."""
    return all(unit.pieces.keys().isdisjoint(other.pieces) for other in taken)


def _greedy(units: Sequence[_Unit], need: float) -> Iterable[tuple[_Unit, ...]]:
    taken: list[_Unit] = []
    gone = 0.0
    for unit in sorted(units, key=lambda u: (u.reserve, u.points / max(u.gives, 1.0), -u.gives)):
        if _beside(unit, taken):
            taken.append(unit)
            gone += unit.gives
            if gone >= need - _LEAST:
                break
    else:
        return
    # The dearest of what turns out to be needless stays loaded.
    for unit in sorted(taken, key=lambda u: (-u.points, -u.mass_g)):
        if gone - unit.gives >= need - _LEAST:
            taken.remove(unit)
            gone -= unit.gives
    yield tuple(taken)


def _cost(units: tuple[_Unit, ...]) -> tuple[bool, float, float]:
    points = sum(u.points for u in units)
    return any(u.reserve for u in units), round(points, _ROUNDED_POINTS), sum(u.mass_g for u in units)
