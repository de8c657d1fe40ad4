"""Endpoints of the shelf: trips as a whole."""

from ninja import Router, Status

from mule.search.compare import Glance, glance
from server.accounts.signed_in import SignedInRequest
from server.kernel.actor import Actor
from server.trips import beginning, services
from server.trips.models import Trip
from server.trips.schemas import ChangedTrip, CopiedTrip, NewTrip, TripOut
from server.trips.seen import trip_for

router = Router()


def trip_out(actor: Actor, row: Trip) -> TripOut:
    """A trip as it goes out, as whoever asks may see it."""
    changed_by = "" if actor.only_visits else row.changed_by
    return TripOut(version=row.version, trip=trip_for(actor, row), open_kit=row.open_kit, changed_by=changed_by)


@router.get("", response=list[TripOut])
def list_trips(request: SignedInRequest) -> list[TripOut]:
    """All trips of yours."""
    return [trip_out(request.auth, row) for row in services.trips(request.auth.owner)]


@router.post("", response={201: TripOut})
def add_trip(request: SignedInRequest, payload: NewTrip) -> Status[TripOut]:
    """Add a trip with one kit, and what it begins with, all or nothing."""
    row = beginning.begin(request.auth.owner, payload.trip, payload.things, payload.carriers, load=payload.load)
    return Status(201, trip_out(request.auth, row))


@router.post("/{slug}/copy", response={201: TripOut})
def copy_trip(request: SignedInRequest, slug: str, payload: CopiedTrip) -> Status[TripOut]:
    """The same trip again with its kits, without what was noted on it."""
    return Status(
        201, trip_out(request.auth, beginning.copy_trip(request.auth.owner, slug, payload.name, payload.start))
    )


@router.get("/{slug}", response=TripOut)
def show_trip(request: SignedInRequest, slug: str) -> TripOut:
    """One trip, as it is stored."""
    return trip_out(request.auth, services.find_trip(request.auth.owner, slug))


@router.get("/{slug}/glance", response=list[Glance])
def glance_at(request: SignedInRequest, slug: str) -> list[Glance]:
    """How each kit of a trip stands, in a line."""
    row = services.find_trip(request.auth.owner, slug)
    return [glance(services.plan_for(request.auth, kit)) for kit in row.kits.all()]


@router.put("/{slug}", response=TripOut)
def change_trip(request: SignedInRequest, slug: str, payload: ChangedTrip) -> TripOut:
    """Store an edited trip."""
    return trip_out(request.auth, services.replace_trip(request.auth, slug, payload.version, payload.trip))


@router.delete("/{slug}", response={204: None})
def remove_trip(request: SignedInRequest, slug: str) -> Status[None]:
    """Remove a trip with its kits."""
    services.remove_trip(request.auth.owner, slug)
    return Status(204, None)
