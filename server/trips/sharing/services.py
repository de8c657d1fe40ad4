"""Verbs of sharing: make a link, open it, take it back."""

from datetime import date
from hashlib import sha256
from secrets import token_urlsafe

from django.contrib.auth.models import User
from django.http import HttpRequest

from mule.base.errors import InvalidInput, Problem
from server.kernel.documents import find
from server.kernel.errors import NotFound
from server.trips.models import Trip
from server.trips.sharing.guests import valid_links
from server.trips.sharing.models import Companion, ShareLink

MOST_LINKS = 40
# 256 bits: nobody comes upon one by trying.
_SECRET_BYTES = 32


def _hash(secret: str) -> str:
    return sha256(secret.encode()).hexdigest()


def links(owner: User, slug: str) -> list[ShareLink]:
    """Links of a trip that were not taken back. Raises NotFound."""
    return list(find(Trip, owner, slug, "trip").links.filter(revoked=False))


def make(owner: User, slug: str, role: str, note: str, until: date | None) -> tuple[ShareLink, str]:
    """A new link and its secret, which nobody can read again. Raises NotFound, InvalidInput."""
    trip = find(Trip, owner, slug, "trip")
    if trip.links.filter(revoked=False).count() >= MOST_LINKS:
        raise InvalidInput([Problem("role", role, f"at most {MOST_LINKS} links: revoke one first")])
    secret = token_urlsafe(_SECRET_BYTES)
    return ShareLink.objects.create(trip=trip, role=role, note=note, until=until, secret_hash=_hash(secret)), secret


def revoke(owner: User, slug: str, number: int) -> None:
    """Takes a link back; whoever has opened it is out with the next click. Raises NotFound."""
    if not find(Trip, owner, slug, "trip").links.filter(pk=number, revoked=False).update(revoked=True):
        raise NotFound("link", str(number))


def open_link(request: HttpRequest, secret: str, name: str) -> ShareLink:
    """Opens a link on this device under a name, or for the account that plans along.

    Raises InvalidInput, which does not tell why it opens nothing.
    """
    link: ShareLink | None = valid_links().filter(secret_hash=_hash(secret)).first()
    if link is None:
        raise InvalidInput([Problem("secret", "", "this link is wrong, has expired or was revoked")])
    if link.role == "plan":
        _come_along(request, link)
        return link
    if link.role == "pack" and not name.strip():
        raise InvalidInput([Problem("name", "", "enter your name, so others see who ticked what")])
    request.session["guest"] = {**request.session.get("guest", {}), str(link.pk): name.strip()}
    return link


def _come_along(request: HttpRequest, link: ShareLink) -> None:
    account = request.user
    if not isinstance(account, User):
        raise InvalidInput([Problem("account", "", "sign in to your account, then open the link again")])
    if account == link.trip.owner:
        raise InvalidInput([Problem("name", "", "this trip is your own")])
    Companion.objects.get_or_create(link=link, account=account)


def along(account: User) -> list[ShareLink]:
    """Links by which an account plans along, that hold."""
    return list(valid_links().filter(companions__account=account))
