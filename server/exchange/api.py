"""Endpoints for plan files."""

from django.http import HttpRequest, HttpResponse
from ninja import Router, Status

from mule.plan import read, write
from server.exchange.services import import_plan
from server.trips import services
from server.trips.convert import trip_of
from server.trips.schemas import TripOut

router = Router()


@router.get("/plans/{slug}/{kit}")
def export(request: HttpRequest, slug: str, kit: str) -> HttpResponse:
    """The plan of a trip with all its kits, as a file."""
    plan = services.plan_for(services.find_kit(request.user, slug, kit), all_kits=True)
    response = HttpResponse(write(plan), content_type="application/json")
    response["Content-Disposition"] = f'attachment; filename="{slug}.plan.json"'
    return response


@router.post(
    "/plans",
    response={201: TripOut},
    openapi_extra={"requestBody": {"content": {"application/json": {"schema": {"type": "object"}}}, "required": True}},
)
def bring_in(request: HttpRequest) -> Status[TripOut]:
    """Import a plan file as a new trip: all of it, or nothing."""
    trip = import_plan(request.user, read(request.body))
    return Status(201, TripOut(version=trip.version, trip=trip_of(trip), open_kit=trip.open_kit))
