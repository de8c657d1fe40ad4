"""Who carries what, and which bag: eighty things and four people; ten bags and fifty things."""

import random
from time import perf_counter

from benchmarks.lockers import SEED, locker
from mule.plan import Plan
from mule.plan.carriers import Carrier, PieceRule
from mule.plan.gear import Bag, Box, Gear, Insert
from mule.plan.kit import Entry, Kit
from mule.plan.places import AsPiece, InBag, PieceKind
from mule.plan.trip import Leg, Person, Trip
from mule.search.bag_sets import NOW, bag_sets
from mule.search.split import split

PEOPLE = 4


def plan_to_share(things: int, seed: int) -> Plan:
    """So many things of a well-filled locker in four bags, most of them in the first; a leg that weighs."""
    chance = random.Random(SEED + seed)
    size = Box(length_mm=620, width_mm=360, height_mm=260)
    bags = [
        Bag(id=f"bag-{n}", name=f"Bag {n}", mass_g=chance.uniform(900, 2000), size=size, volume_l=45)
        for n in range(PEOPLE)
    ]
    table = [t for t in locker(800) if t.kind not in ("bag", "insert") and t.mass_g < 3_000]
    gear: list[Gear] = [t.model_copy(update={"count": 1}) for t in chance.sample(table, things)]
    where = [chance.choice((0, 0, 0, 1, 2, 3)) for _ in gear]
    entries = [
        *(Entry(item=b.id, place=AsPiece(piece=PieceKind.CABIN, person=f"p{n}")) for n, b in enumerate(bags)),
        *(Entry(item=t.id, place=InBag(bag=f"bag-{n}")) for t, n in zip(gear, where, strict=True)),
    ]
    people = tuple(Person(id=f"p{n}", name=f"P{n}", carries_well_kg=chance.randint(9, 15)) for n in range(PEOPLE))
    air = Carrier(id="air", name="Air", pieces=(PieceRule(piece=PieceKind.CABIN, mass_g=11_000),))
    trip = Trip(id="trip", name="Trip", people=people, legs=(Leg(id="out", name="Out", carrier="air"),))
    kit = Kit(id="a", name="A", entries=tuple(entries))
    return Plan(gear=(*bags, *gear), carriers=(air,), trip=trip, kits=(kit,), open_kit="a")


def bench_split() -> dict[str, float]:
    """Ten such plans: the slowest, and how many are proved."""
    times, proved = [], []
    for seed in range(10):
        plan = plan_to_share(80, seed)
        start = perf_counter()
        made = split(plan)
        times.append(perf_counter() - start)
        proved.append(made.proved)
    return {
        "seconds": round(max(times), 2),
        "p50_s": round(sorted(times)[len(times) // 2], 2),
        "proved_share": sum(proved) / len(proved),
    }


def plan_with_bags(bags: int, things: int) -> Plan:
    """So many bags and two inserts of all sorts, and so many things in the first of each sort; two people."""
    chance = random.Random(SEED)
    sides = {PieceKind.CABIN: (520, 330, 220), PieceKind.PERSONAL: (400, 280, 170), PieceKind.HOLD: (680, 380, 300)}
    kinds = [*PieceKind, *chance.choices(list(PieceKind), k=bags - len(PieceKind))]
    made = []
    for n, kind in enumerate(kinds):
        a, b, c = (round(side * chance.uniform(0.85, 1.1)) for side in sides[kind])
        made.append(
            Bag(
                id=f"bag-{n}",
                name=f"Bag {n}",
                mass_g=round(a * b * c / 2e7 * chance.uniform(600, 1100)),
                size=Box(length_mm=a, width_mm=b, height_mm=c),
                volume_l=round(a * b * c / 1e6 * 0.8, 1),
                piece=kind,
            )
        )
    inserts = [
        Insert(
            id=f"cube-{n}", name=f"Cube {n}", mass_g=450, size=Box(length_mm=a, width_mm=260, height_mm=160), volume_l=v
        )
        for n, (a, v) in enumerate(((380, 14), (280, 10)))
    ]
    table = [t for t in locker(800) if t.kind not in ("bag", "insert") and t.size.litres() < 1.2]
    gear: list[Gear] = [t.model_copy(update={"count": 1}) for t in chance.sample(table, things)]
    where = [0 if n % 3 else 1 for n in range(things)]
    entries = [
        *(Entry(item=made[n].id, place=AsPiece(piece=kinds[n], person="p0")) for n in range(len(PieceKind))),
        *(Entry(item=t.id, place=InBag(bag=made[n].id)) for t, n in zip(gear, where, strict=True)),
    ]
    people = tuple(Person(id=f"p{n}", name=f"P{n}", carries_well_kg=12) for n in range(2))
    rules = (PieceRule(piece=PieceKind.CABIN, mass_g=9_000), PieceRule(piece=PieceKind.PERSONAL, mass_g=5_000))
    air = Carrier(id="air", name="Air", pieces=rules)
    trip = Trip(id="trip", name="Trip", people=people, legs=(Leg(id="out", name="Out", carrier="air"),))
    kit = Kit(id="a", name="A", entries=tuple(entries))
    return Plan(gear=(*made, *inserts, *gear), carriers=(air,), trip=trip, kits=(kit,), open_kit="a")


def bench_bags() -> dict[str, float]:
    """Ten bags and fifty things: seconds to the first set that is not the kit as it is, and to all of them."""
    plan = plan_with_bags(10, 50)
    start, first, last = perf_counter(), None, None
    for news in bag_sets(plan, seconds=120):
        if news.bag_set and news.bag_set.key != NOW and first is None:
            first = perf_counter() - start
        last = news
    return {
        "first_s": round(first or 120.0, 2),
        "all_s": round(perf_counter() - start, 1),
        "tried": last.tried if last else 0,
    }
