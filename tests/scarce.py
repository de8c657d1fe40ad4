"""Random trips on which power is scarce: two battery systems, few outlets, and every kind of one more."""

import random
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, timedelta
from typing import Any

from mule.analysis.power import PowerCase
from mule.analysis.power.run import Run
from mule.plan.gear import Battery, Charger, Computer, Gear, Link, PowerBank
from mule.plan.trip import Day, Demand, Mains, Night, Pattern, Stamina, Trip
from tests import cast

SMALL: dict[str, Any] = {"mass_g": 100.0, "size": cast.SMALL}


def _charger(chance: random.Random, id_: str, type_: str, fed: Any) -> Charger:
    return Charger(
        id=id_,
        name=id_,
        battery_types=(type_,),
        bays=chance.randint(1, 2),
        hours_per_charge=chance.choice([1.5, 2.5, 4]),
        input=fed,
        plug="C" if fed == "mains" else None,
        count=9,
        **SMALL,
    )


def _things(chance: random.Random) -> dict[str, tuple[Gear, int]]:
    found: list[tuple[Gear, int]] = []
    for number, type_ in enumerate("AB"):
        camera = cast.body(f"b{number}", battery_type=type_, frames_per_charge=400, usb_charging=chance.random() < 0.5)
        wh = chance.choice([8, 16])
        pack = Battery(id=f"p{number}", name="p", count=200, battery_type=type_, energy_wh=wh, **SMALL)
        found += [(camera, 1), (pack, chance.randint(1, 4))]
        for fed, share in (("mains", 0.6), ("usb-c", 0.3), ("car", 0.15)):
            if chance.random() < share:
                found.append((_charger(chance, f"{fed}{number}", type_, fed), 1))
    if chance.random() < 0.5:
        ports = ("USB-C",) * chance.randint(1, 3)
        found.append((Link(id="plug", name="p", from_plug="C", to_ports=ports, rating_w=65, count=9, **SMALL), 1))
    if chance.random() < 0.4:
        wh, holes = chance.choice([37, 90]), chance.randint(1, 3)
        found.append((PowerBank(id="bank", name="b", energy_wh=wh, output_w=60, ports=holes, count=9, **SMALL), 1))
    if chance.random() < 0.4:
        found.append(
            (Computer(id="laptop", name="l", form="laptop", screen_in=14, energy_wh=60, charge_w=40, **SMALL), 1)
        )
    return {thing.id: (thing, count) for thing, count in found}


def _trip(chance: random.Random) -> Trip:
    frames = [0, 200, 400, 800]
    patterns = tuple(
        Pattern(
            id=f"k{n}",
            name="k",
            first=Demand(frames=chance.choice(frames)),
            others=Demand(frames=chance.choice(frames)),
            laptop=chance.choice([0, 0.5, 1]),
        )
        for n in range(2)
    )
    days = tuple(
        Day(
            date=date(2027, 2, 20) + timedelta(days=n),
            title="d",
            lowest_c=chance.choice([20, 0, -10]),
            night=Night(
                mains_h=chance.choice([0, 1, 2, 4, 8]),
                outlets=chance.choice([0, 1, 1, 2]),
                car_h=chance.choice([0, 0, 0, 2]),
            ),
            pattern=chance.choice(["k0", "k1"]),
        )
        for n in range(chance.randint(2, 5))
    )
    stamina = Stamina(
        patterns=patterns,
        warm=chance.choice(["none", "spares", "all"]),
        power=chance.choice(["charge-nightly", "charge-nightly", "bank-by-day", "usb-c"]),
        first=chance.choice(["packs", "computers"]),
    )
    return Trip(id="t", name="t", mains=Mains(plugs=("C",), volts=230), days=days, stamina=stamina)


_NIGHTS: dict[str, dict[str, float]] = {"mains": {"mains_h": 1}, "outlet": {"outlets": 1}, "car": {"car_h": 1}}


@dataclass(frozen=True)
class RandomTrip:
    """A trip of a seed, or the same with one more of something."""

    seed: int
    things: dict[str, tuple[Gear, int]]
    trip: Trip

    def __init__(self, seed: int, things: Any = None, trip: Trip | None = None) -> None:
        chance = random.Random(seed)
        object.__setattr__(self, "seed", seed)
        object.__setattr__(self, "things", things or _things(chance))
        object.__setattr__(self, "trip", trip or _trip(chance))

    def case(self) -> PowerCase:
        """Its power, compiled."""
        gear = {id_: thing for id_, (thing, _) in self.things.items()}
        return PowerCase.of(gear, {id_: count for id_, (_, count) in self.things.items()}, self.trip)

    def reach(self) -> tuple[int, float]:
        """Days before the first short one, and what of that one is served of what the user lets go first."""
        case = self.case()
        run = Run(case)
        for index, day in enumerate(case.days):
            uses = run.live(day)
            if any(use.short for use in uses):
                first = [u for u in uses if (u.type == "laptop") == (self.trip.stamina.first == "computers")]
                return index, sum(u.got_wh for u in first)
            run.sleep(day)
        return len(case.days), 0.0

    def mores(self) -> Iterator[tuple[str, "RandomTrip"]]:
        """The same with one more of each thing, of each kind of hour and outlet, a degree, and with fewer frames."""
        for id_, (thing, count) in self.things.items():
            if isinstance(thing, Battery | Charger | PowerBank | Link):
                yield id_, RandomTrip(self.seed, {**self.things, id_: (thing, count + 1)}, self.trip)
        for what, more in _NIGHTS.items():
            yield what, self._with_days(night=more)
        yield "degree", self._with_days(degrees=1)
        fewer = tuple(
            p.model_copy(update={"first": p.first.model_copy(update={"frames": max(0, p.first.frames - 10)})})
            for p in self.trip.stamina.patterns
        )
        yield "frames", RandomTrip(self.seed, self.things, self.trip.with_stamina(patterns=fewer))

    def _with_days(self, *, night: dict[str, float] | None = None, degrees: float = 0) -> "RandomTrip":
        days = []
        for day in self.trip.days:
            assert day.night is not None
            told = day.night.model_dump()
            more = Night(**{key: told[key] + (night or {}).get(key, 0) for key in told})
            days.append(day.model_copy(update={"night": more, "lowest_c": day.lowest_c + degrees}))
        return RandomTrip(self.seed, self.things, self.trip.model_copy(update={"days": tuple(days)}))
