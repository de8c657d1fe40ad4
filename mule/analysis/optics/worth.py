"""What each thing earns: points lost without it, plus a tenth of what it saves as a backup.

See docs/domain/coverage.md.
"""

from collections.abc import Mapping
from itertools import combinations

from mule.analysis.optics.answer import Worth
from mule.analysis.optics.table import Table

BACKUP_SHARE = 0.1


def worth(table: Table, counts: Mapping[str, int]) -> list[Worth]:
    """Worth of one piece of each item that takes part in a set-up, or that a want asks for beside glass.

    counts: pieces loaded of each item. With two or more pieces, losing one loses nothing; with exactly two,
    the twin is the loss in which the other saves most. What an item earns anyway is not counted again as backup.
    """
    used = {*table.items, *table.aids.items}
    items = [item for item in counts if item in used]
    if not items:
        return []
    single = [item for item in items if counts[item] == 1]
    groups = [frozenset(), *(frozenset((item,)) for item in items), *map(frozenset, combinations(single, 2))]
    without = dict(zip(groups, table.scores(groups), strict=True))
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
