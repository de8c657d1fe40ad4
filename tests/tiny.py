"""Tiny seeded lockers, and the plainest way to choose from one: try every set of things."""

import random
from collections.abc import Iterator, Sequence
from datetime import timedelta
from itertools import product
from string import ascii_lowercase
from typing import Any, NamedTuple

from mule.completeness import DependencyGraph
from mule.finding import AsPiece, InBag, PieceKind
from mule.gear import (
    Battery,
    Body,
    Box,
    Card,
    CardSlot,
    Charger,
    Computer,
    Cylinder,
    Drive,
    Filter,
    Gear,
    Lens,
    PowerBank,
    Reader,
    StepRing,
    Tripod,
    is_zoom,
    twins,
)
from mule.kit import Entry, Kit
from mule.links import graph_of
from mule.memo import by_identity
from mule.optics import table_of
from mule.optics.setups import SetUp, set_ups
from mule.optics.table import Parts
from mule.plan import Plan
from mule.power import types_lacking
from mule.resilience import serving, survives_any_single_loss
from mule.stamina import power_case, runs_out
from mule.trip import (
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
# Scores that differ by less are one: rounding takes up to a millionth of a point per thing and want.
SAME = 1e-4


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


def stays(plan: Plan) -> dict[str, int]:
    """What a choice does not decide about: of these lockers the bag, and a computer where no copies are asked for."""
    copies = bool(plan.trip.days) and plan.trip.copies > 1
    return {i: n for i, n in plan.kit.loaded().items() if i in ("bag", "phone") or (i == "laptop" and not copies)}


def kits(plan: Plan) -> Iterator[dict[str, int]]:
    """Every count of every thing that does not stay."""
    fixed = stays(plan)
    free = [t for t in plan.gear if t.id not in fixed]
    # Twins stand together, the lighter one first: which camera is a kit's first is a matter of that order.
    twin = sorted((t for t in free if t.id in ("b1", "b2")), key=lambda t: t.mass_g)
    if len(twin) == 2:
        at = min(free.index(t) for t in twin)
        free = [*(t for t in free[:at]), *twin, *(t for t in free[at:] if t not in twin)]
    for chosen in product(*(range((t.count if t.kind == "battery" else 1) + 1) for t in free)):
        yield fixed | {t.id: n for t, n in zip(free, chosen, strict=True) if n}


def _allowed(plan: Plan, counts: dict[str, int]) -> bool:
    """Whether marks and policies let a set of things be, said as plainly as can be."""
    gear, marks = plan.items, plan.trip.marks
    if not set(marks.must_take) <= set(counts) or set(marks.must_leave) & set(counts):
        return False
    if any(len(set(slot.items) & set(counts)) > 1 for slot in marks.slots):
        return False
    return _follows(plan, [gear[i] for i in counts for _ in range(counts[i])])


def _follows(plan: Plan, things: list[Gear]) -> bool:
    policies = plan.trip.policies
    lenses = [t for t in things if isinstance(t, Lens)]
    zooms = [t for t in lenses if is_zoom(t)]
    bodies = [t for t in things if isinstance(t, Body)]
    fits_lenses = {
        "any": True,
        "one-zoom": len(lenses) == len(zooms) <= 1,
        "trio-of-zooms": len(lenses) == len(zooms) <= 3,
        "primes": not zooms,
    }[policies.lenses]
    fits_bodies = {
        "any": True,
        "none": len(bodies) == 1,
        "twin": len(bodies) == 2 and twins(*bodies),
        "specialist": len(bodies) == 2 and not twins(*bodies),
    }
    return fits_lenses and (policies.second_body == "any" or fits_bodies[policies.second_body])


def _linked(plan: Plan, graph: DependencyGraph, loaded: frozenset[str]) -> bool:
    """No orphan, no link missing that something owned could give; what stays in any case may lack what it likes."""
    everything = set(plan.items)
    for item in loaded - stays(plan).keys():
        for need in graph.needs[item]:
            if graph.met(item, need, loaded):
                continue
            if need.what == "charger" and plan.trip.days:
                # Whether packs are charged at all, the days say.
                continue
            if need.sort == "purpose" or any(graph.gives(key, everything, but=item) for key in need.keys):
                return False
    return True


def _eats(plan: Plan, counts: dict[str, int]) -> bool:
    """Whether there is a pack for each camera, as far as any of its type are owned."""
    gear = plan.items
    for type_ in {t.battery_type for t in plan.gear if isinstance(t, Battery)}:
        eaters = sum(n for i, n in counts.items() if isinstance(t := gear[i], Body) and t.battery_type == type_)
        packs = sum(n for i, n in counts.items() if isinstance(t := gear[i], Battery) and t.battery_type == type_)
        if packs < eaters:
            return False
    return True


def value(plan: Plan, counts: dict[str, int]) -> tuple[float, float, float]:
    """Score, steady share and grams of a kit."""
    return _value(plan, _seen_by(plan, frozenset(counts)), counts)


class Seen(NamedTuple):
    """What a set of things sees of the brief. ways: by want, what serves it."""

    score: float
    ways: tuple[Sequence[Parts], ...]


def _seen_by(plan: Plan, loaded: frozenset[str]) -> Seen:
    table = table_of([t for t in plan.gear if t.id in loaded], dict.fromkeys(loaded, 1), plan.trip.wants)
    return Seen(table.score(), tuple(serving(table)))


def _value(plan: Plan, seen: Seen, counts: dict[str, int]) -> tuple[float, float, float]:
    wants = plan.trip.wants
    steady = sum(
        w.importance for w, ways in zip(wants, seen.ways, strict=True) if survives_any_single_loss(ways, counts)
    )
    grams = sum(plan.items[i].mass_g * n for i, n in counts.items())
    return seen.score, steady / sum(w.importance for w in wants), grams


def best(plan: Plan, limit_g: float) -> tuple[float, float, float] | None:
    """The best value of any kit that lasts: highest score, then steadiest, then lightest. None when there is no kit."""
    found = able(plan, limit_g)
    if not found:
        return None
    top = max(made[0] for made in found)
    rest = [made for made in found if made[0] >= top - SAME]
    steady = max(made[1] for made in rest)
    return min((made for made in rest if made[1] >= steady - 1e-9), key=lambda made: made[2])


def able(plan: Plan, limit_g: float) -> list[tuple[float, float, float]]:
    """The value of every kit that obeys, works and lasts: score, steady share, grams."""
    return [made for made, _ in able_kits(plan, limit_g)]


def able_kits(plan: Plan, limit_g: float) -> list[tuple[tuple[float, float, float], dict[str, int]]]:
    """The same with the pieces of each kit.

    Where none lasts in all parts, of those that last in the first of them, as far as can be.
    """
    graph = graph_of(plan)
    masses = {t.id: t.mass_g for t in plan.gear}
    # How many come along differs between kits of the same things by their packs alone: what does not hang on those is
    # worked out once for each set; None: no kit however many packs there are.
    known: dict[frozenset[str], Seen | None] = {}
    found: list[tuple[tuple[float, float, float], dict[str, int]]] = []
    for counts in kits(plan):
        if sum(masses[i] * n for i, n in counts.items()) > limit_g + 1e-9:
            continue
        loaded = frozenset(counts)
        if loaded not in known:
            ok = _allowed(plan, counts) and _linked(plan, graph, loaded) and _asks_met(plan, loaded)
            ok = ok and _gapless(plan, loaded)
            known[loaded] = _seen_by(plan, loaded) if ok else None
        seen = known[loaded]
        if seen is not None and seen.score > 0 and _eats(plan, counts):
            found.append((_value(plan, seen, counts), counts))
    # Glass and filters neither draw nor give: kits that differ by those alone last alike.
    idle = ("lens", "teleconverter", "mount-adapter", "filter", "step-ring")
    electric = {t.id for t in plan.gear if t.kind not in idle}
    asked: dict[tuple[str, tuple[tuple[str, int], ...]], frozenset[str]] = {}
    for part in PARTS:
        lost = hopeless(plan, part)
        last = []
        for one in found:
            key = part, tuple((i, n) for i, n in one[1].items() if i in electric)
            if key not in asked:
                asked[key] = lacking(plan, dict(key[1]), part) - lost
            if not asked[key]:
                last.append(one)
        found = last or found
    return found


PARTS = ("power", "cards", "copies")


def lacking(plan: Plan, counts: dict[str, int], part: str) -> frozenset[str]:
    """What a kit lacks for a trip: types of pack; cards; places for copies."""
    if not plan.trip.days:
        return frozenset()
    if part == "power":
        return types_lacking(power_case(plan, counts))
    full, short = runs_out(plan.items, counts, plan.trip)
    return frozenset((part,)) if full or (short and part == "copies") else frozenset()


def hopeless(plan: Plan, part: str) -> frozenset[str]:
    """What lacks whatever comes along, beside what stays and what must come."""
    gives = {
        "power": ("battery", "charger", "power-bank", "link"),
        "cards": ("card", "drive", "reader", "computer", "link"),
        "copies": ("card", "drive", "reader", "computer", "link"),
    }[part]
    out = set(plan.trip.marks.must_leave)
    able = {t.id: t.count for t in plan.gear if t.kind in gives and t.id not in out}
    sure = {item: able.get(item, 1) for item in plan.items if item in able or item in plan.trip.marks.must_take}
    return lacking(plan, {**sure, **stays(plan)}, part)


def _asks_met(plan: Plan, loaded: frozenset[str]) -> bool:
    """Where a lens sees a want that asks for ND 6, the filter is on one that does, if all of it is owned."""
    for want in plan.trip.wants:
        if not want.effects:
            continue
        seeing = [i for i in ("wide", "normal") if i in plan.items and _sees(plan, i, want)]
        others = [i for i in ("fifty", "tele", "old", "pocket") if i in plan.items and _sees(plan, i, want)]
        ways = [{"normal", "nd"} if i == "normal" else {"wide", "ring", "nd"} for i in seeing]
        ways = [way for way in ways if way <= set(plan.items)]
        if ways and any(i in loaded for i in (*seeing, *others)) and not any(way <= loaded for way in ways):
            return False
    return True


@by_identity(1)
def _all_set_ups(gear: tuple[Gear, ...]) -> list[SetUp]:
    return list(set_ups(gear))


def _sees(plan: Plan, item: str, want: Want) -> bool:
    """Whether a lens sees part of a want natively on some body in the locker."""
    return any(
        made.native
        and made.converter is None
        and made.low_mm <= want.focal_max_mm
        and made.high_mm >= want.focal_min_mm
        for made in _all_set_ups(plan.gear)
        if (made.lens or made.body) == item
    )


def _gapless(plan: Plan, loaded: frozenset[str]) -> bool:
    if plan.trip.policies.gaps == "allowed":
        return True
    table = table_of([plan.items[i] for i in loaded], dict.fromkeys(loaded, 1), plan.trip.wants)
    return bool(table.parts) and bool((table.cells() >= 0.5).all())
