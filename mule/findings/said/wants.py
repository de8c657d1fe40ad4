"""What is not seen of what is wanted."""

from typing import ClassVar, Literal

from mule.analysis.optics.answer import Because
from mule.base.units import ItemId
from mule.findings.codes import Severity, StationName
from mule.findings.said.told import Told, octaves


class OfAStretch(Told):
    """Focal lengths of a want."""

    stations: tuple[StationName, ...] = (StationName.BENCH,)
    want: ItemId
    from_mm: float
    to_mm: float

    ABOUT: ClassVar[tuple[str, ...]] = ("want",)


class WantUnmet(OfAStretch):
    """Nothing loaded serves it at all."""

    code: Literal["want-unmet"] = "want-unmet"
    because: Because


class WantGap(OfAStretch):
    """It scores under one half there."""

    code: Literal["gap"] = "gap"
    because: Because
    score: float

    def size(self) -> float:
        """How bad it is."""
        return octaves(self.from_mm, self.to_mm)


class NativeGapOfWants(OfAStretch):
    """It is served there without being seen. wants: so many that cross it, ``want`` the first."""

    code: Literal["native-gap"] = "native-gap"
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    wants: int

    def size(self) -> float:
        """How bad it is."""
        return octaves(self.from_mm, self.to_mm)
