"""What to load next: the most points per gram among the things left behind, with the links they need."""

from collections.abc import Iterable, Mapping, Set

from mule.completeness import Cures, Ties
from mule.gear import Gear
from mule.ledger.answer import Next
from mule.optics import Gain, View, changes

_MOST_NEXTS = 12


def best_next(view: View, ties: Ties, gear: Mapping[str, Gear], barred: Set[str]) -> tuple[Next, ...]:
    """The best things to add, most points per gram first. barred: what must be left."""
    able = [g for g in view.coverage.gains if barred.isdisjoint(g.items)][: 2 * _MOST_NEXTS]
    priced = [(gain, *_links(gain, ties, gear)) for gain in able]
    priced.sort(key=lambda found: -found[0].points / max(found[2], 1.0))
    wants, before = [w.want for w in view.coverage.wants], [w.cover for w in view.coverage.wants]
    return tuple(
        Next(
            items=gain.items,
            brings=brings,
            mass_g=mass_g,
            points=gain.points,
            score=view.coverage.score + gain.points,
            changes=changes(wants, before, view.left.covers(gain.items)),
        )
        for gain, brings, mass_g in priced[:_MOST_NEXTS]
    )


def _links(gain: Gain, ties: Ties, gear: Mapping[str, Gear]) -> tuple[tuple[str, ...], float]:
    """What the new things bring along, and the grams of it all."""
    brings = tuple(dict.fromkeys(_brought(gain.items, ties, gear)))
    return brings, gain.mass_g + sum(gear[item].mass_g for item in brings)


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
