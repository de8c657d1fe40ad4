"""Gaps and what closes them."""

from typing import Any

import pytest
from hypothesis import given, settings

from mule.analysis.optics import cover
from mule.plan.trip import Trait, Want
from tests import cast
from tests.strategies import optics, wishes


def gaps_of(gear: list[Any], asked: Want, loaded: list[str]) -> Any:
    view = cover(gear, dict.fromkeys(loaded, 1), [asked])
    return view.coverage.wants[0], view.unselected


def test_the_native_gap_70_100_is_named_and_closed_to_105_by_crop_mode() -> None:
    gear = [cast.body(), cast.normal_zoom(), cast.tele_zoom()]
    made, _ = gaps_of(gear, cast.want(low=50, high=135, megapixels=20), ["body", "normal", "tele"])
    (gap,) = made.native_gaps
    assert (gap.from_mm, gap.to_mm) == (70, 100)
    assert gap.bridge is not None
    assert (gap.bridge.lens, gap.bridge.crop) == ("normal", 1.5)
    assert (gap.bridged_to_mm, gap.megapixels) == (105, 20)
    assert made.gaps == ()


def test_a_want_wholly_inside_a_zoom_has_no_native_gap() -> None:
    made, _ = gaps_of([cast.body(), cast.normal_zoom()], cast.want(low=24, high=70), ["body", "normal"])
    assert made.native_gaps == ()


@settings(max_examples=80, deadline=None)
@given(optics(), wishes)
def test_runs_and_gaps_follow_each_other_inside_the_want(gear: list[Any], wants: tuple[Want, ...]) -> None:
    covers = cover(gear, {t.id: 1 for t in gear}, wants).coverage.wants
    for want, made in zip(wants, covers, strict=True):
        for bounds in ([(r.from_mm, r.to_mm) for r in made.runs], [(g.from_mm, g.to_mm) for g in made.gaps]):
            flat = [mm for pair in bounds for mm in pair]
            assert flat == sorted(flat)
            assert all(want.focal_min_mm <= mm <= want.focal_max_mm for mm in flat)
        if made.runs:
            assert (made.runs[0].from_mm, made.runs[-1].to_mm) == (want.focal_min_mm, want.focal_max_mm)


def test_a_lens_that_ends_before_the_want_begins_has_no_run_in_it() -> None:
    long = cast.lens("long", 100, 390, 5.6, takes_converters=("x14",))
    gear = [cast.body(crop_modes=()), long, cast.converter(1.4)]
    made, _ = gaps_of(gear, cast.want(low=400, high=500, megapixels=8), ["body", "long", "x14"])
    assert [(r.from_mm, r.to_mm, r.set_up.converter if r.set_up else None) for r in made.runs] == [(400, 500, "x14")]


@pytest.mark.parametrize(("low", "gaps"), [(14.2, []), (13, [(13, 14.5)])])
def test_a_sliver_at_the_edge_of_a_want_is_no_gap(low: float, gaps: list[tuple[float, float]]) -> None:
    gear = [cast.body(), cast.lens("wide", 14.5, 30, 2.8)]
    made, _ = gaps_of(gear, cast.want(low=low, high=28), ["body", "wide"])
    assert [(g.from_mm, g.to_mm) for g in made.gaps] == gaps


def test_a_single_focal_length_between_primes_is_a_native_gap() -> None:
    gear = [cast.body(crop_modes=()), cast.lens("p35", 35, 35, 2), cast.lens("p85", 85, 85, 2)]
    made, _ = gaps_of(gear, cast.want(low=50, high=50), ["body", "p35", "p85"])
    assert [(g.from_mm, g.to_mm) for g in made.native_gaps] == [(50, 50)]


def test_the_wide_side_of_a_static_want_is_bridged_by_a_stitch() -> None:
    made, _ = gaps_of(
        [cast.body(), cast.normal_zoom()], cast.want(low=16, high=70, static_subject=True), ["body", "normal"]
    )
    (gap,) = made.native_gaps
    assert (gap.from_mm, gap.to_mm, gap.frames) == (16, 24, 3)


def test_a_gap_starts_where_the_lens_starts_not_at_a_cell_edge() -> None:
    made, _ = gaps_of([cast.body(), cast.normal_zoom()], cast.want(low=14, high=70), ["body", "normal"])
    (gap,) = made.gaps
    assert (gap.from_mm, gap.to_mm, gap.because) == (14, 24, "reach")


