"""What nobody here owns: typical things to buy, hire or borrow, for a trial.

Figures are typical of their kind (estimate, docs/algorithms/cures.md); what is got in the end has its own.
"""

from collections.abc import Callable, Iterable, Mapping
from math import sqrt
from typing import Any, cast

from mule.analysis.optics import crop_factor
from mule.findings.codes import CureCode
from mule.findings.said.cure import Doing
from mule.findings.said.gets import GetBag, GetFilter, GetLens, GetMore, GetUsual, ToGet, UsualSort
from mule.plan import Plan
from mule.plan.edits import Edit, Load
from mule.plan.gear import (
    ANY_PLUG,
    ON_A_ROLL,
    Bag,
    Battery,
    Body,
    Box,
    Card,
    Charger,
    Computer,
    Drive,
    Drone,
    Effect,
    Filter,
    Gear,
    Head,
    Lens,
    Light,
    Link,
    Other,
    Plate,
    PowerBank,
    Reader,
    Remote,
    Safety,
    Sound,
    Tripod,
)
from mule.plan.gear.base import Source
from mule.plan.purposes import Purpose

_USB = "USB-C"
# Cells by size (IEC 60086), and any other pack: of a large camera.
_CELLS = {"AA": (2.5, 26.0), "AAA": (1.1, 12.0)}
_PACK = (14.0, 80.0)
# Links that a thing of another name gives.
_GIVEN_BY = {"bank": "power-bank"}
# What a drone that nobody owns flies on.
DRONE_PACK = "drone"


def to_get(*gets: ToGet, edits: tuple[Edit, ...] = ()) -> Doing:
    """The cure that gets these. edits: what is done as well with things that are here."""
    named = tuple(got.model_copy(update={"id": f"{got.id}-{index}"}) for index, got in enumerate(gets))
    return Doing(code=CureCode.GET, gets=named, edits=edits)


def usual(what: UsualSort, label: str = "", count: int = 1) -> GetUsual:
    """The usual one of a sort."""
    mass_g = _CELLS.get(label, _PACK)[1] if what == "pack" else _MASS_G[what]
    return GetUsual(what=what, label=label, count=count, mass_g=mass_g)


def more_of(thing: Gear, count: int = 1) -> GetMore:
    """More of a thing that is owned."""
    return GetMore(item=thing.id, count=count, mass_g=thing.mass_g)


def cabin_bag() -> GetBag:
    """The usual bag for the cabin."""
    return GetBag(volume_l=_CABIN_L, mass_g=_CABIN_BAG_G)


def lens_that_sees(from_mm: float, to_mm: float, f_number: float) -> GetLens:
    """A lens for a stretch of full-frame focal lengths."""
    return GetLens(from_mm=from_mm, to_mm=to_mm, f_number=f_number, mass_g=_lens_mass_g(to_mm, f_number))


def filter_for_thread(effect: Effect, thread_mm: float, stops: float | None) -> GetFilter:
    """A filter that is screwed on."""
    return GetFilter(effect=effect, thread_mm=thread_mm, stops=stops, mass_g=_FILTER_G)


def usual_sort(link: str) -> UsualSort | None:
    """What there is a typical one of that gives a link; None where there is none."""
    given = _GIVEN_BY.get(link, link)
    return cast(UsualSort, given) if given in _USUAL else None


def with_gets(plan: Plan, gets: Iterable[ToGet]) -> tuple[Plan, tuple[Edit, ...]]:
    """The plan as if these had been got, and the edits that load them."""
    gear, edits = list(plan.gear), list[Edit]()
    for got in gets:
        if isinstance(got, GetMore):
            at = next(i for i, thing in enumerate(gear) if thing.id == got.item)
            owned = gear[at]
            gear[at] = owned.model_copy(update={"count": owned.count + got.count})
            edits.append(Load(item=got.item, count=got.count))
        else:
            thing = _made(got, plan)
            gear.append(thing)
            edits.append(Load(item=thing.id, count=got.count))
    return plan.with_gear(tuple(gear)), tuple(edits)


def _made(got: GetUsual | GetBag | GetLens | GetFilter, plan: Plan) -> Gear:
    """The thing itself, as it typically is."""
    basics: dict[str, Any] = {"id": got.id, "name": got.what, "count": got.count, "mass_g": got.mass_g} | _TYPICAL
    match got:
        case GetBag():
            return Bag(**basics | {"size": Box(length_mm=530, width_mm=340, height_mm=220)}, volume_l=got.volume_l)
        case GetLens():
            return _lens(basics, got, plan)
        case GetFilter():
            return Filter(**basics, effect=got.effect, thread_mm=got.thread_mm, stops=got.stops)
        case GetUsual():
            return _USUAL[got.what](basics, got.label, plan)


