"""Filters that were missed: what would have put one on the lens."""

from collections import Counter
from collections.abc import Iterable, Iterator, Sequence

from mule.analysis.filters import FilterGear, Fit, Front, fits
from mule.plan import Plan
from mule.plan.field import Mark, Missed
from mule.plan.gear import Effect, Filter, Glass, Lens, MountAdapter, Standing, StepRing
from mule.trail.debrief.lessons import Lesson, MissedEffect, RentIt, RingFor, TakeIt

_THERE = {"absent": None, "standing": Standing.OWNED}


def missed_filters(plan: Plan, lenses: Sequence[str], missed: Iterable[Mark]) -> Iterator[Lesson]:
    """Take the filter or the ring that stayed at home; else get the ring that is lacking; else get the filter.

    lenses: those that were along, most used first: a note that names none is about whichever is easiest to serve.
    """
    wanted: Counter[tuple[Effect, str | None]] = Counter()
    for mark in missed:
        if isinstance(mark.what, Missed) and mark.what.effect:
            wanted[mark.what.effect, mark.what.lens] += 1
    if not wanted:
        return
    # Next time, what was away or could be had counts as well.
    bag = FilterGear.of([t.model_copy(update=_THERE) for t in plan.gear], plan.loaded)
    for (effect, lens), count in wanted.items():
        fronts = list(_fronts(plan, [lens] if lens else lenses))
        yield from _advice(plan, bag, fronts, effect, count)


def _advice(plan: Plan, bag: FilterGear, fronts: Sequence[Front], effect: Effect, times: int) -> Iterator[Lesson]:
    able = [f for f in bag.filters if f.effect == effect]
    ways = [(front, way) for front in fronts for f in able for _, way in fits(front, (f,), bag)]
    if ways:
        front, way = min(ways, key=_lightest)
        # What was along and fits needs no advice: it was missed for another reason.
        if way.to_load:
            # The ring before the filter: without it the filter is of no use.
            rings = [part for part in way.to_load if isinstance(plan.items[part], StepRing)]
            first = (rings or way.to_load)[0]
            missed = MissedEffect(effect=effect, lens=front.lens, times=times)
            owned = all(plan.items[part].standing == Standing.OWNED for part in way.to_load)
            yield TakeIt(item=first, mass_g=way.mass_g, missed=missed) if owned else RentIt(item=first, missed=missed)
        return
    lacking = [(front, f) for front in fronts for f in able if _wider(front, f)]
    if not lacking:
        lens = fronts[0].lens if fronts else None
        yield RentIt(missed=MissedEffect(effect=effect, lens=lens, times=times))
        return
    front, filter_ = min(lacking, key=lambda pair: (pair[1].id not in bag.loaded, pair[1].mass_g))
    yield RingFor(
        item=filter_.id,
        lens=front.lens,
        from_mm=front.thread_mm or 0.0,
        to_mm=filter_.thread_mm or 0.0,
        missed=MissedEffect(effect=effect, lens=front.lens, times=times),
    )


def _lightest(pair: tuple[Front, Fit]) -> tuple[float, float]:
    return pair[1].mass_g, pair[1].rim_mm


def _wider(front: Front, filter_: Filter) -> bool:
    """Whether a step-up ring could join them: a narrower filter would darken the corners."""
    return None not in (front.thread_mm, filter_.thread_mm) and (front.thread_mm or 0) < (filter_.thread_mm or 0)


def _fronts(plan: Plan, lenses: Iterable[str]) -> Iterable[Front]:
    adapters = tuple(i for i in plan.loaded if isinstance(plan.items[i], MountAdapter))
    for item in lenses:
        thing = plan.items.get(item)
        glass: Glass | None = thing if isinstance(thing, Lens) else getattr(thing, "fixed_lens", None)
        if glass is not None:
            yield Front(lens=item, thread_mm=glass.thread_mm, widest_mm=glass.focal_min_mm, adapters=adapters)
