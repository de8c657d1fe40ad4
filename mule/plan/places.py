"""Where things are: in a bag, on somebody, or a piece of luggage themselves."""

from enum import StrEnum
from typing import Annotated, Literal

from pydantic import Field

from mule.base.units import Flag, Frozen, ItemId


class PieceKind(StrEnum):
    """How a bag travels: overhead, under the seat, or checked in."""

    CABIN = "cabin"
    PERSONAL = "personal"
    HOLD = "hold"


class InBag(Frozen):
    """Inside a bag or insert, or strapped to its outside."""

    where: Literal["bag"] = "bag"
    bag: ItemId
    outside: bool = False


class Worn(Frozen):
    """On a person: pockets, neck, belt clip. unplaced: nobody said so; there was no bag to take it."""

    where: Literal["worn"] = "worn"
    person: ItemId
    unplaced: Flag = False


class AsPiece(Frozen):
    """A bag that is itself a piece of somebody's luggage."""

    where: Literal["piece"] = "piece"
    piece: PieceKind
    person: ItemId


Place = Annotated[InBag | Worn | AsPiece, Field(discriminator="where")]
