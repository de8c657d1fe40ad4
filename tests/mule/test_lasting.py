"""What is demanded of kits that do not last: no kit that lasts breaks any of it."""

from collections.abc import Callable, Mapping, Sequence
from pathlib import Path
from random import Random

import pytest

from mule.analysis.completeness.links import graph_of
from mule.plan import Plan, read
from mule.plan.gear import Body
from mule.search.choosing import Asking
from mule.search.choosing.candidates import Candidates, candidates
from mule.search.choosing.lasting import PARTS, Ask, AtLeast, LastingDemands, LastingPart
from tests.covering import OFF_THE_GRID, ON_THE_ROAD_FEW
from tests.tiny import off_the_grid, on_the_road

DEMO = Path(__file__).parents[2] / "demo"


def canoe_with_all_gear() -> Plan:
    """The canoe trip with what lies in the lockers of all demo plans: three cameras that charge inside, two banks."""
    plans = [read(path.read_bytes()) for path in sorted(DEMO.glob("*.plan.json"))]
    canoe = next(plan for plan in plans if plan.trip.id == "canoe")
    gear = {thing.id: thing for plan in [*plans, canoe] for thing in plan.gear}
    return Plan.model_validate(
        {name: getattr(canoe, name) for name in Plan.model_fields} | {"gear": tuple(gear.values())}
    )


def case_of(plan: Plan) -> Candidates:
    return candidates(plan, graph_of(plan), Asking())


def some_kit(case: Candidates, chance: Random) -> Mapping[str, int]:
    """Some of what draws or charges, of half of the kits all that there is; glass plays no part here."""
    share, full = chance.choice([0.3, 0.6, 0.9, 1.0]), chance.random() < 0.5
    cameras = [item for item, thing in case.free.items() if isinstance(thing, Body)]
    found = dict.fromkeys(chance.sample(cameras, chance.choice([1, 1, len(cameras)])), 1)
    for item, thing in case.free.items():
        gives = thing.kind in ("battery", "charger", "power-bank", "card", "link")
        if gives and chance.random() < share:
            found[item] = case.most[item] if full else chance.randint(1, case.most[item])
    # A kit's first camera is the first in the locker.
    return {item: found[item] for item in case.free if item in found}


def without_needless(
    case: Candidates, demands: LastingDemands, part: LastingPart, kit: Mapping[str, int], chance: Random
) -> Mapping[str, int]:
    """A kit that lasts without what it can do without: piece after piece is left out, in some order."""
    order = [item for item, n in kit.items() for _ in range(n)]
    chance.shuffle(order)
    for item in order:
        fewer = {i: n - (i == item) for i, n in kit.items() if n - (i == item)}
        if first_camera(case, fewer) and not demands.short(part, fewer):
            kit = fewer
    return kit


def first_camera(case: Candidates, kit: Mapping[str, int]) -> str | None:
    """The first of the locker's cameras that comes along."""
    return next((i for i, t in case.free.items() if isinstance(t, Body) and kit.get(i)), None)


def comes_to(some: AtLeast, kit: Mapping[str, int]) -> bool:
    return sum(kit.get(item, 0) * weight for item, weight in some.weights) >= some.least


def breaks(ask: Ask, case: Candidates, kit: Mapping[str, int]) -> bool:
    if ask.first is not None and first_camera(case, kit) not in ask.first:
        return False
    return all(comes_to(some, kit) for some in ask.given) and not any(comes_to(way, kit) for way in ask.ways)


def broken(plan: Plan, part: LastingPart, kits: int) -> Sequence[tuple[Mapping[str, int], Ask]]:
    """Demands learned from random kits that do not last, which random kits that do would break."""
    case, chance = case_of(plan), Random(7)
    demands = LastingDemands(case)
    asks: dict[Ask, None] = {}
    lasting = []
    for _ in range(kits):
        kit = some_kit(case, chance)
        found = demands.asks(kit, [other for other in PARTS if other != part])
        assert all(breaks(ask, case, kit) for ask in found), "what a kit lacks is lacking in it"
        asks.update(dict.fromkeys(found))
        if not found:
            lasting += [kit, without_needless(case, demands, part, kit, chance)]
    return [(kit, ask) for kit in lasting for ask in asks if breaks(ask, case, kit)]


@pytest.mark.parametrize("part", PARTS)
def test_no_kit_of_a_trip_by_canoe_that_lasts_breaks_a_demand(part: LastingPart) -> None:
    assert broken(canoe_with_all_gear(), part, kits=80) == []


@pytest.mark.parametrize(
    ("of", "seed"),
    [*((on_the_road, seed) for seed in ON_THE_ROAD_FEW), *((off_the_grid, seed) for seed in OFF_THE_GRID)],
)
def test_no_kit_that_lasts_breaks_a_demand(of: Callable[[int], tuple[Plan, float]], seed: int) -> None:
    for part in PARTS:
        assert broken(of(seed)[0], part, kits=20) == [], part
