"""How a trip begins: with what comes into the locker for it, whose rules hold, what is loaded; or from another trip."""

from collections.abc import Sequence
from datetime import date, timedelta
from functools import cache
from typing import Any

from django.conf import settings
from django.contrib.auth.models import User

from mule.base.errors import InvalidInput, Problem
from mule.plan import read
from mule.plan.carriers import Carrier as CarrierValue
from mule.plan.edits import Edit, Load
from mule.plan.gear import Bag, Gear, Insert, at_hand
from mule.plan.trip import Trip as TripValue
from server.kernel.actor import Actor
from server.kernel.documents import find, writing
from server.library.carriers import services as carriers
from server.library.carriers.models import Carrier
from server.library.locker import services as locker
from server.library.locker.convert import locker_of
from server.trips.convert import trip_of
from server.trips.models import Kit, KitPacking, LentThing, Trip
from server.trips.services import add_trip, edit_kit

_MOST_LOADED = 500


def begin(
    owner: User, trip: TripValue, things: Sequence[Gear], rules: Sequence[CarrierValue], *, load: bool = False
) -> Trip:
    """Adds a trip with what it needs, all or nothing.

    things: come into the locker first. rules: carriers that legs name by the ids they have here; one that the owner
    has already is not added again. load: everything that is here and one's own goes into the first kit.
    """
    with writing(owner):
        locker.change_many(owner, [(0, thing) for thing in things], [])
        known = {rule.id: _carrier(owner, rule) for rule in rules}
        legs = tuple(leg.model_copy(update={"carrier": known.get(leg.carrier or "", leg.carrier)}) for leg in trip.legs)
        row = add_trip(owner, trip.model_copy(update={"legs": legs}))
        if load:
            _load_all(owner, row)
    return row


def _carrier(owner: User, rule: CarrierValue) -> str:
    same = rule.model_copy(update={"id": "new"})
    for row in Carrier.objects.filter(owner=owner, name=rule.name):
        if carriers.value_of(row).model_copy(update={"id": "new"}) == same:
            return row.slug
    return carriers.add(owner, same).slug


def _load_all(owner: User, trip: Trip) -> None:
    things = [thing for thing in locker_of(owner) if at_hand(thing)]
    if len(things) > _MOST_LOADED:
        rule = f"at most {_MOST_LOADED} items at once: load this trip’s gear on the Bench"
        raise InvalidInput([Problem("load", f"{len(things)} items", rule)])
    # Bags first: the rest finds its place in them.
    things.sort(key=lambda thing: (not isinstance(thing, Bag), not isinstance(thing, Insert)))
    edits: list[Edit] = [Load(item=thing.id, count=thing.count) for thing in things]
    if edits:
        edit_kit(Actor(owner), trip.slug, "a", 1, edits)


def copy_trip(owner: User, slug: str, name: str, start: date | None) -> Trip:
    """The same trip again under another name, with its kits as they are now; nothing of what was noted on it.

    start: its first day; all dates move with it. Raises NotFound, InvalidInput.
    """
    with writing(owner):
        old = find(Trip, owner, slug, "trip")
        value = trip_of(old)
        later = start - value.days[0].date if start and value.days else timedelta()
        again = _moved(value, later).model_copy(update={"id": "new", "name": name, "status": "planned"})
        row = add_trip(owner, again)
        row.kits.all().delete()
        # What others lent is on this trip, too, and marked as theirs; nobody has it to take back.
        LentThing.objects.bulk_create(
            LentThing(trip=row, item=one.item, lender_name=one.lender_name, source=one.source, spec=one.spec)
            for one in old.lent.all()
        )
        row.lendings = old.lendings
        for kit in old.kits.all():
            copy = Kit.objects.create(
                trip=row, slug=kit.slug, name=kit.name, note=kit.note, entries=kit.entries, stow=kit.stow
            )
            KitPacking.objects.bulk_create(
                KitPacking(kit=copy, loadout=one.loadout, asked=one.asked, stowage=one.stowage)
                for one in kit.packings.all()
            )
        row.open_kit = old.open_kit
        row.save(update_fields=["open_kit", "lendings"])
        return row


def _moved(trip: TripValue, by: timedelta) -> TripValue:
    """With every date of it that much later."""

    def later(value: Any) -> Any:
        if isinstance(value, date):
            return value + by
        if isinstance(value, dict):
            return {key: later(one) for key, one in value.items()}
        return [later(one) for one in value] if isinstance(value, list | tuple) else value

    return TripValue.model_validate(later(trip.model_dump()))


@cache
def trip_patterns() -> tuple[TripValue, ...]:
    """The demo's trips as patterns: wants, days, habits, without people, gear and carriers."""
    found = []
    for path in sorted(settings.DEMO_DIR.glob("*.plan.json")):
        trip = read(path.read_bytes()).trip
        legs = tuple(leg.model_copy(update={"carrier": None}) for leg in trip.legs)
        spec = trip.model_dump(include={"id", "name", "place", "purpose", "stakes", "wants", "policies"})
        days = [
            day.model_dump(include={"date", "title", "place", "lowest_c", "on_foot_h", "weather", "wants", "night"})
            for day in trip.days
        ]
        told = spec | {"days": days, "legs": [leg.model_dump() for leg in legs], "status": "planned"}
        found.append(TripValue.model_validate(told))
    return tuple(found)
