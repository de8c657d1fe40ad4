"""What a rule may look at, and what it says.

A rule looks at facts alone (``Case``); what other kits show is in ``Trials``. Ways out are ``mule.findings.cures``.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from functools import cached_property
from typing import Protocol

from mule.analysis.carriers import LegVerdict
from mule.analysis.completeness import Completeness, LightestGivers, Requirements
from mule.analysis.filters import FilterFit
from mule.analysis.filters.fronts import fit_filters
from mule.analysis.gate import Rehearsal
from mule.analysis.lens_changes import DayChanges
from mule.analysis.load import Loads
from mule.analysis.optics import View, Worth
from mule.analysis.resilience import BagLoss, Loss, Resilience, analyze_single_failures, bag_losses
from mule.analysis.storage.stamina import StaminaSummary
from mule.findings.said import Finding
from mule.plan import Plan


@dataclass(frozen=True)
class Case:
    """One plan with the facts of every package."""

    plan: Plan
    view: View
    requirements: Requirements
    loads: Loads
    legs: tuple[LegVerdict, ...]
    filters: FilterFit
    completeness: Completeness
    lens_changes: tuple[DayChanges, ...]
    stamina: StaminaSummary
    gate: Rehearsal

    @property
    def loaded(self) -> Mapping[str, int]:
        """Pieces loaded of each item."""
        return self.plan.loaded


@dataclass(frozen=True)
class Trials:
    """The facts, and what trying other kits says; each is worked out when it is first asked for."""

    case: Case

    @property
    def plan(self) -> Plan:
        """The plan of the case."""
        return self.case.plan

    @property
    def loaded(self) -> Mapping[str, int]:
        """Pieces loaded of each item."""
        return self.case.loaded

    @cached_property
    def barred(self) -> frozenset[str]:
        """Things that are marked to stay at home: never proposed for loading."""
        return frozenset(self.plan.trip.marks.must_leave)

    @cached_property
    def worths(self) -> tuple[Worth, ...]:
        """What each optical thing in use earns."""
        return self.case.view.worths

    @cached_property
    def worth(self) -> Mapping[str, float]:
        """Points of worth of each optical thing in use."""
        return {w.item: w.points for w in self.worths}

    @cached_property
    def givers(self) -> LightestGivers:
        """The lightest things that give a link, among what is not loaded."""
        return LightestGivers(self.case.requirements.graph, self.plan.items, self.loaded)

    @cached_property
    def filters(self) -> FilterFit:
        """Filters fitted with what is left at home, too."""
        return fit_filters(self.plan, self.case.view.coverage, with_rest=True)

    @cached_property
    def resilience(self) -> Resilience:
        """Each single thing and each bag lost in turn."""
        return analyze_single_failures(self.plan, self.case.view, self.case.requirements)

    @cached_property
    def losses(self) -> tuple[Loss, ...]:
        """Each single loss; ways to bear it only where somebody looked for them before."""
        if "resilience" in self.__dict__:
            return self.resilience.losses
        return analyze_single_failures(self.plan, self.case.view, self.case.requirements, backups=False).losses

    @cached_property
    def bag_losses(self) -> tuple[BagLoss, ...]:
        """Each bag lost on the first day with all that rides in it, by pieces."""
        return tuple(bag_losses(self.plan, self.case.view.table, self.case.stamina.case))


class Rule(Protocol):
    """A rule looks at a case and says what it finds."""

    def find(self, case: Case) -> Iterable[Finding]:
        """What this rule says; empty when it has nothing to say."""
        ...


class TrialRule(Protocol):
    """A rule that speaks of other kits, and so only when advice is asked for."""

    def find(self, trials: Trials) -> Iterable[Finding]:
        """What this rule says; empty when it has nothing to say."""
        ...
