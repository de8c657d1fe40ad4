"""Endpoints for plan files and cutting plans."""

from typing import Literal

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router, Status

from mule.gear import Bag
from mule.packing.foam import CaseFit, Foam, FoamWish, compare_cases, cut_foam
from mule.plan import Plan, read, write
from server.errors import NotFound
from server.exchange.foam_files import dxf, pages, svg
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


def _hard_case(request: HttpRequest, slug: str, kit: str, bag: str) -> Plan:
    """The plan of a kit in which a bag is loaded. Raises NotFound for one that is not."""
    plan = services.plan_for(services.find_kit(request.user, slug, kit))
    if bag not in plan.kit.loaded() or not isinstance(plan.items[bag], Bag):
        raise NotFound("bag", bag)
    return plan


@router.get("/foam/{slug}/{kit}/{bag}", response=Foam)
def cut(request: HttpRequest, slug: str, kit: str, bag: str, wish: Query[FoamWish]) -> Foam:
    """A cutting plan for the foam of a hard case, layer by layer."""
    plan = _hard_case(request, slug, kit, bag)
    return cut_foam(plan.items, plan.kit, bag, wish)


@router.get("/foam/{slug}/{kit}/{bag}/cases", response=list[CaseFit])
def cases(request: HttpRequest, slug: str, kit: str, bag: str, wish: Query[FoamWish]) -> list[CaseFit]:
    """The same things in every hard case of the locker."""
    plan = _hard_case(request, slug, kit, bag)
    return list(compare_cases(plan.items, plan.kit, bag, wish))


@router.get("/foam/{slug}/{kit}/{bag}/file/{form}")
def foam_file(
    request: HttpRequest, slug: str, kit: str, bag: str, form: Literal["svg", "dxf", "a4"], wish: Query[FoamWish]
) -> HttpResponse:
    """The cutting plan to scale: SVG, DXF, or A4 pages to print."""
    plan = _hard_case(request, slug, kit, bag)
    foam = cut_foam(plan.items, plan.kit, bag, wish)
    if form == "a4":
        return HttpResponse(pages(foam, plan.items[bag].name), content_type="text/html")
    text, content_type = (svg(foam), "image/svg+xml") if form == "svg" else (dxf(foam), "image/vnd.dxf")
    response = HttpResponse(text, content_type=content_type)
    response["Content-Disposition"] = f'attachment; filename="{bag}-foam.{form}"'
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
