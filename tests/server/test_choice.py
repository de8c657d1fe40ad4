"""What-if, compare, the streamed choice and the brief's helpers over HTTP."""

from typing import Any

import pytest

from mule.findings.assess import assess
from mule.plan import Plan
from server.trips.models import Kit
from tests.server.conftest import errors, lines

pytestmark = pytest.mark.django_db
KIT = "/trips/trip/kits/a"


def test_what_if_answers_and_stores_nothing(ask: Any, stored: Plan) -> None:
    before = ask("get", KIT).json()["state"]
    thought = ask("post", f"{KIT}/what-if", {"edits": [{"act": "load", "item": "tele"}]}).json()
    assert thought["assessment"]["loads"]["total_g"] == before["assessment"]["loads"]["total_g"] + 800
    assert ask("get", KIT).json()["state"] == before


def test_what_if_takes_a_whole_kit_and_refuses_an_impossible_one(ask: Any, stored: Plan) -> None:
    worn = {"where": "worn", "person": "ines"}
    thought = ask("post", f"{KIT}/what-if", {"entries": [{"item": "tele", "place": worn}]}).json()
    assert [e["item"] for e in thought["kit"]["entries"]] == ["tele"]
    refused = ask("post", f"{KIT}/what-if", {"entries": [{"item": "nothing", "place": worn}]})
    assert refused.status_code == 422


def test_a_choice_streams_its_points_and_ends_with_the_whole(ask: Any, stored: Plan) -> None:
    answer = ask("post", f"{KIT}/choose", {"points": 4, "seconds": 20})
    assert answer["Content-Type"] == "application/x-ndjson"
    found = lines(answer)
    points = [line["point"] for line in found if "point" in line]
    choice = found[-1]["choice"]
    # What stands by the end is the whole: first answers that are outdone by then are left out.
    told = [line["standing"] for line in found if "point" in line]
    assert [points[number] for number in told[-1]] == choice["points"]
    assert all(max(stand) <= number for number, stand in enumerate(told))
    best = choice["points"][-1]
    made = ask("post", "/trips/trip/kits", {"name": "Suggested", "entries": best["kit"]["entries"]}).json()
    state = ask("get", f"/trips/trip/kits/{made['id']}").json()["state"]
    assert state["assessment"]["coverage"]["score"] == best["score"]


def test_a_choice_that_cannot_be_says_why(ask: Any, stored: Plan) -> None:
    (last,) = [line for line in lines(ask("post", f"{KIT}/choose", {"limit_g": 0, "points": 1})) if "choice" in line]
    assert [reason["code"] for reason in last["choice"]["conflict"]] == ["limit"]


@pytest.mark.parametrize("asking", [{"points": 0}, {"limit_g": -1}, {"seconds": "soon"}, {"seconds": 1e9}])
def test_a_senseless_asking_is_refused_with_its_field(ask: Any, stored: Plan, asking: dict[str, Any]) -> None:
    answer = ask("post", f"{KIT}/choose", asking)
    assert answer.status_code == 422
    assert list(errors(answer)) == list(asking)


def test_a_choice_without_wants_is_refused(ask: Any, stored: Plan) -> None:
    doc = ask("get", KIT).json()["trip"]
    ask("put", "/trips/trip", {"version": doc["version"], "trip": doc["trip"] | {"wants": []}})
    answer = ask("post", f"{KIT}/choose", {"points": 1})
    assert (answer.status_code, list(errors(answer))) == (422, ["trip.wants"])


def test_kits_are_compared_with_what_each_has_alone(ask: Any, stored: Plan) -> None:
    ask("post", "/trips/trip/kits", {"name": "Long", "copy_of": "a"})
    ask("post", "/trips/trip/kits/b/edits", {"version": 1, "edits": [{"act": "load", "item": "tele"}]})
    sides = ask("get", "/trips/trip/compare?kits=a,b").json()["sides"]
    assert [s["kit"] for s in sides] == ["a", "b"]
    assert (sides[0]["lacks"], sides[1]["only"]) == (["tele"], ["tele"])
    assert sides[0]["score"] == assess(stored).coverage.score
    assert sides[1]["total_g"] == sides[0]["total_g"] + 800


