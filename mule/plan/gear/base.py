"""What every thing in a locker has: identity, count, mass, size, and whether it is here."""

from datetime import date
from enum import StrEnum
from typing import Annotated, ClassVar, Literal

from pydantic import Field, StringConstraints

from mule.base.units import (
    Count,
    Flag,
    Frozen,
    Grams,
    ItemId,
    Label,
    Litres,
    Millimetres,
    Name,
    Note,
    Number,
    OwnerName,
    SerialNumber,
)


class Source(StrEnum):
    """Where a figure came from: weighed or logged, a data sheet, our generic table, or arithmetic."""

    MEASURED = "measured"
    STATED = "stated"
    TYPICAL = "typical"
    COMPUTED = "computed"


class Group(StrEnum):
    """The ledger's headings, in the order in which a bag is thought through."""

    OPTICS = "optics"
    FILTERS = "filters"
    POWER = "power"
    CARDS = "cards"
    SUPPORT = "support"
    LIGHT_SOUND = "light-sound"
    CARRY = "carry"
    SAFETY = "safety"
    OTHER = "other"


class Box(Frozen):
    """A hard thing with corners, outer size."""

    shape: Literal["box"] = "box"
    length_mm: Millimetres
    width_mm: Millimetres
    height_mm: Millimetres

    def sides_mm(self) -> tuple[float, float, float]:
        """Outer sides in millimetres, longest first."""
        a, b, c = sorted((self.length_mm, self.width_mm, self.height_mm), reverse=True)
        return a, b, c

    def litres(self) -> float:
        """Volume of the enclosing box."""
        return self.length_mm * self.width_mm * self.height_mm / 1e6


class Cylinder(Frozen):
    """A round thing; may lie or stand."""

    shape: Literal["cylinder"] = "cylinder"
    diameter_mm: Millimetres
    length_mm: Millimetres

    def sides_mm(self) -> tuple[float, float, float]:
        """Sides of the enclosing box in millimetres, longest first."""
        a, b, c = sorted((self.length_mm, self.diameter_mm, self.diameter_mm), reverse=True)
        return a, b, c

    def litres(self) -> float:
        """Volume of the enclosing box: corners round a cylinder are rarely filled."""
        return self.diameter_mm**2 * self.length_mm / 1e6


class Soft(Frozen):
    """A soft thing: takes what room is left."""

    shape: Literal["soft"] = "soft"
    volume_l: Litres

    def sides_mm(self) -> tuple[float, float, float]:
        """Sides of a cube of the same volume: a soft thing has no sides of its own."""
        side = (self.volume_l * 1e6) ** (1 / 3)
        return side, side, side

    def litres(self) -> float:
        """Stated volume."""
        return self.volume_l


Size = Annotated[Box | Cylinder | Soft, Field(discriminator="shape")]


class AbsenceReason(StrEnum):
    """Why a thing that belongs to the locker is not on the table."""

    IN_POST = "in-post"
    HIRED_LATER = "hired-later"
    ON_LOAN = "on-loan"
    CHARGING = "charging"
    IN_USE = "in-use"
    AT_SERVICE = "at-service"


class Absence(Frozen):
    """Not here now; ``until`` is the day by which it must be back."""

    reason: AbsenceReason
    until: date | None = None


class Standing(StrEnum):
    """Whether a thing is one's own, or could be had for a trip."""

    OWNED = "owned"
    CAN_RENT = "can-rent"
    CAN_BORROW = "can-borrow"


# Pictures are named by the beginning of their SHA-256.
PICTURE_NAME_LENGTH = 32
PictureName = Annotated[str, StringConstraints(pattern=rf"^[0-9a-f]{{{PICTURE_NAME_LENGTH}}}$")]


class Thing(Frozen):
    """Common fields of all gear.

    count: identical pieces owned. mass_g and size: of one piece. absent: None when it is here.
    standing: things that could be rented or borrowed are proposed only when asked for.
    backup: comes along on purpose as the second of its sort. for_other: carried for somebody else, so it need not earn
    its place. needs: other things, one of which it does not work without. charging_plug: by which plug it is charged
    (``USB-C``, or the name of its own); None where nobody looked. return_by: the day by which it goes back to whom it
    was hired or borrowed from. picture: which of the owner's pictures shows it. serial, value, owner: for customs and
    insurance; value in the owner's own money, of one piece.
    """

    group: ClassVar[Group] = Group.OTHER

    id: ItemId
    name: Name
    count: Count = 1
    mass_g: Grams
    mass_source: Source = Source.STATED
    size: Size
    size_source: Source = Source.STATED
    absent: Absence | None = None
    standing: Standing = Standing.OWNED
    backup: Flag = False
    for_other: Flag = False
    needs: tuple[ItemId, ...] = Field(default=(), max_length=20)
    charging_plug: Label | None = None
    return_by: date | None = None
    serial: SerialNumber = ""
    value: Annotated[Number, Field(ge=0, le=1_000_000)] | None = None
    owner: OwnerName = ""
    note: Note = ""
    picture: PictureName | None = None


def at_hand(thing: Thing) -> bool:
    """Whether a left thing may be proposed: it is here, and one's own."""
    return thing.absent is None and thing.standing == Standing.OWNED
