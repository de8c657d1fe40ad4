"""A day on foot: Naismith's rule, the clock around the light, water and food, darkness on the way."""

from datetime import date, datetime
from typing import Any

import pytest

from mule.analysis.headlamps import lamps
from mule.analysis.load import weigh
from mule.analysis.sky import dark_sky, is_dark, light
from mule.analysis.walking import DayOnFoot, day_on_foot, walked_h
from mule.plan import Plan
from mule.plan.gear import Battery, Light, Other, Soft
from mule.plan.kit import Entry
from mule.plan.places import InBag
from mule.plan.purposes import Purpose
from mule.plan.trip import BaseLoad, Day, Pace, Person, Spot, Trip, Walk
from tests import cast

LOFOTEN = Spot(latitude=68.1, longitude=13.6, utc_offset_h=1)
KARST = Spot(latitude=45.8, longitude=14.2, utc_offset_h=2)
DAY = date(2027, 2, 24)
INES = Person(id="ines", name="Ines", body_mass_kg=60)


def plan_for(walk: Walk | None, *gear: Any, **trip: Any) -> Plan:
    day = Day(date=DAY, title="Up", walk=walk)
    entries = [cast.entry(t.id, cast.ON_INES, t.count) for t in gear]
    told: dict[str, Any] = {"people": (INES,), "days": (day,), "spot": LOFOTEN} | trip
    return cast.plan(list(gear), *entries, **told)


def walked(walk: Walk, *gear: Any, **trip: Any) -> DayOnFoot:
    plan = plan_for(walk, *gear, **trip)
    made = day_on_foot(plan, plan.trip.days[0], weigh(plan.items, plan.kit, plan.trip.people))
    assert made is not None
    return made


@pytest.mark.parametrize(
    ("km", "up", "down", "hours"),
    [
        (5, 0, 0, 1),
        (0, 600, 0, 1),
        (10, 600, 0, 3),
        # A slope of 6 degrees down is gentle: 10 min less for each 300 m.
        (6, 0, 630, 6 / 5 - 10 / 60 * 2.1),
        # A slope of 17 degrees is steep: 10 min more.
        (2, 0, 600, 2 / 5 + 10 / 60 * 2),
        # Hardly falling: no change.
        (10, 0, 300, 2),
    ],
)
def test_naismith_and_langmuir(km: float, up: float, down: float, hours: float) -> None:
    assert walked_h(km, up, down, Pace()) == pytest.approx(hours)


def test_nobody_runs_down() -> None:
    assert walked_h(5, 0, 900, Pace(gentle_min=60)) == 0.5


def test_a_day_without_a_walk_has_none() -> None:
    plan = plan_for(None)
    assert day_on_foot(plan, plan.trip.days[0], weigh(plan.items, plan.kit, plan.trip.people)) is None


def test_the_clock_goes_back_from_the_light() -> None:
    made = walked(Walk(km=5, up_m=600, goal="sunrise", early_min=30, stay_h=1.5))
    sky = light(Day(date=DAY, title="Up"), LOFOTEN)
    assert sky is not None
    assert made.goal_at == sky.sunrise
    assert made.goal_at
    assert made.there
    assert made.leave
    assert (made.goal_at - made.there).total_seconds() == 30 * 60
    assert (made.there - made.leave).total_seconds() == 2 * 3600
    assert made.turn_back
    assert (made.turn_back - made.goal_at).total_seconds() == 90 * 60
    # Down 600 m in 5 km is a gentle slope: 1 h less 20 min.
    assert made.back_h == pytest.approx(40 / 60)
    # Last light is what it must end by.
    assert made.home_by == sky.last_light
    assert not made.late


def test_a_stay_that_ends_too_late_for_the_boat_is_told() -> None:
    made = walked(Walk(km=5, goal="clock", at="12:00", stay_h=3, home_by="15:30"))
    assert made.turn_back_by == datetime(2027, 2, 24, 14, 30)
    assert made.turn_back == datetime(2027, 2, 24, 15)
    assert made.late
    assert not walked(Walk(km=5, goal="clock", at="12:00", stay_h=2, home_by="15:30")).late


def test_a_time_to_be_home_after_midnight_is_of_the_next_day() -> None:
    made = walked(Walk(km=5, goal="dark", stay_h=2, home_by="02:00"))
    assert made.home_by == datetime(2027, 2, 25, 2)


def test_a_dark_sky_is_dark_and_moonless() -> None:
    sky = dark_sky(DAY, LOFOTEN)
    assert sky
    assert sky.moonless_from
    assert sky.moonless_until
    assert sky.dark_from <= sky.moonless_from < sky.moonless_until <= sky.dark_until
    made = walked(Walk(km=2, goal="dark"))
    assert (made.goal_at, made.until) == (sky.moonless_from, sky.moonless_until)
    # Whoever goes for the stars walks in the dark, there or back.
    assert made.dark_h == pytest.approx(made.there_h + made.back_h, abs=0.4)
    assert made.home_by is None
    assert is_dark(sky.dark_from, LOFOTEN)
    assert not is_dark(datetime(2027, 2, 24, 12), LOFOTEN)


def test_light_that_does_not_come_leaves_the_clock_open() -> None:
    midsummer = Trip(id="t", name="T", people=(INES,), spot=LOFOTEN, days=(Day(date="2027-06-21", title="Up"),))
    assert dark_sky(midsummer.days[0].date, LOFOTEN) is None
    day = Day(date="2027-06-21", title="Up", walk=Walk(km=4, goal="sunset"))
    made = walked(Walk(km=4, goal="sunset"), days=(day,))
    assert (made.goal_at, made.leave, made.down, made.dark_h) == (None, None, None, None)
    assert made.there_h == 0.8
    unknown = walked(Walk(km=4, goal="sunrise"), spot=None)
    assert (unknown.goal_at, unknown.water_l) == (None, pytest.approx(0.8))


