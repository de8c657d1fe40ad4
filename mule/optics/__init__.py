"""Optics: what a kit sees. The front door is ``cover``; formulas follow domain 2 and 3 to the letter."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from mule.gear import Body, Gear, Lens, MountAdapter, Teleconverter, at_hand
from mule.optics.answer import Closer, Coverage, Gain, Gap, NativeGap, ReachRow, SetUpName, WantChange, WantCover, Worth
from mule.optics.cells import CELLS_PER_OCTAVE, cells_between, columns, edge_mm
from mule.optics.changes import changes
from mule.optics.gaps import gaps, native_gaps
from mule.optics.left import Left
from mule.optics.reach import headroom, reach_rows
from mule.optics.score import score
from mule.optics.served import Served, runs
from mule.optics.setups import set_ups
from mule.optics.table import Table
from mule.optics.worth import worth as worth_of
from mule.trip import Want

OPTICAL = (Body, Lens, Teleconverter, MountAdapter)


@dataclass(frozen=True)
class View:
    """What ``cover`` found. table: scores by the things they rest on; left: what the things left behind would add."""

    coverage: Coverage
    table: Table
    left: Left


def table_of(loaded: Sequence[Gear], wants: Sequence[Want]) -> Table:
    """The scores of what is loaded by the things they rest on; ``Table.score`` of it is the brief score."""
    sets = set_ups(loaded)
    cols = columns(wants)
    return Table.of(sets, score(sets, cols).total, cols)


def cover(gear: Sequence[Gear], counts: Mapping[str, int], wants: Sequence[Want]) -> View:
    """What the loaded things see of the wants.

    gear: the whole locker. counts: pieces loaded by item id.
    """
    optical = [t for t in gear if isinstance(t, OPTICAL)]
    loaded = [t for t in optical if t.id in counts]
    sets = set_ups(loaded)
    cols = columns(wants)
    scores = score(sets, cols)
    table = Table.of(sets, scores.total, cols)
    best = table.cells()
    served = Served(sets, scores, cols) if sets else None
    covers = tuple(
        WantCover(
            want=want.id,
            cover=float(best[span].mean()),
            runs=runs(want, span, sets, served) if served else (),
            gaps=gaps(want, span, sets, served, cols),
            native_gaps=native_gaps(want, sets),
        )
        for want, span in zip(wants, cols.spans, strict=True)
    )
    left = Left(loaded, [t for t in optical if t.id not in counts and at_hand(t)], cols, best)
    used = set(table.items)
    coverage = Coverage(
        score=table.score(),
        wants=covers,
        reach=reach_rows(sets, {t.id: t for t in loaded}),
        worth=tuple(worth_of(table, {t.id: counts[t.id] for t in loaded})),
        idle=tuple(t.id for t in loaded if t.id not in used),
        gains=left.gains(),
        headroom=headroom(sets, wants),
    )
    return View(coverage, table, left)


__all__ = [
    "CELLS_PER_OCTAVE",
    "OPTICAL",
    "Closer",
    "Coverage",
    "Gain",
    "Gap",
    "Left",
    "NativeGap",
    "ReachRow",
    "SetUpName",
    "Table",
    "View",
    "WantChange",
    "WantCover",
    "Worth",
    "cells_between",
    "changes",
    "cover",
    "edge_mm",
    "table_of",
    "worth_of",
]
