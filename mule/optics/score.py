"""The one implementation of the coverage score: display, comparison and choosing all call ``score``."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from mule.optics.cells import TRAITS, Columns, Mask, Vector
from mule.optics.formulas import STITCH_MAX_FRAMES, STITCH_OVERLAP
from mule.optics.setups import SetUp
from mule.trip import Trait
from mule.units import FULL_FRAME_LONG_SIDE_MM

# A stitched frame stands for 0.6 of a native one (domain 3).
STITCH_SCORE = 0.6
# Light: one stop short scores 0.7, two stops 0.4, beyond two 0 (domain 3).
LIGHT_STOPS = (0.0, 1.0, 2.0)
LIGHT_SCORE = (1.0, 0.7, 0.4)
_ROUNDING = 1e-9


@dataclass(frozen=True, slots=True)
class Scores:
    """Score and its factors for each set-up (rows) in each column; ``how`` says by which reach."""

    total: Vector
    light: Vector
    pixels: Vector
    traits: Vector
    native: Mask
    cropped: Mask
    stitched: Mask


def _rows(values: Sequence[float | bool]) -> Vector:
    return np.array(values, dtype=float).reshape(-1, 1)


def _f_numbers(sets: Sequence[SetUp], focal: Vector) -> Vector:
    """f-number of each set-up at each focal length, linear in log f and log N, constant past the ends."""
    low, high = _rows([s.low_mm for s in sets]), _rows([s.high_mm for s in sets])
    n_low, n_high = _rows([s.f_low for s in sets]), _rows([s.f_high for s in sets])
    span = np.log(high / low)
    place = np.log(np.clip(focal, low, high) / low)
    share = np.divide(place, span, out=np.zeros_like(place), where=span > 0)
    result: Vector = n_low * (n_high / n_low) ** share
    return result


def _light(sets: Sequence[SetUp], cols: Columns, f_number: Vector, crop_in_post: Vector) -> Vector:
    """Light factor. For an equivalent want the part of the sensor in use sets k, cropped in post or in camera."""
    k = _rows([s.k for s in sets]) * crop_in_post
    compared = np.where(cols.equivalent, f_number * k, f_number)
    stops = 2 * np.log2(compared / cols.f_wanted)
    result: Vector = np.where(stops > LIGHT_STOPS[-1] + _ROUNDING, 0.0, np.interp(stops, LIGHT_STOPS, LIGHT_SCORE))
    return result


def _traits(sets: Sequence[SetUp], cols: Columns, f_number: Vector) -> Vector:
    held = {
        Trait.AUTOFOCUS: f_number <= _rows([s.autofocus_to for s in sets]) + _ROUNDING,
        Trait.SEALED: _rows([s.sealed for s in sets]) > 0,
        Trait.MACRO: _rows([s.macro for s in sets]) > 0,
        Trait.VIDEO: _rows([s.video for s in sets]) > 0,
        Trait.STABILISED: _rows([s.stabilised for s in sets]) > 0,
    }
    product = np.ones((len(sets), cols.focal_mm.size))
    for trait, missing in zip(TRAITS, cols.missing, strict=True):
        if (missing < 1).any():
            product = product * np.where(held[trait], 1.0, missing)
    return product


def _stitchable(sets: Sequence[SetUp], cols: Columns) -> Mask:
    """Where at most 12 portrait frames of the set-up's wide end reach the column's horizontal angle."""
    short, lens_low = _rows([s.short_side_mm for s in sets]), _rows([s.lens_low_mm for s in sets])
    frame = 2 * np.arctan(short / (2 * lens_low))
    target = 2 * np.arctan(FULL_FRAME_LONG_SIDE_MM / (2 * cols.focal_mm))
    frames = np.ceil((target - STITCH_OVERLAP * frame) / (frame * (1 - STITCH_OVERLAP)) - _ROUNDING)
    result: Mask = cols.static & (frames <= STITCH_MAX_FRAMES)
    return result


def score(sets: Sequence[SetUp], cols: Columns) -> Scores:
    """Score every set-up in every column: light x pixels x traits, by native reach, crop in post or stitching."""
    if not sets:
        empty = np.zeros((0, cols.focal_mm.size))
        nothing = empty.astype(bool)
        return Scores(empty, empty, empty, empty, nothing, nothing, nothing)
    low, high = _rows([s.low_mm for s in sets]), _rows([s.high_mm for s in sets])
    native = (low < cols.high_mm) & ((high > cols.low_mm) | (low >= cols.low_mm))
    cropped = ~native & (cols.focal_mm > high)
    stitched = ~native & (cols.focal_mm < low) & _stitchable(sets, cols)
    crop_in_post = np.where(cropped, cols.focal_mm / high, 1.0)
    f_number = _f_numbers(sets, cols.focal_mm)
    light = _light(sets, cols, f_number, crop_in_post)
    pixels = np.minimum(1.0, _rows([s.megapixels for s in sets]) / crop_in_post**2 / cols.need_mp)
    traits = _traits(sets, cols, f_number)
    reach = np.where(native | cropped, 1.0, np.where(stitched, STITCH_SCORE, 0.0))
    return Scores(reach * light * pixels * traits, light, pixels, traits, native, cropped, stitched)
