"""What to load next: the most points per gram among the things left behind, with the links they need."""

from collections.abc import Iterable, Mapping, Set
from dataclasses import replace
from typing import NamedTuple

from mule.completeness import LightestGivers, Requirements
from mule.gear import Gear, at_hand, serves
from mule.ledger.answer import Addition
from mule.optics import View, changes

_MOST = 12
# Points (0 to 100) under which a thing adds nothing worth a line.
_LEAST_GAIN = 0.05


class _Gain(NamedTuple):
    """Something left behind, the points it would add, and the cover of each want then."""

    items: tuple[str, ...]
    mass_g: float
    points: float
    covers: list[float]


def recommended_additions(
    view: View, requirements: Requirements, gear: Mapping[str, Gear], barred: Set[str]
) -> tuple[Addition, ...]:
    """The best things to add, most points per gram first. barred: what must be left."""
    gains = [*_by_glass(view), *_by_aid(view, requirements, gear)]
    able = [g for g in gains if barred.isdisjoint(g.items)][: 2 * _MOST]
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
            changes=changes(wants, before, gain.covers),
        )
        for gain, brings, mass_g in priced[:_MOST]
    )


def _by_glass(view: View) -> Iterable[_Gain]:
    """Lenses, bodies, converters and adapters; the best few alone are looked at further."""
    for gain in view.unselected.gains()[: 2 * _MOST]:
        yield _Gain(gain.items, gain.mass_g, gain.points, view.unselected.covers(gain.items))


def _by_aid(view: View, requirements: Requirements, gear: Mapping[str, Gear]) -> list[_Gain]:
    """What wants ask for beside glass and lack: a support, a light."""
    aids, found = view.table.aids, list[_Gain]()
    lacking = aids.lacking_ever()
    for thing in gear.values() if lacking else ():
        aid = serves(thing)
        if aid in lacking and aid is not None and thing.id not in requirements.loaded and at_hand(thing):
            then = replace(view.table, aids=aids.with_one(thing.id, aid))
            points = then.score() - view.coverage.score
            if points >= _LEAST_GAIN:
                found.append(_Gain((thing.id,), thing.mass_g, points, then.covers()))
    return found


def _links(gain: _Gain, requirements: Requirements, gear: Mapping[str, Gear]) -> tuple[tuple[str, ...], float]:
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
