"""What carriers refuse and what backs bear."""

from collections.abc import Iterable, Mapping, Sequence
from functools import partial
from itertools import accumulate

from mule.carriers import Check
from mule.finding import (
    Cure,
    CureCode,
    FindingCode,
    InBag,
    Leave,
    Move,
    PieceKind,
    Place,
    Severity,
    StationName,
    Worn,
)
from mule.gear import Bag, Body, Drone, Gear, Group, Insert, Lens, at_hand, keeps_safe
from mule.ledger import DROPPABLE
from mule.load import Piece
from mule.rules.case import Case, Said, Trials, load, say

# What does not go in a pocket.
_POCKET_SIDE_MM = 180
_POCKET_G = 1_000

_LEGS: Mapping[str, FindingCode] = {
    "mass": FindingCode.LEG_MASS,
    "size": FindingCode.LEG_SIZE,
    "sum": FindingCode.LEG_SUM,
    "count": FindingCode.LEG_COUNT,
    "together": FindingCode.LEG_TOGETHER,
}


class LegRefuses:
    """A leg's carrier does not take a bag as it is."""

    def find(self, case: Case) -> Iterable[Said]:
        """One finding per bag and limit, for the leg where it is most over; other legs are counted."""
        light_looking = case.plan.trip.policies.cabin == "light-looking"
        failed: dict[tuple[object, ...], list[Check]] = {}
        for leg in case.legs:
            for made in leg.checks:
                if not made.passes:
                    failed.setdefault((made.limit, made.person, made.bag, made.piece), []).append(made)
        for checks in failed.values():
            worst = max(checks, key=lambda c: c.over)
            refs = {"leg": worst.leg, "person": worst.person}
            if worst.piece:
                refs["piece"] = worst.piece.value
            # The size must pass; what is only weighed is a risk for who travels light-looking
            # (docs/domain/carriers.md).
            risked = light_looking and worst.limit in ("mass", "together")
            if risked:
                refs["policy"] = "light-looking"
            # What a carrier refuses is mended on the bench, and stands at the gate too.
            yield say(
                _LEGS[worst.limit],
                Severity.CAUTION if risked else Severity.BLOCKER,
                StationName.BENCH,
                StationName.GATE,
                numbers={
                    "value": worst.value,
                    "allowed": worst.allowed,
                    "over": worst.over,
                    "legs": len({c.leg for c in checks}),
                },
                items=(worst.bag,) if worst.bag else (),
                refs=refs,
                cures=partial(_cures, failed=worst),
            )


def _cures(trials: Trials, failed: Check) -> Iterable[Cure]:
    if failed.limit == "mass" and failed.bag:
        yield from _lighten(trials, failed.bag, failed.person, failed.over)
    if failed.limit in ("size", "sum") and failed.bag:
        yield from _shrink(trials, failed.bag, failed)


def _inside(trials: Trials, bag: str) -> list[tuple[Gear, int]]:
    """Things in a bag and in its inserts, with their counts; the inserts themselves are not offered."""
    found: list[tuple[Gear, int]] = []
    for entry in trials.plan.kit.entries:
        if isinstance(entry.place, InBag) and entry.place.bag == bag:
            thing = trials.plan.items[entry.item]
            if isinstance(thing, Insert):
                found += _inside(trials, thing.id)
            else:
                found.append((thing, entry.count))
    return found


def _lighten(trials: Trials, bag: str, person: str, over_g: float) -> Iterable[Cure]:
    """Wear it, give it to another bag with room, or leave what earns least."""
    held = _inside(trials, bag)
    pocket = _enough([t for t in held if _fits_pocket(t[0])], over_g)
    if len(pocket) == 1:
        yield _moved(CureCode.WEAR, pocket, Worn(person=person))
    yield from _to_other_bag(trials, bag, held, over_g)
    yield from _leave_least(trials, held, over_g)


def _grams(thing: tuple[Gear, int]) -> float:
    return thing[0].mass_g * thing[1]


def _mass_g(things: Iterable[tuple[Gear, int]]) -> float:
    return sum(map(_grams, things))


def _enough(things: Sequence[tuple[Gear, int]], over_g: float) -> list[tuple[Gear, int]]:
    """The lightest single thing that weighs ``over_g``, or else the fewest, heaviest first; empty when all do not."""
    alone = [t for t in things if _grams(t) >= over_g]
    if alone:
        return [min(alone, key=_grams)]
    if _mass_g(things) < over_g:
        return []
    heaviest = sorted(things, key=_grams, reverse=True)
    sums = accumulate(map(_grams, heaviest))
    # Added up in another order, the sum may miss by a rounding: then all go.
    last = next((i for i, grams in enumerate(sums) if grams >= over_g), len(heaviest) - 1)
    return heaviest[: last + 1]


def _moved(code: CureCode, things: Sequence[tuple[Gear, int]], place: Place) -> Cure:
    return Cure(
        code=code,
        edits=tuple(Move(item=thing.id, place=place) for thing, _ in things),
        numbers={"moved_g": _mass_g(things)},
    )


def _fits_pocket(thing: Gear) -> bool:
    return thing.size.sides_mm()[0] <= _POCKET_SIDE_MM and thing.mass_g <= _POCKET_G


