"""Optics: what a kit sees. The front door is ``cover``; formulas follow domain 2 and 3 to the letter."""

from collections.abc import Mapping, Sequence

import numpy as np

from mule.gear import Body, Gear, Lens, MountAdapter, Teleconverter
from mule.optics.answer import Closer, Coverage, Gap, How, NativeGap, ReachRow, Run, SetUpName, WantCover, Worth
from mule.optics.cells import Columns, Vector, columns
from mule.optics.closers import Closers
from mule.optics.gaps import gaps, native_gaps
from mule.optics.reach import name_of, reach_rows
from mule.optics.score import Scores, score
from mule.optics.setups import SetUp, set_ups
from mule.optics.worth import worth
from mule.trip import Want

# Breaks ties between equal scores without ever changing a score.
_TIE = 1e-9

OPTICAL = (Body, Lens, Teleconverter, MountAdapter)


def cover(gear: Sequence[Gear], counts: Mapping[str, int], wants: Sequence[Want]) -> tuple[Coverage, Closers | None]:
    """What the loaded things see of the wants, and a pricer of the gaps (None when there are no gaps).

    gear: the whole locker. counts: pieces loaded by item id.
    """
    optical = [t for t in gear if isinstance(t, OPTICAL)]
    loaded = [t for t in optical if t.id in counts]
    sets = set_ups(loaded)
    cols = columns(wants)
    scores = score(sets, cols)
    best = scores.total.max(axis=0) if sets else np.zeros(cols.focal_mm.size)
    covers = tuple(
        WantCover(
            want=want.id,
            cover=float(best[span].mean()),
            runs=_runs(want, span, sets, scores, cols),
            gaps=gaps(want, span, best, sets, scores, cols),
            native_gaps=native_gaps(want, sets),
        )
        for want, span in zip(wants, cols.spans, strict=True)
    )
    used = {part for made in sets for part in made.parts}
    answer = Coverage(
        score=float(100 * (best @ cols.weight)),
        wants=covers,
        reach=reach_rows(sets),
        worth=tuple(worth(sets, scores.total, cols, {t.id: counts[t.id] for t in loaded})),
        idle=tuple(t.id for t in loaded if t.id not in used),
    )
    if not any(c.gaps for c in covers):
        return answer, None
    left = [t for t in optical if t.id not in counts and t.absent is None]
    return answer, Closers(loaded, left, cols, best)


def _how(made: SetUp, row: int, column: int, scores: Scores) -> How:
    if scores.total[row, column] <= 0:
        return "none"
    if scores.stitched[row, column]:
        return "stitch"
    if scores.cropped[row, column]:
        return "crop-in-post"
    return "native" if made.native else "crop-mode"


def _runs(want: Want, span: slice, sets: Sequence[SetUp], scores: Scores, cols: Columns) -> tuple[Run, ...]:
    """Neighbouring cells with the same best set-up and the same way of reaching; among equals the plainest way."""
    if not sets:
        return ()
    plain = scores.native[:, span] & np.array([s.native for s in sets]).reshape(-1, 1)
    rows = (scores.total[:, span] + _TIE * plain).argmax(axis=0)
    keys = [(int(r), _how(sets[r], r, span.start + i, scores)) for i, r in enumerate(rows)]
    starts = [i for i, key in enumerate(keys) if i == 0 or key != keys[i - 1]]
    runs: list[Run] = []
    at = want.focal_min_mm
    for a, b in zip(starts, [*starts[1:], len(keys)], strict=True):
        run = _run(want, at, slice(span.start + a, span.start + b), keys[a], sets, scores, cols)
        at = run.to_mm
        runs.append(run)
    return tuple(runs)


def _run(
    want: Want,
    from_mm: float,
    part: slice,
    key: tuple[int, How],
    sets: Sequence[SetUp],
    scores: Scores,
    cols: Columns,
) -> Run:
    """One run; a native one ends where its set-up ends, not at the edge of the cell."""
    row, how = key
    to_mm = min(want.focal_max_mm, float(cols.high_mm[part.stop - 1]))
    if how in ("native", "crop-mode"):
        to_mm = max(from_mm, min(to_mm, sets[row].high_mm))

    def mean(of: Vector) -> float:
        return float(of[row, part].mean())

    return Run(
        from_mm=from_mm,
        to_mm=to_mm,
        score=mean(scores.total),
        how=how,
        set_up=name_of(sets[row]) if how != "none" else None,
        light=mean(scores.light),
        pixels=mean(scores.pixels),
        traits=mean(scores.traits),
    )


__all__ = [
    "OPTICAL",
    "Closer",
    "Closers",
    "Coverage",
    "Gap",
    "NativeGap",
    "ReachRow",
    "SetUpName",
    "WantCover",
    "Worth",
    "cover",
]
