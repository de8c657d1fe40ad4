"""Limits as grams carried, to be drawn into the trade curve."""

from collections.abc import Iterable

from mule.analysis.load import CAUTION_SHARES
from mule.plan.places import PieceKind
from mule.plan.trip import Leg
from mule.search.choosing.answer import Line
from mule.search.choosing.candidates import Candidates


def lines(case: Candidates) -> tuple[Line, ...]:
    """Where legs refuse and backs have had enough, when the load is shared out as well as can be; lightest first."""
    return tuple(sorted((*_legs(case), *_people(case)), key=lambda line: line.carried_g))


def _legs(case: Candidates) -> Iterable[Line]:
    seen: set[float] = set()
    for leg in case.plan.trip.legs:
        grams = _allowed_g(case, leg)
        if grams != float("inf") and grams not in seen:
            seen.add(grams)
            yield Line(what="leg", ref=leg.id, carried_g=grams)


def _allowed_g(case: Candidates, leg: Leg) -> float:
    """Most grams a leg takes in all carried bags and on all people; inf when it does not weigh one of the bags."""
    carrier = next((c for c in case.plan.carriers if c.id == leg.carrier), None)
    if carrier is None:
        return float("inf")
    allowed = sum(case.worn_g.values())
    kinds = case.root_kinds
    for person in case.plan.trip.people:
        mine = [root for root, (who, _) in kinds.items() if who == person.id]
        each = 0.0
        for root in mine:
            rule = carrier.rule(kinds[root][1])
            each += rule.mass_g if rule and rule.mass_g is not None else float("inf")
        for shared in carrier.together:
            if mine and all(kinds[root][1] in shared.pieces for root in mine):
                hold = case.hold_g.get(person.id, 0.0) if PieceKind.HOLD in shared.pieces else 0.0
                each = min(each, shared.mass_g - hold)
        allowed += each
    return allowed


def _people(case: Candidates) -> Iterable[Line]:
    people = case.plan.trip.people
    base_g = sum(load.mass_g for person in people for load in person.base_load)
    masses = [person.body_mass_kg for person in people]
    if all(mass is not None for mass in masses):
        for share in CAUTION_SHARES:
            grams = 1000 * share * sum(mass or 0 for mass in masses) - base_g
            yield Line(what="share", ref=people[0].id, carried_g=max(0.0, grams), share=share)
    limits = [person.carries_well_kg for person in people]
    if all(limit is not None for limit in limits):
        grams = 1000 * sum(limit or 0 for limit in limits) - base_g
        yield Line(what="carries-well", ref=people[0].id, carried_g=max(0.0, grams))
