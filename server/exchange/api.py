"""Endpoints for plan files and cutting plans."""

from typing import Literal, TypeVar

from django.http import HttpResponse
from django.http.response import HttpResponseBase
from django.utils import timezone
from ninja import File, Form, Query, Router, Schema, Status, UploadedFile
from pydantic import TypeAdapter, ValidationError

from mule.base.errors import InvalidInput, Problem, shorten
from mule.findings.advise import review
from mule.packing.foam import CaseFit, Foam, FoamWish
from mule.plan import MAX_BYTES, Plan, read, write
from mule.plan.field import fold
from mule.plan.gear import Bag
from server.accounts.signed_in import SignedInRequest
from server.exchange import archive
from server.exchange.calendar import calendar_of
from server.exchange.divider_files import DividedSpace
from server.exchange.divider_files import paper as divider_paper
from server.exchange.divider_files import svg as divider_svg
from server.exchange.foam_files import dxf, svg
from server.exchange.foam_files import paper as foam_paper
from server.exchange.gear_import import Preview, preview
from server.exchange.gear_import import bring_in as bring_in_gear
from server.exchange.lists import LISTS, Rows, Sources, locker_rows
from server.exchange.services import export_plan, import_plan
from server.exchange.sheet import labels, load_sheet, pack_list
from server.exchange.true_size import as_page
from server.field.looking import look_back_on
from server.field.services import list_for, marks_of
from server.kernel.errors import NotFound, TooLarge
from server.kernel.tables import MOST_BYTES, as_csv, as_xlsx
from server.library.locker.convert import locker_of
from server.searching.answers import found
from server.searching.jobs import CASE_FITS, Answering, foam
from server.searching.jobs import cases as all_cases
from server.trips import services
from server.trips.convert import trip_of
from server.trips.packed import packed, wanted
from server.trips.schemas import TripOut

router = Router()
T = TypeVar("T")


@router.get("/plans/{slug}/{kit}")
def export(request: SignedInRequest, slug: str, kit: str) -> HttpResponse:
    """The plan of a trip with all its kits, what was noted and what its pictures say, as a file."""
    return _file(
        write(export_plan(services.find_kit(request.auth.owner, slug, kit))), "application/json", f"{slug}.plan.json"
    )


def _hard_case(request: SignedInRequest, slug: str, kit: str, bag: str) -> Plan:
    """The plan of a kit in which a bag is loaded. Raises NotFound for one that is not."""
    plan = services.find_plan(request.auth, slug, kit)
    if bag not in plan.loaded or not isinstance(plan.items[bag], Bag):
        raise NotFound("bag", bag)
    return plan


def _foam(request: SignedInRequest, plan: Plan, bag: str, wish: FoamWish) -> Foam:
    return Foam.model_validate_json(found(Answering(plan, foam, (bag, wish)), request.auth.owner.pk))


@router.get("/foam/{slug}/{kit}/{bag}", response=Foam)
def cut(request: SignedInRequest, slug: str, kit: str, bag: str, wish: Query[FoamWish]) -> Foam:
    """A cutting plan for the foam of a hard case, layer by layer."""
    return _foam(request, _hard_case(request, slug, kit, bag), bag, wish)


@router.get("/foam/{slug}/{kit}/{bag}/cases", response=list[CaseFit])
def cases(request: SignedInRequest, slug: str, kit: str, bag: str, wish: Query[FoamWish]) -> list[CaseFit]:
    """The same things in every hard case of the locker."""
    plan = _hard_case(request, slug, kit, bag)
    return CASE_FITS.validate_json(found(Answering(plan, all_cases, (bag, wish)), request.auth.owner.pk))


@router.get("/foam/{slug}/{kit}/{bag}/file/{form}")
def foam_file(
    request: SignedInRequest, slug: str, kit: str, bag: str, form: Literal["svg", "dxf", "a4"], wish: Query[FoamWish]
) -> HttpResponseBase:
    """The cutting plan to scale: SVG, DXF, or A4 pages to print."""
    plan = _hard_case(request, slug, kit, bag)
    made = _foam(request, plan, bag, wish)
    if form == "a4":
        return as_page(request, foam_paper(made, plan.items[bag].name))
    text, content_type = (svg(made), "image/svg+xml") if form == "svg" else (dxf(made), "image/vnd.dxf")
    return _file(text, content_type, f"{bag}-foam.{form}")


@router.get("/dividers/{slug}/{kit}/file/{form}")
def divider_file(
    request: SignedInRequest, slug: str, kit: str, form: Literal["svg", "a4", "a3"], room: str, loadout: str = ""
) -> HttpResponseBase:
    """The dividers of a padded space to scale, as the kit was last packed: SVG, or A4 or A3 pages to print."""
    row = services.find_kit(request.auth.owner, slug, kit)
    plan = services.plan_as(request.auth, row, loadout)
    made = packed(plan, request.auth.owner.pk, row, loadout)
    use = next((one for one in made.rooms if one.room == room and one.layout == "cells"), None)
    if use is None:
        raise NotFound("space with dividers", room)
    title = plan.items[use.bag].name if use.compartment is None else f"{plan.items[use.bag].name}, {use.name}"
    space = DividedSpace(title, use, [one for one in made.placed if one.room == room], plan.items)
    if form == "svg":
        return _file(divider_svg(space), "image/svg+xml", f"{use.bag}-dividers.svg")
    return as_page(request, divider_paper(space, form))


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
    trip = import_plan(request.auth.owner, read(raw))
    return Status(201, TripOut(version=trip.version, trip=trip_of(trip), open_kit=trip.open_kit))


