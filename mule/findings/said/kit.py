"""What is odd about the loaded things themselves."""

from datetime import date
from typing import ClassVar, Literal

from mule.findings.codes import Severity, StationName
from mule.findings.said.told import Told
from mule.plan.gear import AbsenceReason


class NothingLoaded(Told):
    """The kit is empty."""

    code: Literal["nothing-loaded"] = "nothing-loaded"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH, StationName.STAMINA, StationName.GATE)

    ABOUT: ClassVar[tuple[str, ...]] = ()


class NoSetUp(Told):
    """Things are loaded, but none of them takes a picture."""

    code: Literal["no-set-up"] = "no-set-up"
    severity: Severity = Severity.BLOCKER
    stations: tuple[StationName, ...] = (StationName.BENCH, StationName.STAMINA)

    ABOUT: ClassVar[tuple[str, ...]] = ()


class IdleOptics(Told):
    """A lens that no loaded body takes, a converter that no loaded lens names. mass_g: of all pieces."""

    code: Literal["idle-optics"] = "idle-optics"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    mass_g: float

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class AbsentLoaded(Told):
    """It is loaded and not here. until: when it is back, where that is known."""

    code: Literal["absent-loaded"] = "absent-loaded"
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    reason: AbsenceReason
    until: date | None = None

    ABOUT: ClassVar[tuple[str, ...]] = ("items", "reason")


class Overfull(Told):
    """More litres than a bag or an insert has."""

    code: Literal["overfull"] = "overfull"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    what: Literal["bag", "insert"]
    litres: float
    volume_l: float

    ABOUT: ClassVar[tuple[str, ...]] = ("items", "what")

    def size(self) -> float:
        """How bad it is."""
        return float(self.litres - self.volume_l)