@pytest.mark.parametrize("kits", ["a", "a,a", "a,nothing", "a,b,c,d,e"])
def test_a_comparison_takes_two_to_four_kits_that_are_there(ask: Any, stored: Plan, kits: str) -> None:
    assert ask("get", f"/trips/trip/compare?kits={kits}").status_code == 422


def test_a_new_kit_that_cannot_be_is_not_stored(ask: Any, stored: Plan) -> None:
    entries = [{"item": "tele", "count": 7, "place": {"where": "worn", "person": "ines"}}]
    assert ask("post", "/trips/trip/kits", {"name": "Too many", "entries": entries}).status_code == 422
    assert Kit.objects.count() == 1


def test_a_marked_thing_stays_in_the_locker(ask: Any, stored: Plan) -> None:
    doc = ask("get", KIT).json()["trip"]
    marks = {"must_take": ["tele"], "must_leave": [], "slots": []}
    ask("put", "/trips/trip", {"version": doc["version"], "trip": doc["trip"] | {"marks": marks}})
    answer = ask("delete", "/locker/things/tele")
    assert answer.status_code == 409
    assert "mark" in errors(answer)["id"]


def test_a_mark_on_nothing_owned_is_refused_at_its_field(ask: Any, stored: Plan) -> None:
    doc = ask("get", KIT).json()["trip"]
    marks = {"must_take": ["nothing"], "must_leave": [], "slots": []}
    answer = ask("put", "/trips/trip", {"version": doc["version"], "trip": doc["trip"] | {"marks": marks}})
    assert (answer.status_code, list(errors(answer))) == (422, ["marks.must_take.0"])


def test_a_want_typed_as_a_subject_and_a_print_is_reckoned(ask: Any, stored: Plan) -> None:
    subject = {"size_m": 0.9, "near_m": 30.0, "far_m": 60.0, "share": 0.5}
    output = {"use": "print", "width_cm": 90, "height_cm": 60, "viewing_cm": 100}
    made = ask("post", "/brief/want", {"subject": subject, "output": output}).json()
    assert (round(made["focal_min_mm"]), round(made["focal_max_mm"])) == (400, 800)
    assert made["megapixels"] == pytest.approx(6.38, abs=0.01)
    wrong = ask("post", "/brief/want", {"subject": subject | {"far_m": 10.0}})
    assert (wrong.status_code, list(errors(wrong))) == (422, ["subject"])


def test_exposure_and_filters_answer_from_the_locker(ask: Any, stored: Plan) -> None:
    made = ask("post", "/brief/exposure", {"metered_s": 1 / 60, "wanted_s": 1}).json()
    assert made == {"stops": pytest.approx(5.907, abs=0.001), "ways": []}
    assert ask("post", "/brief/exposure", {"metered_s": 0, "wanted_s": 1}).status_code == 422
    assert ask("get", f"{KIT}/lightest-filters").json() == {"items": [], "mass_g": 0, "unserved": [], "proved": True}


def test_want_sets_are_there_to_start_from(ask: Any, stored: Plan) -> None:
    assert {"sea-coast", "night-sky", "hide"} <= {s["id"] for s in ask("get", "/brief/want-sets").json()}


def test_nothing_of_this_is_shown_to_others(ask_as_stranger: Any, stored: Plan) -> None:
    for method, path, body in (
        ("post", f"{KIT}/choose", {}),
        ("post", f"{KIT}/what-if", {}),
        ("get", "/trips/trip/compare?kits=a,b", None),
    ):
        assert ask_as_stranger(method, path, body).status_code == 404


@pytest.mark.parametrize("asking", [{"by_days": True}, {"open_bags": True}, {"by_days": True, "open_bags": True}])
def test_a_choice_by_days_and_with_open_bags_comes_to_its_end(ask: Any, stored: Plan, asking: dict[str, bool]) -> None:
    # Nobody of this trip said what they carry well.
    found = lines(ask("post", f"{KIT}/choose", {"points": 4, "seconds": 20} | asking))
    points = found[-1]["choice"]["points"]
    assert points
    assert all((point["by_days"] is not None) == asking.get("by_days", False) for point in points)
    if "by_days" in asking:
        assert {day["well_g"] for point in points for day in point["by_days"]["days"]} == {None}
    assert [line for line in found if "point" in line]
    # The very same again is told from what was kept.
    again = lines(ask("post", f"{KIT}/choose", {"points": 4, "seconds": 20} | asking))
    assert again[-1]["choice"]["points"] == points
