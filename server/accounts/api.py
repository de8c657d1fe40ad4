"""Endpoints of the session."""

from typing import Any

from django.conf import settings
from django.contrib.auth import login, logout
from django.http import HttpRequest
from django.middleware.csrf import get_token
from ninja import Router
from ninja.errors import HttpError
from ninja.utils import check_csrf

from server.accounts import services
from server.accounts.schemas import Credentials, PreferencesBody, SessionOut
from server.accounts.signed_in import SignedInRequest
from server.demo.services import DEMO_NAME, demo_user

router = Router()


def same_site(request: HttpRequest) -> bool:
    """Lets anybody in whose request carries our CSRF token: nobody is signed in or out by another site."""
    return check_csrf(request) is None


def _session(request: HttpRequest) -> SessionOut:
    user = request.user
    kept = services.preferences(user) if user.is_authenticated else None
    taste: dict[str, Any] = {"units": "metric", "theme": "day"}
    if kept:
        taste = {"units": kept.units, "theme": kept.theme}
    return SessionOut(
        name=user.username if user.is_authenticated else None,
        demo_mode=settings.DEMO_MODE,
        in_demo=user.is_authenticated and user.username == DEMO_NAME,
        **taste,
    )


@router.get("", response=SessionOut, auth=None)
def session(request: HttpRequest) -> SessionOut:
    """Who is signed in. Also hands out the CSRF cookie that every change needs."""
    get_token(request)
    return _session(request)


@router.post("/sign-up", response=SessionOut, auth=same_site)
def sign_up(request: HttpRequest, payload: Credentials) -> SessionOut:
    """Make an account and sign in."""
    services.sign_up(request, payload.name, payload.password)
    return _session(request)


@router.post("/sign-in", response=SessionOut, auth=same_site)
def sign_in(request: HttpRequest, payload: Credentials) -> SessionOut:
    """Sign in."""
    services.sign_in(request, payload.name, payload.password)
    return _session(request)


@router.post("/sign-out", response=SessionOut, auth=same_site)
def sign_out(request: HttpRequest) -> SessionOut:
    """Sign out."""
    logout(request)
    return _session(request)


@router.post("/demo", response=SessionOut, auth=same_site)
def step_into_demo(request: HttpRequest) -> SessionOut:
    """Sign in as the demo's photographer; only in demo mode."""
    if not settings.DEMO_MODE:
        raise HttpError(404, "This server has no demo.")
    login(request, demo_user())
    return _session(request)


@router.put("/preferences", response=SessionOut)
def save_preferences(request: SignedInRequest, payload: PreferencesBody) -> SessionOut:
    """Keep units and theme."""
    kept = services.preferences(request.user)
    kept.units, kept.theme = payload.units, payload.theme
    kept.save()
    return _session(request)
