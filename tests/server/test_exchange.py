"""Plan files over HTTP: out, in, all or nothing."""

import json
from datetime import datetime
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.core.management import call_command
from django.test import Client

from mule.findings.assess import assess
from mule.plan import Plan, read, write
from mule.plan.field import Frame, Mark
from mule.plan.gear import Cylinder, Filter
from mule.plan.trip import BodyHabit, Day, Stamina
from server.library.carriers.models import Carrier
from server.library.locker.models import Thing
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


def test_a_lens_that_was_here_keeps_its_converter_and_learns_the_other(ask: Any, stored: Plan) -> None:
    gear = [cast.converter(1.4).model_copy(update={"mass_g": 200.0}) if t.id == "x14" else t for t in stored.gear]
    other = Plan(gear=tuple(gear), carriers=stored.carriers, trip=stored.trip, kits=stored.kits, open_kit="a")
    before = {t.id: list(t.takes_converters) for t in stored.gear if t.kind == "lens" and t.takes_converters}
    assert before
    ask("post", "/exchange/plans", write(other).encode())
    there = {d["thing"]["id"]: d["thing"] for d in ask("get", "/locker/things").json()}
    for lens, converters in before.items():
        assert there[lens]["takes_converters"] == [*converters, "x14-2"]
    assert assess(read(ask("get", "/exchange/plans/trip/a").content)).coverage == assess(stored).coverage


def test_whatever_names_gear_that_comes_in_under_another_id_names_it_by_that(ask: Any, stored: Plan) -> None:
    other_body = next(t for t in stored.gear if t.id == "body").model_copy(update={"mass_g": 711.0})
    size = Cylinder(diameter_mm=40, length_mm=4)
    clip = Filter(id="clip", name="clip", mass_g=20, size=size, effect="polariser", body="body", needs=("body",))
    gear = (*(other_body if t.id == "body" else t for t in stored.gear), clip)
    other = Plan(gear=gear, carriers=stored.carriers, trip=stored.trip, kits=stored.kits, open_kit="a")
    assert ask("post", "/exchange/plans", write(other).encode()).status_code == 201
    there = {d["thing"]["id"]: d["thing"] for d in ask("get", "/locker/things").json()}
    assert (there["body"]["mass_g"], there["body-2"]["mass_g"]) == (720, 711)
    assert (there["clip"]["body"], there["clip"]["needs"]) == ("body-2", ["body-2"])


def test_things_stored_before_a_field_was_known_are_the_same_things(ask: Any, stored: Plan) -> None:
    things, _, _ = counted()
    for row in Thing.objects.all():
        row.spec = {k: v for k, v in row.spec.items() if k not in ("cycles", "hazard", "serial", "standing", "backup")}
        row.save()
    ask("post", "/exchange/plans", write(stored).encode())
    assert counted()[0] == things


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


def test_a_file_over_40_mb_is_refused(ask: Any, owner: User) -> None:
    assert ask("post", "/exchange/plans", b" " * 40_000_000).status_code == 422
    response = ask("post", "/exchange/plans", b" " * 40_000_001)
    assert response.status_code == 413
    assert "40,000,000" in errors(response)[""]


def test_other_requests_over_5_mb_are_refused(ask: Any, stored: Plan) -> None:
    response = ask("post", "/field/trip/marks", b" " * 5_050_000)
    assert response.status_code == 413
    assert "5,000,000" in errors(response)[""]


def test_something_failing_half_way_leaves_nothing_behind(
    client: Client, owner: User, plan: Plan, monkeypatch: pytest.MonkeyPatch
) -> None:
    def fail(*_: Any) -> None:
        raise RuntimeError("power cut")

    monkeypatch.setattr("server.exchange.services.entries_of", fail)
    client.force_login(owner)
    broke = client.post("/api/exchange/plans", write(plan).encode(), content_type="application/json")
    assert broke.status_code == 500
    assert "power cut" not in broke.content.decode()
    assert counted() == (0, 0, 0)


