"""Verbs of coming home: read pictures, look back, and what other trips say of the same things."""

from collections.abc import Iterable, Sequence
from functools import partial
from typing import IO

from django.contrib.auth.models import User
from django.db.models import Count, Max

from mule.base.errors import InvalidInput, Problem
from mule.base.memo import Kept
from mule.findings.assess import assess
from mule.plan import MOST_FRAMES
from mule.plan.field import Frame, fold
from mule.plan.gear import Gear
from mule.trail.debrief import History, LookBack, look_back, match, used_days
from server.field.models import PictureFrame
from server.field.pictures import Odd, read_files
from server.field.schemas import ReadPictures
from server.field.services import marks_of
from server.kernel.actor import Actor
from server.kernel.documents import find, revision
from server.library.locker.models import Thing
from server.trips.convert import kit_of, trip_of
from server.trips.models import Kit, Trip
from server.trips.services import find_kit, plan_for

# Odd files are named one by one up to here; more would only be scrolled past.
_MOST_NAMED = 200


def frames_of(trip: Trip) -> list[Frame]:
    """What was read of a trip's pictures."""
    return [Frame.model_validate(row.spec) for row in trip.frames.all()]


def keep_frames(trip: Trip, frames: Iterable[Frame]) -> None:
    """Stores frames; one that stands already is kept once. Raises InvalidInput for more than a plan holds."""
    rows = [
        PictureFrame(trip=trip, name=name, taken=taken, spec=frame.model_dump(mode="json"))
        for frame in frames
        for name, taken in [_key(frame)]
    ]
    have = trip.frames.count()
    if have + len(rows) > MOST_FRAMES:
        rule = f"at most {MOST_FRAMES:,} pictures on one trip: {have:,} are here already"
        raise InvalidInput([Problem("", f"{len(rows):,} more", rule)])
    PictureFrame.objects.bulk_create(rows, batch_size=500, ignore_conflicts=True)


def _key(frame: Frame) -> tuple[str, str]:
    """Same name, same moment: the same picture."""
    return frame.name, frame.taken.isoformat() if frame.taken else ""


def take_pictures(owner: User, slug: str, files: Iterable[tuple[str, IO[bytes]]]) -> ReadPictures:
    """Reads the metadata of files into a trip. Odd files are named; the others come in. Raises NotFound."""
    trip = find(Trip, owner, slug, "trip")
    odd: list[Odd] = []
    new: dict[tuple[str, str], Frame] = {}
    known = set(trip.frames.values_list("name", "taken"))
    twice = 0
    for one in read_files(files):
        if isinstance(one, Odd):
            odd.append(one)
            continue
        key = _key(one)
        if key in known or key in new:
            twice += 1
        elif len(known) + len(new) >= MOST_FRAMES:
            odd.append(Odd(name=one.name, rule=f"at most {MOST_FRAMES:,} pictures for one trip"))
        else:
            new[key] = one
    keep_frames(trip, new.values())
    return ReadPictures(taken=len(new), known=twice, odd=odd[:_MOST_NAMED])


def look_back_on(actor: Actor, slug: str, kit: str) -> LookBack:
    """What a trip taught, with the trips before it."""
    row = find_kit(actor.owner, slug, kit)
    plan, trip = plan_for(actor, row), row.trip
    reach = [(bar.from_mm, bar.to_mm) for row in assess(plan).coverage.reach for bar in row.bars]
    return look_back(plan, fold(marks_of(trip)), frames_of(trip), reach, _others(actor.owner, trip, plan.gear))


# What trips before taught: what some hundred thousand marks and pictures come to is kept, not read for each look back.
_HISTORIES: Kept[History] = Kept(500)


def _others(owner: User, trip: Trip, gear: Sequence[Gear]) -> list[History]:
    """Trips that were out before, by what was noted or shot on them, the latest first."""
    locker = revision(Thing, owner)
    found = []
    for other in Trip.objects.filter(owner=owner, spec__status="done").exclude(pk=trip.pk):
        kit = other.kits.filter(slug=other.open_kit).first()
        if kit is not None:
            key = locker, other.pk, other.version, kit.pk, kit.version, _noted_on(other)
            found.append(_HISTORIES.get(key, partial(_history, other, kit, gear)))
    return sorted(found, key=lambda h: h.ended.isoformat() if h.ended else "", reverse=True)


def _noted_on(trip: Trip) -> tuple[int, ...]:
    """Another word once something was noted or shot: marks and frames only ever come, and come with a larger id."""
    counted = [rows.aggregate(many=Count("id"), last=Max("id")) for rows in (trip.marks, trip.frames)]
    return tuple(number or 0 for told in counted for number in told.values())


def _history(trip: Trip, kit: Kit, gear: Sequence[Gear]) -> History:
    loaded, days = kit_of(kit).loaded(), trip_of(trip).days
    noted = fold(marks_of(trip))
    used = used_days(gear, noted, match(frames_of(trip), gear, loaded))
    return History(
        trip=trip.slug,
        name=trip.name,
        carried=dict.fromkeys(loaded, len(days)),
        used={item: len(days) for item, days in used.items()},
        charged=noted.charges,
        ended=days[-1].date if days else None,
    )
