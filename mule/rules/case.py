"""What a rule may look at, and what it says.

A rule looks at facts alone (``Case``). How to look for cures it leaves behind as a function of ``Trials``, the same
facts with everything that tries other kits: it is called only when somebody asks for advice.
"""

from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple, Protocol

from mule.carriers import LegVerdict
from mule.completeness import Completeness, LightestGivers, Requirements
from mule.filters import FilterFit
from mule.finding import Cure, CureCode, Finding, FindingCode, Leave, Load, Severity, StationName
from mule.fronts import fit_filters
from mule.gate import Rehearsal
from mule.gear import Gear
from mule.lens_changes import DayChanges
from mule.load import Loads
from mule.optics import View, Worth
from mule.plan import Plan
from mule.resilience import Resilience, analyze_single_failures
from mule.stamina import StaminaSummary
from mule.units import ItemId, Name


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

    def leave(self, things: Iterable[Gear]) -> Cure:
        """The cure that leaves all pieces of these things, with the points it costs."""
        items = dict.fromkeys(t.id for t in things)
        return Cure(
            code=CureCode.LEAVE,
            edits=tuple(Leave(item=item) for item in items),
            mass_change_g=-sum(self.plan.items[i].mass_g * self.loaded[i] for i in items),
            numbers={"points": self.points_lost(items)},
        )

    def points_lost(self, items: Iterable[str]) -> float:
        """Points of brief score that the kit loses without all pieces of these items: not the sum of their worths."""
        (left,) = self.case.view.table.scores([frozenset(items)])
        return max(0.0, self.case.view.coverage.score - left)


def load(*things: Gear, count: int = 1, code: CureCode = CureCode.LOAD) -> Cure:
    """The cure that loads so many pieces of each of these things."""
    return Cure(
        code=code,
        edits=tuple(Load(item=t.id, count=count) for t in things),
        mass_change_g=sum(t.mass_g for t in things) * count,
    )


LookForCures = Callable[[Trials], Iterable[Cure]]


def no_cures(trials: Trials) -> Iterable[Cure]:
    """For what is only told."""
    return ()


def always(*cures: Cure) -> LookForCures:
    """For cures that need no trial."""
    return lambda trials: cures


def leaving(*things: Gear) -> LookForCures:
    """For the one cure that all of these stay at home."""
    return lambda trials: (trials.leave(things),)


class Said(NamedTuple):
    """What a rule says, and how it would look for cures."""

    finding: Finding
    cures: LookForCures = no_cures


def say(
    code: FindingCode,
    severity: Severity,
    *stations: StationName,
    numbers: Mapping[str, float] | None = None,
    items: Sequence[ItemId] = (),
    refs: Mapping[str, Name] | None = None,
    cures: LookForCures = no_cures,
) -> Said:
    """A finding at these stations, with how to look for its cures."""
    finding = Finding(
        code=code,
        severity=severity,
        stations=stations,
        numbers=dict(numbers or {}),
        items=tuple(items),
        refs=dict(refs or {}),
        curable=cures is not no_cures,
    )
    return Said(finding, cures)


class Rule(Protocol):
    """A rule looks at a case and says what it finds."""

    def find(self, case: Case) -> Iterable[Said]:
        """What this rule says; empty when it has nothing to say."""
        ...


class TrialRule(Protocol):
    """A rule that speaks of other kits, and so only when advice is asked for."""

    def find(self, trials: Trials) -> Iterable[Said]:
        """What this rule says; empty when it has nothing to say."""
        ...