def noted(plan: Plan) -> Plan:
    """The plan with marks and frames that name things of its locker, and one thing that is there no more."""
    made = [
        {"do": "tick", "line": "x14@bag", "done": True},
        {"do": "tick", "line": "task.fetch.x14", "done": True},
        {"do": "tick", "line": "x14@on.ines", "done": True},
        {"do": "tick", "line": "night:2027-02-21:charge", "done": True},
        {"do": "weighed", "bag": "bag", "grams": 5120.0, "source": "scale"},
        {"do": "copied", "to": "x14", "day": "2027-02-20", "gb": 30.0, "hours": 0.5},
        {"do": "swap", "item": "gone", "body": "x14", "day": "2027-02-20", "frames": 310},
    ]
    marks = [
        Mark.model_validate(
            {"id": f"phone-{n:08}", "device": "phone", "seq": n, "at": "2027-02-20T08:00:00Z", "what": what}
        )
        for n, what in enumerate(made)
    ]
    frames = [Frame(name="a.jpg", taken=datetime(2027, 2, 20, 8), focal_mm=24, body="Body"), Frame(name="b.jpg")]
    return plan.with_log(marks, frames)


def test_what_was_noted_and_what_the_pictures_say_goes_along(ask: Any, stored: Plan) -> None:
    sent = noted(stored)
    assert ask("post", "/exchange/plans", write(sent).encode()).status_code == 201
    back = read(ask("get", "/exchange/plans/trip-2/a").content)
    assert back.noted == sent.noted
    assert back.frames == sent.frames
    # A third time, from what came out: still the same, and still apart from the other trips.
    third = ask("post", "/exchange/plans", write(back).encode()).json()["trip"]["id"]
    assert read(ask("get", f"/exchange/plans/{third}/a").content).noted == sent.noted
    assert ask("get", "/field/trip").json()["marks"] == []


def test_marks_follow_things_that_came_in_under_a_new_id(ask: Any, stored: Plan) -> None:
    gear = [cast.converter(1.4).model_copy(update={"mass_g": 200.0}) if t.id == "x14" else t for t in stored.gear]
    sent = noted(Plan(gear=tuple(gear), carriers=stored.carriers, trip=stored.trip, kits=stored.kits, open_kit="a"))
    ask("post", "/exchange/plans", write(sent).encode())
    what = [mark.what for mark in read(ask("get", "/exchange/plans/trip-2/a").content).noted]
    told = [w.model_dump(mode="json", exclude={"do", "day", "done", "source"}, exclude_none=True) for w in what]
    assert told == [
        {"line": "x14-2@bag"},
        {"line": "task.fetch.x14-2"},
        {"line": "x14-2@on.ines"},
        {"line": "night:2027-02-21:charge"},
        {"bag": "bag", "grams": 5120.0},
        {"to": "x14-2", "gb": 30.0, "hours": 0.5},
        {"item": "gone", "body": "x14-2", "frames": 310},
    ]


def test_a_mark_that_stands_twice_in_a_file_is_refused_with_its_place(ask: Any, stored: Plan) -> None:
    data = json.loads(write(noted(stored)))
    data["noted"].append(data["noted"][0])
    assert errors(ask("post", "/exchange/plans", data)) == {"noted.7.id": "use each id once"}
    assert Trip.objects.count() == 1


def test_days_and_habits_of_a_camera_follow_it_to_its_new_id(ask: Any, stored: Plan) -> None:
    body = next(t for t in stored.gear if t.kind == "body")
    gear = [body.model_copy(update={"mass_g": 999.0}) if t is body else t for t in stored.gear]
    day = Day.model_validate(
        {
            "date": "2027-02-20",
            "title": "Cliffs",
            "lowest_c": -3,
            "bodies": [{"body": body.id, "demand": {"frames": 9}}],
        }
    )
    stamina = Stamina(habits=(BodyHabit(body=body.id, uncompressed=True),))
    trip = stored.trip.model_copy(update={"days": (day,), "stamina": stamina})
    sent = Plan(gear=tuple(gear), carriers=stored.carriers, trip=trip, kits=stored.kits, open_kit="a")
    ask("post", "/exchange/plans", write(sent).encode())
    back = read(ask("get", "/exchange/plans/trip-2/a").content)
    assert [b.body for b in back.trip.days[0].bodies] == [f"{body.id}-2"]
    assert [h.body for h in back.trip.stamina.habits] == [f"{body.id}-2"]


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
