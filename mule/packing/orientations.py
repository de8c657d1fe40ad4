"""Ways of laying a thing down: sides in whole millimetres, rounded up."""

from dataclasses import dataclass
from itertools import permutations
from math import ceil
from typing import Literal

from mule.plan.gear import (
    Box,
    Cylinder,
)

Axis = Literal["x", "y", "z"]
Sides = tuple[int, int, int]


@dataclass(frozen=True)
class Orientation:
    """One way of laying a block down. sides: along x, y, z; of: which of its own sides that is."""

    sides: Sides
    of: tuple[int, int, int]
    round: Axis | None = None


def orientations_of(size: Box | Cylinder) -> list[Orientation]:
    """Every way of laying a thing down that differs from the others. Sizes are rounded up to whole millimetres."""
    if isinstance(size, Cylinder):
        long, across = ceil(size.length_mm), ceil(size.diameter_mm)
        made = ((long, across, across), (across, long, across), (across, across, long))
        axes: tuple[Axis, Axis, Axis] = ("x", "y", "z")
        order = ((0, 1, 2), (1, 0, 2), (1, 2, 0))
        return [Orientation(sides, of, axis) for sides, of, axis in zip(made, order, axes, strict=True)]
    return box_turns(tuple(ceil(s) for s in (size.length_mm, size.width_mm, size.height_mm)))  # type: ignore[arg-type]


def box_turns(sides: Sides) -> list[Orientation]:
    """Every way of laying a box down that differs from the others: one for a cube, six for most."""
    found: dict[Sides, Orientation] = {}
    for of in permutations(range(3)):
        laid = (sides[of[0]], sides[of[1]], sides[of[2]])
        found.setdefault(laid, Orientation(laid, of))  # type: ignore[arg-type]
    return list(found.values())


def bundle_turns(size: Box | Cylinder, count: int) -> list[Orientation]:
    """Alike things laid flat on each other, or round ones end to end."""
    if isinstance(size, Cylinder):
        return orientations_of(size.model_copy(update={"length_mm": size.length_mm * count}))
    long, middle, thin = size.sides_mm()
    return orientations_of(Box(length_mm=long, width_mm=middle, height_mm=thin * count))
