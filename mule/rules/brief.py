"""What a brief lacks before anything can be planned on it."""

from collections.abc import Iterable

from mule.finding import Finding, Severity
from mule.rules.case import Case


class NoPeople:
    """Somebody has to carry the kit."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks while the trip has no people."""
        if not case.plan.trip.people:
            yield Finding(code="no-people", severity=Severity.BLOCKER, station="brief")


class NoDays:
    """Without days there is no date, no cold and no walking."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks while the trip has no days."""
        if not case.plan.trip.days:
            yield Finding(code="no-days", severity=Severity.CAUTION, station="brief")


class NoWants:
    """Without wants nothing can be said about what a lens buys."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks while the trip has no wants."""
        if not case.plan.trip.wants:
            yield Finding(code="no-wants", severity=Severity.BLOCKER, station="brief")
