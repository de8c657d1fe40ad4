"""How few packs carry a trip, and what left at home would spare some (docs/domain/power.md)."""

from collections.abc import Iterator, Mapping
from math import ceil

from mule.analysis.power.answer import TypeDay
from mule.analysis.power.case import PowerCase
from mule.analysis.power.run import Run
from mule.base.units import Frozen
from mule.plan.gear import Battery, Charger, Gear, Link, PowerBank, at_hand
from mule.plan.trip import PowerSchool

# Nobody carries more of one type.
MOST_PACKS = 200
SCHOOLS: tuple[PowerSchool, ...] = ("packs-only", "charge-nightly", "bank-by-day", "usb-c")


class Fewest(Frozen):
    """Fewest packs of a type that carry every day with the margin. item: the pack counted; None when none is owned.

    packs: in all, None when no number does. loaded: now. mass_g: of the packs to add (less than 0: to leave).
    """

    type: str
    item: str | None
    packs: int | None
    loaded: int
    mass_g: float


def _short(case: PowerCase) -> Iterator[TypeDay]:
    """Every type on every day that it does not carry with the margin, day by day."""
    run = Run(case, case.settings.margin)
    for day in case.days:
        yield from (use for use in run.live(day) if use.short)
        run.sleep(day)


def carries(case: PowerCase, type_: str) -> bool:
    """Whether packs of a type carry every day with the margin. What one run says of all types is remembered."""
    known = case.known.setdefault((case.settings, frozenset(case.counts.items())), {})
    if type_ not in known:
        for use in _short(case):
            known[use.type] = False
            if use.type == type_:
                return False
        for need in (need for day in case.days for need in day.needs):
            known.setdefault(need.store, True)
        known.setdefault(type_, True)
    return known[type_]


def types_lacking(case: PowerCase) -> frozenset[str]:
    """What does not carry every day with the margin: types of packs, of which there may be none at all, and devices."""
    have = {kind.store for kind in case.packs}
    short = (use.type for use in _short(case) if not use.bare)
    return frozenset((*short, *(type_ for type_ in types_asked(case) if type_ not in have)))


def types_asked(case: PowerCase) -> list[str]:
    """Types of packs that something loaded draws on some day; batteries inside devices are not counted."""
    found = dict.fromkeys(need.store for day in case.days for need in day.needs)
    return [type_ for type_ in found if type_ not in case.counts]


def counted(case: PowerCase, type_: str) -> Battery | None:
    """The pack that is counted: of the type the one loaded most often, else the lightest owned."""
    able = [t for t in case.gear.values() if isinstance(t, Battery) and t.battery_type == type_]
    return min(able, key=lambda t: (-case.counts.get(t.id, 0), t.mass_g), default=None)


def fewest(case: PowerCase, type_: str) -> Fewest:
    """The fewest packs of a type that carry every day; other packs of the type, chargers and banks stay as loaded.

    Halves: more packs never carry fewer days (docs/domain/power.md), so what lies between is known.
    """
    pack, counts = counted(case, type_), case.counts
    loaded = sum(kind.count for kind in case.packs if kind.store == type_)
    beside = loaded - (counts.get(pack.id, 0) if pack else 0)
    packs = None
    if pack is not None and pack.health > 0:
        packs = _fewest_of(case, type_, pack, 0 if beside else _at_least(case, pack))
    return Fewest(
        type=type_,
        item=pack.id if pack else None,
        packs=None if packs is None else packs + beside,
        loaded=loaded,
        mass_g=0 if packs is None or pack is None else (packs - counts.get(pack.id, 0)) * pack.mass_g,
    )


def _fewest_of(case: PowerCase, type_: str, pack: Battery, low: int) -> int | None:
    """The least number of one pack that carries, from ``low`` on; None when as many as anybody carries do not."""
    step, high = 1, low
    while not carries(case.with_packs(pack.id, high), type_):
        if high >= MOST_PACKS:
            return None
        low, high, step = high + 1, min(MOST_PACKS, high + step), step * 2
    while low < high:
        middle = (low + high) // 2
        if carries(case.with_packs(pack.id, middle), type_):
            high = middle
        else:
            low = middle + 1
    return high


def _at_least(case: PowerCase, pack: Battery) -> int:
    """Packs without which the hardest day cannot be carried, whatever is charged by night."""
    settings = case.settings
    if settings.power == "bank-by-day":
        return 0
    most = 0.0
    for day in case.days:
        need = next((need.wh for need in day.needs if need.store == pack.battery_type), 0.0)
        share = day.outside if settings.warm == "none" else day.pocket
        most = max(most, need * (1 + settings.margin) / (pack.energy_wh * pack.health * share))
    return min(MOST_PACKS, max(0, ceil(most - 1e-6)))


def helpers(case: PowerCase, type_: str) -> list[list[Gear]]:
    """What lies at hand that could help packs of a type, kind by kind: banks, chargers, plugs, extension leads."""
    kinds: dict[object, list[Gear]] = {}
    for thing in case.gear.values():
        match thing:
            case PowerBank():
                kind: object = "bank"
            case Charger(battery_types=types) if type_ in types:
                kind = ("charger", thing.input)
            case Link(from_plug=plug, to_ports=ports) if len(plug) == 1:
                kind = ("lead", len(ports[0]) == 1)
            case _:
                continue
        if at_hand(thing) and thing.count > case.counts.get(thing.id, 0):
            kinds.setdefault(kind, []).append(thing)
    return list(kinds.values())


def relief(case: PowerCase, type_: str) -> Iterator[Gear]:
    """Banks, chargers and leads at hand of which one alone makes the loaded packs carry every day, lightest first.

    Each is tried only when it is asked for.
    """
    able = sorted((t for things in helpers(case, type_) for t in things), key=lambda t: t.mass_g)
    return (t for t in able if carries(case.with_piece(t.id, 1), type_))


def schools_that_carry(case: PowerCase, type_: str) -> list[PowerSchool]:
    """Other schools in which the loaded packs of a type carry every day with the margin."""
    others = [school for school in SCHOOLS if school != case.settings.power]
    return [school for school in others if carries(case.in_school(school), type_)]


def grams_of(gear: Mapping[str, Gear], counts: Mapping[str, int], kinds: tuple[type, ...]) -> float:
    """Grams of all loaded things of some kinds."""
    return sum(gear[i].mass_g * n for i, n in counts.items() if isinstance(gear[i], kinds))
