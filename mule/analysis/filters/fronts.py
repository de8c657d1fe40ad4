"""The fronts of a kit's lenses, for filters: which lenses are in use, and which of them see the wants that ask."""

from collections.abc import Sequence
from typing import NamedTuple

from mule.analysis.filters import FilterFit, FilterGear, Front, fit
from mule.analysis.optics import Coverage, ReachBar
from mule.base.memo import by_identity
from mule.plan import Plan
from mule.plan.gear import Filter, FilterHolder, Gear, Lens, MountAdapter, StepRing
from mule.plan.trip import Want

_FITTING = (Filter, FilterHolder, MountAdapter, StepRing)


class FilterCase(NamedTuple):
    """What filters are fitted to: the lenses in use, the filters at hand, the wants that ask for effects."""

    fronts: tuple[Front, ...]
    bag: FilterGear
    wants: tuple[Want, ...]


def fit_filters(plan: Plan, coverage: Coverage, *, with_rest: bool) -> FilterFit:
    """Filters on the lenses of the open kit. with_rest: with what is left at home, too, so that it can be loaded."""
    return _fitted(plan.gear, coverage, plan.trip.wants, _fitting(plan), with_rest)


def _fitting(plan: Plan) -> tuple[str, ...]:
    """What is loaded of all that a filter could go on or through."""
    return tuple(i for i in plan.loaded if isinstance(plan.items[i], _FITTING))


# A pack, a bag or a tripod changes nothing about filters.
@by_identity(64, of=3)
def _fitted(
    gear: tuple[Gear, ...], coverage: Coverage, wants: tuple[Want, ...], loaded: tuple[str, ...], with_rest: bool
) -> FilterFit:
    return fit(*_case(gear, coverage, wants, loaded, with_rest=with_rest))


def filter_case(plan: Plan, coverage: Coverage, *, with_rest: bool = True) -> FilterCase:
    """What filters are fitted to, in the open kit. coverage: of the same kit."""
    return _case(plan.gear, coverage, plan.trip.wants, _fitting(plan), with_rest=with_rest)


def _case(
    gear: tuple[Gear, ...], coverage: Coverage, wants: tuple[Want, ...], loaded: tuple[str, ...], *, with_rest: bool
) -> FilterCase:
    """loaded: of what a filter could go on or through."""
    seen: dict[str, list[ReachBar]] = {}
    for row in coverage.reach:
        seen.setdefault(row.lens or row.bodies[0], []).extend(row.bars)
    things = {thing.id: thing for thing in gear if thing.id in seen or thing.id in loaded}
    adapters = tuple(i for i in loaded if isinstance(things[i], MountAdapter))
    fronts = (_front(things[item], bars, adapters) for item, bars in seen.items())
    asking = tuple(want for want in wants if want.effects)
    bag = FilterGear.of(gear if with_rest else [things[item] for item in loaded], loaded)
    return FilterCase(tuple(front for front in fronts if front), bag, asking)


def _front(thing: Gear, bars: Sequence[ReachBar], adapters: tuple[str, ...]) -> Front | None:
    glass = thing if isinstance(thing, Lens) else getattr(thing, "fixed_lens", None)
    native = [bar.from_mm for bar in bars if bar.how == "native"]
    if glass is None or not native:
        return None
    return Front(
        lens=thing.id,
        thread_mm=glass.thread_mm,
        widest_mm=min(native),
        adapters=adapters,
        bodies=tuple(dict.fromkeys(bar.set_up.body for bar in bars)),
        seen=tuple((bar.from_mm, bar.to_mm) for bar in bars),
    )
