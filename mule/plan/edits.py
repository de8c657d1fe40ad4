"""What can be done to a kit: load, leave, move. Done by ``mule.plan.editing``."""

from typing import Annotated, Literal

from pydantic import Field

from mule.base.units import Count, Frozen, ItemId
from mule.plan.places import Place


class Load(Frozen):
    """Put ``count`` more of an item into the kit; without a place it goes where such things go by default."""

    act: Literal["load"] = "load"
    item: ItemId
    count: Count = 1
    place: Place | None = None


class Leave(Frozen):
    """Take ``count`` of an item out of the kit, or all of them; what a left bag held moves to the next best place."""

    act: Literal["leave"] = "leave"
    item: ItemId
    count: Count | None = None


class Move(Frozen):
    """Put what is loaded of an item somewhere else; or ``count`` pieces of it, of those at ``origin`` first."""

    act: Literal["move"] = "move"
    item: ItemId
    place: Place
    count: Count | None = None
    origin: Place | None = None


Edit = Annotated[Load | Leave | Move, Field(discriminator="act")]
