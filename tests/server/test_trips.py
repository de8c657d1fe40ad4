"""Trips and kits over HTTP: editing, undo, versions, ownership."""

from typing import Any

import pytest

from mule.findings.assess import assess
from mule.plan import Plan
from server.trips.models import Kit, Trip
from tests.server.conftest import errors

pytestmark = pytest.mark.django_db
KIT = "/trips/trip/kits/a"


def load(item: str, **more: Any) -> dict[str, Any]:
    return {"act": "load", "item": item, **more}


def edit(ask: Any, version: int, *edits: dict[str, Any]) -> Any:
    return ask("post", f"{KIT}/edits", {"version": version, "edits": list(edits)})


def items(state: dict[str, Any]) -> set[str]:
    return {e["item"] for e in state["kit"]["entries"]}


def brief(ask: Any) -> dict[str, Any]:
    found: dict[str, Any] = ask("get", KIT).json()["trip"]
    return found


def save(ask: Any, doc: dict[str, Any], **changes: Any) -> Any:
    return ask("put", "/trips/trip", {"version": doc["version"], "trip": doc["trip"] | changes})


def test_the_bench_holds_trip_kits_gear_and_the_same_answer_as_the_core(ask: Any, stored: Plan) -> None:
    bench = ask("get", KIT).json()
    assert bench["trip"]["trip"]["name"] == "A trip"
    assert [k["id"] for k in bench["kits"]] == ["a"]
    assert {d["thing"]["id"] for d in bench["gear"]} == {t.id for t in stored.gear}
    assert bench["state"]["assessment"] == assess(stored).model_dump(mode="json")


def test_a_change_returns_the_new_assessment(ask: Any, stored: Plan) -> None:
    before = ask("get", KIT).json()["state"]
    after = edit(ask, before["version"], load("tele")).json()
    assert after["version"] == before["version"] + 1
    assert after["assessment"]["loads"]["total_g"] == before["assessment"]["loads"]["total_g"] + 800
    assert len(after["assessment"]["coverage"]["reach"]) == 2


def test_several_edits_are_one_step(ask: Any, stored: Plan) -> None:
    made = edit(ask, 1, load("tele"), load("x14"), {"act": "leave", "item": "normal"}).json()
    assert items(made) == {"bag", "body", "tele", "x14"}
    undone = ask("post", f"{KIT}/undo", {"version": 2}).json()
    assert items(undone) == {"bag", "body", "normal"}


def test_undo_and_redo_walk_through_all_steps_and_survive_a_reload(ask: Any, stored: Plan) -> None:
    edit(ask, 1, load("tele"))
    edit(ask, 2, load("x14"))
    assert ask("get", KIT).json()["state"]["can_undo"]
    first = ask("post", f"{KIT}/undo", {"version": 3}).json()
    second = ask("post", f"{KIT}/undo", {"version": 4}).json()
    assert (items(first), items(second)) == ({"bag", "body", "normal", "tele"}, {"bag", "body", "normal"})
    assert not second["can_undo"]
    assert ask("get", KIT).json()["state"]["can_redo"]
    again = ask("post", f"{KIT}/redo", {"version": 5}).json()
    assert items(again) == {"bag", "body", "normal", "tele"}


def test_a_new_edit_after_undo_forgets_what_was_undone(ask: Any, stored: Plan) -> None:
    edit(ask, 1, load("tele"))
    ask("post", f"{KIT}/undo", {"version": 2})
    made = edit(ask, 3, load("x14")).json()
    assert not made["can_redo"]
    assert made["can_undo"]


def test_undo_with_nothing_to_undo_is_refused(ask: Any, stored: Plan) -> None:
    assert ask("post", f"{KIT}/undo", {"version": 1}).status_code == 422
    assert ask("post", f"{KIT}/redo", {"version": 1}).status_code == 422


def test_undo_is_refused_whole_when_the_locker_no_longer_allows_it(ask: Any, stored: Plan) -> None:
    edit(ask, 1, {"act": "leave", "item": "normal"})
    assert ask("delete", "/locker/things/normal").status_code == 204
    assert ask("post", f"{KIT}/undo", {"version": 2}).status_code == 422
    assert items(ask("get", KIT).json()["state"]) == {"bag", "body"}


