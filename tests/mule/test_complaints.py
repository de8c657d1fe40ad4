"""Errors speak the photographer's language: at the field, with its unit, never a library's sentence."""

import json
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mule.base.errors import InvalidInput
from mule.plan import read, write
from mule.plan.gear import parse
from tests import cast

PLAN = cast.plan(
    [cast.bag(), cast.body(), cast.normal_zoom(), cast.pack()],
    cast.entry("bag", cast.INES_CABIN),
    cast.entry("body"),
    carriers=(cast.carrier(mass_g=8_000),),
)
LIBRARY = ("Input ", "should ", "String ", "Value error", "valid ", "type=", "instance of", "JSON object")


def rules(text: str) -> list[str]:
    try:
        read(text.encode())
    except InvalidInput as error:
        return [p.rule for p in error.problems]
    return []


@pytest.mark.parametrize(
    ("changes", "rule"),
    [
        ({"name": "x" * 200}, "use at most 80 letters"),
        ({"name": ""}, "the name needs at least one letter"),
        ({"mass_g": -1}, "must be 0 g or more"),
        ({"mass_g": "heavy"}, "must be a number"),
        ({"megapixels": 0}, "must be 0.01 MP or more"),
        ({"count": 1.5}, "must be a whole number"),
        ({"sealed": "perhaps"}, "must be yes or no"),
        ({"colour": "black"}, "is not a known field"),
    ],
)
def test_a_wrong_field_says_what_it_takes(changes: dict[str, Any], rule: str) -> None:
    thing = cast.body().model_dump(mode="json") | changes
    with pytest.raises(InvalidInput) as caught:
        parse(thing)
    assert [p.rule for p in caught.value.problems] == [rule]


def paths(value: Any, at: tuple[Any, ...] = ()) -> list[tuple[Any, ...]]:
    inner = value.items() if isinstance(value, dict) else enumerate(value) if isinstance(value, list) else ()
    return [at, *(path for key, one in inner for path in paths(one, (*at, key)))]


DOCUMENT = json.loads(write(PLAN))
JUNK = st.sampled_from([None, "", "junk", -1, 1e300, 2**70, True, [], {}, [1, 2], {"a": 1}, "2027-13-40", "x" * 5_000])


@settings(max_examples=300, deadline=None)
@given(st.sampled_from([p for p in paths(DOCUMENT) if p]), JUNK)
def test_no_complaint_is_a_library_speaking(path: tuple[Any, ...], junk: Any) -> None:
    document = json.loads(json.dumps(DOCUMENT))
    inside = document
    for key in path[:-1]:
        inside = inside[key]
    inside[path[-1]] = junk
    for rule in rules(json.dumps(document)):
        assert not any(word in rule for word in LIBRARY), rule
