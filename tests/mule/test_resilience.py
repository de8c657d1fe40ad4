"""Each single thing and each bag lost in turn."""

from typing import Any

import pytest

from mule.analysis.resilience import Loss, Resilience
from mule.findings.advise import advise
from mule.plan import Plan
from mule.plan.trip import Day
from tests import cast


def plan(gear: list[Any], *entries: Any, **trip: Any) -> Plan:
    """All of it in one bag, unless entries say otherwise."""
    placed = entries or (cast.entry("bag", cast.INES_CABIN), *(cast.entry(t.id) for t in gear if t.id != "bag"))
    return cast.plan(gear, *placed, **trip)


def made(*args: Any, **trip: Any) -> Resilience:
    return advise(plan(*args, **trip)).resilience


def loss(found: Resilience, item: str) -> Loss:
    return next(one for one in found.losses if one.item == item)


BODY, SECOND = cast.body("b1"), cast.body("b2")
NORMAL = cast.normal_zoom()


def test_the_only_body_stops_everything_and_the_lightest_second_body_bears_it() -> None:
    heavy, light = cast.body("heavy", mass_g=900), cast.body("light", mass_g=400)
    placed = (cast.entry("bag", cast.INES_CABIN), cast.entry("b1"), cast.entry("normal"))
    found = loss(made([cast.bag(), BODY, NORMAL, heavy, light], *placed), "b1")
    assert found.stops
    assert (found.score, found.points) == (0, pytest.approx(100))
    assert (found.wants, found.days) == (("want",), 1)
    assert [backup.items for backup in found.backups] == [("light",), ("heavy",)]
    assert found.backups[0].mass_g == 400


def test_with_a_second_body_losing_one_costs_nothing_and_every_want_is_steady_but_for_the_lens() -> None:
    found = made([cast.bag(), BODY, SECOND, NORMAL])
    assert "b1" not in {one.item for one in found.losses}
    assert found.steady == ()
    with_two = made([cast.bag(), BODY, SECOND, NORMAL, cast.lens("other", 24, 105, 4)])
    assert (with_two.steady, with_two.share) == (("want",), 1)


def test_steady_counts_by_importance() -> None:
    gear = [cast.bag(), BODY, SECOND, NORMAL, cast.lens("other", 24, 105, 4), cast.tele_zoom()]
    wants = (cast.want("near", 24, 70, importance=3), cast.want("far", 200, 400, importance=1))
    found = made(gear, wants=wants)
    assert (found.steady, found.share) == (("near",), 0.75)


def test_a_pack_that_the_only_camera_runs_on_is_a_single_point() -> None:
    eater = cast.body("b1", battery_type="LB-4")
    found = loss(made([cast.bag(), eater, NORMAL, cast.pack()]), "pack")
    assert found.stops
    assert found.fails == ("b1",)
    assert found.backups[0].mass_g == 82
    entries = [cast.entry("bag", cast.INES_CABIN), cast.entry("b1"), cast.entry("normal"), cast.entry("pack", count=2)]
    two = made([cast.bag(), eater, NORMAL, cast.pack()], *entries)
    assert "pack" not in {one.item for one in two.losses}


def test_a_lost_bag_takes_all_that_is_in_it_and_in_its_inserts() -> None:
    gear = [cast.bag(), cast.insert(), BODY, NORMAL]
    entries = (
        cast.entry("bag", cast.INES_CABIN),
        cast.entry("cube"),
        cast.entry("b1", {"where": "bag", "bag": "cube"}),
        cast.entry("normal", cast.ON_INES),
    )
    found = loss(made(gear, *entries), "bag")
    assert (found.what, found.stops) == ("bag", True)
    assert set(found.out) >= {"bag", "cube", "b1"}
    assert "normal" not in found.out


def test_days_are_lost_when_all_their_wants_are() -> None:
    days = (
        Day(date="2027-02-20", title="Near", wants=("near",)),
        Day(date="2027-02-21", title="Far", wants=("far",)),
        Day(date="2027-02-22", title="Both", wants=("near", "far")),
    )
    wants = (cast.want("near", 24, 70), cast.want("far", 300, 400, megapixels=40))
    found = loss(made([cast.bag(), BODY, NORMAL, cast.tele_zoom()], wants=wants, days=days), "tele")
    assert (found.wants, found.days) == (("far",), 1)


def test_losses_stand_worst_first() -> None:
    gear = [cast.bag(), BODY, NORMAL, cast.tele_zoom()]
    wants = (cast.want("near", 24, 70, importance=5), cast.want("far", 300, 400, importance=1))
    found = [one for one in made(gear, wants=wants).losses if one.what == "thing"]
    assert [one.item for one in found] == ["b1", "normal", "tele"]
