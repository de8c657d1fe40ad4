"""Number and text types shared by every model: the unit is in the name, the limits in the type.

All numbers are strict (``"12"`` and ``true`` are refused) and finite (NaN and infinity are refused).
"""

from typing import Annotated, Literal, NamedTuple

from pydantic import BaseModel, ConfigDict, Field, NaiveDatetime, StringConstraints, WithJsonSchema

# Full-frame diagonal: sqrt(36^2 + 24^2) mm, the reference of "full-frame equivalent" (docs/domain/optics.md).
FULL_FRAME_DIAGONAL_MM = 43.27
FULL_FRAME_LONG_SIDE_MM = 36.0

Number = Annotated[float, Field(strict=True, allow_inf_nan=False)]
Count = Annotated[int, Field(strict=True, ge=1, le=500)]
Flag = Annotated[bool, Field(strict=True)]

# The least of what is never nothing is what anybody could measure: figures like 1e-150 mm only break arithmetic.
Grams = Annotated[Number, Field(ge=0, le=100_000)]
Kilograms = Annotated[Number, Field(ge=10, le=300)]
Millimetres = Annotated[Number, Field(ge=0.01, le=3_000)]
Sides = Annotated[tuple[Millimetres, ...], Field(min_length=3, max_length=3)]
SqueezeMm = Annotated[Number, Field(ge=0, le=200)]
Litres = Annotated[Number, Field(ge=0.001, le=400)]
FocalMm = Annotated[Number, Field(ge=1, le=3_000)]
FNumber = Annotated[Number, Field(ge=0.5, le=64)]
Megapixels = Annotated[Number, Field(ge=0.01, le=500)]
Stops = Annotated[Number, Field(ge=0.01, le=24)]
WattHours = Annotated[Number, Field(ge=0.001, le=5_000)]
Watts = Annotated[Number, Field(ge=0.001, le=5_000)]
Gigabytes = Annotated[Number, Field(ge=0.001, le=100_000)]
MegabytesPerSecond = Annotated[Number, Field(ge=0.001, le=20_000)]
Hours = Annotated[Number, Field(ge=0.001, le=100)]
Celsius = Annotated[Number, Field(ge=-60, le=60)]
Inches = Annotated[Number, Field(ge=0.1, le=25)]
Share = Annotated[Number, Field(ge=0, le=1)]

ItemId = Annotated[str, StringConstraints(pattern=r"^[a-z0-9][a-z0-9-]{0,63}$")]
Name = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=80)]
Label = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=40)]
SerialNumber = Annotated[str, StringConstraints(strip_whitespace=True, max_length=80)]
OwnerName = Annotated[str, StringConstraints(strip_whitespace=True, max_length=80)]
Note = Annotated[str, StringConstraints(strip_whitespace=True, max_length=2_000)]


class NumberedPiece(NamedTuple):
    """One of several identical pieces, numbered from 1: the second of three LB-4 batteries."""

    item: str
    number: int


# A clock's time at a place, without a zone: what RFC 3339 calls a date-time has one, so it is not described as that.
LocalTime = Annotated[NaiveDatetime, WithJsonSchema({"type": "string", "format": "local-date-time"})]

# Without taking the bag off, by one zip, or under other things.
Access = Literal["quick", "open", "deep"]

# What carriers look out for beside lithium.
Hazard = Literal[
    "blade", "multi-tool", "tool", "spray", "gas", "compressed-air", "matches", "lighter", "liquid", "film"
]


# What a want may ask for beside glass and filters.
Aid = Literal["light", "sound", "drone", "housing", "remote"]


class Frozen(BaseModel):
    """Base of every core value: immutable, and deaf to fields it does not know."""

    model_config = ConfigDict(frozen=True, extra="forbid")
