"""Things to buy, hire or borrow, with the figures that are typical of their sort."""

from typing import Annotated, Literal, Self

from pydantic import Field

from mule.base.units import Count, Frozen, ItemId
from mule.plan.gear import Effect

# What there is a typical one of.
UsualSort = Literal[
    "card",
    "charger",
    "cover",
    "drive",
    "drone",
    "film",
    "head",
    "head-torch",
    "housing",
    "laptop",
    "lead",
    "light",
    "pack",
    "plate",
    "power-bank",
    "reader",
    "refill",
    "remote",
    "safety",
    "sound",
    "tripod",
    "usb-power",
    "wall",
]
_Grams = Annotated[float, Field(ge=0)]
# Of what no cure gets yet.
_UNTOLD = "to-get"
_Above0 = Annotated[float, Field(gt=0)]


class _Got(Frozen):
    """mass_g: of one. id: what it is called in what the cure brings along."""

    id: ItemId = _UNTOLD
    count: Count = 1
    mass_g: _Grams

    @property
    def one(self) -> Self:
        """The same, once, for whatever cure."""
        return self.model_copy(update={"id": _UNTOLD, "count": 1})

    @property
    def which(self) -> str:
        """Which of its sort it is, as far as getting it is another way out."""
        return ""


class GetMore(_Got):
    """More of a thing that is owned."""

    what: Literal["same"] = "same"
    item: ItemId

    @property
    def which(self) -> str:
        """Which of its sort it is."""
        return self.item


class GetUsual(_Got):
    """The usual one of a sort. label: which, by what it has to fit or serve; empty where all serve."""

    what: UsualSort
    label: Annotated[str, Field(max_length=200)] = ""

    @property
    def which(self) -> str:
        """Which of its sort it is."""
        return self.label


class GetBag(_Got):
    """A bag for the cabin."""

    what: Literal["bag"] = "bag"
    volume_l: _Above0


class GetLens(_Got):
    """A lens for a body that is loaded. from_mm, to_mm: full-frame equivalents."""

    what: Literal["lens"] = "lens"
    from_mm: _Above0
    to_mm: _Above0
    f_number: _Above0


class GetFilter(_Got):
    """A filter. stops: None where it takes none, or any will do."""

    what: Literal["filter"] = "filter"
    effect: Effect
    thread_mm: _Above0
    stops: float | None = None

    @property
    def which(self) -> str:
        """Which of its sort it is."""
        return self.effect


ToGet = Annotated[GetMore | GetUsual | GetBag | GetLens | GetFilter, Field(discriminator="what")]
