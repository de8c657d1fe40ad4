"""What was picked and marked, and is not kept."""

from typing import ClassVar, Literal

from mule.base.units import Name
from mule.findings.codes import Severity, StationName
from mule.findings.said.told import Told


class LensPolicy(Told):
    """Other lenses than the ones picked."""

    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    lenses: int
    zooms: int

    ABOUT: ClassVar[tuple[str, ...]] = ()

    def size(self) -> float:
        """How bad it is."""
        return float(len(self.items))


class OneZoom(LensPolicy):
    """One zoom was picked."""

    code: Literal["policy-one-zoom"] = "policy-one-zoom"


class TrioOfZooms(LensPolicy):
    """Three zooms were picked."""

    code: Literal["policy-trio-of-zooms"] = "policy-trio-of-zooms"


class Primes(LensPolicy):
    """Fixed focal lengths were picked."""

    code: Literal["policy-primes"] = "policy-primes"


class BodyPolicy(Told):
    """Other bodies than the ones picked."""

    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    bodies: int

    ABOUT: ClassVar[tuple[str, ...]] = ()

    def size(self) -> float:
        """How bad it is."""
        return float(len(self.items))


class NoneBody(BodyPolicy):
    """No second body was picked."""

    code: Literal["policy-none-body"] = "policy-none-body"


class TwinBody(BodyPolicy):
    """A twin was picked."""

    code: Literal["policy-twin-body"] = "policy-twin-body"


class SpecialistBody(BodyPolicy):
    """A second body of another sort was picked."""

    code: Literal["policy-specialist-body"] = "policy-specialist-body"


class MustTake(Told):
    """Marked to come, and not loaded."""

    code: Literal["must-take"] = "must-take"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class MustLeave(Told):
    """Marked to stay, and loaded."""

    code: Literal["must-leave"] = "must-leave"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class SlotFull(Told):
    """More than one of things of which one may come."""

    code: Literal["slot-full"] = "slot-full"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    slot: Name

    ABOUT: ClassVar[tuple[str, ...]] = ("slot",)

    def size(self) -> float:
        """How bad it is."""
        return float(len(self.items))
