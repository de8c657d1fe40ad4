"""What a brief lacks before anything can be planned on it."""

from collections.abc import Iterable

from mule.findings.finding import Finding, FindingCode, Severity, StationName
from mule.findings.rules.case import Case, say


class NoPeople:
    """Somebody has to carry the kit."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks while the trip has no people."""
        if not case.plan.trip.people:
            yield say(FindingCode.NO_PEOPLE, Severity.BLOCKER, StationName.BRIEF)


class NoDays:
    """Without days there is no date, no cold and no walking."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks while the trip has no days."""
        if not case.plan.trip.days:
            # Where no day asks anything, no pack and no card can be judged.
            yield say(FindingCode.NO_DAYS, Severity.CAUTION, StationName.BRIEF, StationName.STAMINA)


class NoWants:
    """Without wants nothing can be said about what a lens buys."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks while the trip has no wants."""
        if not case.plan.trip.wants:
            yield say(FindingCode.NO_WANTS, Severity.BLOCKER, StationName.BRIEF)
