"""The lightest kit of so many points, against trying every set of things."""

from collections.abc import Callable

import pytest

from mule.plan import Plan
from mule.search.choosing import Asking, choose
from tests.covering import OFF_THE_GRID, ON_THE_ROAD_FEW, TINY_FEW
from tests.tiny import off_the_grid, on_the_road, tiny
from tests.trying import SAME, able, best, value

ONE = Asking(points=1, workers=1, seconds=600)


@pytest.mark.parametrize(
    ("of", "seed"),
    [
        *((tiny, seed) for seed in TINY_FEW),
        *((on_the_road, seed) for seed in ON_THE_ROAD_FEW),
        *((off_the_grid, seed) for seed in OFF_THE_GRID[:5]),
    ],
)
def test_no_set_of_things_of_so_many_points_is_lighter(of: Callable[[int], tuple[Plan, float]], seed: int) -> None:
    plan, limit_g = of(seed)
    every = able(plan, limit_g)
    for share in (1.0, 0.8, 0.5):
        asked = share * max((score for score, _, _ in every), default=50.0)
        made = choose(plan, ONE.model_copy(update={"limit_g": limit_g, "at_least": asked}))
        assert bool(made.points) == bool(every)
        if not every:
            continue
        (point,) = made.points
        score, _, grams = value(plan, point.kit.loaded())
        least = min(g for s, _, g in every if s >= asked - SAME)
        assert point.proved, share
        assert score >= asked - SAME, share
        assert grams == pytest.approx(least, abs=0.05), share


def test_where_no_kit_has_so_many_points_the_lightest_of_the_best_is_found() -> None:
    plan, _ = tiny(3)
    top = best(plan, 200_000.0)
    assert top is not None
    (point,) = choose(plan, ONE.model_copy(update={"at_least": 100.0})).points
    assert point.score == pytest.approx(top[0], abs=SAME)
