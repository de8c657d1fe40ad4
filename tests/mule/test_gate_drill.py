"""A cabin bag is refused at the gate: the order of taking things out, the bag that takes them, and pockets."""

from typing import Any

import pytest

from mule.analysis.gate import GateCheckPlan, gate_check_plan, lying, rehearse
from mule.plan import Plan
from mule.plan.gear import Box, Card, Computer, Drone, Other, PowerBank, Soft
from mule.plan.places import AsPiece, InBag, PieceKind, Worn
from mule.plan.trip import Leg
from tests import cast
from tests.mule.test_gate import FLIES, bag, pack, packed

SEAT = bag("seat", "personal", 380, 260, 150)


def card(id_: str = "card", *, sides: tuple[float, float, float] = (40, 30, 10), **more: Any) -> Card:
    size = Box(length_mm=sides[0], width_mm=sides[1], height_mm=sides[2])
    told: dict[str, Any] = {"mass_g": 10, "size": size, "card_type": "SD", "capacity_gb": 64, "speed_mb_s": 90}
    return Card(id=id_, name=id_, **(told | more))


def refused(*things: Any, **more: Any) -> GateCheckPlan:
    """The drill for the cabin bag, which holds one piece of each of these."""
    return next(
        d for d in gate_check_plan(packed(*((t, t.count, "cabin") for t in things), **more)) if d.bag == "cabin"
    )


@pytest.mark.parametrize(
    ("thing", "pocketed"),
    [
        (card(sides=(180, 30, 10)), True),
        (card(sides=(180.5, 30, 10)), False),
        (card(mass_g=1_000), True),
        (card(mass_g=1_000.5), False),
        # 150 × 100 × 100 mm are 1.5 litres, twice are the three that pockets hold.
        (card(sides=(150, 100, 100), count=2), True),
        (card(sides=(150, 100, 100.5), count=2), False),
    ],
)
def test_what_a_pocket_takes(thing: Card, pocketed: bool) -> None:
    (taken,) = refused(thing).out
    assert (taken.into, taken.count) == ("pocket" if pocketed else None, thing.count)


def test_pockets_fill_in_the_order_of_grabbing() -> None:
    made = refused(
        cast.body(size=Box(length_mm=150, width_mm=100, height_mm=100)),
        card("cards", sides=(150, 100, 100)),
        pack().model_copy(update={"count": 1, "size": Box(length_mm=100, width_mm=100, height_mm=40)}),
    )
    assert [(t.item, t.why, t.into) for t in made.out] == [
        ("pack", "lithium", "pocket"),
        ("cards", "pictures", "pocket"),
        # 0.4 and 1.5 litres are in the pockets: there are 1.1 left.
        ("body", "body", None),
    ]
    assert (made.into, made.into_g, made.proved) == (None, 0, True)
    assert made.mass_g == sum(t.mass_g for t in made.out)


def test_what_is_soft_is_not_for_a_pocket() -> None:
    thing = cast.normal_zoom(size=Soft(volume_l=0.5))
    assert refused(thing).out[0].into is None


def test_dry_cells_and_what_has_no_sort_stay() -> None:
    cells = pack().model_copy(update={"id": "cells", "lithium": False, "count": 2})
    book = Other(id="book", name="book", label="read", mass_g=300, size=cast.SMALL)
    assert refused(cells, book).out == ()


def test_the_bag_under_the_seat_takes_what_came_out_beside_what_it_held() -> None:
    plan = packed((pack(), 3, "cabin"), (pack(), 2, "seat"), (cast.insert(), 1, "cabin"), seat=SEAT)
    (made,) = gate_check_plan(plan)
    (taken,) = made.out
    assert (taken.item, taken.count, taken.mass_g, taken.into) == ("pack", 3, 300, "seat")
    # 900 g of bag, five packs of 100 g.
    assert (made.person, made.into, made.into_g, made.proved) == ("ines", "seat", 1_400, True)


