"""Gaps: where the kit does not serve a want, named in millimetres."""

from collections.abc import Sequence

from mule.analysis.optics.answer import Because, Gap, NativeGap
from mule.analysis.optics.cells import CELLS_PER_OCTAVE, Columns
from mule.analysis.optics.formulas import STITCH_MAX_FRAMES, angle_of_view, frames_to_stitch
from mule.analysis.optics.reach import name_of
from mule.analysis.optics.served import Served
from mule.analysis.optics.setups import SetUp
from mule.base.spans import TOUCH, Span, left_of
from mule.base.units import FULL_FRAME_LONG_SIDE_MM
from mule.plan.trip import Want

# A cell under this score belongs to a gap (docs/domain/coverage.md).
GAP_SCORE = 0.5
# A stretch narrower than this at the edge of a want is no gap (docs/domain/coverage.md): nobody sees it.
_CELL = 2 ** (1 / CELLS_PER_OCTAVE)


def _runs_under(values: Sequence[float], limit: float) -> list[tuple[int, int]]:
    """Half-open index ranges where ``values`` stay under ``limit``."""
    runs: list[tuple[int, int]] = []
    for index, value in enumerate(values):
        if value < limit:
            start = runs.pop()[0] if runs and runs[-1][1] == index else index
            runs.append((start, index + 1))
    return runs


def _because(served: Served, columns: slice) -> Because:
    """The factor that holds back what serves these columns best."""
    ways = {way for _, way in served.keys[columns]}
    if ways <= {"none", "stitch"} and not any(served.reached[columns]):
        return "reach"
    light, pixels, traits = (sum(f[columns]) for f in served.factors[1:])
    weakest = min(light, pixels, traits)
    if weakest == light:
        return "light"
    return "pixels" if weakest == pixels else "trait"


def gaps(want: Want, span: slice, sets: Sequence[SetUp], served: Served | None, cols: Columns) -> tuple[Gap, ...]:
    """Runs of cells of ``want`` under 0.5. Bounds snap to a set-up's own end where one lies in the next cell.

    A sliver at an edge of the want that is narrower than a cell is none, unless it is all of the want.
    """
    if served is None:
        return (Gap(from_mm=want.focal_min_mm, to_mm=want.focal_max_mm, score=0, because="reach"),)
    best = served.factors[0][span]
    found: list[Gap] = []
    for start, stop in _runs_under(best, GAP_SCORE):
        a, b = span.start + start, span.start + stop
        low = max(want.focal_min_mm, served.edges[a])
        high = min(want.focal_max_mm, float(cols.high_mm[b - 1]))
        if start > 0:
            from_mm = max(want.focal_min_mm, served.edges[a - 1])
            low = max((s.high_mm for s in sets if from_mm < s.high_mm <= low), default=low)
        if b < span.stop:
            to_mm = min(want.focal_max_mm, float(cols.high_mm[b]))
            high = min((s.low_mm for s in sets if high <= s.low_mm < to_mm), default=high)
        if found:
            # One set-up may end and another begin in the one cell between two gaps.
            low = max(low, found[-1].to_mm)
        if high < low * _CELL and (start == 0) != (b == span.stop):
            continue
        score = sum(best[start:stop]) / (stop - start)
        found.append(Gap(from_mm=low, to_mm=high, score=score, because=_because(served, slice(a, b))))
    return tuple(found)


def _bridge(low: float, high: float, sets: Sequence[SetUp]) -> SetUp | None:
    """The crop-mode set-up that carries on from ``low``: to ``high`` with most pixels, or else furthest."""
    able = [s for s in sets if not s.native and s.low_mm <= low * TOUCH and s.high_mm > low * TOUCH]
    return max(able, key=lambda s: (min(s.high_mm, high), s.megapixels), default=None)


def _stitch(low: float, high: float, sets: Sequence[SetUp]) -> int | None:
    """Fewest frames from a set-up whose wide end is at or above ``high`` that see as wide as ``low``."""
    target = angle_of_view(FULL_FRAME_LONG_SIDE_MM, low)
    counts = [
        frames_to_stitch(target, angle_of_view(s.short_side_mm, s.lens_low_mm))
        for s in sets
        if s.native and s.low_mm * TOUCH >= high
    ]
    fewest = min(counts, default=STITCH_MAX_FRAMES + 1)
    return fewest if fewest <= STITCH_MAX_FRAMES else None


def native_gaps(want: Want, sets: Sequence[SetUp], native: Sequence[Span]) -> tuple[NativeGap, ...]:
    """Stretches of the want that no native set-up sees, and what bridges each. native: what all of them see."""
    answer = []
    for low, high in left_of((want.focal_min_mm, want.focal_max_mm), native):
        bridge = _bridge(low, high, sets)
        answer.append(
            NativeGap(
                from_mm=low,
                to_mm=high,
                bridge=name_of(bridge) if bridge else None,
                bridged_to_mm=bridge.high_mm if bridge else None,
                megapixels=bridge.megapixels if bridge else None,
                frames=_stitch(low, high, sets) if want.static_subject else None,
            )
        )
    return tuple(answer)
