"""What the ledger answers with: what goes first, and what comes next."""

from mule.analysis.optics import WantChange
from mule.base.units import Frozen


class Sharpen(Frozen):
    """Why a thing that looks precious costs nothing: as a want is typed, another serves it as well.

    want: the most important of these. instead: what serves it then. crops: whether by cropping, to ``megapixels``.
    """

    want: str
    instead: str
    f_number: float
    megapixels: float
    crops: bool


class Drop(Frozen):
    """One step of the drop order: a thing, with what is of no use without it.

    points: brief score it costs. mass_g: grams it frees. score, total_g: of the kit after this and all drops before.
    over_g: by how much the worst leg is still over its mass; 0 when none is. changes: what it does to the wants.
    because: what to look at in the brief before it goes.
    """

    item: str
    goes: tuple[str, ...]
    points: float
    mass_g: float
    score: float
    total_g: float
    over_g: float
    changes: tuple[WantChange, ...] = ()
    because: Sharpen | None = None

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
    """The whole answer. small: light things that nobody would miss, with what goes with each. additions: what to load
    next."""

    drops: tuple[Drop, ...]
    small: tuple[str, ...]
    additions: tuple[Addition, ...]
