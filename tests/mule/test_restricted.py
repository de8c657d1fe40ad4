"""What carriers usually say of restricted things, and how it is held against what lies where
(docs/domain/carriers.md)."""

from typing import Any

import pytest
from pydantic import ValidationError

from mule.analysis.carriers import Judged, Lying, judge, sort_of, strictest
from mule.plan.carriers import USUAL, Carrier, Restriction
from mule.plan.gear import Computer, Drone, Gear, Light, Other, OtherSupport, PowerBank, Safety, Tripod
from tests import cast

THING: dict[str, Any] = {"id": "thing", "name": "thing", "mass_g": 100, "size": cast.SMALL}
LITHIUM = (100.0, 160.0, 2)
NONE = (None, None, None)


def test_the_usual_rules_are_those_of_the_docs() -> None:
    said = {r.sort: (r.cabin, r.hold, r.most, (r.free_wh, r.approval_wh, r.approval_most)) for r in USUAL}
    assert said == {
        "spare-lithium": ("yes", "no", 20, LITHIUM),
        "power-bank": ("yes", "no", None, LITHIUM),
        "device-lithium": ("yes", "ask", None, LITHIUM),
        "dry-cells": ("yes", "yes", None, NONE),
        "tripod": ("ask", "yes", None, NONE),
        "drone": ("ask", "ask", None, NONE),
        "blade": ("no", "yes", None, NONE),
        "multi-tool": ("no", "yes", None, NONE),
        "tool": ("no", "yes", None, NONE),
        "spray": ("no", "no", None, NONE),
        "gas": ("no", "no", None, NONE),
        "compressed-air": ("no", "no", None, NONE),
        "matches": ("ask", "no", None, NONE),
        "lighter": ("ask", "no", None, NONE),
        "liquid": ("ask", "yes", None, NONE),
        "film": ("ask", "no", None, NONE),
    }


@pytest.mark.parametrize(
    ("thing", "sort"),
    [
        (cast.pack(energy_wh=16), ("spare-lithium", 16)),
        (cast.pack(energy_wh=3, lithium=False), ("dry-cells", 3)),
        (PowerBank(energy_wh=90, output_w=60, ports=2, **THING), ("power-bank", 90)),
        (Computer(form="phone", screen_in=6, energy_wh=14, **THING), ("device-lithium", 14)),
        (Light(form="head-torch", energy_wh=5, **THING), ("device-lithium", 5)),
        (cast.body(battery_type=None, energy_wh=8), ("device-lithium", 8)),
        (cast.body(), None),
        (Other(label="radio", energy_wh=12, **THING), ("device-lithium", 12)),
        # What it holds beside its battery is what it is looked at for.
        (Other(label="stove", energy_wh=12, hazard="gas", **THING), ("gas", None)),
        (Other(label="read", **THING), None),
        (Safety(label="bears", hazard="spray", **THING), ("spray", None)),
        (cast.first_aid(), None),
        (Tripod(max_load_g=5_000, max_height_mm=1_500, **THING), ("tripod", None)),
        (OtherSupport(form="monopod", max_load_g=5_000, **THING), ("tripod", None)),
        (OtherSupport(form="bean-bag", max_load_g=5_000, **THING), None),
        (Drone(battery_type="D", flight_min=30, megapixels=20, takeoff_mass_g=249, **THING), ("drone", None)),
        (cast.tele_zoom(), None),
    ],
)
def test_as_what_a_thing_is_looked_at(thing: Any, sort: Any) -> None:
    assert sort_of(thing) == sort


BANK = PowerBank(count=9, energy_wh=120, output_w=60, ports=2, **THING)


def judged(rule: Restriction, count: int = 1, *, wh: float = 120, held: bool = False) -> Judged:
    gear = {"thing": BANK.model_copy(update={"energy_wh": wh})}
    at = Lying(item="thing", count=count, person="ines", bag="bag", held=held)
    (made,) = judge(gear, [at], strictest([(rule,)]))
    return made


def bank(**changes: Any) -> Restriction:
    return Restriction(sort="power-bank", cabin="yes", hold="no", note="a note", **changes)


@pytest.mark.parametrize(
    ("rule", "count", "wh", "answer"),
    [
        # Limits are inclusive.
        (bank(free_wh=100), 1, 100, ("yes", "place", 1, None)),
        (bank(free_wh=100), 1, 100.5, ("no", "energy", 1, None)),
        (bank(free_wh=100, approval_wh=160), 7, 160, ("ask", "energy", 7, None)),
        (bank(free_wh=100, approval_wh=160), 1, 160.5, ("no", "energy", 1, None)),
        (bank(free_wh=100, approval_wh=160, approval_most=2), 2, 120, ("ask", "energy", 2, 2)),
        (bank(free_wh=100, approval_wh=160, approval_most=2), 3, 120, ("no", "count", 3, 2)),
        (bank(free_wh=100, approval_wh=160, approval_most=0), 1, 120, ("no", "count", 1, 0)),
        (bank(most=2), 2, 120, ("yes", "place", 2, 2)),
        (bank(most=2), 3, 120, ("no", "count", 3, 2)),
        (bank(most=0), 1, 120, ("no", "count", 1, 0)),
        (bank(), 9, 900, ("yes", "place", 9, None)),
    ],
)
def test_energy_and_number_are_held_against_their_limits(
    rule: Restriction, count: int, wh: float, answer: tuple[str, str, int, int | None]
) -> None:
    made = judged(rule, count, wh=wh)
    assert (made.answer, made.why, made.total, made.most) == answer
    assert (made.wh, made.count, made.sort, made.person, made.bag) == (wh, count, "power-bank", "ines", "bag")


