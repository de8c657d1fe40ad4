"""Where things lie."""

from typing import ClassVar, Literal

from mule.base.units import ItemId
from mule.findings.codes import FindingCode, Severity, StationName
from mule.findings.said.told import Told


class TooLarge(Told):
    """Larger than every space of its bag."""

    code: Literal[FindingCode.TOO_LARGE] = FindingCode.TOO_LARGE
    severity: Severity = Severity.BLOCKER
    stations: tuple[StationName, ...] = (StationName.STOW,)
    bag: ItemId
    longest_mm: float

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class WaterBeside(Told):
    """Water and the largest thing that would get wet, in one space."""

    code: Literal[FindingCode.WATER_BESIDE] = FindingCode.WATER_BESIDE
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.STOW,)
    bag: ItemId

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class NotAtSeat(Told):
    """Needed in the seat, and out of reach there."""

    code: Literal[FindingCode.NOT_AT_SEAT] = FindingCode.NOT_AT_SEAT
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.STOW,)
    bag: ItemId

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)
