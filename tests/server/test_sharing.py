"""Trips opened by a link: what each role may ask of the API, from its own description, and nothing else."""

import re
from collections.abc import Iterator
from datetime import timedelta
from typing import Any
from uuid import uuid4

import pytest
from django.contrib.auth.models import User
from django.utils import timezone

from mule.plan import Plan
from server.api import api
from server.exchange.services import import_plan
from server.trips.models import Trip
from server.trips.sharing.guests import ALLOWED
from server.trips.sharing.models import ShareLink
from tests.server.conftest import asker, errors

pytestmark = pytest.mark.django_db
# What anybody may ask who is not signed in.
OPEN = {
    ("get", "/api/session"),
    ("post", "/api/session/sign-in"),
    ("post", "/api/session/sign-up"),
    ("post", "/api/session/sign-out"),
    ("post", "/api/session/demo"),
    ("post", "/api/session/forgotten"),
    ("post", "/api/session/reset"),
    ("post", "/api/sharing/open"),
    ("get", "/api/window"),
}


def operations() -> Iterator[tuple[str, str]]:
    """Every operation of the API's own description."""
    for path, methods in api.get_openapi_schema()["paths"].items():
        for method in methods:
            yield method, path


def link(owner: User, slug: str, role: str, **more: Any) -> dict[str, Any]:
    made: dict[str, Any] = asker(owner)("post", f"/sharing/{slug}/links", {"role": role, **more}).json()
    return made


def guest(secret: str, name: str = "Marit", account: User | None = None) -> Any:
    """Somebody who opened a link; everything they ask says so."""
    ask = asker(account)
    opened = ask("post", "/sharing/open", {"secret": secret, "name": name})
    assert opened.status_code == 200, opened.content
    number = str(opened.json()["link"])
    return lambda method, path, body=None: ask(method, path, body, HTTP_X_SHARE=number)


def filled(path: str, slug: str) -> str:
    named = {"slug": slug, "kit": "a", "trip": slug, "number": "1", "form": "csv", "what": "loaded", "loadout": "x"}
    return re.sub(r"\{(\w+)\}", lambda m: named.get(m[1], "x"), path).removeprefix("/api")


@pytest.fixture
def other_trip(owner: User, stored: Plan) -> str:
    return import_plan(owner, stored).slug


@pytest.mark.parametrize("role", ["nobody", "stranger", "look", "pack", "plan"])
def test_each_role_may_ask_what_the_table_says_and_nothing_else(
    role: str, owner: User, stranger: User, stored: Plan, other_trip: str
) -> None:
    slug = stored.trip.id
    ask = asker({"stranger": stranger}.get(role))
    if role in ALLOWED:
        ask = guest(link(owner, slug, role)["secret"], account=stranger if role == "plan" else None)
    seen = set()
    for method, path in operations():
        route = path.removeprefix("/api/").replace("{", "<").replace("}", ">")
        allowed = (method.upper(), route) in ALLOWED.get(role, frozenset())
        if (method, path) in OPEN:
            continue
        if role == "stranger":
            # One of the operations signs out everywhere.
            ask = asker(stranger)
        body: dict[str, Any] | None = {} if method in ("post", "put") else None
        status = ask(method, filled(path, slug), body).status_code
        if role == "nobody":
            assert status in (401, 403), (method, path, status)
        elif role == "stranger" and "{slug}" in path and not path.startswith("/api/carriers"):
            assert status in (404, 422), (method, path, status)
        elif allowed:
            seen.add((method.upper(), route))
            # The last kit of a trip stays, and nothing of that name was lent.
            assert status in (200, 422) or (method == "delete" and status in (404, 409)), (method, path, status)
            # The same of another trip of the same owner.
            assert ask(method, filled(path, other_trip), body).status_code == 403
        elif role in ALLOWED:
            assert status == 403, (method, path, status)
    assert seen == ALLOWED.get(role, frozenset())


def test_a_guest_sees_what_is_loaded_and_nothing_private(owner: User, stored: Plan) -> None:
    asked = asker(owner)
    slug = stored.trip.id
    own = asked("get", f"/trips/{slug}/kits/a").json()
    bench = guest(link(owner, slug, "look")["secret"], "")("get", f"/trips/{slug}/kits/a").json()
    loaded = {entry["item"] for entry in own["state"]["kit"]["entries"]}
    assert {doc["thing"]["id"] for doc in bench["gear"]} == loaded < {doc["thing"]["id"] for doc in own["gear"]}
    assert {doc["thing"]["serial"] for doc in bench["gear"]} == {""}
    assert {person["body_mass_kg"] for person in bench["trip"]["trip"]["people"]} == {None}
    without_shares = own["state"]["assessment"]
    for person in without_shares["loads"]["people"]:
        # What somebody carries, as a share of their body mass, would say that mass.
        person["share"] = None
    assert bench["state"]["assessment"] == without_shares
    assert Trip.objects.get(slug=slug).version == own["trip"]["version"]


