"""What wants ask of filters: over which part of a want each effect is worn, on which lens, with what at once."""

from collections.abc import Iterator, Sequence
from dataclasses import replace
from itertools import combinations, product

from mule.analysis.filters.answer import Asked, Bare, Fit, Stretch
from mule.analysis.filters.fitting import FilterGear, Front, fits
from mule.base.spans import left_of, united
from mule.plan.gear import Filter
from mule.plan.trip import EffectWish, Want

Filters = tuple[Filter, ...]

# A density this much under the one asked still does; a stronger one always does.
_STOPS_SHORT = 1 / 3
_DENSITIES = ("nd", "variable-nd")
# So many neutral densities are stacked at most; more turn the colours.
_MOST_STACKED = 3
# Of the ways to one effect so many, the lightest, are tried together with the other effects of a want.
_TRIED_TOGETHER = 6


def answers(filters: Sequence[Filter], wish: EffectWish) -> bool:
    """Whether filters worn at once have the effect a want asks for, strong enough: the stops of densities add up.

    >>> from mule.plan.gear import Cylinder
    >>> size = Cylinder(diameter_mm=82, length_mm=8)
    >>> nd = Filter(id="nd", name="ND", mass_g=41, size=size, effect="nd", stops=6, thread_mm=82)
    >>> answers([nd], EffectWish(effect="nd", stops=6)), answers([nd], EffectWish(effect="nd", stops=10))
    (True, False)
    """
    kinds = _DENSITIES if wish.effect == "nd" else (wish.effect,)
    if any(f.effect not in kinds for f in filters):
        return False
    return wish.stops is None or sum(f.stops_max or f.stops or 0.0 for f in filters) >= wish.stops - _STOPS_SHORT


def filters_for(wish: EffectWish, filters: Sequence[Filter]) -> list[Filters]:
    """Single filters that answer a wish, and the fewest neutral densities that do so together where none is needless.

    filters: what there is. Densities stack on one thread, or beside each other in one holder.
    """
    found: list[Filters] = [(f,) for f in filters if answers((f,), wish)]
    if wish.effect == "nd":
        weak = [f for f in filters if f.effect in _DENSITIES and not answers((f,), wish)]
        for count in range(2, _MOST_STACKED + 1):
            found += [
                some
                for some in combinations(weak, count)
                if answers(some, wish) and not any(answers(fewer, wish) for fewer in combinations(some, count - 1))
            ]
    return found


def ways(front: Front, wish: EffectWish, bag: FilterGear) -> list[tuple[Filters, Fit]]:
    """Every way in which a lens can wear an effect with what there is."""
    return [(some, fit) for some in filters_for(wish, bag.filters) for _, fit in fits(front, some, bag)]


def effort(fit: Fit) -> tuple[float, int, float]:
    """Best is what needs least loading, then warns least, then is the shallowest."""
    return fit.mass_g, len(fit.warnings), fit.rim_mm


def asked_of(want: Want, fronts: Sequence[Front], bag: FilterGear) -> Iterator[Asked]:
    """One row per effect of a want. fronts: the lenses in use."""
    parts = [(front, part) for front in fronts if (part := front.sees(want))]
    seen = [(replace(front, widest_mm=max(front.widest_mm, part[0])), part) for front, part in parts]
    outfits = {front.lens: _outfit(front, want.effects, bag) for front, _ in seen} if len(want.effects) > 1 else {}
    for wish in want.effects:
        stretches, loaded = [], []
        for front, part in seen:
            able = [fit for _, fit in ways(front, wish, bag)]
            loaded += [(front.lens, *fit.parts) for fit in able if not fit.to_load]
            stretches.append(_stretch(front, part, able, outfits.get(front.lens)))
        yield Asked(
            want=want.id,
            effect=wish.effect,
            stops=wish.stops,
            stretches=tuple(stretches),
            bare=tuple(_bare(stretches)),
            ways=tuple(dict.fromkeys(loaded)),
        )


def _outfit(front: Front, wishes: Sequence[EffectWish], bag: FilterGear) -> Fit | None:
    """The best way to wear all the effects of a want at once with what is loaded; None where there is none."""
    sets: list[list[Filters]] = []
    for wish in wishes:
        able = sorted((w for w in ways(front, wish, bag) if not w[1].to_load), key=lambda w: effort(w[1]))
        sets.append(list(dict.fromkeys(some for some, _ in able))[:_TRIED_TOGETHER])
    worn = (tuple(f for some in chosen for f in some) for chosen in product(*sets))
    found = [fit for filters in worn for _, fit in fits(front, filters, bag) if not fit.to_load]
    return min(found, key=effort, default=None)


def _stretch(front: Front, part: tuple[float, float], able: Sequence[Fit], outfit: Fit | None) -> Stretch:
    """able: ways of the one effect. outfit: of all effects of the want at once."""
    best = min(able, key=effort, default=None)
    loaded = best if best and not best.to_load else None
    return Stretch(
        lens=front.lens,
        from_mm=part[0],
        to_mm=part[1],
        fit=outfit or loaded,
        together=outfit is not None,
        loads=best.to_load if best else None,
        mass_g=best.mass_g if best else 0.0,
    )


def _bare(stretches: Sequence[Stretch]) -> Iterator[Bare]:
    """What lenses see and no lens wears the effect on, from wide to long."""
    worn = [(s.from_mm, s.to_mm) for s in stretches if s.fit]
    for span in united((s.from_mm, s.to_mm) for s in stretches if not s.fit):
        yield from (Bare(from_mm=low, to_mm=high) for low, high in left_of(span, worn))
