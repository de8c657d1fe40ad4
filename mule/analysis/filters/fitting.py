"""How a filter comes onto a lens: directly, by rings, by a holder, or dropped into an adapter.

Filters that are worn at once are fitted together: their rims add up. See docs/domain/filters.md.
"""

from collections.abc import Collection, Iterable, Iterator, Sequence
from dataclasses import dataclass, field

from mule.analysis.filters.answer import Fit, FittedBy, Warning_
from mule.plan.gear import Filter, FilterHolder, Gear, StepRing, Thing, at_hand
from mule.plan.trip import Want

MOST_RINGS = 2
# Focal lengths that are nominally the same differ by so much.
_ABOUT = 0.99
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
    """What a filter meets: a lens, its thread, the adapters and bodies it may sit on.

    widest_mm: the widest that is looked at, in equivalent millimetres: the lens's own end, or where a want begins.
    seen: spans in equivalent millimetres in which some set-up of it takes pictures.
    """

    lens: str
    thread_mm: float | None
    widest_mm: float
    adapters: tuple[str, ...] = ()
    seen: tuple[tuple[float, float], ...] = ()
    bodies: tuple[str, ...] = ()

    def sees(self, want: Want) -> tuple[float, float] | None:
        """The part of a want that it sees, from the first to the last millimetre; None where it sees nothing of it."""
        parts = [
            (max(low, want.focal_min_mm), min(high, want.focal_max_mm))
            for low, high in self.seen
            if low <= want.focal_max_mm and high >= want.focal_min_mm
        ]
        return (min(low for low, _ in parts), max(high for _, high in parts)) if parts else None


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


def fits(front: Front, filters: Sequence[Filter], bag: FilterGear) -> Iterator[tuple[FittedBy, Fit]]:
    """Every way of putting these filters on a lens at once with what is owned.

    Screw-in filters of one thread stack, a holder may sit in front of them, one filter drops into an adapter, and one
    lies over the sensor.
    """
    dropped = [f.adapter for f in filters if f.adapter is not None]
    inside = [f.body for f in filters if f.body is not None]
    if max(len(dropped), len(inside)) > 1 or not (
        set(front.adapters).issuperset(dropped) and set(front.bodies).issuperset(inside)
    ):
        return
    threads = {f.thread_mm for f in filters if f.thread_mm is not None}
    widths = {f.plate_width_mm for f in filters if f.plate_width_mm is not None}
    if not threads and not widths:
        yield ("drop-in" if dropped else "sensor"), _fit(front, filters, (), bag)
        return
    if front.thread_mm is None or len(threads) > 1 or len(widths) > 1:
        return
    at = next(iter(threads), front.thread_mm)
    for stack in bag.stacks(front.thread_mm, at):
        if not widths:
            yield ("ring" if stack else "direct"), _fit(front, filters, stack, bag)
            continue
        plates = sum(f.plate_width_mm is not None for f in filters)
        for holder in bag.holders:
            if holder.plate_width_mm not in widths or holder.plates < plates:
                continue
            for more in bag.stacks(at, holder.thread_mm):
                if len(stack) + len(more) <= MOST_RINGS:
                    yield "holder", _fit(front, filters, (*stack, *more, holder), bag)


def _fit(front: Front, filters: Sequence[Filter], between: Sequence[StepRing | FilterHolder], bag: FilterGear) -> Fit:
    rings = [part for part in between if isinstance(part, StepRing)]
    parts: tuple[Filter | StepRing | FilterHolder, ...] = (*filters, *between)
    left = [part for part in parts if part.id not in bag.loaded]
    return Fit(
        filter=filters[0].id,
        parts=tuple(part.id for part in parts),
        to_load=tuple(part.id for part in left),
        mass_g=sum(part.mass_g for part in left),
        rim_mm=sum(ring.rim_mm for ring in rings) + sum(f.rim_mm for f in filters),
        warnings=tuple(_warnings(front, filters, len(rings))),
    )


def _warnings(front: Front, filters: Sequence[Filter], rings: int) -> Iterator[Warning_]:
    """Corners and sky on wides; what somebody found clean of one filter alone goes before the estimate."""
    wide = front.widest_mm < WIDE_MM
    rims = rings + sum(f.adapter is None and f.body is None for f in filters)
    known = [f.clean_from_mm for f in filters if f.clean_from_mm is not None]
    alone = len(filters) == 1 and known
    if any(front.widest_mm < clean * _ABOUT for clean in known) or (wide and rims > 1 and not alone):
        yield "dark-corners"
    if wide and any(f.effect == "polariser" for f in filters):
        yield "uneven-sky"
    if wide and any(f.effect == "variable-nd" for f in filters):
        yield "cross-pattern"
