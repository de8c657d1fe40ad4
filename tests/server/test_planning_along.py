"""Planning along: an account of one's own edits the trip of another, lends things to it, and sees nothing else."""

from typing import Any

import pytest
from django.contrib.auth.models import User

from mule.plan import Plan
from mule.plan.gear import parse
from server.exchange.archive import archive_of, restore
from server.library.locker import services as locker
from server.library.locker.convert import locker_of
from server.library.locker.models import Thing
from server.trips.models import Kit, LentThing, Trip
from server.trips.sharing.guests import PLAN
from server.trips.sharing.models import ShareLink
from tests import cast
from tests.server.conftest import Ask, asker, errors
from tests.server.test_sharing import guest, link

pytestmark = pytest.mark.django_db
HIDDEN = "Quillfeather"


@pytest.fixture
def slug(stored: Plan) -> str:
    return stored.trip.id


@pytest.fixture
def marit(owner: User, stranger: User, slug: str) -> Ask:
    """Whoever plans along: an account of its own, with a lens, and a head that a bracket does not work without."""
    for thing in (cast.lens("fifty", 50, 50, 1.8), cast.lens("wide", 14, 14, 2.8, needs=("fifty",), serial="S-1")):
        locker.add(stranger, thing)
    made: Ask = guest(link(owner, slug, "plan")["secret"], account=stranger)
    return made


def bench(ask: Ask, slug: str) -> dict[str, Any]:
    told: dict[str, Any] = ask("get", f"/trips/{slug}/kits/a").json()
    return told


def edit(ask: Ask, slug: str, **act: Any) -> Any:
    version = bench(ask, slug)["state"]["version"]
    return ask("post", f"/trips/{slug}/kits/a/edits", {"version": version, "edits": [act]})


def lend(ask: Ask, slug: str, *items: str) -> dict[str, str]:
    """Ids on the trip, by those in the lender's locker."""
    told = ask("post", f"/trips/{slug}/lent", {"items": list(items)})
    assert told.status_code == 201, told.content
    return {one["source"]: one["item"] for one in told.json()}


def hide_what_is_left(owner: User) -> set[str]:
    """Gives what no kit loads a name that must turn up nowhere; gives its ids."""
    loaded = {entry["item"] for kit in Kit.objects.filter(trip__owner=owner) for entry in kit.entries}
    left = [thing for thing in locker_of(owner) if thing.id not in loaded]
    for number, thing in enumerate(left):
        row = Thing.objects.get(owner=owner, slug=thing.id)
        named = parse(row.spec | {"name": f"{HIDDEN} {number}"})
        locker.replace(owner, thing.id, row.version, named)
    assert left
    return {thing.id for thing in left}


BODIES: dict[str, Any] = {
    "kits": {"name": "Mine"},
    "edits": {"edits": [{"act": "leave", "item": "body"}]},
    "choose": {"seconds": 0.3, "points": 3, "others": True},
    "stowage": {"seconds": 0.3},
    "lent": {"items": ["fifty"]},
}


def test_no_answer_names_what_no_kit_loads(owner: User, marit: Ask, slug: str) -> None:
    hidden = hide_what_is_left(owner)
    answered = set()
    marit("post", f"/trips/{slug}/kits", {"name": "Second", "copy_of": "a"})
    # What changes the kit comes last but one, what takes it away last.
    for method, route in sorted(PLAN, key=lambda one: ("DELETE" in one, "edits" in one[1], one)):
        path = "/" + route.replace("<slug>", slug).replace("<kit>", "a").replace("<loadout>", "day")
        path += "?kits=a,b" if path.endswith("compare") else ""
        body = None
        if method in ("POST", "PUT"):
            version = bench(marit, slug)["state"]["version"]
            body = {"version": version} | BODIES.get(route.rsplit("/", 1)[-1], {})
        told = marit(method.lower(), path, body)
        text = b"".join(told.streaming_content).decode() if told.streaming else told.content.decode()
        assert HIDDEN not in text, (method, path)
        assert not {f'"{item}"' for item in hidden} & set(text.replace(":", " ").replace(",", " ").split()), path
        if told.status_code in (200, 201):
            answered.add((method, route))
    assert len(answered) > 20, "most of them were answered, not refused"
    # The owner sees it all the same.
    assert HIDDEN in asker(owner)("get", "/locker/things").content.decode()


