"""The kits of the user against the curve: where they lie, and why one that lies above it was not found."""

from collections.abc import Iterable, Sequence

from mule.choosing.answer import AboveCurve, OwnKit, Point
from mule.choosing.candidates import Candidates
from mule.gate import check_legs
from mule.kit import Kit
from mule.load import weigh
from mule.optics import OPTICAL, table_of
from mule.plan import Plan
from mule.stamina import summarize

# Points of brief and grams nearer than this are the same.
_SAME_POINTS = 0.05
_SAME_G = 0.5


def own_kits(case: Candidates, points: Sequence[Point]) -> tuple[OwnKit, ...]:
    """Every kit of the trip that holds something, with why it scores more than the curve does at its mass."""
    return tuple(_own(case, kit, points) for kit in case.plan.kits if kit.entries)


def _own(case: Candidates, kit: Kit, points: Sequence[Point]) -> OwnKit:
    plan = case.plan.with_kit(kit)
    carried_g = weigh(plan.items, kit, plan.trip.people).carried_g
    score = table_of([plan.items[item] for item in plan.loaded], plan.loaded, plan.trip.wants).score()
    under = [p for p in points if p.carried_g <= carried_g + _SAME_G]
    best = max((p.score for p in under), default=0.0)
    above = score > best + _SAME_POINTS
    return OwnKit(
        kit=kit.id,
        carried_g=carried_g,
        score=score,
        above=above,
        why=tuple(_why(case, kit, carried_g, under)) if above else (),
    )


def _why(case: Candidates, kit: Kit, carried_g: float, under: Sequence[Point]) -> Iterable[AboveCurve]:
    """Everything about a kit that the search did not allow itself, or that it had no time for."""
    plan = case.plan.with_kit(kit)
    told = [*_other_things(case, plan), *_over_limits(case, plan, carried_g), *_shorter(plan, under)]
    unproved = not under or not all(p.proved for p in under)
    return told or [AboveCurve(code="unproved" if unproved else "room")]


def _other_things(case: Candidates, plan: Plan) -> Iterable[AboveCurve]:
    loaded, marks = plan.loaded, plan.trip.marks
    missing = {i: n - loaded.get(i, 0) for i, n in case.fixed.items() if n > loaded.get(i, 0)}
    for item, count in sorted(missing.items(), key=lambda one: -plan.items[one[0]].mass_g * one[1]):
        yield AboveCurve(code="kept", refs={"item": item}, numbers={"mass_g": plan.items[item].mass_g * count})
    yield from (AboveCurve(code="must-take", refs={"item": i}) for i in marks.must_take if i not in loaded)
    yield from (AboveCurve(code="must-leave", refs={"item": i}) for i in marks.must_leave if i in loaded)
    for item in loaded:
        if isinstance(plan.items[item], OPTICAL) and item not in case.free and item not in case.fixed:
            yield AboveCurve(code="not-in-play", refs={"item": item})


def _over_limits(case: Candidates, plan: Plan, carried_g: float) -> Iterable[AboveCurve]:
    limit_g = case.asking.limit_g
    if limit_g is not None and carried_g > limit_g:
        yield AboveCurve(code="limit", numbers={"limit_g": limit_g})
    if case.asking.keep_limits:
        legs = check_legs(plan, weigh(plan.items, plan.kit, plan.trip.people))
        yield from (AboveCurve(code="leg", refs={"leg": leg.leg}) for leg in legs if not leg.passes)


def _shorter(plan: Plan, under: Sequence[Point]) -> Iterable[AboveCurve]:
    """A kit that does not last, where the curve's last."""
    summed = summarize(plan)
    days, of_days = min(summed.power.days_carried, summed.pictures.days_carried), len(plan.trip.days)
    if days < of_days and any(p.power_days >= p.days and p.card_days >= p.days for p in under):
        yield AboveCurve(code="lasts", numbers={"days": days, "of_days": of_days})
