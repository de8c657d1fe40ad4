"""What to load next: the most points per gram among the things left behind, with the links they need."""

from collections.abc import Iterable, Mapping, Set
from itertools import islice

from mule.analysis.completeness import LightestGivers, Requirements
from mule.analysis.ledger.answer import Addition
from mule.analysis.optics import LEAST_GAIN, OPTICAL, Gain, View, changes
from mule.plan.gear import Gear, at_hand, serves

_MOST = 12


def recommended_additions(
    view: View, requirements: Requirements, gear: Mapping[str, Gear], barred: Set[str]
) -> tuple[Addition, ...]:
    """The best things to add, most points per gram first. barred: what must be left."""
    glass = (g for g in view.unselected.gains() if barred.isdisjoint(g.items))
    aids = (g for g in _by_aid(view, requirements, gear) if barred.isdisjoint(g.items))
    gains = [*islice(glass, 2 * _MOST), *aids]
    priced = [(gain, *_links(gain, requirements, gear)) for gain in gains]
    priced.sort(key=lambda found: -found[0].points / max(found[2], 1.0))
    wants, before = [w.want for w in view.coverage.wants], [w.cover for w in view.coverage.wants]
    return tuple(
        Addition(
            items=gain.items,
            brings=brings,
            mass_g=mass_g,
            points=gain.points,
            score=view.coverage.score + gain.points,
            changes=changes(wants, before, _covers(view, gain, gear)),
        )
        for gain, brings, mass_g in priced[:_MOST]
    )


def _by_aid(view: View, requirements: Requirements, gear: Mapping[str, Gear]) -> Iterable[Gain]:
    """What wants ask for beside glass and lack: a support, a light."""
    lacking = view.table.aids.lacking_ever()
    left = (t for t in gear.values() if t.id not in requirements.loaded and at_hand(t)) if lacking else ()
    for thing in left:
        points = view.table.with_aid(thing).score() - view.coverage.score if serves(thing) in lacking else 0.0
        if points >= LEAST_GAIN:
            yield Gain(items=(thing.id,), mass_g=thing.mass_g, points=points)


def _covers(view: View, gain: Gain, gear: Mapping[str, Gear]) -> list[float]:
    """Cover of each want with it loaded."""
    first = gear[gain.items[0]]
    return view.unselected.covers(gain.items) if isinstance(first, OPTICAL) else view.table.with_aid(first).covers()


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
