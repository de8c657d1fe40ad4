"""Which wants bear the loss of any one thing. The choice counts with the same definition."""

from collections.abc import Mapping, Sequence

import numpy as np

from mule.analysis.optics import Table
from mule.analysis.optics.table import Parts
from mule.plan.trip import Want

# A set-up that serves this much of a want on its own stands in for whatever served it before.
SERVES = 0.5


def serving(table: Table) -> list[list[Parts]]:
    """Per want, the set-ups that on their own serve at least half of it."""
    found = []
    for span in table.cols.spans:
        means = table.best[:, span].mean(axis=1) if table.parts else np.zeros(0)
        found.append([parts for parts, mean in zip(table.parts, means.tolist(), strict=True) if mean >= SERVES])
    return found


def survives_any_single_loss(ways: Sequence[Parts], counts: Mapping[str, int]) -> bool:
    """Whether some way is left when any one piece is lost; a thing of which there are two is not lost with one."""
    single = {item for parts in ways for item in parts if counts.get(item, 0) == 1}
    return bool(ways) and all(any(item not in parts for parts in ways) for item in single)


def wants_surviving_any_single_loss(
    table: Table, wants: Sequence[Want], counts: Mapping[str, int]
) -> tuple[list[Want], float]:
    """The wants that bear any one loss, and their share of the brief by importance."""
    steady = [want for want, ways in zip(wants, serving(table), strict=True) if survives_any_single_loss(ways, counts)]
    whole = sum(want.importance for want in wants)
    return steady, sum(want.importance for want in steady) / whole if whole else 0.0
