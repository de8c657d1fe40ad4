"""The lightest kit of so many points, against trying every set of things."""

from collections.abc import Callable

import pytest

from mule.choosing import Asking, choose
from mule.plan import Plan
from tests.tiny import SAME, able, best, off_the_grid, on_the_road, tiny, value

ONE = Asking(points=1, workers=1, seconds=600)


@pytest.mark.parametrize(
    ("of", "block"), [*((tiny, b) for b in range(4)), *((on_the_road, b) for b in range(100, 104)), (off_the_grid, 0)]
)
def test_no_set_of_things_of_so_many_points_is_lighter(of: Callable[[int], tuple[Plan, float]], block: int) -> None:
    for seed in range(10 * block, 10 * block + 10):
        plan, limit_g = of(seed)
        every = able(plan, limit_g)
        for share in (1.0, 0.8, 0.5):
            asked = share * max((score for score, _, _ in every), default=50.0)
            made = choose(plan, ONE.model_copy(update={"limit_g": limit_g, "at_least": asked}))
            assert bool(made.points) == bool(every), seed
            if not every:
                continue
            (point,) = made.points
            score, _, grams = value(plan, point.kit.loaded())
            least = min(g for s, _, g in every if s >= asked - SAME)
            assert point.proved, (seed, share)
            assert score >= asked - SAME, (seed, share)
            assert grams == pytest.approx(least, abs=0.05), (seed, share)


def test_where_no_kit_has_so_many_points_the_lightest_of_the_best_is_found() -> None:
    plan, _ = tiny(3)
    top = best(plan, 200_000.0)
    assert top is not None
    (point,) = choose(plan, ONE.model_copy(update={"at_least": 100.0})).points
    assert point.score == pytest.approx(top[0], abs=SAME)
