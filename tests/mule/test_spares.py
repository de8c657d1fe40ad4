"""One spare: what one thing more stands in for, against working every loss out by hand."""

from pathlib import Path

import pytest

from mule.findings.advise import advise
from mule.findings.spares import spares
from mule.plan import Plan, read
from mule.plan.editing import apply
from mule.plan.edits import Load
from mule.plan.gear import keeps_safe
from mule.plan.trip import Person
from tests import cast

DEMO = Path(__file__).parents[2] / "demo"
LOFOTEN = read((DEMO / "lofoten.plan.json").read_bytes())
KARST = read((DEMO / "karst.plan.json").read_bytes())


def points(plan: Plan) -> dict[str, float]:
    """What each single loss costs, as the advice says."""
    return {loss.item: loss.points for loss in advise(plan).resilience.losses if loss.what == "thing"}


@pytest.mark.parametrize("plan", [LOFOTEN.with_kit(LOFOTEN.kits[0]), KARST], ids=["lofoten", "karst"])
def test_points_are_what_losses_cost_less_with_it(plan: Plan) -> None:
    now = points(plan)
    found = spares(plan)
    assert found
    for spare in (one for one in found if one.owned):
        then = points(apply(plan, [Load(item=spare.item)]))
        eased = sum(max(0.0, p - then.get(item, 0.0)) for item, p in now.items() if item != spare.item)
        assert spare.points == pytest.approx(eased, abs=1e-6), spare.item
        assert not keeps_safe(plan.items[spare.item])


def test_none_is_beaten_and_those_that_cover_most_come_first() -> None:
    found = spares(KARST)
    for one in found:
        for other in found:
            better = other.points >= one.points and other.days >= one.days and other.mass_g <= one.mass_g
            assert other is one or not better or other.owned <= one.owned
    worth = [one.points / 100 + one.days / len(KARST.trip.days) for one in found]
    assert worth == sorted(worth, reverse=True)


def test_one_more_of_what_is_alone_where_nothing_lies_at_home() -> None:
    loaded = (cast.entry("body", cast.ON_INES), cast.entry("normal", cast.ON_INES))
    plan = cast.plan([cast.body(), cast.normal_zoom()], *loaded, people=(Person(id="ines", name="Ines"),))
    (spare,) = spares(plan)
    assert (spare.item, spare.owned, spare.covers) == ("body", False, ("body",))
    assert spare.points == pytest.approx(points(plan)["body"])


def test_with_nobody_or_nothing_there_is_none_and_it_stops_when_asked() -> None:
    assert spares(cast.plan([], people=())) == ()
    assert spares(cast.plan([cast.body()])) == ()
    assert spares(KARST, lambda: True) == ()