def test_what_is_left_cannot_be_loaded_by_guessing_its_name(owner: User, marit: Ask, slug: str) -> None:
    for item in hide_what_is_left(owner):
        assert edit(marit, slug, act="load", item=item).status_code == 422


def namings(item: str, loaded: str) -> dict[str, tuple[str, str, dict[str, Any]]]:
    """Every way in which a companion could name gear in what is stored: method, path and body, without version."""
    place = {"where": "worn", "person": "ines"}
    stow: dict[str, list[dict[str, Any]]] = {
        "pins": [{"item": item, "bag": "bag"}],
        "pins in": [{"item": loaded, "bag": item}],
        "mounts": [{"body": loaded, "lens": item}],
        "nests": [{"outer": item, "inner": loaded}],
        "wishes": [{"item": item, "access": "quick"}],
        "hangs": [{"item": item, "bag": "bag", "side": "left"}],
        "rides": [{"bag": item, "at": "back"}],
        "loadouts": [{"id": "day", "name": "Day", "entries": [{"item": item, "place": place}]}],
        "loadouts in": [
            {"id": "day", "name": "Day", "entries": [{"item": loaded, "place": {"where": "bag", "bag": item}}]}
        ],
        "loadouts on": [{"id": "day", "name": "Day", "mounts": [{"body": loaded, "lens": item}]}],
    }
    ways: dict[str, tuple[str, str, dict[str, Any]]] = {
        sort: ("put", "kits/a/stow", {"stow": {sort.split()[0]: wish}}) for sort, wish in stow.items()
    }
    ways["entries"] = ("post", "kits", {"name": "New", "entries": [{"item": item, "place": place}]})
    ways["edits"] = ("post", "kits/a/edits", {"edits": [{"act": "load", "item": item}]})
    for mark in ("must_take", "must_leave"):
        ways[mark] = ("put", "", {"marks": {mark: [item]}})
    ways["slots"] = ("put", "", {"marks": {"slots": [{"id": "one", "name": "One", "items": [loaded, item]}]}})
    return ways


def test_naming_hidden_gear_answers_like_naming_gear_that_does_not_exist(owner: User, marit: Ask, slug: str) -> None:
    hidden = sorted(hide_what_is_left(owner))[0]

    def answers(item: str) -> dict[str, Any]:
        found = {}
        for sort, (method, path, body) in namings(item, "body").items():
            doc = marit("get", f"/trips/{slug}").json()
            version = doc["version"] if not path else bench(marit, slug)["state"]["version"]
            sent = {"version": version} | (body if path else {"trip": doc["trip"] | body})
            told = marit(method, f"/trips/{slug}/{path}".rstrip("/"), sent)
            found[sort] = (told.status_code, told.content.decode().replace(item, "…"))
        return found

    there, nowhere = answers(hidden), answers("nothing-of-that-name")
    assert there == nowhere
    assert {status for status, _ in there.values()} == {422}
    # Nor does it come into view by being the name of something else.
    day = {"stow": {"loadouts": [{"id": hidden, "name": hidden, "legs": [hidden]}]}}
    version = bench(marit, slug)["state"]["version"]
    assert marit("put", f"/trips/{slug}/kits/a/stow", {"version": version} | day).status_code == 200
    assert hidden not in {doc["thing"]["id"] for doc in bench(marit, slug)["gear"]}
    assert edit(marit, slug, act="load", item=hidden).status_code == 422


def test_a_conflict_shows_a_companion_no_mark_that_they_do_not_see(owner: User, marit: Ask, slug: str) -> None:
    hidden = sorted(hide_what_is_left(owner))[0]
    doc = asker(owner)("get", f"/trips/{slug}").json()
    marked = doc["trip"] | {"marks": {"must_leave": [hidden]}}
    assert asker(owner)("put", f"/trips/{slug}", doc | {"trip": marked}).status_code == 200
    refused = marit("put", f"/trips/{slug}", {"version": doc["version"], "trip": doc["trip"]})
    assert refused.status_code == 409
    assert hidden not in refused.content.decode()


