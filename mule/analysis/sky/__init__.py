"""Sky: what light a day has at a place. The front door is ``light``; positions come from the ``astral`` package."""

from collections.abc import Callable
from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from functools import lru_cache
from math import cos, pi

from astral import Observer, SunDirection
from astral.moon import elevation as moon_elevation
from astral.moon import moonrise, moonset, phase
from astral.sun import elevation, noon, time_at_elevation

from mule.base.units import Frozen, LocalTime
from mule.plan.trip import Day, Spot

# Heights of the sun's centre in degrees: its upper edge on the horizon with refraction, end of civil twilight,
# start of full darkness (the usual almanac definitions).
_HORIZON = -0.833
_CIVIL = -6.0
_DARK = -18.0
# Low warm light: the sun under this height (estimate).
_LOW_SUN = 6.0
# astral counts the moon's phase in days of a 28-day month: 0 new, 14 full.
_MONTH = 28.0


class DayLight(Frozen):
    """Light of one day, clock times of the place. Times are None where the sun or moon does not cross that height.

    sun_h: sun above the horizon. low_sun_h: of these, under 6 degrees. twilight_h: sun down, sky not yet dark.
    dark_h: sun under -18 degrees. moon_lit: lit share of the moon's disk, 0 to 1.
    """

    date: date
    sunrise: LocalTime | None
    sunset: LocalTime | None
    first_light: LocalTime | None
    last_light: LocalTime | None
    sun_h: float
    low_sun_h: float
    twilight_h: float
    dark_h: float
    moonrise: LocalTime | None
    moonset: LocalTime | None
    moon_lit: float


def light(day: Day, spot: Spot | None) -> DayLight | None:
    """The light of a day at its own spot, or else at the trip's; None when neither is known.

    >>> day = light(Day(date="2027-06-21", title="Midsummer"), Spot(latitude=68, longitude=14, utc_offset_h=2))
    >>> day.sun_h, day.sunset
    (24.0, None)
    """
    at = day.spot or spot
    return _light(day.date, at.latitude, at.longitude, at.utc_offset_h) if at else None


class DarkSky(Frozen):
    """A night's sky of one place, clock times there: from the evening of ``date`` on. dark_from, dark_until: the sun
    under -18 degrees; moonless_from, moonless_until: the longest of it with the moon down, None where there is none."""

    date: date
    dark_from: LocalTime
    dark_until: LocalTime
    moonless_from: LocalTime | None
    moonless_until: LocalTime | None


def dark_sky(day: date, spot: Spot) -> DarkSky | None:
    """The darkness of the night that begins on a day; None where it does not get dark.

    >>> dark_sky(date(2027, 6, 21), Spot(latitude=68, longitude=14, utc_offset_h=2))
    """
    return _dark_sky(day, spot.latitude, spot.longitude, spot.utc_offset_h)


def is_dark(at: datetime, spot: Spot) -> bool:
    """Whether one needs a light to walk by: after civil twilight. at: by the clock of the place."""
    observer = Observer(spot.latitude, spot.longitude)
    return bool(elevation(observer, (at - timedelta(hours=spot.utc_offset_h)).replace(tzinfo=UTC)) < _CIVIL)


# Steps in which a night is looked at.
_STEP = timedelta(minutes=5)


@lru_cache(maxsize=2_000)
def _dark_sky(day: date, latitude: float, longitude: float, utc_offset_h: float) -> DarkSky | None:
    observer, offset = Observer(latitude, longitude), timedelta(hours=utc_offset_h)
    noon_there = datetime(day.year, day.month, day.day, 12, tzinfo=UTC) - offset
    times = [noon_there + n * _STEP for n in range(int(timedelta(days=1) / _STEP))]
    dark = [at for at in times if elevation(observer, at) < _DARK]
    if not dark:
        return None
    best: list[datetime] = []
    run: list[datetime] = []
    for at in dark:
        run = [*run, at] if moon_elevation(observer, at) < 0 else []
        best = max(best, run, key=len)

    def clock(at: datetime) -> datetime:
        return (at + offset).replace(tzinfo=None)

    return DarkSky(
        date=day,
        dark_from=clock(dark[0]),
        dark_until=clock(dark[-1] + _STEP),
        moonless_from=clock(best[0]) if best else None,
        moonless_until=clock(best[-1] + _STEP) if best else None,
    )


# A trip is reckoned anew on every click; its days hardly ever change.
@lru_cache(maxsize=2_000)
def _light(day: date, latitude: float, longitude: float, utc_offset_h: float) -> DayLight:
    place = _Place(Observer(latitude, longitude), timedelta(hours=utc_offset_h))
    sun_h, high_h, bright_h = (place.hours_above(day, height) for height in (_HORIZON, _LOW_SUN, _DARK))
    rise, fall = place.crossings(day, _HORIZON)
    first, last = place.crossings(day, _CIVIL)
    return DayLight(
        date=day,
        sunrise=rise,
        sunset=fall,
        first_light=first,
        last_light=last,
        sun_h=sun_h,
        low_sun_h=sun_h - high_h,
        twilight_h=bright_h - sun_h,
        dark_h=24 - bright_h,
        moonrise=place.on(day, lambda d: moonrise(place.observer, d)),
        moonset=place.on(day, lambda d: moonset(place.observer, d)),
        moon_lit=(1 - cos(2 * pi * phase(day) / _MONTH)) / 2,
    )


@dataclass(frozen=True)
class _Place:
    """A point of the globe and what its clocks are ahead of UTC."""

    observer: Observer
    offset: timedelta

    def on(self, day: date, when: Callable[[date], datetime | None]) -> datetime | None:
        """The event that falls on a day by the clock of the place, to the minute and without a zone.

        ``when`` knows events by their UTC date, which may be a day earlier or later.
        """
        for shift in (0, -1, 1):
            try:
                at = when(day + timedelta(days=shift))
            except ValueError:
                continue
            if at is not None:
                local = at.astimezone(UTC) + self.offset + timedelta(seconds=30)
                if local.date() == day:
                    return local.replace(second=0, microsecond=0, tzinfo=None)
        return None

    def crossings(self, day: date, height: float) -> tuple[datetime | None, datetime | None]:
        """When the sun passes a height upward and downward."""
        up, down = (
            self.on(day, lambda d, way=way: _at_height(self.observer, height, d, way))  # type: ignore[misc]
            for way in (SunDirection.RISING, SunDirection.SETTING)
        )
        return up, down

    def hours_above(self, day: date, height: float) -> float:
        """Hours of the day with the sun above a height; all or none where it never crosses it."""
        try:
            up = _at_height(self.observer, height, day, SunDirection.RISING)
            down = _at_height(self.observer, height, day, SunDirection.SETTING)
        except ValueError:
            return 24.0 if elevation(self.observer, noon(self.observer, day)) > height else 0.0
        return float((down - up).total_seconds() / 3600 % 24)


def _at_height(observer: Observer, height: float, day: date, way: SunDirection) -> datetime:
    # The heights above already allow for refraction.
    return time_at_elevation(observer, height, day, way, with_refraction=False)