def test_where_the_place_forbids_it_nothing_else_is_asked() -> None:
    made = judged(bank(free_wh=100, approval_wh=160, most=0), held=True)
    assert (made.answer, made.why, made.held) == ("no", "place", True)


def test_a_note_stands_where_something_is_asked_or_the_hold_is_closed() -> None:
    assert judged(bank()).note == "a note"
    open_hold = bank().model_copy(update={"hold": "yes"})
    assert judged(open_hold).note == ""
    assert judged(open_hold.model_copy(update={"cabin": "ask"})).note == "a note"


def test_each_person_has_a_number_of_their_own_and_the_worst_stands_first() -> None:
    gear: dict[str, Gear] = {
        "thing": BANK,
        "small": BANK.model_copy(update={"id": "small", "energy_wh": 40}),
        "normal": cast.normal_zoom(),
    }
    lying = [
        Lying(item="normal", count=1, person="marit", bag="b", held=False),
        Lying(item="small", count=2, person="marit", bag="b", held=False),
        Lying(item="small", count=1, person="ines", bag="a", held=False),
        Lying(item="small", count=1, person="ines", bag=None, held=False),
        Lying(item="thing", count=1, person="ines", bag="a", held=False),
    ]
    made = judge(gear, lying, strictest([(bank(most=3, free_wh=100),)]))
    assert [(j.item, j.person, j.answer, j.total) for j in made] == [
        ("thing", "ines", "no", 1),
        ("small", "marit", "yes", 2),
        ("small", "ines", "yes", 3),
        ("small", "ines", "yes", 3),
    ]


def test_what_is_exactly_at_the_free_limit_is_no_large_one() -> None:
    gear = {"thing": BANK, "free": BANK.model_copy(update={"id": "free", "energy_wh": 100})}
    lying = [Lying(item=item, count=2, person="ines", bag="a", held=False) for item in gear]
    made = judge(gear, lying, strictest([(bank(free_wh=100, approval_wh=160, approval_most=2),)]))
    assert [(j.item, j.answer, j.total) for j in made] == [("thing", "ask", 2), ("free", "yes", 4)]


def test_what_no_rule_names_is_let_through() -> None:
    assert judge({"thing": BANK}, [Lying(item="thing", count=1, person="i", bag=None, held=True)], {}) == ()


@pytest.mark.parametrize(
    ("one", "other", "expected"),
    [
        ({"most": 3}, {"most": 2}, {"most": 2}),
        ({"most": 3}, {}, {"most": 3}),
        (
            {"free_wh": 100, "approval_wh": 160},
            {"free_wh": 90, "approval_wh": 150},
            {"free_wh": 90, "approval_wh": 150},
        ),
        # Whoever gives no approval takes what goes freely, and no more.
        ({"free_wh": 100}, {"free_wh": 90, "approval_wh": 160}, {"free_wh": 90, "approval_wh": 100}),
        ({"free_wh": 100}, {"free_wh": 100, "approval_wh": 160}, {"free_wh": 100, "approval_wh": None}),
        ({"free_wh": 100, "approval_wh": 160}, {}, {"free_wh": 100, "approval_wh": 160}),
        ({"free_wh": 100, "approval_most": 1}, {"approval_most": 4}, {"free_wh": 100, "approval_most": 1}),
    ],
)
def test_of_two_carriers_each_limit_is_the_stricter(one: Any, other: Any, expected: Any) -> None:
    for pair in ((one, other), (other, one)):
        made = strictest([(bank(**told),) for told in pair])["power-bank"]
        told = {
            key: value
            for key, value in made.model_dump().items()
            if key in ("most", "free_wh", "approval_wh", "approval_most")
        }
        assert told == {"most": None, "free_wh": None, "approval_wh": None, "approval_most": None} | expected


def test_where_a_carrier_says_nothing_the_usual_answer_is_its_own() -> None:
    kind = Restriction(sort="gas", cabin="yes", hold="yes")
    assert strictest([(kind,)])["gas"] == kind
    assert (strictest([(kind,), ()])["gas"].cabin, strictest([(kind,), ()])["gas"].hold) == ("no", "no")
    assert len(strictest([()])) == len(USUAL)
    assert strictest([]) == {}


def test_each_sort_is_said_once_and_numbers_are_within_reason() -> None:
    rules = [bank(), Restriction(sort="gas", cabin="no", hold="no")]
    Carrier(id="air", name="Air", restricted=tuple(rules))
    assert (bank(most=200).most, bank(approval_most=0).approval_most) == (200, 0)
    for wrong in ({"most": 201}, {"most": -1}, {"approval_most": 201}):
        with pytest.raises(ValidationError):
            bank(**wrong)
