"""The trip: people, legs, days and wants."""

from datetime import date
from enum import StrEnum
from itertools import pairwise
from typing import Annotated, Literal, Self

from pydantic import Field, model_validator
from pydantic_core import PydanticCustomError

from mule.units import Celsius, Flag, FNumber, FocalMm, Frozen, Grams, ItemId, Kilograms, Megapixels, Name, Note, Number

# A trip longer than this is two trips; it also bounds every day-by-day computation.
MAX_DAYS = 400


class BaseLoad(Frozen):
    """Something carried that is not photography: water, food, shelter, clothes."""

    name: Name
    mass_g: Grams


class Person(Frozen):
    """Somebody who carries. body_mass_kg gives the share of body mass; None leaves it out."""

    id: ItemId
    name: Name
    body_mass_kg: Kilograms | None = None
    base_load: tuple[BaseLoad, ...] = Field(default=(), max_length=40)


class Leg(Frozen):
    """One stretch of the journey. ``carrier`` is the id of its rules; None where nobody weighs anything."""

    id: ItemId
    name: Name
    carrier: ItemId | None = None


class Day(Frozen):
    """One day out. lowest_c: the coldest it gets while shooting. on_foot_h: hours carrying."""

    date: date
    title: Name
    place: Annotated[str, Field(max_length=80)] = ""
    lowest_c: Celsius = 15
    on_foot_h: Number = Field(default=0, ge=0, le=24)


class Trait(StrEnum):
    """What a want may ask of a set-up beside focal length, light and pixels."""

    AUTOFOCUS = "autofocus"
    SEALED = "sealed"
    MACRO = "macro"
    VIDEO = "video"
    STABILISED = "stabilised"


class TraitWish(Frozen):
    """A wished trait; an essential one voids a set-up without it, another costs a fifth."""

    trait: Trait
    essential: Flag = False


class Want(Frozen):
    """One kind of picture to come home with.

    focal range: full-frame equivalent. max_f_number: slowest that still serves. megapixels: fewest after all cropping.
    light: ``exposure`` compares f-numbers, ``equivalent`` compares f-number x crop factor (domain 2).
    static_subject: stands still, so frames may be stitched. importance: 1 to 5.
    """

    id: ItemId
    name: Name
    focal_min_mm: FocalMm = Field(ge=8, le=1_200)
    focal_max_mm: FocalMm = Field(ge=8, le=1_200)
    max_f_number: FNumber = 8
    light: Literal["exposure", "equivalent"] = "exposure"
    megapixels: Megapixels = 12
    traits: tuple[TraitWish, ...] = Field(default=(), max_length=len(Trait))
    static_subject: Flag = False
    importance: int = Field(default=3, ge=1, le=5, strict=True)

    @model_validator(mode="after")
    def _range_runs_forward(self) -> Self:
        if self.focal_max_mm < self.focal_min_mm:
            raise PydanticCustomError(
                "reversed_range",
                "the want ends at {high} mm before it starts at {low} mm",
                {"high": self.focal_max_mm, "low": self.focal_min_mm},
            )
        if len({wish.trait for wish in self.traits}) != len(self.traits):
            raise PydanticCustomError("twice", "each trait is wished once")
        return self


class Trip(Frozen):
    """Days, legs, people, wants."""

    id: ItemId
    name: Name
    place: Annotated[str, Field(max_length=80)] = ""
    status: Literal["planned", "current", "done"] = "planned"
    people: tuple[Person, ...] = Field(default=(), max_length=12)
    legs: tuple[Leg, ...] = Field(default=(), max_length=40)
    days: tuple[Day, ...] = Field(default=(), max_length=MAX_DAYS)
    wants: tuple[Want, ...] = Field(default=(), max_length=60)
    note: Note = ""

    @model_validator(mode="after")
    def _ids_and_dates_are_single(self) -> Self:
        for what, ids in (
            ("person", [p.id for p in self.people]),
            ("leg", [leg.id for leg in self.legs]),
            ("want", [w.id for w in self.wants]),
        ):
            if len(set(ids)) != len(ids):
                raise PydanticCustomError("twice", "each {what} has an id of its own", {"what": what})
        dates = [day.date for day in self.days]
        if any(later <= earlier for earlier, later in pairwise(dates)):
            raise PydanticCustomError("days_order", "days run forward, each date once")
        return self