def _file(raw: bytes | str, content_type: str, name: str) -> HttpResponse:
    response = HttpResponse(raw, content_type=content_type)
    response["Content-Disposition"] = f'attachment; filename="{name}"'
    return response


@router.get("/paper/{slug}/{kit}/{part}.pdf")
def paper(request: SignedInRequest, slug: str, kit: str, part: Literal["sheet", "list", "labels"]) -> HttpResponse:
    """Paper to take along: the load sheet, the pack list, labels for bags."""
    row = services.find_kit(request.auth.owner, slug, kit)
    plan = services.plan_for(request.auth, row)
    if part == "sheet":
        seen = review(plan)
        raw = load_sheet(plan, seen.assessment, seen.findings)
    else:
        listed = list_for(plan, row)
        raw = labels(plan, listed) if part == "labels" else pack_list(plan, listed, wanted(plan, request.auth.owner.pk))
    return _file(raw, "application/pdf", f"{slug}-{part}.pdf")


@router.get("/calendar/{slug}/{kit}.ics")
def calendar(request: SignedInRequest, slug: str, kit: str) -> HttpResponse:
    """Dates to keep: charge, fetch, copy, bring back."""
    row = services.find_kit(request.auth.owner, slug, kit)
    plan = services.plan_for(request.auth, row)
    return _file(calendar_of(plan, list_for(plan, row)), "text/calendar; charset=utf-8", f"{slug}.ics")


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
    row = services.find_kit(request.auth.owner, slug, kit)
    plan = services.plan_for(request.auth, row)
    made_of = Sources(
        plan,
        fold(marks_of(row.trip)),
        lambda: list_for(plan, row),
        lambda: look_back_on(request.auth, slug, kit),
        lambda: wanted(plan, request.auth.owner.pk),
    )
    return _written(LISTS[name](made_of), f"{slug}-{name}", form)


@router.get("/locker.{form}")
def locker_table(request: SignedInRequest, form: Literal["csv", "xlsx"]) -> HttpResponse:
    """The whole locker as CSV or a spreadsheet, with titles that an import reads."""
    return _written(locker_rows(locker_of(request.auth.owner)), "locker", form)


class BroughtIn(Schema):
    """How many things came into the locker."""

    things: int


def _table(file: UploadedFile) -> bytes:
    """The bytes of a table that is not too large. Raises TooLarge before it is read."""
    if (file.size or 0) > MOST_BYTES:
        raise TooLarge(MOST_BYTES)
    raw: bytes = file.read()
    return raw


_MATCHED = TypeAdapter(dict[str, str])
_MENDS = TypeAdapter(dict[str, dict[str, str]])


def _matched(text: str) -> dict[str, str]:
    """Which column holds which field, as the form sends it."""
    return _read(_MATCHED, "matched", text, "an object of field and column")


def _mends(text: str) -> dict[str, dict[str, str]]:
    """What stands in for cells, as the form sends it."""
    return _read(_MENDS, "mends", text, "an object of row, field and value")


def _read(shape: TypeAdapter[T], field: str, text: str, rule: str) -> T:
    try:
        return shape.validate_json(text or "{}")
    except ValidationError as error:
        raise InvalidInput([Problem(field, shorten(text), rule)]) from error


@router.post("/locker/preview", response=Preview)
def preview_gear(
    request: SignedInRequest, file: File[UploadedFile], matched: Form[str] = "", mends: Form[str] = ""
) -> Preview:
    """What a table would bring into the locker: columns matched, each row looked at. Nothing is stored."""
    return preview(file.name or "", _table(file), _matched(matched) or None, _mends(mends))


@router.post("/locker/table", response={201: BroughtIn})
def import_gear(
    request: SignedInRequest,
    file: File[UploadedFile],
    matched: Form[str],
    leave_bad: Form[bool] = False,
    mends: Form[str] = "",
) -> Status[BroughtIn]:
    """Bring a table into the locker: all of it or nothing; bad rows are left out only when asked."""
    raw, mended = _table(file), _mends(mends)
    count = bring_in_gear(
        request.auth.owner, file.name or "", raw, _matched(matched), leave_bad=leave_bad, mends=mended
    )
    return Status(201, BroughtIn(things=count))


class RestoredOut(Schema):
    """What came back of an archive: new here, the same as here, or renamed because another has its id."""

    things: dict[str, int]
    carriers: dict[str, int]
    trips: dict[str, int]
    preferences: bool


@router.get("/account.zip")
def take_account(request: SignedInRequest) -> HttpResponse:
    """Everything of the account in one file."""
    return HttpResponse(
        archive.archive_of(request.auth.owner),
        content_type="application/zip",
        headers={"Content-Disposition": f'attachment; filename="narrow-mule-{timezone.now():%Y-%m-%d}.zip"'},
    )


@router.post("/account", response={201: RestoredOut})
def put_account_back(request: SignedInRequest, file: File[UploadedFile]) -> Status[RestoredOut]:
    """Put such a file into the account: all of it, or nothing."""
    if (file.size or 0) > archive.MOST_ZIPPED:
        raise TooLarge(archive.MOST_ZIPPED)
    return Status(201, RestoredOut(**archive.restore(request.auth.owner, file.read()).told()))
