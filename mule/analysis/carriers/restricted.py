"""What carriers say of restricted things where they lie (docs/domain/carriers.md)."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

from mule.base.units import Frozen
from mule.plan.carriers.restrictions import USUAL, Answer, RestrictedSort, Restriction
from mule.plan.gear import Battery, Body, Computer, Drone, Gear, Light, Other, OtherSupport, PowerBank, Safety, Tripod

_ORDER: tuple[Answer, ...] = ("yes", "ask", "no")


@dataclass(slots=True)
class Lying:
    """So many pieces of a thing at one place. bag: None on the person."""

    item: str
    count: int
    person: str
    bag: str | None
    held: bool


class Judged(Frozen):
    """What is said of one thing where it lies. why: what decides. wh: of one piece; total: pieces that the
    person has of the sort, or of those over the free limit where that decides; most: how many of these may come."""

    item: str
    count: int
    person: str
    bag: str | None
    held: bool
    sort: RestrictedSort
    answer: Answer
    why: Literal["place", "energy", "count"]
    wh: float | None
    total: int
    most: int | None
    note: str


def sort_of(thing: Gear) -> tuple[RestrictedSort, float | None] | None:
    """As what a thing is looked at, with the energy of one piece; None for things nobody restricts."""
    match thing:
        case Battery(lithium=True):
            return "spare-lithium", thing.energy_wh
        case Battery():
            return "dry-cells", thing.energy_wh
        case PowerBank():
            return "power-bank", thing.energy_wh
        case Computer():
            return "device-lithium", thing.energy_wh
        case (
            Light(energy_wh=float() as wh) | Body(energy_wh=float() as wh) | Other(energy_wh=float() as wh, hazard=None)
        ):
            return "device-lithium", wh
        case Drone():
            return "drone", None
        case Tripod() | OtherSupport(form="monopod"):
            return "tripod", None
    return (thing.hazard, None) if isinstance(thing, Other | Safety) and thing.hazard else None


def strictest(rules: Iterable[Sequence[Restriction]]) -> dict[RestrictedSort, Restriction]:
    """Of several carriers the strictest of each sort; where one says nothing, the usual answer is its own."""
    return dict(_strictest(tuple(tuple(own) for own in rules)))


# Carriers stay the same from click to click.
@lru_cache(64)
def _strictest(rules: tuple[tuple[Restriction, ...], ...]) -> Mapping[RestrictedSort, Restriction]:
    found: dict[RestrictedSort, Restriction] = {}
    for own in rules:
        said = {r.sort: r for r in USUAL} | {r.sort: r for r in own}
        for sort, rule in said.items():
            found[sort] = _stricter(found[sort], rule) if sort in found else rule
    return found


def _stricter(one: Restriction, other: Restriction) -> Restriction:
    """Limit by limit the stricter of two: no load that it takes is refused by either."""
    free, most_wh = _least(one.free_wh, other.free_wh), min(_most_wh(one), _most_wh(other))
    limits = {
        "most": _least(one.most, other.most),
        "free_wh": free,
        # Where one gives no approval at all, what it takes freely is all that goes.
        "approval_wh": most_wh if free is not None and most_wh > free else None,
        "approval_most": _least(one.approval_most, other.approval_most),
    }
    answers = {
        "cabin": max(one.cabin, other.cabin, key=_ORDER.index),
        "hold": max(one.hold, other.hold, key=_ORDER.index),
    }
    return other.model_copy(update=answers | limits)


def _least(one: float | None, other: float | None) -> float | None:
    """The smaller of two limits; None is no limit."""
    return min((v for v in (one, other) if v is not None), default=None)


def _most_wh(rule: Restriction) -> float:
    """The most energy that a piece may have in any case, asked for or not."""
    if rule.free_wh is None:
        return float("inf")
    return max(rule.free_wh, rule.approval_wh or 0.0)


def judge(
    gear: Mapping[str, Gear], lying: Sequence[Lying], rules: Mapping[RestrictedSort, Restriction]
) -> tuple[Judged, ...]:
    """Every restricted thing where it lies, worst first."""
    totals: dict[tuple[str, RestrictedSort], int] = {}
    large: dict[tuple[str, RestrictedSort], int] = {}
    seen: list[tuple[Lying, RestrictedSort, float | None, Restriction]] = []
    for one in lying:
        known = sort_of(gear[one.item])
        if known is None or known[0] not in rules:
            continue
        sort, wh = known
        seen.append((one, sort, wh, rules[sort]))
        totals[one.person, sort] = totals.get((one.person, sort), 0) + one.count
        if wh is not None and rules[sort].free_wh is not None and wh > (rules[sort].free_wh or 0):
            large[one.person, sort] = large.get((one.person, sort), 0) + one.count
    found = [
        _judged(one, sort, wh, rule, totals[one.person, sort], large.get((one.person, sort), 0))
        for one, sort, wh, rule in seen
    ]
    return tuple(sorted(found, key=lambda j: -_ORDER.index(j.answer)))


def _judged(one: Lying, sort: RestrictedSort, wh: float | None, rule: Restriction, total: int, large: int) -> Judged:
    answer = rule.hold if one.held else rule.cabin
    why: Literal["place", "energy", "count"] = "place"
    most, counted = rule.most, total
    if answer != "no" and wh is not None and rule.free_wh is not None and wh > rule.free_wh:
        # What is counted over the free limit is what is over it.
        why, most, counted = "energy", rule.approval_most, large
        over = rule.approval_wh is None or wh > rule.approval_wh
        answer = "no" if over else "ask"
        if not over and most is not None and large > most:
            answer, why = "no", "count"
    # How many of a kind may come at all holds for large ones, too.
    if answer != "no" and rule.most is not None and total > rule.most:
        answer, why, most, counted = "no", "count", rule.most, total
    return Judged(
        item=one.item,
        count=one.count,
        person=one.person,
        bag=one.bag,
        held=one.held,
        sort=sort,
        answer=answer,
        why=why,
        wh=wh,
        total=counted,
        most=most,
        # A note on what is asked, or on what goes in the cabin because it does not go in the hold.
        note=rule.note if answer != "yes" or rule.hold == "no" else "",
    )
