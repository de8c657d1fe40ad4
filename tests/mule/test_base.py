"""What stays at the base: into the safe first what cannot be bought again; packs in a car."""

from typing import Any

import pytest

from mule.base.errors import InvalidInput
from mule.plan import Plan
from mule.plan.gear import Box, Card, Cylinder, Drive, Other, Soft
from mule.plan.kit import Loadout, Stow
from mule.plan.purposes import Purpose
from mule.plan.trip import Base, Day
from mule.search.outings import at_base
from tests import cast

ROOMY = Box(length_mm=390, width_mm=300, height_mm=180)
DAY = cast.trip().days[0].model_copy(update={"lowest_c": -10})


def staying(*things: Any, base: Base | None, day: Day = DAY, goes: tuple[str, ...] = ()) -> Plan:
    """A day on which nothing of these goes along but what is named."""
    entries = [cast.entry("bag", cast.INES_CABIN), *(cast.entry(t.id, count=t.count) for t in things)]
    out = Loadout(id="out", name="Out", days=(day.date,), entries=(entries[0], *(cast.entry(i) for i in goes)))
    plan = cast.plan([cast.bag(), *things], *entries, base=base, days=(day,))
    return plan.with_kit(plan.kit.model_copy(update={"stow": Stow(loadouts=(out,))}))


def disk() -> Drive:
    size = Box(length_mm=100, width_mm=60, height_mm=15)
    return Drive(id="disk", name="disk", mass_g=60, size=size, capacity_gb=1000, plug="USB-C", speed_mb_s=90)


def test_a_trip_that_says_nothing_of_its_base_is_told_so() -> None:
    with pytest.raises(InvalidInput) as told:
        at_base(staying(base=None), DAY)
    assert told.value.problems[0].field == "base"


def test_all_goes_in_with_what_cannot_be_bought_again_first() -> None:
    papers = Other(id="papers", name="papers", mass_g=80, size=Soft(volume_l=0.1), purpose=Purpose.PAPERS)
    jacket = Other(id="jacket", name="jacket", mass_g=400, size=Soft(volume_l=4), purpose=Purpose.CLOTHING)
    made = at_base(staying(cast.tele_zoom(), cast.body(), disk(), papers, jacket, base=Base(safe=ROOMY)), DAY)
    assert made.locked is not None
    assert [(one.item, one.inside) for one in made.locked] == [("disk", 1), ("papers", 1), ("body", 1), ("tele", 1)]
    assert made.proved


def test_a_small_safe_takes_the_body_and_not_the_larger_lens() -> None:
    big = cast.lens("big", 400, 400, 2.8, size=Cylinder(diameter_mm=140, length_mm=350), mass_g=2900)
    small = Box(length_mm=140, width_mm=110, height_mm=110)
    made = at_base(staying(big, cast.body(), disk(), base=Base(safe=small)), DAY)
    assert made.locked is not None
    assert {one.item: one.inside for one in made.locked} == {"disk": 1, "body": 1, "big": 0}
    assert made.proved


def test_what_goes_along_does_not_stay() -> None:
    made = at_base(staying(cast.body(), disk(), base=Base(safe=ROOMY), goes=("body",)), DAY)
    assert made.locked is not None
    assert [one.item for one in made.locked] == ["disk"]


def test_packs_in_a_car_are_as_cold_as_the_day() -> None:
    made = at_base(staying(cast.pack(), base=Base(sort="car")), DAY)
    assert (made.packs, made.left) == ({"pack": 5}, 0.65)
    assert made.locked is None
    warm = at_base(staying(cast.pack(), base=Base(sort="room")), DAY)
    assert (warm.packs, warm.left) == ({}, None)


def test_a_day_may_have_another_base_and_all_may_go_along() -> None:
    camp = DAY.model_copy(update={"base": Base(sort="tent")})
    assert at_base(staying(cast.pack(), base=Base(), day=camp), camp).sort == "tent"
    plan = cast.plan(
        [cast.bag(), cast.body()], cast.entry("bag", cast.INES_CABIN), cast.entry("body"), base=Base(safe=ROOMY)
    )
    assert at_base(plan, DAY).locked == ()


def test_cards_by_the_dozen_are_counted() -> None:
    size = Box(length_mm=32, width_mm=24, height_mm=3)
    cards = Card(id="sd", name="sd", mass_g=2, size=size, card_type="SD", capacity_gb=128, speed_mb_s=90, count=12)
    made = at_base(staying(cards, base=Base(safe=ROOMY)), DAY)
    assert made.locked is not None
    assert made.locked[0].inside == 12
