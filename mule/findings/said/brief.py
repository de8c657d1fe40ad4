"""What a brief lacks."""

from typing import ClassVar, Literal

from mule.findings.codes import FindingCode, Severity, StationName
from mule.findings.said.told import Told


class NoPeople(Told):
    """Nobody is there to carry the kit."""

    code: Literal[FindingCode.NO_PEOPLE] = FindingCode.NO_PEOPLE
    severity: Severity = Severity.BLOCKER
    stations: tuple[StationName, ...] = (StationName.BRIEF,)

    ABOUT: ClassVar[tuple[str, ...]] = ()


class NoDays(Told):
    """There is no day that could be judged."""

    code: Literal[FindingCode.NO_DAYS] = FindingCode.NO_DAYS
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BRIEF, StationName.STAMINA)

    ABOUT: ClassVar[tuple[str, ...]] = ()


class NoWants(Told):
    """Nothing is wanted."""

    code: Literal[FindingCode.NO_WANTS] = FindingCode.NO_WANTS
    severity: Severity = Severity.BLOCKER
    stations: tuple[StationName, ...] = (StationName.BRIEF,)

    ABOUT: ClassVar[tuple[str, ...]] = ()
