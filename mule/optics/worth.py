"""What each thing earns: points lost without it, plus a tenth of what it saves as a backup (domain 3)."""

from collections.abc import Mapping, Sequence
from itertools import combinations

import numpy as np

from mule.optics.answer import Worth
from mule.optics.cells import Columns, Vector
from mule.optics.setups import SetUp

BACKUP_SHARE = 0.1


class WithoutScores:
    """Kit scores (0 to 100) with some items left out, from one table of set-up scores."""

    def __init__(self, sets: Sequence[SetUp], totals: Vector, cols: Columns, items: Sequence[str]) -> None:
        place = {item: i for i, item in enumerate(items)}
        self._uses = np.zeros((len(items), len(sets)), dtype=bool)
        for row, made in enumerate(sets):
            for part in made.parts:
                self._uses[place[part], row] = True
        self._totals = totals
        self._weight = cols.weight
        self._place = place

    def score(self, *left: str) -> float:
        """Score without the items ``left``."""
        keep = np.ones(self._totals.shape[0], dtype=bool)
        for item in left:
            keep &= ~self._uses[self._place[item]]
        if not keep.any():
            return 0.0
        return float(100 * (self._totals[keep].max(axis=0) @ self._weight))


def worth(sets: Sequence[SetUp], totals: Vector, cols: Columns, counts: Mapping[str, int]) -> list[Worth]:
    """Worth of one piece of each item that takes part in a set-up.

    counts: pieces loaded of each optical item. With two or more pieces, losing one loses nothing; with exactly two,
    the twin is the loss in which the other saves most. What an item earns anyway is not counted again as backup.
    """
    used = {part for made in sets for part in made.parts}
    items = [item for item in counts if item in used]
    if not items:
        return []
    without = WithoutScores(sets, totals, cols, items)
    whole = without.score()
    alone = {item: without.score(item) for item in items}
    single = [item for item in items if counts[item] == 1]
    both = {frozenset(pair): without.score(*pair) for pair in combinations(single, 2)}
    answers = []
    for item in items:
        if counts[item] == 1:
            direct = whole - alone[item]
            saves = [alone[other] - both[frozenset((item, other))] for other in single if other != item]
            backup = max(0.0, max(saves, default=0.0) - direct)
        else:
            direct = 0.0
            backup = whole - alone[item] if counts[item] == 2 else 0.0
        answers.append(Worth(item=item, points=direct + BACKUP_SHARE * backup, direct=direct, backup=backup))
    return answers
