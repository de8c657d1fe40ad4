"""The fronts of a kit's lenses, for filters: which lenses are in use, and which of them see the wants that ask."""

from typing import NamedTuple

from mule.filters import FilterAsked, FilterFit, FilterGear, Front, fit
from mule.gear import Lens, MountAdapter
from mule.optics import Coverage
from mule.plan import Plan
from mule.trip import Want


class FilterCase(NamedTuple):
    """What filters are fitted to: the lenses in use, the filters at hand, the wants that ask with who sees them."""

    fronts: tuple[Front, ...]
    bag: FilterGear
    asked: FilterAsked


def fit_filters(plan: Plan, coverage: Coverage, *, with_rest: bool) -> FilterFit:
    """Filters on the lenses of the open kit. with_rest: with what is left at home, too, so that it can be loaded."""
    return fit(*filter_case(plan, coverage, with_rest=with_rest))


def filter_case(plan: Plan, coverage: Coverage, *, with_rest: bool = True) -> FilterCase:
    """What filters are fitted to, in the open kit. coverage: of the same kit."""
    loaded = plan.loaded
    gear = plan.gear if with_rest else [plan.items[item] for item in loaded]
    fronts: dict[str, Front] = {}
    adapters = tuple(i for i in loaded if isinstance(plan.items[i], MountAdapter))
    seen: dict[str, list[tuple[float, float]]] = {}
    for row in coverage.reach:
        bars = [bar for bar in row.bars if bar.how == "native" and bar.set_up.converter is None]
        item = row.lens or row.bodies[0]
        thing = plan.items[item]
        glass = thing if isinstance(thing, Lens) else getattr(thing, "fixed_lens", None)
        if glass is not None and bars and item not in fronts:
            widest = min(bar.from_mm for bar in bars)
            fronts[item] = Front(lens=item, thread_mm=glass.thread_mm, widest_mm=widest, adapters=adapters)
        seen.setdefault(item, []).extend((bar.from_mm, bar.to_mm) for bar in bars)
    asked = {
        want.id: (want, [i for i in fronts if any(_overlaps(want, *span) for span in seen[i])])
        for want in plan.trip.wants
        if want.effects
    }
    return FilterCase(tuple(fronts.values()), FilterGear.of(gear, loaded), asked)


def _overlaps(want: Want, low_mm: float, high_mm: float) -> bool:
    return low_mm <= want.focal_max_mm and high_mm >= want.focal_min_mm
