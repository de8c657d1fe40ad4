"""What was picked and marked, and is not kept."""

from typing import ClassVar, Literal

from mule.base.units import Name
from mule.findings.codes import FindingCode, Severity, StationName
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

    code: Literal[FindingCode.POLICY_ONE_ZOOM] = FindingCode.POLICY_ONE_ZOOM


class TrioOfZooms(LensPolicy):
    """Three zooms were picked."""

    code: Literal[FindingCode.POLICY_TRIO_OF_ZOOMS] = FindingCode.POLICY_TRIO_OF_ZOOMS


class Primes(LensPolicy):
    """Fixed focal lengths were picked."""

    code: Literal[FindingCode.POLICY_PRIMES] = FindingCode.POLICY_PRIMES


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

    code: Literal[FindingCode.POLICY_NONE_BODY] = FindingCode.POLICY_NONE_BODY


class TwinBody(BodyPolicy):
    """A twin was picked."""

    code: Literal[FindingCode.POLICY_TWIN_BODY] = FindingCode.POLICY_TWIN_BODY


class SpecialistBody(BodyPolicy):
    """A second body of another sort was picked."""

    code: Literal[FindingCode.POLICY_SPECIALIST_BODY] = FindingCode.POLICY_SPECIALIST_BODY


class MustTake(Told):
    """Marked to come, and not loaded."""

    code: Literal[FindingCode.MUST_TAKE] = FindingCode.MUST_TAKE
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class MustLeave(Told):
    """Marked to stay, and loaded."""

    code: Literal[FindingCode.MUST_LEAVE] = FindingCode.MUST_LEAVE
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class SlotFull(Told):
    """More than one of things of which one may come."""

    code: Literal[FindingCode.SLOT_FULL] = FindingCode.SLOT_FULL
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    slot: Name

    ABOUT: ClassVar[tuple[str, ...]] = ("slot",)

    def size(self) -> float:
        """How bad it is."""
        return float(len(self.items))
