"""What nobody here owns: typical things to buy, hire or borrow, for a trial.

Figures are typical of their kind (estimate, docs/algorithms/cures.md); what is got in the end has its own.
"""

from collections.abc import Callable, Iterable, Mapping
from math import sqrt
from typing import Any

from mule.analysis.optics import crop_factor
from mule.findings.cure import Cure, CureCode, ToGet
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
_SAME = "same"
# What a drone that nobody owns flies on.
DRONE_PACK = "drone"


def to_get(
    what: str,
    mass_g: float = 0.0,
    label: str = "",
    *,
    item: str | None = None,
    count: int = 1,
    numbers: Mapping[str, float] | None = None,
) -> Cure:
    """The cure that gets something; mass_g: of one, where ``typical`` does not know it."""
    usual = _MASS_G.get(what, mass_g)
    if what == "pack":
        usual = _CELLS.get(label, _PACK)[1]
    got = ToGet(what=what, label=label, item=item, count=count, mass_g=mass_g or usual, numbers=dict(numbers or {}))
    return Cure(code=CureCode.GET, gets=(got,))


def both(one: Cure, other: Cure) -> Cure:
    """Gets what two cures get."""
    return one.model_copy(update={"gets": (*one.gets, *other.gets)})


def can_get(what: str) -> bool:
    """Whether there is a typical one of a link or kind."""
    return what in _MADE


def with_gets(plan: Plan, gets: Iterable[ToGet]) -> tuple[Plan, tuple[Edit, ...]]:
    """The plan as if these had been got, and the edits that load them."""
    gear, edits = list(plan.gear), list[Edit]()
    for index, got in enumerate(gets):
        if got.item and got.what == _SAME:
            at = next(i for i, thing in enumerate(gear) if thing.id == got.item)
            owned = gear[at]
            gear[at] = owned.model_copy(update={"count": owned.count + got.count})
            edits.append(Load(item=got.item, count=got.count))
        elif made := _MADE.get(got.what):
            id_ = f"to-get-{index}"
            basics = {"id": id_, "name": got.what, "count": got.count, "mass_g": got.mass_g} | _TYPICAL
            gear.append(made(basics, got, plan))
            edits.append(Load(item=id_, count=got.count))
    return plan.with_gear(tuple(gear)), tuple(edits)


