"""What the ledger answers with: what goes first, what comes next, and what a day asks of the hands."""

from datetime import date

from mule.optics import WantChange
from mule.units import Frozen


class Drop(Frozen):
    """One step of the drop order: a thing, with what is of no use without it.

    points: brief score it costs. mass_g: grams it frees. score, total_g: of the kit after this and all drops before.
    over_g: by how much the worst leg is still over its mass; 0 when none is. changes: what it does to the wants.
    """

    item: str
    goes: tuple[str, ...]
    points: float
    mass_g: float
    score: float
    total_g: float
    over_g: float
    changes: tuple[WantChange, ...] = ()

    @property
    def per_100_g(self) -> float:
        """Points per 100 g freed."""
        return self.points / max(self.mass_g, 1.0) * 100


class Next(Frozen):
    """Something left behind that would add to the brief. brings: links it needs that are not loaded either."""

    items: tuple[str, ...]
    brings: tuple[str, ...]
    mass_g: float
    points: float
    score: float
    changes: tuple[WantChange, ...] = ()


class Home(Frozen):
    """The lens that lives on a body."""

    body: str
    lens: str


class DayHands(Frozen):
    """What a day asks: the lenses that serve its wants, where they live, and how often one is changed.

    second_body: the lightest left body that would save changes; None when there is none or nothing to save.
    """

    date: date
    lenses: tuple[str, ...]
    homes: tuple[Home, ...]
    changes: int
    exposed: bool
    second_body: str | None


class Ledger(Frozen):
    """The whole answer."""

    drops: tuple[Drop, ...]
    nexts: tuple[Next, ...]
    days: tuple[DayHands, ...]
