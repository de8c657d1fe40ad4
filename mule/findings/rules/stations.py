"""How far the stations of the trail are, by what stands against them."""

from collections.abc import Sequence
from enum import StrEnum

from mule.base.units import Frozen
from mule.findings.codes import Severity, StationName
from mule.findings.said import Finding


class StationMark(StrEnum):
    """How far a station of the trail is."""

    DONE = "done"
    OPEN = "open"
    BLOCKED = "blocked"


class Station(Frozen):
    """One stop of the trail."""

    name: StationName
    mark: StationMark


# The stations that the rules speak of; the others hang on what was noted (``mule.trail.packout``).
STATIONS = (StationName.BRIEF, StationName.BENCH, StationName.STAMINA, StationName.STOW, StationName.GATE)


def stations_of(findings: Sequence[Finding], legs: int) -> tuple[Station, ...]:
    """The mark of each station. legs: of the journey; without any there is no gate to be judged for."""
    unjudged = {StationName.STOW} if legs else {StationName.STOW, StationName.GATE}
    return tuple(Station(name=name, mark=_mark(name, findings, name not in unjudged)) for name in STATIONS)


def _mark(station: StationName, findings: Sequence[Finding], judged: bool) -> StationMark:
    """Blocked by a blocker, open while a caution stands, done otherwise; notes leave a station done."""
    severities = {f.severity for f in findings if station in f.stations}
    if Severity.BLOCKER in severities:
        return StationMark.BLOCKED
    # That everything fits, only a packing says: it is not part of the assessment.
    return StationMark.OPEN if Severity.CAUTION in severities or not judged else StationMark.DONE
