"""Light, sound, remotes, drones, and all that is not photography."""

from typing import Annotated, Any, ClassVar, Literal

from pydantic import Field, model_validator

from mule.base.units import (
    Aid,
    Celsius,
    Count,
    Flag,
    Grams,
    Hazard,
    Hours,
    Label,
    Millimetres,
    Number,
    WattHours,
    Watts,
)
from mule.plan.battery_types import BatteryType
from mule.plan.gear.base import Group, Soft, Thing
from mule.plan.gear.optical import CardSlot
from mule.plan.purposes import Purpose, with_purpose


class Light(Thing):
    """A flash, panel or head torch, and the cells it eats. trigger: what fires it off the camera; None for none.

    energy_wh: of a battery that stays inside. runs_h: hours on one set of cells or one charge.
    """

    kind: Literal["light"] = "light"
    group: ClassVar[Group] = Group.LIGHT_SOUND

    form: Literal["flash", "panel", "torch", "head-torch"]
    battery_type: BatteryType | None = None
    cells: Count = 1
    energy_wh: WattHours | None = None
    runs_h: Hours | None = None
    trigger: Label | None = None
    uses_shoe: Flag = False


class Sound(Thing):
    """A microphone or recorder. runs_h: hours on one set of cells."""

    kind: Literal["sound"] = "sound"
    group: ClassVar[Group] = Group.LIGHT_SOUND

    form: Literal["microphone", "recorder", "wind-cover", "headphones"]
    battery_type: BatteryType | None = None
    cells: Count = 1
    runs_h: Hours | None = None
    uses_shoe: Flag = False


class Remote(Thing):
    """A release, timer or trigger; ``socket`` is what the body must have (``radio`` for none).

    triggers: the triggers of lights that it is. runs_h: hours on one cell.
    """

    kind: Literal["remote"] = "remote"
    group: ClassVar[Group] = Group.LIGHT_SOUND

    socket: Label
    battery_type: BatteryType | None = None
    runs_h: Hours | None = None
    triggers: tuple[Label, ...] = Field(default=(), max_length=6)
    uses_shoe: Flag = False


class Drone(Thing):
    """A flying camera; local rules and trained people decide whether it flies."""

    kind: Literal["drone"] = "drone"
    group: ClassVar[Group] = Group.LIGHT_SOUND

    battery_type: BatteryType
    flight_min: Number = Field(ge=0.001, le=180)
    megapixels: Number = Field(ge=0.001, le=200)
    takeoff_mass_g: Grams
    needs_phone: Flag = True
    slots: tuple[CardSlot, ...] = Field(default=(), max_length=2)


class _ForAPurpose(Thing):
    """A thing that takes no pictures.

    purpose: what it is for; label: more about that, in the owner's words. hazard: how carriers class it; None for
    nothing special.
    """

    purpose: Purpose = Purpose.OTHER
    label: Label | None = None
    hazard: Hazard | None = None

    @property
    def filed_as(self) -> str:
        """Its label, or else its purpose, in small letters: sets for everybody list their parts by it."""
        return (self.label or self.purpose.value).lower()

    @model_validator(mode="before")
    @classmethod
    def _typed_by_hand(cls, data: Any) -> Any:
        return with_purpose(data)


class Safety(_ForAPurpose):
    """A thing that keeps people safe. It is never proposed for leaving."""

    kind: Literal["safety"] = "safety"
    group: ClassVar[Group] = Group.SAFETY


# Pictures on a roll of film, or a pack of paper, of which nobody said (estimate).
ON_A_ROLL = 36


class Other(_ForAPurpose):
    """Anything else: care, clothing, water, food, papers, film, and what works on a shoot.

    hollow_mm: width inside of a hood or a pot, in which other things
    may lie. serves: what it gives a want that asks for it. battery_type, cells: what it eats, ``runs_h`` hours on one
    set; energy_wh: of a battery that stays inside; draws_w: what it takes from a bank; used_h: hours of that on a day.
    uses_shoe, uses_plate: sits on the hot shoe, on the base plate. eats: what it uses up (paper, gas, film of a type);
    refill: what it is a piece of; frames: pictures on one piece of film or paper; bought_there: what it eats is to be
    had on the way. solar_w: what a panel is rated for. comfort_c: how cold it may get for who wears it or sleeps in it.
    """

    kind: Literal["other"] = "other"
    group: ClassVar[Group] = Group.OTHER

    hollow_mm: Millimetres | None = None
    serves: Aid | None = None
    battery_type: BatteryType | None = None
    cells: Count = 1
    energy_wh: WattHours | None = None
    runs_h: Hours | None = None
    draws_w: Watts | None = None
    used_h: Annotated[Number, Field(ge=0, le=24)] = 0
    uses_shoe: Flag = False
    uses_plate: Flag = False
    eats: Label | None = None
    refill: Label | None = None
    frames: Annotated[int, Field(strict=True, ge=1, le=500)] | None = None
    bought_there: Flag = False
    solar_w: Watts | None = None
    comfort_c: Celsius | None = None

    @property
    def pictures(self) -> int:
        """On one piece of film or paper."""
        return self.frames or ON_A_ROLL


def is_water(thing: Thing) -> bool:
    """Whether a thing holds what makes wet what lies beside it."""
    return isinstance(thing, Other) and (thing.purpose is Purpose.WATER or thing.hazard == "liquid")


def is_for(thing: Thing, *purposes: Purpose) -> bool:
    """Whether a thing, of safety or anything else, is for one of these."""
    return isinstance(thing, Safety | Other) and thing.purpose in purposes


def is_bladder(thing: Thing) -> bool:
    """Whether a thing holds water and lies flat, as in a sleeve."""
    return is_water(thing) and isinstance(thing.size, Soft)


def keeps_safe(thing: Thing) -> bool:
    """Whether a thing is never proposed for leaving: safety things, and lights to find the way by."""
    return isinstance(thing, Safety) or (isinstance(thing, Light) and thing.form in ("torch", "head-torch"))