@pytest.mark.parametrize(
    ("asked", "because"),
    [
        (cast.want(low=30, high=60, max_f_number=1.2), "light"),
        (cast.want(low=400, high=500, megapixels=40), "pixels"),
        (cast.want(traits=(cast.wish(Trait.MACRO, essential=True),)), "trait"),
        (cast.want(low=10, high=20), "reach"),
    ],
)
def test_a_gap_says_what_holds_the_best_set_up_back(asked: Want, because: str) -> None:
    made, _ = gaps_of([cast.body(), cast.normal_zoom()], asked, ["body", "normal"])
    assert {gap.because for gap in made.gaps} == {because}


def test_the_lightest_owned_lens_that_closes_the_gap_comes_first() -> None:
    heavy, light = cast.lens("heavy", 14, 24, 2.8, mass_g=650), cast.lens("light", 14, 30, 4, mass_g=485)
    gear = [cast.body(), cast.normal_zoom(), heavy, light]
    made, left = gaps_of(gear, cast.want(low=14, high=70), ["body", "normal"])
    ways = left.close(0, made.gaps[0])
    assert [(w.items, w.mass_g) for w in ways] == [(("light",), 485), (("heavy",), 650)]
    assert all(w.closes and w.after == pytest.approx(1.0) for w in ways)


def test_a_lens_that_needs_an_adapter_is_priced_with_it() -> None:
    old = cast.lens("old", 14, 24, 2.8, mount="Old", mass_g=300)
    gear = [cast.body(), cast.normal_zoom(), old, cast.adapter()]
    made, left = gaps_of(gear, cast.want(low=14, high=70), ["body", "normal"])
    (way,) = left.close(0, made.gaps[0])
    assert set(way.items) == {"old", "adapter"}
    assert way.mass_g == 410


def test_adding_more_to_a_way_that_already_closes_is_not_another_way() -> None:
    gear = [cast.body(), cast.normal_zoom(), cast.tele_zoom(), cast.converter(1.4)]
    made, left = gaps_of(gear, cast.want(low=300, high=400, megapixels=30), ["body", "normal"])
    assert [w.items for w in left.close(0, made.gaps[0])] == [("tele",)]


def test_when_nothing_closes_the_gap_the_best_lift_is_offered_as_such() -> None:
    gear = [cast.body(crop_modes=()), cast.normal_zoom(), cast.lens("mid", 70, 200, 2.8)]
    made, left = gaps_of(gear, cast.want(low=300, high=800, megapixels=40), ["body", "normal"])
    (way,) = left.close(0, made.gaps[0])
    assert way.items == ("mid",)
    assert not way.closes


def test_absent_things_close_nothing() -> None:
    away = cast.lens("away", 14, 24, 2.8, absent={"reason": "on-loan"})
    made, left = gaps_of([cast.body(), cast.normal_zoom(), away], cast.want(low=14, high=70), ["body", "normal"])
    assert left.close(0, made.gaps[0]) == ()


def test_another_body_may_close_a_gap() -> None:
    # A 24 MP body cannot crop to 105 with 20 MP; the 61 MP body left at home can.
    gear = [cast.body(megapixels=24), cast.body("big", megapixels=61, mass_g=700), cast.normal_zoom()]
    made, left = gaps_of(gear, cast.want(low=100, high=120, megapixels=20), ["body", "normal"])
    assert left.close(0, made.gaps[0])[0].items == ("big",)


@settings(max_examples=50, deadline=None)
@given(optics(), wishes)
def test_loading_what_a_cure_names_does_what_it_says(gear: list[Any], wants: tuple[Want, ...]) -> None:
    loaded = {gear[0].id: 1, **({gear[2].id: 1} if len(gear) > 4 else {})}
    view = cover(gear, loaded, wants)
    coverage, left = view.coverage, view.unselected
    for index, made in enumerate(coverage.wants):
        for gap in made.gaps:
            assert made.cover < 1
            for way in left.close(index, gap) if left else ():
                after = cover(gear, loaded | dict.fromkeys(way.items, 1), wants).coverage
                assert after.wants[index].cover >= way.after - 1e-9
