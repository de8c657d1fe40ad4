"""How bags hang on who carries them."""

import pytest

from mule.base.deadline import Deadline
from mule.packing import OnPerson, stow
from mule.packing.balancing import HALF_DEEP_MM, HALF_WIDE_MM
from mule.plan.gear import Bag, Box, Gear, Soft
from mule.plan.kit import Entry, Hang, Kit, Pin, Ride, Stow
from mule.plan.places import AsPiece, InBag, PieceKind
from tests import cast
from tests.mule.test_packing import bag, thing

LEGS = thing("legs", 500, 90, 80, grams=1500)


def carried(stowing: Stow, *things: Gear, outside: tuple[str, ...] = ("legs",)) -> OnPerson:
    """A bag of 440 x 300 x 200 mm outside, 1 kg, with these things in it or on it."""
    holder: Bag = bag(400, 260, 160)
    entries = [cast.entry("bag", cast.INES_CABIN)]
    entries += [Entry(item=t.id, place=InBag(bag="bag", outside=t.id in outside)) for t in things]
    kit: Kit = cast.kit(*entries).model_copy(update={"stow": stowing})
    (one,) = stow({t.id: t for t in [holder, *things]}, kit, Deadline(2)).people
    return one


def test_an_empty_bag_hangs_in_the_middle_of_the_back() -> None:
    one = carried(Stow())
    assert (one.right_mm, one.behind_mm, one.level_g) == (0, HALF_DEEP_MM + 100, 0)
    assert (one.mass_g, one.back_g, one.front_g, one.riding) == (1000, 1000, 0, {"bag": "back"})


def test_legs_on_the_right_pull_to_the_right() -> None:
    one = carried(Stow(hangs=(Hang(item="legs", bag="bag", side="right"),)), LEGS)
    # 1,500 g hang 150 + 40 mm right of the middle; by hand: 1500 * 190 / 200 on the left hip level that.
    assert one.level_g == pytest.approx(1425)
    assert one.right_mm == pytest.approx(1500 * 190 / 2500)
    assert (one.right_g, one.left_g, one.back_g) == (1500, 0, 1000)
    # In front of the bag they hang in the middle.
    assert one.better is not None
    assert (one.better.item, one.better.side, one.better.level_g) == ("legs", "out", 0)


def test_two_hang_against_each_other() -> None:
    bottle = thing("bottle", 200, 80, 80, grams=1000)
    one = carried(Stow(hangs=(Hang(item="legs", bag="bag", side="right"),)), LEGS, bottle, outside=("legs", "bottle"))
    assert one.better is not None
    assert (one.better.item, one.better.side) == ("legs", "out")
    other = carried(
        Stow(hangs=(Hang(item="legs", bag="bag", side="right"), Hang(item="bottle", bag="bag", side="left"))),
        LEGS,
        bottle,
        outside=("legs", "bottle"),
    )
    assert other.level_g == pytest.approx((1500 - 1000) * 190 / HALF_WIDE_MM)


def test_in_front_all_is_turned_round() -> None:
    hangs = (Hang(item="legs", bag="bag", side="right"),)
    behind = carried(Stow(hangs=hangs), LEGS)
    before = carried(Stow(hangs=hangs, rides=(Ride(bag="bag", at="front"),)), LEGS)
    assert before.level_g == -behind.level_g
    assert before.behind_mm == -behind.behind_mm
    assert (before.front_g, before.back_g) == (behind.back_g, 0)


def test_a_bag_on_the_hip_pulls_to_its_side() -> None:
    one = carried(Stow(rides=(Ride(bag="bag", at="left"),)))
    assert one.right_mm == -HALF_WIDE_MM - 100
    assert one.level_g == pytest.approx(-1500)


def test_what_is_soft_counts_in_the_middle_and_the_whole_is_what_is_carried() -> None:
    jacket = thing("jacket", 1, 1, 1, grams=400).model_copy(update={"size": Soft(volume_l=2)})
    one = carried(Stow(), jacket, thing("stove", 90, 80, 80, grams=600))
    assert one.mass_g == 1000 + 400 + 600


def test_a_bag_in_the_hold_is_on_nobody() -> None:
    kit = cast.kit(cast.entry("bag", AsPiece(piece=PieceKind.HOLD, person="ines")))
    assert stow({"bag": bag(400, 260, 160)}, kit, Deadline(1)).people == ()


def test_a_thing_in_the_pocket_hangs_out_at_the_front() -> None:
    # 200 mm thick; the pocket takes the foremost 60, so 30 mm of stove in it are out from 140 to 170.
    room = {"inner": Box(length_mm=400, width_mm=260, height_mm=160), "divided": False}
    pocket = {"inner": Box(length_mm=200, width_mm=160, height_mm=60), "sort": "pocket", "divided": False}
    holder = bag(
        400, 260, 160, compartments=({"id": "main", "name": "Main", **room}, {"id": "front", "name": "Front", **pocket})
    )
    stove = thing("stove", 100, 80, 30, grams=1000)
    kit = cast.kit(cast.entry("bag", cast.INES_CABIN), cast.entry("stove"))
    pin = Pin(item="stove", bag="bag", compartment="front")
    kit = kit.model_copy(update={"stow": Stow(pins=(pin,))})
    (one,) = stow({"bag": holder, "stove": stove}, kit, Deadline(2)).people
    (placed,) = stow({"bag": holder, "stove": stove}, kit, Deadline(2)).placed
    middle = 140 + placed.at_mm[2] + placed.size_mm[2] / 2
    # 1 kg of bag hangs at half of its 200 mm.
    assert one.behind_mm == pytest.approx(HALF_DEEP_MM + (1000 * 100 + 1000 * middle) / 2000)
