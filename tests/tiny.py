"""Tiny seeded lockers: every set of their things can be tried (tests/trying.py)."""

import random
from datetime import timedelta
from string import ascii_lowercase
from typing import Any

from mule.plan import Plan
from mule.plan.gear import (
    Body,
    Box,
    Card,
    CardSlot,
    Charger,
    Computer,
    Cylinder,
    Drive,
    Filter,
    Lens,
    PowerBank,
    Reader,
    StepRing,
    Tripod,
)
from mule.plan.kit import Entry, Kit
from mule.plan.places import AsPiece, InBag, PieceKind
from mule.plan.trip import (
    Day,
    Demand,
    EffectWish,
    Mains,
    Marks,
    Night,
    Pattern,
    Person,
    Policies,
    Slot,
    Stamina,
    Trait,
    TraitWish,
    Want,
)
from tests import cast

# Days that ask nothing of packs and cards.
QUIET = Stamina(patterns=(Pattern(id="quiet", name="Quiet"),))
SMALL = Box(length_mm=60, width_mm=40, height_mm=20)
RING = Cylinder(diameter_mm=82, length_mm=5)


def tiny(seed: int) -> tuple[Plan, float]:
    """A plan over at most 14 things, with a bag that stays, and a mass limit that binds more often than not."""
    chance = random.Random(seed)
    gear = _gear(chance)
    # A camera and a lens for it are always there; packs and cards come into play with them.
    sure = [chance.choice(gear[:3]), chance.choice(gear[4:8])]
    rest = [t for t in gear if t not in sure]
    chance.shuffle(rest)
    gear = [*sure, *rest[: chance.randint(3, 11)], cast.bag("bag", mass_g=1000, volume_l=200)]
    entries = [Entry(item="bag", place=AsPiece(piece=PieceKind.CABIN, person="ines"))]
    if chance.random() < 0.4:
        laptop = Computer(
            id="laptop",
            name="laptop",
            mass_g=1500,
            size=SMALL,
            form="laptop",
            screen_in=14,
            energy_wh=70,
            ports=("USB-C",),
        )
        gear.append(laptop)
        entries.append(Entry(item="laptop", place=InBag(bag="bag")))
    trip = cast.trip(
        people=(Person(id="ines", name="Ines"),),
        wants=tuple(_want(chance, i) for i in range(chance.randint(1, 4))),
        marks=_marks(chance, [t.id for t in gear if t.id not in ("bag", "laptop")]),
        policies=_policies(chance),
        stamina=QUIET,
    )
    plan = Plan(gear=tuple(gear), trip=trip, kits=(Kit(id="a", name="A", entries=tuple(entries)),), open_kit="a")
    fixed = sum(plan.items[e.item].mass_g for e in entries)
    limit = fixed + chance.choice([1200, 1800, 2200, 2700, 3500, 5000, 9000])
    return plan, float(limit)


def twinned(seed: int) -> tuple[Plan, float]:
    """A tiny plan of which a camera, a lens or both are owned twice, alike but for the id."""
    plan, limit_g = tiny(seed)
    chance = random.Random(seed)
    sorts = chance.choice([(Body, Lens), (Body,), (Lens,)])
    firsts = [next(t for t in plan.gear if isinstance(t, sort)) for sort in sorts]
    kept = [t for t in plan.gear if t not in firsts and (t.id in ("bag", "laptop") or chance.random() < 0.7)]
    copies = [t.model_copy(update={"id": f"{t.id}-too"}) for t in firsts]
    there = {t.id for t in (*kept, *firsts)}
    marks = plan.trip.marks if plan.trip.marks.items() <= there else Marks()
    trip = plan.trip.model_copy(update={"marks": marks})
    return Plan(gear=(*firsts, *kept, *copies), trip=trip, kits=plan.kits, open_kit="a"), limit_g


def reshuffled(plan: Plan, seed: int) -> Plan:
    """The same plan with its gear in another order and under other ids."""
    chance = random.Random(seed)
    gear = list(plan.gear)
    chance.shuffle(gear)
    ids = {t.id: "".join(chance.sample(ascii_lowercase, 8)) for t in gear if t.id not in ("bag", "laptop")}

    def renamed(value: Any) -> Any:
        if isinstance(value, dict):
            return {key: one if key in ("kind", "effect") else renamed(one) for key, one in value.items()}
        if isinstance(value, list):
            return [renamed(one) for one in value]
        return ids.get(value, value) if isinstance(value, str) else value

    told = plan.model_dump(mode="json")
    data = {"gear": [t.model_dump(mode="json") for t in gear], "trip": told["trip"], "kits": told["kits"]}
    return Plan(open_kit=plan.open_kit, **renamed(data))


