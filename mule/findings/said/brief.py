"""What a brief lacks."""

from typing import ClassVar, Literal

from mule.findings.codes import Severity, StationName
from mule.findings.said.told import Told


class NoPeople(Told):
    """Nobody is there to carry the kit."""

    code: Literal["no-people"] = "no-people"
    severity: Severity = Severity.BLOCKER
    stations: tuple[StationName, ...] = (StationName.BRIEF,)

    ABOUT: ClassVar[tuple[str, ...]] = ()


class NoDays(Told):
    """There is no day that could be judged."""

    code: Literal["no-days"] = "no-days"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BRIEF, StationName.STAMINA)

    ABOUT: ClassVar[tuple[str, ...]] = ()


class NoWants(Told):
    """Nothing is wanted."""

    code: Literal["no-wants"] = "no-wants"
    severity: Severity = Severity.BLOCKER
    stations: tuple[StationName, ...] = (StationName.BRIEF,)

    ABOUT: ClassVar[tuple[str, ...]] = ()
