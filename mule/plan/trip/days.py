"""Legs, days, places and their rules."""

from datetime import date
from enum import StrEnum
from typing import Annotated, Literal, Self

from pydantic import Field, model_validator
from pydantic_core import PydanticCustomError

from mule.base.units import Celsius, Frozen, ItemId, Label, Name, Note, Number, Sides
from mule.plan.trip.base import Base
from mule.plan.trip.stamina import BodyDay, Night
from mule.plan.trip.walk import Walk

PlaceName = Annotated[str, Field(max_length=80)]


class Leg(Frozen):
    """One stretch of the journey. ``carrier`` is the id of its rules; None where nobody weighs anything.

    on: the day it is travelled; None where nobody says.
    """

    id: ItemId
    name: Name
    carrier: ItemId | None = None
    on: date | None = None


class Weather(StrEnum):
    """What makes changing a lens cost something."""

    RAIN = "rain"
    SNOW = "snow"
    SPRAY = "spray"
    DUST = "dust"
    RIDGE = "ridge"
    WIND = "wind"


class Spot(Frozen):
    """A point on the map and its clock. utc_offset_h: hours ahead of UTC while you are there, summer time included."""

    latitude: Number = Field(ge=-90, le=90)
    longitude: Number = Field(ge=-180, le=180)
    utc_offset_h: Number = Field(default=0, ge=-12, le=14)


class Day(Frozen):
    """One day out. lowest_c: the coldest it gets while shooting. on_foot_h: hours carrying.

    spot: where the sun and moon are reckoned from; None takes the trip's. wants: ids of the wants shot that day; for an
    empty list see ``Trip.wants_on`` and ``Trip.wants_by_day``. pattern: the sort of day
    (see Stamina); None is the usual one. bodies: cameras that do something else that day. night: None is a usual
    night: 8 h of two outlets where the trip has mains, else none.
    walk: a goal reached on foot; None where there is none. base: where what stays behind lies; None takes the trip's.
    """

    date: date
    title: Name
    place: PlaceName = ""
    lowest_c: Celsius = 15
    on_foot_h: Number = Field(default=0, ge=0, le=24)
    weather: tuple[Weather, ...] = Field(default=(), max_length=len(Weather))
    spot: Spot | None = None
    wants: tuple[ItemId, ...] = Field(default=(), max_length=60)
    pattern: ItemId | None = None
    bodies: tuple[BodyDay, ...] = Field(default=(), max_length=20)
    night: Night | None = None
    walk: Walk | None = None
    base: Base | None = None

    @property
    def names_wants(self) -> bool:
        """Whether the day lists its wants."""
        return bool(self.wants)


class LocalRule(Frozen):
    """A rule of the place, with its effect on the kit.

    first_day, last_day: when it holds; None on either side is open. largest_mm: for bags, sides of the largest
    that may come in (what is strapped outside counts).
    """

    name: Name
    effect: Literal["tripods-barred", "drones-barred", "big-bags-barred"]
    first_day: date | None = None
    last_day: date | None = None
    largest_mm: Sides | None = None
    note: Note = ""

    @model_validator(mode="after")
    def _makes_sense(self) -> Self:
        if self.first_day and self.last_day and self.last_day < self.first_day:
            raise PydanticCustomError("reversed_range", "the rule must not end before it starts")
        if (self.effect == "big-bags-barred") != (self.largest_mm is not None):
            raise PydanticCustomError("largest_bag", "only a rule on big bags has a largest size, and needs one")
        return self

    def holds_on(self, day: date) -> bool:
        """Whether the rule is in force on a day."""
        return (self.first_day is None or self.first_day <= day) and (self.last_day is None or day <= self.last_day)


class Mains(Frozen):
    """What comes out of the wall: plug shapes that fit it, and volts."""

    plugs: tuple[Label, ...] = Field(min_length=1, max_length=6)
    volts: Number = Field(ge=0.001, le=400)
