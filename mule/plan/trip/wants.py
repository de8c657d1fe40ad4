"""Wants: the kinds of picture to come home with, typed as a range, as a subject, or as an output."""

from collections.abc import Collection
from enum import StrEnum
from itertools import count
from typing import Annotated, Any, Literal, Self

from pydantic import Field, ValidationError, model_validator
from pydantic_core import PydanticCustomError

from mule.base.units import Aid, Flag, FNumber, FocalMm, Frozen, ItemId, Megapixels, Name, Number, Stops
from mule.plan.gear import AIDS

FIRST_MM, LAST_MM = 8.0, 1_200.0
# Sides of the full frame, which focal lengths are equivalent to.
_SIDE_MM = {"short": 24.0, "long": 36.0}
# One arc minute at a viewing distance of 1 cm is 8733 pixels per inch; 300 are never exceeded (docs/domain/optics.md).
_PPI_AT_1_CM = 8733.0
_MOST_PPI = 300.0
_CM_PER_INCH = 2.54
# Pictures are thought of as 3:2.
_ASPECT = 3 / 2

Metres = Annotated[Number, Field(ge=0.001, le=100_000)]
Centimetres = Annotated[Number, Field(ge=0.001, le=10_000)]


class Trait(StrEnum):
    """What a want may ask of a set-up beside focal length, light and pixels."""

    AUTOFOCUS = "autofocus"
    SEALED = "sealed"
    MACRO = "macro"
    VIDEO = "video"
    STABILISED = "stabilised"
    NEBULAE = "nebulae"
    CLEAN = "clean"


class TraitWish(Frozen):
    """A wished trait; an essential one voids a set-up without it, another costs a fifth."""

    trait: Trait
    essential: Flag = False


class SubjectTest(Frozen):
    """A subject that should fill a share of the frame's side, from near to far.

    Gives the focal range by f = q h D / S with h of the full frame (docs/domain/optics.md).

    >>> bird = SubjectTest(size_m=0.9, near_m=60.0, far_m=60.0, share=0.5)
    >>> [round(f) for f in bird.focal_mm()]
    [800, 800]
    """

    size_m: Metres
    near_m: Metres
    far_m: Metres
    share: Number = Field(ge=0.001, le=4)
    side: Literal["short", "long"] = "short"

    @model_validator(mode="after")
    def _runs_outward_and_within_reach(self) -> Self:
        if self.far_m < self.near_m:
            raise PydanticCustomError(
                "reversed_range",
                "the subject must not end at {far} m before {near} m",
                {"far": self.far_m, "near": self.near_m},
            )
        low, high = self.focal_mm()
        if low < FIRST_MM or high > LAST_MM:
            raise PydanticCustomError(
                "out_of_reach",
                "this needs {low} to {high} mm; a shot must be between 8 and 1200 mm",
                {"low": round(low, 1), "high": round(high, 1)},
            )
        return self

    def focal_mm(self) -> tuple[float, float]:
        """Full-frame equivalent focal lengths for the near and the far subject."""
        per_m = self.share * _SIDE_MM[self.side] / self.size_m
        return self.near_m * per_m, self.far_m * per_m


class ScreenUse(Frozen):
    """Shown on a screen of so many pixels on its long side."""

    use: Literal["screen"] = "screen"
    long_side_px: Number = Field(ge=400, le=40_000)

    def megapixels(self) -> float:
        """Pixels of a 3:2 picture that fills the long side.

        >>> round(ScreenUse(long_side_px=3840).megapixels(), 1)
        9.8
        """
        return self.long_side_px**2 / _ASPECT / 1e6


class PrintUse(Frozen):
    """Printed W x H and looked at from a distance."""

    use: Literal["print"] = "print"
    width_cm: Centimetres
    height_cm: Centimetres
    viewing_cm: Centimetres

    def ppi(self) -> float:
        """Pixels per inch the eye can tell apart: 8733 / distance in cm, 300 at the most (docs/domain/optics.md)."""
        return min(_MOST_PPI, _PPI_AT_1_CM / self.viewing_cm)

    def megapixels(self) -> float:
        """Pixels of the print.

        >>> round(PrintUse(width_cm=90, height_cm=60, viewing_cm=100).megapixels(), 1)
        6.4
        """
        return self.width_cm * self.height_cm * (self.ppi() / _CM_PER_INCH) ** 2 / 1e6


