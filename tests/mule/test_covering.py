"""The few seeded lockers that searches are tried on meet nearly every pair of traits that the many do."""

from collections.abc import Callable, Sequence
from itertools import combinations

import pytest

from mule.plan import Plan
from tests.covering import OFF_THE_GRID, ON_THE_ROAD, TINY, traits
from tests.tiny import off_the_grid, on_the_road, tiny


@pytest.mark.parametrize(
    ("of", "few", "many"),
    [(tiny, TINY, range(200)), (on_the_road, ON_THE_ROAD, range(1000, 1300)), (off_the_grid, OFF_THE_GRID, range(20))],
)
def test_few_seeds_hold_nearly_every_pair_of_traits(
    of: Callable[[int], tuple[Plan, float]], few: Sequence[int], many: Sequence[int]
) -> None:
    def pairs(seeds: Sequence[int]) -> set[object]:
        return {pair for s in seeds for pair in combinations(sorted(traits(*of(s)), key=repr), 2)}

    assert len(pairs(few)) >= 0.9 * len(pairs(many))
