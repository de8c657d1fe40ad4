"""Filters: what goes on which lens, and how. The front door is ``fit`` (docs/domain/filters.md)."""

from collections.abc import Sequence
from typing import get_args

from mule.analysis.filters.answer import Asked, Bare, Cell, FilterFit, Fit, Row, Stretch
from mule.analysis.filters.asked import answers, asked_of, effort, ways
from mule.analysis.filters.exposure import Darkening, darken, stops_needed
from mule.analysis.filters.fitting import FilterGear, Front, fits
from mule.plan.gear import Effect
from mule.plan.trip import Want

_EFFECTS: tuple[Effect, ...] = get_args(Effect)


def fit(fronts: Sequence[Front], bag: FilterGear, wants: Sequence[Want]) -> FilterFit:
    """The matrix of lenses and effects, and how the effects that wants ask for are served.

    fronts: the loaded lenses. bag: what there is to fit, and what of it is loaded. wants: those that ask for effects.

    >>> from mule.plan.gear import Cylinder, Filter
    >>> size = Cylinder(diameter_mm=82, length_mm=8)
    >>> nd = Filter(id="nd", name="ND", mass_g=41, size=size, effect="nd", stops=6, thread_mm=82)
    >>> made = fit([Front("zoom", 82, 24)], FilterGear.of([nd], ["nd"]), [])
    >>> [(row.lens, [(cell.effect, cell.how) for cell in row.cells]) for row in made.rows]
    [('zoom', [('nd', 'direct')])]
    """
    effects = tuple(e for e in _EFFECTS if any(f.effect == e for f in bag.filters))
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
        asked=tuple(asked for want in wants for asked in asked_of(want, fronts, bag)),
    )


def _cell(front: Front, effect: Effect, bag: FilterGear) -> Cell:
    found = [way for f in bag.filters if f.effect == effect for way in fits(front, (f,), bag)]
    best = min(found, key=lambda way: effort(way[1]), default=None)
    return Cell(
        lens=front.lens, effect=effect, how=best[0] if best else "none", fit=best[1] if best else None, ways=len(found)
    )


__all__ = [
    "Asked",
    "Bare",
    "Cell",
    "Darkening",
    "FilterFit",
    "FilterGear",
    "Fit",
    "Front",
    "Row",
    "Stretch",
    "answers",
    "darken",
    "fit",
    "fits",
    "stops_needed",
    "ways",
]
