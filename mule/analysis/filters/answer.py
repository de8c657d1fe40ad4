"""What ``fit`` answers with."""

from typing import Literal

from mule.base.units import Frozen
from mule.plan.gear import Effect

FittedBy = Literal["direct", "ring", "holder", "drop-in", "sensor", "none"]
Warning_ = Literal["dark-corners", "uneven-sky", "cross-pattern"]


class Fit(Frozen):
    """One way of putting filters on a lens. parts: every thing it takes, filters first. to_load: those left behind.

    filter: the first of them. rim_mm: depth of all filters and rings in front of the lens; rims add up.
    """

    filter: str
    parts: tuple[str, ...]
    to_load: tuple[str, ...]
    mass_g: float
    rim_mm: float
    warnings: tuple[Warning_, ...]


class Cell(Frozen):
    """One lens and one effect: the best way, and how many ways there are. fit is None when there is none."""

    lens: str
    effect: Effect
    how: FittedBy
    fit: Fit | None
    ways: int


class Row(Frozen):
    """One lens with its thread; None where nothing screws on (a bulging front, or no thread stated)."""

    lens: str
    thread_mm: float | None
    widest_mm: float
    cells: tuple[Cell, ...]


class Stretch(Frozen):
    """The part of a want that one lens sees, and how it wears an effect there, in full-frame equivalent millimetres.

    fit: by what is loaded, with all that the want asks for at once where ``together``; None by none. Corners are judged
    over this part. loads: the lightest things to load so that it can, ``mass_g`` in all; None when nothing owned does.
    """

    lens: str
    from_mm: float
    to_mm: float
    fit: Fit | None
    together: bool
    loads: tuple[str, ...] | None
    mass_g: float


class Bare(Frozen):
    """A part of a want that loaded lenses see, and on which none of them can wear what is asked."""

    from_mm: float
    to_mm: float


class Asked(Frozen):
    """An effect a want asks for. stretches: by lens that sees the want. bare: what of it is not served.

    ways: every loaded lens with the loaded parts that serve on it.
    """

    want: str
    effect: Effect
    stops: float | None
    stretches: tuple[Stretch, ...]
    bare: tuple[Bare, ...]
    ways: tuple[tuple[str, ...], ...]

    @property
    def partly(self) -> bool:
        """Whether some of the want is served."""
        return any(stretch.fit for stretch in self.stretches)


class FilterFit(Frozen):
    """The matrix over the loaded lenses, and what the wants ask for."""

    effects: tuple[Effect, ...]
    rows: tuple[Row, ...]
    asked: tuple[Asked, ...]
