"""What is owned: one frozen model per kind, one union told apart by ``kind``."""

from typing import Annotated, Any, get_args

from pydantic import Field, TypeAdapter, ValidationError

from mule.base.errors import InvalidInput, Problem, invalid, shorten
from mule.plan.gear.aids import AIDS, SUPPORT, Ask, holds_still, serves
from mule.plan.gear.base import (
    Absence,
    AbsenceReason,
    Box,
    Cylinder,
    Group,
    Size,
    Soft,
    Source,
    Standing,
    Thing,
    at_hand,
)
from mule.plan.gear.carry import Bag, Compartment, Insert
from mule.plan.gear.extras import (
    ON_A_ROLL,
    Drone,
    Light,
    Other,
    Remote,
    Safety,
    Sound,
    is_bladder,
    is_for,
    is_water,
    keeps_safe,
)
from mule.plan.gear.glass import Effect, Filter, FilterHolder, StepRing
from mule.plan.gear.media import (
    ANY_PLUG,
    MOST_LINKS,
    Card,
    Computer,
    Drive,
    Link,
    Reader,
    back_each_other_up,
    fits_wall,
)
from mule.plan.gear.named import named_elsewhere
from mule.plan.gear.naming import words_of
from mule.plan.gear.optical import Body, CardSlot, Glass, Lens, MountAdapter, Teleconverter, is_zoom, twins
from mule.plan.gear.power import Battery, Charger, PowerBank
from mule.plan.gear.support import Head, OtherSupport, Plate, Tripod

Gear = Annotated[
    Body
    | Lens
    | Teleconverter
    | MountAdapter
    | Filter
    | StepRing
    | FilterHolder
    | Battery
    | Charger
    | PowerBank
    | Card
    | Reader
    | Drive
    | Computer
    | Link
    | Tripod
    | OtherSupport
    | Head
    | Plate
    | Light
    | Sound
    | Remote
    | Drone
    | Bag
    | Insert
    | Safety
    | Other,
    Field(discriminator="kind"),
]

GEAR: TypeAdapter[Gear] = TypeAdapter(Gear)
KINDS: tuple[type[Thing], ...] = get_args(get_args(Gear)[0])

KIND_NAMES: tuple[str, ...] = tuple(kind.model_fields["kind"].default for kind in KINDS)


def parse(data: Any) -> Gear:
    """A thing from its JSON shape. Raises InvalidInput with one problem per wrong field.

    >>> parse({"kind": "safety", "id": "aid", "name": "First aid", "label": "first aid"})
    Traceback (most recent call last):
    mule.base.errors.InvalidInput: mass_g: enter the mass; size: enter the size
    """
    kind = data.get("kind") if isinstance(data, dict) else None
    if kind not in KIND_NAMES:
        raise InvalidInput([Problem("kind", shorten(kind), "must be one of " + ", ".join(KIND_NAMES))])
    try:
        return GEAR.validate_python(data)
    except ValidationError as error:
        raise invalid(error, root="thing") from error


__all__ = [
    "AIDS",
    "ANY_PLUG",
    "GEAR",
    "KINDS",
    "KIND_NAMES",
    "MOST_LINKS",
    "ON_A_ROLL",
    "SUPPORT",
    "Absence",
    "AbsenceReason",
    "Ask",
    "Bag",
    "Battery",
    "Body",
    "Box",
    "Card",
    "CardSlot",
    "Charger",
    "Compartment",
    "Computer",
    "Cylinder",
    "Drive",
    "Drone",
    "Effect",
    "Filter",
    "FilterHolder",
    "Gear",
    "Glass",
    "Group",
    "Head",
    "Insert",
    "Lens",
    "Light",
    "Link",
    "MountAdapter",
    "Other",
    "OtherSupport",
    "Plate",
    "PowerBank",
    "Reader",
    "Remote",
    "Safety",
    "Size",
    "Soft",
    "Sound",
    "Source",
    "Standing",
    "StepRing",
    "Teleconverter",
    "Thing",
    "Tripod",
    "at_hand",
    "back_each_other_up",
    "fits_wall",
    "holds_still",
    "is_bladder",
    "is_for",
    "is_water",
    "is_zoom",
    "keeps_safe",
    "named_elsewhere",
    "parse",
    "serves",
    "twins",
    "words_of",
]
