"""Accounts: signing up, in and out, preferences, and who may do what."""

from datetime import timedelta
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.contrib.sessions.models import Session
from django.test import Client
from django.utils import timezone

from mule.plan import Plan, write
from server.accounts.demo import DEMO_NAME
from server.library.locker.models import Thing
from server.trips.models import Trip
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


# Names and passwords.


def signed_up(name: str = "Marit") -> Any:
    ask = asker(None)
    assert ask("post", "/session/sign-up", {"name": name, "password": "a long password"}).status_code == 200
    return ask


def test_a_name_is_one_name_however_it_is_written() -> None:
    signed_up("Ines  María")
    taken = asker(None)("post", "/session/sign-up", {"name": "ines mari\u0301a", "password": "a long password"})
    assert "name" in errors(taken)
    ask = asker(None)
    assert ask("post", "/session/sign-in", {"name": " INES MARÍA", "password": "a long password"}).status_code == 200
    assert ask("get", "/session").json()["name"] == "Ines María"


def test_accounts_of_before_that_differ_by_capitals_alone_are_still_two() -> None:
    for name in ("marit", "Marit"):
        User.objects.create_user(username=name, password=f"{name} has a long one")
    for name in ("marit", "Marit"):
        ask = asker(None)
        assert ask("post", "/session/sign-in", {"name": name, "password": f"{name} has a long one"}).status_code == 200
        assert ask("get", "/session").json()["name"] == name


def test_the_name_is_no_password() -> None:
    refused = asker(None)("post", "/session/sign-up", {"name": "Marit Sørensen", "password": "marit sørensen"})
    assert "password" in errors(refused)


def test_a_new_password_ends_every_other_session() -> None:
    here, there = signed_up(), asker(None)
    there("post", "/session/sign-in", WORDS)
    wrong = here("post", "/session/password", {"old": "not it at all", "new": "another long one"})
    assert "old" in errors(wrong)
    assert "new" in errors(here("post", "/session/password", {"old": WORDS["password"], "new": "short"}))
    assert there("get", "/trips").status_code == 200
    changed = here("post", "/session/password", {"old": WORDS["password"], "new": "another long one"})
    assert changed.json()["name"] == "Marit"
    assert here("get", "/trips").status_code == 200
    assert there("get", "/trips").status_code == 401
    assert asker(None)("post", "/session/sign-in", WORDS).status_code == 422
    again = asker(None)("post", "/session/sign-in", {"name": "Marit", "password": "another long one"})
    assert again.status_code == 200


def test_signing_out_everywhere_ends_all_sessions_of_this_account_only() -> None:
    here, there, other = signed_up(), asker(None), signed_up("Ines")
    there("post", "/session/sign-in", WORDS)
    assert here("post", "/session/sign-out-everywhere", {}).json()["name"] is None
    assert [ask("get", "/trips").status_code for ask in (here, there, other)] == [401, 401, 200]


def test_an_account_is_deleted_with_all_that_is_its_own_once_its_name_is_typed(plan: Plan) -> None:
    here, there = signed_up(), asker(None)
    there("post", "/session/sign-in", WORDS)
    other = signed_up("Ines")
    for ask in (here, other):
        assert ask("post", "/exchange/plans", write(plan).encode()).status_code == 201
    assert "name" in errors(here("post", "/session/delete", {"name": "marit"}))
    assert here("post", "/session/delete", {"name": "Marit"}).json()["name"] is None
    assert [ask("get", "/trips").status_code for ask in (here, there, other)] == [401, 401, 200]
    assert set(User.objects.values_list("username", flat=True)) == {"Ines"}
    assert len(other("get", "/trips").json()) == 1
    for model in (Thing, Trip):
        assert set(model.objects.values_list("owner__username", flat=True)) == {"Ines"}
    assert Session.objects.count() == 1


def test_the_demo_has_no_password_and_no_end_by_hand() -> None:
    ask = asker(None)
    name = ask("post", "/session/demo", {}).json()["name"]
    for path, body in (
        ("password", {"old": "a", "new": "another long one"}),
        ("sign-out-everywhere", {}),
        ("delete", {"name": name}),
    ):
        assert ask("post", f"/session/{path}", body).status_code == 403
    assert User.objects.filter(username=name).exists()


def test_each_visitor_has_a_demo_of_their_own_until_a_day_of_rest() -> None:
    first, second = asker(None), asker(None)
    names = [ask("post", "/session/demo", {}).json()["name"] for ask in (first, second)]
    assert len(set(names)) == 2
    bench = first("get", "/trips/lofoten/kits/a").json()
    item = bench["state"]["kit"]["entries"][0]["item"]
    body = {"version": bench["state"]["version"], "edits": [{"act": "leave", "item": item}]}
    assert first("post", "/trips/lofoten/kits/a/edits", body).status_code == 200
    assert second("get", "/trips/lofoten/kits/a").json()["state"]["kit"] == bench["state"]["kit"]
    fields = [ask("get", "/field/lofoten").json() for ask in (first, second)]
    assert fields[0]["marks"] == fields[1]["marks"] != []
    # Stepping in again is stepping into the same world.
    assert first("post", "/session/demo", {}).json()["name"] == names[0]
    User.objects.filter(username=names[1]).update(last_login=timezone.now() - timedelta(hours=30))
    asker(None)("post", "/session/demo", {})
    assert User.objects.filter(username=names[0]).exists()
    assert not User.objects.filter(username=names[1]).exists()
    assert second("get", "/trips").status_code == 401


def test_who_signs_up_under_such_a_name_is_no_visitor() -> None:
    ask = asker(None)
    words = {"name": f"{DEMO_NAME} the second", "password": "a long password"}
    assert not ask("post", "/session/sign-up", words).json()["in_demo"]
    User.objects.update(last_login=timezone.now() - timedelta(days=9))
    asker(None)("post", "/session/demo", {})
    assert User.objects.filter(username=words["name"]).exists()
