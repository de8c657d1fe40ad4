"""What serves each column, and how: the reasons behind a want's cover."""

from collections.abc import Sequence

import numpy as np

from mule.analysis.optics.answer import CoveredRun, ReachedBy
from mule.analysis.optics.cells import Columns
from mule.analysis.optics.reach import name_of
from mule.analysis.optics.score import Scores
from mule.analysis.optics.setups import SetUp
from mule.plan.trip import Want

# Break ties without ever changing a score: among set-ups that score the same, the one with the better factors,
# then the plainest. They matter where all score nothing, and where several score in full.
_FACTOR_TIE = 1e-7
_PLAIN_TIE = 1e-9
# Ways of reaching that end where the lens ends.
_BY_LENS = ("native", "crop-mode")


class Served:
    """For every column: which set-up serves it, how, and with which factors (total, light, pixels, traits).

    reached: whether any set-up sees the column without stitching, however badly. edges: lower edge of each column.
    """

    def __init__(self, sets: Sequence[SetUp], scores: Scores, cols: Columns) -> None:
        reach = scores.native | scores.cropped
        plain = scores.native & np.array([s.native for s in sets]).reshape(-1, 1)
        factors = (reach | scores.stitched) * (scores.light + scores.pixels + scores.traits)
        rows = (scores.total + _FACTOR_TIE * factors + _PLAIN_TIE * plain).argmax(axis=0)
        at = (rows, np.arange(rows.size))
        self.reached: list[bool] = (reach.sum(axis=0) > 0).tolist()
        self.edges: list[float] = cols.low_mm.tolist()
        self.factors: list[list[float]] = [
            m[at].tolist() for m in (scores.total, scores.light, scores.pixels, scores.traits)
        ]
        ways = map(_how, [sets[r] for r in rows], self.factors[0], scores.stitched[at], scores.cropped[at])
        self.keys: list[tuple[int, ReachedBy]] = list(zip(rows.tolist(), ways, strict=True))


def _how(made: SetUp, total: float, stitched: bool, cropped: bool) -> ReachedBy:
    if total <= 0:
        return "none"
    if stitched:
        return "stitch"
    if cropped:
        return "crop-in-post"
    return "native" if made.native else "crop-mode"


def runs(want: Want, span: slice, sets: Sequence[SetUp], served: Served) -> tuple[CoveredRun, ...]:
    """Neighbouring cells with the same best set-up and the same way of reaching."""
    keys = served.keys
    starts = [i for i in range(span.start, span.stop) if i == span.start or keys[i] != keys[i - 1]]
    ends = [*starts[1:], span.stop]
    bounds = [want.focal_min_mm]
    for start, end in zip(starts, ends[:-1], strict=False):
        before, after = keys[start], keys[end]
        bound = _boundary(served.edges[end], (sets[before[0]], before[1]), (sets[after[0]], after[1]))
        bounds.append(min(max(bound, bounds[-1]), want.focal_max_mm))
    bounds.append(want.focal_max_mm)
    found = [
        _run((bounds[i], bounds[i + 1]), sets[keys[a][0]], keys[a][1], [sum(f[a:b]) / (b - a) for f in served.factors])
        for i, (a, b) in enumerate(zip(starts, ends, strict=True))
    ]
    # A lens that ends before the want begins shares its first cell, and nothing of the want.
    return tuple(run for run in found if run.from_mm < run.to_mm) or tuple(found[:1])


def _boundary(edge_mm: float, before: tuple[SetUp, ReachedBy], after: tuple[SetUp, ReachedBy]) -> float:
    """Where one run ends and the next begins: at a set-up's own end when that lies past the edge of its cells."""
    (left, left_how), (right, right_how) = before, after
    if left_how in _BY_LENS and left.high_mm < edge_mm:
        return left.high_mm
    if right_how in _BY_LENS and right.low_mm > edge_mm:
        return right.low_mm
    return edge_mm


def _run(bounds: tuple[float, float], made: SetUp, how: ReachedBy, factors: Sequence[float]) -> CoveredRun:
    score_, light, pixels, traits = factors
    return CoveredRun(
        from_mm=bounds[0],
        to_mm=bounds[1],
        score=score_,
        how=how,
        set_up=name_of(made) if how != "none" else None,
        light=light,
        pixels=pixels,
        traits=traits,
    )
