"""One row per set of things that take pictures together: what is left when some of them stay home or are lost."""

from collections.abc import Collection, Sequence
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from mule.analysis.optics.aids import Aids
from mule.analysis.optics.cells import Columns, Vector
from mule.analysis.optics.setups import SetUp
from mule.plan.gear import Gear

Parts = tuple[str, ...]


@dataclass(frozen=True)
class Table:
    """Scores of set-ups by the things they need. best: one row per entry of ``parts``, one column per cell of a want.

    aids: what wants ask for beside glass. Crop modes of one set-up share its parts, so they stand or fall together: a
    row holds the best of them.
    """

    parts: tuple[Parts, ...]
    best: Vector
    cols: Columns
    aids: Aids

    @classmethod
    def of(cls, sets: Sequence[SetUp], totals: Vector, cols: Columns, aids: Aids) -> "Table":
        """From set-ups and their scores, in the same order."""
        rows: dict[Parts, list[int]] = {}
        for row, made in enumerate(sets):
            rows.setdefault(made.parts, []).append(row)
        best = np.stack([totals[r].max(axis=0) for r in rows.values()]) if rows else totals
        return cls(tuple(rows), best, cols, aids)

    @cached_property
    def items(self) -> list[str]:
        """Everything that takes part in a set-up."""
        return list(dict.fromkeys(item for parts in self.parts for item in parts))

    @cached_property
    def _index(self) -> dict[str, int]:
        return {item: i for i, item in enumerate(self.items)}

    @cached_property
    def _uses(self) -> Vector:
        """1 where an item (row) is a part of a set-up (column)."""
        uses = np.zeros((len(self.items), len(self.parts)))
        for column, parts in enumerate(self.parts):
            uses[[self._index[item] for item in parts], column] = 1
        return uses

    def scores(self, gone: Sequence[Collection[str]]) -> list[float]:
        """The kit's score (0 to 100) without each of these groups of things."""
        if not self.parts:
            return [0.0] * len(gone)
        without = np.zeros((len(gone), len(self.items)))
        for row, group in enumerate(gone):
            without[row, [self._index[item] for item in group if item in self._index]] = 1
        stands = without @ self._uses == 0
        # Scores are never negative, so a set-up that falls may count as nothing.
        # Row by row: a maximum over two long lines is far cheaper than one across many short ones.
        cells = np.zeros((len(gone), self.best.shape[1]))
        for standing, best in zip(stands.T, self.best, strict=True):
            np.maximum(cells, standing[:, None] * best, out=cells)
        if not self.aids.asked:
            found: list[float] = (cells @ (100 * self.cols.weight)).tolist()
            return found
        by_want = np.add.reduceat(cells * (100 * self.cols.weight), self._starts, axis=1)
        without_aids = np.array([self.aids.met(group) for group in gone]).reshape(len(gone), self.aids.wants)
        scores: list[float] = (by_want * without_aids).sum(axis=1).tolist()
        return scores

    def score(self, gone: Collection[str] = ()) -> float:
        """The kit's score without these things, 0 to 100."""
        return float(100 * (self.cells(gone) @ self.weight(gone)))

    def weight(self, gone: Collection[str] = ()) -> Vector:
        """What each column counts, as a share of the brief: less where what its want asks beside glass is not there."""
        if not self.aids.asked:
            return self.cols.weight
        met: Vector = self.cols.weight * np.repeat(self.aids.met(gone), self._lengths)
        return met

    @cached_property
    def _starts(self) -> list[int]:
        return [span.start for span in self.cols.spans]

    @cached_property
    def _lengths(self) -> list[int]:
        return [span.stop - span.start for span in self.cols.spans]

    def cells(self, gone: Collection[str] = ()) -> Vector:
        """The best score of each column without these things."""
        standing = [i for i, parts in enumerate(self.parts) if not any(p in gone for p in parts)]
        result: Vector = self.best[standing].max(axis=0) if standing else np.zeros(self.best.shape[1])
        return result

    def without(self, gone: Collection[str]) -> "Table":
        """The table of what is left."""
        standing = [i for i, parts in enumerate(self.parts) if not any(p in gone for p in parts)]
        return Table(tuple(self.parts[i] for i in standing), self.best[standing], self.cols, self.aids.without(gone))

    def with_aid(self, thing: Gear) -> "Table":
        """The table with a piece more of something that wants ask for beside glass."""
        return replace(self, aids=self.aids.with_one(thing))

    def covers(self, gone: Collection[str] = ()) -> list[float]:
        """Cover of each want, 0 to 1, without these things."""
        glass = self.by_glass(self.cells(gone))
        return [cover * met for cover, met in zip(glass, self.aids.met(gone), strict=True)]

    def by_glass(self, cells: Vector) -> list[float]:
        """What set-ups alone see of each want, 0 to 1, from a score per column."""
        if not self.cols.spans:
            return []
        found: list[float] = (np.add.reduceat(cells, self._starts) / self._lengths).tolist()
        return found
