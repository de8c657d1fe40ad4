"""Gear: every kind parses, and bad figures are refused at their field."""

import math
from typing import Any

import pytest

from mule.base.errors import InvalidInput
from mule.plan import gear
from tests import cast

LENS: dict[str, Any] = cast.normal_zoom().model_dump(mode="json")


def problem_of(data: Any) -> tuple[str, str]:
    with pytest.raises(InvalidInput) as caught:
        gear.parse(data)
    first = caught.value.problems[0]
    return first.field, first.rule


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"focal_min_mm": 0}, "focal_min_mm"),
        ({"focal_min_mm": -24}, "focal_min_mm"),
        ({"mass_g": -1}, "mass_g"),
        ({"mass_g": 1e9}, "mass_g"),
        ({"mass_g": math.nan}, "mass_g"),
        ({"mass_g": math.inf}, "mass_g"),
        ({"mass_g": "800"}, "mass_g"),
        ({"mass_g": True}, "mass_g"),
        ({"mass_g": None}, "mass_g"),
        ({"count": 0}, "count"),
        ({"count": 1.5}, "count"),
        ({"name": "   "}, "name"),
        ({"name": "x" * 81}, "name"),
        ({"id": "Not An Id"}, "id"),
        ({"size": {"shape": "box", "length_mm": 0, "width_mm": 1, "height_mm": 1}}, "size.length_mm"),
        ({"size": {"shape": "box", "length_mm": 5000, "width_mm": 1, "height_mm": 1}}, "size.length_mm"),
        ({"size": {"shape": "blob"}}, "size"),
        ({"colour": "red"}, "colour"),
        ({"sealed": "yes"}, "sealed"),
        ({"absent": {"reason": "eaten"}}, "absent.reason"),
    ],
)
def test_a_bad_figure_is_refused_at_its_field(change: dict[str, Any], field: str) -> None:
    assert problem_of(LENS | change)[0] == field


def test_a_reversed_focal_range_is_told_with_its_numbers() -> None:
    assert (
        problem_of(LENS | {"focal_min_mm": 70, "focal_max_mm": 24})[1]
        == "the focal range must not end at 24.0 before it starts at 70.0"
    )


@pytest.mark.parametrize("data", [{"kind": "spaceship"}, {}, None, [], "lens", {"kind": 3}])
def test_an_unknown_kind_lists_the_known_ones(data: Any) -> None:
    field, rule = problem_of(data)
    assert field == "kind"
    assert "teleconverter" in rule


def test_a_body_has_either_a_mount_or_a_fixed_lens() -> None:
    neither = cast.body().model_dump(mode="json") | {"mount": None}
    both = cast.pocket().model_dump(mode="json") | {"mount": "K"}
    assert "either a mount or a fixed lens" in problem_of(neither)[1]
    assert "either a mount or a fixed lens" in problem_of(both)[1]


@pytest.mark.parametrize("crop", [1.0, 0.5, -1, 11])
def test_a_crop_mode_enlarges(crop: float) -> None:
    assert "crop mode" in problem_of(cast.body().model_dump(mode="json") | {"crop_modes": [crop]})[1]


def test_a_filter_needs_a_thread_or_a_plate_and_an_nd_its_stops() -> None:
    base = {"kind": "filter", "id": "f", "name": "f", "mass_g": 30, "size": {"shape": "soft", "volume_l": 0.1}}
    assert "thread, plate width" in problem_of(base | {"effect": "polariser"})[1]
    assert "enter the stops" in problem_of(base | {"effect": "nd", "thread_mm": 82})[1]
    assert gear.parse(base | {"effect": "nd", "thread_mm": 82, "stops": 6}).kind == "filter"


def test_every_problem_of_a_thing_is_told_at_once() -> None:
    with pytest.raises(InvalidInput) as caught:
        gear.parse(LENS | {"mass_g": -1, "count": 0, "focal_min_mm": 0})
    assert {p.field for p in caught.value.problems} == {"mass_g", "count", "focal_min_mm"}


def test_what_was_received_is_told_shortened() -> None:
    with pytest.raises(InvalidInput) as caught:
        gear.parse(LENS | {"name": "x" * 5000})
    assert len(caught.value.problems[0].value) <= 80


@pytest.mark.parametrize(
    "made", [cast.body(), cast.pocket(), cast.normal_zoom(), cast.bag(), cast.pack(), cast.first_aid()]
)
def test_a_thing_survives_the_way_to_json_and_back(made: Any) -> None:
    assert gear.parse(made.model_dump(mode="json")) == made


def test_sides_come_longest_first_and_litres_from_the_enclosing_box() -> None:
    box = gear.Box(length_mm=100, width_mm=300, height_mm=200)
    assert box.sides_mm() == (300, 200, 100)
    assert box.litres() == pytest.approx(6)
    tube = gear.Cylinder(diameter_mm=100, length_mm=200)
    assert tube.sides_mm() == (200, 100, 100)
    assert tube.litres() == pytest.approx(2)
    assert gear.Soft(volume_l=8).sides_mm() == pytest.approx((200, 200, 200))
