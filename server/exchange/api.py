"""Endpoints for plan files and cutting plans."""

import json
from typing import Any, Literal

from django.http import HttpResponse
from ninja import File, Form, Query, Router, Schema, Status, UploadedFile

from mule.advise import review
from mule.errors import InvalidInput, Problem, shorten
from mule.field import fold
from mule.gear import Bag
from mule.packing.foam import CaseFit, Foam, FoamWish
from mule.plan import MAX_BYTES, Plan, read, write
from server.accounts.signed_in import SignedInRequest
from server.errors import NotFound, TooLarge
from server.exchange.calendar import calendar_of
from server.exchange.foam_files import dxf, pages, svg
from server.exchange.gear_import import Preview, preview
from server.exchange.gear_import import bring_in as bring_in_gear
from server.exchange.lists import LISTS, Rows, Sources, locker_rows
from server.exchange.services import export_plan, import_plan
from server.exchange.sheet import labels, load_sheet, pack_list
from server.exchange.tables import as_csv, as_xlsx
from server.field.looking import look_back_on
from server.field.services import list_for, marks_of
from server.locker.convert import locker_of
from server.searching.answers import found
from server.searching.jobs import CASE_FITS, Answering, foam
from server.searching.jobs import cases as all_cases
from server.trips import services
from server.trips.convert import trip_of
from server.trips.packed import wanted
from server.trips.schemas import TripOut

router = Router()


@router.get("/plans/{slug}/{kit}")
def export(request: SignedInRequest, slug: str, kit: str) -> HttpResponse:
    """The plan of a trip with all its kits, what was noted and what its pictures say, as a file."""
    return _file(
        write(export_plan(services.find_kit(request.user, slug, kit))), "application/json", f"{slug}.plan.json"
    )


def _hard_case(request: SignedInRequest, slug: str, kit: str, bag: str) -> Plan:
    """The plan of a kit in which a bag is loaded. Raises NotFound for one that is not."""
    plan = services.plan_for(services.find_kit(request.user, slug, kit))
    if bag not in plan.loaded or not isinstance(plan.items[bag], Bag):
        raise NotFound("bag", bag)
    return plan


def _foam(request: SignedInRequest, plan: Plan, bag: str, wish: FoamWish) -> Foam:
    return Foam.model_validate_json(found(Answering(plan, foam, (bag, wish)), request.user.pk))


@router.get("/foam/{slug}/{kit}/{bag}", response=Foam)
def cut(request: SignedInRequest, slug: str, kit: str, bag: str, wish: Query[FoamWish]) -> Foam:
    """A cutting plan for the foam of a hard case, layer by layer."""
    return _foam(request, _hard_case(request, slug, kit, bag), bag, wish)


@router.get("/foam/{slug}/{kit}/{bag}/cases", response=list[CaseFit])
def cases(request: SignedInRequest, slug: str, kit: str, bag: str, wish: Query[FoamWish]) -> list[CaseFit]:
    """The same things in every hard case of the locker."""
    plan = _hard_case(request, slug, kit, bag)
    return CASE_FITS.validate_json(found(Answering(plan, all_cases, (bag, wish)), request.user.pk))


@router.get("/foam/{slug}/{kit}/{bag}/file/{form}")
def foam_file(
    request: SignedInRequest, slug: str, kit: str, bag: str, form: Literal["svg", "dxf", "a4"], wish: Query[FoamWish]
) -> HttpResponse:
    """The cutting plan to scale: SVG, DXF, or A4 pages to print."""
    plan = _hard_case(request, slug, kit, bag)
    made = _foam(request, plan, bag, wish)
    if form == "a4":
        return HttpResponse(pages(made, plan.items[bag].name), content_type="text/html")
    text, content_type = (svg(made), "image/svg+xml") if form == "svg" else (dxf(made), "image/vnd.dxf")
    return _file(text, content_type, f"{bag}-foam.{form}")


@router.post(
    "/plans",
    response={201: TripOut},
    openapi_extra={"requestBody": {"content": {"application/json": {"schema": {"type": "object"}}}, "required": True}},
)
def bring_in(request: SignedInRequest) -> Status[TripOut]:
    """Import a plan file as a new trip: all of it, or nothing."""
    raw = request.read(MAX_BYTES + 1)
    if len(raw) > MAX_BYTES:
        raise TooLarge(MAX_BYTES)
    trip = import_plan(request.user, read(raw))
    return Status(201, TripOut(version=trip.version, trip=trip_of(trip), open_kit=trip.open_kit))


