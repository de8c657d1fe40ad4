"""Cells of 1/12 octave, and the columns a want is scored on (domain 3)."""

from collections.abc import Sequence
from dataclasses import dataclass
from math import ceil, floor, log2, sqrt

import numpy as np
from numpy.typing import NDArray

from mule.trip import Trait, Want

CELLS_PER_OCTAVE = 12
FIRST_MM = 8.0
LAST_MM = 1200.0

Vector = NDArray[np.float64]
Mask = NDArray[np.bool_]

TRAITS: tuple[Trait, ...] = tuple(Trait)
MISSING_TRAIT = 0.8


def edge_mm(index: int) -> float:
    """Lower edge of cell ``index``; cell 0 starts at 8 mm."""
    return FIRST_MM * 2 ** (index / CELLS_PER_OCTAVE)


def cells_between(low_mm: float, high_mm: float) -> range:
    """Cells that the range [low, high] overlaps; a single focal length lies in one cell.

    >>> [round(edge_mm(i)) for i in cells_between(50, 56)]
    [48, 51, 54]
    """
    first = floor(CELLS_PER_OCTAVE * log2(low_mm / FIRST_MM) + 1e-9)
    last = ceil(CELLS_PER_OCTAVE * log2(high_mm / FIRST_MM) - 1e-9) - 1
    return range(first, max(first, last) + 1)


@dataclass(frozen=True, slots=True)
class Columns:
    """All cells of all wants side by side; every array has one element per column.

    weight: share of the whole brief, so that a weighted sum of cell scores is the kit's score (0 to 1).
    missing: per trait of TRAITS, the factor a set-up without it pays (1 when not wished).
    spans: the slice of columns of each want.
    """

    focal_mm: Vector
    low_mm: Vector
    high_mm: Vector
    need_mp: Vector
    f_wanted: Vector
    equivalent: Mask
    static: Mask
    missing: tuple[Vector, ...]
    weight: Vector
    spans: tuple[slice, ...]


def columns(wants: Sequence[Want]) -> Columns:
    """The columns of these wants, in their order."""
    focal: list[float] = []
    low: list[float] = []
    high: list[float] = []
    owner: list[int] = []
    spans: list[slice] = []
    for index, want in enumerate(wants):
        start = len(focal)
        for cell in cells_between(want.focal_min_mm, want.focal_max_mm):
            a, b = edge_mm(cell), edge_mm(cell + 1)
            low.append(a)
            high.append(b)
            focal.append(min(max(sqrt(a * b), want.focal_min_mm), want.focal_max_mm))
            owner.append(index)
        spans.append(slice(start, len(focal)))
    total = sum(w.importance for w in wants) or 1
    wished = [{wish.trait: 0.0 if wish.essential else MISSING_TRAIT for wish in w.traits} for w in wants]

    def spread(values: Sequence[float]) -> Vector:
        return np.array([values[i] for i in owner], dtype=float)

    return Columns(
        focal_mm=np.array(focal, dtype=float),
        low_mm=np.array(low, dtype=float),
        high_mm=np.array(high, dtype=float),
        need_mp=spread([w.megapixels for w in wants]),
        f_wanted=spread([w.max_f_number for w in wants]),
        equivalent=spread([w.light == "equivalent" for w in wants]).astype(bool),
        static=spread([w.static_subject for w in wants]).astype(bool),
        missing=tuple(spread([w.get(trait, 1.0) for w in wished]) for trait in TRAITS),
        weight=spread([w.importance / total / (s.stop - s.start) for w, s in zip(wants, spans, strict=True)]),
        spans=tuple(spans),
    )
