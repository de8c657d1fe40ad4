"""What the place and the calendar do to the kit."""

from datetime import date
from typing import ClassVar, Literal

from mule.base.units import Name
from mule.findings.codes import Severity, StationName
from mule.findings.said.told import Told


class Barred(Told):
    """A local rule bars things on some days. days: of ``of_days``."""

    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    rule: Name
    days: int
    of_days: int

    ABOUT: ClassVar[tuple[str, ...]] = ("rule",)

    def size(self) -> float:
        """How bad it is."""
        return float(len(self.items))


class TripodsBarred(Barred):
    """Tripods must stay outside."""

    code: Literal["tripods-barred"] = "tripods-barred"


class DronesBarred(Barred):
    """Drones must stay on the ground."""

    code: Literal["drones-barred"] = "drones-barred"


class BigBagsBarred(Barred):
    """Bags over a size do not come in."""

    code: Literal["big-bags-barred"] = "big-bags-barred"


class LensChanges(Told):
    """Lenses are changed in bad weather. days: on which; changes: on the worst of them, ``day``."""

    code: Literal["lens-changes"] = "lens-changes"
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    days: int
    changes: int
    day: date

    ABOUT: ClassVar[tuple[str, ...]] = ()

    def size(self) -> float:
        """How bad it is."""
        return float(self.days * self.changes)


class BackTooLate(Told):
    """It is away until the trip has begun."""

    code: Literal["back-too-late"] = "back-too-late"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    until: date
    start: date

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class GoesBack(Told):
    """It is due before the trip is over. last: the last day of the trip."""

    code: Literal["goes-back"] = "goes-back"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    due: date
    last: date

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class ToFetch(Told):
    """To be rented or borrowed first. undated: of how many no day is noted by which they go back."""

    code: Literal["to-fetch"] = "to-fetch"
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    undated: int

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)