def test_what_is_carried_slows_down() -> None:
    heavy = cast.body(mass_g=12_000)
    made = walked(Walk(km=5, goal="clock", at="10:00"), heavy)
    # 12 kg of 60 are a fifth: a tenth over what is free.
    assert made.slower == pytest.approx(1.1)
    assert made.there_h == pytest.approx(1.1)
    assert walked(Walk(km=5, goal="clock", at="10:00"), heavy, pace=Pace(load_slows=0)).slower == 1


def test_water_as_far_as_the_next_tap_and_nothing_counted_twice() -> None:
    walk = Walk(km=10, goal="clock", at="10:00", refills=1)
    made = walked(walk)
    assert made.water_l == pytest.approx(2)
    (ines,) = made.walkers
    assert (ines.water_l, ines.food_g) == (pytest.approx(1), 650)
    assert ines.total_g == pytest.approx(1650)
    told = INES.model_copy(
        update={"base_load": (BaseLoad(name="Water", mass_g=1500), BaseLoad(name="Food", mass_g=300))}
    )
    (walker,) = walked(walk, people=(told,)).walkers
    assert walker.total_g == pytest.approx(1500 + 650)
    flask = Other(id="flask", name="flask", mass_g=1090, size=Soft(volume_l=1), purpose=Purpose.WATER)
    (walker,) = walked(walk, flask).walkers
    assert walker.total_g == pytest.approx(1090 + 650)
    hot = walked(walk.model_copy(update={"hot": True}))
    assert hot.water_l == pytest.approx(3)


def test_a_waterproof_jacket_quenches_no_thirst() -> None:
    def on_back(*loads: tuple[str, int]) -> float:
        told = INES.model_copy(update={"base_load": tuple(BaseLoad(name=name, mass_g=grams) for name, grams in loads)})
        return walked(Walk(km=10, goal="clock", at="10:00"), people=(told,)).walkers[0].total_g

    assert on_back(("Waterproof jacket", 600)) == pytest.approx(on_back() + 600)
    # Of two flasks both count.
    assert on_back(("Water", 600), ("Water", 600)) == pytest.approx(on_back())


def lamp(id_: str = "lamp", **more: Any) -> Light:
    told: dict[str, Any] = {"form": "head-torch", "runs_h": 6, "battery_type": "AAA", "cells": 3} | more
    return Light(id=id_, name=id_, mass_g=86, size=cast.SMALL, **told)


def cells(count: int) -> Battery:
    return Battery(
        id="aaa",
        name="aaa",
        mass_g=12,
        size=cast.SMALL,
        battery_type="AAA",
        energy_wh=1.5,
        rechargeable=False,
        count=count,
    )


def test_lights_and_cells_of_each_person() -> None:
    walk = Walk(km=2, goal="dark")
    (none,) = walked(walk).lamps
    assert (none.lights, none.hours, none.short) == (0, None, {})
    # Six cells are two sets of three: 12 h.
    (ines,) = walked(walk, lamp(), cells(6)).lamps
    assert (ines.lights, ines.hours) == (1, 12)
    # One that eats none burns once; the longest of several counts.
    old = lamp("old", form="torch", runs_h=3, battery_type=None)
    (both,) = walked(walk, lamp(), old, cells(3)).lamps
    assert (both.lights, both.hours) == (2, 6)


def test_who_has_several_lights_gives_one_to_who_has_none_and_cells_are_shared() -> None:
    two = (INES, Person(id="marit", name="Marit", body_mass_kg=70))
    made = walked(Walk(km=2, goal="dark"), lamp(count=2), cells(9), people=two).lamps
    # Nine cells, two lights of three each: one set for each of them, three cells over.
    assert [(one.person, one.lights, one.hours) for one in made] == [("ines", 1, 6), ("marit", 1, 6)]
    alone = walked(Walk(km=2, goal="dark"), lamp(), cells(3), people=two).lamps
    assert [one.lights for one in alone] == [1, 0]


def test_cells_that_are_short_for_the_way_in_the_dark() -> None:
    plan = plan_for(None, lamp(runs_h=4), cells(3))
    (made,) = lamps(plan, ["ines"], 9.0)
    # Nine hours are three sets of four: two more of three cells each.
    assert (made.hours, made.short) == (4, {"AAA": 6})
    (enough,) = lamps(plan, ["ines"], 4.0)
    assert enough.short == {}
    (dead,) = lamps(plan_for(None, lamp(runs_h=4)), ["ines"], 3.0)
    assert (dead.hours, dead.short) == (0, {"AAA": 3})


def test_cells_that_are_in_no_bag_are_in_the_lights() -> None:
    plan = plan_for(None, lamp(count=2))
    at_home = plan.with_gear((*plan.gear, cells(5)))
    # Five cells for two lights of three: one set is whole, and shared evenly it is none for each.
    assert [one.hours for one in lamps(at_home, ["ines"], 1.0)] == [0]
    assert [one.hours for one in lamps(plan.with_gear((*plan.gear, cells(8))), ["ines"], 1.0)] == [6]


def test_whoever_has_the_bag_has_the_light_in_it() -> None:
    two = (INES, Person(id="marit", name="Marit"))
    entries = [cast.entry("bag", cast.INES_CABIN), Entry(item="lamp", place=InBag(bag="bag"))]
    plan = cast.plan([cast.bag(), lamp(battery_type=None)], *entries, people=two)
    assert [one.lights for one in lamps(plan, ["marit", "ines"], 1.0)] == [0, 1]
