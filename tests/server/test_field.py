"""Marks over HTTP: taken once, each answered by itself, seen by their owner only; the list; the scale over TCP."""

import socket
from threading import Thread
from typing import Any

import pytest

from mule.plan import Plan
from server.field.scale import Reading, read_scale, settle
from server.ops.demo.scale import Load, lines, serve
from tests.server.conftest import Ask, errors

pytestmark = pytest.mark.django_db


def mark(number: int, what: dict[str, Any], *, device: str = "phone", after: tuple[str, ...] = ()) -> dict[str, Any]:
    return {
        "id": f"{device}-{number:06}",
        "device": device,
        "seq": number,
        "at": "2027-02-21T08:00:00Z",
        "after": list(after),
        "what": what,
    }


def tick(number: int, line: str = "tele@bag", **more: Any) -> dict[str, Any]:
    return mark(number, {"do": "tick", "line": line, "done": True}, **more)


def send(ask: Ask, *marks: Any) -> Any:
    return ask("post", "/field/trip/marks", {"marks": list(marks)}).json()


def test_fifty_marks_sent_twice_are_there_once_and_in_order(ask: Ask, stored: Plan) -> None:
    sent = [tick(n, f"thing-{n}@bag") for n in range(50)]
    assert len(send(ask, *sent[:30])["taken"]) == 30
    again = send(ask, *sent)
    assert len(again["taken"]) == 50
    assert not again["refused"]
    assert [m["seq"] for m in ask("get", "/field/trip").json()["marks"]] == list(range(50))


def test_a_bad_mark_is_refused_by_itself_and_says_why(ask: Ask, stored: Plan) -> None:
    made = send(ask, tick(1), mark(2, {"do": "cold", "day": "yesterday", "lowest_c": 3}), tick(3, "wide@bag"), {})
    assert made["taken"] == ["phone-000001", "phone-000003"]
    assert [(r["id"], r["field"]) for r in made["refused"]] == [("phone-000002", "what.cold.day"), ("", "id")]
    assert len(made["field"]["marks"]) == 2


def test_an_id_that_stands_for_something_else_is_refused(ask: Ask, stored: Plan) -> None:
    send(ask, tick(1))
    made = send(ask, tick(1, "other@bag"))
    assert made["refused"][0]["field"] == "id"
    assert made["field"]["now"]["line:tele@bag"]["what"]["done"]


def test_two_phones_that_mark_the_same_card_are_both_kept_and_shown(ask: Ask, stored: Plan) -> None:
    card = {"do": "card", "item": "sd", "piece": 1, "copies": 0}
    send(ask, mark(1, card | {"state": "full"}, device="ours"))
    made = send(ask, mark(1, card | {"state": "blank"}, device="theirs"))["field"]
    (conflict,) = made["conflicts"]
    assert {m["device"] for m in conflict["marks"]} == {"ours", "theirs"}
    after = tuple(m["id"] for m in conflict["marks"])
    settled = send(ask, mark(2, card | {"state": "full"}, device="ours", after=after))["field"]
    assert not settled["conflicts"]
    assert len(settled["marks"]) == 3


def test_a_clock_that_jumps_changes_no_order(ask: Ask, stored: Plan) -> None:
    late, early = tick(1), tick(2) | {"at": "1999-12-31T23:59:59Z"}
    early["what"] = early["what"] | {"done": False}
    made = send(ask, late, early)["field"]
    assert made["now"]["line:tele@bag"]["what"]["done"] is False


def test_marks_are_their_owners_alone(ask: Ask, ask_as_stranger: Ask, stored: Plan) -> None:
    send(ask, tick(1))
    assert ask_as_stranger("get", "/field/trip").status_code == 404
    assert ask_as_stranger("post", "/field/trip/marks", {"marks": [tick(2)]}).status_code == 404


def test_too_many_marks_at_once_are_refused_as_a_whole(ask: Ask, stored: Plan) -> None:
    answer = ask("post", "/field/trip/marks", {"marks": [tick(n) for n in range(1_001)]})
    assert answer.status_code == 422
    assert "marks" in errors(answer)


