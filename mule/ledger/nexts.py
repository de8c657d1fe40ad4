"""What to load next: the most points per gram among the things left behind, with the links they need."""

from collections.abc import Iterable, Mapping, Set

from mule.completeness import Cures, Ties
from mule.gear import Gear
from mule.ledger.answer import Next
from mule.optics import Coverage, Gain

_MOST_NEXTS = 12


def best_next(coverage: Coverage, ties: Ties, gear: Mapping[str, Gear], barred: Set[str]) -> tuple[Next, ...]:
    """The best things to add, most points per gram first. barred: what must be left."""
    able = [g for g in coverage.gains if barred.isdisjoint(g.items)]
    found = [_next(gain, coverage.score, ties, gear) for gain in able[: 2 * _MOST_NEXTS]]
    found.sort(key=lambda n: -n.points / max(n.mass_g, 1.0))
    return tuple(found[:_MOST_NEXTS])


def _next(gain: Gain, score: float, ties: Ties, gear: Mapping[str, Gear]) -> Next:
    brings = tuple(dict.fromkeys(_brought(gain.items, ties, gear)))
    return Next(
        items=gain.items,
        brings=brings,
        mass_g=gain.mass_g + sum(gear[item].mass_g for item in brings),
        points=gain.points,
        score=score + gain.points,
    )


def _brought(items: tuple[str, ...], ties: Ties, gear: Mapping[str, Gear]) -> Iterable[str]:
    """Links that the new things need and nothing loaded gives."""
    loaded = {*ties.loaded, *items}
    cures = Cures(ties.web, gear, loaded)
    for item in items:
        for need in ties.web.needs[item]:
            if need.sort == "link" and not ties.web.met(item, need, loaded):
                cure = cures.lightest(item, need)
                if cure:
                    yield from cure[1]
