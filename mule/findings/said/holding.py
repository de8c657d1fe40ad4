"""What wants ask for beside glass."""

from typing import ClassVar, Literal

from mule.base.units import Aid, ItemId
from mule.findings.codes import Severity, StationName
from mule.findings.said.told import Told


class NotHeld(Told):
    """A want is to be held still, and nothing does."""

    code: Literal["not-held"] = "not-held"
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    want: ItemId

    ABOUT: ClassVar[tuple[str, ...]] = ("want",)


class AidMissing(Told):
    """Too few of what a want asks for beside glass."""

    code: Literal["aid-missing"] = "aid-missing"
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

    code: Literal["light-legs"] = "light-legs"
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

    code: Literal["support-loaded"] = "support-loaded"
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

    code: Literal["cover-left"] = "cover-left"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    weather: Literal["rain", "spray", "snow", "dust"]
    days: int

    ABOUT: ClassVar[tuple[str, ...]] = ("weather",)

    def size(self) -> float:
        """How bad it is."""
        return float(len(self.items))
