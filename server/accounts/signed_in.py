"""A request of somebody who has signed in: what every operation gets that does not say otherwise."""

from collections.abc import Callable
from typing import Any

from django.contrib.auth.models import User
from django.http import HttpRequest
from django.utils.crypto import salted_hmac
from ninja.security import SessionAuth

from server.kernel.actor import Actor
from server.kernel.headers import ACCOUNT_HEADER
from server.kernel.refusals import OtherAccount


class SignedInRequest(HttpRequest):
    """For annotations only: the API refuses everybody else before an operation is called.

    auth: who makes the request, and whose data it works on. user: who signed in on this device; for a guest, not the
    owner of the trip.
    """

    auth: Actor
    user: User


def account_id(user: User) -> str:
    """What a page calls an account by: no name, and of no use elsewhere."""
    return salted_hmac("account", str(user.pk)).hexdigest()[:16]


class SignedIn(SessionAuth):
    """Lets in who is signed in, through the page of that account. Raises OtherAccount for another's."""

    def __init__(self, guest_actor: Callable[[HttpRequest], Actor | None]) -> None:
        """guest_actor: gives the guest and the trip's owner; None if the request names no link."""
        super().__init__()
        self._guest_actor = guest_actor

    def authenticate(self, request: HttpRequest, key: str | None) -> Any:
        """The user with their own data, a guest with the owner's where the link allows it, or None."""
        guest = self._guest_actor(request)
        if guest is not None:
            return guest
        user = request.user
        if not isinstance(user, User):
            return None
        told = request.headers.get(ACCOUNT_HEADER)
        if told and told != account_id(user):
            raise OtherAccount
        return Actor(user)
