"""How few packs carry the trip, and what a bank, a charger, a lead or another school would save."""

from collections.abc import Collection, Iterable, Iterator, Mapping
from datetime import date
from math import ceil

from mule.gear import Battery, Charger, Gear, Link, PowerBank, at_hand
from mule.power.answer import TypeDay
from mule.power.cold import usable
from mule.power.demand import asks, nominal_wh
from mule.power.packs import BANK_YIELD
from mule.power.run import Run
from mule.trip import PowerSchool, Trip
from mule.units import Frozen

# Nobody carries more of one type.
MOST_PACKS = 200
# Cell voltage that makers of banks quote mAh at, and of common camera packs: only to show what is claimed.
_BANK_V = 3.6
_PACK_V = 7.2
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


class Saving(Frozen):
    """Something left behind that makes packs needless. packs: how many of the type; mass_g: grams of the exchange."""

    item: str
    type: str
    packs: int
    mass_g: float


class SchoolRow(Frozen):
    """A school of carrying power, on this trip. packs: fewest in all; grams: of them and what charges them.

    short_on: the first short day with what is loaded now. sockets: most used at one time in any night.
    """

    school: PowerSchool
    packs: int | None
    grams: float
    short_on: date | None
    sockets: int


class Claim(Frozen):
    """What a bank really gives: in Wh beside the mAh it is sold by. refills: of a pack of the type.

    claimed: refills that dividing mAh by mAh suggests, the common mistake (domain 4).
    """

    item: str
    energy_wh: float
    gives_wh: float
    type: str
    refills: float
    claimed: float


class PowerLoss(Frozen):
    """One piece that is lost or broken on the first day (domain 11). days: carried then; types: what runs short."""

    item: str
    days: int
    types: tuple[str, ...]


class PowerAdvice(Frozen):
    """The whole advice. losses: single pieces without which fewer days are carried, worst first."""

    fewest: tuple[Fewest, ...]
    savings: tuple[Saving, ...]
    schools: tuple[SchoolRow, ...]
    claims: tuple[Claim, ...]
    losses: tuple[PowerLoss, ...]


def _short(gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip) -> Iterator[TypeDay]:
    """Every type on every day that it does not carry with the margin, day by day."""
    run = Run(gear, counts, trip, trip.stamina.margin)
    for day in trip.days:
        types, _, _ = run.live(day)
        yield from (t for t in types if t.short)


def _carries(gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip, type_: str) -> bool:
    """Whether packs of a type carry every day with the margin."""
    return all(t.type != type_ for t in _short(gear, counts, trip))


def lacking(gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip) -> list[str]:
    """Types of packs that do not carry every day with the margin; batteries that stay inside devices do not count."""
    found = dict.fromkeys(t.type for t in _short(gear, counts, trip) if not t.bare)
    return [type_ for type_ in found if type_ not in counts]


def _counted(gear: Mapping[str, Gear], counts: Mapping[str, int], type_: str) -> Battery | None:
    """The pack that is counted: of the type the one loaded most often, else the lightest owned."""
    able = [t for t in gear.values() if isinstance(t, Battery) and t.battery_type == type_]
    return min(able, key=lambda t: (-counts.get(t.id, 0), t.mass_g), default=None)


def fewest(gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip, type_: str) -> Fewest:
    """Counts up from what the hardest day needs at the least until every day is carried.

    Other packs of the type, chargers and banks stay as loaded.
    """
    pack = _counted(gear, counts, type_)
    others = {i: n for i, n in counts.items() if pack is None or i != pack.id}
    loaded = sum(n for i, n in counts.items() if isinstance(t := gear[i], Battery) and t.battery_type == type_)
    beside = loaded - (counts.get(pack.id, 0) if pack else 0)
    if pack is None or pack.health <= 0:
        return Fewest(type=type_, item=pack.id if pack else None, packs=None, loaded=loaded, mass_g=0)
    low = 0 if beside else _at_least(gear, others, trip, pack)
    for n in range(low, MOST_PACKS + 1):
        if _carries(gear, {**others, pack.id: n} if n else others, trip, type_):
            add = n - counts.get(pack.id, 0)
            return Fewest(type=type_, item=pack.id, packs=n + beside, loaded=loaded, mass_g=add * pack.mass_g)
    return Fewest(type=type_, item=pack.id, packs=None, loaded=loaded, mass_g=0)


def _at_least(gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip, pack: Battery) -> int:
    """Packs without which the hardest day cannot be carried, whatever is charged by night."""
    if trip.stamina.power == "bank-by-day":
        return 0
    most = 0.0
    whole = nominal_wh(gear.values())
    for day in trip.days:
        need = sum(ask.eater.wh for ask in asks(gear, counts, trip, day, whole) if ask.store == pack.battery_type)
        celsius = day.lowest_c + trip.stamina.warmer_c
        share = usable(celsius, warm=trip.stamina.warm != "none")
        most = max(most, need * (1 + trip.stamina.margin) / (pack.energy_wh * pack.health * share))
    return min(MOST_PACKS, max(0, ceil(most - 1e-6)))


def _asked_types(gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip) -> list[str]:
    """Types of packs that something loaded eats on some day; batteries inside devices are not counted."""
    whole = nominal_wh(gear.values())
    found = dict.fromkeys(ask.store for day in trip.days for ask in asks(gear, counts, trip, day, whole))
    return [type_ for type_ in found if type_ not in counts]


def advise(gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip) -> PowerAdvice:
    """Fewest packs of each type, what would save some, the schools side by side, and what banks really give."""
    types = _asked_types(gear, counts, trip)
    need = {type_: fewest(gear, counts, trip, type_) for type_ in types}
    return PowerAdvice(
        fewest=tuple(need.values()),
        savings=tuple(_savings(gear, counts, trip, need)),
        schools=tuple(_school(gear, counts, trip, need, school) for school in SCHOOLS),
        claims=tuple(_claims(gear, counts, types)),
        losses=tuple(sorted(_losses(gear, counts, trip), key=lambda loss: loss.days)),
    )


