"""Endpoints of the session."""

from typing import Any

from django.conf import settings
from django.contrib.auth import logout
from django.contrib.auth.models import User
from django.http import HttpRequest
from django.middleware.csrf import get_token
from ninja import Router, Status
from ninja.errors import HttpError
from ninja.utils import check_csrf

from server.accounts import forgotten, services
from server.accounts.demo import is_demo, seen
from server.accounts.schemas import (
    Credentials,
    Forgotten,
    MailBody,
    NewPassword,
    PreferencesBody,
    ResetBody,
    SessionOut,
    SignInOut,
    TypedName,
)
from server.accounts.signed_in import SignedInRequest, account_id
from server.kernel.described import LIMITED_ATTEMPTS

router = Router()


def same_site(request: HttpRequest) -> bool:
    """Lets anybody in whose request carries our CSRF token: nobody is signed in or out by another site."""
    return check_csrf(request) is None


def session_of(request: HttpRequest) -> SessionOut:
    """Who is signed in, and what they like."""
    user = request.user
    kept = services.preferences(user) if user.is_authenticated else None
    taste: dict[str, Any] = {"units": "metric", "theme": "day"}
    if kept:
        taste = {"units": kept.units, "theme": kept.theme}
    return SessionOut(
        name=user.username if user.is_authenticated else None,
        account=account_id(user) if user.is_authenticated else None,
        mail=settings.MAIL_SET_UP,
        email=user.email if user.is_authenticated else "",
        demo_mode=settings.DEMO_MODE,
        in_demo=is_demo(user),
        **taste,
    )


@router.get("", response=SessionOut, auth=None)
def session(request: HttpRequest) -> SessionOut:
    """Who is signed in. Also hands out the CSRF cookie that every change needs."""
    get_token(request)
    if isinstance(request.user, User) and is_demo(request.user):
        seen(request.user)
    return session_of(request)


@router.post("/sign-up", response=SessionOut, auth=same_site, openapi_extra=LIMITED_ATTEMPTS)
def sign_up(request: HttpRequest, payload: Credentials) -> SessionOut:
    """Make an account and sign in."""
    services.sign_up(request, payload.name, payload.password)
    return session_of(request)


@router.post("/sign-in", response=SessionOut, auth=same_site, openapi_extra=LIMITED_ATTEMPTS)
def sign_in(request: HttpRequest, payload: Credentials) -> SessionOut:
    """Sign in."""
    services.sign_in(request, payload.name, payload.password)
    return session_of(request)


@router.post("/sign-out", response=SessionOut, auth=same_site)
def sign_out(request: HttpRequest) -> SessionOut:
    """Sign out."""
    logout(request)
    return session_of(request)


@router.put("/preferences", response=SessionOut)
def save_preferences(request: SignedInRequest, payload: PreferencesBody) -> SessionOut:
    """Keep units and theme."""
    kept = services.preferences(request.user)
    kept.units, kept.theme = payload.units, payload.theme
    kept.save()
    return session_of(request)


def _own(request: SignedInRequest) -> User:
    """Whose account it is. Raises HttpError in the demo, whose visitors have none."""
    if is_demo(request.user):
        raise HttpError(403, "The demo has no password. It is deleted after a day without use.")
    return request.user


@router.post("/password", response=SessionOut, openapi_extra=LIMITED_ATTEMPTS)
def change_password(request: SignedInRequest, payload: NewPassword) -> SessionOut:
    """Change the password. Every other device is signed out."""
    services.change_password(request, _own(request), payload.old, payload.new)
    return session_of(request)


@router.post("/sign-out-everywhere", response=SessionOut)
def sign_out_everywhere(request: SignedInRequest) -> SessionOut:
    """Sign out on every device, this one too."""
    services.sign_out_everywhere(_own(request))
    logout(request)
    return session_of(request)


@router.post("/delete", response=SessionOut)
def delete_account(request: SignedInRequest, payload: TypedName) -> SessionOut:
    """Delete the account with gear, carriers, trips and all that was noted, for good."""
    services.delete_account(_own(request), payload.name)
    logout(request)
    return session_of(request)


@router.get("/sign-ins", response=list[SignInOut])
def list_sign_ins(request: SignedInRequest) -> list[SignInOut]:
    """Where the account is signed in."""
    key = request.session.session_key
    rows = services.sign_ins(_own(request))
    return [SignInOut(id=row.pk, since=row.since, device=row.device, here=row.session_key == key) for row in rows]


@router.delete("/sign-ins/{number}", response={204: None})
def end_sign_in(request: SignedInRequest, number: int) -> Status[None]:
    """Sign out on one device."""
    services.end_sign_in(_own(request), number)
    return Status(204, None)


@router.put("/email", response=SessionOut)
def keep_email(request: SignedInRequest, payload: MailBody) -> SessionOut:
    """Keep where to write to when the password is forgotten."""
    forgotten.keep_address(_own(request), payload.email.strip())
    return session_of(request)


@router.post("/forgotten", response=SessionOut, auth=same_site, openapi_extra=LIMITED_ATTEMPTS)
def forget(request: HttpRequest, payload: Forgotten) -> SessionOut:
    """Write a letter with a link, to the address of that account; the answer does not tell whether there is one."""
    forgotten.write_letter(request, payload.who)
    return session_of(request)


@router.post("/reset", response=SessionOut, auth=same_site, openapi_extra=LIMITED_ATTEMPTS)
def reset(request: HttpRequest, payload: ResetBody) -> SessionOut:
    """Set a new password by a link, and sign in."""
    services.enter(request, forgotten.reset(payload.link, payload.password))
    return session_of(request)
