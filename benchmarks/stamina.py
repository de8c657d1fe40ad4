"""Power and pictures day by day: a long trip with much of everything, and a very long one."""

from datetime import date, timedelta
from typing import Any

from benchmarks.timing import p50, p95, samples_ms
from mule.analysis.storage.stamina import last
from mule.plan import Plan
from mule.plan.gear import (
    Bag,
    Battery,
    Body,
    Box,
    Card,
    CardSlot,
    Charger,
    Computer,
    Drive,
    Gear,
    Link,
    PowerBank,
    Reader,
)
from mule.plan.kit import Entry, Kit
from mule.plan.places import AsPiece, InBag, PieceKind
from mule.plan.trip import Day, Mains, Night, Person, Trip

_SMALL = Box(length_mm=80, width_mm=50, height_mm=30)


def _gear() -> list[tuple[Gear, int]]:
    """4 bodies of two sorts, 24 packs, 3 chargers, 2 banks, 20 cards, 3 drives, a laptop and what joins them."""
    common: dict[str, Any] = {"mass_g": 100.0, "size": _SMALL}
    bodies = [
        Body(
            id=f"body-{i}",
            name=f"Body {i}",
            mount="K",
            sensor_width_mm=36,
            sensor_height_mm=24,
            megapixels=45,
            battery_type=f"T{i % 2}",
            frames_per_charge=400,
            slots=(CardSlot(card_type="SD"), CardSlot(card_type="SD")),
            usb_charging=True,
            **common,
        )
        for i in range(4)
    ]
    packs = [Battery(id=f"p{i}", name="Pack", count=12, battery_type=f"T{i}", energy_wh=16, **common) for i in (0, 1)]
    chargers = [
        Charger(
            id=f"c{i}", name="Charger", battery_types=(f"T{i % 2}",), bays=2, hours_per_charge=2.5, plug="C", **common
        )
        for i in range(3)
    ]
    bank = PowerBank(id="bank", name="Bank", count=2, energy_wh=90, output_w=60, ports=2, **common)
    card = Card(id="sd", name="SD", count=20, card_type="SD", capacity_gb=256, speed_mb_s=250, **common)
    drive = Drive(id="ssd", name="SSD", count=3, capacity_gb=4_000, plug="USB-C", speed_mb_s=900, **common)
    ports = ("USB-C", "USB-C", "USB-C")
    laptop = Computer(
        id="laptop", name="Laptop", form="laptop", screen_in=14, energy_wh=70, storage_gb=1_000, ports=ports, **common
    )
    reader = Reader(id="reader", name="Reader", card_types=("SD",), plug="USB-C", speed_mb_s=250, **common)
    plug = Link(id="plug", name="Plug", from_plug="C", to_ports=("USB-C", "USB-C"), rating_w=65, **common)
    single: list[Gear] = [*bodies, *chargers, laptop, reader, plug]
    one = [(thing, 1) for thing in single]
    return [*one, *((pack, 12) for pack in packs), (bank, 2), (card, 20), (drive, 3)]


def _plan(days: int) -> Plan:
    gear = _gear()
    bag = Bag(id="bag", name="Bag", mass_g=1_500, size=_SMALL, volume_l=30)
    start = date(2027, 1, 1)
    trip = Trip(
        id="trip",
        name="Trip",
        people=(Person(id="ines", name="Ines"),),
        mains=Mains(plugs=("C",), volts=230),
        days=tuple(
            Day(
                date=start + timedelta(days=i),
                title="Out",
                lowest_c=-12 + i % 15,
                pattern=("full", "dusk-night", "easy")[i % 3],
                night=Night() if i % 5 == 0 else Night(mains_h=8, outlets=2),
            )
            for i in range(days)
        ),
    )
    entries = [Entry(item="bag", place=AsPiece(piece=PieceKind.CABIN, person="ines"))]
    entries += [Entry(item=thing.id, count=n, place=InBag(bag="bag")) for thing, n in gear]
    kit = Kit(id="a", name="A", entries=tuple(entries))
    return Plan(gear=(bag, *(t for t, _ in gear)), trip=trip, kits=(kit,), open_kit="a")


def bench_stamina() -> dict[str, float]:
    """21 days, and how much dearer 200 are."""
    long, endless = _plan(21), _plan(200)
    few = samples_ms(lambda: last(long), 60)
    many = samples_ms(lambda: last(endless), 12)
    return {"p50_ms": p50(few), "p95_ms": p95(few), "times_dearer_at_200_days": round(p50(many) / p50(few), 1)}
