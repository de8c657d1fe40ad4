"""Where things lie."""

from typing import ClassVar, Literal

from mule.base.units import ItemId
from mule.findings.codes import Severity, StationName
from mule.findings.said.told import Told


class TooLarge(Told):
    """Larger than every space of its bag."""

    code: Literal["too-large"] = "too-large"
    severity: Severity = Severity.BLOCKER
    stations: tuple[StationName, ...] = (StationName.STOW,)
    bag: ItemId
    longest_mm: float

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class WaterBeside(Told):
    """Water and the largest thing that would get wet, in one space."""

    code: Literal["water-beside"] = "water-beside"
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.STOW,)
    bag: ItemId

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class NotAtSeat(Told):
    """Needed in the seat, and out of reach there."""

    code: Literal["not-at-seat"] = "not-at-seat"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.STOW,)
    bag: ItemId

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)
