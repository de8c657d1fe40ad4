"""Marks of several devices put together: nothing is lost, clocks have no say, disagreements are told."""

from datetime import UTC, datetime
from itertools import permutations
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import TypeAdapter, ValidationError

from mule.plan.field import Mark, Tick, Weighed, fold

NOON = datetime(2027, 2, 19, 12, tzinfo=UTC)


def mark(id_: str, what: dict[str, Any], *, device: str = "phone", seq: int = 0, after: tuple[str, ...] = ()) -> Mark:
    told = {"id": f"mark-{id_:>04}".replace(" ", "0"), "device": device, "seq": seq, "at": NOON, "what": what}
    names = tuple(f"mark-{a:>04}".replace(" ", "0") for a in after)
    return Mark.model_validate(told | {"after": names})


def card(state: str, copies: int = 0) -> dict[str, Any]:
    return {"do": "card", "item": "sd", "piece": 1, "state": state, "copies": copies}


def test_the_last_mark_of_a_subject_stands_and_what_happened_is_all_kept() -> None:
    made = fold(
        [
            mark("1", card("in-use"), seq=1),
            mark("2", {"do": "used", "item": "tele", "day": "2027-02-21"}, seq=2),
            mark("3", card("full"), seq=3, after=("1",)),
            mark("4", {"do": "used", "item": "tele", "day": "2027-02-21"}, seq=4),
        ]
    )
    assert made.now["card:sd#1"].what.state == "full"  # type: ignore[union-attr]
    assert [m.id for m in made.log] == ["mark-0002", "mark-0004"]
    assert not made.conflicts


def test_what_goes_along_on_a_day_is_said_for_each_thing_and_day() -> None:
    def along(count: int | None, day: str = "2027-02-22", item: str = "tele") -> dict[str, Any]:
        return {"do": "along", "day": day, "item": item, "count": count}

    made = fold(
        [
            mark("1", along(1), seq=1),
            mark("2", along(0, item="legs"), seq=2),
            mark("3", along(1, day="2027-02-23"), seq=3),
            mark("4", along(None), seq=4, after=("1",)),
        ]
    )
    assert {subject: one.what.count for subject, one in made.now.items()} == {  # type: ignore[union-attr]
        "along:2027-02-22.tele": None,
        "along:2027-02-22.legs": 0,
        "along:2027-02-23.tele": 1,
    }
    assert not made.log


def test_two_devices_that_did_not_know_of_each_other_both_stand_until_somebody_decides() -> None:
    first = mark("1", card("in-use"), device="phone")
    ours = mark("2", card("full"), device="phone", seq=1, after=("1",))
    theirs = mark("3", card("blank"), device="tablet", after=("1",))
    (conflict,) = fold([first, ours, theirs]).conflicts
    assert {m.id for m in conflict.marks} == {ours.id, theirs.id}
    decided = mark("4", card("full"), device="tablet", seq=1, after=("2", "3"))
    made = fold([first, ours, theirs, decided])
    assert not made.conflicts
    assert made.now["card:sd#1"].id == decided.id


def test_devices_that_say_the_same_do_not_disagree() -> None:
    both = [mark("1", card("full"), device="phone"), mark("2", card("full"), device="tablet")]
    assert not fold(both).conflicts


def test_a_device_knows_its_own_older_mark_though_it_does_not_name_it() -> None:
    older = mark("1", card("in-use"), seq=1)
    newer = mark("2", card("full"), seq=2)
    for marks in ([older, newer], [newer, older]):
        made = fold(marks)
        assert made.now["card:sd#1"].id == newer.id
        assert not made.conflicts


def test_of_two_that_disagree_the_last_to_come_is_shown() -> None:
    ours, theirs = mark("1", card("full"), device="phone"), mark("2", card("blank"), device="tablet")
    assert fold([ours, theirs]).now["card:sd#1"].id == theirs.id
    assert fold([theirs, ours]).now["card:sd#1"].id == ours.id


def pack(state: str) -> dict[str, Any]:
    return {"do": "pack", "item": "lb-4", "piece": 1, "state": state}


# One pack, two devices: charged twice, the second time by both without knowing of each other.
CHARGED = [
    mark("1", pack("spent"), device="phone", seq=1),
    mark("2", pack("charging"), device="phone", seq=2, after=("1",)),
    mark("3", pack("ready"), device="tablet", seq=1, after=("2",)),
    mark("4", pack("spent"), device="tablet", seq=2, after=("3",)),
    mark("5", pack("charging"), device="tablet", seq=3, after=("4",)),
    mark("6", pack("charging"), device="phone", seq=3, after=("4",)),
    mark("7", pack("ready"), device="phone", seq=4, after=("5", "6")),
]


@given(st.permutations(CHARGED))
def test_the_same_marks_count_the_same_charges_in_whatever_order_they_come(marks: list[Mark]) -> None:
    assert fold(marks).charges == {"lb-4": 2}


def test_charges_of_a_long_line_of_marks_are_counted_in_one_go() -> None:
    """Five thousand marks of one pack, as a long trip has, each replacing the one before: half of them charge it."""
    states = ("charging", "ready")
    long = [mark(str(n), pack(states[n % 2]), seq=n, after=(str(n - 1),) if n else ()) for n in range(5_000)]
    assert fold(reversed(long)).charges == {"lb-4": 2_500}