_TYPICAL: dict[str, Any] = {
    "size": Box(length_mm=80, width_mm=50, height_mm=25),
    "mass_source": Source.TYPICAL,
    "size_source": Source.TYPICAL,
}
_MASS_G: Mapping[str, float] = {
    "bag": 1400,
    "card": 2,
    "charger": 90,
    "drive": 60,
    "filter": 40,
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


def lens_mass_g(focal_mm: float, f_number: float) -> float:
    """Grams of a typical full-frame lens by the width of its front: 400 g and 0.2 g per mm^2 (estimate)."""
    return 400 + 0.2 * (focal_mm / f_number) ** 2


def _pack(basics: dict[str, Any], got: ToGet, plan: Plan) -> Gear:
    wh = _CELLS.get(got.label, _PACK)[0]
    cell = got.label in _CELLS
    return Battery(**basics, battery_type=got.label, energy_wh=wh, lithium=not cell, rechargeable=not cell)


def _lens(basics: dict[str, Any], got: ToGet, plan: Plan) -> Gear:
    """On the mount of a loaded body, with the focal lengths as seen by a full frame told in the numbers."""
    bodies = [t for i in plan.loaded if isinstance(t := plan.items[i], Body) and t.mount]
    body = max(bodies, key=lambda b: b.sensor_width_mm)
    factor = crop_factor(body.sensor_width_mm, body.sensor_height_mm)
    low, high, f_number = got.numbers["from_mm"], got.numbers["to_mm"], got.numbers["f_number"]
    side = 40 + high / f_number
    basics |= {"size": Box(length_mm=60 + 25 * sqrt(high), width_mm=side, height_mm=side)}
    focal = {"focal_min_mm": low / factor, "focal_max_mm": high / factor}
    return Lens(**basics, mount=body.mount, **focal, f_at_min=f_number, f_at_max=f_number)


def _filter(basics: dict[str, Any], got: ToGet, plan: Plan) -> Gear:
    effect: Any = got.label
    return Filter(**basics, effect=effect, thread_mm=got.numbers["thread_mm"], stops=got.numbers.get("stops"))


def _bag(basics: dict[str, Any], got: ToGet, plan: Plan) -> Gear:
    basics |= {"size": Box(length_mm=530, width_mm=340, height_mm=220)}
    return Bag(**basics, volume_l=got.numbers["litres"])


def _laptop(basics: dict[str, Any], got: ToGet, plan: Plan) -> Gear:
    """With slots for the cards that are loaded: it reads them by itself."""
    types = dict.fromkeys(t.card_type for i in plan.loaded if isinstance(t := plan.items[i], Card))
    basics |= {"size": Box(length_mm=300, width_mm=210, height_mm=16)}
    ports = (_USB, _USB, *types)
    return Computer(**basics, form="laptop", screen_in=13, energy_wh=50, storage_gb=500, ports=ports[:12])


_Made = Callable[[dict[str, Any], ToGet, Plan], Gear]
_MADE: Mapping[str, _Made] = {
    "bag": _bag,
    "card": lambda b, got, _: Card(**b, card_type=got.label.split(" or ")[0], capacity_gb=128, speed_mb_s=200),
    "charger": lambda b, got, _: Charger(**b, battery_types=(got.label,), bays=2, hours_per_charge=2.5),
    "drive": lambda b, got, _: Drive(**b, capacity_gb=1000, plug=_USB, speed_mb_s=400),
    "filter": _filter,
    "head": lambda b, got, _: Head(**b, plate_type=got.label or ANY_PLUG, max_load_g=8000),
    "head-torch": lambda b, got, _: Light(**b, form="head-torch", energy_wh=4, runs_h=20),
    "lens": _lens,
    "pack": _pack,
    "plate": lambda b, got, _: Plate(**b, plate_type=got.label),
    "power-bank": lambda b, got, _: PowerBank(**b, energy_wh=74, output_w=45, ports=2),
    "reader": lambda b, got, _: Reader(**b, card_types=(got.label,), plug=_USB, speed_mb_s=300),
    "cover": lambda b, got, _: Other(**b, purpose=Purpose.COVER),
    "tripod": lambda b, got, _: Tripod(
        **b | {"size": Box(length_mm=450, width_mm=110, height_mm=110)},
        max_load_g=8000,
        max_height_mm=1500,
        head_included=True,
    ),
    "light": lambda b, got, _: Light(**b, form="panel", energy_wh=15, runs_h=2),
    "sound": lambda b, got, _: Sound(**b, form="microphone"),
    "drone": lambda b, got, _: Drone(
        **b, battery_type=DRONE_PACK, flight_min=30, megapixels=20, takeoff_mass_g=got.mass_g, needs_phone=False
    ),
    "housing": lambda b, got, _: Other(**b, label="housing", serves="housing"),
    "remote": lambda b, got, _: Remote(**b, socket="radio"),
    "laptop": _laptop,
    "lead": lambda b, got, _: Link(**b, from_plug=_USB, to_ports=(got.label,)),
    "refill": lambda b, got, _: Other(**b, label="refill", refill=got.label),
    "film": lambda b, got, _: Other(**b, label="film", refill=got.label, frames=ON_A_ROLL, hazard="film"),
    "safety": lambda b, got, _: Safety(**b, label=got.label),
    "usb-power": lambda b, got, _: Link(**b, from_plug=ANY_PLUG, to_ports=(_USB, _USB), rating_w=45),
    "wall": lambda b, got, _: Link(**b, from_plug=ANY_PLUG, to_ports=(got.label,)),
}
