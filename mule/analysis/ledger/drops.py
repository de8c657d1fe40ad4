"""The drop order: what goes first when weight must go (docs/domain/coverage.md).

Where a leg is over, the set that is missed least and is enough for it goes first: the same search as behind the cures.
After it, and where nothing is over, what is worth least per 100 g, reckoned anew each time.
"""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass
from typing import NamedTuple

from mule.analysis.carriers import Check, LegVerdict
from mule.analysis.completeness import Requirements
from mule.analysis.ledger.answer import Drop
from mule.analysis.ledger.least_missed import DROPPABLE, Burden, LoadedKit, grams, inside, least_missed
from mule.analysis.ledger.sharpen import want_to_sharpen
from mule.analysis.load import Loads, roots
from mule.analysis.optics import Table, View, changes, worth_of
from mule.plan import Plan
from mule.plan.gear import Gear, keeps_safe

# A kit is hardly ever lightened by more steps than this.
_MOST_DROPS = 12
# A step that takes more than half of what is left is no lightening but another trip.
_LEAST_LEFT = 0.5
# Lighter than this, and worth nothing, a thing is no step of its own.
_SMALL_G = 50.0
_NO_POINTS = 0.05


class Dropping(NamedTuple):
    """What goes first, and what is too light to be a step."""

    drops: tuple[Drop, ...]
    small: tuple[str, ...]


@dataclass(frozen=True)
class _Step:
    """A thing that could go next."""

    item: str
    goes: tuple[str, ...]
    mass_g: float

    def points(self, worths: Mapping[str, float]) -> float:
        """What the step costs."""
        return sum(worths.get(i, 0.0) for i in (self.item, *self.goes))

    def is_small(self, worths: Mapping[str, float]) -> bool:
        """Whether it is no more than a line with others of its sort."""
        return self.mass_g < _SMALL_G and self.points(worths) < _NO_POINTS


def drop_order(kit: LoadedKit, view: View, loads: Loads, legs: Sequence[LegVerdict]) -> Dropping:
    """What goes first, second and so on, among what breaks nothing."""
    plan, table = kit.plan, kit.table
    steps = _Steps(plan, kit.requirements, plan.loaded)
    over = _Over(plan, legs)
    first = steps.whole(_enough(kit, legs))
    gone: list[str] = []
    drops: list[Drop] = []
    score, covers, wants = table.score(), table.covers(), [want.id for want in plan.trip.wants]
    total_g = loads.total_g
    rest, worths = table, _worths(table, plan.loaded)
    while len(drops) < _MOST_DROPS:
        step = steps.next(worths, first)
        if step is None:
            break
        out = {*gone, step.item, *step.goes}
        after = table.score(out)
        if after < _LEAST_LEFT * score:
            break
        then = table.covers(out)
        steps.take(step)
        because = want_to_sharpen(plan, view, step.item, gone) if score - after < _NO_POINTS else None
        gone += [step.item, *step.goes]
        if not worths.keys().isdisjoint((step.item, *step.goes)):
            rest = rest.without((step.item, *step.goes))
            worths = _worths(rest, {i: n for i, n in plan.loaded.items() if i not in gone})
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
                because=because,
            )
        )
        score, covers = after, then
    return Dropping(tuple(drops), steps.small(worths))


def _enough(kit: LoadedKit, legs: Sequence[LegVerdict]) -> Collection[str]:
    """The things that the search would leave for the bag, or person, that is most over on some leg; none otherwise."""
    worst = max(_too_heavy(legs), key=lambda check: check.over, default=None)
    if worst is None:
        return ()
    bags = [worst.bag] if worst.bag else [b for b, who in roots(kit.plan.kit).owners.items() if who == worst.person]
    held = [pieces for bag in bags for pieces in inside(kit.plan, bag)]
    found = least_missed(kit, Burden(held, worst.over, grams, worst.person, bags))
    whole = (pieces for pieces in found if all(count is None for count in pieces.values()))
    return next(whole, {}).keys()


def _too_heavy(legs: Sequence[LegVerdict]) -> list[Check]:
    return [c for leg in legs for c in leg.checks if c.limit in ("mass", "together") and not c.passes]


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

    def whole(self, items: Collection[str]) -> frozenset[str]:
        """These things, if each could go by itself or with another of them."""
        steps = [self._open.get(item) for item in items]
        going = {i for step in steps if step for i in (step.item, *step.goes)}
        return frozenset(items) if going.issuperset(items) else frozenset()

    def next(self, worths: Mapping[str, float], first: Collection[str]) -> _Step | None:
        """The open step of least worth per gram; of equals, the heaviest. first: what goes before all else."""
        able = [s for s in self._open.values() if s and (s.item in first or not s.is_small(worths))]
        able = [s for s in able if s.item in first] or able
        return min(able, key=lambda s: (s.points(worths) / max(s.mass_g, 1.0), -s.mass_g), default=None)

    def small(self, worths: Mapping[str, float]) -> tuple[str, ...]:
        """What could go as well, and is too light to matter."""
        return tuple(i for s in self._open.values() if s and s.is_small(worths) for i in (s.item, *s.goes))

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
    return not (keeps_safe(thing) or thing.for_other) and (thing.group in DROPPABLE or thing.id in orphans)


class _Over:
    """How far the worst leg is over its mass once things are gone."""

    def __init__(self, plan: Plan, legs: Sequence[LegVerdict]) -> None:
        self._gear = plan.items
        self._roots = roots(plan.kit)
        self._checks = _too_heavy(legs)

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
