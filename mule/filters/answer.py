"""What ``fit`` answers with."""

from typing import Literal

from mule.gear import Effect
from mule.units import Frozen

FittedBy = Literal["direct", "ring", "holder", "drop-in", "none"]
Warning_ = Literal["dark-corners", "uneven-sky", "cross-pattern"]


class Fit(Frozen):
    """One way of putting a filter on a lens. parts: every thing it takes, the filter first. to_load: those left behind.

    rim_mm: depth of filter and rings in front of the lens. widest_mm: full-frame equivalent at the lens's wide end.
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


class Asked(Frozen):
    """An effect a want asks for, on the lenses that see the want. served: by which loaded way; None by none.

    loads: the lightest things to load for it; None when nothing owned serves. ways: every loaded lens with parts.
    """

    want: str
    effect: Effect
    stops: float | None
    lenses: tuple[str, ...]
    served: Fit | None
    loads: tuple[str, ...] | None
    mass_g: float
    ways: tuple[tuple[str, ...], ...]


class FilterFit(Frozen):
    """The matrix over the loaded lenses, and what the wants ask for."""

    effects: tuple[Effect, ...]
    rows: tuple[Row, ...]
    asked: tuple[Asked, ...]