Output = Annotated[ScreenUse | PrintUse, Field(discriminator="use")]


class EffectWish(Frozen):
    """A filter effect a want asks for; stops say how strong a neutral density."""

    effect: Literal["nd", "graduated-nd", "polariser", "night-sky", "diffusion"]
    stops: Stops | None = None

    @model_validator(mode="after")
    def _density_says_stops(self) -> Self:
        if (self.effect in ("nd", "graduated-nd")) != (self.stops is not None):
            raise PydanticCustomError("filter_stops", "only neutral density has stops, and needs them")
        return self


class AidWish(Frozen):
    """Something a want asks for beside glass and filters, and how many of it: two lights, a drone."""

    aid: Aid
    count: int = Field(default=1, ge=1, le=20, strict=True)


def free_want_id(wanted: str, used: Collection[str]) -> str:
    """The id, or the first of wanted-2, wanted-3 ... that no want has.

    >>> free_want_id("birds", {"birds", "birds-2"})
    'birds-3'
    """
    return next(id_ for n in count(1) if (id_ := f"{wanted}-{n}" if n > 1 else wanted) not in used)


class Want(Frozen):
    """One kind of picture to come home with.

    focal range: full-frame equivalent. max_f_number: slowest that still serves. megapixels: fewest after all cropping.
    light: ``exposure`` compares f-numbers, ``equivalent`` compares f-number x crop factor (docs/domain/optics.md).
    static_subject: stands still, so frames may be stitched. importance: 1 to 5.
    subject, output: how the range and the pixels were typed; when given, they set them. effects: filters asked for.
    steady: needs something that holds the camera still. aids: what else it asks for.
    """

    id: ItemId
    name: Name
    focal_min_mm: FocalMm = Field(ge=FIRST_MM, le=LAST_MM)
    focal_max_mm: FocalMm = Field(ge=FIRST_MM, le=LAST_MM)
    max_f_number: FNumber = 8
    light: Literal["exposure", "equivalent"] = "exposure"
    megapixels: Megapixels = 12
    traits: tuple[TraitWish, ...] = Field(default=(), max_length=len(Trait))
    static_subject: Flag = False
    importance: int = Field(default=3, ge=1, le=5, strict=True)
    subject: SubjectTest | None = None
    output: Output | None = None
    effects: tuple[EffectWish, ...] = Field(default=(), max_length=5)
    steady: Flag = False
    aids: tuple[AidWish, ...] = Field(default=(), max_length=len(AIDS))

    @model_validator(mode="before")
    @classmethod
    def _typed_another_way(cls, data: Any) -> Any:
        """What was typed as a subject or an output sets the focal range and the pixels; mistakes are told later."""
        if not isinstance(data, dict):
            return data
        filled = dict(data)
        try:
            if data.get("subject") is not None:
                near, far = SubjectTest.model_validate(data["subject"]).focal_mm()
                filled |= {"focal_min_mm": near, "focal_max_mm": far}
            if data.get("output") is not None:
                filled["megapixels"] = _Use.model_validate({"output": data["output"]}).output.megapixels()
        except ValidationError:
            return data
        return filled

    @model_validator(mode="after")
    def _range_runs_forward(self) -> Self:
        if self.focal_max_mm < self.focal_min_mm:
            raise PydanticCustomError(
                "reversed_range",
                "a shot must not end at {high} mm before it starts at {low} mm",
                {"high": self.focal_max_mm, "low": self.focal_min_mm},
            )
        if len({wish.trait for wish in self.traits}) != len(self.traits):
            raise PydanticCustomError("twice", "use each trait once")
        if len({wish.effect for wish in self.effects}) != len(self.effects):
            raise PydanticCustomError("twice", "use each filter effect once")
        if len({wish.aid for wish in self.aids}) != len(self.aids):
            raise PydanticCustomError("twice", "use each aid once")
        return self


class _Use(Frozen):
    output: Output
