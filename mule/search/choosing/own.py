"""The kits of the user against the curve: where they lie, and why one that lies above it was not found.

No kit that works, lasts and keeps to all that was asked lies above it: where one did, the curve is looked at once more
under just its mass.
"""

from collections.abc import Iterable, Sequence

from mule.analysis.completeness import packs_eaten
from mule.analysis.gate import check_legs
from mule.analysis.load import weigh
from mule.analysis.optics import OPTICAL, Table, table_of
from mule.analysis.optics.gaps import GAP_SCORE
from mule.analysis.storage.stamina import summarize
from mule.plan import Plan
from mule.plan.gear import Battery, Body, Lens, is_zoom, twins
from mule.plan.kit import Kit
from mule.plan.trip import MOST_OF_A_TRIO
from mule.search.choosing.above import (
    AboveCurve,
    AboveLimit,
    DayTooHeavy,
    EndsSooner,
    FewerCopies,
    FewerPacks,
    FillsSlot,
    LacksEffect,
    LacksLink,
    LeavesMarked,
    LegRefuses,
    NoRoom,
    NotInPlay,
    OtherSchool,
    TakesMarked,
    Unproved,
    WithoutKept,
)
from mule.search.choosing.answer import OwnKit, Point
from mule.search.choosing.by_days import DaysTried
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.lasting import PARTS, LastingDemands
from mule.search.choosing.links import filter_ways

# Points of brief and grams nearer than this are the same.
_SAME_POINTS = 0.05
_SAME_G = 0.5


def own_kits(case: Candidates, points: Sequence[Point], days: DaysTried | None = None) -> tuple[OwnKit, ...]:
    """Every kit of the trip that holds something, with why it scores more than the curve does at its mass."""
    return tuple(_own(case, kit, points, days) for kit in case.plan.kits if kit.entries)


def above_g(case: Candidates, points: Sequence[Point], days: DaysTried | None = None) -> list[float]:
    """Grams of own kits above the curve of which nothing tells why."""
    own = own_kits(case, points, days)
    return sorted({kit.carried_g for kit in own if any(why.code in ("unproved", "room") for why in kit.why)})


def _own(case: Candidates, kit: Kit, points: Sequence[Point], days: DaysTried | None) -> OwnKit:
    plan = case.plan.with_kit(kit)
    carried_g = weigh(plan.items, kit, plan.trip.people).carried_g
    score = _table(plan).score()
    under = [p for p in points if p.carried_g <= carried_g + _SAME_G]
    best = max((p.score for p in under), default=0.0)
    above = score > best + _SAME_POINTS
    return OwnKit(
        kit=kit.id,
        carried_g=carried_g,
        score=score,
        above=above,
        why=tuple(_why(case, kit, carried_g, under, days)) if above else (),
    )


def _why(
    case: Candidates, kit: Kit, carried_g: float, under: Sequence[Point], days: DaysTried | None
) -> Iterable[AboveCurve]:
    """Everything about a kit that the search did not allow itself, or that it had no time for."""
    plan = case.plan.with_kit(kit)
    told: list[AboveCurve] = [
        *_other_things(case, plan),
        *_against_the_brief(case, plan),
        *_does_not_work(case, plan),
        *_over_limits(case, plan, carried_g),
        *_shorter(case, plan, under),
    ]
    if days and days.refused(kit, {}):
        told.append(DayTooHeavy())
    unproved = not under or not all(p.proved for p in under)
    return told or [Unproved() if unproved else NoRoom()]


def _other_things(case: Candidates, plan: Plan) -> Iterable[AboveCurve]:
    loaded, marks = plan.loaded, plan.trip.marks
    missing = {i: n - loaded.get(i, 0) for i, n in case.fixed.items() if n > loaded.get(i, 0)}
    for item, count in sorted(missing.items(), key=lambda one: -plan.items[one[0]].mass_g * one[1]):
        yield WithoutKept(item=item, mass_g=plan.items[item].mass_g * count)
    yield from (LeavesMarked(item=i) for i in marks.must_take if i not in loaded)
    yield from (TakesMarked(item=i) for i in marks.must_leave if i in loaded)
    for item in loaded:
        if isinstance(plan.items[item], OPTICAL) and item not in case.free and item not in case.fixed:
            yield NotInPlay(item=item)


