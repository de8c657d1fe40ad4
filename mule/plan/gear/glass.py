"""Filters, step rings and filter holders (docs/domain/filters.md)."""

from typing import ClassVar, Literal, Self

from pydantic import model_validator
from pydantic_core import PydanticCustomError

from mule.base.units import FocalMm, ItemId, Millimetres, Stops
from mule.plan.gear.base import Group, Thing

Effect = Literal["nd", "variable-nd", "graduated-nd", "polariser", "night-sky", "diffusion", "clear"]


class Filter(Thing):
    """A filter: screw-in by ``thread_mm``, a plate by ``plate_width_mm``, dropped into a mount adapter, or over
    the sensor of a camera, where it serves every lens.

    stops: how much an ND takes; for a variable ND ``stops`` to ``stops_max``. rim_mm: depth of its frame.
    clean_from_mm: widest full-frame equivalent focal length that somebody found free of dark corners or crosses.
    """

    kind: Literal["filter"] = "filter"
    group: ClassVar[Group] = Group.FILTERS

    effect: Effect
    thread_mm: Millimetres | None = None
    plate_width_mm: Millimetres | None = None
    adapter: ItemId | None = None
    body: ItemId | None = None
    stops: Stops | None = None
    stops_max: Stops | None = None
    rim_mm: Millimetres = 5.0
    clean_from_mm: FocalMm | None = None

    @model_validator(mode="after")
    def _sits_on_something(self) -> Self:
        if [self.thread_mm, self.plate_width_mm, self.adapter, self.body].count(None) != 3:
            raise PydanticCustomError(
                "filter_fit", "give a filter one of these: thread, plate width, adapter or camera"
            )
        if self.effect in ("nd", "variable-nd", "graduated-nd") and self.stops is None:
            raise PydanticCustomError("filter_stops", "enter the stops of a neutral density filter")
        return self


class StepRing(Thing):
    """Carries a filter of ``filter_thread_mm`` on a lens of ``lens_thread_mm``."""

    kind: Literal["step-ring"] = "step-ring"
    group: ClassVar[Group] = Group.FILTERS

    lens_thread_mm: Millimetres
    filter_thread_mm: Millimetres
    rim_mm: Millimetres = 3.0


class FilterHolder(Thing):
    """Holds plates of ``plate_width_mm`` on a lens of ``thread_mm``."""

    kind: Literal["filter-holder"] = "filter-holder"
    group: ClassVar[Group] = Group.FILTERS

    plate_width_mm: Millimetres
    thread_mm: Millimetres
    plates: int = 2
