"""Coming home: what earned its place, what was missed, and what the next plan should reckon with.

The front door is ``look_back`` (docs/domain/lookback.md).
"""

from collections import Counter
from collections.abc import Collection, Iterable, Mapping, Sequence
from datetime import date

from mule.plan import Plan
from mule.plan.field import Broke, Field, Filled, Frame, Lent, Missed, Swapped, Used
from mule.plan.gear import (
    Bag,
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
from mule.trail.debrief.advice import keep_or_leave, service_or_retire, take_or_rent
from mule.trail.debrief.against import against
from mule.trail.debrief.answer import (
    Against,
    DayShot,
    FocalCell,
    History,
    Lack,
    LookBack,
    PackWear,
    Unknown,
    Use,
    WantMet,
)
from mule.trail.debrief.frames import Matched, match
from mule.trail.debrief.lessons import Lesson
from mule.trail.debrief.past import MOST_SHOTS, Past, PastWant, PictureLight, Shot, wants_of_past
from mule.trail.debrief.rates import ByCold, Rate, rates
from mule.trail.debrief.tally import cells_of, days_of, lacks_of, unknown_of, wants_of, wear_of

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

    >>> from mule.plan.field import fold
    >>> from tests import cast
    >>> plan = cast.plan([cast.body()], cast.entry("body", cast.ON_INES))
    >>> [(use.item, use.frames) for use in look_back(plan, fold([]), [], [], []).uses]
    [('body', 0)]
    """
    loaded = plan.loaded
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
    wear = tuple(wear_of(plan, field, others))
    return LookBack(
        frames=len(seen),
        outside=sum(bool(m.frame.taken and days and m.frame.taken.date() not in days) for m in seen),
        undated=sum(m.frame.taken is None for m in seen),
        uses=uses,
        never=never,
        twice=twice,
        kept=tuple(item for item in idle if item in kept),
        missed=missed,
        lacks=tuple(lacks_of(missed)),
        faults=faults,
        lent=tuple(mark for mark in logged if isinstance(mark.what, Lent)),
        cells=cells_of(seen, list(reach)),
        days=tuple(days_of(plan, seen)),
        wants=tuple(wants_of(plan, seen)),
        against=tuple(against(plan, field, len(seen))),
        rates=measured,
        wear=wear,
        advice=(
            *keep_or_leave(plan, uses, never, twice, kept),
            *take_or_rent(plan, uses, missed),
            *service_or_retire(faults, wear),
        ),
        unknown=unknown_of(seen),
    )


def used_days(gear: Sequence[Gear], field: Field, seen: Iterable[Matched]) -> dict[str, set[date]]:
    """Days on which each thing was used, by pictures and by notes. A frame without a date counts as one day more.

    gear: by id. field: what was noted. seen: what the pictures say.
    """
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


def _stays(thing: Gear) -> bool:
    return keeps_safe(thing) or thing.mass_g <= NOTHING_G


def _uses(
    plan: Plan, seen: Sequence[Matched], used: Mapping[str, Collection[date]], others: Sequence[History]
) -> list[Use]:
    frames = Counter(t.id for m in seen for t in {id(t): t for t in (m.body, m.lens) if t}.values())
    found = []
    for item, count in plan.loaded.items():
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


__all__ = [
    "MOST_SHOTS",
    "Against",
    "ByCold",
    "DayShot",
    "FocalCell",
    "History",
    "Lack",
    "Lesson",
    "LookBack",
    "Matched",
    "PackWear",
    "Past",
    "PastWant",
    "PictureLight",
    "Rate",
    "Shot",
    "Unknown",
    "Use",
    "WantMet",
    "look_back",
    "match",
    "rates",
    "used_days",
    "wants_of_past",
]
