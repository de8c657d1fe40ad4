"""Wants typed three ways, and what a brief may not say."""

from typing import Any

import pytest
from pydantic import ValidationError

from mule.plan.trip import LocalRule, Mains, PrintUse, ScreenUse, SubjectTest, Trip, Want
from mule.plan.trip.sets import SETS
from tests import cast


def want(**fields: Any) -> Want:
    return Want.model_validate({"id": "w", "name": "w"} | fields)


def test_a_bird_at_a_distance_becomes_a_focal_range() -> None:
    # f = q h D / S: 0.5 x 24 mm x 60 m / 0.9 m = 800 mm; at 30 m half of that.
    made = want(subject={"size_m": 0.9, "near_m": 30.0, "far_m": 60.0, "share": 0.5})
    assert (made.focal_min_mm, made.focal_max_mm) == (pytest.approx(400), pytest.approx(800))


def test_the_long_side_is_half_as_long_again() -> None:
    assert SubjectTest(size_m=1, near_m=10, far_m=10, share=0.5, side="long").focal_mm()[0] == pytest.approx(180)


def test_a_print_asks_for_what_the_eye_sees_from_where_it_stands() -> None:
    # 90 x 60 cm from 1 m: 8733 / 100 = 87.3 ppi, (90 / 2.54 x 87.33) x (60 / 2.54 x 87.33) = 6.38 MP.
    far = PrintUse(width_cm=90, height_cm=60, viewing_cm=100)
    assert far.megapixels() == pytest.approx(6.38, abs=0.01)
    # Nearer than 29 cm 300 ppi are enough: 30 x 20 cm is 8.37 MP.
    assert PrintUse(width_cm=30, height_cm=20, viewing_cm=15).megapixels() == pytest.approx(8.37, abs=0.01)


def test_a_screen_asks_for_its_long_side() -> None:
    assert want(focal_min_mm=24, focal_max_mm=70, output={"use": "screen", "long_side_px": 3840}).megapixels == (
        pytest.approx(3840 * 2560 / 1e6)
    )
    assert ScreenUse(long_side_px=6000).megapixels() == pytest.approx(24)


@pytest.mark.parametrize(
    "fields",
    [
        {"subject": {"size_m": 0.9, "near_m": 80, "far_m": 60, "share": 0.5}},
        {"subject": {"size_m": 0.01, "near_m": 100, "far_m": 100, "share": 1}},
        {"subject": {"size_m": 0, "near_m": 1, "far_m": 1, "share": 1}},
        {"focal_min_mm": 24, "focal_max_mm": 70, "output": {"use": "wall"}},
        {"focal_min_mm": 24, "focal_max_mm": 70, "effects": [{"effect": "nd"}]},
        {"focal_min_mm": 24, "focal_max_mm": 70, "effects": [{"effect": "polariser", "stops": 2}]},
        {"focal_min_mm": 24, "focal_max_mm": 70, "effects": [{"effect": "polariser"}, {"effect": "polariser"}]},
    ],
)
def test_a_want_that_makes_no_sense_is_refused(fields: Any) -> None:
    with pytest.raises(ValidationError):
        want(**fields)


@pytest.mark.parametrize(
    "fields",
    [
        {"name": "x", "effect": "big-bags-barred"},
        {"name": "x", "effect": "tripods-barred", "largest_mm": (1, 1, 1)},
        {"name": "x", "effect": "tripods-barred", "first_day": "2027-02-02", "last_day": "2027-02-01"},
    ],
)
def test_a_local_rule_that_makes_no_sense_is_refused(fields: Any) -> None:
    with pytest.raises(ValidationError):
        LocalRule.model_validate(fields)


def test_a_day_shoots_wants_of_its_trip() -> None:
    with pytest.raises(ValidationError, match="shots of this trip"):
        cast.trip(days=({"date": "2027-02-20", "title": "x", "wants": ("nothing",)},))


def test_mains_have_a_plug() -> None:
    with pytest.raises(ValidationError):
        Mains(plugs=(), volts=230)


def test_a_trip_written_before_policies_still_reads() -> None:
    old = {"id": "t", "name": "Old", "people": [], "legs": [], "days": [], "wants": [], "note": ""}
    made = Trip.model_validate(old)
    assert (made.policies.lenses, made.marks.must_take, made.stakes) == ("any", (), "leisure")


@pytest.mark.parametrize("ready", SETS, ids=lambda s: s.id)
def test_a_ready_made_set_makes_a_trip(ready: Any) -> None:
    assert len(cast.trip(wants=ready.wants).wants) >= 2
