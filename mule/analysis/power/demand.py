"""What each day asks of each type of pack, in charges of a new one at 20 deg C (docs/domain/power.md)."""

from collections.abc import Iterable, Mapping
from typing import NamedTuple

from mule.analysis.power.answer import Part, PowerLoad, Unit
from mule.plan.gear import ON_A_ROLL, Battery, Body, Computer, Drone, Gear, Light, Other, Remote, Sound, Source
from mule.plan.trip import Day, Demand, Pattern, Trip

# What a body does on a charge when its data sheet was not read (typical of a mirrorless body).
TYPICAL_FRAMES = 400.0
TYPICAL_VIDEO_MIN = 90.0
TYPICAL_TIMELAPSE_H = 3.5
# Hours on one set of cells or one charge where nobody looked (estimates).
LAMP_H = {"flash": 4.0, "panel": 2.0, "torch": 10.0, "head-torch": 20.0}
REMOTE_H = 60.0
SOUND_H = 8.0
OTHER_H = 8.0
# A lamp with a battery inside of which nobody read the energy.
LAMP_WH = 4.0


# What is shot on film on a day where nobody said (estimate): a roll.
FILM_DAY = Demand(frames=ON_A_ROLL)


def on_film(thing: Gear) -> bool:
    """Whether a thing takes its pictures on film."""
    return isinstance(thing, Body) and thing.film is not None


class PowerDemand(NamedTuple):
    """What one thing draws on one day. store: a type of pack, or for a battery that stays inside the item's id."""

    store: str
    load: PowerLoad


def parts_of(body: Body, demand: Demand) -> tuple[Part, ...]:
    """A body's day in charges: frames, video and time-lapse, each by its own rate (docs/domain/power.md)."""
    told: tuple[tuple[float, Unit, float | None, float], ...] = (
        (demand.frames, "frames", body.frames_per_charge, TYPICAL_FRAMES),
        (demand.video_min, "video-min", body.video_min_per_charge, TYPICAL_VIDEO_MIN),
        (demand.timelapse_h, "timelapse-h", body.timelapse_h_per_charge, TYPICAL_TIMELAPSE_H),
    )
    source = body.rates_source
    return tuple(_part(amount, unit, rate, typical, source) for amount, unit, rate, typical in told if amount)


def camera_charges(body: Body, demand: Demand) -> float:
    """A body's day in charges of a new pack at 20 deg C."""
    return sum(part.amount / part.per_charge for part in parts_of(body, demand))


def _part(amount: float, unit: Unit, rate: float | None, typical: float, source: Source = Source.STATED) -> Part:
    if rate is None:
        return Part(amount=amount, unit=unit, per_charge=typical, source=Source.TYPICAL)
    return Part(amount=amount, unit=unit, per_charge=rate, source=source)


def nominal_wh(gear: Iterable[Gear]) -> dict[str, float]:
    """Energy of a new pack of each type: of several, the largest that is owned."""
    found: dict[str, float] = {}
    for thing in gear:
        if isinstance(thing, Battery):
            found[thing.battery_type] = max(thing.energy_wh, found.get(thing.battery_type, 0.0))
    return found


def inside_wh(thing: Gear) -> float | None:
    """Energy of a battery that stays inside a thing; None when it has none."""
    match thing:
        case Computer() | Other(energy_wh=float()) | Body(energy_wh=float()):
            return thing.energy_wh
        case Light(battery_type=None, form=form) if form != "flash" or thing.energy_wh:
            return thing.energy_wh or LAMP_WH
        case _:
            return None


def camera_demands(
    gear: Mapping[str, Gear], bodies: Mapping[str, int], trip: Trip, day: Day
) -> list[tuple[str, Demand]]:
    """What each camera does on a day: as said for it, else by the day's pattern, the first camera most.

    On film nobody shoots by the pattern: a roll. bodies: pieces of each body, in the order of the kit.
    """
    pattern, pace = trip.stamina.pattern(day.pattern), trip.stamina.pace
    said = {b.body: b.demand for b in day.bodies}
    found: list[tuple[str, Demand]] = []
    digital = 0
    for item, count in bodies.items():
        for _ in range(count):
            usual = FILM_DAY if on_film(gear[item]) else pattern.others if digital else pattern.first
            digital += usual is not FILM_DAY
            found.append((item, said.get(item, usual).paced(pace)))
    return found


def power_demands(
    gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip, day: Day, whole: Mapping[str, float]
) -> list[PowerDemand]:
    """Everything that draws on a day. whole: energy of a new pack of each type (``nominal_wh``)."""
    pattern = trip.stamina.pattern(day.pattern)
    bodies = {i: n for i, n in counts.items() if isinstance(gear[i], Body)}
    found: list[PowerDemand] = []
    trails_h = 0.0
    for item, demand in camera_demands(gear, bodies, trip, day):
        body = gear[item]
        assert isinstance(body, Body)
        trails_h = max(trails_h, demand.timelapse_h)
        if body.battery_type:
            # A type of which no pack is owned counts in charges of 1 Wh: nothing carries it anyway.
            found.append(_demand(body.battery_type, item, 1, parts_of(body, demand), whole.get(body.battery_type, 1.0)))
        elif body.energy_wh:
            found.append(_demand(item, item, 1, parts_of(body, demand), body.energy_wh))
    for item, count in counts.items():
        thing = gear[item]
        if not isinstance(thing, Computer | Drone | Light | Other | Remote | Sound):
            continue
        part, inside = _of_other(thing, pattern, trails_h), inside_wh(thing)
        if part is None or not part.amount:
            continue
        if isinstance(thing, Other) and thing.draws_w:
            # What a bank feeds is asked in charges of 1 Wh: hours at its watts.
            found.append(_demand(item, item, count, (_part(part.amount, "hours", 1 / thing.draws_w, 1.0),), 1.0))
        elif inside is not None:
            found.append(_demand(item, item, count, (part,), inside))
        elif not isinstance(thing, Computer) and (type_ := thing.battery_type):
            cells = thing.cells if isinstance(thing, Light | Other | Sound) else 1
            found.append(_demand(type_, item, cells * count, (part,), whole.get(type_, 1.0)))
    return [demand for demand in found if demand.load.wh > 0]


def _demand(store: str, item: str, times: int, parts: tuple[Part, ...], charge_wh: float) -> PowerDemand:
    charges = times * sum(part.amount / part.per_charge for part in parts)
    return PowerDemand(store, PowerLoad(item=item, charges=charges, wh=charges * charge_wh, times=times, parts=parts))


def _of_other(
    thing: Computer | Drone | Light | Other | Remote | Sound, pattern: Pattern, trails_h: float
) -> Part | None:
    """Charges, or sets of cells, that a thing other than a camera uses on a day."""
    match thing:
        case Computer(form=form):
            share = {"laptop": pattern.laptop, "tablet": pattern.tablet, "phone": pattern.phone}[form]
            return _part(share, "share", 1.0, 1.0)
        case Drone():
            return _part(pattern.flights, "flights", 1.0, 1.0)
        case Light(form="torch" | "head-torch" as form):
            return _part(pattern.torch_h, "hours", thing.runs_h, LAMP_H[form])
        case Light(form=form):
            return _part(pattern.light_h, "hours", thing.runs_h, LAMP_H[form])
        case Other(used_h=hours):
            return _part(hours, "hours", thing.runs_h, OTHER_H)
        case Remote():
            return _part(trails_h, "hours", thing.runs_h, REMOTE_H)
        case Sound(form="microphone" | "recorder"):
            return _part(pattern.first.video_min / 60, "hours", thing.runs_h, SOUND_H)
        case _:
            return None
