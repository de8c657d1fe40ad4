"""What the place and the calendar do to the kit."""

from datetime import date
from typing import ClassVar, Literal

from mule.base.units import Name
from mule.findings.codes import FindingCode, Severity, StationName
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

    code: Literal[FindingCode.TRIPODS_BARRED] = FindingCode.TRIPODS_BARRED


class DronesBarred(Barred):
    """Drones must stay on the ground."""

    code: Literal[FindingCode.DRONES_BARRED] = FindingCode.DRONES_BARRED


class BigBagsBarred(Barred):
    """Bags over a size do not come in."""

    code: Literal[FindingCode.BIG_BAGS_BARRED] = FindingCode.BIG_BAGS_BARRED


class LensChanges(Told):
    """Lenses are changed in bad weather. days: on which; changes: on the worst of them, ``day``."""

    code: Literal[FindingCode.LENS_CHANGES] = FindingCode.LENS_CHANGES
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

    code: Literal[FindingCode.BACK_TOO_LATE] = FindingCode.BACK_TOO_LATE
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    until: date
    start: date

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class GoesBack(Told):
    """It is due before the trip is over. last: the last day of the trip."""

    code: Literal[FindingCode.GOES_BACK] = FindingCode.GOES_BACK
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    due: date
    last: date

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class ToFetch(Told):
    """To be rented or borrowed first. undated: of how many no day is noted by which they go back."""

    code: Literal[FindingCode.TO_FETCH] = FindingCode.TO_FETCH
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    undated: int

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)
