"""A trip's power compiled once: what each day asks, packs, banks and sources of charge as flat values.

Every variant (fewer packs, another school, one piece lost, another charger) is made from a compiled case: what the days
ask does not change with packs and what charges them, so it is never reckoned twice.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from datetime import date
from typing import NamedTuple

from mule.analysis.power.answer import PowerLoad
from mule.analysis.power.cold import cold_derating
from mule.analysis.power.demand import nominal_wh, power_demands
from mule.analysis.power.packs import BankKind, PackKind, banks_of, packs_of
from mule.analysis.power.sources import ChargingSources, charging_sources
from mule.plan.gear import Body, Drone, Gear, Other
from mule.plan.trip import BodyDay, Mains, PowerSchool, Stamina, Trip


class TypeDemand(NamedTuple):
    """What one type of pack, or one device's own battery, is asked for on a day. wh: of all its loads together."""

    store: str
    wh: float
    loads: tuple[PowerLoad, ...]


class DayCase(NamedTuple):
    """One day and the night after it. outside, pocket: shares that the cold leaves of packs there."""

    date: date
    celsius: float
    outside: float
    pocket: float
    needs: tuple[TypeDemand, ...]
    mains_h: float
    outlets: int
    car_h: float


@dataclass(frozen=True)
class PowerCase:
    """Everything the simulation looks at. counts: pieces loaded by item. sources: before a school takes some away.

    in_use: packs of each type that are in cameras and drones, and so in the cold. fed: things that a bank feeds.
    sun_w: what panels give under way. thorough: whether any choice of what is plugged in at night is tried.
    """

    gear: Mapping[str, Gear]
    counts: Mapping[str, int]
    mains: Mains | None
    settings: Stamina
    days: tuple[DayCase, ...]
    packs: tuple[PackKind, ...]
    banks: tuple[BankKind, ...]
    sources: ChargingSources
    in_use: Mapping[str, int]
    fed: frozenset[str] = frozenset()
    sun_w: float = 0.0
    thorough: bool = False
    # What is plugged in at night, by how much more is asked: found once (``mule.analysis.power.plugged``).
    plugged: dict[float, ChargingSources] = field(default_factory=dict, init=False, repr=False, compare=False)

    # Whether types carry, by settings and counts: every variant of a case shares it (``fewest.carries``).
    known: dict[tuple[Stamina, frozenset[tuple[str, int]]], dict[str, bool]] = field(
        default_factory=dict, repr=False, compare=False
    )

    @property
    def every_source(self) -> ChargingSources:
        """All that charges in the trip's school."""
        return self.sources.in_school(self.settings.power)

    @classmethod
    def of(cls, gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip) -> "PowerCase":
        """Compiles a trip. gear: by id, the whole locker. counts: pieces loaded by item id."""
        return cls(
            gear=gear,
            counts=counts,
            mains=trip.mains,
            settings=trip.stamina,
            days=_days(gear, counts, trip),
            packs=packs_of(gear, counts),
            banks=banks_of(gear, counts),
            sources=charging_sources(gear, counts, trip.mains),
            in_use=_in_use(gear, counts),
            fed=frozenset(i for i in counts if isinstance(t := gear[i], Other) and t.draws_w),
            sun_w=trip.stamina.solar
            * sum((t.solar_w or 0.0) * n for i, n in counts.items() if isinstance(t := gear[i], Other)),
        )

    def in_school(self, school: PowerSchool) -> "PowerCase":
        """The same with packs carried in another school."""
        return replace(self, settings=self.settings.model_copy(update={"power": school}))

    def with_packs(self, item: str, count: int) -> "PowerCase":
        """The same with so many packs of an item; what it charges them with is looked at anew only from or to none."""
        counts = _counted(self.counts, item, count)
        if count and item in self.counts:
            packs = tuple(replace(kind, count=count) if kind.item == item else kind for kind in self.packs)
            return replace(self, counts=counts, packs=packs)
        return self.with_counts(counts)

    def with_piece(self, item: str, more: int) -> "PowerCase":
        """The same with so many pieces more (or less) of something that charges, or of packs."""
        return self.with_counts(_counted(self.counts, item, self.counts.get(item, 0) + more))

    def with_counts(self, counts: Mapping[str, int]) -> "PowerCase":
        """The same days with other pieces loaded."""
        return replace(
            self,
            counts=counts,
            packs=packs_of(self.gear, counts),
            banks=banks_of(self.gear, counts),
            sources=charging_sources(self.gear, counts, self.mains),
        )


def _counted(counts: Mapping[str, int], item: str, count: int) -> dict[str, int]:
    """The counts with another number of one item; an item of none is not loaded."""
    changed = {**counts, item: count}
    return {i: n for i, n in changed.items() if n > 0}


def _days(gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip) -> tuple[DayCase, ...]:
    whole = nominal_wh(gear.values())
    # Days of one sort ask the same.
    known: dict[tuple[str | None, tuple[BodyDay, ...]], tuple[TypeDemand, ...]] = {}
    found = []
    for day in trip.days:
        key = day.pattern, day.bodies
        if key not in known:
            loads: dict[str, list[PowerLoad]] = {}
            for store, load in power_demands(gear, counts, trip, day, whole):
                loads.setdefault(store, []).append(load)
            known[key] = tuple(TypeDemand(store, sum(o.wh for o in of), tuple(of)) for store, of in loads.items())
        celsius, night = day.lowest_c + trip.stamina.warmer_c, trip.night(day)
        found.append(
            DayCase(
                date=day.date,
                celsius=celsius,
                outside=cold_derating(celsius),
                pocket=cold_derating(celsius, warm=True),
                needs=known[key],
                mains_h=night.mains_h,
                outlets=night.outlets,
                car_h=night.car_h,
            )
        )
    return tuple(found)


def _in_use(gear: Mapping[str, Gear], counts: Mapping[str, int]) -> dict[str, int]:
    found: dict[str, int] = {}
    for item, count in counts.items():
        thing = gear[item]
        if isinstance(thing, Body | Drone) and thing.battery_type:
            found[thing.battery_type] = found.get(thing.battery_type, 0) + count
    return found
