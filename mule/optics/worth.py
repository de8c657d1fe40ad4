"""What each thing earns: points lost without it, plus a tenth of what it saves as a backup (domain 3)."""

from collections.abc import Mapping, Sequence
from itertools import combinations

import numpy as np

from mule.optics.answer import Worth
from mule.optics.cells import Columns, Vector
from mule.optics.setups import SetUp

BACKUP_SHARE = 0.1


def _without(
    sets: Sequence[SetUp], totals: Vector, cols: Columns, left: Sequence[frozenset[str]]
) -> dict[frozenset[str], float]:
    """The kit's score (0 to 100) without each of these groups of items, from one table of set-up scores."""
    # Crop modes of one set-up share its parts, so they stand or fall together: one row each for the best of them.
    rows: dict[tuple[str, ...], list[int]] = {}
    for row, made in enumerate(sets):
        rows.setdefault(made.parts, []).append(row)
    best = np.stack([totals[r].max(axis=0) for r in rows.values()])
    stands = np.array([[group.isdisjoint(parts) for parts in rows] for group in left])
    # Scores are never negative, so a set-up that falls may count as nothing.
    scores = (best[None, :, :] * stands[:, :, None]).max(axis=1) @ (100 * cols.weight)
    return dict(zip(left, scores.tolist(), strict=True))


def worth(sets: Sequence[SetUp], totals: Vector, cols: Columns, counts: Mapping[str, int]) -> list[Worth]:
    """Worth of one piece of each item that takes part in a set-up.

    counts: pieces loaded of each optical item. With two or more pieces, losing one loses nothing; with exactly two,
    the twin is the loss in which the other saves most. What an item earns anyway is not counted again as backup.
    """
    used = {part for made in sets for part in made.parts}
    items = [item for item in counts if item in used]
    if not items:
        return []
    single = [item for item in items if counts[item] == 1]
    groups = [frozenset(), *(frozenset((item,)) for item in items), *map(frozenset, combinations(single, 2))]
    without = _without(sets, totals, cols, groups)
    whole = without[frozenset()]
    alone = {item: without[frozenset((item,))] for item in items}
    answers = []
    for item in items:
        if counts[item] == 1:
            direct = whole - alone[item]
            saves = [alone[other] - without[frozenset((item, other))] for other in single if other != item]
            backup = max(0.0, max(saves, default=0.0) - direct)
        else:
            direct = 0.0
            backup = whole - alone[item] if counts[item] == 2 else 0.0
        answers.append(Worth(item=item, points=direct + BACKUP_SHARE * backup, direct=direct, backup=backup))
    return answers