def test_a_lent_thing_is_on_both_tables_marked_as_theirs(owner: User, marit: Ask, slug: str) -> None:
    before = {doc["thing"]["id"] for doc in bench(asker(owner), slug)["gear"]}
    (item,) = lend(marit, slug, "fifty").values()
    assert edit(marit, slug, act="load", item=item).status_code == 200
    for ask in (marit, asker(owner)):
        told = bench(ask, slug)
        thing = next(doc for doc in told["gear"] if doc["thing"]["id"] == item)
        assert (thing["thing"]["name"], thing["thing"]["owner"], thing["version"]) == (
            "fifty · Torvald’s",
            "Torvald",
            0,
        )
        assert item in {entry["item"] for entry in told["state"]["kit"]["entries"]}
    # Nothing else of their locker is on it, and what is there is not the owner's to keep.
    assert {doc["thing"]["id"] for doc in bench(asker(owner), slug)["gear"]} == before | {item}
    assert item not in {thing.id for thing in locker_of(owner)}
    assert edit(asker(owner), slug, act="leave", item=item).status_code == 200


def test_what_a_thing_does_not_work_without_comes_along(marit: Ask, slug: str) -> None:
    ids = lend(marit, slug, "wide")
    wide = next(doc["thing"] for doc in bench(marit, slug)["gear"] if doc["thing"]["id"] == ids["wide"])
    assert (wide["needs"], wide["serial"]) == ([ids["fifty"]], "")


def test_a_thing_is_lent_once_and_again_as_it_is_by_then(stranger: User, marit: Ask, slug: str) -> None:
    first = lend(marit, slug, "fifty")
    row = Thing.objects.get(owner=stranger, slug="fifty")
    locker.replace(stranger, "fifty", row.version, parse(row.spec | {"mass_g": 205}))
    assert LentThing.objects.get().spec["mass_g"] == 800, "what changes at home changes no trip of others"
    assert lend(marit, slug, "fifty") == first
    assert LentThing.objects.get().spec["mass_g"] == 205


def test_a_lent_thing_goes_back_when_it_is_in_no_kit(owner: User, marit: Ask, slug: str) -> None:
    (item,) = lend(marit, slug, "fifty").values()
    edit(marit, slug, act="load", item=item)
    assert marit("delete", f"/trips/{slug}/lent/{item}").status_code == 409
    edit(marit, slug, act="leave", item=item)
    assert marit("delete", f"/trips/{slug}/lent/{item}").status_code == 204
    assert item not in {doc["thing"]["id"] for doc in bench(asker(owner), slug)["gear"]}


@pytest.mark.parametrize("mark", ["must_take", "must_leave", "slots"])
def test_lent_gear_that_is_marked_is_not_withdrawn_before_its_mark_is_off(
    owner: User, marit: Ask, slug: str, mark: str
) -> None:
    (item,) = lend(marit, slug, "fifty").values()
    slots = [{"id": "one", "name": "One", "items": ["body", item]}]
    doc = marit("get", f"/trips/{slug}").json()
    marks = {mark: slots if mark == "slots" else [item]}
    assert marit("put", f"/trips/{slug}", doc | {"trip": doc["trip"] | {"marks": marks}}).status_code == 200
    told = marit("delete", f"/trips/{slug}/lent/{item}")
    assert told.status_code == 409
    assert "remove its mark" in errors(told)["id"]
    doc = marit("get", f"/trips/{slug}").json()
    assert marit("put", f"/trips/{slug}", doc | {"trip": doc["trip"] | {"marks": {}}}).status_code == 200
    assert marit("delete", f"/trips/{slug}/lent/{item}").status_code == 204
    own = asker(owner)
    for path in (f"/trips/{slug}/kits/a", f"/exchange/plans/{slug}/a", "/exchange/account.zip"):
        assert own("get", path).status_code == 200, path


def test_nobody_lends_to_a_trip_of_their_own_or_what_is_not_theirs(owner: User, marit: Ask, slug: str) -> None:
    assert asker(owner)("post", f"/trips/{slug}/lent", {"items": ["body"]}).status_code == 403
    assert marit("post", f"/trips/{slug}/lent", {"items": ["body"]}).status_code == 404


