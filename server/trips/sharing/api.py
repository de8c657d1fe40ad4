"""Endpoints of sharing."""

from datetime import date, datetime
from typing import Annotated, Literal

from django.http import HttpRequest
from ninja import Router, Schema, Status
from pydantic import Field

from server.accounts.api import same_site
from server.accounts.signed_in import SignedInRequest
from server.trips.sharing import services
from server.trips.sharing.models import ShareLink

router = Router()
Role = Literal["look", "pack", "plan"]


class LinkOut(Schema):
    """A link as its owner sees it. secret: only in the answer that makes it."""

    id: int
    role: Role
    note: str
    made: datetime
    until: date | None
    secret: str = ""


class NewLink(Schema):
    """A link to make."""

    role: Role
    note: Annotated[str, Field(max_length=80)] = ""
    until: date | None = None


class OpenLink(Schema):
    """A link to open, and under which name."""

    secret: Annotated[str, Field(max_length=100)]
    name: Annotated[str, Field(max_length=40)] = ""


class Opened(Schema):
    """What an opened link leads to. name: under which its guest acts; owner: whose trip it is."""

    link: int
    role: Role
    name: str
    trip: str
    kit: str
    title: str
    owner: str


def _out(link: ShareLink, secret: str = "") -> LinkOut:
    return LinkOut(id=link.pk, role=link.role, note=link.note, made=link.made, until=link.until, secret=secret)  # type: ignore[arg-type]


@router.get("/{slug}/links", response=list[LinkOut])
def list_links(request: SignedInRequest, slug: str) -> list[LinkOut]:
    """Links to a trip that hold."""
    return [_out(link) for link in services.links(request.user, slug)]


@router.post("/{slug}/links", response={201: LinkOut})
def make_link(request: SignedInRequest, slug: str, payload: NewLink) -> Status[LinkOut]:
    """Make a link; its secret is told this once."""
    link, secret = services.make(request.user, slug, payload.role, payload.note, payload.until)
    return Status(201, _out(link, secret))


@router.delete("/{slug}/links/{number}", response={204: None})
def take_back(request: SignedInRequest, slug: str, number: int) -> Status[None]:
    """Take a link back."""
    services.revoke(request.user, slug, number)
    return Status(204, None)


@router.post("/open", response=Opened, auth=same_site)
def open_link(request: HttpRequest, payload: OpenLink) -> Opened:
    """Open a link on this device."""
    link = services.open_link(request, payload.secret, payload.name)
    return _opened(link, request.user.get_username() if link.role == "plan" else payload.name.strip())


def _opened(link: ShareLink, name: str) -> Opened:
    trip = link.trip
    told = {"link": link.pk, "role": link.role, "name": name, "owner": trip.owner.get_username()}
    return Opened.model_validate(told | {"trip": trip.slug, "kit": trip.open_kit, "title": trip.name})


@router.get("/along", response=list[Opened])
def list_along(request: SignedInRequest) -> list[Opened]:
    """Trips of others that one plans along with."""
    return [_opened(link, request.user.get_username()) for link in services.along(request.user)]