def test_the_trail_says_how_far_packing_is(ask: Ask, stored: Plan) -> None:
    def stations() -> dict[str, str]:
        return {s["name"]: s["mark"] for s in ask("get", "/field/trip/kits/a/stations").json()}

    assert stations() == {"packout": "open", "trail": "open", "lookback": "open"}
    listed = ask("get", "/field/trip/kits/a/list").json()
    lines = [line["id"] for bag in listed["bags"] for line in bag["lines"]] + [line["id"] for line in listed["worn"]]
    lines += [task["id"] for task in listed["tasks"]]
    send(ask, *[tick(n, line) for n, line in enumerate(lines)])
    assert stations() == {"packout": "done", "trail": "open", "lookback": "open"}


def test_the_list_is_packed_once_and_stays_the_same(ask: Ask, stored: Plan) -> None:
    first = ask("get", "/field/trip/kits/a/list").json()
    assert ask("get", "/field/trip/kits/a/list").json() == first
    assert {line["item"] for bag in first["bags"] for line in bag["lines"]} <= set(stored.kit.loaded())


def on(load: Load) -> Reading:
    """The reading of a scale that really listens on a port."""
    with socket.create_server(("127.0.0.1", 0)) as listener:
        Thread(target=serve, args=(listener, load, 0.0, 1), daemon=True).start()
        return read_scale(("127.0.0.1", listener.getsockname()[1]), seconds=3)


def test_a_swinging_bag_is_weighed_once_it_is_still() -> None:
    made = on(Load(8_420))
    assert made.state == "stable"
    assert made.grams == pytest.approx(8_420, abs=6)


def test_the_tare_is_taken_off() -> None:
    assert on(Load(8_420, tare=250)).grams == pytest.approx(8_420, abs=6)


def test_garbage_between_the_lines_is_counted_and_passed_over() -> None:
    made = on(Load(8_420, garbage=True))
    assert made.grams == pytest.approx(8_420, abs=6)
    assert made.garbled > 0


@pytest.mark.parametrize(
    ("load", "state"), [(Load(8_420, overload=True), "overload"), (Load(8_420, drop_out=True), "unsteady")]
)
def test_what_goes_wrong_is_said(load: Load, state: str) -> None:
    assert on(load).state == state


def test_a_scale_that_is_not_there_is_a_plain_answer(ask: Ask, settings: Any) -> None:
    with socket.create_server(("127.0.0.1", 0)) as listener:
        settings.SCALE_ADDRESS = listener.getsockname()
    assert ask("get", "/field/scale").json()["state"] == "not-there"


def test_lines_that_say_nothing_make_no_mass() -> None:
    nonsense = [b"[]", b'{"grams": "8"}', b'{"grams": NaN}', b'{"grams": true}', b'{"grams": 1e300}', b'{"grams": -5}']
    assert settle(nonsense) == Reading(state="silent", garbled=6)


def test_the_simulated_scale_sends_the_same_lines_each_time() -> None:
    assert list(lines(Load(5_000, seed=3))) == list(lines(Load(5_000, seed=3)))


def test_what_was_weighed_counts_in_every_later_verdict_and_changes_the_stamp(ask: Ask, stored: Plan) -> None:
    before = ask("get", "/trips/trip/kits/a").json()["state"]
    (piece,) = before["assessment"]["loads"]["pieces"]
    held = [{"item": "body", "count": 1, "mass_g": 720.0}, {"item": "normal", "count": 1, "mass_g": 800.0}]
    send(ask, mark(1, {"do": "weighed", "bag": piece["bag"], "grams": 8_420.0, "source": "scale", "held": held}))
    after = ask("get", "/trips/trip/kits/a").json()["state"]
    assert after["stamp"] != before["stamp"]
    assert after["assessment"]["loads"]["pieces"][0]["mass_g"] == 8_420
    sheet = ask("get", "/field/trip/kits/a/list").json()
    assert {b["bag"]: b["weighed_g"] for b in sheet["bags"]}[piece["bag"]] == 8_420
    send(ask, mark(2, {"do": "weighed", "bag": piece["bag"], "grams": None}, after=("phone-000001",)))
    again = ask("get", "/trips/trip/kits/a").json()["state"]
    assert again["assessment"]["loads"]["pieces"] == before["assessment"]["loads"]["pieces"]
