"""Carriers: does each leg take each bag (docs/domain/carriers.md)."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from mule.analysis.carriers import LegVerdict, Luggage, check, squeezed
from mule.plan.carriers import Carrier, PieceRule, TogetherRule
from mule.plan.places import PieceKind
from mule.plan.trip import Leg
from tests import cast

# The bag of the worked example: 7.4 kg, 54 x 38 x 24 cm.
BAG = Luggage(bag="bag", person="ines", piece=PieceKind.CABIN, size_mm=(540, 380, 240), mass_g=7400)


def verdict(carrier: Carrier, *bags: Luggage) -> LegVerdict:
    return check([Leg(id="leg", name="leg", carrier=carrier.id)], {carrier.id: carrier}, bags or (BAG,))[0]


@pytest.mark.parametrize(
    ("limit", "passes"),
    [
        ({"size_mm": (550, 400, 230)}, False),
        ({"size_mm": (230, 550, 400)}, False),
        ({"size_mm": (550, 400, 240)}, True),
        ({"sum_mm": 1150}, False),
        ({"sum_mm": 1160}, True),
        ({"mass_g": 8000}, True),
        ({"mass_g": 7400}, True),
        ({"mass_g": 7399}, False),
    ],
)
def test_the_worked_bag_against_each_limit(limit: dict[str, Any], passes: bool) -> None:
    assert verdict(cast.carrier(**limit)).passes is passes


def test_the_sum_of_sides_of_the_worked_bag_is_116_cm() -> None:
    (made,) = verdict(cast.carrier(sum_mm=1150)).checks
    assert (made.value, made.allowed, made.over) == (1160, 1150, 10)


def test_a_size_check_names_the_side_that_is_most_over() -> None:
    (made,) = verdict(cast.carrier(size_mm=(550, 400, 230))).checks
    assert (made.limit, made.value, made.allowed) == ("size", 240, 230)


def test_a_soft_bag_gives_by_its_stated_squeeze_on_its_thinnest_side() -> None:
    soft = BAG.model_copy(update={"squeeze_mm": 15})
    assert verdict(cast.carrier(size_mm=(550, 400, 230)), soft).passes
    assert verdict(cast.carrier(sum_mm=1150), soft).passes
    assert squeezed((240, 540, 380), 15) == (540, 380, 225)


def test_counts_are_per_person() -> None:
    one_each = Carrier(id="c", name="c", pieces=(PieceRule(piece=PieceKind.CABIN, count=1),))
    hers = BAG.model_copy(update={"bag": "b2", "person": "marit"})
    mine = BAG.model_copy(update={"bag": "b3"})
    assert verdict(one_each, BAG, hers).passes
    assert not verdict(one_each, BAG, mine).passes


def test_a_count_of_zero_forbids_the_piece() -> None:
    none = Carrier(id="c", name="c", pieces=(PieceRule(piece=PieceKind.CABIN, count=0),))
    assert not verdict(none).passes


def test_pieces_may_share_a_mass() -> None:
    shared = Carrier(
        id="c", name="c", together=(TogetherRule(pieces=(PieceKind.CABIN, PieceKind.PERSONAL), mass_g=10_000),)
    )
    small = BAG.model_copy(update={"bag": "s", "piece": PieceKind.PERSONAL, "mass_g": 2600})
    assert verdict(shared, BAG, small).passes
    assert not verdict(shared, BAG, small.model_copy(update={"mass_g": 2601})).passes


def test_a_carrier_without_limits_takes_everything_and_says_so() -> None:
    made = verdict(Carrier(id="c", name="c"))
    assert made.passes
    assert not made.limits


def test_a_leg_without_a_carrier_takes_everything() -> None:
    (made,) = check([Leg(id="walk", name="walk")], {}, [BAG])
    assert made.passes
    assert made.checks == ()


def test_every_leg_is_judged_by_its_own_carrier() -> None:
    strict, easy = cast.carrier("strict", mass_g=7000), cast.carrier("easy", mass_g=10_000)
    legs = [Leg(id="one", name="1", carrier="easy"), Leg(id="two", name="2", carrier="strict")]
    made = check(legs, {"strict": strict, "easy": easy}, [BAG])
    assert [v.passes for v in made] == [True, False]


@given(st.permutations([540.0, 380.0, 240.0]), st.permutations([550.0, 400.0, 245.0]))
def test_sizes_are_compared_sorted(sides: list[float], frame: list[float]) -> None:
    turned = BAG.model_copy(update={"size_mm": tuple(sides)})
    assert verdict(cast.carrier(size_mm=tuple(frame)), turned).passes


def test_a_thin_side_gives_down_to_a_millimetre_and_no_further() -> None:
    assert squeezed((540, 240, 380), 239) == (540, 380, 1)
    assert squeezed((540, 240, 380), 400) == (540, 380, 1)


def test_a_check_says_what_was_compared_with_what() -> None:
    bag = BAG.model_copy(update={"size_mm": (240, 540, 380), "squeeze_mm": 15})
    size, whole, mass = verdict(cast.carrier(size_mm=(400, 230, 550), sum_mm=1200, mass_g=8000), bag).checks
    assert (size.limit, size.value, size.allowed, size.over) == ("size", 225, 230, -5)
    assert (size.size_mm, size.frame_mm, size.squeeze_mm) == ((540, 380, 240), (550, 400, 230), 15)
    assert (whole.limit, whole.value, whole.allowed) == ("sum", 1145, 1200)
    assert (whole.size_mm, whole.frame_mm, whole.squeeze_mm) == ((540, 380, 240), None, 15)
    assert (mass.limit, mass.size_mm, mass.frame_mm, mass.squeeze_mm) == ("mass", None, None, 0)
    assert {(c.leg, c.bag, c.person, c.piece, c.passes) for c in (size, whole, mass)} == {
        ("leg", "bag", "ines", PieceKind.CABIN, True)
    }


@pytest.mark.parametrize(
    ("hard", "soft_only", "checks"), [(True, True, [False]), (False, True, [True]), (True, False, [])]
)
def test_only_soft_bags_go_where_hard_ones_are_not_taken(hard: bool, soft_only: bool, checks: list[bool]) -> None:
    made = verdict(cast.carrier(soft_only=soft_only), BAG.model_copy(update={"hard": hard}))
    assert [(c.limit, c.value, c.allowed, c.passes) for c in made.checks] == [
        ("soft", float(hard), 0.0, passes) for passes in checks
    ]
    assert made.passes == all(checks)


def test_a_kind_without_a_rule_is_not_looked_at() -> None:
    hold = BAG.model_copy(update={"bag": "h", "piece": PieceKind.HOLD, "mass_g": 40_000})
    made = verdict(cast.carrier(mass_g=8000), hold)
    assert (made.passes, made.limits, made.checks) == (True, True, ())


def test_counts_and_shared_masses_are_told_for_each_person_who_has_such_pieces() -> None:
    both = (PieceKind.CABIN, PieceKind.PERSONAL)
    rules = Carrier(
        id="c",
        name="c",
        pieces=(PieceRule(piece=PieceKind.CABIN, count=1), PieceRule(piece=PieceKind.HOLD, count=1)),
        together=(TogetherRule(pieces=both, mass_g=9_000),),
    )
    second = BAG.model_copy(update={"bag": "b2", "mass_g": 1_600})
    hers = BAG.model_copy(update={"bag": "b3", "person": "marit", "piece": PieceKind.HOLD})
    made = verdict(rules, hers, BAG, second)
    told = [(c.limit, c.person, c.piece, c.bag, c.value, c.allowed, c.passes) for c in made.checks]
    assert told == [
        ("count", "ines", PieceKind.CABIN, None, 2, 1, False),
        ("together", "ines", None, None, 9_000, 9_000, True),
        ("count", "marit", PieceKind.HOLD, None, 1, 1, True),
    ]
    assert not made.passes


def test_a_carrier_with_shared_masses_only_has_limits() -> None:
    shared = Carrier(id="c", name="c", together=(TogetherRule(pieces=(PieceKind.HOLD,), mass_g=9_000),))
    made = verdict(shared)
    assert (made.limits, made.passes, made.checks, made.carrier) == (True, True, (), "c")


def test_a_carrier_has_one_rule_for_each_kind() -> None:
    rule = PieceRule(piece=PieceKind.CABIN)
    with pytest.raises(ValidationError, match="each kind of bag"):
        Carrier(id="c", name="c", pieces=(rule, rule))
    hold = PieceRule(piece=PieceKind.HOLD)
    made = Carrier(id="c", name="c", pieces=(rule, hold))
    assert (made.rule(PieceKind.HOLD), made.rule(PieceKind.PERSONAL)) == (hold, None)


@pytest.mark.parametrize(
    ("field", "low", "high"),
    [("count", 0, 20), ("sum_mm", 1, 9_000)],
)
def test_rules_are_within_reason(field: str, low: float, high: float) -> None:
    for value in (low, high):
        PieceRule.model_validate({"piece": "cabin", field: value})
    for value in (low - 1, high + 1):
        with pytest.raises(ValidationError):
            PieceRule.model_validate({"piece": "cabin", field: value})


def test_so_many_rules_may_a_carrier_have() -> None:
    shared = TogetherRule(pieces=(PieceKind.CABIN,), mass_g=9_000)
    Carrier(id="c", name="c", together=(shared,) * 4)
    for wrong in ({"pieces": ()}, {"pieces": (PieceKind.CABIN,) * 4}):
        with pytest.raises(ValidationError):
            TogetherRule(mass_g=9_000, **wrong)
    TogetherRule(pieces=(PieceKind.CABIN, PieceKind.PERSONAL, PieceKind.HOLD), mass_g=9_000)
    with pytest.raises(ValidationError):
        Carrier(id="c", name="c", together=(shared,) * 5)
