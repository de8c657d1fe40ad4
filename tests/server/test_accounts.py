"""Accounts: signing up, in and out, preferences, and who may do what."""

from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client

from server.demo.services import DEMO_NAME
from tests.server.conftest import asker, errors

pytestmark = pytest.mark.django_db
WORDS = {"name": "Marit", "password": "a long password"}


def test_signing_up_signs_in() -> None:
    ask = asker(None)
    assert ask("get", "/session").json()["name"] is None
    assert ask("post", "/session/sign-up", WORDS).json()["name"] == "Marit"
    assert ask("get", "/session").json()["name"] == "Marit"
    assert ask("post", "/session/sign-out", {}).json()["name"] is None
    assert ask("post", "/session/sign-in", WORDS).json()["name"] == "Marit"


@pytest.mark.parametrize(
    ("change", "field"),
    [({"password": "short"}, "password"), ({"password": "password123"}, "password"), ({"name": " "}, "name")],
)
def test_a_weak_password_or_an_empty_name_is_refused_at_its_field(change: dict[str, str], field: str) -> None:
    response = asker(None)("post", "/session/sign-up", WORDS | change)
    assert response.status_code == 422
    assert field in errors(response)
    assert not User.objects.exists()


def test_a_taken_name_is_refused_and_the_account_stays_as_it_was(owner: User) -> None:
    response = asker(None)("post", "/session/sign-up", WORDS | {"name": "Ines"})
    assert "name" in errors(response)
    assert User.objects.count() == 1


def test_a_wrong_password_does_not_say_whether_the_name_exists(owner: User) -> None:
    ask = asker(None)
    known = ask("post", "/session/sign-in", {"name": "Ines", "password": "wrong"})
    unknown = ask("post", "/session/sign-in", {"name": "Nobody", "password": "wrong"})
    assert errors(known) == errors(unknown)


def test_preferences_stay_with_the_account(ask: Any, owner: User) -> None:
    assert ask("put", "/session/preferences", {"units": "imperial", "theme": "red"}).status_code == 200
    again = asker(owner)("get", "/session").json()
    assert (again["units"], again["theme"]) == ("imperial", "red")
    assert "theme" in errors(ask("put", "/session/preferences", {"units": "metric", "theme": "pink"}))


def test_stepping_into_the_demo_makes_the_demo_world_once() -> None:
    first, second = asker(None), asker(None)
    assert first("post", "/session/demo", {}).json()["in_demo"]
    trips = first("get", "/trips").json()
    assert [t["trip"]["id"] for t in trips] == ["lofoten", "karst", "canoe"]
    second("post", "/session/demo", {})
    assert len(second("get", "/trips").json()) == 3
    assert User.objects.filter(username=DEMO_NAME).count() == 1


def test_nobody_signs_in_to_the_demo_with_a_password() -> None:
    asker(None)("post", "/session/demo", {})
    for password in ("", "!", "demo"):
        body = {"name": DEMO_NAME, "password": password}
        assert asker(None)("post", "/session/sign-in", body).status_code == 422


def test_without_demo_mode_there_is_no_demo(settings: Any) -> None:
    settings.DEMO_MODE = False
    assert asker(None)("post", "/session/demo", {}).status_code == 404


PATHS = [
    ("get", "/locker/things"),
    ("get", "/carriers"),
    ("get", "/trips"),
    ("get", "/trips/lofoten/kits/a"),
    ("post", "/exchange/plans"),
    ("put", "/session/preferences"),
]


@pytest.mark.parametrize(("method", "path"), PATHS)
def test_everything_else_needs_a_session(method: str, path: str) -> None:
    response = asker(None)(method, path, {} if method != "get" else None)
    assert response.status_code == 401
    assert response.json()["title"] == "Sign in first."


@pytest.mark.parametrize("path", ["/session/sign-in", "/session/sign-up", "/session/demo", "/session/sign-out"])
def test_no_other_site_can_sign_anybody_in_or_out(path: str) -> None:
    response = asker(None, enforce_csrf_checks=True)("post", path, WORDS)
    assert response.status_code == 401


def test_a_change_without_the_csrf_token_is_refused(owner: User) -> None:
    ask = asker(owner, enforce_csrf_checks=True)
    assert ask("post", "/locker/from-typical", {"typical": "body-ff-45"}).status_code in (401, 403)


def test_every_other_path_is_the_web_app_and_unknown_api_paths_are_not() -> None:
    client = Client()
    assert client.get("/trips/lofoten/a/bench").status_code in (200, 503)
    assert client.get("/api/nothing").status_code == 404
