"""Bags, the padded inserts that move between them, and their compartments."""

from math import inf
from typing import Annotated, ClassVar, Literal, Self

from pydantic import Field, model_validator
from pydantic_core import PydanticCustomError

from mule.base.units import Access, Flag, Frozen, Inches, ItemId, Litres, Millimetres, Name, SqueezeMm
from mule.plan.gear.base import Box, Group, Size, Soft, Thing
from mule.plan.places import PieceKind

Dividers = Annotated[int, Field(strict=True, ge=0, le=60)] | None


class Compartment(Frozen):
    """One space of a bag or insert, by what really fits inside.

    inner: length_mm from the bag's bottom up, width_mm across, height_mm from the back outwards. opens: on which side.
    divided: has padded dividers, so that hard things lie apart; dividers: how many it came with, if known. screen_in:
    largest screen of a sleeve.
    """

    id: ItemId
    name: Name
    inner: Box
    access: Access = "open"
    opens: Literal["back", "front", "side", "top"] | None = None
    sort: Literal["main", "pocket", "sleeve"] = "main"
    divided: Flag = True
    dividers: Dividers = None
    screen_in: Inches | None = None


class _Holder(Thing):
    """What holds other things. compartments: empty when there is one space only, of size ``inner``, with so many
    dividers as it came with, if known."""

    volume_l: Litres
    inner: Box | None = None
    dividers: Dividers = None
    compartments: tuple[Compartment, ...] = Field(default=(), max_length=12)

    @model_validator(mode="after")
    def _compartments_lie_inside(self) -> Self:
        if len({c.id for c in self.compartments}) != len(self.compartments):
            raise PydanticCustomError("compartment_twice", "give each space its own id")
        for compartment in self.compartments:
            if not _inside(compartment.inner, self.size):
                raise PydanticCustomError(
                    "compartment_size", "{name} must not be larger than its bag", {"name": compartment.name}
                )
        return self


def _inside(inner: Box, size: Size) -> bool:
    # A soft bag has no sides of its own to compare with.
    return isinstance(size, Soft) or all(a <= b for a, b in zip(inner.sides_mm(), size.sides_mm(), strict=True))


class Bag(_Holder):
    """A bag. ``size`` is its outer size, wheels and handles included; ``inner`` says what really fits.

    piece: how it usually travels. squeeze_mm: how far its thinnest side gives when pressed into a frame.
    straps: things that can be strapped outside, each no longer than strap_mm. unpadded: glass lies in it only in an
    insert. back_mm: length of its back, hip belt to shoulders; hip_belt, chest_strap: how it hangs on somebody.
    rain_cover: it has one of its own. looks: what strangers take it for.
    """

    kind: Literal["bag"] = "bag"
    group: ClassVar[Group] = Group.CARRY

    piece: PieceKind = PieceKind.CABIN
    squeeze_mm: SqueezeMm = 0
    hard: Flag = False
    straps: int = Field(default=2, ge=0, le=8, strict=True)
    strap_mm: Millimetres | None = None
    unpadded: Flag = False
    back_mm: Millimetres | None = None
    hip_belt: Flag = False
    chest_strap: Flag = False
    rain_cover: Flag = False
    looks: Literal["camera", "plain"] | None = None

    def takes_outside(self, thing: Thing) -> bool:
        """Whether one of its straps takes a thing."""
        return bool(self.straps) and thing.size.sides_mm()[0] <= (self.strap_mm or inf)

    @property
    def carried_as(self) -> PieceKind:
        """How it travels where somebody carries it: what is usually checked in is a cabin bag then."""
        return PieceKind.CABIN if self.piece == PieceKind.HOLD else self.piece


class Insert(_Holder):
    """A padded cube that moves between bags."""

    kind: Literal["insert"] = "insert"
    group: ClassVar[Group] = Group.CARRY
