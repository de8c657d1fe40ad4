"""Optics: what a kit sees. The front door is ``cover``; formulas follow domain 2 and 3 to the letter."""

from collections.abc import Mapping, Sequence

import numpy as np

from mule.gear import Body, Gear, Lens, MountAdapter, Teleconverter
from mule.optics.answer import Closer, Coverage, Gap, NativeGap, ReachRow, SetUpName, WantCover, Worth
from mule.optics.cells import columns
from mule.optics.closers import Closers
from mule.optics.gaps import gaps, native_gaps
from mule.optics.reach import reach_rows
from mule.optics.score import score
from mule.optics.served import Served, runs
from mule.optics.setups import set_ups
from mule.optics.worth import worth
from mule.trip import Want

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
    served = Served(sets, scores, cols) if sets else None
    covers = tuple(
        WantCover(
            want=want.id,
            cover=float(best[span].sum()) / (span.stop - span.start),
            runs=runs(want, span, sets, served) if served else (),
            gaps=gaps(want, span, sets, served, cols),
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
    gapped = [index for index, made in enumerate(covers) if made.gaps]
    if not gapped:
        return answer, None
    left = [t for t in optical if t.id not in counts and t.absent is None]
    return answer, Closers(loaded, left, cols, best, gapped)


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
