"""Who carries, and how much."""

from typing import Annotated

from pydantic import Field

from mule.units import Frozen, Grams, ItemId, Kilograms, Name, Number

CarriedKg = Annotated[Number, Field(ge=0.001, le=80)]


class BaseLoad(Frozen):
    """Something carried that is not photography: water, food, shelter, clothes."""

    name: Name
    mass_g: Grams


class Person(Frozen):
    """Somebody who carries. body_mass_kg gives the share of body mass; None leaves it out.

    carries_well_kg: what this person carries well, base load included; None sets no limit.
    """

    id: ItemId
    name: Name
    body_mass_kg: Kilograms | None = None
    carries_well_kg: CarriedKg | None = None
    base_load: tuple[BaseLoad, ...] = Field(default=(), max_length=40)
