"""What ``look_back`` answers with."""

from datetime import date
from typing import Literal

from pydantic import Field

from mule.base.units import Frozen
from mule.plan.field import Mark
from mule.plan.gear import Effect
from mule.trail.debrief.lessons import Lesson
from mule.trail.debrief.rates import Rate


class History(Frozen):
    """Another trip: days out, on how many of them each thing was carried and used, and how often packs were charged."""

    trip: str
    name: str
    carried: dict[str, int]
    used: dict[str, int]
    ended: date | None = None
    charged: dict[str, int] = Field(default={})


class Use(Frozen):
    """One thing that was along. frames, days: with it; grams_per_frame: None without frames. before: other trips.

    told: whether pictures or notes could tell of its use at all.
    """

    item: str
    count: int
    mass_g: float
    frames: int
    days: int
    grams_per_frame: float | None
    told: bool
    carried_days: int
    used_days: int


class FocalCell(Frozen):
    """Frames in a twelfth of an octave of equivalent focal length. reached: a loaded set-up reaches it."""

    from_mm: float
    to_mm: float
    frames: int
    reached: bool


class DayShot(Frozen):
    """Frames of one day, and of each lens on it."""

    date: date
    frames: int
    lenses: dict[str, int]


class Lack(Frozen):
    """What was missed: a focal length, a filter, or what somebody wanted in words; how often."""

    times: int
    focal_mm: float | None = None
    effect: Effect | None = None
    wanted: str = ""


class WantMet(Frozen):
    """What the pictures say of a want: frames within its focal range, on days on which it was planned."""

    want: str
    frames: int
    days: int


class Against(Frozen):
    """Plan against what happened. planned, happened: None where one of them is not known."""

    what: Literal["frames", "gb", "packs", "mass", "cold"]
    planned: float | None
    happened: float | None
    ref: str = ""


class PackWear(Frozen):
    """How worn packs of one sort are. charges: on this trip, over all pieces. cycles: of each piece so far, on average
    over all trips that were noted.
    """

    item: str
    pieces: int
    charges: int
    cycles: float
    health: float


class Unknown(Frozen):
    """Frames of a body or lens that nothing in the locker answers to."""

    body: str
    lens: str
    frames: int


class LookBack(Frozen):
    """The whole answer. uses: most frames first. never: along and never used; twice: on the trip before, too.

    kept: never used and kept all the same: safety things, and things that weigh nothing. outside: frames on no day of
    the trip. undated: without a date. days: of the trip, and others with frames. lacks: the most missed first.
    """

    frames: int
    outside: int
    undated: int
    uses: tuple[Use, ...]
    never: tuple[str, ...]
    twice: tuple[str, ...]
    kept: tuple[str, ...]
    missed: tuple[Mark, ...]
    lacks: tuple[Lack, ...]
    faults: tuple[Mark, ...]
    lent: tuple[Mark, ...]
    cells: tuple[FocalCell, ...]
    days: tuple[DayShot, ...]
    wants: tuple[WantMet, ...]
    against: tuple[Against, ...]
    rates: tuple[Rate, ...]
    wear: tuple[PackWear, ...]
    advice: tuple[Lesson, ...]
    unknown: tuple[Unknown, ...]
