"""What a rule may look at."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from functools import cached_property
from typing import Protocol

from mule.carriers import LegVerdict
from mule.completeness import Completeness
from mule.filters import FilterFit
from mule.finding import Cure, Finding, Leave, Load
from mule.gate import Rehearsal
from mule.gear import Gear
from mule.ledger import Ledger
from mule.load import Loads
from mule.optics import Closer, Coverage, Gap
from mule.plan import Plan
from mule.resilience import Resilience
from mule.stamina import Lasting

# Ways to close each gap, by want id and gap.
Prices = Mapping[tuple[str, Gap], tuple[Closer, ...]]


@dataclass(frozen=True)
class Case:
    """One plan with the answers of every package."""

    plan: Plan
    coverage: Coverage
    prices: Prices
    loads: Loads
    legs: tuple[LegVerdict, ...]
    filters: FilterFit
    completeness: Completeness
    ledger: Ledger
    resilience: Resilience
    lasting: Lasting
    gate: Rehearsal

    @cached_property
    def loaded(self) -> Mapping[str, int]:
        """Pieces loaded of each item."""
        return self.plan.kit.loaded()

    @cached_property
    def worth(self) -> Mapping[str, float]:
        """Points of worth of each optical thing in use."""
        return {w.item: w.points for w in self.coverage.worth}

    def leave(self, things: Iterable[Gear]) -> Cure:
        """The cure that leaves all pieces of these things, with the points it costs."""
        items = dict.fromkeys(t.id for t in things)
        return Cure(
            code="leave",
            edits=tuple(Leave(item=item) for item in items),
            mass_change_g=-sum(self.plan.items[i].mass_g * self.loaded[i] for i in items),
            numbers={"points": sum(self.worth.get(i, 0.0) for i in items)},
        )


def load(*things: Gear, count: int = 1, code: str = "load") -> Cure:
    """The cure that loads so many pieces of each of these things."""
    return Cure(
        code=code,
        edits=tuple(Load(item=t.id, count=count) for t in things),
        mass_change_g=sum(t.mass_g for t in things) * count,
    )


class Rule(Protocol):
    """A rule looks at a case and says what it finds."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Findings of this rule; empty when it has nothing to say."""
        ...
