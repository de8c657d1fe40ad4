"""Packing over HTTP: streamed bag by bag, with pins that are kept."""

from collections.abc import Iterator
from typing import Any

import pytest
from django.core.cache import cache

from mule.analysis.gate import gate_check_plan
from mule.packing import LeftOver, Stowage
from mule.packing.answer import Proof
from mule.plan import Plan, read, write
from server.searching.answers import Question
from server.searching.engine import ENGINE
from server.searching.jobs import Stowing
from server.searching.lines import StowLine
from server.trips import packed
from server.trips.models import Kit, KitPacking
from tests.server.conftest import errors, lines
from tests.server.test_field import send, tick

pytestmark = pytest.mark.django_db
KIT = "/trips/trip/kits/a"


def test_a_packing_comes_bag_by_bag_and_ends_with_the_whole(ask: Any, stored: Plan) -> None:
    found = lines(ask("post", f"{KIT}/stowage", {"seconds": 4}))
    assert [line["final"] for line in found] == [False] * (len(found) - 1) + [True]
    whole = found[-1]["stowage"]
    assert whole["checked"]
    inside_bags = {item for p in whole["placed"] for item in p["items"]} | {s["item"] for s in whole["soft"]}
    left = {over["item"] for over in whole["left"]}
    inside = {e.item for e in stored.kit.entries if e.place.where == "bag"}
    assert inside_bags | left == inside


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


def test_what_was_packed_is_not_packed_again(ask: Any, stored: Plan, monkeypatch: pytest.MonkeyPatch) -> None:
    first = lines(ask("post", f"{KIT}/stowage", {}))[-1]
    monkeypatch.setattr(ENGINE, "begin", lambda *_: pytest.fail("nothing has changed"))
    assert lines(ask("post", f"{KIT}/stowage", {})) == [first]
    assert ask("get", "/field/trip/kits/a/list").status_code == 200


def over(proof: Proof, count: int) -> LeftOver:
    return LeftOver(item="normal", count=count, bag="bag", why="no-time", proof=proof)


@pytest.mark.parametrize(("longer", "told"), [(1, [2, 1]), (2, [2])])
def test_a_packing_that_ran_out_of_time_is_looked_at_longer_and_told_if_it_got_better(
    stored: Plan, monkeypatch: pytest.MonkeyPatch, longer: int, told: list[int]
) -> None:
    cache.clear()
    row = Kit.objects.get(slug="a")
    asked: list[Stowing] = []

    def found(job: Stowing, question: Question) -> Iterator[str]:
        asked.append(job)
        left = over("ran-out", 2 if len(asked) == 1 else longer)
        made = Stowage(rooms=(), placed=(), soft=(), strapped=(), left=(left,), checked=True, gap_mm=8)
        yield StowLine(stowage=made, final=True).written()

    monkeypatch.setattr(packed, "lines_of", found)
    found_lines = [
        StowLine.model_validate_json(line) for line in packed.packing(stored, Question(1, "stow"), row) if line
    ]
    assert [line.stowage.left[0].count for line in found_lines if line.stowage] == told
    assert [job.lane for job in asked] == ["short", "long"]
    assert asked[1].seconds > asked[0].seconds
    assert packed.packed(stored, 1, row).left[0].count == told[-1]
    cache.clear()


def stowage(ask: Any, kit: str = KIT, **asked: Any) -> dict[str, Any]:
    found: dict[str, Any] = lines(ask("post", f"{kit}/stowage", asked))[-1]["stowage"]
    return found


def spots(of: dict[str, Any]) -> dict[str, Any]:
    return {one["block"]: (one["room"], one["at_mm"], one["size_mm"]) for one in of["placed"]}


def edit(ask: Any, *edits: dict[str, Any]) -> None:
    version = ask("get", KIT).json()["state"]["version"]
    assert ask("post", f"{KIT}/edits", {"version": version, "edits": list(edits)}).status_code == 200


def test_what_can_stay_where_it_lay_stays_until_it_is_packed_anew(ask: Any, stored: Plan) -> None:
    cache.clear()
    before = stowage(ask)
    edit(ask, {"act": "leave", "item": "normal"})
    cache.clear()
    after = stowage(ask)
    assert after["moved"] == []
    assert spots(after).items() <= spots(before).items()
    assert "normal" not in spots(after)
    # Kept with the kit, not only for a while.
    cache.clear()
    edit(ask, {"act": "load", "item": "normal", "place": {"where": "bag", "bag": "bag"}})
    assert stowage(ask)["moved"] == []
    anew = stowage(ask, anew=True)
    assert anew["moved"] == []
    assert stowage(ask) == anew


def test_a_copied_kit_is_packed_as_what_it_is_a_copy_of(
    ask: Any, stored: Plan, monkeypatch: pytest.MonkeyPatch
) -> None:
    before = stowage(ask)
    copy = ask("post", "/trips/trip/kits", {"name": "Copy", "copy_of": "a"}).json()["id"]
    cache.clear()
    monkeypatch.setattr(ENGINE, "begin", lambda *_: pytest.fail("it is the same kit"))
    assert stowage(ask, f"/trips/trip/kits/{copy}") == before


def test_a_list_half_ticked_does_not_change_its_places(ask: Any, stored: Plan) -> None:
    stowage(ask)
    send(ask, tick(1, "body@bag"))
    assert Kit.objects.get(slug="a").trip.ticked == ["body@bag"]
    told: list[Stowing] = []
    begun = ENGINE.begin

    def seen(job: Any, *rest: Any) -> Any:
        told.append(job)
        return begun(job, *rest)

    with pytest.MonkeyPatch.context() as patch:
        patch.setattr(ENGINE, "begin", seen)
        edit(ask, {"act": "leave", "item": "normal"})
        cache.clear()
        stowage(ask)
    assert [job.before and job.before.hold for job in told if isinstance(job, Stowing)] == [
        frozenset({("body", "bag")})
    ]
    # A wish of the user is one all the same.
    assert stowage(ask, anew=True)["checked"]


def test_the_list_names_what_moved(ask: Any, stored: Plan) -> None:
    """A pin of one's own moves what lay there: the list tells both."""
    before = spots(stowage(ask))
    version = ask("get", KIT).json()["state"]["version"]
    stow = {"gap_mm": 8, "pins": [{"item": "normal", "bag": "bag", "at_mm": [200, 200, 0]}]}
    ask("put", f"{KIT}/stow", {"version": version, "stow": stow})
    listed = ask("get", "/field/trip/kits/a/list").json()
    assert before["normal"][1] != [200, 200, 0]
    assert [m["item"] for m in listed["moved"]] == ["normal"]
    # Asked again, it says the same until it is packed otherwise.
    assert ask("get", "/field/trip/kits/a/list").json()["moved"] == listed["moved"]


def test_a_packing_of_which_nobody_can_make_sense_is_made_anew(ask: Any, stored: Plan) -> None:
    before = stowage(ask)
    KitPacking.objects.update(stowage='{"rooms": "none"}')
    cache.clear()
    assert spots(stowage(ask)) == spots(before)
