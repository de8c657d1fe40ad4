"""Frames: what a picture's metadata says."""

from typing import Annotated

from pydantic import Field

from mule.base.units import FNumber, FocalMm, Frozen, LocalTime

PlainText = Annotated[str, Field(max_length=200)]


class Frame(Frozen):
    """One picture by its metadata. body, lens: as the camera names them, empty where it says nothing.

    taken: by the camera's clock, without a zone.
    """

    name: PlainText
    taken: LocalTime | None = None
    focal_mm: FocalMm | None = None
    f_number: FNumber | None = None
    iso: Annotated[int, Field(ge=1, le=10_000_000)] | None = None
    body: PlainText = ""
    lens: PlainText = ""
