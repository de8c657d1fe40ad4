"""Coming home: what earned its place, what was missed, and what the next plan should reckon with.

The front door is ``look_back`` (domain 12).
"""

from collections import Counter
from collections.abc import Collection, Iterable, Mapping, Sequence
from datetime import date

from mule.debrief.advice import keep_or_leave, service_or_retire, take_or_rent
from mule.debrief.against import against
from mule.debrief.answer import (
    Advice,
    Against,
    FocalCell,
    History,
    LookBack,
    PackWear,
    Unknown,
    Use,
    WantMet,
)
from mule.debrief.frames import Matched, match
from mule.debrief.rates import ByCold, Rate, rates
from mule.field import Broke, Field, Filled, Frame, Lent, Missed, Swapped, Used
from mule.gear import (
    Bag,
    Battery,
    Body,
    Computer,
    Drone,
    Filter,
    FilterHolder,
    Gear,
    Head,
    Insert,
    Lens,
    Light,
    OtherSupport,
    PowerBank,
    Remote,
    Sound,
    Teleconverter,
    Tripod,
    keeps_safe,
)
from mule.optics import CELLS_PER_OCTAVE, cells_between, edge_mm
from mule.plan import Plan

# Things this light may stay, used or not (estimate).
NOTHING_G = 30.0
# Kinds whose use the pictures tell, and kinds whose use people note. Nobody notes a coat, a reader or a charger.
_SEEN = (Body, Lens, Teleconverter)
_NOTED = (Filter, FilterHolder, Tripod, OtherSupport, Head, Drone, Light, Sound, Remote, PowerBank, Computer)


def look_back(
    plan: Plan,
    field: Field,
    frames: Sequence[Frame],
    reach: Iterable[tuple[float, float]],
    others: Sequence[History],
) -> LookBack:
    """Puts notes and pictures of a trip together.

    reach: ranges of equivalent focal length that the kit had. others: trips before, the latest first.
    """
    loaded = plan.kit.loaded()
    seen = match(frames, plan.gear, loaded)
    days = {day.date for day in plan.trip.days}
    used = used_days(plan.gear, field, seen)
    uses = tuple(_uses(plan, seen, used, others))
    idle = [use.item for use in uses if use.told and not use.days]
    kept = {item for item in idle if _stays(plan.items[item])}
    never = tuple(item for item in idle if item not in kept)
    before = others[0] if others else None
    twice = tuple(i for i in never if before and before.carried.get(i) and not before.used.get(i))
    logged = field.log
    missed = tuple(mark for mark in logged if isinstance(mark.what, Missed))
    faults = tuple(mark for mark in logged if isinstance(mark.what, Broke))
    measured = rates(plan.items, logged)
    wear = tuple(_wear(plan, field, others))
    return LookBack(
        frames=len(seen),
        outside=sum(bool(m.frame.taken and days and m.frame.taken.date() not in days) for m in seen),
        undated=sum(m.frame.taken is None for m in seen),
        uses=uses,
        never=never,
        twice=twice,
        kept=tuple(item for item in idle if item in kept),
        missed=missed,
        faults=faults,
        lent=tuple(mark for mark in logged if isinstance(mark.what, Lent)),
        cells=_cells(seen, list(reach)),
        wants=tuple(_wants(plan, seen)),
        against=tuple(against(plan, field, len(seen))),
        rates=measured,
        wear=wear,
        advice=(
            *keep_or_leave(plan, uses, never, twice, kept),
            *take_or_rent(plan, uses, missed),
            *service_or_retire(faults, wear),
        ),
        unknown=_unknown(seen),
    )


def used_days(gear: Sequence[Gear], field: Field, seen: Iterable[Matched]) -> dict[str, set[date]]:
    """Days on which each thing was used, by pictures and by notes. A frame without a date counts as one day more."""
    found: dict[str, set[date]] = {}
    for m in seen:
        on = m.frame.taken.date() if m.frame.taken else date.min
        for thing in (m.body, m.lens):
            if thing is not None:
                found.setdefault(thing.id, set()).add(on)
    for mark in field.log:
        match mark.what:
            case Used(item=item, day=day):
                found.setdefault(item, set()).add(day)
            case Swapped(item=item, body=body, day=day) | Filled(item=item, body=body, day=day):
                found.setdefault(item, set()).add(day)
                found.setdefault(body, set()).add(day)
    known = {thing.id for thing in gear}
    return {item: days for item, days in found.items() if item in known}


def _wear(plan: Plan, field: Field, others: Sequence[History]) -> Iterable[PackWear]:
    """Packs that can be charged, with what was noted of them on all trips."""
    for item, pieces in plan.kit.loaded().items():
        pack = plan.items[item]
        if isinstance(pack, Battery) and pack.rechargeable:
            here = field.charges.get(item, 0)
            noted = here + sum(other.charged.get(item, 0) for other in others)
            cycles = round(pack.cycles + noted / pack.count, 1)
            yield PackWear(item=item, pieces=pieces, charges=here, cycles=cycles, health=pack.health)


def _stays(thing: Gear) -> bool:
    return keeps_safe(thing) or thing.mass_g <= NOTHING_G


def _uses(
    plan: Plan, seen: Sequence[Matched], used: Mapping[str, Collection[date]], others: Sequence[History]
) -> list[Use]:
    frames = Counter(t.id for m in seen for t in {id(t): t for t in (m.body, m.lens) if t}.values())
    found = []
    for item, count in plan.kit.loaded().items():
        thing = plan.items[item]
        if isinstance(thing, Bag | Insert):
            continue
        days = len(used.get(item, ()))
        mine = frames.get(item, 0)
        found.append(
            Use(
                item=item,
                count=count,
                mass_g=thing.mass_g * count,
                frames=mine,
                days=days,
                grams_per_frame=thing.mass_g * count / mine if mine else None,
                told=bool(days) or (bool(seen) if isinstance(thing, _SEEN) else _noted(thing, used)),
                carried_days=len(plan.trip.days) + sum(other.carried.get(item, 0) for other in others),
                used_days=days + sum(other.used.get(item, 0) for other in others),
            )
        )
    return sorted(found, key=lambda use: (-use.frames, -use.days, -use.mass_g))


def _noted(thing: Gear, used: Mapping[str, Collection[date]]) -> bool:
    """Whether notes would have told of it: somebody noted something, and it is of a sort that is noted."""
    aid = keeps_safe(thing) or (isinstance(thing, _NOTED) and getattr(thing, "form", "") != "phone")
    return bool(used) and aid


def _cells(seen: Iterable[Matched], reach: Sequence[tuple[float, float]]) -> tuple[FocalCell, ...]:
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


def _wants(plan: Plan, seen: Sequence[Matched]) -> Iterable[WantMet]:
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


def _unknown(seen: Iterable[Matched]) -> tuple[Unknown, ...]:
    lost = Counter(
        ("" if m.body else m.frame.body, "" if m.lens else m.frame.lens)
        for m in seen
        if (not m.body and m.frame.body) or (not m.lens and m.frame.lens)
    )
    return tuple(Unknown(body=body, lens=lens, frames=n) for (body, lens), n in lost.most_common())


__all__ = [
    "Advice",
    "Against",
    "ByCold",
    "FocalCell",
    "History",
    "LookBack",
    "Matched",
    "PackWear",
    "Rate",
    "Unknown",
    "Use",
    "WantMet",
    "look_back",
    "match",
    "rates",
    "used_days",
]
