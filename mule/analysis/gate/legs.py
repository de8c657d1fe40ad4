"""Each leg against the bags as they are packed on it."""

from mule.analysis.carriers import LegVerdict, Luggage, check
from mule.analysis.load import Loads, weigh
from mule.analysis.loadouts import packings
from mule.plan import Plan


def check_legs(plan: Plan, loads: Loads) -> tuple[LegVerdict, ...]:
    """What the carrier of each leg says to the bags of the open kit. loads: of its transit packing."""
    carriers = {c.id: c for c in plan.carriers}
    found: dict[str, LegVerdict] = {}
    for packing in packings(plan):
        packed = loads if packing.loadout is None else weigh(plan.items, packing.kit, plan.trip.people, plan.weighed)
        legs = [leg for leg in plan.trip.legs if leg.id in packing.legs]
        for verdict in check(legs, carriers, _luggage(packed)):
            found[verdict.leg] = verdict.model_copy(update={"loadout": packing.loadout})
    return tuple(found[leg.id] for leg in plan.trip.legs)


def _luggage(loads: Loads) -> tuple[Luggage, ...]:
    return tuple(
        Luggage(
            bag=p.bag,
            person=p.person,
            piece=p.piece,
            size_mm=p.size_mm,
            mass_g=p.mass_g,
            squeeze_mm=p.squeeze_mm,
            hard=p.hard,
        )
        for p in loads.pieces
    )
