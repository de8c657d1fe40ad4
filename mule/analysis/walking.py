"""A day on foot: when to leave, be there, turn back and be down; water, food, and what lights have to last.

By Naismith's rule (1 h for each 5 km and for each 600 m of climb) with Langmuir's corrections for descent, slowed by
what is carried; general guidance (docs/domain/load.md).
"""

from collections.abc import Callable, Sequence
from datetime import datetime, time, timedelta
from math import radians, tan

from mule.analysis.headlamps import Lamps, lamps
from mule.analysis.load import Loads, PersonLoad
from mule.analysis.sky import dark_sky, is_dark, light
from mule.base.units import Frozen, LocalTime
from mule.plan import Plan
from mule.plan.gear import Gear, is_for, is_water
from mule.plan.purposes import Purpose
from mule.plan.trip import BaseLoad, Day, Pace, Person, Spot, Walk

# Slopes in degrees between which it goes faster downhill; steeper ones slow down (Langmuir, Mountaincraft and
# Leadership, 1984).
_GENTLE, _STEEP = tan(radians(5)), tan(radians(12))
_DOWN_M = 300.0
# Share of body mass over which what is carried slows somebody down (estimate).
_FREE_SHARE = 0.10
# Steps in which darkness on the way is looked at.
_STEP = timedelta(minutes=5)
# What is added to the load on a person, as base load.
_WATER, _FOOD = "Water for the way", "Food for the day"
# A litre of water in grams.
_LITRE_G = 1_000.0


class Walker(Frozen):
    """What one person has on the back at the start. water_l: to drink as far as where it can be filled up; food_g: for
    the day. total_g: with water and food as needed, which are not counted twice; share: of body mass."""

    person: str
    water_l: float
    food_g: float
    total_g: float
    share: float | None


class DayOnFoot(Frozen):
    """One walk. goal_at: when the light is there; None where there is none of it that day, and then nothing else is.

    there_h, back_h: on the way; slower: by how much what is carried slows, 1 is not at all. turn_back: after the stay;
    turn_back_by: the latest, to be down by home_by; late: the stay ends after it. dark_h: of the way, in the dark, None
    where the place is not known. water_l: for each on the whole way. lamps: what each has to see by. until: end of the
    light at the goal, where that is known.
    """

    goal_at: LocalTime | None
    until: LocalTime | None
    leave: LocalTime | None
    there: LocalTime | None
    turn_back: LocalTime | None
    turn_back_by: LocalTime | None
    down: LocalTime | None
    home_by: LocalTime | None
    there_h: float
    back_h: float
    slower: float
    dark_h: float | None
    water_l: float
    lamps: tuple[Lamps, ...]
    late: bool
    walkers: tuple[Walker, ...]


def walked_h(km: float, up_m: float, down_m: float, pace: Pace) -> float:
    """Hours for one way, without what is carried.

    >>> walked_h(10, 600, 0, Pace())
    3.0
    >>> walked_h(5, 0, 600, Pace(gentle_min=15))
    0.5
    """
    hours = km / pace.km_h + up_m / pace.up_m_h
    slope = down_m / (km * 1000) if km else 0.0
    if _GENTLE <= slope <= _STEEP:
        hours -= pace.gentle_min / 60 * down_m / _DOWN_M
    elif slope > _STEEP:
        hours += pace.steep_min / 60 * down_m / _DOWN_M
    # Nobody runs down: no faster than twice the pace on the flat.
    return max(hours, km / pace.km_h / 2)


def with_water_and_food(plan: Plan, loads: Loads) -> Plan:
    """The plan with what its days on foot ask each person to drink and eat beside what they have, as base load; of
    several days the one that asks most. loads: of the open kit."""
    walks = [day.walk for day in plan.trip.days if day.walk]
    if not walks:
        return plan
    slower = _slower(loads.people, plan.trip.pace)
    at_once_l = max(_litres(walk, plan.trip.pace, slower) / (walk.refills + 1) for walk in walks)
    people: list[Person] = []
    for person in plan.trip.people:
        water_g, food_g = _lacking(plan, person, at_once_l)
        more = (
            BaseLoad(name=_WATER, mass_g=water_g, purpose=Purpose.WATER),
            BaseLoad(name=_FOOD, mass_g=food_g, purpose=Purpose.FOOD),
        )
        people.append(person.model_copy(update={"base_load": (*person.base_load, *more)}))
    return plan.with_trip(plan.trip.model_copy(update={"people": tuple(people)}))


def day_on_foot(plan: Plan, day: Day, loads: Loads) -> DayOnFoot | None:
    """The walk of a day with what the open kit carries; None for a day without one. loads: of that kit."""
    if day.walk is None:
        return None
    walk, pace = day.walk, plan.trip.pace
    spot = day.spot or plan.trip.spot
    slower = _slower(loads.people, pace)
    there_h, back_h = (h * slower for h in _hours(walk, pace))
    litres = _litres(walk, pace, slower)
    goal_at, until = _goal(day, walk, spot)
    times = _Times(day, walk, spot, goal_at, there_h, back_h)
    dark_h = times.dark_h()
    return DayOnFoot(
        goal_at=goal_at,
        until=until,
        leave=times.leave,
        there=times.there,
        turn_back=times.turn_back,
        turn_back_by=times.turn_back_by,
        down=times.down,
        home_by=times.home_by,
        there_h=there_h,
        back_h=back_h,
        slower=slower,
        dark_h=dark_h,
        water_l=litres,
        lamps=lamps(plan, [person.id for person in plan.trip.people], dark_h or 0.0),
        late=bool(times.turn_back and times.turn_back_by and times.turn_back > times.turn_back_by),
        walkers=tuple(_walker(plan, p, load, litres / (walk.refills + 1)) for p, load in _each(plan, loads)),
    )


