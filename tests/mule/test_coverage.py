"""Coverage: the score of cells, wants and kits (docs/domain/coverage.md)."""

from math import log2
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mule.analysis.optics import cover
from mule.analysis.optics.cells import cells_between, columns, edge_mm
from mule.analysis.optics.score import score
from mule.analysis.optics.setups import set_ups
from mule.plan.trip import Trait, Want
from tests import cast
from tests.strategies import optics, wishes


def covered(gear: list[Any], *wants: Want, loaded: list[str] | None = None) -> Any:
    counts = {t.id: 1 for t in gear if loaded is None or t.id in loaded}
    return cover(gear, counts, wants).coverage


def test_cells_are_a_twelfth_of_an_octave_from_8_mm() -> None:
    assert edge_mm(0) == 8
    assert edge_mm(12) == 16
    assert edge_mm(1) / edge_mm(0) == pytest.approx(2 ** (1 / 12))
    assert list(cells_between(16, 32)) == list(range(12, 24))
    assert len(cells_between(50, 50)) == 1
    assert len(cells_between(16, 16)) == 1
    # 8 to 1200 mm: 12 x log2(150) = 86.7, so 87 cells.
    assert len(cells_between(8, 1200)) == 87


def test_a_want_within_the_zoom_and_its_light_is_met_in_full() -> None:
    gear = [cast.body(), cast.normal_zoom()]
    assert covered(gear, cast.want(low=24, high=70)).score == pytest.approx(100)


@pytest.mark.parametrize(
    ("f_number", "expected"),
    [(2.8, 1.0), (2.0, 0.7), (2.8 / 2**0.25, 0.85), (1.4, 0.4), (1.3, 0.0)],
)
def test_light_falls_to_0_7_one_stop_short_and_0_4_two_stops_short_then_to_nothing(
    f_number: float, expected: float
) -> None:
    # f/2.8 against f/2.0 is 0.97 stops short by the marked numbers; the score is linear in stops.
    stops = 2 * log2(2.8 / f_number)
    if 0 < stops <= 1:
        expected = 1 - 0.3 * stops
    elif 1 < stops <= 2:
        expected = 0.7 - 0.3 * (stops - 1)
    gear = [cast.body(), cast.normal_zoom()]
    assert covered(gear, cast.want(low=30, high=60, max_f_number=f_number)).score / 100 == pytest.approx(expected)


def test_equivalent_light_counts_the_crop_factor_and_exposure_does_not() -> None:
    # On a sensor of k = 1.534, f/2.8 gathers as f/4.3 does on full frame: 1.23 stops short of f/2.8.
    small = cast.body(sensor_width_mm=23.5, sensor_height_mm=15.6, crop_modes=())
    gear = [small, cast.lens("wide", 16, 55, 2.8)]
    asked: dict[str, Any] = {"low": 30, "high": 60, "max_f_number": 2.8}
    assert covered(gear, cast.want(**asked)).score == pytest.approx(100)
    stops = 2 * log2(43.27 / (23.5**2 + 15.6**2) ** 0.5)
    expected = 100 * (0.7 - 0.3 * (stops - 1))
    assert covered(gear, cast.want(**asked, light="equivalent")).score == pytest.approx(expected)


def test_pixels_pay_in_proportion() -> None:
    gear = [cast.body(megapixels=12, crop_modes=()), cast.normal_zoom()]
    assert covered(gear, cast.want(low=24, high=70, megapixels=24)).score == pytest.approx(50)


def test_cropping_four_times_leaves_a_sixteenth_of_the_pixels() -> None:
    # 35 mm cropped to 140 mm: 45 / 16 = 2.8 MP of the 45 asked.
    gear = [cast.body(crop_modes=()), cast.lens("prime", 35, 35, 1.8)]
    assert covered(gear, cast.want(low=140, high=140, megapixels=45)).score == pytest.approx(100 / 16)


def test_a_file_of_45_mp_may_be_cropped_1_37_times_as_far_as_one_of_24_mp() -> None:
    # sqrt(45 / 24) = 1.369: from 70 mm, 45 MP reaches 95.8 mm with 24 MP left.
    reach = 70 * (45 / 24) ** 0.5
    gear = [cast.body(crop_modes=()), cast.normal_zoom()]
    assert covered(gear, cast.want(low=reach, high=reach, megapixels=24)).score == pytest.approx(100)


def test_a_wished_trait_costs_a_fifth_and_an_essential_one_all() -> None:
    gear = [cast.body(sealed=False), cast.normal_zoom()]
    wished = cast.want(traits=(cast.wish(Trait.SEALED),))
    essential = cast.want(traits=(cast.wish(Trait.SEALED, essential=True),))
    assert covered(gear, wished).score == pytest.approx(80)
    assert covered(gear, essential).score == 0
    assert covered([cast.body(), cast.normal_zoom(sealed=True)], essential).score == pytest.approx(100)


def test_two_missing_traits_multiply() -> None:
    gear = [cast.body(sealed=False), cast.normal_zoom()]
    both = cast.want(traits=(cast.wish(Trait.SEALED), cast.wish(Trait.MACRO)))
    assert covered(gear, both).score == pytest.approx(64)


