"""One piece that charges or is charged, lost on the first day: how far do the packs go (docs/domain/resilience.md)?"""

from collections.abc import Collection, Iterator, Mapping
from dataclasses import replace
from typing import NamedTuple

from mule.analysis.power.case import DayCase, PowerCase, TypeDemand
from mule.analysis.power.run import Run
from mule.base.units import Frozen
from mule.plan.gear import Battery, Charger, Link, PowerBank


class PowerLoss(Frozen):
    """One piece that is lost or broken on the first day. days: carried then; types: what runs short."""

    item: str
    days: int
    types: tuple[str, ...]


class Left(NamedTuple):
    """How far a kit gets that has lost something on the first day. charges: whether anything fills packs or devices.

    missed: things of power that are not there.
    """

    days: int
    charges: bool
    missed: frozenset[str]


def days_without(whole: PowerCase, left: Mapping[str, int]) -> Left:
    """Days that packs carry with so many pieces left, of what the whole kit's cameras and devices ask.

    whole: compiled, with everything. left: pieces by item; what is not there asks for nothing either.
    """
    types = {kind.store for kind in whole.packs if not kind.inside}
    days = tuple(day._replace(needs=tuple(_needs_of(left, day))) for day in whole.days)
    # What is known of kits that carry holds for the days as they were.
    case = replace(whole.with_counts(left), days=days, known={})
    have = {kind.store for kind in case.packs}
    carried, _ = _days_carried(case, set(_not_bare(case)))
    bare = (n for n, day in enumerate(days) if any(o.store in types and o.store not in have for o in day.needs))
    sources = case.every_source
    nights = any(day.mains_h or day.car_h for day in days)
    charges = bool((nights and (sources.mains or sources.usb or sources.car)) or (case.banks and sources.usb))
    missed = frozenset(
        i
        for i, n in whole.counts.items()
        if left.get(i, 0) < n and isinstance(whole.gear[i], Battery | Charger | PowerBank | Link)
    )
    return Left(min(carried, next(bare, len(days))), charges, missed)


def _needs_of(left: Mapping[str, int], day: DayCase) -> Iterator[TypeDemand]:
    """What a day asks of each store, of those things alone that are left."""
    for need in day.needs:
        loads = tuple(load for load in need.loads if load.item in left)
        if loads:
            yield TypeDemand(need.store, sum(load.wh for load in loads), loads)


def power_losses(case: PowerCase) -> tuple[PowerLoss, ...]:
    """Each pack, charger, bank and lead lost in turn, worst first; the margin is not asked for then."""
    # A type of which nothing is loaded now is a missing link already, not a loss.
    counted = set(_not_bare(case))
    now, _ = _days_carried(case, counted)
    return tuple(sorted(_losses(case, counted, now), key=lambda loss: loss.days))


def _not_bare(case: PowerCase) -> Iterator[str]:
    stores = {kind.store for kind in case.packs}
    for day in case.days:
        for need in day.needs:
            if need.store in stores:
                yield need.store


def _losses(case: PowerCase, counted: Collection[str], now: int) -> Iterator[PowerLoss]:
    for item in case.counts:
        if isinstance(case.gear[item], Battery | Charger | PowerBank | Link):
            days, types = _days_carried(case.with_piece(item, -1), counted)
            if days < now:
                yield PowerLoss(item=item, days=days, types=types)


def _days_carried(case: PowerCase, counted: Collection[str]) -> tuple[int, tuple[str, ...]]:
    """Days before the first on which a type that is counted runs short, and what runs short on that."""
    run = Run(case)
    for index, day in enumerate(case.days):
        if short := tuple(use.type for use in run.live(day) if use.short and use.type in counted):
            return index, short
        run.sleep(day)
    return len(case.days), ()
