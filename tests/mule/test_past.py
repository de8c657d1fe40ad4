"""Wants from pictures of before."""

from datetime import datetime, timedelta
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mule.plan.trip import Trait
from mule.trail.debrief import PastWant, PictureLight, Shot, wants_of_past
from mule.trail.debrief.past import MOST_PAST_WANTS, light_of
from tests import cast

NOON = datetime(2026, 9, 12, 12)
BY_DAY: dict[str, Any] = {"exposure_s": 1 / 250, "iso": 100, "f_number": 8.0}
STARS: dict[str, Any] = {"exposure_s": 15.0, "iso": 6400, "f_number": 2.8}
SLOW: dict[str, Any] = {"exposure_s": 2.0, "iso": 100, "f_number": 11.0}
INSIDE: dict[str, Any] = {"exposure_s": 1 / 30, "iso": 1600, "f_number": 2.8}


def shots(count: int, focal: float, *, at: datetime = NOON, minutes: float = 30, **more: Any) -> list[Shot]:
    spec = BY_DAY | {"focal_mm": focal} | more
    return [Shot(name="", taken=at + timedelta(minutes=minutes * n), **spec) for n in range(count)]


def by_name(*taken: list[Shot]) -> dict[str, PastWant]:
    return {past.want.name: past for past in wants_of_past([s for some in taken for s in some], []).wants}


@pytest.mark.parametrize(
    ("said", "light"),
    [
        (BY_DAY, PictureLight.DAY),
        (STARS, PictureLight.STARS),
        (SLOW, PictureLight.LONG),
        (INSIDE, PictureLight.DIM),
        ({}, PictureLight.DAY),
    ],
)
def test_a_picture_says_how_bright_it_was(said: dict[str, Any], light: PictureLight) -> None:
    assert light_of(Shot(name="", **said)) is light


def test_focal_lengths_far_apart_are_two_wants_and_close_ones_are_one() -> None:
    found = by_name(shots(20, 24), shots(20, 28), shots(30, 400), shots(20, 420))
    assert [(h.want.focal_min_mm, h.want.focal_max_mm, h.frames) for h in found.values()] == [
        (400, 420, 50),
        (24, 28, 40),
    ]


def test_light_makes_wants_of_their_own_that_ask_for_what_it_takes() -> None:
    found = by_name(shots(20, 20, **STARS), shots(20, 20, **SLOW), shots(20, 20, **INSIDE), shots(20, 21))
    assert set(found) == {"Night sky", "Long exposures", "Dim light", "Wide views"}
    assert (found["Night sky"].want.steady, found["Night sky"].want.light) == (True, "equivalent")
    assert (found["Long exposures"].want.steady, found["Long exposures"].want.static_subject) == (True, True)
    assert found["Dim light"].want.max_f_number == 2.8


def test_a_burst_is_one_occasion() -> None:
    """Two hundred frames of one bird are not ten times as much as twenty mornings."""
    found = by_name(shots(200, 500, minutes=0.01), shots(20, 24, minutes=24 * 60))
    assert (found["Far subjects"].occasions, found["Wide views"].occasions) == (1, 20)
    assert (found["Far subjects"].want.importance, found["Wide views"].want.importance) == (1, 5)
    assert found["Wide views"].share == pytest.approx(20 / 21)


def test_without_any_time_frames_count() -> None:
    found = by_name([s.model_copy(update={"taken": None}) for s in shots(30, 24)])
    assert found["Wide views"].occasions == 30
    assert sum(found["Wide views"].hours) == 0


def test_hours_and_f_numbers_are_those_of_the_pictures() -> None:
    found = by_name(shots(4, 24, minutes=60, f_number=4.0), shots(4, 24, at=NOON + timedelta(days=1), f_number=11.0))
    (past,) = found.values()
    assert past.hours[12:16] == (3, 3, 1, 1)
    assert past.f_numbers == (4, 7.5)
    assert past.want.max_f_number == 4


def test_quick_shutters_far_away_need_autofocus() -> None:
    (quick,) = by_name(shots(9, 400, exposure_s=1 / 2000)).values()
    (slow,) = by_name(shots(9, 400, exposure_s=1 / 60)).values()
    assert [wish.trait for wish in quick.want.traits] == [Trait.AUTOFOCUS]
    assert slow.want.traits == ()


def test_the_locker_knows_the_sensor_by_any_name_of_the_camera() -> None:
    small = cast.body("small", name="Small one", sensor_width_mm=24.0, sensor_height_mm=16.0, also=("MODEL-7 II",))
    taken = shots(9, 200, body="model 7 ii")
    (known,) = wants_of_past(taken, [small]).wants
    assert known.want.focal_min_mm == 300
    strange = wants_of_past(taken, [])
    assert (strange.as_written, strange.wants[0].want.focal_min_mm) == (9, 200)
    assert [(u.body, u.frames) for u in strange.unknown] == [("model 7 ii", 9)]
    said = wants_of_past(shots(9, 200, body="model 7 ii", as_full_frame_mm=300.0), [])
    assert (said.as_written, said.wants[0].want.focal_min_mm) == (0, 300)


def test_ids_in_use_are_left_alone() -> None:
    found = wants_of_past(shots(9, 24), [], taken=["wide-views", "wide-views-2"])
    assert found.wants[0].want.id == "wide-views-3"


@given(
    st.lists(
        st.builds(
            Shot,
            name=st.just(""),
            taken=st.none() | st.datetimes(datetime(2000, 1, 1), datetime(2030, 1, 1)),
            focal_mm=st.none() | st.sampled_from((1.5, 14, 24, 35, 50, 85, 200, 400, 2_500)),
            f_number=st.none() | st.sampled_from((1.4, 4, 11)),
            exposure_s=st.none() | st.sampled_from((1e-5, 0.01, 1, 30)),
            iso=st.none() | st.sampled_from((50, 800, 25_600)),
        ),
        max_size=60,
    )
)
def test_every_picture_is_accounted_for(taken: list[Shot]) -> None:
    found = wants_of_past(taken, [])
    assert sum(h.frames for h in found.wants) + found.few + found.without_focal == found.frames == len(taken)
    assert len({h.want.id for h in found.wants}) == len(found.wants) <= MOST_PAST_WANTS
    assert not found.wants or sum(h.share for h in found.wants) == pytest.approx(1)
    for past in found.wants:
        assert 1 <= past.want.importance <= 5
        assert past.want.focal_min_mm <= past.want.focal_max_mm
        assert sum(past.hours) <= past.frames


def test_two_pictures_are_no_habit_and_three_are() -> None:
    assert by_name(shots(2, 35)) == {}
    (one,) = by_name(shots(3, 35)).values()
    assert one.want.focal_min_mm <= 35 <= one.want.focal_max_mm
