"""Packs, chargers and banks. Energy is always in watt-hours: Wh = V x Ah (docs/domain/power.md)."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from mule.base.units import Count, Flag, Hours, Label, Number, Share, WattHours, Watts
from mule.plan.battery_types import BatteryType
from mule.plan.gear.base import Group, Thing


class Battery(Thing):
    """A pack or cell. ``battery_type`` is what bodies and chargers ask for; ``health`` is 1 when new.

    cycles: times each piece had been charged when its notes here began.
    """

    kind: Literal["battery"] = "battery"
    group: ClassVar[Group] = Group.POWER

    battery_type: BatteryType
    energy_wh: WattHours
    health: Share = 1.0
    cycles: Annotated[int, Field(strict=True, ge=0, le=20_000)] = 0
    lithium: Flag = True
    rechargeable: Flag = True


class Charger(Thing):
    """Fills packs from mains or USB-C. ``hours_per_charge`` is for one pack in one bay."""

    kind: Literal["charger"] = "charger"
    group: ClassVar[Group] = Group.POWER

    battery_types: tuple[BatteryType, ...] = Field(min_length=1, max_length=12)
    bays: Count = 1
    hours_per_charge: Hours
    input: Literal["mains", "usb-c", "car"] = "mains"
    volts_min: Number | None = Field(default=None, ge=0.001, le=400)
    volts_max: Number | None = Field(default=None, ge=0.001, le=400)
    plug: Label | None = None


class PowerBank(Thing):
    """Stores energy for USB devices; about 0.65 of ``energy_wh`` reaches packs (estimate)."""

    kind: Literal["power-bank"] = "power-bank"
    group: ClassVar[Group] = Group.POWER

    energy_wh: WattHours
    output_w: Watts
    ports: Count = 1
