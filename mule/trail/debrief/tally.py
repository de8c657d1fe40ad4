"""Counting what pictures and notes say: by focal length, day, want, what was missed, and how worn packs are."""

from collections import Counter
from collections.abc import Iterable, Sequence
from datetime import date

from mule.analysis.optics import CELLS_PER_OCTAVE, cells_between, edge_mm
from mule.plan import Plan
from mule.plan.field import Field, Mark, Missed
from mule.plan.gear import Battery, Effect
from mule.trail.debrief.answer import DayShot, FocalCell, History, Lack, PackWear, Unknown, WantMet
from mule.trail.debrief.frames import Matched


def cells_of(seen: Iterable[Matched], reach: Sequence[tuple[float, float]]) -> tuple[FocalCell, ...]:
    """From the shortest to the longest of what was shot and what could be, in equivalent millimetres."""
    counts = Counter(cells_between(mm, mm)[0] for m in seen if (mm := m.equivalent_mm))
    reached = {index for low, high in reach for index in cells_between(low, high)}
    every = counts.keys() | reached
    if not every:
        return ()
    return tuple(
        FocalCell(from_mm=edge_mm(i), to_mm=edge_mm(i + 1), frames=counts.get(i, 0), reached=i in reached)
        for i in range(min(every), max(every) + 1)
    )


def days_of(plan: Plan, seen: Sequence[Matched]) -> Iterable[DayShot]:
    """Every day of the trip, and others with frames, in their order."""
    on: dict[date, list[Matched]] = {day.date: [] for day in plan.trip.days}
    for m in seen:
        if m.frame.taken is not None:
            on.setdefault(m.frame.taken.date(), []).append(m)
    for day, shot in sorted(on.items()):
        lenses = Counter(m.lens.id for m in shot if m.lens)
        yield DayShot(date=day, frames=len(shot), lenses=dict(lenses.most_common()))


def wants_of(plan: Plan, seen: Sequence[Matched]) -> Iterable[WantMet]:
    """Frames within the focal range of each want, on days on which it was planned."""
    slack = 2 ** (1 / CELLS_PER_OCTAVE)
    planned = {want.id: {d.date for d in plan.trip.days if want in plan.trip.wants_on(d)} for want in plan.trip.wants}
    for want in plan.trip.wants:
        on: list[date | None] = []
        for m in seen:
            mm, taken = m.equivalent_mm, m.frame.taken
            inside = mm is not None and want.focal_min_mm / slack <= mm <= want.focal_max_mm * slack
            if inside and (taken is None or not planned[want.id] or taken.date() in planned[want.id]):
                on.append(taken.date() if taken else None)
        yield WantMet(want=want.id, frames=len(on), days=len({day for day in on if day}))


def lacks_of(missed: Iterable[Mark]) -> Iterable[Lack]:
    """Alike by focal length or by filter; by words where a note says neither."""
    counts: Counter[tuple[float | None, Effect | None, str]] = Counter()
    for mark in missed:
        if isinstance(mark.what, Missed):
            mm, effect = mark.what.focal_mm, mark.what.effect
            counts[mm, effect, "" if mm or effect else mark.what.wanted] += 1
    for (mm, effect, wanted), times in counts.most_common():
        yield Lack(focal_mm=mm, effect=effect, wanted=wanted, times=times)


def unknown_of(seen: Iterable[Matched]) -> tuple[Unknown, ...]:
    """Names that nothing in the locker answers to, those of most frames first."""
    lost = Counter(
        ("" if m.body else m.frame.body, "" if m.lens else m.frame.lens)
        for m in seen
        if (not m.body and m.frame.body) or (not m.lens and m.frame.lens)
    )
    return tuple(Unknown(body=body, lens=lens, frames=n) for (body, lens), n in lost.most_common())


def wear_of(plan: Plan, field: Field, others: Sequence[History]) -> Iterable[PackWear]:
    """Packs that can be charged, with what was noted of them on all trips."""
    for item, pieces in plan.loaded.items():
        pack = plan.items[item]
        if isinstance(pack, Battery) and pack.rechargeable:
            here = field.charges.get(item, 0)
            noted = here + sum(other.charged.get(item, 0) for other in others)
            cycles = round(pack.cycles + noted / pack.count, 1)
            yield PackWear(item=item, pieces=pieces, charges=here, cycles=cycles, health=pack.health)
