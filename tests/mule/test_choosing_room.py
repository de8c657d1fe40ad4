"""Kits that go into their bags: the choice against stowing every set of things."""

from itertools import combinations
from typing import Any

import pytest

from mule.base.deadline import Deadline
from mule.packing import PlacingOptions, stow
from mule.plan import Plan
from mule.plan.gear import Box, Cylinder, Other
from mule.plan.kit import Entry
from mule.plan.places import InBag
from mule.plan.trip import Marks, Person
from mule.search.choosing import Asking, choose
from tests import cast
from tests.tiny import QUIET
from tests.trying import SAME, value

ONE = Asking(points=1, workers=1)
WANTS = (
    cast.want("near", 24, 70, importance=5),
    cast.want("far", 200, 400, importance=2),
    cast.want("wide", 16, 24, importance=2),
)


def box(length: float, width: float, height: float) -> Box:
    return Box(length_mm=length, width_mm=width, height_mm=height)


def tube(diameter: float, length: float) -> Cylinder:
    return Cylinder(diameter_mm=diameter, length_mm=length)


def narrow(side_mm: float, **changes: Any) -> Plan:
    """One bag of 350 by ``side_mm`` by 150 mm inside, which says it takes 60 litres."""
    gear = [
        cast.bag(mass_g=1000, volume_l=60, size=box(620, 350, side_mm + 20), inner=box(350, side_mm, 150)),
        cast.body("b1", battery_type="LB-4", size=box(140, 100, 80)),
        cast.body("b2", battery_type="LB-4", mass_g=640, megapixels=24, size=box(130, 95, 70)),
        cast.lens("wide", 16, 35, 4, mass_g=500, size=tube(85, 110)),
        cast.normal_zoom(),
        cast.tele_zoom(mass_g=1400, size=tube(95, 240)),
        cast.pack(),
    ]
    trip: dict[str, Any] = {"people": (Person(id="ines", name="Ines"),), "wants": WANTS, "stamina": QUIET} | changes
    return cast.plan(gear, cast.entry("bag", cast.INES_CABIN), **trip)


def goes_in(plan: Plan, items: tuple[str, ...]) -> bool:
    entries = [cast.entry("bag", cast.INES_CABIN), *(Entry(item=i, place=InBag(bag="bag")) for i in items)]
    kit = plan.kit.model_copy(update={"entries": tuple(entries)})
    return not stow(plan.items, kit, Deadline(1), options=PlacingOptions(workers=1)).left


def best_score(plan: Plan) -> float:
    """The best score of any camera, pack and lenses that go into the bag together."""
    lenses = ("wide", "normal", "tele")
    sets = [
        (body, "pack", *some)
        for body in ("b1", "b2")
        for n in range(1, 4)
        for some in combinations(lenses, n)
    ]  # fmt: skip
    by_score = sorted(((value(plan, dict.fromkeys(items, 1))[0], items) for items in sets), reverse=True)
    return next(score for score, items in by_score if goes_in(plan, items))


@pytest.mark.parametrize("side_mm", [300, 200, 170, 150, 110])
def test_the_best_kit_is_the_best_of_those_that_go_in(side_mm: float) -> None:
    plan = narrow(side_mm)
    (point,) = choose(plan, ONE).points
    assert not point.left
    assert point.score == pytest.approx(best_score(plan), abs=SAME)
    assert goes_in(plan, tuple(i for i in point.kit.loaded() if i != "bag"))


def test_without_limits_the_bag_is_not_asked() -> None:
    narrowest = choose(narrow(110), ONE).points[0].score
    free = choose(narrow(110), ONE.model_copy(update={"keep_limits": False})).points[0]
    assert free.score > narrowest
    assert not free.stowed


def test_what_must_come_and_does_not_go_in_is_told_with_the_kit() -> None:
    # 240 mm of lens do not lie in 230 mm in any direction.
    plan = narrow(110, marks=Marks(must_take=("tele",)))
    small = plan.gear[0].model_copy(update={"inner": box(230, 110, 100)})
    plan = plan.model_copy(update={"gear": (small, *plan.gear[1:])})
    points = choose(plan, Asking(points=4, workers=1)).points
    assert points
    for point in points:
        assert point.left == {"tele": 1}
        assert not point.proved


def test_things_go_to_another_bag_before_another_kit_is_looked_for() -> None:
    one = narrow(150)
    second = cast.bag("second", mass_g=800, volume_l=30, inner=box(300, 200, 150))
    plan = one.model_copy(update={"gear": (*one.gear, second)})
    entries = (*plan.kit.entries, Entry(item="second", place=cast.INES_CABIN.model_copy(update={"piece": "personal"})))
    plan = plan.with_kit(plan.kit.model_copy(update={"entries": entries}))
    assert choose(plan, ONE).points[0].score > choose(one, ONE).points[0].score


def test_what_never_fitted_does_not_stand_in_the_way() -> None:
    plan = narrow(200)
    pole = Other(id="pole", name="pole", label="reach", mass_g=1500, size=tube(60, 900))
    entries = (*plan.kit.entries, Entry(item="pole", place=InBag(bag="bag")))
    stuck = plan.model_copy(update={"gear": (*plan.gear, pole)})
    stuck = stuck.with_kit(plan.kit.model_copy(update={"entries": entries}))
    (point,) = choose(stuck, ONE).points
    assert not point.left
    assert point.score == pytest.approx(choose(plan, ONE).points[0].score, abs=SAME)
