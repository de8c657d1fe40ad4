"""What luggage may weigh on each leg, as limits that a search keeps (docs/domain/carriers.md)."""

from mule.analysis.gate.limits import MassLimit, mass_limits
from mule.plan import Plan
from mule.plan.carriers import Carrier, PieceRule, TogetherRule
from mule.plan.places import PieceKind
from mule.plan.trip import Leg
from tests import cast

CABIN, PERSONAL, HOLD = PieceKind.CABIN, PieceKind.PERSONAL, PieceKind.HOLD
LUGGAGE = {"pack": ("ines", CABIN), "purse": ("ines", PERSONAL), "case": ("ines", HOLD), "sling": ("marit", CABIN)}
BOTH = (CABIN, PERSONAL)


def flying(*carriers: Carrier | None) -> Plan:
    legs = tuple(Leg(id=f"leg-{i}", name="Leg", carrier=c.id if c else None) for i, c in enumerate(carriers))
    return cast.plan([], carriers=tuple({c.id: c for c in carriers if c}.values()), legs=legs)


def limits(*carriers: Carrier | None) -> list[MassLimit]:
    return list(mass_limits(flying(*carriers), LUGGAGE))


def test_each_bag_is_under_the_rule_for_its_kind_on_every_leg_that_has_one() -> None:
    rules = (PieceRule(piece=CABIN, mass_g=8000), PieceRule(piece=HOLD, mass_g=23_000), PieceRule(piece=PERSONAL))
    air = Carrier(id="air", name="Air", pieces=rules)
    expected = [
        MassLimit(leg=leg, bags=(bag,), allowed_g=grams)
        for leg in ("leg-1", "leg-3")
        for bag, grams in (("pack", 8000), ("case", 23_000), ("sling", 8000))
    ]
    assert limits(None, air, Carrier(id="bus", name="Bus", means="bus"), air) == expected


def test_what_is_weighed_together_is_one_limit_a_person() -> None:
    shared = TogetherRule(pieces=BOTH, mass_g=10_000)
    assert limits(Carrier(id="air", name="Air", together=(shared,))) == [
        MassLimit(leg="leg-0", bags=("pack", "purse"), allowed_g=10_000, person="ines", pieces=BOTH),
        MassLimit(leg="leg-0", bags=("sling",), allowed_g=10_000, person="marit", pieces=BOTH),
    ]


def test_who_has_nothing_of_these_kinds_has_no_limit() -> None:
    shared = TogetherRule(pieces=(PERSONAL,), mass_g=3_000)
    (only,) = limits(Carrier(id="air", name="Air", together=(shared,)))
    assert (only.person, only.bags) == ("ines", ("purse",))