def _gear(chance: random.Random) -> list[Any]:
    slots = (CardSlot(card_type="SD"),)

    def grams(low: int, high: int) -> float:
        return float(chance.randint(low, high))

    twin_mp = chance.choice([24, 45])
    return [
        cast.body("b1", mass_g=grams(400, 900), megapixels=twin_mp, battery_type="P", slots=slots),
        cast.body("b2", mass_g=grams(400, 900), megapixels=twin_mp, battery_type="P", slots=slots),
        cast.body(
            "b3", mass_g=grams(300, 600), megapixels=26, sensor_width_mm=23.5, sensor_height_mm=15.6, sealed=False
        ),
        cast.pocket(mass_g=grams(200, 400)),
        cast.lens("wide", 16, 35, 4, mass_g=grams(300, 700), thread_mm=77),
        cast.lens("normal", 24, 70, 2.8, mass_g=grams(500, 1000), thread_mm=82, sealed=True),
        cast.lens("fifty", 50, 50, 1.4, mass_g=grams(150, 500)),
        cast.lens("tele", 100, 400, 4.5, 6.3, mass_g=grams(900, 1600), takes_converters=("x14",)),
        cast.converter(1.4),
        cast.lens("old", 135, 135, 2.8, mass_g=grams(200, 500), mount="Old"),
        cast.adapter(),
        cast.pack(count=3, mass_g=grams(40, 90), battery_type="P"),
        Charger(
            id="charger", name="charger", mass_g=grams(60, 200), size=SMALL, battery_types=("P",), hours_per_charge=2
        ),
        Card(id="card", name="card", mass_g=3, size=SMALL, card_type="SD", capacity_gb=128, speed_mb_s=200),
        Reader(id="reader", name="reader", mass_g=24, size=SMALL, card_types=("SD",), plug="USB-C", speed_mb_s=200),
        Filter(id="nd", name="nd", mass_g=41, size=RING, effect="nd", thread_mm=82, stops=6),
        StepRing(id="ring", name="ring", mass_g=9, size=RING, lens_thread_mm=77, filter_thread_mm=82),
    ]