def _file(raw: bytes | str, content_type: str, name: str) -> HttpResponse:
    response = HttpResponse(raw, content_type=content_type)
    response["Content-Disposition"] = f'attachment; filename="{name}"'
    return response


@router.get("/paper/{slug}/{kit}/{part}.pdf")
def paper(request: SignedInRequest, slug: str, kit: str, part: Literal["sheet", "list", "labels"]) -> HttpResponse:
    """Paper to take along: the load sheet, the pack list, labels for bags."""
    plan = services.plan_for(services.find_kit(request.user, slug, kit))
    if part == "sheet":
        seen = review(plan)
        raw = load_sheet(plan, seen.assessment, seen.findings)
    else:
        listed = list_for(plan, request.user)
        raw = labels(plan, listed) if part == "labels" else pack_list(plan, listed, wanted(plan, request.user.pk))
    return _file(raw, "application/pdf", f"{slug}-{part}.pdf")


@router.get("/calendar/{slug}/{kit}.ics")
def calendar(request: SignedInRequest, slug: str, kit: str) -> HttpResponse:
    """Dates to keep: charge, fetch, copy, bring back."""
    plan = services.plan_for(services.find_kit(request.user, slug, kit))
    return _file(calendar_of(plan, list_for(plan, request.user)), "text/calendar; charset=utf-8", f"{slug}.ics")


_FORMS = {
    "csv": "text/csv; charset=utf-8",
    "xlsx": "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
}


def _written(rows: Rows, name: str, form: Literal["csv", "xlsx"]) -> HttpResponse:
    titles, body = rows
    raw = as_csv(titles, body) if form == "csv" else as_xlsx(titles, body, name)
    return _file(raw, _FORMS[form], f"{name}.{form}")


@router.get("/tables/{slug}/{kit}/{name}.{form}")
def table(request: SignedInRequest, slug: str, kit: str, name: str, form: Literal["csv", "xlsx"]) -> HttpResponse:
    """A list of a trip as CSV or a spreadsheet: kit, pack-out, tasks, to-get, days, log or used."""
    if name not in LISTS:
        raise NotFound("list", name)
    row = services.find_kit(request.user, slug, kit)
    plan = services.plan_for(row)
    made_of = Sources(
        plan,
        fold(marks_of(row.trip)),
        lambda: list_for(plan, request.user),
        lambda: look_back_on(request.user, slug, kit),
        lambda: wanted(plan, request.user.pk),
    )
    return _written(LISTS[name](made_of), f"{slug}-{name}", form)


@router.get("/locker.{form}")
def locker_table(request: SignedInRequest, form: Literal["csv", "xlsx"]) -> HttpResponse:
    """The whole locker as CSV or a spreadsheet, with titles that an import reads."""
    return _written(locker_rows(locker_of(request.user)), "locker", form)


class BroughtIn(Schema):
    """How many things came into the locker."""

    things: int


def _matched(text: str) -> dict[str, str]:
    """Which column holds which field, as the form sends it."""
    if not text:
        return {}
    try:
        told: Any = json.loads(text)
    except ValueError:
        told = None
    if not isinstance(told, dict) or not all(isinstance(v, str) for v in told.values()):
        raise InvalidInput([Problem("matched", shorten(text), "an object of field and column")])
    return told


@router.post("/locker/preview", response=Preview)
def preview_gear(request: SignedInRequest, file: File[UploadedFile], matched: Form[str] = "") -> Preview:
    """What a table would bring into the locker: columns matched, each row looked at. Nothing is stored."""
    return preview(file.name or "", file.read(), _matched(matched) or None)


@router.post("/locker/table", response={201: BroughtIn})
def import_gear(
    request: SignedInRequest, file: File[UploadedFile], matched: Form[str], leave_bad: Form[bool] = False
) -> Status[BroughtIn]:
    """Bring a table into the locker: all of it or nothing; bad rows are left out only when asked."""
    count = bring_in_gear(request.user, file.name or "", file.read(), _matched(matched), leave_bad=leave_bad)
    return Status(201, BroughtIn(things=count))
