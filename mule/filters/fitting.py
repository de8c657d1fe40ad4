"""How a filter comes onto a lens: directly, by rings, by a holder, or dropped into an adapter.

See docs/domain/filters.md.
"""

from collections.abc import Collection, Iterable, Iterator, Sequence
from dataclasses import dataclass, field

from mule.filters.answer import Fit, FittedBy, Warning_
from mule.gear import Filter, FilterHolder, Gear, StepRing, Thing, at_hand

MOST_RINGS = 2
# Under this equivalent focal length polarised sky looks uneven and two rims may darken corners (estimate,
# docs/domain/filters.md).
WIDE_MM = 24.0

Stack = tuple[StepRing, ...]
# What makes two filters, rings or holders do the same.
_FITTING: dict[type, tuple[str, ...]] = {
    Filter: tuple(Filter.model_fields.keys() - Thing.model_fields.keys()),
    StepRing: tuple(StepRing.model_fields.keys() - Thing.model_fields.keys()),
    FilterHolder: tuple(FilterHolder.model_fields.keys() - Thing.model_fields.keys()),
}


@dataclass(frozen=True)
class Front:
    """What a filter meets: a lens, its thread, its wide end in equivalent millimetres, the adapters it may sit on."""

    lens: str
    thread_mm: float | None
    widest_mm: float
    adapters: tuple[str, ...] = ()


@dataclass(frozen=True)
class FilterGear:
    """Filters, rings and holders to choose from, and which of all things are loaded."""

    filters: Sequence[Filter]
    rings: Sequence[StepRing]
    holders: Sequence[FilterHolder]
    loaded: Collection[str]
    _stacks: dict[float, dict[float, list[Stack]]] = field(default_factory=dict, repr=False)

    def stacks(self, low: float, high: float) -> Sequence[Stack]:
        """Every stack of at most two step-up rings from one thread to another; an empty one when they are equal."""
        if low not in self._stacks:
            found: dict[float, list[Stack]] = {low: [()]}
            grown: list[tuple[float, Stack]] = [(low, ())]
            for _ in range(MOST_RINGS):
                grown = [
                    (ring.filter_thread_mm, (*stack, ring))
                    for at, stack in grown
                    for ring in self.rings
                    if ring.lens_thread_mm == at
                ]
                for at, stack in grown:
                    found.setdefault(at, []).append(stack)
            self._stacks[low] = found
        return self._stacks[low].get(high, ())

    @classmethod
    def of(cls, gear: Iterable[Gear], loaded: Collection[str]) -> "FilterGear":
        """The filters, rings and holders that are loaded, or left and here."""
        here = [t for t in gear if isinstance(t, Filter | StepRing | FilterHolder) and (t.id in loaded or at_hand(t))]
        kept = _lightest_alike(here, loaded)
        return cls(
            [t for t in kept if isinstance(t, Filter)],
            [t for t in kept if isinstance(t, StepRing) and t.filter_thread_mm > t.lens_thread_mm],
            [t for t in kept if isinstance(t, FilterHolder)],
            loaded,
        )


def _lightest_alike(
    things: Iterable[Filter | StepRing | FilterHolder], loaded: Collection[str]
) -> list[Filter | StepRing | FilterHolder]:
    """Of things that do the same, what is loaded and the lightest of what is left: no fit needs another."""
    best: dict[tuple[object, ...], Filter | StepRing | FilterHolder] = {}
    kept: list[Filter | StepRing | FilterHolder] = []
    for thing in things:
        alike = (type(thing), *(getattr(thing, name) for name in _FITTING[type(thing)]))
        if thing.id in loaded:
            kept.append(thing)
        elif alike not in best or thing.mass_g < best[alike].mass_g:
            best[alike] = thing
    return [*kept, *best.values()]


def fits(front: Front, filter_: Filter, bag: FilterGear) -> Iterator[tuple[FittedBy, Fit]]:
    """Every way of putting a filter in front of a lens with what is owned."""
    if filter_.adapter is not None:
        if filter_.adapter in front.adapters:
            yield "drop-in", _fit(front, filter_, (), bag)
        return
    if front.thread_mm is None:
        return
    if filter_.thread_mm is not None:
        for stack in bag.stacks(front.thread_mm, filter_.thread_mm):
            yield ("ring" if stack else "direct"), _fit(front, filter_, stack, bag)
        return
    for holder in bag.holders:
        if holder.plate_width_mm == filter_.plate_width_mm:
            for stack in bag.stacks(front.thread_mm, holder.thread_mm):
                yield "holder", _fit(front, filter_, (*stack, holder), bag)


def _fit(front: Front, filter_: Filter, between: Sequence[StepRing | FilterHolder], bag: FilterGear) -> Fit:
    rings = [part for part in between if isinstance(part, StepRing)]
    parts = (filter_, *between)
    left = [part for part in parts if part.id not in bag.loaded]
    return Fit(
        filter=filter_.id,
        parts=tuple(part.id for part in parts),
        to_load=tuple(part.id for part in left),
        mass_g=sum(part.mass_g for part in left),
        rim_mm=sum(ring.rim_mm for ring in rings) + filter_.rim_mm,
        warnings=tuple(_warnings(front, filter_, len(rings))),
    )


def _warnings(front: Front, filter_: Filter, rings: int) -> Iterator[Warning_]:
    """Corners and sky on wides; what somebody found clean goes before the estimate."""
    wide = front.widest_mm < WIDE_MM
    if filter_.clean_from_mm is not None:
        if front.widest_mm < filter_.clean_from_mm:
            yield "dark-corners"
    elif wide and rings:
        yield "dark-corners"
    if wide and filter_.effect == "polariser":
        yield "uneven-sky"
    if wide and filter_.effect == "variable-nd":
        yield "cross-pattern"
