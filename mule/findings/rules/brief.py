"""What a brief lacks before anything can be planned on it."""

from collections.abc import Iterable

from mule.findings import said
from mule.findings.rules.case import Case
from mule.findings.said import Finding


class NoPeopleRule:
    """Somebody has to carry the kit."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks while the trip has no people."""
        if not case.plan.trip.people:
            yield said.NoPeople()


class NoDaysRule:
    """Without days there is no date, no cold and no walking."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks while the trip has no days."""
        if not case.plan.trip.days:
            # Where no day asks anything, no pack and no card can be judged.
            yield said.NoDays()


class NoWantsRule:
    """Without wants nothing can be said about what a lens buys."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks while the trip has no wants."""
        if not case.plan.trip.wants:
            yield said.NoWants()
