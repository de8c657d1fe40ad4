"""Which sources are plugged in at all: one more charger may take an outlet from what helps more; then it stays out.

Where chargers share outlets, a queue worked off in order can come out worse for one machine more (R. L. Graham, Bounds
on multiprocessing timing anomalies, 1969). Somebody who sees that leaves it unplugged; so does this.
"""

from collections.abc import Callable, Iterable, Iterator, Mapping
from dataclasses import replace
from itertools import product
from math import prod
from typing import Any

from mule.power.case import PowerCase
from mule.power.sources import ChargingSources, PackCharger, WallPlug

# How far a kit gets: days before the first short one; of what that one asks, what the user lets go first, then all.
Reach = tuple[int, float, float]
_KINDS = ("mains", "usb", "car", "plugs")
# More choices than this are not gone through: then all is plugged in.
_MOST_CHOICES = 96


def plugged_in(case: PowerCase, reach: Callable[[ChargingSources], Reach]) -> ChargingSources:
    """The sources that carry furthest: all of them, or else the most that do not stand in each other's way.

    reach: how far a choice of sources gets.
    """
    every = case.every_source
    best, chosen = reach(every), every
    if best[0] == len(case.days):
        return every
    for fewer in _choices(every):
        if (gets := reach(fewer)) > best:
            best, chosen = gets, fewer
            if best[0] == len(case.days):
                break
    return chosen


def _choices(sources: ChargingSources) -> Iterator[ChargingSources]:
    """Every choice of chargers and plugs, those with most of them first; cameras charge what they hold in any case."""
    pieces: dict[tuple[str, PackCharger | WallPlug], int] = {}
    for kind in _KINDS:
        for source in getattr(sources, kind):
            if isinstance(source, WallPlug) or source.bays:
                pieces[kind, source] = pieces.get((kind, source), 0) + 1
    if prod(n + 1 for n in pieces.values()) > _MOST_CHOICES:
        return
    for counts in sorted(product(*(range(n, -1, -1) for n in pieces.values())), key=sum, reverse=True)[1:]:
        left = dict(zip(pieces, counts, strict=True))
        chosen: dict[str, Any] = {kind: tuple(_kept(getattr(sources, kind), kind, left)) for kind in _KINDS}
        yield replace(sources, **chosen)


def _kept(
    sources: Iterable[PackCharger | WallPlug], kind: str, left: Mapping[tuple[str, PackCharger | WallPlug], int]
) -> Iterator[PackCharger | WallPlug]:
    counts = dict(left)
    for source in sources:
        if (kind, source) not in counts:
            yield source
        elif counts[kind, source]:
            counts[kind, source] -= 1
            yield source
