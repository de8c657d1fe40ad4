"""Filters: what goes on which lens, and how. The front door is ``fit`` (docs/domain/filters.md)."""

from collections.abc import Mapping, Sequence
from typing import get_args

from mule.filters.answer import Asked, Cell, FilterFit, Fit, Row
from mule.filters.exposure import Darkening, darken, stops_needed
from mule.filters.fitting import FilterGear, Front, fits
from mule.gear import Effect, Filter
from mule.trip import EffectWish, Want

# Wants that ask for effects by id, each with the ids of the lenses that see it.
FilterAsked = Mapping[str, tuple[Want, Sequence[str]]]

_EFFECTS: tuple[Effect, ...] = get_args(Effect)
# A density this much under the one asked still does; a stronger one always does.
_STOPS_SHORT = 1 / 3


def answers(filter_: Filter, wish: EffectWish) -> bool:
    """Whether a filter has the effect a want asks for, strong enough.

    >>> from mule.gear import Cylinder
    >>> size = Cylinder(diameter_mm=82, length_mm=8)
    >>> nd = Filter(id="nd", name="ND", mass_g=41, size=size, effect="nd", stops=6, thread_mm=82)
    >>> answers(nd, EffectWish(effect="nd", stops=6)), answers(nd, EffectWish(effect="nd", stops=10))
    (True, False)
    """
    if wish.stops is None:
        return filter_.effect == wish.effect
    kinds = ("nd", "variable-nd") if wish.effect == "nd" else (wish.effect,)
    strongest = filter_.stops_max or filter_.stops or 0.0
    return filter_.effect in kinds and strongest >= wish.stops - _STOPS_SHORT


def fit(fronts: Sequence[Front], bag: FilterGear, asked: FilterAsked) -> FilterFit:
    """The matrix of lenses and effects, and how the effects that wants ask for are served.

    fronts: the loaded lenses. asked: wants that ask for effects, each with the ids of the lenses that see it.

    bag: what there is to fit, and what of it is loaded.

    >>> from mule.gear import Cylinder
    >>> size = Cylinder(diameter_mm=82, length_mm=8)
    >>> nd = Filter(id="nd", name="ND", mass_g=41, size=size, effect="nd", stops=6, thread_mm=82)
    >>> made = fit([Front("zoom", 82, 24)], FilterGear.of([nd], ["nd"]), {})
    >>> [(row.lens, [(cell.effect, cell.how) for cell in row.cells]) for row in made.rows]
    [('zoom', [('nd', 'direct')])]
    """
    effects = tuple(e for e in _EFFECTS if any(f.effect == e for f in bag.filters))
    by_lens = {front.lens: front for front in fronts}
    return FilterFit(
        effects=effects,
        rows=tuple(
            Row(
                lens=front.lens,
                thread_mm=front.thread_mm,
                widest_mm=front.widest_mm,
                cells=tuple(_cell(front, effect, bag) for effect in effects),
            )
            for front in fronts
        ),
        asked=tuple(
            _asked(want, wish, [by_lens[lens] for lens in lenses], bag)
            for want, lenses in asked.values()
            for wish in want.effects
        ),
    )


def _effort(way: Fit) -> tuple[float, int, float]:
    """Best is what needs least loading, then warns least, then is the shallowest."""
    return way.mass_g, len(way.warnings), way.rim_mm


def _cell(front: Front, effect: Effect, bag: FilterGear) -> Cell:
    found = [way for f in bag.filters if f.effect == effect for way in fits(front, f, bag)]
    best = min(found, key=lambda way: _effort(way[1]), default=None)
    return Cell(
        lens=front.lens, effect=effect, how=best[0] if best else "none", fit=best[1] if best else None, ways=len(found)
    )


def _asked(want: Want, wish: EffectWish, fronts: Sequence[Front], bag: FilterGear) -> Asked:
    """Served when one of the lenses that see the want can wear what is loaded; else the lightest way to get there."""
    able = [f for f in bag.filters if answers(f, wish)]
    found = [(front, way) for front in fronts for f in able for _, way in fits(front, f, bag)]
    way = min((way for _, way in found), key=_effort, default=None)
    return Asked(
        want=want.id,
        effect=wish.effect,
        stops=wish.stops,
        lenses=tuple(front.lens for front in fronts),
        served=way if way and not way.to_load else None,
        loads=way.to_load if way else None,
        mass_g=way.mass_g if way else 0.0,
        ways=tuple(dict.fromkeys((front.lens, *f.parts) for front, f in found if not f.to_load)),
    )


__all__ = [
    "Asked",
    "Cell",
    "Darkening",
    "FilterAsked",
    "FilterFit",
    "FilterGear",
    "Fit",
    "Front",
    "How",
    "Row",
    "answers",
    "darken",
    "fit",
    "fits",
    "stops_needed",
]