def test_a_new_thing_never_takes_the_id_of_a_lent_one(owner: User, marit: Ask, slug: str) -> None:
    (item,) = lend(marit, slug, "fifty").values()
    made = asker(owner)("post", "/locker/things", {"thing": cast.lens(item, 50, 50, 2).model_dump(mode="json")})
    assert made.json()["thing"]["id"] != item
    assert asker(owner)("get", f"/trips/{slug}/kits/a").status_code == 200


def test_both_edit_and_each_sees_who_did_what(owner: User, marit: Ask, slug: str) -> None:
    told = edit(marit, slug, act="leave", item="body").json()
    assert (told["can_undo"], told["undo_by"]) == (True, "Torvald")
    state = bench(asker(owner), slug)["state"]
    assert state["undo_by"] == "Torvald"
    # Who saw an older version is told, whoever changed it.
    stale = {"version": state["version"] - 1, "edits": [{"act": "load", "item": "body"}]}
    assert asker(owner)("post", f"/trips/{slug}/kits/a/edits", stale).status_code == 409
    undone = asker(owner)("post", f"/trips/{slug}/kits/a/undo", {"version": state["version"]}).json()
    assert undone["redo_by"] == "Torvald"


def test_whoever_plans_along_edits_the_brief(owner: User, marit: Ask, slug: str) -> None:
    doc = marit("get", f"/trips/{slug}").json()
    changed = marit("put", f"/trips/{slug}", {"version": doc["version"], "trip": doc["trip"] | {"purpose": "A book"}})
    assert changed.status_code == 200
    told = asker(owner)("get", f"/trips/{slug}").json()
    assert (told["trip"]["purpose"], told["changed_by"]) == ("A book", "Torvald")
    assert asker(owner)("put", f"/trips/{slug}", told).json()["changed_by"] == ""


def test_marks_on_what_is_not_seen_are_not_told_and_stay(owner: User, marit: Ask, slug: str) -> None:
    hidden = sorted(hide_what_is_left(owner))
    doc = asker(owner)("get", f"/trips/{slug}").json()
    marks = {
        "must_take": ["body"],
        "must_leave": [hidden[0]],
        "slots": [{"id": "one", "name": "One", "items": ["body", hidden[0]]}],
    }
    assert asker(owner)("put", f"/trips/{slug}", doc | {"trip": doc["trip"] | {"marks": marks}}).status_code == 200
    seen = marit("get", f"/trips/{slug}").json()
    assert seen["trip"]["marks"] == {"must_take": ["body"], "must_leave": [], "slots": []}
    changed = seen["trip"] | {"purpose": "A book", "marks": {"must_take": []}}
    assert marit("put", f"/trips/{slug}", seen | {"trip": changed}).status_code == 200
    told = asker(owner)("get", f"/trips/{slug}").json()["trip"]
    assert (told["purpose"], told["marks"]) == ("A book", marks | {"must_take": []})


def test_a_companion_sees_no_hidden_mark_where_all_that_they_see_is_marked(owner: User, marit: Ask, slug: str) -> None:
    hidden = sorted(hide_what_is_left(owner))
    there = [doc["thing"]["id"] for doc in bench(marit, slug)["gear"]]
    doc = asker(owner)("get", f"/trips/{slug}").json()
    slots = [
        {"id": "all", "name": "All", "items": [*there, hidden[0]]},
        {"id": "some", "name": "Some", "items": there},
    ]
    marks = {"must_take": [*there, hidden[0]], "must_leave": [], "slots": slots}
    assert asker(owner)("put", f"/trips/{slug}", doc | {"trip": doc["trip"] | {"marks": marks}}).status_code == 200
    seen = marit("get", f"/trips/{slug}").json()
    assert seen["trip"]["marks"] == {"must_take": there, "must_leave": [], "slots": slots[1:]}
    assert marit("put", f"/trips/{slug}", seen).status_code == 200
    told = asker(owner)("get", f"/trips/{slug}").json()["trip"]["marks"]
    assert (sorted(told["must_take"]), sorted(s["id"] for s in told["slots"])) == (
        sorted(marks["must_take"]),
        ["all", "some"],
    )


def test_the_owner_keeps_the_kit_that_was_on_the_table(owner: User, marit: Ask, slug: str) -> None:
    made = marit("post", f"/trips/{slug}/kits", {"name": "Mine"}).json()
    assert marit("get", f"/trips/{slug}/kits/{made['id']}").status_code == 200
    assert Trip.objects.get(owner=owner, slug=slug).open_kit == "a"


