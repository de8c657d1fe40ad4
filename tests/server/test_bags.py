"""Bags and backs: who carries what, what some of the moves come to, and sets of bags line by line."""

from typing import Any

import pytest

from tests.server.conftest import Ask, lines

pytestmark = pytest.mark.django_db
KIT = "/trips/lofoten/kits/b"


def edits_of(split: dict[str, Any]) -> list[dict[str, Any]]:
    return [edit for act in split["acts"] for edit in act["edits"]]


def test_a_sharing_is_proposed_judged_in_part_and_done(demo: Ask) -> None:
    found = demo("get", f"{KIT}/split").json()
    assert found["proved"]
    assert {one["before_over_g"] for one in found["comes_to"]["over"]} == {567.0}
    assert {one["after_over_g"] for one in found["comes_to"]["over"]} == {0.0}
    assert demo("get", f"{KIT}/split").json() == found
    part = demo("post", f"{KIT}/split/so", {"edits": found["acts"][0]["edits"]}).json()
    before, after = part["people"][0]["before_g"], part["people"][0]["after_g"]
    assert before - after == found["acts"][0]["mass_g"]
    # Nothing was stored by asking.
    version = demo("get", KIT).json()["state"]["version"]
    done = demo("post", f"{KIT}/edits", {"version": version, "edits": edits_of(found)})
    assert done.status_code == 200
    legs = demo("get", KIT).json()["state"]["assessment"]["legs"]
    assert all(leg["passes"] for leg in legs)
    assert demo("get", f"{KIT}/split").json()["acts"] == []


def test_moves_that_cannot_be_done_are_refused_at_their_place(demo: Ask) -> None:
    wrong = demo("post", f"{KIT}/split/so", {"edits": [{"act": "leave", "item": "nothing-of-the-sort"}]})
    assert (wrong.status_code, wrong.json()["errors"][0]["field"]) == (422, "edits.0.item")
    assert demo("get", "/trips/lofoten/kits/z/split").status_code == 404


def test_sets_of_bags_come_line_by_line_and_one_becomes_a_kit(demo: Ask) -> None:
    told = lines(demo("post", "/trips/lofoten/kits/a/bags", {}))
    assert told[-1] == {"whole": True}
    found = [one["found"]["bag_set"] for one in told if one.get("found", {}).get("bag_set")]
    assert found[0]["key"] == "now"
    best = min((one for one in found[1:] if not one["left"]), key=lambda one: one["on_foot_g"])
    assert best["proved"]
    made = demo(
        "post", "/trips/lofoten/kits", {"name": "D · other bags", "copy_of": "a", "entries": best["kit"]["entries"]}
    )
    assert made.status_code in (200, 201)
    again = lines(demo("post", "/trips/lofoten/kits/a/bags", {}))
    assert again == [one for one in told if "ahead" not in one]


def test_looking_stops_at_its_time(demo: Ask) -> None:
    told = lines(demo("post", f"{KIT}/bags", {"seconds": 0.01}))
    assert told[-1] == {"whole": False}


def test_one_spare_is_told_with_what_it_stands_in_for(demo: Ask) -> None:
    found = demo("get", f"{KIT}/spares").json()
    assert found[0]["item"] == "clamp"
    assert set(found[0]["covers"]) == {"head-ball", "tripod-carbon"}
    assert demo("get", f"{KIT}/spares").json() == found
