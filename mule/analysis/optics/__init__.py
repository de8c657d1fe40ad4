"""Optics: what a kit sees. The front door is ``cover`` (docs/domain/optics.md, docs/domain/coverage.md)."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

from mule.analysis.optics.aids import Aids, AskedAid, aids_of, asks_of
from mule.analysis.optics.answer import (
    Closer,
    Coverage,
    Gain,
    Gap,
    NativeGap,
    ReachBar,
    ReachRow,
    SetUpName,
    WantChange,
    WantCover,
    Worth,
)
from mule.analysis.optics.cells import CELLS_PER_OCTAVE, cells_between, columns, edge_mm
from mule.analysis.optics.changes import changes
from mule.analysis.optics.formulas import crop_factor
from mule.analysis.optics.gaps import gaps, native_gaps
from mule.analysis.optics.reach import headroom, reach_rows
from mule.analysis.optics.score import score
from mule.analysis.optics.served import Served, runs
from mule.analysis.optics.setups import set_ups
from mule.analysis.optics.table import Table
from mule.analysis.optics.unselected import LEAST_GAIN, Unselected
from mule.analysis.optics.worth import worth as worth_of
from mule.base.memo import by_identity
from mule.plan.gear import Body, Gear, Lens, MountAdapter, Teleconverter, at_hand
from mule.plan.trip import Want

OPTICAL = (Body, Lens, Teleconverter, MountAdapter)


@dataclass(frozen=True, eq=False)
class View:
    """What ``cover`` found, and what trying other kits with it says: worked out when it is first asked for.

    table: scores by the things they rest on. counts: pieces loaded of each optical thing. loaded, gear: the optical
    things that are loaded, and all of the locker.
    """

    coverage: Coverage
    table: Table
    counts: Mapping[str, int]
    loaded: Sequence[Gear]
    gear: Sequence[Gear]

    @cached_property
    def worths(self) -> tuple[Worth, ...]:
        """What each optical thing in use earns."""
        return tuple(worth_of(self.table, {**self.counts, **self.table.aids.counts}))

    @cached_property
    def worth(self) -> Mapping[str, float]:
        """Points of worth by item."""
        return {w.item: w.points for w in self.worths}

    @cached_property
    def unselected(self) -> Unselected:
        """What the optical things that are left at home would add."""
        left = [t for t in self.gear if isinstance(t, OPTICAL) and t.id not in self.counts and at_hand(t)]
        return Unselected(self.loaded, left, self.table)


def table_of(loaded: Sequence[Gear], counts: Mapping[str, int], wants: Sequence[Want]) -> Table:
    """The scores of what is loaded by the things they rest on; ``Table.score`` of it is the brief score.

    counts: pieces loaded by item id.

    >>> from tests import cast
    >>> gear = [cast.body(), cast.normal_zoom()]
    >>> round(table_of(gear, {"body": 1, "normal": 1}, [cast.want(low=24, high=70)]).score(), 1)
    100.0
    """
    sets = set_ups(loaded)
    cols = columns(wants)
    return Table.of(sets, score(sets, cols).total, cols, aids_of(wants, loaded, counts))


def cover(gear: Sequence[Gear], counts: Mapping[str, int], wants: Sequence[Want]) -> View:
    """What the loaded things see of the wants.

    gear: the whole locker. counts: pieces loaded by item id.

    >>> from tests import cast
    >>> gear = [cast.body(), cast.normal_zoom()]
    >>> round(cover(gear, {"body": 1, "normal": 1}, [cast.want(low=24, high=70)]).coverage.score, 1)
    100.0
    """
    optical = tuple((t.id, counts[t.id]) for t in gear if t.id in counts and isinstance(t, OPTICAL))
    return _cover(gear, wants, optical, aids_of(wants, (t for t in gear if t.id in counts), counts))


# Loading a pack or a cloth does not change what a kit sees.
@by_identity(64, of=2)
def _cover(gear: Sequence[Gear], wants: Sequence[Want], optical: tuple[tuple[str, int], ...], aids: Aids) -> View:
    """optical: the optical things that are loaded, with their pieces, in the order of the locker."""
    counts = dict(optical)
    loaded = [t for t in gear if t.id in counts]
    sets = set_ups(loaded)
    cols = columns(wants)
    scores = score(sets, cols)
    table = Table.of(sets, scores.total, cols, aids)
    best = table.cells()
    served = Served(sets, scores, cols) if sets else None
    native = sorted({(s.low_mm, s.high_mm) for s in sets if s.native})
    covers = tuple(
        WantCover(
            want=want.id,
            cover=cover,
            glass=glass,
            lacks=aids.lacking(number),
            runs=runs(want, span, sets, served) if served else (),
            gaps=gaps(want, span, sets, served, cols),
            native_gaps=native_gaps(want, sets, native),
        )
        for number, (want, span, glass, cover) in enumerate(
            zip(wants, cols.spans, table.by_glass(best), table.covers(), strict=True)
        )
    )
    used = set(table.items)
    coverage = Coverage(
        score=table.score(),
        wants=covers,
        reach=reach_rows(sets, {t.id: t for t in loaded}),
        idle=tuple(t.id for t in loaded if t.id not in used),
        headroom=headroom(sets, wants),
    )
    return View(coverage, table, counts, loaded, gear)


__all__ = [
    "CELLS_PER_OCTAVE",
    "LEAST_GAIN",
    "OPTICAL",
    "Aids",
    "AskedAid",
    "Closer",
    "Coverage",
    "Gain",
    "Gap",
    "NativeGap",
    "ReachBar",
    "ReachRow",
    "SetUpName",
    "Table",
    "Unselected",
    "View",
    "WantChange",
    "WantCover",
    "Worth",
    "aids_of",
    "asks_of",
    "cells_between",
    "changes",
    "cover",
    "crop_factor",
    "edge_mm",
    "set_ups",
    "table_of",
    "worth_of",
]
