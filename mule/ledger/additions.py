"""What to load next: the most points per gram among the things left behind, with the links they need."""

from collections.abc import Iterable, Mapping, Set

from mule.completeness import LightestGivers, Requirements
from mule.gear import Gear
from mule.ledger.answer import Addition
from mule.optics import Gain, View, changes

_MOST = 12


def recommended_additions(
    view: View, requirements: Requirements, gear: Mapping[str, Gear], barred: Set[str]
) -> tuple[Addition, ...]:
    """The best things to add, most points per gram first. barred: what must be left."""
    able = [g for g in view.unselected.gains() if barred.isdisjoint(g.items)][: 2 * _MOST]
    priced = [(gain, *_links(gain, requirements, gear)) for gain in able]
    priced.sort(key=lambda found: -found[0].points / max(found[2], 1.0))
    wants, before = [w.want for w in view.coverage.wants], [w.cover for w in view.coverage.wants]
    return tuple(
        Addition(
            items=gain.items,
            brings=brings,
            mass_g=mass_g,
            points=gain.points,
            score=view.coverage.score + gain.points,
            changes=changes(wants, before, view.unselected.covers(gain.items)),
        )
        for gain, brings, mass_g in priced[:_MOST]
    )


def _links(gain: Gain, requirements: Requirements, gear: Mapping[str, Gear]) -> tuple[tuple[str, ...], float]:
    """What the new things bring along, and the grams of it all."""
    brings = tuple(dict.fromkeys(_brought(gain.items, requirements, gear)))
    return brings, gain.mass_g + sum(gear[item].mass_g for item in brings)


def _brought(items: tuple[str, ...], requirements: Requirements, gear: Mapping[str, Gear]) -> Iterable[str]:
    """Links that the new things need and nothing loaded gives."""
    graph, loaded = requirements.graph, dict.fromkeys((*requirements.loaded, *items), 1)
    givers = LightestGivers(graph, gear, loaded)
    for item in items:
        for need in graph.needs[item]:
            if need.sort == "link" and not graph.met(item, need, loaded):
                given = givers.lightest(item, need)
                if given:
                    yield from given[1]