def test_it_takes_an_account_and_somebody_elses(owner: User, slug: str) -> None:
    secret = link(owner, slug, "plan")["secret"]
    assert "sign in to your account" in errors(asker(None)("post", "/sharing/open", {"secret": secret}))["account"]
    assert "your own" in errors(asker(owner)("post", "/sharing/open", {"secret": secret}))["name"]


def test_trips_that_one_plans_along_with_are_listed_as_long_as_the_link_holds(
    owner: User, stranger: User, marit: Ask, slug: str
) -> None:
    (one,) = asker(stranger)("get", "/sharing/along").json()
    assert (one["owner"], one["trip"], one["role"], one["name"]) == ("Ines", slug, "plan", "Torvald")
    assert asker(owner)("get", "/sharing/along").json() == []
    asker(owner)("delete", f"/sharing/{slug}/links/{ShareLink.objects.get().pk}")
    assert asker(stranger)("get", "/sharing/along").json() == []
    assert marit("get", f"/trips/{slug}").status_code == 401


def test_another_account_on_the_same_device_does_not_plan_along(owner: User, marit: Ask, slug: str) -> None:
    other = User.objects.create_user("Somebody", password="a long password")
    number = str(ShareLink.objects.get().pk)
    assert asker(other)("get", f"/trips/{slug}", HTTP_X_SHARE=number).status_code == 401


def test_what_was_lent_stays_when_its_lender_goes(owner: User, stranger: User, marit: Ask, slug: str) -> None:
    (item,) = lend(marit, slug, "fifty").values()
    edit(marit, slug, act="load", item=item)
    stranger.delete()
    told = bench(asker(owner), slug)
    assert item in {doc["thing"]["id"] for doc in told["gear"]}
    assert asker(owner)("delete", f"/trips/{slug}/lent/{item}").status_code == 409
    edit(asker(owner), slug, act="leave", item=item)
    assert asker(owner)("delete", f"/trips/{slug}/lent/{item}").status_code == 204


def test_a_copy_and_an_archive_hold_what_was_lent(owner: User, marit: Ask, slug: str) -> None:
    (item,) = lend(marit, slug, "fifty").values()
    edit(marit, slug, act="load", item=item)
    copied = asker(owner)("post", f"/trips/{slug}/copy", {"name": "Again"}).json()["trip"]["id"]
    assert item in {doc["thing"]["id"] for doc in bench(asker(owner), copied)["gear"]}
    fresh = User.objects.create_user("Fresh", password="a long password")
    restore(fresh, archive_of(owner))
    there = bench(asker(fresh), slug)
    assert item in {entry["item"] for entry in there["state"]["kit"]["entries"]}
    assert next(t for t in locker_of(fresh) if t.id == item).owner == "Torvald"


def test_fewer_than_kits_load_are_not_lent(stranger: User, marit: Ask, slug: str) -> None:
    row = Thing.objects.get(owner=stranger, slug="fifty")
    row = locker.replace(stranger, "fifty", row.version, parse(row.spec | {"count": 2}))
    (item,) = lend(marit, slug, "fifty").values()
    edit(marit, slug, act="load", item=item, count=2)
    locker.replace(stranger, "fifty", row.version, parse(row.spec | {"count": 1}))
    assert "at least 2" in errors(marit("post", f"/trips/{slug}/lent", {"items": ["fifty"]}))["items"]


def test_what_the_owner_paid_and_serial_numbers_are_no_companions_business(owner: User, marit: Ask, slug: str) -> None:
    row = Thing.objects.get(owner=owner, slug="body")
    locker.replace(owner, "body", row.version, parse(row.spec | {"value": 2750.0, "serial": "S-4711"}))
    (seen,) = (doc["thing"] for doc in bench(marit, slug)["gear"] if doc["thing"]["id"] == "body")
    assert (seen["value"], seen["serial"]) == (None, "")
    assert "2750" not in marit("get", f"/trips/{slug}/kits/a").content.decode()
    (own,) = (doc["thing"] for doc in bench(asker(owner), slug)["gear"] if doc["thing"]["id"] == "body")
    assert (own["value"], own["serial"]) == (2750.0, "S-4711")
