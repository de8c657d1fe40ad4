"""Endpoints of the helpers. They store nothing."""

from ninja import Router, Schema

from mule.analysis.filters import Darkening, darken, stops_needed
from mule.intake.typed_wants import understand_wants
from mule.plan.gear import Filter
from mule.plan.trip import Trip
from mule.plan.trip.sets import SETS, WantSet
from mule.trail.debrief import Past, wants_of_past
from server.accounts.signed_in import SignedInRequest
from server.library.locker.convert import locker_of
from server.trips.beginning import trip_patterns
from server.trips.brief.schemas import SaidWants, ShotsTaken, Times, TypedWant, WantFigures, WantingOut

router = Router()


class Darkenings(Schema):
    """Stops needed, and the filters of the locker that come nearest."""

    stops: float
    ways: list[Darkening]


@router.get("/want-sets", response=list[WantSet])
def want_sets(request: SignedInRequest) -> list[WantSet]:
    """Ready-made sets of wants."""
    return list(SETS)


@router.get("/trip-patterns", response=list[Trip])
def list_trip_patterns(request: SignedInRequest) -> list[Trip]:
    """Trips to begin from: wants, days and habits of the demo world's."""
    return list(trip_patterns())


@router.post("/want", response=WantFigures)
def figure_want(request: SignedInRequest, payload: TypedWant) -> WantFigures:
    """What a subject and an output ask for."""
    low, high = payload.subject.focal_mm() if payload.subject else (None, None)
    pixels = payload.output.megapixels() if payload.output else None
    return WantFigures(focal_min_mm=low, focal_max_mm=high, megapixels=pixels)


@router.post("/wants", response=list[WantingOut])
def say_wants(request: SignedInRequest, payload: SaidWants) -> list[WantingOut]:
    """What wants a text names."""
    found = understand_wants(payload.text, payload.taken)
    return [WantingOut(typed=one.typed, want=one.want) for one in found]


@router.post("/past", response=Past)
def find_past_wants(request: SignedInRequest, payload: ShotsTaken) -> Past:
    """What the metadata of somebody's pictures says of their wants; none of it is kept."""
    return wants_of_past(payload.shots, locker_of(request.auth.owner), payload.taken)


@router.post("/exposure", response=Darkenings)
def expose(request: SignedInRequest, payload: Times) -> Darkenings:
    """Stops between two times, and the owned neutral densities that take them."""
    owned = [thing for thing in locker_of(request.auth.owner) if isinstance(thing, Filter)]
    return Darkenings(
        stops=stops_needed(payload.metered_s, payload.wanted_s),
        ways=list(darken(owned, payload.metered_s, payload.wanted_s)),
    )
