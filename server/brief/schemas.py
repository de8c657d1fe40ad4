"""Wire shapes of the helpers."""

from typing import Annotated

from ninja import Schema
from pydantic import Field

from mule.trip import Output, SubjectTest
from mule.units import Number

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
