"""Plan files over HTTP: out, in, all or nothing."""

import json
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.core.management import call_command

from mule.assess import assess
from mule.plan import Plan, read, write
from server.carriers.models import Carrier
from server.locker.models import Thing
from server.trips.models import Trip
from tests import cast
from tests.server.conftest import asker, errors, make_user

pytestmark = pytest.mark.django_db


def counted() -> tuple[int, int, int]:
    return Thing.objects.count(), Carrier.objects.count(), Trip.objects.count()


def test_what_goes_out_comes_in_again_with_the_same_answer(ask: Any, stored: Plan) -> None:
    sent = ask("get", "/exchange/plans/trip/a")
    assert sent["Content-Disposition"] == 'attachment; filename="trip.plan.json"'
    other = asker(make_user("Marit"))
    made = other("post", "/exchange/plans", sent.content)
    assert made.status_code == 201
    there = read(other("get", "/exchange/plans/trip/a").content)
    assert there == stored
    assert assess(there) == assess(stored)


def test_all_kits_of_a_trip_go_out_with_it(ask: Any, stored: Plan) -> None:
    ask("post", "/trips/trip/kits", {"name": "B", "copy_of": "a"})
    plan = read(ask("get", "/exchange/plans/trip/b").content)
    assert [k.id for k in plan.kits] == ["a", "b"]
    assert plan.open_kit == "b"


def test_bringing_the_same_file_in_twice_reuses_gear_and_adds_a_trip(ask: Any, stored: Plan) -> None:
    things, carriers, _ = counted()
    assert ask("post", "/exchange/plans", write(stored).encode()).json()["trip"]["id"] == "trip-2"
    assert counted() == (things, carriers, 2)


def test_a_thing_that_differs_comes_in_under_a_new_id_and_everything_follows(ask: Any, stored: Plan) -> None:
    gear = [cast.converter(1.4).model_copy(update={"mass_g": 200.0}) if t.id == "x14" else t for t in stored.gear]
    other = Plan(gear=tuple(gear), carriers=stored.carriers, trip=stored.trip, kits=stored.kits, open_kit="a")
    ask("post", "/exchange/plans", write(other).encode())
    there = {d["thing"]["id"]: d["thing"] for d in ask("get", "/locker/things").json()}
    assert there["x14-2"]["mass_g"] == 200
    assert there["x14"]["mass_g"] == 180
    back = read(ask("get", "/exchange/plans/trip-2/a").content)
    assert assess(back).coverage.score == assess(other).coverage.score


def test_a_kit_whose_bag_came_in_under_a_new_id_still_holds_its_things(ask: Any, stored: Plan) -> None:
    gear = [cast.bag(mass_g=999) if t.id == "bag" else t for t in stored.gear]
    other = Plan(gear=tuple(gear), carriers=stored.carriers, trip=stored.trip, kits=stored.kits, open_kit="a")
    ask("post", "/exchange/plans", write(other).encode())
    entries = ask("get", "/trips/trip-2/kits/a").json()["state"]["kit"]["entries"]
    assert {e["place"]["bag"] for e in entries if e["place"]["where"] == "bag"} == {"bag-2"}


@pytest.mark.parametrize("cut", [1, 100, 1000])
def test_a_file_that_is_cut_off_brings_nothing_in(ask: Any, owner: User, plan: Plan, cut: int) -> None:
    response = ask("post", "/exchange/plans", write(plan).encode()[:-cut])
    assert response.status_code == 422
    assert counted() == (0, 0, 0)


def test_a_file_of_another_format_or_version_says_so(ask: Any, owner: User, plan: Plan) -> None:
    data = json.loads(write(plan))
    assert errors(ask("post", "/exchange/plans", data | {"format": "holiday"})) == {"format": '"narrow-mule-plan"'}
    assert "version" in errors(ask("post", "/exchange/plans", data | {"version": 9}))
    assert counted() == (0, 0, 0)


def test_a_file_with_one_bad_thing_brings_nothing_in(ask: Any, owner: User, plan: Plan) -> None:
    data = json.loads(write(plan))
    data["gear"][-1]["mass_g"] = -1
    assert f"gear.{len(data['gear']) - 1}.mass_g" in errors(ask("post", "/exchange/plans", data))
    assert counted() == (0, 0, 0)


def test_a_file_over_5_mb_is_refused(ask: Any, owner: User) -> None:
    assert ask("post", "/exchange/plans", b" " * 5_050_000).status_code == 422
    response = ask("post", "/exchange/plans", b" " * 6_000_000)
    assert response.status_code == 413
    assert "5,000,000" in errors(response)[""]


def test_something_failing_half_way_leaves_nothing_behind(
    ask: Any, owner: User, plan: Plan, monkeypatch: pytest.MonkeyPatch
) -> None:
    def fail(*_: Any) -> None:
        raise RuntimeError("power cut")

    monkeypatch.setattr("server.exchange.services.entries_of", fail)
    with pytest.raises(RuntimeError):
        ask("post", "/exchange/plans", write(plan).encode())
    assert counted() == (0, 0, 0)


def test_another_owners_trip_does_not_go_out(ask_as_stranger: Any, stored: Plan) -> None:
    assert ask_as_stranger("get", "/exchange/plans/trip/a").status_code == 404


def test_the_demo_world_loads_once_and_keeps_what_people_change(capsys: pytest.CaptureFixture[str]) -> None:
    call_command("load_demo")
    before = counted()
    trip = Trip.objects.get(slug="lofoten")
    trip.name = "Changed"
    trip.save()
    call_command("load_demo")
    assert counted() == before
    assert Trip.objects.get(slug="lofoten").name == "Changed"


def test_the_three_demo_trips_share_one_locker() -> None:
    call_command("load_demo", verbosity=0)
    assert not Thing.objects.filter(slug__endswith="c1-2").exists()
    assert Trip.objects.count() == 3
    assert 60 <= Thing.objects.count() <= 90
