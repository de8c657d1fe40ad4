"""Seeded lockers and plans of a given size, from the typical gear table."""

import random
from datetime import date, timedelta
from itertools import cycle
from typing import Any

from mule.plan import Plan
from mule.plan.carriers import Carrier, PieceRule
from mule.plan.gear import Body, Gear, Lens
from mule.plan.kit import Entry, Kit
from mule.plan.places import AsPiece, InBag, PieceKind
from mule.plan.trip import Day, Leg, Mains, Night, Person, Trait, TraitWish, Trip, Want, Weather
from server.library.locker.convert import typical

SEED = 20270220
# In a locker of 200 things: 8 bodies and 30 lenses, the rest accessories.
BODIES_PER_200 = 8
LENSES_PER_200 = 30


def locker(size: int) -> tuple[Gear, ...]:
    """``size`` things in the proportions of a well-filled locker, each with an id of its own."""
    chance = random.Random(SEED)
    table = [t for t in typical().values() if getattr(t, "mount", "Main") in ("Main", None)]
    bodies = [t for t in table if isinstance(t, Body)]
    lenses = [t for t in table if isinstance(t, Lens)]
    rest = [t for t in table if not isinstance(t, Body | Lens)]
    for pool in (bodies, lenses, rest):
        chance.shuffle(pool)
    wanted = [
        *_take(bodies, BODIES_PER_200 * size // 200),
        *_take(lenses, LENSES_PER_200 * size // 200),
    ]
    wanted += _take(rest, size - len(wanted))
    seen: set[str] = set()
    return tuple(_own(thing, i, chance, seen) for i, thing in enumerate(wanted))


def _take(pool: list[Any], count: int) -> list[Any]:
    return [thing for thing, _ in zip(cycle(pool), range(count), strict=False)]


def _own(thing: Any, index: int, chance: random.Random, seen: set[str]) -> Any:
    """A thing's own copy: converters keep their ids on first sight, because lenses name them."""
    id_ = thing.id if thing.kind == "teleconverter" and thing.id not in seen else f"{thing.id[:50]}-n{index}"
    seen.add(thing.id)
    return thing.model_copy(update={"id": id_, "mass_g": round(thing.mass_g * chance.uniform(0.9, 1.1), 1)})


def wants(count: int) -> tuple[Want, ...]:
    """``count`` wants spread over the focal axis, of all sorts of light and traits."""
    chance = random.Random(SEED + 1)
    made = []
    for i in range(count):
        low = chance.choice([10, 14, 16, 24, 35, 50, 70, 100, 200, 300])
        traits = chance.sample(list(Trait), chance.randint(0, 2))
        made.append(
            Want(
                id=f"want-{i}",
                name=f"Want {i}",
                focal_min_mm=low,
                focal_max_mm=low * chance.choice([1.5, 2, 3]),
                max_f_number=chance.choice([2, 2.8, 4, 5.6, 8]),
                light=chance.choice(["exposure", "equivalent"]),
                megapixels=chance.choice([12, 20, 24, 40]),
                traits=tuple(TraitWish(trait=t, essential=chance.random() < 0.3) for t in traits),
                static_subject=chance.random() < 0.4,
                importance=chance.randint(1, 5),
            )
        )
    return tuple(made)


def days(count: int) -> tuple[Day, ...]:
    """``count`` cold days of all sorts, some of their nights without mains."""
    start = date(2027, 2, 20)
    return tuple(
        Day(
            date=start + timedelta(days=i),
            title=f"Day {i + 1}",
            lowest_c=-12 + 3 * i % 15,
            pattern=("travel", "full", "dusk-night", "easy")[i % 4],
            wants=(f"want-{i}", f"want-{i + 1}"),
            weather=(Weather.SPRAY,) if i % 3 == 0 else (),
            night=Night() if i % 4 == 2 else Night(mains_h=8, outlets=2),
        )
        for i in range(count)
    )


def plan(size: int, loaded: int = 40, want_count: int = 12, day_count: int = 9) -> Plan:
    """A plan with ``loaded`` of ``size`` things in two bags, two people, two legs that weigh, and days with nights."""
    gear = locker(size)
    bags = [t for t in gear if t.kind == "bag"][:2]
    optics = [t for t in gear if isinstance(t, Body)][:2] + [t for t in gear if isinstance(t, Lens)][:6]
    converters = [t for t in gear if t.kind == "teleconverter"][:1]
    chosen: list[Gear] = [*bags, *optics, *converters]
    taken = {t.id for t in chosen}
    chosen += [t for t in gear if t.id not in taken and t.kind not in ("body", "lens", "bag", "teleconverter")]
    people = ("ines", "marit")
    entries = [
        Entry(item=b.id, place=AsPiece(piece=PieceKind.CABIN, person=p)) for b, p in zip(bags, people, strict=True)
    ]
    entries += [Entry(item=t.id, place=InBag(bag=bags[i % 2].id)) for i, t in enumerate(chosen[2:loaded])]
    air = Carrier(
        id="air", name="Air", pieces=(PieceRule(piece=PieceKind.CABIN, count=1, size_mm=(550, 400, 230), mass_g=8_000),)
    )
    trip = Trip(
        id="trip",
        name="Trip",
        people=tuple(Person(id=p, name=p, body_mass_kg=65) for p in people),
        legs=(Leg(id="out", name="Out", carrier="air"), Leg(id="back", name="Back", carrier="air")),
        days=days(day_count),
        mains=Mains(plugs=("C", "F"), volts=230),
        wants=wants(want_count),
    )
    kit = Kit(id="a", name="A", entries=tuple(entries))
    return Plan(gear=gear, carriers=(air,), trip=trip, kits=(kit,), open_kit="a")
