"""Rows of trips and kits to core values."""

from typing import NamedTuple

from django.contrib.auth.models import User

from mule.field import Mark
from mule.kit import Kit as KitValue
from mule.memo import Kept
from mule.plan import Plan, assemble
from mule.trip import Trip as TripValue
from server.carriers.models import Carrier
from server.carriers.services import carriers_of
from server.documents import revision
from server.locker.convert import locker_of
from server.locker.models import Thing
from server.trips.models import Kit, Trip


class Stamp(NamedTuple):
    """What an answer about a kit hangs on: another stamp after every change of it."""

    kit: int
    trip: int
    locker: str
    carriers: str
    weighings: int

    def __str__(self) -> str:
        return ".".join(map(str, self))


def stamp_of(kit: Kit) -> Stamp:
    """The stamp of a kit as it is stored."""
    owner = kit.trip.owner
    trip = kit.trip
    return Stamp(kit.version, trip.version, revision(Thing, owner), revision(Carrier, owner), trip.weighings)


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
    at: Stamp | None = None,
    scale: tuple[Mark, ...] = (),
) -> Plan:
    """The plan of a trip: the owner's whole locker, the carriers its legs name, these kits.

    scale: what was weighed. at: the revisions of locker and carriers, when they are known already. Raises InvalidInput
    when it is not sound.
    """
    named = {leg.carrier for leg in trip.legs if leg.carrier}
    known = carriers_of(owner, at.carriers if at else None) if named else {}
    return assemble(
        gear=locker_of(owner, at.locker if at else None),
        carriers=tuple(carrier for slug, carrier in known.items() if slug in named),
        trip=trip,
        kits=tuple(kit_of(kit) for kit in kits),
        open_kit=open_kit,
        noted=scale,
    )
