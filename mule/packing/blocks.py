"""Blocks: what is packed as one, of a thing, of a bundle of alike ones, or of a pair."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from math import hypot

from mule.base.units import Access
from mule.packing.orientations import Orientation, bundle_turns, orientations_of
from mule.plan.gear import (
    Bag,
    Battery,
    Body,
    Box,
    Card,
    Computer,
    Cylinder,
    Drive,
    Drone,
    Filter,
    Gear,
    Insert,
    Lens,
    Other,
    PowerBank,
    Safety,
    Soft,
    Teleconverter,
)
from mule.plan.kit import Pin

# Things this small lie bundled with those of their sort, as in a pouch.
BUNDLE_L = 0.12
# Things that must not carry anything heavier than themselves.
FRAGILE = (Body, Lens, Teleconverter, Drone, Computer, Drive, Filter)


@dataclass(frozen=True)
class Block:
    """Something hard that is packed as one. padded: carries its own padding, so that no divider is needed. safety: it
    keeps somebody safe. worth: points that it is worth to the wants. number: of an item whose pieces are packed one by
    one, from 1."""

    id: str
    items: tuple[str, ...]
    count: int
    orientations: Sequence[Orientation]
    mass_g: float
    fragile: bool
    padded: bool
    access: Access | None = None
    pin: Pin | None = None
    screen_in: float | None = None
    never_held: bool = False
    safety: bool = False
    worth: float = 0.0
    number: int | None = None

    @property
    def litres(self) -> float:
        """Of the enclosing box."""
        x, y, z = self.orientations[0].sides
        return x * y * z / 1e6


@dataclass(frozen=True)
class SoftBlock:
    """Something soft: it takes what room is left. flat: it lies in a sleeve, as water in a bladder does."""

    item: str
    count: int
    litres: float
    mass_g: float
    access: Access | None = None
    pin: Pin | None = None
    flat: bool = False


def never_held(thing: Gear) -> bool:
    """Spare lithium and what pictures are on: never in the hold.

    See docs/domain/carriers.md and docs/domain/stowing.md.
    """
    return isinstance(thing, PowerBank | Card | Drive) or (isinstance(thing, Battery) and thing.lithium)


def blocks_of(thing: Gear, count: int, each_g: float, wish: Access | None, pin: Pin | None) -> Iterable[Block]:
    """Pieces of a hard thing, small ones as one bundle. each_g: grams of one piece with all that lies in it."""
    size = thing.size
    assert isinstance(size, Box | Cylinder)
    if isinstance(thing, Bag) and thing.squeeze_mm:
        long, middle, thin = size.sides_mm()
        size = Box(length_mm=long, width_mm=middle, height_mm=max(1.0, thin - thing.squeeze_mm))
    bundles = size.litres() <= BUNDLE_L and count > 1
    for number in range(1 if bundles else count):
        pieces = count if bundles else 1
        yield Block(
            id=thing.id if bundles or count == 1 else f"{thing.id}#{number + 1}",
            number=None if bundles or count == 1 else number + 1,
            items=(thing.id,),
            count=pieces,
            orientations=bundle_turns(size, pieces) if bundles else orientations_of(size),
            mass_g=each_g * pieces,
            fragile=isinstance(thing, FRAGILE),
            padded=isinstance(thing, Bag | Insert),
            access=wish,
            # Of several pieces one is pinned; the others go where there is room.
            pin=pin if number == 0 else None,
            screen_in=thing.screen_in if isinstance(thing, Computer) and thing.form != "phone" else None,
            never_held=never_held(thing),
            safety=isinstance(thing, Safety),
        )


def mounted_size(body: Gear, lens: Gear) -> Box:
    """A body with a lens on it: the box around both, the lens standing out of the body's front, its thinnest side."""
    long, tall, deep = body.size.sides_mm()
    reach, *across = sorted((lens.size.sides_mm()), reverse=True)
    if isinstance(lens.size, Cylinder):
        reach, across = lens.size.length_mm, [lens.size.diameter_mm] * 2
    return Box(length_mm=max(long, across[0]), width_mm=max(tall, across[1]), height_mm=deep + reach)


def goes_inside(outer: Gear, inner: Gear) -> bool:
    """Whether a thing goes into a hollow one, along its longest side."""
    if not isinstance(outer, Other) or outer.hollow_mm is None or isinstance(inner.size, Soft):
        return False
    if isinstance(inner.size, Cylinder):
        return inner.size.diameter_mm <= outer.hollow_mm
    _, middle, thin = inner.size.sides_mm()
    return bool(hypot(middle, thin) <= outer.hollow_mm)


def nested_size(outer: Gear, inner: Gear) -> Box | Cylinder:
    """The shape of the hollow thing, as long as the longer of both."""
    size = outer.size
    if isinstance(size, Cylinder):
        reach = inner.size.length_mm if isinstance(inner.size, Cylinder) else inner.size.sides_mm()[0]
        return size.model_copy(update={"length_mm": max(size.length_mm, reach)})
    long, middle, thin = size.sides_mm()
    return Box(length_mm=max(long, inner.size.sides_mm()[0]), width_mm=middle, height_mm=thin)


def pair_of(things: tuple[Gear, Gear], size: Box | Cylinder, wish: Access | None, pin: Pin | None) -> Block:
    """Two things that are packed as one. size: of both together."""
    one, other = things
    return Block(
        id=f"{one.id}+{other.id}",
        items=(one.id, other.id),
        count=1,
        orientations=orientations_of(size),
        mass_g=one.mass_g + other.mass_g,
        fragile=isinstance(one, FRAGILE) or isinstance(other, FRAGILE),
        padded=False,
        access=wish,
        pin=pin,
    )
