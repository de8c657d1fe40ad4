"""Which bag: every set of owned bags that could carry the kit, each packed; those that no other beats in everything.

The front door is ``bag_sets`` (docs/algorithms/bag-sets.md).
"""

from collections.abc import Callable, Iterator

from mule.base.deadline import Deadline
from mule.plan import Plan
from mule.search.bag_sets.answer import BagNews, BagSet, QuickThing
from mule.search.bag_sets.choices import sets_of
from mule.search.bag_sets.ranking import beats, worse
from mule.search.bag_sets.trying import MOST_LEFT, NOW, SetTrials
from mule.search.bag_sets.with_kit import choose_with_bags

USUAL_S = 30.0
# So many sets that take everything are enough for none to be looked for that leave something over.
_ENOUGH = 3


def bag_sets(
    plan: Plan, seconds: float = USUAL_S, should_stop: Callable[[], bool] = lambda: False
) -> Iterator[BagNews]:
    """Sets that no other beats in everything, as they are found. The open kit as it is packed comes first, and stays to
    compare with.

    seconds: time for everything. Never raises for a valid plan; without people or bags nothing is found.

    >>> from tests import cast
    >>> gear = [cast.bag(), cast.bag("light", mass_g=900), cast.body()]
    >>> plan = cast.plan(gear, cast.entry("bag", cast.INES_CABIN), cast.entry("body"))
    >>> [(news.bag_set.bags, news.beaten) for news in bag_sets(plan) if news.bag_set]
    [(('bag',), ()), (('light',), ())]
    """
    deadline = Deadline(seconds, should_stop)
    trying = SetTrials(plan, deadline)
    best: dict[str, BagSet] = {}
    choices = sets_of(plan, trying.checked())
    if choices and plan.kit.entries:
        yield BagNews(bag_set=trying.as_it_is(), tried=0, of=len(choices))
    for tried, bags in enumerate(choices, start=1):
        if deadline.stopped:
            return
        whole = sum(not other.left for other in best.values()) >= _ENOUGH

        def is_beaten(made: BagSet) -> bool:
            return any(beats(other, made) for other in best.values())  # noqa: B023  asked at once

        made = trying.packed(bags, 0 if whole else MOST_LEFT, is_beaten)
        if made is None or is_beaten(made):
            yield BagNews(tried=tried, of=len(choices))
            continue
        beaten = tuple(key for key, other in best.items() if beats(made, other))
        best = {key: other for key, other in best.items() if key not in beaten} | {made.key: made}
        yield BagNews(bag_set=made, beaten=beaten, tried=tried, of=len(choices))


__all__ = [
    "MOST_LEFT",
    "NOW",
    "USUAL_S",
    "BagNews",
    "BagSet",
    "QuickThing",
    "bag_sets",
    "beats",
    "choose_with_bags",
    "worse",
]
