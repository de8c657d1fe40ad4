"""A request of somebody who has signed in: what every operation gets that does not say otherwise."""

from collections.abc import Callable
from typing import Any

from django.contrib.auth.models import User
from django.http import HttpRequest
from django.utils.crypto import salted_hmac
from ninja.security import SessionAuth

from server.kernel.headers import ACCOUNT_HEADER
from server.kernel.refusals import OtherAccount


class SignedInRequest(HttpRequest):
    """For annotations only: the API refuses everybody else before an operation is called."""

    user: User


def account_id(user: User) -> str:
    """What a page calls an account by: no name, and of no use elsewhere."""
    return salted_hmac("account", str(user.pk)).hexdigest()[:16]


class SignedIn(SessionAuth):
    """Lets in who is signed in, through the page of that account. Raises OtherAccount for another's."""

    def __init__(self, guest_of: Callable[[HttpRequest], User | None]) -> None:
        """guest_of: the owner on whose trip a guest acts; None where nobody speaks through a link."""
        super().__init__()
        self._guest_of = guest_of

    def authenticate(self, request: HttpRequest, key: str | None) -> Any:
        """The user, or None; for a guest the owner of the trip, where the link allows it."""
        owner = self._guest_of(request)
        if owner is not None:
            return owner
        user = request.user
        if not user.is_authenticated:
            return None
        told = request.headers.get(ACCOUNT_HEADER)
        if told and told != account_id(user):
            raise OtherAccount
        return user
