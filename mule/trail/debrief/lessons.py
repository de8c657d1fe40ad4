"""What to do about the next kit: one type for each sort of advice, told apart by its code."""

from typing import Annotated, Literal

from pydantic import Field

from mule.base.units import Frozen, ItemId
from mule.plan.gear import Effect


class MissedReach(Frozen):
    """Pictures that were missed for want of a focal length (full-frame equivalent)."""

    of: Literal["reach"] = "reach"
    focal_mm: float
    times: int


class MissedEffect(Frozen):
    """Pictures that were missed for want of a filter. lens: that it should have gone on, where one is known."""

    of: Literal["effect"] = "effect"
    effect: Effect
    lens: ItemId | None
    times: int


MissedPicture = Annotated[MissedReach | MissedEffect, Field(discriminator="of")]


class LeaveIt(Frozen):
    """It never was used. trips: in a row, one or two."""

    code: Literal["leave"] = "leave"
    item: ItemId
    mass_g: float
    trips: int


class KeepIt(Frozen):
    """It stays in the kit, used or not."""

    code: Literal["keep"] = "keep"
    item: ItemId
    mass_g: float


class TakeIt(Frozen):
    """With it the missed pictures could have been taken, but it stayed at home. mass_g: with everything it needs."""

    code: Literal["take"] = "take"
    item: ItemId
    mass_g: float
    missed: MissedPicture


class RentIt(Frozen):
    """What would have had it is not owned. item: a thing of the locker that can be rented or borrowed, where there is
    one."""

    code: Literal["rent"] = "rent"
    item: ItemId | None = None
    missed: MissedPicture


class RingFor(Frozen):
    """A step-up ring would have put a filter that is owned on the lens. item: the filter."""

    code: Literal["ring"] = "ring"
    item: ItemId
    lens: ItemId
    from_mm: float
    to_mm: float
    missed: MissedEffect


class ServiceIt(Frozen):
    """It has a fault. note: which."""

    code: Literal["service"] = "service"
    item: ItemId
    note: str


class RetireIt(Frozen):
    """Packs that have had their time. health: what they hold of what new ones do; cycles: charges of each."""

    code: Literal["retire"] = "retire"
    item: ItemId
    health: float
    cycles: float


Lesson = Annotated[
    LeaveIt | KeepIt | TakeIt | RentIt | RingFor | ServiceIt | RetireIt,
    Field(discriminator="code"),
]