@given(st.lists(st.tuples(st.sampled_from("abc"), st.booleans()), max_size=9), st.data())
def test_states_are_counted_in_the_order_in_which_they_replace_each_other(
    told: list[tuple[str, bool]], data: st.DataObject
) -> None:
    """Each mark of some devices replaces any that were there; each stands as deep as its longest line of those."""
    marks: list[Mark] = []
    depth: dict[str, int] = {}
    for number, (device, charging) in enumerate(told):
        after = data.draw(st.sets(st.sampled_from(marks), max_size=2)) if marks else set()
        what = pack("charging" if charging else "spent")
        made = mark(str(number), what, device=device, seq=number, after=tuple(str(int(m.id[5:])) for m in after))
        known = [m for m in marks if m.device == device][-1:] + list(after)
        depth[made.id] = 1 + max((depth[m.id] for m in known), default=0)
        marks.append(made)
    line = [m.what.state for m in sorted(marks, key=lambda m: (depth[m.id], m.id))]  # type: ignore[union-attr]
    expected = sum(is_ == "charging" != was for was, is_ in zip(["", *line], line, strict=False))
    shuffled = data.draw(st.permutations(marks))
    assert fold(shuffled).charges.get("lb-4", 0) == expected


def test_ticks_and_weights_are_read_off() -> None:
    made = fold(
        [
            mark("1", {"do": "tick", "line": "tele@bag", "done": True}, seq=1),
            mark("2", {"do": "tick", "line": "wide@bag", "done": True}, seq=2),
            mark("3", {"do": "tick", "line": "tele@bag", "done": False}, seq=3, after=("1",)),
            mark("4", {"do": "weighed", "bag": "bag", "grams": 8420.0, "source": "scale"}, seq=4),
        ]
    )
    assert made.ticked() == {"wide@bag"}
    assert {bag: weighed.grams for bag, weighed in made.weighed().items()} == {"bag": 8420}


def test_a_note_taken_back_counts_no_more_and_is_kept() -> None:
    used = {"do": "used", "item": "tele", "day": "2027-02-21"}
    back = {"do": "taken-back", "mark": "mark-0001"}
    marks = [mark("1", used, seq=1), mark("2", used, seq=2), mark("3", back, seq=3)]
    for order in permutations(marks):
        assert [m.id for m in fold(order).log] == [marks[1].id]


def test_a_weighing_can_be_taken_back() -> None:
    one = mark("1", {"do": "weighed", "bag": "bag", "grams": 8420.0}, seq=1)
    none = mark("2", {"do": "weighed", "bag": "bag", "grams": None}, seq=2, after=("1",))
    assert fold([one, none]).weighed() == {}


@pytest.mark.parametrize(
    "wrong",
    [
        {"do": "card", "item": "sd", "piece": 0, "state": "full"},
        {"do": "card", "item": "sd", "piece": 1, "state": "burnt"},
        {"do": "weighed", "bag": "bag", "grams": float("nan")},
        {"do": "tick", "line": "../../etc", "done": True},
        {"do": "cold", "day": "2027-02-30", "lowest_c": -4},
        {"do": "dance"},
    ],
)
def test_a_mark_that_makes_no_sense_is_refused(wrong: dict[str, Any]) -> None:
    with pytest.raises(ValidationError):
        mark("1", wrong)


STATES = st.sampled_from(["blank", "in-use", "full"])


@given(st.lists(st.tuples(st.sampled_from(["phone", "tablet", "desk"]), STATES), min_size=1, max_size=25), st.data())
def test_however_devices_race_no_mark_vanishes_unreplaced(told: list[tuple[str, str]], data: st.DataObject) -> None:
    """Each device knows its own marks and some of the others'; whatever stands unreplaced is shown or in a conflict."""
    made: list[Mark] = []
    known: dict[str, set[str]] = {"phone": set(), "tablet": set(), "desk": set()}
    for number, (device, state) in enumerate(told):
        known[device] |= set(data.draw(st.sets(st.sampled_from([m.id for m in made])))) if made else set()
        new = mark(str(number), card(state), device=device, seq=number)
        new = new.model_copy(update={"after": tuple(sorted(known[device]))[:40]})
        made.append(new)
        known[device].add(new.id)
    field = fold(made)
    replaced = {id_ for m in made for id_ in m.after}
    standing = {m.id for m in made} - replaced
    shown = {m.id for c in field.conflicts for m in c.marks} | {field.now["card:sd#1"].id}
    states = {m.what for m in made if m.id in standing}
    assert field.now["card:sd#1"].id in standing
    assert len(states) == 1 or standing <= shown


def test_a_mark_comes_back_from_its_file_as_it_was() -> None:
    what: TypeAdapter[Any] = TypeAdapter(Mark)
    one = mark("1", {"do": "missed", "day": "2027-02-21", "wanted": "300 mm", "focal_mm": 300.0, "had_mm": 105.0})
    assert what.validate_json(what.dump_json(one)) == one
    assert one.subject is None
    assert isinstance(mark("1", {"do": "tick", "line": "a@b", "done": True}).what, Tick)
    assert isinstance(mark("1", {"do": "weighed", "bag": "b", "grams": 5.0}).what, Weighed)
