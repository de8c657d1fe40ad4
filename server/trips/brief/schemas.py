"""Wire shapes of the helpers."""

from typing import Annotated

from ninja import Schema
from pydantic import Field

from mule.base.units import Number
from mule.plan.trip import Output, SubjectTest, Want
from mule.trail.debrief import MOST_SHOTS, Shot

Seconds = Annotated[Number, Field(ge=1e-6, le=86_400)]


class TypedWant(Schema):
    """A want typed as a subject, as an output, or both."""

    subject: SubjectTest | None = None
    output: Output | None = None


class WantFigures(Schema):
    """What that makes: focal range in full-frame millimetres, pixels; None where nothing was typed."""

    focal_min_mm: float | None
    focal_max_mm: float | None
    megapixels: float | None


class Times(Schema):
    """The time the meter says and the time one wants."""

    metered_s: Seconds
    wanted_s: Seconds


class SaidWants(Schema):
    """Wants in words. taken: ids that the brief uses already."""

    text: str = Field(max_length=4_000)
    taken: list[str] = Field(default=[], max_length=200)


class WantingOut(Schema):
    """One of them, and the want it becomes; None where nothing of it was understood."""

    typed: str
    want: Want | None


class ShotsTaken(Schema):
    """Metadata of pictures, read elsewhere. taken: ids that the brief uses already."""

    shots: list[Shot] = Field(max_length=MOST_SHOTS)
    taken: list[str] = Field(default=[], max_length=200)