def test_autofocus_is_judged_at_the_f_number_of_the_focal_length() -> None:
    # With the 2x the lens is f/9 at 200 and f/12.6 at 800; a body to f/11 loses autofocus from 457 mm.
    gear = [cast.body(crop_modes=()), cast.tele_zoom(), cast.converter(2.0)]
    asked: dict[str, Any] = {
        "max_f_number": 16,
        "megapixels": 45,
        "traits": (cast.wish(Trait.AUTOFOCUS, essential=True),),
    }
    assert covered(gear, cast.want(low=420, high=440, **asked)).score > 99
    assert covered(gear, cast.want(low=790, high=800, **asked)).wants[0].cover < 0.3


def test_stitching_serves_static_wants_only_at_0_6() -> None:
    gear = [cast.body(), cast.normal_zoom()]
    asked: dict[str, Any] = {"low": 16, "high": 16}
    assert covered(gear, cast.want(**asked)).score == 0
    assert covered(gear, cast.want(**asked, static_subject=True)).score == pytest.approx(60)


def test_stitching_stops_at_twelve_frames() -> None:
    # 400 mm portrait sees 3.44 degrees: 16 mm would take about 40 frames, 200 mm takes 3.
    gear = [cast.body(), cast.lens("long", 400, 400, 5.6)]
    assert covered(gear, cast.want(low=16, high=16, static_subject=True)).score == 0
    assert covered(gear, cast.want(low=200, high=200, static_subject=True)).score == pytest.approx(60)


def test_the_cell_takes_the_best_set_up() -> None:
    slow, fast = cast.lens("slow", 24, 70, 5.6), cast.lens("fast", 35, 35, 1.4)
    made = covered([cast.body(), slow, fast], cast.want(low=35, high=35, max_f_number=1.4))
    assert made.score == pytest.approx(100)
    assert made.wants[0].runs[0].set_up.lens == "fast"


def test_a_kit_is_the_importance_weighted_mean_of_its_wants() -> None:
    # One want met in full with importance 5, one not at all with importance 1: 5/6.
    gear = [cast.body(), cast.normal_zoom()]
    made = covered(gear, cast.want("met", 24, 70, importance=5), cast.want("unmet", 10, 12, importance=1))
    assert made.score == pytest.approx(100 * 5 / 6)


def test_the_columns_of_some_wants_are_those_of_all_cut_out() -> None:
    asked = [cast.want("one", 14, 24), cast.want("two", 50, 100, importance=5), cast.want("three", 300, 400)]
    cols = columns(asked)
    some = cols.of([2, 0])
    assert some.focal_mm.tolist() == [*cols.focal_mm[cols.spans[2]], *cols.focal_mm[cols.spans[0]]]
    assert some.weight[some.spans[1]].tolist() == cols.weight[cols.spans[0]].tolist()
    assert [s.stop - s.start for s in some.spans] == [len(cells_between(300, 400)), len(cells_between(14, 24))]


def test_without_wants_the_score_is_nothing() -> None:
    assert covered([cast.body(), cast.normal_zoom()]).score == 0


def test_runs_end_where_the_lens_ends_and_prefer_the_plainest_way() -> None:
    gear = [cast.body(), cast.normal_zoom(), cast.tele_zoom()]
    runs = covered(gear, cast.want(low=50, high=135, megapixels=20)).wants[0].runs
    assert [(round(r.from_mm), round(r.to_mm), r.how) for r in runs] == [
        (50, 70, "native"),
        (70, 100, "crop-in-post"),
        (100, 135, "native"),
    ]


@settings(max_examples=60, deadline=None)
@given(optics(), wishes, st.data())
def test_adding_a_thing_never_lowers_coverage(gear: list[Any], wants: tuple[Want, ...], data: st.DataObject) -> None:
    left_out = data.draw(st.sampled_from(gear))
    fewer = [t for t in gear if t is not left_out]
    before, after = covered(fewer, *wants), covered(gear, *wants)
    assert after.score >= before.score - 1e-9
    for a, b in zip(after.wants, before.wants, strict=True):
        assert a.cover >= b.cover - 1e-9


@settings(max_examples=60, deadline=None)
@given(optics(), wishes)
def test_every_score_lies_between_0_and_1_and_the_weights_sum_to_1(gear: list[Any], wants: tuple[Want, ...]) -> None:
    cols = columns(wants)
    assert cols.weight.sum() == pytest.approx(1)
    totals = score(set_ups(gear), cols).total
    assert ((totals >= 0) & (totals <= 1 + 1e-12)).all()


@settings(max_examples=60, deadline=None)
@given(optics(), wishes)
def test_runs_cover_each_want_from_end_to_end_and_average_to_its_cover(
    gear: list[Any], wants: tuple[Want, ...]
) -> None:
    for asked, made in zip(wants, covered(gear, *wants).wants, strict=True):
        if not made.runs:
            continue
        assert made.runs[0].from_mm == asked.focal_min_mm
        assert made.runs[-1].to_mm == pytest.approx(asked.focal_max_mm)
        for a, b in zip(made.runs, made.runs[1:], strict=False):
            assert a.to_mm == b.from_mm