def _losses(gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip) -> Iterable[PowerLoss]:
    """Each pack, charger, bank and lead lost in turn; the margin is not asked for then."""
    # A type of which nothing is loaded now is a missing link already, not a loss.
    run = Run(gear, counts, trip, 0.0)
    counted = {t.type for day in trip.days for t in run.live(day)[0] if not t.bare}
    now, _ = _days_carried(gear, counts, trip, counted)
    for item, count in counts.items():
        if isinstance(gear[item], Battery | Charger | PowerBank | Link):
            rest = {i: n for i, n in counts.items() if i != item} | ({item: count - 1} if count > 1 else {})
            days, types = _days_carried(gear, rest, trip, counted)
            if days < now:
                yield PowerLoss(item=item, days=days, types=types)


def _days_carried(
    gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip, counted: Collection[str]
) -> tuple[int, tuple[str, ...]]:
    """Days before the first on which a type that is counted runs short, and what runs short on that."""
    run = Run(gear, counts, trip, 0.0)
    for index, day in enumerate(trip.days):
        types, _, _ = run.live(day)
        if short := tuple(t.type for t in types if t.short and t.type in counted):
            return index, short
    return len(trip.days), ()


def _savings(
    gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip, need: Mapping[str, Fewest]
) -> Iterable[Saving]:
    """The lightest bank, charger, plug and lead that lie at hand, each by itself."""
    for type_, now in need.items():
        pack = gear[now.item] if now.item else None
        if now.packs is None or now.packs < 2 or not isinstance(pack, Battery) or not pack.rechargeable:
            continue
        for things in _helpers(gear, counts, type_):
            thing = min(things, key=lambda t: t.mass_g)
            then = fewest(gear, {**counts, thing.id: counts.get(thing.id, 0) + 1}, trip, type_)
            if then.packs is not None and then.packs < now.packs:
                saved = now.packs - then.packs
                yield Saving(item=thing.id, type=type_, packs=saved, mass_g=thing.mass_g - saved * pack.mass_g)


def _helpers(gear: Mapping[str, Gear], counts: Mapping[str, int], type_: str) -> list[list[Gear]]:
    """What lies at hand that could help packs of a type, sort by sort: banks, chargers, plugs, extension leads."""
    sorts: dict[object, list[Gear]] = {}
    for thing in gear.values():
        if not at_hand(thing) or thing.count <= counts.get(thing.id, 0):
            continue
        match thing:
            case PowerBank():
                sorts.setdefault("bank", []).append(thing)
            case Charger(battery_types=types) if type_ in types:
                sorts.setdefault(("charger", thing.input), []).append(thing)
            case Link(from_plug=plug, to_ports=ports) if len(plug) == 1:
                sorts.setdefault(("lead", len(ports[0]) == 1), []).append(thing)
    return list(sorts.values())


def relief(gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip, type_: str) -> list[Gear]:
    """Banks, chargers and leads at hand of which one alone makes the loaded packs carry every day, lightest first."""
    able = sorted((t for things in _helpers(gear, counts, type_) for t in things), key=lambda t: t.mass_g)
    return [t for t in able if _carries(gear, {**counts, t.id: counts.get(t.id, 0) + 1}, trip, type_)]


def schools_that_carry(
    gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip, type_: str
) -> list[PowerSchool]:
    """Other schools in which the loaded packs of a type carry every day with the margin."""
    others = [school for school in SCHOOLS if school != trip.stamina.power]
    return [school for school in others if _carries(gear, counts, trip.with_stamina(power=school), type_)]


def _school(
    gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip, need: Mapping[str, Fewest], school: PowerSchool
) -> SchoolRow:
    """need: fewest packs of each type in the trip's own school."""
    schooled = trip.with_stamina(power=school)
    own = school == trip.stamina.power
    found = [now if own else fewest(gear, counts, schooled, type_) for type_, now in need.items() if now.item]
    run = Run(gear, counts, schooled, 0.0)
    short, sockets = None, 0
    for day in schooled.days:
        seen, _, night = run.live(day)
        if short is None and any(t.short and not t.bare for t in seen):
            short = day.date
        sockets = max([sockets, *(c.socket for c in night.charges if not c.source.startswith("bank"))])
    packs = [f.packs for f in found]
    grams = sum(gear[f.item].mass_g * f.packs for f in found if f.item and f.packs)
    kinds = {"packs-only": (), "usb-c": (PowerBank, Link), "charge-nightly": (Charger, Link)}.get(
        school, (Charger, Link, PowerBank)
    )
    grams += sum(gear[i].mass_g * n for i, n in counts.items() if kinds and isinstance(gear[i], kinds))
    return SchoolRow(
        school=school,
        packs=None if None in packs else sum(p for p in packs if p is not None),
        grams=grams,
        short_on=short,
        sockets=sockets,
    )


def _claims(gear: Mapping[str, Gear], counts: Mapping[str, int], types: Iterable[str]) -> Iterable[Claim]:
    whole = nominal_wh(gear.values())
    asked = [t for t in types if whole.get(t)]
    for item in counts:
        bank = gear[item]
        if isinstance(bank, PowerBank):
            for type_ in asked[:1]:
                gives = bank.energy_wh * BANK_YIELD
                yield Claim(
                    item=item,
                    energy_wh=bank.energy_wh,
                    gives_wh=gives,
                    type=type_,
                    refills=gives / whole[type_],
                    claimed=(bank.energy_wh / _BANK_V) / (whole[type_] / _PACK_V),
                )