def on_the_road(seed: int) -> tuple[Plan, float]:
    """A tiny locker for days with nights: two systems of packs, one outlet or none, a bank, cold, legs asked for."""
    chance = random.Random(seed)
    plan, limit_g = tiny(seed)
    inside = chance.random() < 0.4
    other = {"battery_type": "Q", "slots": (CardSlot(card_type="SD"),)}
    bodies: dict[str, dict[str, Any]] = {"b1": {"usb_charging": inside}, "b2": {"usb_charging": inside}, "b3": other}
    gear = [t.model_copy(update=bodies.get(t.id, {})) for t in plan.gear]
    room = max(0, 13 - len(gear))
    extra: list[Any] = [
        cast.pack(count=2, mass_g=50, battery_type="Q", energy_wh=8).model_copy(update={"id": "pack-q"}),
        Charger(id="both", name="both", mass_g=150, size=SMALL, battery_types=("P", "Q"), hours_per_charge=4, bays=1),
        PowerBank(id="bank", name="bank", mass_g=250, size=SMALL, energy_wh=40, output_w=20, ports=1),
        Card(id="small", name="small", mass_g=3, size=SMALL, card_type="SD", capacity_gb=16, speed_mb_s=200),
        Drive(id="drive", name="drive", mass_g=58, size=SMALL, capacity_gb=1_000, plug="USB-C", speed_mb_s=400),
        Tripod(id="legs", name="legs", mass_g=900, size=SMALL, max_load_g=9_000, max_height_mm=1_500),
    ]
    chance.shuffle(extra)
    gear += extra[:room]
    frames = chance.choice([100, 250, 400, 700])
    pattern = Pattern(
        id="full",
        name="Full",
        first=Demand(frames=frames, timelapse_h=chance.choice([0, 0, 1])),
        others=Demand(frames=frames // 2),
    )
    nights = [Night(mains_h=chance.choice([0, 3, 8]), outlets=1) for _ in range(3)]
    days = tuple(
        Day(date=f"2027-02-2{i}", title="Out", lowest_c=chance.choice([20, 0, -15]), night=night)
        for i, night in enumerate(nights[: chance.randint(1, 3)])
    )
    wants = tuple(w.model_copy(update={"steady": chance.random() < 0.3}) for w in plan.trip.wants)
    changes = {
        "days": days,
        "wants": wants,
        "mains": Mains(plugs=("C",), volts=230),
        "stamina": Stamina(patterns=(pattern,), margin=chance.choice([0, 0.25]), copies=chance.choice([1, 2])),
    }
    known = {t.id for t in gear}
    trip = plan.trip.model_copy(update=changes)
    assert known >= trip.marks.items()
    return Plan(gear=tuple(gear), trip=trip, kits=plan.kits, open_kit=plan.open_kit), limit_g


def off_the_grid(seed: int) -> tuple[Plan, float]:
    """The same locker where nothing comes out of a wall: cameras that charge inside, a charger and a phone share two
    banks, of which one has a single weak port."""
    plan, limit_g = on_the_road(seed)
    chance = random.Random(seed)
    gear = [
        t.model_copy(update={"usb_charging": True, "battery_type": "P"}) if isinstance(t, Body) else t
        for t in plan.gear
        if t.id not in ("bank", "both", "drive", "pack-q")
    ]
    banks = [
        PowerBank(id=id_, name=id_, mass_g=wh * 6, size=SMALL, energy_wh=wh, output_w=watts, ports=ports)
        for id_, wh, watts, ports in (("bank-40", 40, chance.choice([10, 20]), 1), ("bank-90", 90, 65, 3))
    ]
    charger = Charger(
        id="by-usb", name="u", mass_g=60, size=SMALL, battery_types=("P",), hours_per_charge=3, bays=2, input="usb-c"
    )
    phone = Computer(
        id="phone", name="p", mass_g=200, size=SMALL, form="phone", screen_in=6, energy_wh=14, ports=("USB-C",)
    )
    stamina = plan.trip.stamina
    pattern = stamina.patterns[0].model_copy(update={"phone": chance.choice([0, 0.5, 0.8])})
    days = tuple(day.model_copy(update={"night": Night()}) for day in plan.trip.days)
    days += tuple(day.model_copy(update={"date": day.date + timedelta(days=len(days))}) for day in days)
    trip = plan.trip.model_copy(
        update={
            "days": days,
            "stamina": stamina.model_copy(update={"patterns": (pattern,)}),
            "marks": plan.trip.marks.model_copy(update={"must_take": (), "must_leave": (), "slots": ()}),
        }
    )
    kit = plan.kits[0]
    kit = kit.model_copy(update={"entries": (*kit.entries, Entry(item="phone", place=InBag(bag="bag")))})
    return Plan(gear=(*gear, *banks, charger, phone), trip=trip, kits=(kit,), open_kit="a"), limit_g + 600


def _want(chance: random.Random, index: int) -> Want:
    low = chance.choice([16, 24, 50, 100, 200])
    traits = chance.sample(list(Trait), chance.randint(0, 1))
    return Want(
        id=f"w{index}",
        name=f"w{index}",
        focal_min_mm=low,
        focal_max_mm=low * chance.choice([1, 1.5, 3]),
        max_f_number=chance.choice([1.8, 2.8, 4, 8]),
        light=chance.choice(["exposure", "equivalent"]),
        megapixels=chance.choice([12, 20, 40]),
        traits=tuple(TraitWish(trait=t, essential=chance.random() < 0.3) for t in traits),
        static_subject=chance.random() < 0.3,
        importance=chance.randint(1, 5),
        effects=(EffectWish(effect="nd", stops=6),) if chance.random() < 0.2 else (),
    )


def _marks(chance: random.Random, items: list[str]) -> Marks:
    if chance.random() < 0.7:
        return Marks()
    picked = chance.sample(items, min(4, len(items)))
    slots = (
        (Slot(id="slot", name="slot", items=tuple(picked[2:4])),) if len(picked) == 4 and chance.random() < 0.5 else ()
    )
    return Marks(must_take=tuple(picked[:1]), must_leave=tuple(picked[1:2]), slots=slots)


def _policies(chance: random.Random) -> Policies:
    return Policies(
        lenses=chance.choice([*["any"] * 9, "one-zoom", "trio-of-zooms", "primes"]),
        second_body=chance.choice([*["any"] * 9, "none", "twin", "specialist"]),
        gaps=chance.choice([*["allowed"] * 9, "refused"]),
    )
