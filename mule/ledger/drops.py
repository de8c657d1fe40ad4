"""The drop order: what goes first when weight must go (domain 3)."""

from collections.abc import Collection, Mapping, Sequence, Set
from dataclasses import dataclass

from mule.carriers import LegVerdict
from mule.completeness import Ties
from mule.gear import Gear, Group, keeps_safe
from mule.ledger.answer import Drop
from mule.load import Loads, roots
from mule.optics import Table, worth_of
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
    points: float
    mass_g: float
    optical: bool


def drop_order(plan: Plan, table: Table, ties: Ties, loads: Loads, legs: Sequence[LegVerdict]) -> tuple[Drop, ...]:
    """What goes first, second and so on: least worth per 100 g among what breaks nothing, reckoned anew each time."""
    counts = plan.kit.loaded()
    orphans = {tie.item for tie in ties.unmet if tie.need.sort == "purpose"}
    kept = set(plan.trip.marks.must_take)
    gone: list[str] = []
    drops: list[Drop] = []
    score = table.scores([()])[0]
    over = _Over(plan, legs)
    total_g = loads.total_g
    rest, worths = table, _worths(table, counts)
    while len(drops) < _MOST_DROPS:
        step = _next(plan.items, counts, worths, ties, (gone, orphans, kept))
        if step is None:
            break
        after = table.scores([[*gone, step.item, *step.goes]])[0]
        if after < _LEAST_LEFT * score:
            break
        gone += [step.item, *step.goes]
        if step.optical:
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
            )
        )
        score = after
    return tuple(drops)


def _worths(table: Table, counts: Mapping[str, int]) -> dict[str, float]:
    """Worth of each item: of one piece, and with it of all pieces."""
    return {w.item: w.points for w in worth_of(table, dict.fromkeys(counts, 1))}


def _next(
    gear: Mapping[str, Gear],
    counts: Mapping[str, int],
    worths: Mapping[str, float],
    ties: Ties,
    fixed: tuple[Collection[str], Set[str], Set[str]],
) -> _Step | None:
    gone, orphans, kept = fixed
    able = [
        step
        for item in counts
        if item not in gone and item not in kept and _may_go(gear[item], orphans)
        for step in _step(gear, counts, worths, ties, (item, gone))
        if kept.isdisjoint(step.goes)
    ]
    return min(able, key=lambda step: (step.points / max(step.mass_g, 1.0), -step.mass_g), default=None)


def _may_go(thing: Gear, orphans: Collection[str]) -> bool:
    return not keeps_safe(thing) and (thing.group in DROPPABLE or thing.id in orphans)


def _step(
    gear: Mapping[str, Gear],
    counts: Mapping[str, int],
    worths: Mapping[str, float],
    ties: Ties,
    case: tuple[str, Collection[str]],
) -> Sequence[_Step]:
    """The step that drops one item, unless something else, or a want, would miss it."""
    item, gone = case
    goes, fails = ties.leaving((item,), gone)
    if fails:
        return ()
    goes = tuple(i for i in goes if not keeps_safe(gear[i]))
    leaving = (item, *goes)
    grams = sum(gear[i].mass_g * counts[i] for i in leaving)
    optical = any(i in worths for i in leaving)
    return (_Step(item, goes, sum(worths.get(i, 0.0) for i in leaving), grams, optical),)


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
