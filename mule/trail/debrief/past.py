"""Wants from pictures of before: which focal lengths, f-numbers and hours somebody really uses, by sorts of light.

A picture's exposure says how bright its subject was, whatever the clock says; within one sort of light, focal lengths
fall into heaps, and a valley between two of them is where one subject ends. Twenty frames of one bird are one
occasion: importance goes by occasions. See docs/domain/lookback.md.
"""

from bisect import bisect_left
from collections import Counter
from collections.abc import Collection, Iterable, Sequence
from datetime import timedelta
from enum import StrEnum
from itertools import pairwise
from math import log2
from statistics import median
from typing import Annotated

import numpy as np
import numpy.typing as npt
from pydantic import Field

from mule.analysis.optics.cells import CELLS_PER_OCTAVE, FIRST_MM, LAST_MM
from mule.base.units import FocalMm, Frozen, Number
from mule.plan.field import Frame
from mule.plan.gear import Gear
from mule.plan.trip.wants import Trait, TraitWish, Want, free_want_id
from mule.trail.debrief.answer import Unknown
from mule.trail.debrief.frames import Matched, match
from mule.trail.debrief.tally import unknown_of

Hills = npt.NDArray[np.float64]
MOST_SHOTS = 20_000
# Everything below is an estimate of how people shoot, not a measurement.
_STARS_EV = -3.0
_DIM_EV = 6.0
_LONG_S = 0.4
# A long exposure at a low ISO is a choice; at a high one it is the dark.
_LONG_ISO = 400
_QUICK_S = 1 / 640
_FAR_MM = 200.0
_OCCASION = timedelta(minutes=10)
# A valley is one where fewer than half as many frames lie as on the lower of the hills beside it.
_VALLEY = 0.5
_WINDOW = np.array([1, 4, 6, 4, 1]) / 16
_FEWEST_FRAMES = 3
_FEWEST_SHARE = 0.01
MOST_PAST_WANTS = 12


class Shot(Frame):
    """A frame with what tells of its light. exposure_s: shutter time; as_full_frame_mm: the equivalent focal length
    that the camera wrote itself, used where the locker does not know the camera.
    """

    exposure_s: Annotated[Number, Field(gt=0, le=86_400)] | None = None
    as_full_frame_mm: FocalMm | None = None


class PictureLight(StrEnum):
    """Sorts of light, by exposure value at ISO 100 (APEX, CIPA DC-008) and shutter time."""

    STARS = "stars"
    DIM = "dim"
    LONG = "long"
    DAY = "day"


class PastWant(Frozen):
    """One heap of pictures, and the want it makes.

    frames; occasions: with ten minutes between them; share: of all occasions, 0 to 1; hours: frames in each hour of
    the camera's clock, 24 of them; f_numbers: the lower quartile and the median, None where no picture says one.
    """

    want: Want
    light: PictureLight
    frames: int
    occasions: int
    share: float
    hours: tuple[int, ...]
    f_numbers: tuple[float, float] | None


class Past(Frozen):
    """All heaps, the most frequent first.

    frames: that were read; without_focal: those that tell no focal length; as_written: those whose camera nothing in
    the locker answers to and that say no equivalent, taken as full frame; few: in no heap large enough to be a want.
    """

    frames: int
    without_focal: int
    as_written: int
    few: int
    wants: tuple[PastWant, ...]
    unknown: tuple[Unknown, ...]


def wants_of_past(shots: Sequence[Shot], gear: Sequence[Gear], taken: Iterable[str] = ()) -> Past:
    """What pictures say of the wants of whoever took them. gear: the locker; taken: ids of wants already in use."""
    matched = match(shots, gear, ())
    seen = [(shot, mm) for shot, m in zip(shots, matched, strict=True) if (mm := _equivalent_mm(shot, m)) is not None]
    by_light: dict[PictureLight, Heap] = {light: [] for light in PictureLight}
    for shot, mm in seen:
        by_light[light_of(shot)].append((shot, mm))
    dated = any(shot.taken for shot in shots)
    fewest = max(_FEWEST_FRAMES, _FEWEST_SHARE * len(seen))
    counted = [
        (light, heap, _occasions([shot for shot, _ in heap]) if dated else len(heap))
        for light, frames in by_light.items()
        for heap in _heaps(frames)
        if len(heap) >= fewest
    ]
    counted = sorted(counted, key=lambda one: -one[2])[:MOST_PAST_WANTS]
    total, used = sum(n for *_, n in counted), set(taken)
    wants = []
    for light, heap, occasions in counted:
        want = _want(light, heap, 1 + round(4 * occasions / counted[0][2]), used)
        used.add(want.id)
        wants.append(_past_want(want, light, heap, occasions, occasions / total))
    return Past(
        frames=len(shots),
        without_focal=len(shots) - len(seen),
        as_written=sum(
            m.body is None and s.as_full_frame_mm is None and s.focal_mm is not None
            for s, m in zip(shots, matched, strict=True)
        ),
        few=len(seen) - sum(len(heap) for _, heap, _ in counted),
        wants=tuple(_told_apart(wants)),
        unknown=unknown_of(matched),
    )


def light_of(shot: Shot) -> PictureLight:
    """The sort of light a picture was taken in; day where it does not say.

    >>> milky_way = Shot(name="a", f_number=2.8, exposure_s=15, iso=6400)
    >>> light_of(milky_way).value
    'stars'
    """
    if shot.f_number is None or shot.exposure_s is None:
        return PictureLight.DAY
    iso = shot.iso or 100
    ev = log2(shot.f_number**2 / shot.exposure_s) - log2(iso / 100)
    if ev <= _STARS_EV:
        return PictureLight.STARS
    if shot.exposure_s >= _LONG_S and iso <= _LONG_ISO:
        return PictureLight.LONG
    return PictureLight.DIM if ev <= _DIM_EV else PictureLight.DAY


