"""The drop order: what goes first when weight must go (docs/domain/coverage.md)."""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass

from mule.carriers import LegVerdict
from mule.completeness import Requirements
from mule.gear import Gear, Group, keeps_safe
from mule.ledger.answer import Drop
from mule.load import Loads, roots
from mule.optics import Table, changes, worth_of
from mule.plan import Plan

# What may be dropped: things whose loss can be priced. Safety things are never among them, whatever their group.
DROPPABLE = (Group.OPTICS, Group.FILTERS, Group.SUPPORT, Group.LIGHT_SOUND)
# A kit is hardly ever lightened by more steps than this.
_MOST_DROPS = 12
# A step that takes more than half of what is left is no lightening but another trip.
_LEAST_LEFT = 0.5


@dataclass(frozen=True)
class _Step:
    """A thing that could go next."""

    item: str
    goes: tuple[str, ...]
    mass_g: float

    def points(self, worths: Mapping[str, float]) -> float:
        """What the step costs."""
        return sum(worths.get(i, 0.0) for i in (self.item, *self.goes))


def drop_order(
    plan: Plan, table: Table, requirements: Requirements, loads: Loads, legs: Sequence[LegVerdict]
) -> tuple[Drop, ...]:
    """What goes first, second and so on: least worth per 100 g among what breaks nothing, reckoned anew each time."""
    counts = plan.loaded
    steps = _Steps(plan, requirements, counts)
    gone: list[str] = []
    drops: list[Drop] = []
    score, covers, wants = table.score(), table.covers(), [want.id for want in plan.trip.wants]
    over = _Over(plan, legs)
    total_g = loads.total_g
    rest, worths = table, _worths(table, counts)
    while len(drops) < _MOST_DROPS:
        step = steps.next(worths)
        if step is None:
            break
        out = {*gone, step.item, *step.goes}
        after = table.score(out)
        if after < _LEAST_LEFT * score:
            break
        then = table.covers(out)
        gone += [step.item, *step.goes]
        steps.take(step)
        if not worths.keys().isdisjoint((step.item, *step.goes)):
            rest = rest.without((step.item, *step.goes))
            worths = _worths(rest, {i: n for i, n in counts.items() if i not in gone})
        total_g -= step.mass_g
        drops.append(
            Drop(
                item=step.item,
                goes=step.goes,
                points=score - after,
                mass_g=step.mass_g,
                score=after,
                total_g=total_g,
                over_g=over.after(gone),
                changes=changes(wants, covers, then),
            )
        )
        score, covers = after, then
    return tuple(drops)


def _worths(table: Table, counts: Mapping[str, int]) -> dict[str, float]:
    """Worth of each item: of one piece, and with it of all pieces."""
    return {w.item: w.points for w in worth_of(table, dict.fromkeys(counts, 1))}


class _Steps:
    """The steps that are open: each drops one item with what goes with it, and nothing else, and no want, misses it."""

    def __init__(self, plan: Plan, requirements: Requirements, counts: Mapping[str, int]) -> None:
        self._gear, self._requirements, self._counts = plan.items, requirements, counts
        self._kept = set(plan.trip.marks.must_take)
        orphans = {item for item, need in requirements.unmet if need.sort == "purpose"}
        able = [i for i in counts if i not in self._kept and _may_go(self._gear[i], orphans)]
        self._gone: set[str] = set()
        self._open = {item: self._step(item) for item in able}

    def next(self, worths: Mapping[str, float]) -> _Step | None:
        """The open step of least worth per gram; of equals, the heaviest."""
        able = filter(None, self._open.values())
        return min(able, key=lambda s: (s.points(worths) / max(s.mass_g, 1.0), -s.mass_g), default=None)

    def take(self, step: _Step) -> None:
        """Takes a step, and thinks again about those that it may change."""
        out = {step.item, *step.goes}
        self._gone |= out
        for item in out & self._open.keys():
            del self._open[item]
        for item in self._open:
            if not self._requirements.reach(item).isdisjoint(out):
                self._open[item] = self._step(item)

    def _step(self, item: str) -> _Step | None:
        goes, fails = self._requirements.leaving((item,), self._gone)
        goes = tuple(i for i in goes if not keeps_safe(self._gear[i]))
        if fails or not self._kept.isdisjoint(goes):
            return None
        return _Step(item, goes, sum(self._gear[i].mass_g * self._counts[i] for i in (item, *goes)))


def _may_go(thing: Gear, orphans: Collection[str]) -> bool:
    return not keeps_safe(thing) and (thing.group in DROPPABLE or thing.id in orphans)


class _Over:
    """How far the worst leg is over its mass once things are gone."""

    def __init__(self, plan: Plan, legs: Sequence[LegVerdict]) -> None:
        self._gear = plan.items
        self._roots = roots(plan.kit)
        self._checks = [c for leg in legs for c in leg.checks if c.limit in ("mass", "together") and not c.passes]

    def after(self, gone: Collection[str]) -> float:
        freed_bag: dict[str, float] = {}
        freed_person: dict[str, float] = {}
        for item in gone:
            for bag, count in self._roots.bags.get(item, ()):
                grams = self._gear[item].mass_g * count
                freed_bag[bag] = freed_bag.get(bag, 0.0) + grams
                person = self._roots.owners[bag]
                freed_person[person] = freed_person.get(person, 0.0) + grams
        left = [
            c.over - (freed_bag.get(c.bag, 0.0) if c.bag else freed_person.get(c.person, 0.0)) for c in self._checks
        ]
        return max(0.0, max(left, default=0.0))
