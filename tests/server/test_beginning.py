"""How trips begin: with gear, rules and a loaded kit at once, as a copy, from a pattern."""

from typing import Any

import pytest
from django.contrib.auth.models import User

from mule.plan import Plan
from server.library.carriers.models import Carrier
from server.library.carriers.patterns import PATTERNS
from server.library.locker.convert import typical
from server.library.locker.models import Thing
from server.trips.models import Kit, Trip
from tests.server.conftest import errors

pytestmark = pytest.mark.django_db
BAG, BODY, LENS = (
    typical()[i].model_dump(mode="json") | {"id": "new"} for i in ("backpack-25", "body-ff-24", "lens-24-70-f2-8")
)
PLANE = PATTERNS[0].model_dump(mode="json")


def wish(**more: Any) -> dict[str, Any]:
    legs = [{"id": "out", "name": "Out", "carrier": PLANE["id"]}]
    trip = {
        "id": "new",
        "name": "A week of cold",
        "legs": legs,
        "days": [{"date": "2027-02-01", "title": "One", "lowest_c": -10}],
    }
    return {"trip": trip, "things": [BODY, LENS, BAG], "carriers": [PLANE], "load": True, **more}


def test_gear_rules_trip_and_kit_come_at_once(ask: Any) -> None:
    made = ask("post", "/trips", wish()).json()
    (carrier,) = Carrier.objects.all()
    assert made["trip"]["legs"][0]["carrier"] == carrier.slug
    bench = ask("get", f"/trips/{made['trip']['id']}/kits/a").json()
    assert len(bench["state"]["kit"]["entries"]) == 3
    assert {e["place"]["where"] for e in bench["state"]["kit"]["entries"]} == {"piece", "bag"}
    assert bench["state"]["can_undo"]


def test_a_carrier_that_is_here_is_not_added_again(ask: Any) -> None:
    first = ask("post", "/trips", wish()).json()
    second = ask("post", "/trips", wish(things=[])).json()
    assert Carrier.objects.count() == 1
    assert first["trip"]["legs"] == second["trip"]["legs"]


def test_nothing_begins_when_one_part_cannot(ask: Any, owner: User) -> None:
    bad = wish()
    bad["trip"]["wants"] = [{"id": "w", "name": "w", "focal_min_mm": 24, "focal_max_mm": 70}] * 2
    assert ask("post", "/trips", bad).status_code == 422
    lost = wish(carriers=[])
    assert ask("post", "/trips", lost).status_code == 422
    assert not (Trip.objects.exists())
    assert not (Thing.objects.exists())
    assert not (Carrier.objects.exists())


def test_a_locker_too_large_to_load_at_once_says_so(ask: Any, owner: User) -> None:
    spec = typical()["hat"].model_dump(mode="json")
    Thing.objects.bulk_create(
        Thing(owner=owner, slug=f"hat-{n}", name="Hat", kind="other", spec=spec | {"id": f"hat-{n}"})
        for n in range(501)
    )
    assert "load" in errors(ask("post", "/trips", wish(things=[])))
    assert not Trip.objects.exists()


def test_a_copy_has_the_kits_and_moved_dates_and_nothing_noted(ask: Any, stored: Plan) -> None:
    slug = stored.trip.id
    before = ask("get", f"/trips/{slug}").json()["trip"]
    made = ask("post", f"/trips/{slug}/copy", {"name": "Once more", "start": "2028-05-01"}).json()["trip"]
    assert (made["name"], made["status"]) == ("Once more", "planned")
    assert len(made["days"]) == len(before["days"])
    if made["days"]:
        assert made["days"][0]["date"] == "2028-05-01"
    old, new = (Kit.objects.filter(trip__slug=s).values_list("slug", "entries") for s in (slug, made["id"]))
    assert list(old) == list(new)
    assert ask("get", f"/trips/{slug}").json()["trip"] == before


def test_a_copy_moves_every_date_by_the_same(ask: Any) -> None:
    first = wish()
    first["trip"]["days"].append({"date": "2027-02-04", "title": "Two"})
    slug = ask("post", "/trips", first).json()["trip"]["id"]
    made = ask("post", f"/trips/{slug}/copy", {"name": "Again", "start": "2027-03-01"}).json()["trip"]
    assert [day["date"] for day in made["days"]] == ["2027-03-01", "2027-03-04"]


def test_patterns_tell_wants_and_days_but_nobodys_gear(ask: Any) -> None:
    patterns = ask("get", "/brief/trip-patterns").json()
    assert len(patterns) == 3
    for pattern in patterns:
        assert pattern["wants"]
        assert pattern["days"]
        assert not pattern["people"]
        assert not pattern["marks"]["must_take"]
        assert {leg["carrier"] for leg in pattern["legs"]} <= {None}
        made = ask("post", "/trips", {"trip": pattern | {"id": "new"}})
        assert made.status_code == 201


def test_wants_are_said_in_words(ask: Any) -> None:
    found = ask("post", "/brief/wants", {"text": "milky way, flying carpets", "taken": ["stars"]}).json()
    assert [(one["typed"], one["want"] and one["want"]["id"]) for one in found] == [
        ("milky way", "stars-2"),
        ("flying carpets", None),
    ]


def test_pictures_of_before_say_what_is_wanted(ask: Any) -> None:
    shots = [
        {"name": "", "taken": f"2026-06-{day:02}T06:30:00", "focal_mm": 24, "body": "MODEL-7 II", "f_number": 8}
        for day in range(1, 10)
    ]
    past = ask("post", "/brief/past", {"shots": shots, "taken": ["wide-views"]}).json()
    (only,) = past["wants"]
    assert (only["want"]["id"], only["frames"], only["occasions"]) == ("wide-views-2", 9, 9)
    assert only["hours"][6] == 9
    assert past["unknown"] == [{"body": "MODEL-7 II", "lens": "", "frames": 9}]
    # A camera's clock has no zone: times that have one cannot be put in order with those.
    assert (
        ask("post", "/brief/past", {"shots": [*shots, shots[0] | {"taken": "2026-06-01T06:30:00Z"}]}).status_code == 422
    )
