"""Light of a day, against almanac figures (rounded to the minute there; two minutes are allowed)."""

from datetime import datetime, timedelta

import pytest

from mule.analysis.sky import DayLight, light
from mule.plan.trip import Day, Spot

LONDON = Spot(latitude=51.51, longitude=-0.13, utc_offset_h=1)
FAR_NORTH = Spot(latitude=68.2, longitude=13.6, utc_offset_h=1)
AUCKLAND = Spot(latitude=-36.85, longitude=174.76, utc_offset_h=13)


def at(date: str, spot: Spot) -> DayLight:
    found = light(Day(date=date, title="Day"), spot)
    assert found is not None
    return found


def near(time: datetime | None, clock: str) -> bool:
    assert time is not None
    wanted = datetime.combine(time.date(), datetime.strptime(clock, "%H:%M").time())
    return abs(time - wanted) <= timedelta(minutes=2)


def test_midsummer_in_london() -> None:
    # Almanac: sunrise 04:43, sunset 21:21 (summer time), 16 h 38 min; no full darkness.
    day = at("2027-06-21", LONDON)
    assert near(day.sunrise, "04:43")
    assert near(day.sunset, "21:21")
    assert day.sun_h == pytest.approx(16.63, abs=0.05)
    assert day.dark_h == 0


def test_no_sunset_and_no_sunrise_in_the_far_north() -> None:
    summer, winter = at("2027-06-21", FAR_NORTH), at("2027-12-21", FAR_NORTH)
    assert (summer.sunrise, summer.sunset, summer.sun_h, summer.dark_h) == (None, None, 24, 0)
    assert (winter.sunrise, winter.sun_h) == (None, 0)
    assert winter.twilight_h > 9


def test_days_add_up_to_twenty_four_hours() -> None:
    day = at("2027-02-23", FAR_NORTH)
    assert day.sun_h + day.twilight_h + day.dark_h == pytest.approx(24)
    assert 0 < day.low_sun_h < day.sun_h


def test_events_fall_on_the_day_of_the_place_not_of_greenwich() -> None:
    day = at("2027-03-20", AUCKLAND)
    assert day.sunrise is not None
    assert day.sunset is not None
    assert day.sunrise.date() == day.sunset.date() == day.date
    assert day.sunrise < day.sunset


def test_the_moon_is_full_when_the_almanac_says_so() -> None:
    # Full moon 20 February 2027, new moon 6 February 2027.
    assert at("2027-02-20", LONDON).moon_lit > 0.97
    assert at("2027-02-06", LONDON).moon_lit < 0.03


def test_a_days_own_spot_goes_before_the_trips_and_without_any_nothing_is_said() -> None:
    day = Day(date="2027-06-21", title="Day", spot=FAR_NORTH)
    found = light(day, LONDON)
    assert found is not None
    assert found.sunset is None
    assert light(Day(date="2027-06-21", title="Day"), None) is None