def test_what_lies_in_an_insert_comes_out_of_the_refused_bag_and_its_own_inserts_stay_in_the_other() -> None:
    cube = cast.insert().model_copy(update={"size": Box(length_mm=200, width_mm=150, height_mm=90)})
    cube = cube.model_copy(update={"inner": Box(length_mm=190, width_mm=140, height_mm=85)})
    plan = packed((cast.body(), 1, "cabin"), (cube, 1, "seat"), (pack(), 1, "cube"), seat=SEAT)
    (made,) = gate_check_plan(plan)
    assert [(t.item, t.into) for t in made.out] == [("body", "seat")]
    assert made.into_g == pytest.approx(900 + cube.mass_g + 100 + 720)


def test_only_the_owners_bag_takes_it_and_only_cabin_bags_are_refused() -> None:
    hers = SEAT.model_copy(update={"id": "hers"})
    made = packed((pack(), 1, "cabin"))
    entries = (*made.kit.entries, cast.entry("hers", AsPiece(piece=PieceKind.PERSONAL, person="marit")))
    plan = cast.plan([*made.gear, hers], *entries, carriers=(FLIES,))
    assert [(d.bag, d.into) for d in gate_check_plan(plan)] == [("cabin", None)]


def where(plan: Plan) -> list[tuple[str, int, str, str | None, bool]]:
    return [(one.item, one.count, one.person, one.bag, one.held) for one in lying(plan)]


def test_who_has_what_where() -> None:
    cube = cast.insert()
    made = packed(
        (pack(), 2, "cabin"),
        (pack(), 1, "hold"),
        (cube, 1, "hold"),
        (cast.body(), 1, "cube"),
        (card(), 1, None),
    )
    assert where(made) == [
        ("pack", 2, "ines", "cabin", False),
        ("pack", 1, "ines", "hold", True),
        ("cube", 1, "ines", "hold", True),
        ("body", 1, "ines", "hold", True),
        ("card", 1, "ines", None, False),
    ]


def test_what_lies_in_what_somebody_wears_is_on_them() -> None:
    gear = [cast.insert(), cast.body(), cast.normal_zoom(), cast.bag()]
    plan = cast.plan(
        gear,
        cast.entry("cube", Worn(person="marit")),
        cast.entry("body", InBag(bag="cube")),
        cast.entry("bag", cast.INES_CABIN),
    )
    assert where(plan) == [("cube", 1, "marit", None, False), ("body", 1, "marit", None, False)]


def test_the_tray_takes_large_electronics_that_are_not_held() -> None:
    size = Box(length_mm=100, width_mm=80, height_mm=20)
    told: dict[str, Any] = {"mass_g": 200, "size": size, "screen_in": 8, "energy_wh": 14}
    things = [
        Computer(id="phone", name="p", form="phone", **told),
        Computer(id="tablet", name="t", form="tablet", **told),
        PowerBank(id="bank", name="b", mass_g=300, size=size, energy_wh=90, output_w=60, ports=2),
        Drone(
            id="drone",
            name="d",
            mass_g=300,
            size=size,
            battery_type="D",
            flight_min=30,
            megapixels=20,
            takeoff_mass_g=249,
        ),
        cast.body(),
        cast.normal_zoom(),
    ]
    plan = packed(*((t, 1, "cabin") for t in things))
    assert [w.item for w in rehearse(plan).tray] == ["tablet", "bank", "drone", "body"]
    assert rehearse(packed(*((t, 1, "hold") for t in things))).tray == ()


def test_what_finds_no_room_weighs_nothing_in_the_bag_that_stays() -> None:
    small = bag("seat", "personal", 140, 100, 80)
    (made,) = gate_check_plan(packed((pack(), 3, "cabin"), seat=small))
    (taken,) = made.out
    # One of 130 × 98 × 72 mm goes in; the two others, 1.8 litres, go in pockets.
    assert (taken.into, made.mass_g, made.into_g, made.proved) == ("pocket", 300, 900 + 100, True)


def test_a_leg_on_foot_is_no_flight() -> None:
    plan = packed((pack(), 1, "cabin"))
    legs = (*plan.trip.legs, Leg(id="walk", name="Walk"))
    walked = plan.with_trip(plan.trip.model_copy(update={"legs": legs}))
    assert rehearse(walked) == rehearse(plan)
