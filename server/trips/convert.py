"""Rows of trips and kits to core values."""

from django.contrib.auth.models import User

from mule.kit import Kit as KitValue
from mule.plan import Plan
from mule.trip import Trip as TripValue
from server.carriers.models import Carrier
from server.carriers.services import value_of
from server.locker.convert import locker_of
from server.trips.models import Kit, Trip


def trip_of(row: Trip) -> TripValue:
    """The core value of a trip."""
    return TripValue.model_validate(row.spec)


def kit_of(row: Kit) -> KitValue:
    """The core value of a kit."""
    told = {"id": row.slug, "name": row.name, "note": row.note, "entries": row.entries, "stow": row.stow}
    return KitValue.model_validate(told)


def entries_of(kit: KitValue) -> list[dict[str, object]]:
    """A kit's entries as they are stored."""
    entries: list[dict[str, object]] = kit.model_dump(mode="json", include={"entries"})["entries"]
    return entries


def plan_of(owner: User, trip: TripValue, kits: list[Kit], open_kit: str) -> Plan:
    """The plan of a trip: the owner's whole locker, the carriers its legs name, these kits."""
    named = {leg.carrier for leg in trip.legs if leg.carrier}
    carriers = Carrier.objects.filter(owner=owner, slug__in=named) if named else ()
    return Plan(
        gear=locker_of(owner),
        carriers=tuple(value_of(row) for row in carriers),
        trip=trip,
        kits=tuple(kit_of(kit) for kit in kits),
        open_kit=open_kit,
    )