def _equivalent_mm(shot: Shot, m: Matched) -> float | None:
    """Full-frame millimetres: by the locker's sensor, by what the camera wrote, or as they are."""
    said = shot.as_full_frame_mm if m.body is None else None
    mm = said or m.equivalent_mm
    return None if mm is None else min(max(mm, FIRST_MM), LAST_MM)


Heap = list[tuple[Shot, float]]


def _heaps(frames: Heap) -> list[Heap]:
    """Frames parted at the valleys between their focal lengths (a histogram, smoothed by a binomial window)."""
    if not frames:
        return []
    cells = [round(CELLS_PER_OCTAVE * log2(mm / FIRST_MM)) for _, mm in frames]
    first = min(cells)
    edge = len(_WINDOW) // 2
    hills = np.convolve(np.bincount(np.array(cells) - first), _WINDOW)[edge:-edge]
    cuts = [first + cell for cell in _valleys(hills, 0, len(hills))]
    parted: list[Heap] = [[] for _ in range(len(cuts) + 1)]
    for frame, cell in zip(frames, cells, strict=True):
        parted[bisect_left(cuts, cell)].append(frame)
    return [heap for heap in parted if heap]


def _valleys(hills: Hills, start: int, end: int) -> list[int]:
    """Cells between start and end where the ground lies under half of the lower hill on both sides, in order."""
    part = hills[start:end]
    if len(part) < 3:
        return []
    left, right = np.maximum.accumulate(part), np.maximum.accumulate(part[::-1])[::-1]
    depth = part / np.maximum(np.minimum(left, right), 1e-9)
    lowest = start + int(depth.argmin())
    if depth.min() >= _VALLEY:
        return []
    return [*_valleys(hills, start, lowest), lowest, *_valleys(hills, lowest + 1, end)]


def _occasions(frames: Sequence[Frame]) -> int:
    """How often: frames that follow within ten minutes are one occasion; all without a time are one more."""
    dated = [f.taken for f in frames if f.taken is not None]
    times = sorted(dated)
    gaps = sum(later - earlier > _OCCASION for earlier, later in pairwise(times))
    return (gaps + 1 if times else 0) + (len(dated) < len(frames))


def _past_want(want: Want, light: PictureLight, heap: Heap, occasions: int, share: float) -> PastWant:
    hours = Counter(shot.taken.hour for shot, _ in heap if shot.taken)
    return PastWant(
        want=want,
        light=light,
        frames=len(heap),
        occasions=occasions,
        share=share,
        hours=tuple(hours.get(h, 0) for h in range(24)),
        f_numbers=_f_numbers(heap),
    )


def _f_numbers(heap: Heap) -> tuple[float, float] | None:
    said = sorted(shot.f_number for shot, _ in heap if shot.f_number)
    return (said[len(said) // 4], median(said)) if said else None


def _want(light: PictureLight, heap: Heap, importance: int, used: Collection[str]) -> Want:
    """The want of a heap: nine tenths of its focal lengths, and an f-number that three quarters get by with."""
    lengths = sorted(mm for _, mm in heap)
    low, high = lengths[int(0.05 * len(lengths))], lengths[int(0.95 * (len(lengths) - 1))]
    name = _name(light, (low * high) ** 0.5)
    times = [shot.exposure_s for shot, _ in heap if shot.exposure_s]
    quick = low >= _FAR_MM / 2 and bool(times) and median(times) <= _QUICK_S
    f_numbers = _f_numbers(heap)
    return Want(
        id=free_want_id(name.lower().replace(" ", "-"), used),
        name=name,
        focal_min_mm=round(low),
        focal_max_mm=round(high),
        max_f_number=min(f_numbers[0], 8) if f_numbers else 8,
        light="equivalent" if light is PictureLight.STARS else "exposure",
        megapixels=16,
        traits=(TraitWish(trait=Trait.AUTOFOCUS, essential=True),) if quick else (),
        static_subject=light is PictureLight.LONG,
        steady=light in (PictureLight.STARS, PictureLight.LONG),
        importance=importance,
    )


_BY_DAY = ((20.0, "Very wide views"), (35.0, "Wide views"), (85.0, "Middle lengths"), (_FAR_MM, "Tele views"))
_IN_OTHER_LIGHT = {PictureLight.STARS: "Night sky", PictureLight.DIM: "Dim light", PictureLight.LONG: "Long exposures"}


def _name(light: PictureLight, middle_mm: float) -> str:
    return _IN_OTHER_LIGHT.get(light) or next((name for to, name in _BY_DAY if middle_mm < to), "Far subjects")


def _told_apart(found: Sequence[PastWant]) -> Iterable[PastWant]:
    """Wants of one name say their focal lengths with it."""
    names = Counter(past.want.name for past in found)
    for past in found:
        want = past.want
        if names[want.name] > 1:
            ends = dict.fromkeys(f"{mm:g}" for mm in (want.focal_min_mm, want.focal_max_mm))
            want = want.model_copy(update={"name": f"{want.name} {'–'.join(ends)}"})
        yield past.model_copy(update={"want": want})


__all__ = ["MOST_SHOTS", "Past", "PastWant", "PictureLight", "Shot", "light_of", "wants_of_past"]
