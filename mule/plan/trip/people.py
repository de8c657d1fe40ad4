"""Who carries, and how much."""

from typing import Annotated, Any, Literal

from pydantic import Field, model_validator

from mule.base.units import Frozen, Grams, ItemId, Kilograms, Label, Name, Number
from mule.plan.purposes import Purpose, load_purpose_of

# What somebody carries anyway that days on foot ask for, or neither.
LoadPurpose = Literal[Purpose.WATER, Purpose.FOOD, Purpose.OTHER]
CarriedKg = Annotated[Number, Field(ge=0.001, le=80)]


class BaseLoad(Frozen):
    """Something carried that is not photography: water, food, shelter, clothes.

    purpose: water and food count as that on days on foot; where it is not said, the name tells.
    """

    name: Name
    mass_g: Grams
    purpose: LoadPurpose = Purpose.OTHER

    @model_validator(mode="before")
    @classmethod
    def _by_its_name(cls, data: Any) -> Any:
        if isinstance(data, dict) and "purpose" not in data and isinstance(data.get("name"), str):
            return {**data, "purpose": load_purpose_of(data["name"])}
        return data


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
    """Things that are complete on every person, or left at home. uses: its parts, by the label or purpose of gear."""

    id: ItemId
    name: Name
    uses: tuple[Label, ...] = Field(min_length=1, max_length=8)


# To start from (docs/domain/completeness.md): a set of which nothing is loaded says nothing.
PERSON_SETS = (
    PersonSet(id="avalanche", name="Avalanche set", uses=("avalanche transceiver", "avalanche probe", "snow shovel")),
    PersonSet(id="crampons", name="Crampons", uses=("crampons",)),
    PersonSet(id="helmets", name="Helmets", uses=("helmet",)),
)
