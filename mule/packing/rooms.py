"""The spaces of a bag: what things may be packed into, in whole millimetres, rounded down."""

from dataclasses import dataclass
from math import floor
from typing import Literal

from mule.gear import (
    Bag,
    Box,
    Insert,
)
from mule.packing.orientations import Sides
from mule.units import Access

# A bag of which nobody measured the inside loses this much of each outer side (estimate: 10 % of a soft bag's side).
UNMEASURED = 0.9


@dataclass(frozen=True)
class Room:
    """One space, in whole millimetres, rounded down."""

    id: str
    bag: str
    compartment: str | None
    name: str
    size: Sides
    access: Access
    sort: Literal["main", "pocket", "sleeve"]
    divided: bool
    measured: bool
    screen_in: float | None

    @property
    def litres(self) -> float:
        """Inside."""
        x, y, z = self.size
        return x * y * z / 1e6


def rooms_of(bag: Bag | Insert) -> list[Room]:
    """The spaces of a bag: its compartments, or the one inside, or what its outer size lets one hope for."""
    if bag.compartments:
        return [
            Room(
                f"{bag.id}/{c.id}", bag.id, c.id, c.name, _down(c.inner), c.access, c.sort, c.divided, True, c.screen_in
            )
            for c in bag.compartments
        ]
    inner = bag.inner or _guessed(bag)
    return [Room(bag.id, bag.id, None, bag.name, _down(inner), "open", "main", True, bag.inner is not None, None)]


def _guessed(bag: Bag | Insert) -> Box:
    """Inside of a bag that nobody measured: its outer shape, with the litres it is said to hold."""
    x, y, z = bag.size.sides_mm()
    scale = min(UNMEASURED, (bag.volume_l * 1e6 / (x * y * z)) ** (1 / 3))
    return Box(length_mm=x * scale, width_mm=y * scale, height_mm=z * scale)


def _down(box: Box) -> Sides:
    return tuple(max(1, floor(side)) for side in (box.length_mm, box.width_mm, box.height_mm))  # type: ignore[return-value]
