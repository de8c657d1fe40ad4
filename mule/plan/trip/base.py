"""The base: where what does not go along lies on a day."""

from typing import Literal

from mule.base.units import Frozen
from mule.plan.gear import Box


class Base(Frozen):
    """A room, car, boat or tent. safe: inside of a place that can be locked (a room safe, a boot); None where there is
    none, or nobody measured it."""

    sort: Literal["room", "car", "boat", "tent"] = "room"
    safe: Box | None = None
