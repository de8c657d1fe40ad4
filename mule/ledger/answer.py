"""What the ledger answers with: what goes first, and what comes next."""

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


class Addition(Frozen):
    """Something left behind that would add to the brief. brings: links it needs that are not loaded either."""

    items: tuple[str, ...]
    brings: tuple[str, ...]
    mass_g: float
    points: float
    score: float
    changes: tuple[WantChange, ...] = ()


class Ledger(Frozen):
    """The whole answer. additions: what to load next."""

    drops: tuple[Drop, ...]
    additions: tuple[Addition, ...]
