"""The spaces of a bag: what things may be packed into, in whole millimetres, rounded down."""

from dataclasses import dataclass
from math import ceil, floor
from typing import Literal

from mule.base.memo import by_identity
from mule.base.units import Access
from mule.packing.orientations import Sides
from mule.plan.gear import Bag, Body, Box, Drone, Gear, Insert, Lens, Soft, Teleconverter

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
    dividers: int | None = None

    @property
    def litres(self) -> float:
        """Inside."""
        x, y, z = self.size
        return x * y * z / 1e6

    def takes(self, thing: Gear) -> bool:
        """Whether some turn of a thing is within it: every turn may be taken, so sorted sides are compared."""
        if isinstance(thing.size, Soft):
            return True
        sides = sorted(self.size, reverse=True)
        return all(ceil(a) <= b for a, b in zip(thing.size.sides_mm(), sides, strict=True))


def rooms_of(bag: Bag | Insert) -> list[Room]:
    """The spaces of a bag: its compartments, or the one inside, or what its outer size lets one hope for."""
    if bag.compartments:
        return [
            Room(
                f"{bag.id}/{c.id}",
                bag.id,
                c.id,
                c.name,
                _down(c.inner),
                c.access,
                c.sort,
                c.divided,
                True,
                c.screen_in,
                c.dividers,
            )
            for c in bag.compartments
        ]
    inner = bag.inner or _guessed(bag)
    measured = bag.inner is not None
    return [Room(bag.id, bag.id, None, bag.name, _down(inner), "open", "main", True, measured, None, bag.dividers)]


def _guessed(bag: Bag | Insert) -> Box:
    """Inside of a bag that nobody measured: its outer shape, with the litres it is said to hold."""
    x, y, z = bag.size.sides_mm()
    scale = min(UNMEASURED, (bag.volume_l * 1e6 / (x * y * z)) ** (1 / 3))
    return Box(length_mm=x * scale, width_mm=y * scale, height_mm=z * scale)


def _down(box: Box) -> Sides:
    return tuple(max(1, floor(side)) for side in (box.length_mm, box.width_mm, box.height_mm))  # type: ignore[return-value]


@by_identity(4_096, of=2)
def goes_in(thing: Gear, holder: Gear) -> bool:
    """Whether a thing is within some space of a bag or insert."""
    return not isinstance(holder, Bag | Insert) or any(room.takes(thing) for room in _spaces(holder))


# What lies in padding, or not at all.
GLASS = (Body, Lens, Teleconverter, Drone)


def suits(thing: Gear, holder: Gear) -> bool:
    """Whether a thing may lie in a bag or insert: it goes in by its sides, and glass only where there is padding."""
    bare = isinstance(holder, Bag) and holder.unpadded
    return goes_in(thing, holder) and not (bare and isinstance(thing, GLASS))


# Bags stay the same from click to click.
@by_identity(256)
def _spaces(holder: Bag | Insert) -> list[Room]:
    return rooms_of(holder)
