"""Cells of 1/12 octave, and the columns a want is scored on (docs/domain/coverage.md)."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from math import ceil, floor, log2

import numpy as np
from numpy.typing import NDArray

from mule.plan.trip import Trait, Want

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

    def of(self, wants: Sequence[int]) -> "Columns":
        """The columns of these wants alone, side by side in this order; weights stay shares of the whole brief."""
        index = np.concatenate([np.arange(self.spans[w].start, self.spans[w].stop) for w in wants])
        ends = np.cumsum([0, *(self.spans[w].stop - self.spans[w].start for w in wants)]).tolist()
        return Columns(
            focal_mm=self.focal_mm[index],
            low_mm=self.low_mm[index],
            high_mm=self.high_mm[index],
            need_mp=self.need_mp[index],
            f_wanted=self.f_wanted[index],
            equivalent=self.equivalent[index],
            static=self.static[index],
            missing=tuple(m[index] for m in self.missing),
            weight=self.weight[index],
            spans=tuple(slice(a, b) for a, b in pairwise(ends)),
        )


def columns(wants: Sequence[Want]) -> Columns:
    """The columns of these wants, in their order."""
    cells = [cells_between(w.focal_min_mm, w.focal_max_mm) for w in wants]
    lengths = np.array([len(c) for c in cells], dtype=int)
    ends = np.concatenate(([0], np.cumsum(lengths)))
    index = np.array([i for c in cells for i in c], dtype=float)
    low = FIRST_MM * 2 ** (index / CELLS_PER_OCTAVE)
    high = FIRST_MM * 2 ** ((index + 1) / CELLS_PER_OCTAVE)
    total = sum(w.importance for w in wants) or 1
    wished = [{wish.trait: 0.0 if wish.essential else MISSING_TRAIT for wish in w.traits} for w in wants]

    def spread(values: Sequence[float]) -> Vector:
        return np.repeat(np.array(values, dtype=float), lengths)

    middle = np.sqrt(low * high)
    return Columns(
        focal_mm=np.clip(middle, spread([w.focal_min_mm for w in wants]), spread([w.focal_max_mm for w in wants])),
        low_mm=low,
        high_mm=high,
        need_mp=spread([w.megapixels for w in wants]),
        f_wanted=spread([w.max_f_number for w in wants]),
        equivalent=spread([w.light == "equivalent" for w in wants]) > 0,
        static=spread([w.static_subject for w in wants]) > 0,
        missing=tuple(spread([w.get(trait, 1.0) for w in wished]) for trait in TRAITS),
        weight=spread([w.importance / total / n for w, n in zip(wants, lengths.tolist(), strict=True)]),
        spans=tuple(slice(a, b) for a, b in pairwise(ends.tolist())),
    )
