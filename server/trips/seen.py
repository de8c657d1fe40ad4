"""The part of a trip that guests and companions see: the gear its kits name; for guests, no body masses."""

from collections.abc import Collection, Iterable

from mule.base.errors import InvalidInput, Problem
from mule.base.memo import Kept
from mule.plan.gear import Gear
from mule.plan.trip import Trip as TripValue
from server.kernel.actor import Actor
from server.trips.convert import kit_of, trip_of
from server.trips.lending import gear_for, gear_stamp
from server.trips.models import Trip

_SEEN: Kept[tuple[Gear, ...]] = Kept(32)
# The words of a plan about an unknown id: hidden gear must look like gear that does not exist.
_UNKNOWN = "the id of a thing in the locker"


def seen_by_others(trip: Trip, at: str | None = None) -> tuple[Gear, ...]:
    """Gear that companions and guests see: items that a kit of the trip names, and whatever was lent to it.

    Without serial numbers and values. at: the stamp of what lies on the table, when it is known already.
    """
    stamp = at or gear_stamp(trip)
    named = set(trip.lent.values_list("item", flat=True))
    for kit in trip.kits.all():
        named |= {item for _, item in kit_of(kit).named()}

    def made() -> tuple[Gear, ...]:
        return tuple(
            thing.model_copy(update={"serial": "", "value": None})
            for thing in gear_for(trip, stamp)
            if thing.id in named
        )

    return _SEEN.get((trip.pk, stamp, frozenset(named)), made)


def require_seen(actor: Actor, trip: Trip, named: Iterable[tuple[str, str]]) -> None:
    """Raises InvalidInput when somebody other than the owner names gear that they do not see.

    named: fields with the items they name, before anything of it is stored: naming an item makes it seen.
    """
    if actor.guest:
        _require_among({thing.id for thing in seen_by_others(trip)}, named)


def _require_among(there: Collection[str], named: Iterable[tuple[str, str]]) -> None:
    problems = [Problem(field, item, _UNKNOWN) for field, item in named if item not in there]
    if problems:
        raise InvalidInput(problems)


def gear_and_trip(actor: Actor, row: Trip, at: str | None = None) -> tuple[tuple[Gear, ...], TripValue]:
    """The gear of a trip and the trip itself, as whoever asks may see them. at: as for ``seen_by_others``."""
    trip = trip_of(row)
    if actor.guest is None:
        return gear_for(row, at), trip
    gear = seen_by_others(row, at)
    trip = _with_marks_on(trip, gear)
    return gear, _without_body_masses(trip) if actor.only_visits else trip


def trip_for(actor: Actor, row: Trip) -> TripValue:
    """A trip as whoever asks may see it; its owner's is not looked at any further."""
    return gear_and_trip(actor, row)[1] if actor.guest else trip_of(row)


def _without_body_masses(trip: TripValue) -> TripValue:
    people = tuple(p.model_copy(update={"body_mass_kg": None, "carries_well_kg": None}) for p in trip.people)
    return trip.model_copy(update={"people": people})


def _with_marks_on(trip: TripValue, gear: Iterable[Gear]) -> TripValue:
    """The trip with marks on this gear only."""
    there, marks = {thing.id for thing in gear}, trip.marks
    if marks.items() <= there:
        return trip
    seen = {
        "must_take": tuple(item for item in marks.must_take if item in there),
        "must_leave": tuple(item for item in marks.must_leave if item in there),
        "slots": tuple(slot for slot in marks.slots if set(slot.items) <= there),
    }
    return trip.model_copy(update={"marks": marks.model_copy(update=seen)})


def with_unseen_marks(sent: TripValue, row: Trip) -> TripValue:
    """A trip that a companion edited, with the stored marks that they do not see.

    Raises InvalidInput when they mark gear that they do not see.
    """
    there, stored, marks = {thing.id for thing in seen_by_others(row)}, trip_of(row).marks, sent.marks
    _require_among(there, ((f"marks.{field}", item) for field, item in marks.named()))
    if stored.items() <= there:
        return sent
    whole = {
        "must_take": (*marks.must_take, *(item for item in stored.must_take if item not in there)),
        "must_leave": (*marks.must_leave, *(item for item in stored.must_leave if item not in there)),
        "slots": (*marks.slots, *(slot for slot in stored.slots if not set(slot.items) <= there)),
    }
    return sent.model_copy(update={"marks": marks.model_copy(update=whole)})
