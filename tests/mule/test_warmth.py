"""Clothes for the coldest hour, sleeping bags for the coldest night out."""

from typing import Any

import pytest

from mule.findings.codes import Severity
from mule.plan import Plan
from mule.plan.purposes import Purpose
from mule.plan.trip import Base, Day, Person
from tests.saying import codes, found, only, other, plan

TWO = (Person(id="ines", name="Ines"), Person(id="marit", name="Marit"))
COLD = (Day(date="2027-02-20", title="One", lowest_c=-4), Day(date="2027-02-21", title="Two", lowest_c=-11))


def clad(*things: Any, **trip: Any) -> Plan:
    """All pieces of these along, for two people."""
    made = plan(*things, **({"days": COLD, "people": TWO} | trip))
    all_of = tuple(e.model_copy(update={"count": made.items[e.item].count}) for e in made.kit.entries)
    return made.with_kit(made.kit.model_copy(update={"entries": all_of}))


def jacket(comfort: float | None, count: int = 2, id_: str = "jacket", **fields: Any) -> Any:
    return other(id_, Purpose.CLOTHING, comfort_c=comfort, count=count, **fields)


@pytest.mark.parametrize(("comfort", "says"), [(-12, False), (-11, False), (-5, True), (None, False)])
def test_the_coldest_hour_against_what_is_worn(comfort: float | None, says: bool) -> None:
    assert bool(found(clad(jacket(comfort)), "too-cold")) == says


def test_one_for_each() -> None:
    said = only(clad(jacket(-15, count=1)), "too-cold")
    assert (said.severity, said.have, said.people) == (Severity.CAUTION, 1, 2)
    assert said.day.isoformat() == "2027-02-21"
    warm = [jacket(-15, count=1), jacket(-20, count=1, id_="parka")]
    assert "too-cold" not in codes(clad(*warm))


def test_the_cure_is_a_warmer_one_from_home_with_its_grams() -> None:
    parka = jacket(-20, id_="parka").model_copy(update={"mass_g": 900.0})
    thin = jacket(-6, id_="thin")
    said = only(clad(jacket(-5), left=(parka, thin)), "too-cold")
    (way,) = [one for one in said.cures if not one.gets]
    assert [edit.item for edit in way.edits] == ["parka"]
    assert way.mass_change_g == 1800
    assert not way.partly


@pytest.mark.parametrize(("sort", "says"), [("tent", True), ("car", True), ("room", False), (None, False)])
def test_a_sleeping_bag_is_for_nights_out(sort: Any, says: bool) -> None:
    bag = other("bag-of-down", Purpose.SLEEPING, comfort_c=-2, count=2)
    base = Base(sort=sort) if sort else None
    assert bool(found(clad(bag, base=base), "too-cold")) == says


def test_a_day_in_a_hut_is_no_night_out() -> None:
    bag = other("bag-of-down", Purpose.SLEEPING, comfort_c=-5, count=2)
    hut = (COLD[0], COLD[1].model_copy(update={"base": Base()}))
    assert "too-cold" not in codes(clad(bag, base=Base(sort="tent"), days=hut))
