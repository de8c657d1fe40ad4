"""From a metered time to the time one wants: stops, and the filters that take them (docs/domain/optics.md)."""

from collections.abc import Iterable, Sequence
from itertools import combinations
from math import log2

from mule.base.units import Frozen
from mule.plan.gear import Filter

# A third of a stop is what cameras step in; nearer is not seen.
CLOSE_STOPS = 1 / 3
_MOST_ANSWERS = 3


class Darkening(Frozen):
    """One filter, or two stacked, and how far their stops lie from those needed (positive: darker)."""

    filters: tuple[str, ...]
    stops: float
    off_stops: float
    time_s: float


def stops_needed(metered_s: float, wanted_s: float) -> float:
    """Neutral density in stops that turns one exposure time into another: log2(wanted / metered).

    >>> round(stops_needed(1 / 60, 1), 1)
    5.9
    """
    return log2(wanted_s / metered_s)


def darken(filters: Iterable[Filter], metered_s: float, wanted_s: float) -> tuple[Darkening, ...]:
    """The owned neutral densities, alone or two of one fit stacked, that come nearest; nearest and fewest first."""
    needed = stops_needed(metered_s, wanted_s)
    dark = [f for f in filters if f.effect in ("nd", "variable-nd") and f.stops is not None]
    stacks: list[Sequence[Filter]] = [(f,) for f in dark]
    stacks += [pair for pair in combinations(dark, 2) if pair[0].thread_mm == pair[1].thread_mm]
    found = [_darkening(stack, needed, metered_s) for stack in stacks]
    found.sort(key=lambda d: (abs(d.off_stops) > CLOSE_STOPS, len(d.filters), abs(d.off_stops)))
    close = [d for d in found if abs(d.off_stops) <= CLOSE_STOPS]
    nearest = sorted(found, key=lambda d: abs(d.off_stops))
    return tuple((close or nearest)[:_MOST_ANSWERS])


def _darkening(stack: Sequence[Filter], needed: float, metered_s: float) -> Darkening:
    low = sum(f.stops or 0.0 for f in stack)
    high = sum(f.stops_max or f.stops or 0.0 for f in stack)
    stops = min(max(needed, low), high)
    return Darkening(
        filters=tuple(f.id for f in stack),
        stops=stops,
        off_stops=stops - needed,
        time_s=metered_s * 2**stops,
    )
