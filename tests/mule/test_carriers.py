"""Carriers: does each leg take each bag (docs/domain/carriers.md)."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mule.carriers import Carrier, LegVerdict, Luggage, PieceRule, TogetherRule, check, squeezed
from mule.finding import PieceKind
from mule.trip import Leg
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