def test_a_stale_edit_is_refused_and_the_kit_stays(ask: Any, stored: Plan) -> None:
    edit(ask, 1, load("tele"))
    response = edit(ask, 1, load("x14"))
    assert response.status_code == 409
    assert {e["item"] for e in response.json()["current"]} == {"bag", "body", "normal", "tele"}
    assert Kit.objects.get().version == 2


@pytest.mark.parametrize(
    "edits",
    [
        [load("ghost")],
        [load("tele"), load("ghost")],
        [load("pack", count=6)],
        [load("pack", count=0)],
        [load("pack", count="two")],
        [{"act": "burn", "item": "pack"}],
        [{"act": "move", "item": "tele", "place": {"where": "bag", "bag": "bag"}}],
        [],
        "load everything",
    ],
)
def test_an_edit_that_cannot_be_done_changes_nothing(ask: Any, stored: Plan, edits: Any) -> None:
    response = ask("post", f"{KIT}/edits", {"version": 1, "edits": edits})
    assert response.status_code == 422
    assert errors(response)
    assert Kit.objects.get().version == 1


def test_a_trip_is_made_with_one_empty_kit(ask: Any) -> None:
    response = ask("post", "/trips", {"trip": {"id": "new", "name": "To the fjord"}})
    assert response.status_code == 201
    assert response.json()["trip"]["id"] == "to-the-fjord"
    state = ask("get", "/trips/to-the-fjord/kits/a").json()["state"]
    assert {f["code"] for f in state["assessment"]["findings"]} == {
        "no-days",
        "no-wants",
        "nothing-loaded",
    }


def test_two_trips_of_one_name_have_two_ids(ask: Any) -> None:
    ids = [ask("post", "/trips", {"trip": {"id": "new", "name": "Coast"}}).json()["trip"]["id"] for _ in range(2)]
    assert ids == ["coast", "coast-2"]


@pytest.mark.parametrize(
    ("changes", "field"),
    [
        ({"name": ""}, "name"),
        ({"wants": [{"id": "w", "name": "w", "focal_min_mm": 0, "focal_max_mm": 50}]}, "wants.0.focal_min_mm"),
        ({"wants": [{"id": "w", "name": "w", "focal_min_mm": 70, "focal_max_mm": 24}]}, "wants.0"),
        ({"people": [{"id": "p", "name": "P", "body_mass_kg": 5}]}, "people.0.body_mass_kg"),
        ({"days": [{"date": "2027-02-30", "title": "x"}]}, "days.0.date"),
        ({"days": [{"date": "2027-02-20", "title": "x", "lowest_c": -99}]}, "days.0.lowest_c"),
        ({"legs": [{"id": "l", "name": "l", "carrier": "nobody"}]}, "legs.0.carrier"),
        (
            {"days": [{"date": f"20{y}-01-{d:02}", "title": "x"} for y in range(10, 30) for d in range(1, 30)]},
            "days",
        ),
    ],
)
def test_a_bad_brief_is_refused_at_its_field(ask: Any, stored: Plan, changes: dict[str, Any], field: str) -> None:
    response = save(ask, brief(ask), **changes)
    assert response.status_code == 422
    assert next(iter(errors(response))) == field
    assert Trip.objects.get().version == 1


def test_a_saved_brief_is_assessed_at_once(ask: Any, stored: Plan) -> None:
    doc = brief(ask)
    far = {"id": "far", "name": "Far", "focal_min_mm": 600, "focal_max_mm": 800}
    assert save(ask, doc, wants=[*doc["trip"]["wants"], far]).json()["version"] == 2
    codes = {f["code"] for f in ask("get", KIT).json()["state"]["assessment"]["findings"]}
    assert "gap" in codes


def test_a_stale_brief_is_refused_with_what_is_stored(ask: Any, stored: Plan) -> None:
    doc = brief(ask)
    save(ask, doc, name="First")
    response = save(ask, doc, name="Second")
    assert response.status_code == 409
    assert response.json()["current"]["name"] == "First"


def test_a_person_who_carries_things_cannot_be_removed(ask: Any, stored: Plan) -> None:
    doc = brief(ask)
    response = save(ask, doc, people=[p for p in doc["trip"]["people"] if p["id"] != "ines"])
    assert "Ines still carries gear in kit “Kit a”" in errors(response)["people"]
    assert save(ask, doc, people=[p for p in doc["trip"]["people"] if p["id"] != "marit"]).status_code == 200


