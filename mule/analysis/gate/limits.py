"""What pieces of luggage may weigh on each leg, one by one and together, as limits that a search can keep."""

from collections.abc import Iterator, Mapping

from mule.base.units import Frozen
from mule.plan import Plan
from mule.plan.places import PieceKind


class MassLimit(Frozen):
    """So many grams for these bags together, on one leg. person: whose they are, where a rule is for all of somebody's
    pieces; pieces: the kinds that it counts."""

    leg: str
    bags: tuple[str, ...]
    allowed_g: float
    person: str | None = None
    pieces: tuple[PieceKind, ...] = ()


def mass_limits(plan: Plan, luggage: Mapping[str, tuple[str, PieceKind]]) -> Iterator[MassLimit]:
    """Every limit of every leg that some of this luggage is under. luggage: who carries each bag, and how it travels.

    >>> from tests import cast
    >>> from mule.plan.trip import Leg
    >>> plan = cast.plan([], carriers=(cast.carrier(mass_g=8000),), legs=(Leg(id="out", name="Out", carrier="air"),))
    >>> [(one.leg, one.bags, one.allowed_g) for one in mass_limits(plan, {"bag": ("ines", PieceKind.CABIN)})]
    [('out', ('bag',), 8000.0)]
    """
    carriers = {c.id: c for c in plan.carriers}
    for leg in plan.trip.legs:
        carrier = carriers.get(leg.carrier) if leg.carrier else None
        if carrier is None:
            continue
        for bag, (_, kind) in luggage.items():
            rule = carrier.rule(kind)
            if rule and rule.mass_g is not None:
                yield MassLimit(leg=leg.id, bags=(bag,), allowed_g=rule.mass_g)
        for shared in carrier.together:
            for person in plan.trip.people:
                mine = tuple(bag for bag, (who, kind) in luggage.items() if who == person.id and kind in shared.pieces)
                if mine:
                    yield MassLimit(
                        leg=leg.id, bags=mine, allowed_g=shared.mass_g, person=person.id, pieces=shared.pieces
                    )
