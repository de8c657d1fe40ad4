"""By what sets of bags are compared, and when one beats another."""

from mule.base.units import Access
from mule.search.bag_sets.answer import BagSet

# How deep a thing lies, in things that come out first.
DEPTH: dict[Access, int] = {"quick": 0, "open": 1, "deep": 3}
# Grams nearer than this are the same on a back.
_SAME_G = 25.0
# Which of what is compared are grams on a back.
_ON_FOOT = 3


def worse(one: BagSet) -> tuple[float, ...]:
    """All that sets are compared by; less is better: pieces left over, legs that refuse, grams over their limits, grams
    on the most loaded, how deep quick things lie, outings that no bag of it serves, grams of everything."""
    deep = sum(DEPTH[reach.access] + reach.layer for reach in one.quick)
    return (
        float(sum(one.left.values())),
        float(len(one.refused)),
        one.over_g,
        one.on_foot_g,
        float(deep),
        -float(len(one.serves)),
        one.total_g,
    )


def beats(one: BagSet, other: BagSet) -> bool:
    """Whether one set is no worse than another in anything, and better in something."""
    pairs = list(zip(worse(one), worse(other), strict=True))
    slack = [_SAME_G if n == _ON_FOOT else 0.0 for n in range(len(pairs))]
    no_worse = all(a <= b + more for (a, b), more in zip(pairs, slack, strict=True))
    return no_worse and any(a < b - more for (a, b), more in zip(pairs, slack, strict=True))
