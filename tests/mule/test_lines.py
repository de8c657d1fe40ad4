"""Names of lines, and marks that follow things to other ids."""

from datetime import UTC, datetime
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mule.plan.field import Mark, fetch_line, line_of, relabelled, relined

IDS = st.from_regex(r"\A[a-z0-9][a-z0-9-]{0,12}\Z")
PLACES = st.one_of(
    st.builds(lambda bag, outside: {"bag": bag, "person": "", "outside": outside}, IDS, st.booleans()),
    st.builds(lambda person: {"bag": None, "person": person, "outside": False}, IDS),
)


@given(IDS, PLACES)
def test_a_line_without_new_ids_stays_as_it_is(item: str, place: dict[str, Any]) -> None:
    line = line_of(item, **place)
    assert relined(line, {}) == line
    assert relined(fetch_line(item), {}) == fetch_line(item)


@given(IDS, PLACES, IDS, IDS)
def test_a_line_follows_its_thing_and_its_bag_and_never_its_person(
    item: str, place: dict[str, Any], new_item: str, new_bag: str
) -> None:
    ids = {item: new_item}
    if place["bag"] is not None and place["bag"] != item:
        ids[place["bag"]] = new_bag
    moved = place | {"bag": ids.get(place["bag"], place["bag"])}
    assert relined(line_of(item, **place), ids) == line_of(new_item, **moved)


@given(IDS, PLACES)
def test_different_places_have_different_lines(item: str, place: dict[str, Any]) -> None:
    others: list[dict[str, Any]] = [
        {"bag": None, "person": "ines", "outside": False},
        {"bag": "ridge", "person": "", "outside": True},
        {"bag": "ridge", "person": "", "outside": False},
    ]
    lines = {line_of(item, **other) for other in [*others, place]}
    assert len(lines) == len([*others, *([] if place in others else [place])])


@pytest.mark.parametrize("line", ["night:2027-02-21:charge", "task.charge", "task.documents", "whatever"])
def test_what_names_no_thing_stays(line: str) -> None:
    assert relined(line, {"charge": "other", "documents": "papers", "whatever": "x"}) == line


@pytest.mark.parametrize(
    ("what", "after"),
    [
        ({"do": "used", "item": "tele", "day": "2027-02-20"}, {"item": "tele-2"}),
        ({"do": "pack", "item": "pack", "piece": 2, "state": "spent"}, {"item": "pack", "piece": 2}),
        ({"do": "weighed", "bag": "bag", "grams": 5_000.0}, {"bag": "bag-2"}),
        ({"do": "copied", "to": "ssd", "day": "2027-02-20", "gb": 1.0, "hours": 0.1}, {"to": "ssd-2"}),
        ({"do": "lent", "item": "tele", "day": "2027-02-20", "to": "ssd"}, {"item": "tele-2", "to": "ssd"}),
        (
            {"do": "missed", "day": "2027-02-20", "wanted": "bag", "effect": "nd", "lens": "tele"},
            {"wanted": "bag", "lens": "tele-2"},
        ),
        ({"do": "missed", "day": "2027-02-20", "wanted": "bird"}, {"lens": None}),
        ({"do": "note", "day": "2027-02-20", "text": "tele"}, {"text": "tele"}),
    ],
)
def test_marks_follow_things_and_leave_words_alone(what: dict[str, Any], after: dict[str, Any]) -> None:
    at = datetime(2027, 2, 20, tzinfo=UTC)
    mark = Mark.model_validate({"id": "phone-000001", "device": "phone", "seq": 1, "at": at, "what": what})
    moved = relabelled(mark, {"tele": "tele-2", "bag": "bag-2", "ssd": "ssd-2"})
    assert moved.what.model_dump(include=set(after)) == after
    assert moved.model_copy(update={"what": mark.what}) == mark
