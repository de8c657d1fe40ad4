"""Cards, readers, drives, computers and the leads between them. Capacity is in 10^9 bytes."""

from collections.abc import Sequence
from typing import Annotated, ClassVar, Literal

from pydantic import Field

from mule.base.units import Flag, Gigabytes, Inches, Label, MegabytesPerSecond, Number, WattHours, Watts
from mule.plan.gear.base import Group, Thing
from mule.plan.gear.optical import Body, twins

# A chain of links is followed this far: a lead behind an adapter, a hub on a hub, a ring on a ring
# (docs/domain/filters.md: rings stack at most two).
MOST_LINKS = 2
# Plug shapes of the world are named by single letters; "any" fits them all.
ANY_PLUG = "any"


def fits_wall(plug: str, walls: Sequence[str]) -> bool:
    """Whether a plug goes into the wall: one of its shapes, or any wall plug when nobody said which."""
    return plug == ANY_PLUG or (plug in walls if walls else len(plug) == 1)


class Card(Thing):
    """A memory card. since: the year it was bought. keep_for_last: written to when no other is left."""

    kind: Literal["card"] = "card"
    group: ClassVar[Group] = Group.CARDS

    card_type: Label
    since: int | None = Field(default=None, ge=1990, le=2100, strict=True)
    keep_for_last: Flag = False
    capacity_gb: Gigabytes
    speed_mb_s: MegabytesPerSecond


class Reader(Thing):
    """Reads cards through a port named ``plug``."""

    kind: Literal["reader"] = "reader"
    group: ClassVar[Group] = Group.CARDS

    card_types: tuple[Label, ...] = Field(min_length=1, max_length=8)
    plug: Label
    speed_mb_s: MegabytesPerSecond


class Drive(Thing):
    """A disk for copies."""

    kind: Literal["drive"] = "drive"
    group: ClassVar[Group] = Group.CARDS

    capacity_gb: Gigabytes
    plug: Label
    speed_mb_s: MegabytesPerSecond


def back_each_other_up(one: Thing, other: Thing) -> bool:
    """Whether one of two things is there for the loss of the other: twin bodies, disks of copies."""
    if isinstance(one, Body) and isinstance(other, Body):
        return twins(one, other)
    return isinstance(one, Drive) and isinstance(other, Drive)


class Computer(Thing):
    """A laptop, tablet or phone. ``ports`` lists what can be plugged in."""

    kind: Literal["computer"] = "computer"
    group: ClassVar[Group] = Group.CARDS

    form: Literal["laptop", "tablet", "phone"]
    screen_in: Inches
    energy_wh: WattHours
    storage_gb: Gigabytes | None = None
    ports: tuple[Label, ...] = Field(default=(), max_length=12)
    charge_w: Watts | None = None


class Link(Thing):
    """A hub, cable, plug adapter or extension lead: ``from_plug`` on one end, ``to_ports`` on the other.

    volts_max: what it bears; None where nobody read it.
    """

    kind: Literal["link"] = "link"
    group: ClassVar[Group] = Group.CARDS

    from_plug: Label
    to_ports: tuple[Label, ...] = Field(min_length=1, max_length=12)
    rating_w: Watts | None = None
    volts_max: Annotated[Number, Field(ge=0.001, le=400)] | None = None