def _against_the_brief(case: Candidates, plan: Plan) -> Iterable[AboveCurve]:
    """Slots and policies that a kit does not keep to."""
    loaded, policies = plan.loaded, plan.trip.policies
    for slot in plan.trip.marks.slots:
        if sum(item in loaded for item in slot.items) > 1:
            yield FillsSlot(slot=slot.id)
    things = [plan.items[item] for item, n in loaded.items() for _ in range(n)]
    lenses, bodies = [t for t in things if isinstance(t, Lens)], [t for t in things if isinstance(t, Body)]
    zooms = sum(is_zoom(lens) for lens in lenses)
    most = {"any": zooms, "primes": 0, "one-zoom": 1, "trio-of-zooms": MOST_OF_A_TRIO}[policies.lenses]
    if zooms > most or (policies.lenses not in ("any", "primes") and zooms < len(lenses)):
        yield OtherSchool(policy="lenses")
    pair = len(bodies) == 2 and twins(*bodies) == (policies.second_body == "twin")
    fits = {"any": True, "none": len(bodies) == 1}.get(policies.second_body, pair)
    if not fits:
        yield OtherSchool(policy="second-body")
    if policies.gaps == "refused" and (_table(plan).cells() < GAP_SCORE).any():
        yield OtherSchool(policy="gaps")


def _does_not_work(case: Candidates, plan: Plan) -> Iterable[AboveCurve]:
    """What a kit lacks that something owned would give: links, packs, effects that a want asks for."""
    graph, loaded, trip = case.graph, plan.loaded, plan.trip
    judged = bool(trip.days) or trip.stamina.power == "packs-only"
    here = {*case.free, *case.fixed}
    for item in loaded:
        for need in graph.needs[item] if item not in case.fixed else ():
            given = need.sort == "purpose" or any(graph.gives(key, here, but=item) for key in need.keys)
            if given and not (need.what == "charger" and judged) and not graph.met(item, need, loaded):
                yield LacksLink(item=item, what=need.what, label=need.label)
    eaten: dict[str, int] = {}
    for item, n in loaded.items():
        if hunger := packs_eaten(plan.items[item]):
            eaten[hunger[0]] = eaten.get(hunger[0], 0) + hunger[1] * n
    for type_, wanted in eaten.items():
        packs = {i: t for i in here if isinstance(t := plan.items[i], Battery) and t.battery_type == type_}
        if packs and sum(loaded.get(i, 0) for i in packs) < wanted:
            yield FewerPacks(type=type_)
    for want, effect, seeing, found in filter_ways(case):
        if found and not loaded.keys().isdisjoint(seeing) and not any(loaded.keys() >= set(way) for way in found):
            yield LacksEffect(want=want.id, effect=effect.effect)


def _table(plan: Plan) -> Table:
    return table_of([plan.items[item] for item in plan.loaded], plan.loaded, plan.trip.wants)


def _over_limits(case: Candidates, plan: Plan, carried_g: float) -> Iterable[AboveCurve]:
    limit_g = case.asking.limit_g
    if limit_g is not None and carried_g > limit_g:
        yield AboveLimit(limit_g=limit_g)
    if case.asking.keep_limits:
        legs = check_legs(plan, weigh(plan.items, plan.kit, plan.trip.people))
        yield from (LegRefuses(leg=leg.leg) for leg in legs if not leg.passes)


def _shorter(case: Candidates, plan: Plan, under: Sequence[Point]) -> Iterable[AboveCurve]:
    """A kit that does not last in a part in which the curve's do."""
    lasting = LastingDemands(case)
    mine = {item: n for item, n in plan.loaded.items() if item not in case.fixed}
    curve = [{i: n for i, n in p.kit.loaded().items() if i not in case.fixed} for p in under[-1:]]
    short = [part for part in PARTS if lasting.short(part, mine)]
    if short and not any(lasting.short(part, kit) for kit in curve for part in short):
        summed = summarize(plan)
        days = 0 if summed.power.missing else min(summed.power.days_carried, summed.pictures.days_carried)
        yield EndsSooner(days=days, of_days=len(plan.trip.days)) if short[0] != "copies" else FewerCopies()
