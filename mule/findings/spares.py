"""Spares: which one thing more covers most, when any one thing may be lost or break. The front door is ``spares``.

A spare is tried by having it along: each single loss is worked out with it and without it, in points of the brief and
in days that packs carry (docs/domain/resilience.md).
"""

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass

from mule.analysis.power import days_without
from mule.analysis.resilience import analyze_single_failures
from mule.analysis.storage.stamina import power_case
from mule.base.units import Frozen
from mule.findings.assess import case_of
from mule.plan import Plan
from mule.plan.editing import apply
from mule.plan.edits import Load
from mule.plan.gear import (
    Bag,
    Charger,
    Computer,
    Filter,
    FilterHolder,
    Gear,
    Head,
    Insert,
    Lens,
    Link,
    MountAdapter,
    OtherSupport,
    Plate,
    PowerBank,
    StepRing,
    Teleconverter,
    Tripod,
    at_hand,
    keeps_safe,
)

# Fewer points over all losses, and a single loss that is this little easier to bear, are not told.
_LEAST_POINTS = 1.0
_MOST = 6
# What feeds others: its loss is counted in days.
_FEEDS = (Charger, Link, PowerBank)
# What neither gives nor draws: with one of it more, packs carry as many days.
_DRAWS_NOTHING = (Lens, Teleconverter, MountAdapter, Filter, StepRing, FilterHolder, Tripod, OtherSupport, Head, Plate)


class Spare(Frozen):
    """One thing more, and what it stands in for. owned: it lies at home; otherwise one more of what is along.

    points: of the brief that all single losses together cost less with it. days: that packs carry more, over the losses
    of what feeds them. covers: whose loss it makes easier to bear, most first.
    """

    item: str
    mass_g: float
    owned: bool
    points: float
    days: int
    covers: tuple[str, ...]


@dataclass(frozen=True)
class _Losses:
    """What each single loss costs: points by thing; days that packs carry without each thing that feeds them."""

    points: Mapping[str, float]
    days: Mapping[str, int]


def spares(plan: Plan, should_stop: Callable[[], bool] = lambda: False) -> tuple[Spare, ...]:
    """The spares worth taking along the open kit, those that cover most first; none that another beats in everything.

    should_stop: is asked between steps of a few milliseconds. Never raises for a valid plan.

    >>> from tests import cast
    >>> gear = [cast.body(), cast.body("second"), cast.normal_zoom()]
    >>> plan = cast.plan(gear, cast.entry("body", cast.ON_INES), cast.entry("normal", cast.ON_INES))
    >>> [(spare.item, spare.covers) for spare in spares(plan)]
    [('second', ('body',))]
    """
    if not plan.trip.people:
        return ()
    now = _losses(plan)
    found: list[Spare] = []
    for thing, owned in _candidates(plan):
        if should_stop():
            break
        made = _tried(plan, now, thing, owned=owned)
        if made.points >= _LEAST_POINTS or made.days:
            found.append(made)
    best = [one for one in found if not any(_beats(other, one) for other in found)]
    days = max(1, len(plan.trip.days))
    return tuple(sorted(best, key=lambda one: (-(one.points / 100 + one.days / days), one.mass_g, one.item))[:_MOST])


def _candidates(plan: Plan) -> Iterator[tuple[Gear, bool]]:
    """What lies at home, and one more of what is along alone. Nobody takes a spare bag or laptop, and what keeps
    somebody safe is no matter of sums."""
    for thing in plan.gear:
        if isinstance(thing, Bag | Insert | Computer) or keeps_safe(thing):
            continue
        loaded = plan.loaded.get(thing.id, 0)
        if thing.count > loaded and at_hand(thing):
            yield thing, True
        elif loaded == 1 and thing.count == 1:
            yield thing, False


def _tried(plan: Plan, now: _Losses, thing: Gear, *, owned: bool) -> Spare:
    if not owned:
        more = thing.model_copy(update={"count": thing.count + 1})
        plan = plan.with_gear(tuple(more if t.id == thing.id else t for t in plan.gear))
    then = _losses(apply(plan, [Load(item=thing.id)]), power=not isinstance(thing, _DRAWS_NOTHING))
    eased = {item: points - then.points.get(item, 0.0) for item, points in now.points.items() if item != thing.id}
    fed = {item: then.days.get(item, days) - days for item, days in now.days.items()}
    if not owned:
        # There are two of it now: one lost leaves the other.
        eased[thing.id] = now.points.get(thing.id, 0.0)
    covers = [item for item in {**eased, **fed} if eased.get(item, 0.0) >= _LEAST_POINTS or fed.get(item, 0) > 0]
    return Spare(
        item=thing.id,
        mass_g=thing.mass_g,
        owned=owned,
        points=sum(max(0.0, points) for points in eased.values()),
        days=sum(max(0, days) for days in fed.values()),
        covers=tuple(sorted(covers, key=lambda item: (-eased.get(item, 0.0), -fed.get(item, 0), item))),
    )


def _losses(plan: Plan, *, power: bool = True) -> _Losses:
    """power: whether days are counted, too."""
    case = case_of(plan)
    made = analyze_single_failures(plan, case.view, case.requirements, backups=False)
    points = {loss.item: loss.points for loss in made.losses if loss.what == "thing"}
    if not power:
        return _Losses(points, {})
    whole, counts = power_case(plan), plan.loaded
    feeds = [item for item in counts if isinstance(plan.items[item], _FEEDS)]
    return _Losses(points, {item: days_without(whole, {**counts, item: counts[item] - 1}).days for item in feeds})


def _beats(one: Spare, other: Spare) -> bool:
    """No worse in anything, and better in something."""
    mine, theirs = ((s.points, s.days, -s.mass_g, s.owned) for s in (one, other))
    return all(a >= b for a, b in zip(mine, theirs, strict=True)) and mine != theirs