def _slower(people: Sequence[PersonLoad], pace: Pace) -> float:
    """All go as fast as who is slowest."""
    shares = [load.share for load in people if load.share is not None]
    return 1 + pace.load_slows * max(0.0, max(shares, default=0.0) - _FREE_SHARE)


def _goal(day: Day, walk: Walk, spot: Spot | None) -> tuple[datetime | None, datetime | None]:
    """When the light is there, and until when, where that is known."""
    if walk.goal == "clock":
        return (_at(day, walk.at), None) if walk.at else (None, None)
    if spot is None:
        return None, None
    if walk.goal == "dark":
        sky = dark_sky(day.date, spot)
        return (sky.moonless_from or sky.dark_from, sky.moonless_until or sky.dark_until) if sky else (None, None)
    found = light(day, spot)
    assert found is not None
    match walk.goal:
        case "first-light":
            return found.first_light, found.sunrise
        case "sunrise":
            return found.sunrise, None
        case "sunset":
            return found.sunset, found.last_light
        case _:
            return found.last_light, None


def _at(day: Day, clock: str) -> datetime:
    hours, minutes = clock.split(":")
    return datetime.combine(day.date, time(int(hours), int(minutes)))


class _Times:
    """The clock of one walk; all None where the goal's time is."""

    def __init__(
        self, day: Day, walk: Walk, spot: Spot | None, goal_at: datetime | None, there_h: float, back_h: float
    ) -> None:
        self._spot = spot
        self.leave: datetime | None = None
        self.there: datetime | None = None
        self.turn_back: datetime | None = None
        self.down: datetime | None = None
        self.home_by: datetime | None = None
        self.turn_back_by: datetime | None = None
        if goal_at is None:
            return
        self.there = _minute(goal_at - timedelta(minutes=walk.early_min))
        self.leave = _minute(self.there - timedelta(hours=there_h))
        self.turn_back = _minute(goal_at + timedelta(hours=walk.stay_h))
        self.down = _minute(self.turn_back + timedelta(hours=back_h))
        self.home_by = self._home_by(day, walk, spot)
        if self.home_by is not None:
            self.turn_back_by = _minute(self.home_by - timedelta(hours=back_h))

    def _home_by(self, day: Day, walk: Walk, spot: Spot | None) -> datetime | None:
        """As somebody said; or by last light, where the goal is of the day."""
        assert self.there is not None
        if walk.home_by is not None:
            at = _at(day, walk.home_by)
            return at if at > self.there else at + timedelta(days=1)
        found = light(day, spot)
        last = found.last_light if found else None
        # Whoever goes for the evening's light comes back in the dark.
        evening = walk.goal in ("sunset", "last-light", "dark")
        return None if evening or last is None or last <= self.there else last

    def dark_h(self) -> float | None:
        """Hours of the way in the dark; None where nobody knows."""
        if self._spot is None or not (self.leave and self.there and self.turn_back and self.down):
            return None
        found = 0
        for start, end in ((self.leave, self.there), (self.turn_back, self.down)):
            steps = int((end - start) / _STEP)
            found += sum(is_dark(start + n * _STEP, self._spot) for n in range(steps))
        return found * _STEP / timedelta(hours=1)


def _minute(at: datetime) -> datetime:
    return at.replace(second=0, microsecond=0)


def _each(plan: Plan, loads: Loads) -> list[tuple[Person, PersonLoad]]:
    people = {person.id: person for person in plan.trip.people}
    return [(people[load.person], load) for load in loads.people]


def _hours(walk: Walk, pace: Pace) -> tuple[float, float]:
    """There and back, without what is carried."""
    return walked_h(walk.km, walk.up_m, walk.down_m, pace), walked_h(walk.km, walk.down_m, walk.up_m, pace)


def _litres(walk: Walk, pace: Pace, slower: float) -> float:
    """To drink on the whole way."""
    return (pace.hot_water_l_h if walk.hot else pace.water_l_h) * sum(_hours(walk, pace)) * slower


def _lacking(plan: Plan, person: Person, water_l: float) -> tuple[float, float]:
    """Grams of water and of food that somebody has neither told as base load nor in the kit."""
    has_water = _has(plan, person, Purpose.WATER, is_water)
    has_food = _has(plan, person, Purpose.FOOD, lambda thing: is_for(thing, Purpose.FOOD))
    return max(0.0, water_l * _LITRE_G - has_water), max(0.0, plan.trip.pace.food_g - has_food)


def _has(plan: Plan, person: Person, purpose: Purpose, counts: Callable[[Gear], bool]) -> float:
    """Grams that somebody has as base load, and their part of what in the kit counts."""
    loaded = sum(plan.items[i].mass_g * n for i, n in plan.loaded.items() if counts(plan.items[i]))
    own = sum(load.mass_g for load in person.base_load if load.purpose is purpose)
    return own + loaded / max(1, len(plan.trip.people))


def _walker(plan: Plan, person: Person, load: PersonLoad, water_l: float) -> Walker:
    """Water and food that are in what somebody carries already are not counted twice."""
    total = load.carried_g + sum(_lacking(plan, person, water_l))
    food_g = plan.trip.pace.food_g
    return Walker(
        person=person.id,
        water_l=water_l,
        food_g=food_g,
        total_g=total,
        share=total / 1000 / person.body_mass_kg if person.body_mass_kg else None,
    )
