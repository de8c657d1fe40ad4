"""Whoever comes by a link: what it lets them do, on which trip, and under which name.

A guest's page says with a header through which link it speaks; the session knows that this link was opened on this
device. Everything that is not named here is refused, whatever comes to the API later.
"""

from collections.abc import Mapping
from typing import Any

from django.contrib.auth.models import User
from django.http import HttpRequest
from django.utils import timezone
from ninja.errors import HttpError

from server.kernel.actor import Actor, Guest
from server.kernel.headers import SHARE_HEADER
from server.trips.sharing.models import ShareLink

# Route of the API -> the lowest role that may ask it of the trip of its link.
LOOK = frozenset(
    {
        ("GET", "trips/<slug>"),
        ("GET", "trips/<slug>/kits/<kit>"),
        ("GET", "trips/<slug>/kits/<kit>/advice"),
        ("GET", "field/<slug>"),
        ("GET", "field/<slug>/kits/<kit>/list"),
    }
)
PACK = LOOK | {("POST", "field/<slug>/marks")}
_KIT = "trips/<slug>/kits/<kit>"
# Whoever plans along edits the trip and its kits. Not the trip's end, its links, what else its owner did on other
# trips, nor files that hold more than is to be seen.
PLAN = PACK | {
    ("PUT", "trips/<slug>"),
    ("GET", "trips/<slug>/glance"),
    ("GET", "trips/<slug>/compare"),
    ("POST", "trips/<slug>/kits"),
    ("PUT", _KIT),
    ("DELETE", _KIT),
    ("POST", f"{_KIT}/edits"),
    ("POST", f"{_KIT}/undo"),
    ("POST", f"{_KIT}/redo"),
    ("POST", f"{_KIT}/what-if"),
    ("POST", f"{_KIT}/what-if/advice"),
    ("POST", f"{_KIT}/cures"),
    ("POST", f"{_KIT}/choose"),
    ("GET", f"{_KIT}/shopping"),
    ("POST", f"{_KIT}/stamina"),
    ("POST", f"{_KIT}/stamina/advice"),
    ("GET", f"{_KIT}/lightest-filters"),
    ("GET", f"{_KIT}/loadouts/<loadout>"),
    ("POST", f"{_KIT}/loadouts/<loadout>/edits"),
    ("GET", f"{_KIT}/days"),
    ("POST", f"{_KIT}/days/<on>/cures"),
    ("GET", f"{_KIT}/days/<on>/advice"),
    ("GET", f"{_KIT}/days/<on>/base"),
    ("POST", f"{_KIT}/propose"),
    ("GET", f"{_KIT}/split"),
    ("POST", f"{_KIT}/split/so"),
    ("POST", f"{_KIT}/bags"),
    ("GET", f"{_KIT}/spares"),
    ("GET", f"{_KIT}/gate-drill"),
    ("PUT", f"{_KIT}/stow"),
    ("POST", f"{_KIT}/stowage"),
    ("GET", "trips/<slug>/carriers"),
    ("GET", "trips/<slug>/lent"),
    ("POST", "trips/<slug>/lent"),
    ("DELETE", "trips/<slug>/lent/<item>"),
    ("GET", "field/<slug>/kits/<kit>/stations"),
}
ALLOWED: Mapping[str, frozenset[tuple[str, str]]] = {"look": LOOK, "pack": PACK, "plan": PLAN}


def valid_links() -> Any:
    """Links that open something today."""
    links = ShareLink.objects.filter(revoked=False).select_related("trip__owner")
    return links.exclude(until__lt=timezone.localdate())


def guest_actor(request: HttpRequest) -> Actor | None:
    """The guest and the trip's owner, for a request made through a share link; None for any other request.

    Raises HttpError: 401 for a link that this device has not opened or that is over, 403 for what it does not allow.
    """
    told = request.headers.get(SHARE_HEADER)
    if not told:
        return None
    link: ShareLink | None = valid_links().filter(pk=told).first() if told.isdecimal() else None
    if link is None or (guest := _guest(request, link)) is None:
        raise HttpError(401, "This link has expired or was revoked. Ask for a new one.")
    match = request.resolver_match
    route = match.route.removeprefix("api/") if match else ""
    if (request.method, route) not in ALLOWED[link.role] or match is None or match.kwargs.get("slug") != link.trip.slug:
        raise HttpError(403, "This link does not allow that.")
    return Actor(link.trip.owner, guest)


def _guest(request: HttpRequest, link: ShareLink) -> Guest | None:
    """The guest of a link; None if this device has not opened it, or its account has not joined the trip."""
    if link.role == "plan":
        account = request.user
        if not isinstance(account, User) or not link.companions.filter(account=account).exists():
            return None
        return Guest(account.get_username(), link.pk, account)
    name = request.session.get("guest", {}).get(str(link.pk))
    return None if name is None else Guest(name, link.pk)
