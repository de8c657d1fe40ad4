"""What wants ask for beside glass."""

from typing import ClassVar, Literal

from mule.base.units import Aid, ItemId
from mule.findings.codes import FindingCode, Severity, StationName
from mule.findings.said.told import Told


class NotHeld(Told):
    """A want is to be held still, and nothing does."""

    code: Literal[FindingCode.NOT_HELD] = FindingCode.NOT_HELD
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    want: ItemId

    ABOUT: ClassVar[tuple[str, ...]] = ("want",)


class AidMissing(Told):
    """Too few of what a want asks for beside glass."""

    code: Literal[FindingCode.AID_MISSING] = FindingCode.AID_MISSING
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    want: ItemId
    aid: Aid
    count: int
    have: int

    ABOUT: ClassVar[tuple[str, ...]] = ("want", "aid")

    def size(self) -> float:
        """How bad it is."""
        return float(self.count - self.have)


class LightLegs(Told):
    """Legs that wind pushes, on ``days`` days."""

    code: Literal[FindingCode.LIGHT_LEGS] = FindingCode.LIGHT_LEGS
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    mass_g: float
    days: int

    ABOUT: ClassVar[tuple[str, ...]] = ()

    def size(self) -> float:
        """How bad it is."""
        return float(1 / self.mass_g)


class SupportLoaded(Told):
    """What stands on legs or head, against what they are rated for: the weakest first among the things."""

    code: Literal[FindingCode.SUPPORT_LOADED] = FindingCode.SUPPORT_LOADED
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    want: ItemId
    mass_g: float
    rated_g: float

    ABOUT: ClassVar[tuple[str, ...]] = ("want",)

    def size(self) -> float:
        """How bad it is."""
        return float(self.mass_g / self.rated_g)


class CoverLeft(Told):
    """Weather on ``days`` days, things that it gets into, and the cover at home."""

    code: Literal[FindingCode.COVER_LEFT] = FindingCode.COVER_LEFT
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    weather: Literal["rain", "spray", "snow", "dust"]
    days: int

    ABOUT: ClassVar[tuple[str, ...]] = ("weather",)

    def size(self) -> float:
        """How bad it is."""
        return float(len(self.items))
