"""The one implementation of the coverage score: display, comparison and choosing all call ``score``."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from mule.analysis.optics.cells import TRAITS, Columns, Mask, Vector
from mule.analysis.optics.formulas import STITCH_MAX_FRAMES, STITCH_OVERLAP
from mule.analysis.optics.setups import SetUp
from mule.base.units import FULL_FRAME_LONG_SIDE_MM
from mule.plan.trip import Trait

# A stitched frame stands for 0.6 of a native one (docs/domain/coverage.md).
STITCH_SCORE = 0.6
# Light: one stop short scores 0.7, two stops 0.4, beyond two 0: a straight line that breaks off
# (docs/domain/coverage.md).
LIGHT_LOSS_PER_STOP = 0.3
LIGHT_MOST_STOPS = 2.0
# n frames reach n (1 - o) + o frames' angles; so at most 12 reach this many (the formula of docs/domain/optics.md
# turned round).
STITCH_REACH = STITCH_MAX_FRAMES * (1 - STITCH_OVERLAP) + STITCH_OVERLAP
_STOPS_PER_LN = 2 / np.log(2)
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


class _Table:
    """The numbers of set-ups as columns of one array: one row per set-up."""

    def __init__(self, sets: Sequence[SetUp]) -> None:
        first = SetUp._fields.index("low_mm")
        table = np.array([made[first:] for made in sets], dtype=float)
        self._columns = {name: table[:, i : i + 1] for i, name in enumerate(SetUp._fields[first:])}

    def __getitem__(self, name: str) -> Vector:
        return self._columns[name]


def _ln_f_number(sets: _Table, ln_focal: Vector) -> Vector:
    """Log of the f-number of each set-up at each focal length: linear in log f, constant past the ends."""
    low, high = np.log(sets["low_mm"]), np.log(sets["high_mm"])
    n_low = np.log(sets["f_low"])
    rise, span = np.log(sets["f_high"]) - n_low, high - low
    slope = np.divide(rise, span, out=np.zeros_like(span), where=span > 0)
    result: Vector = n_low + slope * (np.clip(ln_focal, low, high) - low)
    return result


def _light(sets: _Table, cols: Columns, ln_f_number: Vector, ln_crop: Vector) -> Vector:
    """Light factor. For an equivalent want the part of the sensor in use sets k, cropped in post or in camera."""
    seen = ln_f_number + cols.equivalent * (np.log(sets["k"]) + ln_crop)
    stops = _STOPS_PER_LN * (seen - np.log(cols.f_wanted))
    score_ = np.minimum(1.0, 1.0 - LIGHT_LOSS_PER_STOP * stops)
    result: Vector = score_ * (stops <= LIGHT_MOST_STOPS + _ROUNDING)
    return result


def _traits(sets: _Table, cols: Columns, ln_f_number: Vector) -> Vector:
    product = np.ones_like(ln_f_number)
    for trait, missing in zip(TRAITS, cols.missing, strict=True):
        if missing.size == 0 or missing.min() == 1:
            continue
        if trait == Trait.AUTOFOCUS:
            with np.errstate(divide="ignore"):
                held = ln_f_number <= np.log(sets["autofocus_to"]) + _ROUNDING
        else:
            held = sets[trait.value] > 0
        product *= np.where(held, 1.0, missing)
    return product


def _stitchable(sets: _Table, cols: Columns) -> Mask:
    """Where at most 12 portrait frames of the set-up's wide end reach the column's horizontal angle."""
    frame = 2 * np.arctan(sets["short_side_mm"] / (2 * sets["lens_low_mm"]))
    target = 2 * np.arctan(FULL_FRAME_LONG_SIDE_MM / (2 * cols.focal_mm))
    result: Mask = cols.static & (target <= STITCH_REACH * frame + _ROUNDING)
    return result


def score(sets: Sequence[SetUp], cols: Columns) -> Scores:
    """Score every set-up in every column: light x pixels x traits, by native reach, crop in post or stitching."""
    if not sets:
        empty = np.zeros((0, cols.focal_mm.size))
        nothing = empty.astype(bool)
        return Scores(empty, empty, empty, empty, nothing, nothing, nothing)
    table = _Table(sets)
    low, high = table["low_mm"], table["high_mm"]
    native = (low < cols.high_mm) & ((high > cols.low_mm) | (low >= cols.low_mm))
    cropped = ~native & (cols.focal_mm > high)
    stitched = ~native & (cols.focal_mm < low) & _stitchable(table, cols)
    ln_focal = np.log(cols.focal_mm)
    ln_crop = np.where(cropped, ln_focal - np.log(high), 0.0)
    ln_f_number = _ln_f_number(table, ln_focal)
    light = _light(table, cols, ln_f_number, ln_crop)
    pixels = np.minimum(1.0, table["megapixels"] * np.exp(-2 * ln_crop) / cols.need_mp)
    traits = _traits(table, cols, ln_f_number)
    reach = native + cropped + STITCH_SCORE * stitched
    return Scores(reach * light * pixels * traits, light, pixels, traits, native, cropped, stitched)
