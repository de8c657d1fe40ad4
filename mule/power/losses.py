"""One piece that charges or is charged, lost on the first day: how far do the packs go (docs/domain/resilience.md)?"""

from collections.abc import Collection, Iterator

from mule.gear import Battery, Charger, Link, PowerBank
from mule.power.case import PowerCase
from mule.power.run import Run
from mule.units import Frozen


class PowerLoss(Frozen):
    """One piece that is lost or broken on the first day. days: carried then; types: what runs short."""

    item: str
    days: int
    types: tuple[str, ...]


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
