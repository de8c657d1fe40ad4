"""Bodies, lenses, converters and adapters: the parts of a set-up."""

from typing import Annotated, ClassVar, Literal, Self

from pydantic import Field, StringConstraints, model_validator
from pydantic_core import PydanticCustomError

from mule.base.units import (
    FULL_FRAME_DIAGONAL_MM,
    Flag,
    FNumber,
    FocalMm,
    Frozen,
    ItemId,
    Label,
    Megapixels,
    Millimetres,
    Number,
    WattHours,
)
from mule.plan.battery_types import BatteryType
from mule.plan.gear.base import Group, Source, Thing

# Cameras write long names, makers change them with a new firmware: a few for one thing are usual.
_WrittenName = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=200)]
OtherNames = Annotated[tuple[_WrittenName, ...], Field(max_length=12)]


def _check_range(low: float, high: float, what: str) -> None:
    if high < low:
        raise PydanticCustomError(
            "reversed_range",
            "{what} must not end at {high} before it starts at {low}",
            {"what": what, "high": high, "low": low},
        )


class Glass(Frozen):
    """What a lens does to light, whether it comes off or not.

    f_at_min, f_at_max: fastest f-number at the short and long end. macro: reaches about half life size.
    """

    focal_min_mm: FocalMm
    focal_max_mm: FocalMm
    f_at_min: FNumber
    f_at_max: FNumber
    autofocus: Flag = True
    sealed: Flag = False
    stabilised: Flag = False
    macro: Flag = False
    thread_mm: Millimetres | None = None

    @model_validator(mode="after")
    def _range_runs_forward(self) -> Self:
        _check_range(self.focal_min_mm, self.focal_max_mm, "the focal range")
        return self


class CardSlot(Frozen):
    """One card slot of a body."""

    card_type: Label


class Body(Thing):
    """A camera. ``mount`` is None when its lens does not come off; then ``fixed_lens`` says what it sees.

    crop_modes: in-camera crops as factors (1.5). autofocus_min_aperture: beyond this f-number autofocus stops.
    frames_per_charge and the like: of a new pack of ``battery_type`` at 20 °C; mb_per_frame: of a raw frame. What
    nobody typed is reckoned from typical figures. rates_source: where these figures came from; a log of a trip
    writes ``measured`` ones. sockets: what a remote plugs into; empty when nobody looked. hot_shoes: how many things
    can sit on top. also: other names that pictures know it by. energy_wh: of a battery that stays inside. nebulae:
    altered to let deep red through; clean: known to stay clean in the dark. film: the type it takes; its pictures need
    no card, and ``megapixels`` are those of a scan.
    """

    kind: Literal["body"] = "body"
    group: ClassVar[Group] = Group.OPTICS

    mount: Label | None = None
    fixed_lens: Glass | None = None
    sensor_width_mm: Millimetres
    sensor_height_mm: Millimetres
    megapixels: Megapixels
    crop_modes: tuple[Number, ...] = Field(default=(), max_length=4)
    autofocus: Flag = True
    autofocus_min_aperture: FNumber | None = None
    sealed: Flag = False
    stabilised: Flag = False
    video: Flag = True
    nebulae: Flag = False
    clean: Flag = False
    film: Label | None = None
    battery_type: BatteryType | None = None
    energy_wh: WattHours | None = None
    frames_per_charge: Number | None = Field(default=None, ge=0.001, le=20_000)
    video_min_per_charge: Number | None = Field(default=None, ge=0.001, le=2_000)
    timelapse_h_per_charge: Number | None = Field(default=None, ge=0.001, le=200)
    mb_per_frame: Number | None = Field(default=None, ge=0.001, le=2_000)
    rates_source: Source = Source.STATED
    slots: tuple[CardSlot, ...] = Field(default=(), max_length=4)
    usb_charging: Flag = False
    sockets: tuple[Label, ...] = Field(default=(), max_length=4)
    hot_shoes: int = Field(default=1, ge=0, le=2, strict=True)
    also: OtherNames = ()

    @model_validator(mode="after")
    def _sees_through_something(self) -> Self:
        if (self.mount is None) == (self.fixed_lens is None):
            raise PydanticCustomError("body_lens", "give a body either a mount or a fixed lens")
        if self.battery_type and self.energy_wh:
            raise PydanticCustomError("body_power", "enter a battery type or a built-in battery, not both")
        if any(crop <= 1 or crop > 10 for crop in self.crop_modes):
            raise PydanticCustomError("crop_mode", "a crop mode must be a factor over 1 and at most 10")
        return self


def twins(one: Body, other: Body) -> bool:
    """Whether two bodies share habits: the same mount, pack and sensor, so each stands in for the other."""
    return (one.mount, one.battery_type, one.sensor_width_mm, one.megapixels) == (
        other.mount,
        other.battery_type,
        other.sensor_width_mm,
        other.megapixels,
    )


class Lens(Thing, Glass):
    """A lens that comes off.

    image_circle_mm: diameter it covers (43.27 full frame, 28.85 APS-C).
    takes_converters: ids of the teleconverters it names. also: other names that pictures know it by.
    """

    kind: Literal["lens"] = "lens"
    group: ClassVar[Group] = Group.OPTICS

    mount: Label
    image_circle_mm: Millimetres = FULL_FRAME_DIAGONAL_MM
    takes_converters: tuple[ItemId, ...] = Field(default=(), max_length=20)
    also: OtherNames = ()


def is_zoom(lens: Glass) -> bool:
    """Whether a lens changes its focal length."""
    return lens.focal_max_mm > lens.focal_min_mm


class Teleconverter(Thing):
    """Multiplies focal length and f-number by ``factor``; fits only the lenses that name it."""

    kind: Literal["teleconverter"] = "teleconverter"
    group: ClassVar[Group] = Group.OPTICS

    factor: Number = Field(gt=1, le=3)
    sealed: Flag = False


class MountAdapter(Thing):
    """Lets lenses of ``lens_mount`` sit on bodies of ``body_mount``; sets autofocus and sealing."""

    kind: Literal["mount-adapter"] = "mount-adapter"
    group: ClassVar[Group] = Group.OPTICS

    lens_mount: Label
    body_mount: Label
    autofocus: Flag = True
    sealed: Flag = False
