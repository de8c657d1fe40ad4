"""Named gear, bags, people and trips that the tests share. Figures are those of the worked examples."""

from typing import Any

from mule.plan import Plan
from mule.plan.carriers import Carrier, PieceRule
from mule.plan.gear import (
    Bag,
    Battery,
    Body,
    Box,
    Cylinder,
    Glass,
    Insert,
    Lens,
    MountAdapter,
    Safety,
    Soft,
    Teleconverter,
)
from mule.plan.kit import Entry, Kit
from mule.plan.places import AsPiece, InBag, PieceKind, Worn
from mule.plan.trip import Day, Leg, Person, Trait, TraitWish, Trip, Want

SMALL = Box(length_mm=130, width_mm=98, height_mm=72)


def body(id_: str = "body", **changes: Any) -> Body:
    """A full-frame body of 45 MP with a 1.5 crop mode; autofocus works to f/11."""
    data: dict[str, Any] = {
        "name": id_,
        "mass_g": 720,
        "size": SMALL,
        "mount": "K",
        "sensor_width_mm": 36.0,
        "sensor_height_mm": 24.0,
        "megapixels": 45,
        "crop_modes": (1.5,),
        "autofocus_min_aperture": 11,
        "sealed": True,
    }
    return Body(id=id_, **(data | changes))


def lens(id_: str, low: float, high: float, fast: float, slow: float | None = None, **changes: Any) -> Lens:
    """A full-frame lens ``low``-``high`` f/``fast``-``slow`` of 800 g."""
    data: dict[str, Any] = {
        "name": id_,
        "mass_g": 800,
        "size": Cylinder(diameter_mm=88, length_mm=124),
        "mount": "K",
        "focal_min_mm": low,
        "focal_max_mm": high,
        "f_at_min": fast,
        "f_at_max": slow or fast,
    }
    return Lens(id=id_, **(data | changes))


def normal_zoom(**changes: Any) -> Lens:
    """24-70 f/2.8."""
    return lens("normal", 24, 70, 2.8, **changes)


def tele_zoom(**changes: Any) -> Lens:
    """100-400 f/4.5-6.3 that names both converters."""
    return lens("tele", 100, 400, 4.5, 6.3, **({"takes_converters": ("x14", "x20")} | changes))


def converter(factor: float) -> Teleconverter:
    """``x14`` or ``x20``."""
    id_ = {1.4: "x14", 2.0: "x20"}[factor]
    return Teleconverter(id=id_, name=id_, mass_g=180, size=Cylinder(diameter_mm=62, length_mm=24), factor=factor)


def adapter(**changes: Any) -> MountAdapter:
    """From mount Old to mount K, with autofocus, sealed."""
    data: dict[str, Any] = {"lens_mount": "Old", "body_mount": "K", "autofocus": True, "sealed": True}
    return MountAdapter(
        id="adapter", name="adapter", mass_g=110, size=Cylinder(diameter_mm=70, length_mm=24), **(data | changes)
    )


def pocket(**changes: Any) -> Body:
    """A fixed-lens camera, 8.8-25.7 f/1.8-2.8 on a 13.2 x 8.8 mm sensor: 24-70 equivalent."""
    data: dict[str, Any] = {
        "mount": None,
        "fixed_lens": Glass(focal_min_mm=8.8, focal_max_mm=25.7, f_at_min=1.8, f_at_max=2.8),
        "sensor_width_mm": 13.2,
        "sensor_height_mm": 8.8,
        "megapixels": 20,
        "crop_modes": (),
        "mass_g": 300,
    }
    return body("pocket", **(data | changes))


def want(id_: str = "want", low: float = 24, high: float = 70, **changes: Any) -> Want:
    """A want of f/8 exposure and 20 MP without traits."""
    data: dict[str, Any] = {"name": id_, "max_f_number": 8, "megapixels": 20}
    return Want(id=id_, focal_min_mm=low, focal_max_mm=high, **(data | changes))


def wish(trait: Trait, *, essential: bool = False) -> TraitWish:
    """A wished trait."""
    return TraitWish(trait=trait, essential=essential)


def bag(id_: str = "bag", **changes: Any) -> Bag:
    """The cabin bag of the worked example: 54 x 38 x 24 cm; 1,400 g empty."""
    data: dict[str, Any] = {
        "name": id_,
        "mass_g": 1400,
        "size": Box(length_mm=540, width_mm=380, height_mm=240),
        "volume_l": 32,
    }
    return Bag(id=id_, **(data | changes))


def insert(id_: str = "cube") -> Insert:
    """A padded cube of 400 g."""
    return Insert(id=id_, name=id_, mass_g=400, size=Box(length_mm=300, width_mm=260, height_mm=150), volume_l=10)


def pack(**changes: Any) -> Battery:
    """Five packs of 82 g and 16 Wh."""
    data: dict[str, Any] = {"count": 5, "mass_g": 82, "battery_type": "LB-4", "energy_wh": 16}
    return Battery(id="pack", name="pack", size=Box(length_mm=52, width_mm=38, height_mm=23), **(data | changes))


def first_aid() -> Safety:
    """A safety thing of 240 g."""
    return Safety(id="first-aid", name="First aid", mass_g=240, size=Soft(volume_l=0.9), label="first aid")


CABIN = PieceKind.CABIN
HOLD = PieceKind.HOLD
PERSONAL = PieceKind.PERSONAL
ON_INES = Worn(person="ines")
INES_CABIN = AsPiece(piece=CABIN, person="ines")
MARIT_CABIN = AsPiece(piece=CABIN, person="marit")
IN_BAG = InBag(bag="bag")


def entry(item: str, place: Any = IN_BAG, count: int = 1) -> Entry:
    """A kit entry."""
    return Entry(item=item, count=count, place=place)


def carrier(id_: str = "air", **cabin: Any) -> Carrier:
    """A carrier with one rule, for the cabin bag."""
    return Carrier(id=id_, name=id_, pieces=(PieceRule(piece=CABIN, **cabin),) if cabin else ())


def trip(**changes: Any) -> Trip:
    """Two people, one day, no legs, one want 24-70."""
    data: dict[str, Any] = {
        "id": "trip",
        "name": "A trip",
        "people": (Person(id="ines", name="Ines", body_mass_kg=60), Person(id="marit", name="Marit", body_mass_kg=70)),
        "days": (Day(date="2027-02-20", title="First"),),
        "wants": (want(),),
    }
    return Trip(**(data | changes))


def kit(*entries: Entry, id_: str = "a") -> Kit:
    """A kit of these entries."""
    return Kit(id=id_, name=f"Kit {id_}", entries=entries)


def plan(gear: list[Any], *entries: Entry, carriers: tuple[Carrier, ...] = (), **trip_changes: Any) -> Plan:
    """A plan with one kit; when carriers are given, the trip has one leg with each."""
    if carriers and "legs" not in trip_changes:
        trip_changes["legs"] = tuple(Leg(id=f"leg-{c.id}", name=c.id, carrier=c.id) for c in carriers)
    return Plan(gear=tuple(gear), carriers=carriers, trip=trip(**trip_changes), kits=(kit(*entries),), open_kit="a")


def counts(*gear: Any) -> dict[str, int]:
    """One piece of each loaded."""
    return {thing.id: 1 for thing in gear}