def test_kits_are_copied_renamed_and_removed(ask: Any, stored: Plan) -> None:
    copy = ask("post", "/trips/trip/kits", {"name": "B", "copy_of": "a"}).json()
    assert copy["id"] == "b"
    assert items(ask("get", "/trips/trip/kits/b").json()["state"]) == {"bag", "body", "normal"}
    assert ask("put", "/trips/trip/kits/b", {"version": 1, "name": "Lighter", "note": "n"}).json()["name"] == "Lighter"
    late = ask("put", "/trips/trip/kits/b", {"version": 1, "name": "Heavier", "note": ""})
    assert (late.status_code, late.json()["current"]) == (409, {"name": "Lighter", "note": "n"})
    assert ask("put", "/trips/trip/kits/b", {"version": 2, "name": "Again", "note": "n"}).json()["version"] == 3
    assert ask("delete", "/trips/trip/kits/b").status_code == 204
    assert ask("delete", KIT).status_code == 409
    assert ask("get", KIT).status_code == 200


def test_the_kit_looked_at_last_is_the_open_one(ask: Any, stored: Plan) -> None:
    ask("post", "/trips/trip/kits", {"name": "B"})
    ask("get", "/trips/trip/kits/b")
    assert ask("get", "/trips").json()[0]["open_kit"] == "b"
    ask("delete", "/trips/trip/kits/b")
    assert ask("get", "/trips").json()[0]["open_kit"] == "a"


def test_a_copy_is_edited_without_touching_the_original(ask: Any, stored: Plan) -> None:
    ask("post", "/trips/trip/kits", {"name": "B", "copy_of": "a"})
    ask("post", "/trips/trip/kits/b/edits", {"version": 1, "edits": [load("tele")]})
    assert items(ask("get", KIT).json()["state"]) == {"bag", "body", "normal"}


def test_nobody_sees_or_touches_another_owners_trips(ask_as_stranger: Any, stored: Plan) -> None:
    assert ask_as_stranger("get", "/trips").json() == []
    for method, path, body in [
        ("get", KIT, None),
        ("post", f"{KIT}/edits", {"version": 1, "edits": [load("tele")]}),
        ("post", f"{KIT}/undo", {"version": 1}),
        ("post", "/trips/trip/kits", {"name": "B"}),
        ("put", KIT, {"version": 1, "name": "B"}),
        ("delete", KIT, None),
        ("delete", "/trips/trip", None),
    ]:
        assert ask_as_stranger(method, path, body).status_code == 404, path
    assert Trip.objects.count() == 1


def test_a_removed_trip_takes_its_kits_and_leaves_the_gear(ask: Any, stored: Plan) -> None:
    assert ask("delete", "/trips/trip").status_code == 204
    assert not Kit.objects.exists()
    assert len(ask("get", "/locker/things").json()) == len(stored.gear)


def test_only_the_last_steps_are_kept(ask: Any, stored: Plan, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr("server.trips.services.MOST_STEPS", 2)
    version = 1
    for _ in range(4):
        version = edit(ask, version, load("pack")).json()["version"]
    undone = [ask("post", f"{KIT}/undo", {"version": version + i}).json() for i in range(2)]
    packs = [sum(e["count"] for e in s["kit"]["entries"] if e["item"] == "pack") for s in undone]
    assert packs == [3, 2]
    assert not undone[-1]["can_undo"]
    assert ask("post", f"{KIT}/undo", {"version": version + 2}).status_code == 422


def test_each_kit_of_a_trip_is_told_in_a_line_as_the_bench_tells_it(ask: Any, stored: Plan) -> None:
    ask("post", f"/trips/{stored.trip.id}/kits", {"name": "Empty"})
    lines = ask("get", f"/trips/{stored.trip.id}/glance").json()
    assert [line["kit"] for line in lines] == ["a", "b"]
    for line in lines:
        told = ask("get", f"/trips/{stored.trip.id}/kits/{line['kit']}").json()["state"]["assessment"]
        assert line["score"] == told["coverage"]["score"]
        assert line["carried_g"] == told["loads"]["carried_g"]
        advice = ask("get", f"/trips/{stored.trip.id}/kits/{line['kit']}/advice").json()["advice"]
        found = [*told["findings"], *advice["findings"]]
        assert line["blockers"] == sum(finding["severity"] == "blocker" for finding in found)
        assert line["stopped_by"] == [leg["leg"] for leg in told["legs"] if not leg["passes"]]
    assert lines[1]["things"] == 0