_TYPICAL: dict[str, Any] = {
    "size": Box(length_mm=80, width_mm=50, height_mm=25),
    "mass_source": Source.TYPICAL,
    "size_source": Source.TYPICAL,
}
# A cabin bag that most carriers take.
_CABIN_L = 35.0
_CABIN_BAG_G = 1400.0
_FILTER_G = 40.0
_MASS_G: Mapping[str, float] = {
    "card": 2,
    "charger": 90,
    "drive": 60,
    "head": 350,
    "head-torch": 80,
    "plate": 60,
    "power-bank": 360,
    "light": 330,
    "sound": 90,
    "drone": 720,
    "housing": 1800,
    "remote": 40,
    "lead": 30,
    "laptop": 1250,
    "refill": 60,
    "film": 25,
    "safety": 300,
    "reader": 30,
    "tripod": 1300,
    "cover": 60,
    "usb-power": 80,
    "wall": 50,
}


def _lens_mass_g(focal_mm: float, f_number: float) -> float:
    """Grams of a typical full-frame lens by the width of its front: 400 g and 0.2 g per mm^2 (estimate)."""
    return 400 + 0.2 * (focal_mm / f_number) ** 2


def _pack(basics: dict[str, Any], label: str, plan: Plan) -> Gear:
    wh = _CELLS.get(label, _PACK)[0]
    cell = label in _CELLS
    return Battery(**basics, battery_type=label, energy_wh=wh, lithium=not cell, rechargeable=not cell)


def _lens(basics: dict[str, Any], got: GetLens, plan: Plan) -> Gear:
    """On the mount of a loaded body."""
    bodies = [t for i in plan.loaded if isinstance(t := plan.items[i], Body) and t.mount]
    body = max(bodies, key=lambda b: b.sensor_width_mm)
    factor = crop_factor(body.sensor_width_mm, body.sensor_height_mm)
    low, high, f_number = got.from_mm, got.to_mm, got.f_number
    side = 40 + high / f_number
    basics |= {"size": Box(length_mm=60 + 25 * sqrt(high), width_mm=side, height_mm=side)}
    focal = {"focal_min_mm": low / factor, "focal_max_mm": high / factor}
    return Lens(**basics, mount=body.mount, **focal, f_at_min=f_number, f_at_max=f_number)


def _laptop(basics: dict[str, Any], label: str, plan: Plan) -> Gear:
    """With slots for the cards that are loaded: it reads them by itself."""
    types = dict.fromkeys(t.card_type for i in plan.loaded if isinstance(t := plan.items[i], Card))
    basics |= {"size": Box(length_mm=300, width_mm=210, height_mm=16)}
    ports = (_USB, _USB, *types)
    return Computer(**basics, form="laptop", screen_in=13, energy_wh=50, storage_gb=500, ports=ports[:12])


_Made = Callable[[dict[str, Any], str, Plan], Gear]
_USUAL: Mapping[UsualSort, _Made] = {
    "card": lambda b, label, _: Card(**b, card_type=label.split(" or ")[0], capacity_gb=128, speed_mb_s=200),
    "charger": lambda b, label, _: Charger(**b, battery_types=(label,), bays=2, hours_per_charge=2.5),
    "drive": lambda b, label, _: Drive(**b, capacity_gb=1000, plug=_USB, speed_mb_s=400),
    "head": lambda b, label, _: Head(**b, plate_type=label or ANY_PLUG, max_load_g=8000),
    "head-torch": lambda b, label, _: Light(**b, form="head-torch", energy_wh=4, runs_h=20),
    "pack": _pack,
    "plate": lambda b, label, _: Plate(**b, plate_type=label),
    "power-bank": lambda b, label, _: PowerBank(**b, energy_wh=74, output_w=45, ports=2),
    "reader": lambda b, label, _: Reader(**b, card_types=(label,), plug=_USB, speed_mb_s=300),
    "cover": lambda b, label, _: Other(**b, purpose=Purpose.COVER),
    "tripod": lambda b, label, _: Tripod(
        **b | {"size": Box(length_mm=450, width_mm=110, height_mm=110)},
        max_load_g=8000,
        max_height_mm=1500,
        head_included=True,
    ),
    "light": lambda b, label, _: Light(**b, form="panel", energy_wh=15, runs_h=2),
    "sound": lambda b, label, _: Sound(**b, form="microphone"),
    "drone": lambda b, label, _: Drone(
        **b, battery_type=DRONE_PACK, flight_min=30, megapixels=20, takeoff_mass_g=b["mass_g"], needs_phone=False
    ),
    "housing": lambda b, label, _: Other(**b, label="housing", serves="housing"),
    "remote": lambda b, label, _: Remote(**b, socket="radio"),
    "laptop": _laptop,
    "lead": lambda b, label, _: Link(**b, from_plug=_USB, to_ports=(label,)),
    "refill": lambda b, label, _: Other(**b, label="refill", refill=label),
    "film": lambda b, label, _: Other(**b, label="film", refill=label, frames=ON_A_ROLL, hazard="film"),
    "safety": lambda b, label, _: Safety(**b, label=label),
    "usb-power": lambda b, label, _: Link(**b, from_plug=ANY_PLUG, to_ports=(_USB, _USB), rating_w=45),
    "wall": lambda b, label, _: Link(**b, from_plug=ANY_PLUG, to_ports=(label,)),
}
