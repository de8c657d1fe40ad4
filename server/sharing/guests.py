"""Whoever comes by a link: what it lets them do, on which trip, and under which name.

A guest's page says with a header through which link it speaks; the session knows that this link was opened on this
device. Everything that is not named here is refused, whatever comes to the API later.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from django.contrib.auth.models import User
from django.http import HttpRequest
from django.utils import timezone
from ninja.errors import HttpError

from server.headers import SHARE_HEADER
from server.sharing.models import ShareLink

ROLES = ("look", "pack")
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
ALLOWED: Mapping[str, frozenset[tuple[str, str]]] = {"look": LOOK, "pack": PACK}


@dataclass(frozen=True)
class Guest:
    """Somebody who came by a link. name: what they call themselves."""

    name: str
    link: ShareLink


def valid_links() -> Any:
    """Links that open something today."""
    links = ShareLink.objects.filter(revoked=False).select_related("trip__owner")
    return links.exclude(until__lt=timezone.localdate())


def guest_of(request: HttpRequest) -> User | None:
    """The owner on whose trip the guest acts, when a request speaks through a link; None when it does not.

    Raises HttpError: 401 for a link that this device has not opened or that is over, 403 for what it does not allow.
    """
    told = request.headers.get(SHARE_HEADER)
    if not told:
        return None
    name = request.session.get("guest", {}).get(told)
    link = valid_links().filter(pk=told).first() if name is not None and told.isdecimal() else None
    if link is None:
        raise HttpError(401, "This link is over. Ask whoever gave it to you for another.")
    match = request.resolver_match
    route = match.route.removeprefix("api/") if match else ""
    if (request.method, route) not in ALLOWED[link.role] or match is None or match.kwargs.get("slug") != link.trip.slug:
        raise HttpError(403, "This link does not let you do that.")
    request.guest = Guest(name, link)  # type: ignore[attr-defined]
    owner: User = link.trip.owner
    request.user = owner
    return owner


def guest_in(request: HttpRequest) -> Guest | None:
    """The guest who asks; None for the owner."""
    return getattr(request, "guest", None)
