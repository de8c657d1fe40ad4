"""Set-ups: which parts fit together and what comes of them (docs/domain/optics.md)."""

from math import inf

import pytest

from mule.analysis.optics import cover, formulas
from mule.analysis.optics.reach import autofocus_lost_from
from mule.analysis.optics.setups import SetUp, forced_crop, set_ups
from mule.plan.gear import Gear
from tests import cast


def reach(made: SetUp) -> tuple[float, float, float]:
    return round(made.low_mm, 2), round(made.high_mm, 2), round(made.megapixels, 2)


def test_a_full_frame_zoom_sees_24_70_at_45_mp_and_36_105_at_20_mp_in_crop() -> None:
    # 45 MP / 1.5^2 = 20 MP; 24 x 1.5 = 36; 70 x 1.5 = 105.
    native, cropped = set_ups([cast.body(), cast.normal_zoom()])
    assert reach(native) == (24, 70, 45)
    assert reach(cropped) == (36, 105, 20)
    assert native.native
    assert not cropped.native


def test_an_aps_c_lens_on_full_frame_is_forced_into_the_crop() -> None:
    # 11-20 x 1.5 = 16.5-30, 45 MP / 2.25 = 20 MP, and there is no uncropped set-up.
    (only,) = set_ups([cast.body(), cast.lens("wide", 11, 20, 2.8, image_circle_mm=28.85)])
    assert reach(only) == (16.5, 30, 20)
    assert only.forced
    assert only.native


def test_a_lens_that_covers_no_crop_mode_is_cropped_to_its_circle() -> None:
    body = cast.body(crop_modes=())
    assert forced_crop(body, 28.85) == pytest.approx(43.27 / 28.85, rel=1e-3)
    assert forced_crop(body, 43.27) == 1


def test_nominal_sensor_sizes_do_not_force_a_crop() -> None:
    # 35.9 x 23.9 mm has a diagonal of 43.13 mm; 43.27 mm covers it, and so would 42.5 mm within the tolerance.
    assert forced_crop(cast.body(sensor_width_mm=35.9, sensor_height_mm=23.9), 42.5) == 1


@pytest.mark.parametrize(
    ("factor", "low", "high", "slowest", "autofocus"),
    [(1.4, 140, 560, 8.82, True), (2.0, 200, 800, 12.6, False)],
)
def test_a_converter_multiplies_reach_and_f_number(
    factor: float, low: float, high: float, slowest: float, autofocus: bool
) -> None:
    # 6.3 x 1.4 = 8.82 still focuses on a body that stops at f/11; 6.3 x 2 = 12.6 does not.
    sets = set_ups([cast.body(crop_modes=()), cast.tele_zoom(), cast.converter(factor)])
    made = next(s for s in sets if s.converter)
    assert reach(made)[:2] == (low, high)
    assert made.f_high == pytest.approx(slowest)
    assert (autofocus_lost_from(made) is None) is autofocus


def test_autofocus_is_lost_where_the_interpolated_f_number_passes_the_limit() -> None:
    # f/9 at 200 to f/12.6 at 800: f/11 is reached at 200 x 4^(ln(11/9)/ln(12.6/9)) = 457 mm.
    made = next(s for s in set_ups([cast.body(), cast.tele_zoom(), cast.converter(2.0)]) if s.converter)
    assert autofocus_lost_from(made) == pytest.approx(457.2, abs=0.1)


def test_a_converter_fits_only_the_lenses_that_name_it() -> None:
    sets = set_ups([cast.body(), cast.normal_zoom(), cast.converter(1.4)])
    assert all(s.converter is None for s in sets)


def test_a_lens_of_another_mount_needs_the_adapter() -> None:
    old = cast.lens("old", 35, 35, 2, mount="Old")
    assert set_ups([cast.body(), old]) == []
    sets = set_ups([cast.body(), old, cast.adapter()])
    assert {s.adapter for s in sets} == {"adapter"}


def test_the_adapter_decides_autofocus_and_sealing() -> None:
    old = cast.lens("old", 35, 35, 2, mount="Old", sealed=True)
    plain = set_ups([cast.body(), old, cast.adapter(autofocus=False, sealed=False)])[0]
    good = set_ups([cast.body(), old, cast.adapter()])[0]
    assert (plain.autofocus_to, plain.sealed) == (0, False)
    assert (good.autofocus_to, good.sealed) == (11, True)


def test_sealing_is_a_chain_and_one_open_link_opens_all() -> None:
    sealed = cast.tele_zoom(sealed=True)
    open_converter = cast.converter(1.4)
    with_it = next(s for s in set_ups([cast.body(), sealed, open_converter]) if s.converter)
    without = next(s for s in set_ups([cast.body(), sealed, open_converter]) if not s.converter)
    assert without.sealed
    assert not with_it.sealed


def test_a_fixed_lens_body_is_a_set_up_by_itself() -> None:
    # k = 43.27 / sqrt(13.2^2 + 8.8^2) = 2.727: 8.8 mm is 24 mm, 25.7 mm is 70.1 mm.
    (made,) = set_ups([cast.pocket()])
    assert made.lens is None
    assert reach(made)[:2] == (pytest.approx(24.0, abs=0.05), pytest.approx(70.1, abs=0.05))


def test_set_ups_can_be_asked_only_for_those_that_need_a_thing() -> None:
    gear: list[Gear] = [cast.body(), cast.normal_zoom(), cast.tele_zoom(), cast.converter(1.4)]
    needing = set_ups(gear, frozenset({"x14"}))
    assert needing
    assert all("x14" in s.parts for s in needing)
    assert len(needing) < len(set_ups(gear))


def test_the_zoom_f_number_is_linear_in_log_f_and_log_n() -> None:
    # Halfway in log f between 100 and 400 is 200; halfway in log N between 4.5 and 6.3 is sqrt(4.5 x 6.3) = 5.32:
    # a want for exactly that is met in full, one for a tenth of a stop more loses 0.03.
    wanted = (4.5 * 6.3) ** 0.5
    gear: list[Gear] = [cast.body(crop_modes=()), cast.tele_zoom()]
    for f_number, score in ((wanted * 1.0001, 100), (wanted / 2**0.05, 97)):
        asked = cast.want(low=200, high=200, max_f_number=f_number)
        assert cover(gear, cast.counts(*gear), [asked]).coverage.score == pytest.approx(score, abs=0.01)


def test_the_crop_factor_is_the_ratio_of_diagonals() -> None:
    assert formulas.crop_factor(36, 24) == pytest.approx(1.0, abs=1e-3)
    assert formulas.crop_factor(23.5, 15.6) == pytest.approx(1.534, abs=1e-3)


def test_the_angle_of_view_of_24_mm_on_full_frame_is_74_degrees() -> None:
    # 2 atan(36 / 48) = 73.7 degrees.
    assert formulas.angle_of_view(36, 24) == pytest.approx(1.287, abs=1e-3)


def test_frames_of_a_stitch_follow_the_formula() -> None:
    # 24 mm portrait sees 2 atan(24/48) = 53.13 degrees; 16 mm landscape sees 96.73 degrees.
    # ceil((96.73 - 0.3 x 53.13) / (53.13 x 0.7)) = ceil(2.17) = 3.
    frame, target = formulas.angle_of_view(24, 24), formulas.angle_of_view(36, 16)
    assert formulas.frames_to_stitch(target, frame) == 3
    assert formulas.frames_to_stitch(frame, frame) == 1


def test_a_body_without_an_autofocus_limit_never_loses_it() -> None:
    assert set_ups([cast.body(autofocus_min_aperture=None), cast.normal_zoom()])[0].autofocus_to == inf