def _to_other_bag(trials: Trials, bag: str, held: Sequence[tuple[Gear, int]], over_g: float) -> Iterable[Cure]:
    for piece in sorted(trials.case.loads.pieces, key=lambda p: p.mass_g):
        if piece.bag == bag:
            continue
        hold = piece.piece == PieceKind.HOLD
        going = _enough([t for t in held if not (hold and _must_stay_in_cabin(t[0]))], over_g)
        if going and _mass_g(going) <= _room_g(trials, piece):
            yield _moved(CureCode.MOVE, going, InBag(bag=piece.bag))
            return


def _must_stay_in_cabin(thing: Gear) -> bool:
    """Lithium, pictures and what breaks never go in the hold (docs/domain/carriers.md)."""
    return isinstance(thing, Body | Lens | Drone) or thing.group in (Group.CARDS, Group.POWER)


def _room_g(trials: Trials, piece: Piece) -> float:
    """Grams that every leg still allows in a piece."""
    rooms = [
        c.allowed - c.value
        for leg in trials.case.legs
        for c in leg.checks
        if (c.limit == "mass" and c.bag == piece.bag) or (c.limit == "together" and c.person == piece.person)
    ]
    return min(rooms, default=float("inf"))


def _leave_least(trials: Trials, held: Sequence[tuple[Gear, int]], over_g: float) -> Iterable[Cure]:
    """One piece of what earns least and weighs enough; otherwise what earns least per gram until it is enough."""
    able = [t for t, _ in held if t.group in DROPPABLE and not isinstance(t, Body) and not keeps_safe(t)]
    alone = [t for t in able if t.mass_g >= over_g]
    if alone:
        going = [min(alone, key=lambda t: (trials.worth.get(t.id, 0.0), t.mass_g))]
    else:
        going = []
        for thing in sorted(able, key=lambda t: trials.worth.get(t.id, 0.0) / max(t.mass_g, 1)):
            going.append(thing)
            if sum(t.mass_g for t in going) >= over_g:
                break
        else:
            return
    yield Cure(
        code=CureCode.LEAVE,
        edits=tuple(Leave(item=t.id, count=1) for t in going),
        mass_change_g=-sum(t.mass_g for t in going),
        numbers={"points": trials.points_lost(t.id for t in going if trials.loaded[t.id] == 1)},
    )


def _shrink(trials: Trials, bag: str, failed: Check) -> Iterable[Cure]:
    """Take off what is strapped on, if the bare bag passes."""
    strapped = [
        e.item for e in trials.plan.kit.entries if isinstance(e.place, InBag) and e.place.bag == bag and e.place.outside
    ]
    if not strapped:
        return
    others = sorted((p for p in trials.case.loads.pieces if p.bag != bag), key=lambda p: p.piece != PieceKind.HOLD)
    if others:
        cabin_only = any(_must_stay_in_cabin(trials.plan.items[item]) for item in strapped)
        into = bag if cabin_only and others[0].piece == PieceKind.HOLD else others[0].bag
        yield Cure(code=CureCode.TAKE_OFF, edits=tuple(Move(item=item, place=InBag(bag=into)) for item in strapped))
    if any(keeps_safe(trials.plan.items[item]) for item in strapped):
        return
    grams = sum(trials.plan.items[item].mass_g for item in strapped)
    yield Cure(code=CureCode.LEAVE, edits=tuple(Leave(item=item) for item in strapped), mass_change_g=-grams)


class Unplaced:
    """Things that travel with nobody's bag because there is none: what is weighed at the gate does not hold them."""

    def find(self, case: Case) -> Iterable[Said]:
        """One caution per person, with their grams; the cure loads the lightest bag at hand that holds them."""
        for carried in case.loads.people:
            entries = [e for e in case.plan.kit.entries if e.place == Worn(person=carried.person, unplaced=True)]
            if not entries:
                continue
            items = tuple(dict.fromkeys(e.item for e in entries))
            litres = sum(case.plan.items[e.item].size.litres() * e.count for e in entries)
            yield say(
                FindingCode.UNPLACED,
                Severity.CAUTION,
                StationName.BENCH,
                StationName.STOW,
                StationName.GATE,
                numbers={"mass_g": carried.unplaced_g, "litres": litres},
                items=items,
                refs={"person": carried.person},
                cures=partial(self._cures, litres=litres),
            )

    def _cures(self, trials: Trials, litres: float) -> Iterable[Cure]:
        bags = [
            t
            for t in trials.plan.gear
            if isinstance(t, Bag) and at_hand(t) and t.id not in trials.loaded and t.id not in trials.barred
        ]
        able = [b for b in bags if b.volume_l >= litres and b.piece != PieceKind.HOLD]
        if able:
            yield load(min(able, key=lambda b: b.mass_g))


class LoadOnPerson:
    """More than a share of body mass on one back."""

    def find(self, case: Case) -> Iterable[Said]:
        """One caution per person over the first line (general guidance, not medical advice)."""
        for carried in case.loads.people:
            if carried.over and carried.share is not None:
                yield say(
                    FindingCode.HEAVY_LOAD,
                    Severity.CAUTION if max(carried.over) >= 0.20 else Severity.NOTE,
                    StationName.BENCH,
                    numbers={"carried_g": carried.carried_g, "share": carried.share, "line": max(carried.over)},
                    refs={"person": carried.person},
                )
