"""What must get lighter or emptier: a bag, all that somebody takes on board, a back.

The sets of things to leave are searched, not only the single ones: the fewest points of the brief first, then the
fewest grams (docs/algorithms/cures.md).
"""

from collections.abc import Callable, Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass
from heapq import nsmallest
from itertools import combinations
from math import ceil
from typing import NamedTuple

from mule.cures.making import Pieces, leave, move
from mule.finding import Cure, CureCode, InBag, PieceKind, Worn
from mule.gear import Bag, Drone, Gear, Group, Insert, keeps_safe
from mule.ledger import DROPPABLE
from mule.load import Piece
from mule.rules import Trials

# What does not go in a pocket.
_POCKET_SIDE_MM = 180
_POCKET_G = 1_000
# Things that are looked at in pairs, and sets that are offered to be tried.
_PAIRED = 24
_MOST_SETS = 4
# A sum may miss by a rounding.
_LEAST = 1e-6
# Figures of another unit than points, so that one point weighs more than any grams.
_ROUNDED_POINTS = 2


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


def lighten(trials: Trials, burden: Burden, *, worn_counts: bool = False) -> Iterable[Cure]:
    """Wear it, give it to another bag with room, hand it to somebody, or leave what is missed least.

    worn_counts: whether it helps nothing that its person wears it.
    """
    movable = [h for h in burden.held if not isinstance(h.thing, Bag | Insert)]
    if not worn_counts:
        yield from _worn(movable, burden)
    yield from _moved(trials, movable, burden)
    yield from (leave(pieces) for pieces in least_missed(trials, burden))


def _worn(held: Sequence[Pieces], burden: Burden) -> Iterable[Cure]:
    able = [h for h in held if h.thing.size.sides_mm()[0] <= _POCKET_SIDE_MM and h.thing.mass_g <= _POCKET_G]
    pocket = enough([h for h in able if h.grams <= _POCKET_G], burden)
    if pocket and len(pocket) <= 2:
        yield move(pocket, Worn(person=burden.person), CureCode.WEAR)


def _moved(trials: Trials, held: Sequence[Pieces], burden: Burden) -> Iterable[Cure]:
    """Into one's own other bags first, the lightest of them; then into somebody else's."""
    pieces = [p for p in trials.case.loads.pieces if p.bag not in burden.bags]
    for piece in sorted(pieces, key=lambda p: (p.person != burden.person, p.mass_g)):
        going = enough([h for h in held if piece.piece != PieceKind.HOLD or _may_be_held(h.thing)], burden)
        if going and sum(h.grams for h in going) <= _room_g(trials, piece):
            code = CureCode.MOVE if piece.person == burden.person else CureCode.HAND_OVER
            yield move(going, InBag(bag=piece.bag), code)


def enough(things: Sequence[Pieces], burden: Burden) -> list[Pieces]:
    """The smallest single thing that is enough, or else the fewest, largest first; empty when all do not."""
    alone = [h for h in things if burden.of(h) >= burden.need]
    if alone:
        return [min(alone, key=burden.of)]
    going, gone = list[Pieces](), 0.0
    for held in sorted(things, key=burden.of, reverse=True):
        going.append(held)
        gone += burden.of(held)
        if gone >= burden.need - _LEAST:
            return going
    return []


def stays_in_cabin(thing: Gear) -> bool:
    """Lithium, pictures and what breaks never go in the hold (docs/domain/carriers.md)."""
    return isinstance(thing, Drone) or thing.group in (Group.OPTICS, Group.FILTERS, Group.CARDS, Group.POWER)


def _may_be_held(thing: Gear) -> bool:
    """Whether it may be put into the hold to save weight: what keeps people safe stays with them, too."""
    return not (stays_in_cabin(thing) or keeps_safe(thing))


def _room_g(trials: Trials, piece: Piece) -> float:
    """Grams that every leg still allows in a piece."""
    rooms = [
        c.allowed - c.value
        for leg in trials.case.legs
        for c in leg.checks
        if (c.limit == "mass" and c.bag == piece.bag) or (c.limit == "together" and c.person == piece.person)
    ]
    return min(rooms, default=float("inf"))


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


def least_missed(trials: Trials, burden: Burden) -> list[dict[str, int | None]]:
    """Sets of things to leave that take enough away, those missed least first: pieces by item, None for all."""
    units = _units(trials, burden)
    found: dict[frozenset[tuple[str, int | None]], tuple[dict[str, int | None], bool, float]] = {}
    for able in ([u for u in units if not u.reserve], units):
        for taken in _sets(able, burden.need):
            pieces = {item: n for unit in taken for item, n in unit.pieces.items()}
            mass_g = sum(unit.mass_g for unit in taken)
            found.setdefault(frozenset(pieces.items()), (pieces, any(u.reserve for u in taken), mass_g))
    if not found:
        return []
    view = trials.case.view
    sets = [frozenset(item for item, n in pieces.items() if n is None) for pieces, _, _ in found.values()]
    lost = [view.coverage.score - score for score in view.table.scores(sets)]
    ranked = sorted(
        zip(lost, found.values(), strict=True),
        key=lambda one: (round(max(0.0, one[0]), _ROUNDED_POINTS), one[1][1], one[1][2], len(one[1][0])),
    )
    return [pieces for _, (pieces, _, _) in ranked[:_MOST_SETS]]


def _units(trials: Trials, burden: Burden) -> list[_Unit]:
    """Each thing with what is of no use without it, and so many pieces of it as would do alone."""
    case, gear, loaded = trials.case, trials.plan.items, trials.loaded
    kept = {*trials.plan.trip.marks.must_take}
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
        goes, fails = case.requirements.leaving((item,))
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
    scores = case.view.table.scores([whole for _, whole, _, _, _ in made]) if made else []
    return [
        _Unit(pieces, whole, gives, mass, max(0.0, case.view.coverage.score - score), reserve)
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
