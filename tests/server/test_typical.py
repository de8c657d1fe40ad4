"""The typical gear table: figures that a photographer would believe."""

from math import hypot
from typing import Any

import pytest

from mule.plan.gear import Bag, Battery, Body, Cylinder, Lens, PowerBank, Soft
from mule.plan.places import PieceKind
from server.library.locker.convert import typical

TABLE = list(typical().values())


def of(kind: type[Any]) -> list[Any]:
    return [t for t in TABLE if isinstance(t, kind)]


@pytest.mark.parametrize("thing", [t for t in TABLE if not isinstance(t.size, Soft)], ids=lambda t: t.id)
def test_hard_things_are_neither_lead_nor_air(thing: Any) -> None:
    # From 0.008 kg per litre of enclosing box (an empty dry bag) to about 3 (a small pack of metal).
    density = thing.mass_g / 1000 / thing.size.litres()
    assert 0.005 < density < 4


def test_names_carry_no_make_and_are_single() -> None:
    names = [t.name for t in TABLE]
    assert len(set(names)) == len(names)
    assert all(len(name) <= 80 for name in names)


@pytest.mark.parametrize("lens", of(Lens), ids=lambda t: t.id)
def test_a_lens_is_named_after_its_focal_length_and_wide_enough_for_its_opening(lens: Lens) -> None:
    assert lens.name.startswith(f"{lens.focal_min_mm:g}")
    assert isinstance(lens.size, Cylinder)
    # The entrance pupil f / N of the long end has to pass the barrel; front threads are smaller than the barrel.
    assert lens.focal_max_mm / lens.f_at_max < lens.size.diameter_mm * 1.02
    assert lens.thread_mm is None or lens.thread_mm <= lens.size.diameter_mm
    assert lens.f_at_min <= lens.f_at_max


@pytest.mark.parametrize("body", of(Body), ids=lambda t: t.id)
def test_a_body_has_a_sensor_a_pack_and_a_card(body: Body) -> None:
    assert 5 < hypot(body.sensor_width_mm, body.sensor_height_mm) < 60
    assert body.battery_type in {b.battery_type for b in of(Battery)}
    assert {slot.card_type for slot in body.slots} <= {t.card_type for t in TABLE if t.kind == "card"}
    assert body.slots


def test_packs_hold_what_their_mass_allows() -> None:
    # Lithium-ion packs hold 0.1 to 0.25 Wh per gram; single-use lithium cells somewhat more.
    for pack in [*of(Battery), *of(PowerBank)]:
        assert 0.05 < pack.energy_wh / pack.mass_g < 0.3, pack.id


def test_a_bag_holds_less_inside_than_outside() -> None:
    for bag in of(Bag):
        if bag.inner:
            outer, inner = bag.size.sides_mm(), bag.inner.sides_mm()
            assert all(i < o for i, o in zip(inner, outer, strict=True)), bag.id
        if bag.piece == PieceKind.CABIN:
            assert sum(bag.size.sides_mm()) < 1180, bag.id


def test_every_charger_fills_a_pack_of_the_table() -> None:
    types = {b.battery_type for b in of(Battery)}
    for charger in (t for t in TABLE if t.kind == "charger"):
        assert set(charger.battery_types) <= types, charger.id
