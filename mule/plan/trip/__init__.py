"""The trip: people, legs, days, wants, policies and marks."""

from datetime import date
from itertools import pairwise
from typing import Literal, Self

from pydantic import Field, model_validator
from pydantic_core import PydanticCustomError

from mule.base.units import Frozen, ItemId, Name, Note
from mule.plan.trip.base import Base
from mule.plan.trip.days import Day, Leg, LocalRule, Mains, PlaceName, Spot, Weather
from mule.plan.trip.people import PERSON_SETS, BaseLoad, Person, PersonSet
from mule.plan.trip.policies import MOST_OF_A_TRIO, Marks, Policies, Slot
from mule.plan.trip.signs import Signs
from mule.plan.trip.stamina import (
    BodyDay,
    BodyHabit,
    CardSchool,
    Demand,
    Night,
    Pattern,
    PowerSchool,
    SlotMode,
    Stamina,
)
from mule.plan.trip.walk import Goal, Pace, Walk
from mule.plan.trip.wants import AidWish, EffectWish, Output, PrintUse, ScreenUse, SubjectTest, Trait, TraitWish, Want

# A usual room: what a night gives where nobody looked (estimate).
USUAL_NIGHT = Night(mains_h=8, outlets=2)
# A trip longer than this is two trips; it also bounds every day-by-day computation.
MAX_DAYS = 400


class Trip(Frozen):
    """Days, legs, people, wants, and how the photographer wants to pack.

    purpose: what the pictures are for, in words. stakes: paid work asks for more care than leisure. sets: what
    everybody has, or nobody.
    """

    id: ItemId
    name: Name
    place: PlaceName = ""
    status: Literal["planned", "current", "done"] = "planned"
    purpose: Note = ""
    stakes: Literal["leisure", "paid"] = "leisure"
    people: tuple[Person, ...] = Field(default=(), max_length=12)
    legs: tuple[Leg, ...] = Field(default=(), max_length=40)
    days: tuple[Day, ...] = Field(default=(), max_length=MAX_DAYS)
    wants: tuple[Want, ...] = Field(default=(), max_length=60)
    spot: Spot | None = None
    mains: Mains | None = None
    local_rules: tuple[LocalRule, ...] = Field(default=(), max_length=20)
    policies: Policies = Policies()
    marks: Marks = Marks()
    stamina: Stamina = Stamina()
    sets: tuple[PersonSet, ...] = Field(default=PERSON_SETS, max_length=12)
    signs: Signs = Signs()
    pace: Pace = Pace()
    base: Base | None = None
    note: Note = ""

    @model_validator(mode="after")
    def _ids_and_dates_are_single(self) -> Self:
        for what, ids in (
            ("person", [p.id for p in self.people]),
            ("leg", [leg.id for leg in self.legs]),
            ("want", [w.id for w in self.wants]),
            ("slot", [s.id for s in self.marks.slots]),
            ("set", [s.id for s in self.sets]),
        ):
            if len(set(ids)) != len(ids):
                raise PydanticCustomError("twice", "give each {what} its own id", {"what": what})
        dates = [day.date for day in self.days]
        if any(later <= earlier for earlier, later in pairwise(dates)):
            raise PydanticCustomError("days_order", "days must run forward, each date once")
        wants = {w.id for w in self.wants}
        for day in self.days:
            if not wants.issuperset(day.wants):
                raise PydanticCustomError("unknown_want", "a day can only have shots of this trip")
        return self

    @property
    def leaves(self) -> date | None:
        """The day of leaving; None without days."""
        return self.days[0].date if self.days else None

    @property
    def copies(self) -> int:
        """Places that each picture is to be in by the end of its night (docs/domain/pictures.md)."""
        return self.stamina.copies or (3 if self.stakes == "paid" else 2)

    def with_stamina(self, **changes: object) -> "Trip":
        """The trip with other settings of power and pictures."""
        return self.model_copy(update={"stamina": self.stamina.model_copy(update=changes)})

    def night(self, day: Day) -> Night:
        """The night after a day: as given, or a usual one."""
        return day.night or (USUAL_NIGHT if self.mains else Night())

    def base_on(self, day: Day) -> Base | None:
        """Where what stays behind lies on a day: as given there, or for the trip."""
        return day.base or self.base

    def wants_on(self, day: Day) -> tuple[Want, ...]:
        """Wants that may be shot on a day: those it lists, or all if it lists none."""
        return tuple(w for w in self.wants if not day.names_wants or w.id in day.wants)

    def wants_by_day(self) -> dict[date, tuple[ItemId, ...]]:
        """Ids of the wants each day is judged by: those it lists, or, if it lists none, those that no day lists.

        So a want listed for two days is not missed on the others.
        """
        named = {want for day in self.days for want in day.wants}
        rest = tuple(want.id for want in self.wants if want.id not in named)
        return {day.date: day.wants if day.names_wants else rest for day in self.days}


__all__ = [
    "MAX_DAYS",
    "MOST_OF_A_TRIO",
    "PERSON_SETS",
    "AidWish",
    "Base",
    "BaseLoad",
    "BodyDay",
    "BodyHabit",
    "CardSchool",
    "Day",
    "Demand",
    "EffectWish",
    "Goal",
    "Leg",
    "LocalRule",
    "Mains",
    "Marks",
    "Night",
    "Output",
    "Pace",
    "Pattern",
    "Person",
    "PersonSet",
    "Policies",
    "PowerSchool",
    "PrintUse",
    "ScreenUse",
    "Signs",
    "Slot",
    "SlotMode",
    "Spot",
    "Stamina",
    "SubjectTest",
    "Trait",
    "TraitWish",
    "Trip",
    "Walk",
    "Want",
    "Weather",
]