def unstamped(answer: Any) -> Any:
    """An answer without what says only of which version it is."""
    told = answer.json()

    def stripped(value: Any) -> Any:
        if isinstance(value, dict):
            return {k: stripped(v) for k, v in value.items() if k not in ("version", "stamp")}
        return [stripped(one) for one in value] if isinstance(value, list) else value

    assert answer.status_code == 200, answer.content
    return stripped(told)


@pytest.mark.parametrize("role", ["look", "pack"])
def test_no_answer_to_a_visitor_changes_with_what_somebody_weighs(owner: User, stored: Plan, role: str) -> None:
    slug, ask = stored.trip.id, asker(owner)
    visit = guest(link(owner, slug, role)["secret"])
    reads = [route.replace("<slug>", slug).replace("<kit>", "a") for verb, route in ALLOWED[role] if verb == "GET"]
    seen = []
    # 2.9 kg is a seventh of 20 kg, which is said of a load, and a fiftieth of 140 kg, which is not.
    for body, comfortable in ((20.0, 1.0), (140.0, 60.0)):
        doc = ask("get", f"/trips/{slug}").json()
        told = {"body_mass_kg": body, "carries_well_kg": comfortable}
        people = [person | told for person in doc["trip"]["people"]]
        assert ask("put", f"/trips/{slug}", doc | {"trip": doc["trip"] | {"people": people}}).status_code == 200
        seen.append([unstamped(visit("get", f"/{route}")) for route in sorted(reads)])
    assert seen[0] == seen[1]


def mark(**what: Any) -> dict[str, Any]:
    now = timezone.now().isoformat()
    return {"id": str(uuid4()), "device": "phone", "seq": 1, "at": now, "after": [], "by": "the owner", "what": what}


def test_whoever_packs_ticks_and_notes_under_their_own_name(owner: User, stored: Plan) -> None:
    slug = stored.trip.id
    marit = guest(link(owner, slug, "pack")["secret"])
    line = marit("get", f"/field/{slug}/kits/a/list").json()["bags"][0]["lines"][0]["id"]
    sent = [mark(do="tick", line=line, done=True), mark(do="note", day="2027-02-21", text="Hut key under the mat")]
    told = marit("post", f"/field/{slug}/marks", {"marks": sent}).json()
    assert told["refused"] == []
    # Sent twice it is one; and the owner sees who it was.
    assert marit("post", f"/field/{slug}/marks", {"marks": sent}).json()["refused"] == []
    marks = asker(owner)("get", f"/field/{slug}").json()["marks"]
    assert [m["by"] for m in marks] == ["Marit", "Marit"]
    own = mark(do="tick", line=line, done=False)
    asker(owner)("post", f"/field/{slug}/marks", {"marks": [own]})
    assert asker(owner)("get", f"/field/{slug}").json()["marks"][-1]["by"] is None


def test_a_link_is_long_its_secret_is_not_kept_and_it_ends(owner: User, stored: Plan) -> None:
    slug = stored.trip.id
    made = link(owner, slug, "look", note="for Marit")
    assert len(made["secret"]) >= 40
    row = ShareLink.objects.get()
    assert made["secret"] not in str(row.__dict__)
    listed = asker(owner)("get", f"/sharing/{slug}/links").json()
    assert [(one["note"], one["secret"]) for one in listed] == [("for Marit", "")]
    looks = guest(made["secret"])
    assert looks("get", f"/trips/{slug}").status_code == 200
    row.until = timezone.localdate() - timedelta(days=1)
    row.save()
    assert looks("get", f"/trips/{slug}").status_code == 401
    row.until = None
    row.save()
    assert asker(owner)("delete", f"/sharing/{slug}/links/{row.pk}").status_code == 204
    assert looks("get", f"/trips/{slug}").status_code == 401
    assert asker(owner)("get", f"/sharing/{slug}/links").json() == []


@pytest.mark.parametrize("secret", ["", "x", "a" * 43])
def test_a_wrong_link_opens_nothing_and_does_not_say_why(owner: User, stored: Plan, secret: str) -> None:
    link(owner, stored.trip.id, "look")
    refused = asker(None)("post", "/sharing/open", {"secret": secret})
    assert list(errors(refused)) == ["secret"]


def test_who_packs_says_a_name(owner: User, stored: Plan) -> None:
    made = link(owner, stored.trip.id, "pack")
    assert "name" in errors(asker(None)("post", "/sharing/open", {"secret": made["secret"], "name": " "}))


def test_a_link_of_one_device_is_no_key_on_another(owner: User, stored: Plan) -> None:
    slug = stored.trip.id
    guest(link(owner, slug, "look")["secret"])
    other = asker(None)
    other("get", "/session")
    assert other("get", f"/trips/{slug}", HTTP_X_SHARE=str(ShareLink.objects.get().pk)).status_code == 401


def test_nobody_makes_links_to_anothers_trip(ask_as_stranger: Any, stored: Plan) -> None:
    assert ask_as_stranger("post", f"/sharing/{stored.trip.id}/links", {"role": "look"}).status_code == 404
