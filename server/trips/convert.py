"""Rows of trips and kits to core values."""

from typing import NamedTuple

from django.contrib.auth.models import User

from mule.base.memo import Kept
from mule.plan import Plan, assemble
from mule.plan.field import Mark
from mule.plan.gear import Gear
from mule.plan.kit import Kit as KitValue
from mule.plan.trip import Trip as TripValue
from server.kernel.documents import revision
from server.library.carriers.models import Carrier
from server.library.carriers.services import carriers_of
from server.trips.lending import gear_stamp
from server.trips.models import Kit, Trip


class Stamp(NamedTuple):
    """What an answer about a kit hangs on: another stamp after every change of it. locker: with what others lent."""

    kit: int
    trip: int
    locker: str
    carriers: str
    weighings: int

    def __str__(self) -> str:
        return ".".join(map(str, self))


def stamp_of(kit: Kit) -> Stamp:
    """The stamp of a kit as it is stored."""
    trip = kit.trip
    return Stamp(kit.version, trip.version, gear_stamp(trip), revision(Carrier, trip.owner), trip.weighings)


# Trips that were looked at last.
_TRIPS: Kept[TripValue] = Kept(128)


def trip_of(row: Trip) -> TripValue:
    """The core value of a trip."""
    return _TRIPS.get((row.pk, row.version, row.changed), lambda: TripValue.model_validate(row.spec))


def kit_of(row: Kit) -> KitValue:
    """The core value of a kit."""
    told = {"id": row.slug, "name": row.name, "note": row.note, "entries": row.entries, "stow": row.stow}
    return KitValue.model_validate(told)


def entries_of(kit: KitValue) -> list[dict[str, object]]:
    """A kit's entries as they are stored."""
    entries: list[dict[str, object]] = kit.model_dump(mode="json", include={"entries"})["entries"]
    return entries


def scale_of(row: Trip) -> tuple[Mark, ...]:
    """What stands of what was weighed on a trip."""
    return tuple(Mark.model_validate(spec) for spec in row.scale)


def plan_of(
    owner: User,
    trip: TripValue,
    kits: list[Kit],
    open_kit: str,
    gear: tuple[Gear, ...],
    carriers: str | None = None,
    scale: tuple[Mark, ...] = (),
) -> Plan:
    """The plan of a trip: what lies on the table, the carriers its legs name, these kits.

    scale: what was weighed. carriers: their revision, when it is known already. Raises InvalidInput when it is not
    sound.
    """
    named = {leg.carrier for leg in trip.legs if leg.carrier}
    known = carriers_of(owner, carriers) if named else {}
    return assemble(
        gear=gear,
        carriers=tuple(carrier for slug, carrier in known.items() if slug in named),
        trip=trip,
        kits=tuple(kit_of(kit) for kit in kits),
        open_kit=open_kit,
        noted=scale,
    )
