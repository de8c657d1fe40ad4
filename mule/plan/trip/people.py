"""Who carries, and how much."""

from typing import Annotated

from pydantic import Field

from mule.base.units import Frozen, Grams, ItemId, Kilograms, Label, Name, Number

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


class PersonSet(Frozen):
    """Things that everybody has, all of them, or nobody. uses: what safety and other things are filed under."""

    id: ItemId
    name: Name
    uses: tuple[Label, ...] = Field(min_length=1, max_length=8)


# To start from (docs/domain/completeness.md): a set of which nothing is loaded says nothing.
PERSON_SETS = (
    PersonSet(id="avalanche", name="Avalanche set", uses=("avalanche transceiver", "avalanche probe", "snow shovel")),
    PersonSet(id="crampons", name="Crampons", uses=("crampons",)),
    PersonSet(id="helmets", name="Helmets", uses=("helmet",)),
)
