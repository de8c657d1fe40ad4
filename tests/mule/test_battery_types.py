"""Types of the typical table are read as earlier versions spelled them; a person's own types stay as they are."""

import pytest

from mule.plan.battery_types import battery_type_of
from mule.plan.gear import Battery, Charger, parse

_BOX = {"shape": "box", "length_mm": 60, "width_mm": 40, "height_mm": 20}
_COMMON = {"name": "a", "mass_g": 80, "size": _BOX}


@pytest.mark.parametrize("size", ["Action", "Flash", "Grip", "Large", "Large drone", "Medium", "Small", "Small drone"])
def test_a_battery_and_its_charger_of_an_earlier_version_still_match(size: str) -> None:
    old = {"kind": "battery", "id": "b", "battery_type": f"{size} pack", "energy_wh": 16, **_COMMON}
    battery = parse(old)
    charger = parse({"kind": "charger", "id": "c", "battery_types": [f"{size} pack"], "hours_per_charge": 2, **_COMMON})
    assert isinstance(battery, Battery)
    assert isinstance(charger, Charger)
    assert battery.battery_type == f"{size} battery"
    assert charger.battery_types == (battery.battery_type,)
    assert parse(battery.model_dump(mode="json")) == battery


def test_own_types_stay() -> None:
    assert [battery_type_of(typed) for typed in ("LB-4", "Slab pack", "AA", None, 3)] == [
        "LB-4",
        "Slab pack",
        "AA",
        None,
        3,
    ]
