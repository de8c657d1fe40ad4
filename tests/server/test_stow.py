"""Packing over HTTP: streamed bag by bag, with pins that are kept."""

import json
from typing import Any

import pytest

from mule.gate import gate_check_plan
from mule.plan import Plan, read, write
from tests.server.conftest import errors

pytestmark = pytest.mark.django_db
KIT = "/trips/trip/kits/a"


def lines(answer: Any) -> list[dict[str, Any]]:
    return [json.loads(line) for line in b"".join(answer.streaming_content).decode().splitlines()]


def test_a_packing_comes_bag_by_bag_and_ends_with_the_whole(ask: Any, stored: Plan) -> None:
    found = lines(ask("post", f"{KIT}/stowage", {"seconds": 4}))
    assert [line["final"] for line in found] == [False] * (len(found) - 1) + [True]
    whole = found[-1]["stowage"]
    assert whole["checked"]
    packed = {item for p in whole["placed"] for item in p["items"]} | {s["item"] for s in whole["soft"]}
    left = {over["item"] for over in whole["left"]}
    inside = {e.item for e in stored.kit.entries if e.place.where == "bag"}
    assert packed | left == inside


def test_how_a_kit_is_to_be_packed_is_kept_copied_and_written_into_the_file(ask: Any, stored: Plan) -> None:
    item = next(e.item for e in stored.kit.entries if e.place.where == "bag")
    bag = next(e.item for e in stored.kit.entries if e.place.where == "piece")
    stow = {"gap_mm": 5, "pins": [{"item": item, "bag": bag, "at_mm": [0, 0, 0]}]}
    version = ask("get", KIT).json()["state"]["version"]
    state = ask("put", f"{KIT}/stow", {"version": version, "stow": stow}).json()
    assert state["kit"]["stow"]["gap_mm"] == 5
    assert state["version"] == version + 1
    copy = ask("post", "/trips/trip/kits", {"name": "Copy", "copy_of": "a"}).json()["id"]
    assert ask("get", f"/trips/trip/kits/{copy}").json()["state"]["kit"]["stow"] == state["kit"]["stow"]
    plan = read(ask("get", "/exchange/plans/trip/a").content)
    assert {k.stow.pins[0].item for k in plan.kits if k.id in ("a", copy)} == {item}
    # Brought in again, the wishes come along.
    again = ask("post", "/exchange/plans", write(plan).encode()).json()["trip"]["id"]
    assert ask("get", f"/trips/{again}/kits/a").json()["state"]["kit"]["stow"]["pins"][0]["at_mm"] == [0, 0, 0]


def test_a_stale_wish_is_refused_and_a_senseless_one_told_at_its_field(ask: Any, stored: Plan) -> None:
    version = ask("get", KIT).json()["state"]["version"]
    assert ask("put", f"{KIT}/stow", {"version": version + 3, "stow": {}}).status_code == 409
    refused = ask("put", f"{KIT}/stow", {"version": version, "stow": {"gap_mm": -1}})
    assert refused.status_code == 422
    assert "stow.gap_mm" in str(errors(refused))


def test_packing_somebody_elses_kit_is_not_there(ask: Any) -> None:
    assert ask("post", "/trips/nothing/kits/a/stowage", {}).status_code == 404


def test_the_gate_drill_tells_what_comes_out(ask: Any, stored: Plan) -> None:
    made = ask("get", f"{KIT}/gate-drill").json()
    assert made == [d.model_dump(mode="json") for d in gate_check_plan(stored)]
    assert ask("get", "/trips/nothing/kits/a/gate-drill").status_code == 404


def test_usual_restrictions_are_there_to_start_from_and_a_carrier_keeps_its_own(ask: Any, stored: Plan) -> None:
    usual = ask("get", "/carriers/usual-restrictions").json()
    rule = next(r for r in usual if r["sort"] == "power-bank")
    doc = ask("get", "/carriers").json()[0]
    changed = doc["carrier"] | {"restricted": [rule | {"most": 1}]}
    kept = ask("put", f"/carriers/{changed['id']}", {"version": doc["version"], "carrier": changed}).json()
    assert kept["carrier"]["restricted"][0]["most"] == 1


def test_a_loadout_is_weighed_packed_and_brought_along_with_the_plan(ask: Any, stored: Plan) -> None:
    item = next(e.item for e in stored.kit.entries if e.place.where == "bag")
    bag = next(e for e in stored.kit.entries if e.place.where == "piece")
    place = {"where": "bag", "bag": bag.item, "outside": False}
    entries = [bag.model_dump(mode="json"), {"item": item, "count": 1, "place": place}]
    version = ask("get", KIT).json()["state"]["version"]
    stow = {"loadouts": [{"id": "out", "name": "Out", "entries": entries}]}
    assert ask("put", f"{KIT}/stow", {"version": version, "stow": stow}).status_code == 200
    made = ask("get", f"{KIT}/loadouts/out").json()
    assert {e["item"] for e in made["kit"]["entries"]} == {bag.item, item}
    assert ask("get", f"{KIT}/loadouts/nothing").status_code == 422
    whole = lines(ask("post", f"{KIT}/stowage?loadout=out", {"seconds": 2}))[-1]["stowage"]
    inside = {i for p in whole["placed"] for i in p["items"]} | {s["item"] for s in whole["soft"]}
    assert inside <= {item}
    plan = ask("get", "/exchange/plans/trip/a").content
    again = ask("post", "/exchange/plans", plan).json()["trip"]["id"]
    assert ask("get", f"/trips/{again}/kits/a/loadouts/out").json()["stays"] == made["stays"]


def test_two_loadouts_of_one_id_are_refused(ask: Any, stored: Plan) -> None:
    version = ask("get", KIT).json()["state"]["version"]
    twice = {"loadouts": [{"id": "out", "name": "Out"}, {"id": "out", "name": "Out"}]}
    assert ask("put", f"{KIT}/stow", {"version": version, "stow": twice}).status_code == 422
