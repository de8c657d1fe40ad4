"""The brief score as the search sees it: one table of ``optics.score`` over equivalence classes, on an integer scale.

Things with the same optics are one equivalence class: which copy comes along makes no difference to the score.
"""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from mule.analysis.optics import OPTICAL, Aids, Table
from mule.analysis.optics.cells import Vector, columns
from mule.analysis.optics.score import score
from mule.analysis.optics.setups import SetUp, set_ups
from mule.plan.gear import Gear, Teleconverter
from mule.plan.trip import Want

# 100 points of brief score are a hundred million units in the search: one unit is a millionth of a point.
UNITS = 100_000_000
_NOT_OPTICS = frozenset({"id", "name", "mass_g", "mass_source", "size", "size_source", "count", "absent", "note"}) | {
    "standing",
    "backup",
}


def equivalence_of(thing: Gear) -> object:
    """Equal for things that see alike. A converter is a class of its own: lenses name it by id."""
    if isinstance(thing, Teleconverter):
        return thing.id
    # Frozen models of plain values: their dumps compare field by field.
    return type(thing), thing.model_dump_json(exclude=set(_NOT_OPTICS))


@dataclass(frozen=True)
class Optics:
    """The table over equivalence classes of things.

    members: items of each class, by the id of its first. table: rows by those ids. takes: rows x classes, which
    classes a row needs. value: units of score of each row in each column. spans: columns of each want.
    """

    members: Mapping[str, tuple[str, ...]]
    table: Table
    takes: NDArray[np.bool_]
    value: Vector
    spans: Sequence[slice]
    sets: Sequence[SetUp] = field(repr=False)

    @classmethod
    def of(cls, gear: Sequence[Gear], wants: Sequence[Want]) -> "Optics":
        """From the optical things in play; as if all that wants ask for beside glass were there."""
        classes: dict[object, list[Gear]] = {}
        for thing in gear:
            if isinstance(thing, OPTICAL):
                classes.setdefault(equivalence_of(thing), []).append(thing)
        members = {alike[0].id: tuple(t.id for t in alike) for alike in classes.values()}
        sets = set_ups([alike[0] for alike in classes.values()])
        cols = columns(wants)
        table = Table.of(sets, score(sets, cols).total, cols, Aids((), len(wants)))
        index = {id_: i for i, id_ in enumerate(members)}
        takes = np.zeros((len(table.parts), len(members)), dtype=bool)
        for row, parts in enumerate(table.parts):
            takes[row, [index[p] for p in parts]] = True
        return cls(members, table, takes, _worthwhile(table) * table.weight() * UNITS, cols.spans, sets)

    def has(self, items: Collection[str]) -> NDArray[np.bool_]:
        """Which classes a set of items covers."""
        return np.array([any(item in items for item in alike) for alike in self.members.values()], dtype=bool)

    def best(self, classes: NDArray[np.bool_]) -> Vector:
        """Units of score per column with these classes at hand."""
        rows = ~(self.takes & ~classes).any(axis=1)
        result: Vector = self.value[rows].max(axis=0) if rows.any() else np.zeros(self.value.shape[1])
        return result

    def units(self, cells: Vector, met: Sequence[float]) -> list[int]:
        """Whole units of score of each want. met: what is left of each by what it asks beside glass."""
        return [round(float(cells[span].sum()) * share) for span, share in zip(self.spans, met, strict=True)]

    def seeing(self, want: Want) -> list[tuple[str, float]]:
        """Items whose glass sees part of a want by itself on some body in play, with its widest equivalent focal."""
        widest: dict[str, float] = {}
        for made in self.sets:
            if made.native and made.converter is None:
                glass = made.lens or made.body
                if made.low_mm <= want.focal_max_mm and made.high_mm >= want.focal_min_mm:
                    widest[glass] = min(made.low_mm, widest.get(glass, made.low_mm))
        return [(item, mm) for glass, mm in widest.items() for item in self.members[glass]]

    @cached_property
    def most(self) -> list[int]:
        """Units that each want cannot exceed."""
        return [int(np.ceil(self.value[:, s].max(axis=0, initial=0.0).sum())) + 1 for s in self.spans]


def _worthwhile(table: Table) -> Vector:
    """The scores, with 0 where a row needs a converter more than another that is as good: nothing is lost by it."""
    rows = {parts: row for row, parts in enumerate(table.parts)}
    worth = table.best.copy()
    for row, parts in enumerate(table.parts):
        for left_out in parts:
            less = rows.get(tuple(part for part in parts if part != left_out))
            if less is not None:
                worth[row, table.best[less] >= table.best[row]] = 0.0
    return worth
