"""From gear and kit to spaces and blocks: what there is to pack, and what it may be packed into."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from itertools import permutations
from math import ceil, floor, hypot
from typing import Literal

from mule.finding import AsPiece, InBag, PieceKind
from mule.gear import (
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
    Soft,
    Teleconverter,
)
from mule.kit import Kit, Pin
from mule.units import Access

# Things this small lie bundled with those of their sort, as in a pouch.
BUNDLE_L = 0.12
# A bag of which nobody measured the inside loses this much of each outer side (estimate: 10 % of a soft bag's side).
UNMEASURED = 0.9
# Things that must not carry anything heavier than themselves.
FRAGILE = (Body, Lens, Teleconverter, Drone, Computer, Drive, Filter)

Axis = Literal["x", "y", "z"]
Sides = tuple[int, int, int]


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


@dataclass(frozen=True)
class Orientation:
    """One way of laying a block down. sides: along x, y, z; of: which of its own sides that is."""

    sides: Sides
    of: tuple[int, int, int]
    round: Axis | None = None


@dataclass(frozen=True)
class Block:
    """Something hard that is packed as one. padded: carries its own padding, so that no divider is needed."""

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

    @property
    def litres(self) -> float:
        """Of the enclosing box."""
        x, y, z = self.orientations[0].sides
        return x * y * z / 1e6


@dataclass(frozen=True)
class SoftBlock:
    """Something soft: it takes what room is left."""

    item: str
    count: int
    litres: float
    mass_g: float
    access: Access | None = None
    pin: Pin | None = None


@dataclass
class BagToPack:
    """A bag or insert with what belongs inside it. held: it goes in the hold. barred: what never goes there."""

    bag: str
    rooms: Sequence[Room]
    held: bool = False
    blocks: list[Block] = field(default_factory=list)
    soft: list[SoftBlock] = field(default_factory=list)
    barred: list[Block] = field(default_factory=list)


def never_held(thing: Gear) -> bool:
    """Spare lithium and what pictures are on: never in the hold.

    See docs/domain/carriers.md and docs/domain/stowing.md.
    """
    return isinstance(thing, PowerBank | Card | Drive) or (isinstance(thing, Battery) and thing.lithium)


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


def _bundle(size: Box | Cylinder, count: int) -> list[Orientation]:
    """Alike things laid flat on each other, or round ones end to end."""
    if isinstance(size, Cylinder):
        return orientations_of(size.model_copy(update={"length_mm": size.length_mm * count}))
    long, middle, thin = size.sides_mm()
    return orientations_of(Box(length_mm=long, width_mm=middle, height_mm=thin * count))


def luggage_of(gear: Mapping[str, Gear], kit: Kit) -> list[BagToPack]:
    """Every loaded bag and insert with what lies in it, inserts first: a bag needs them as blocks."""
    held: dict[str, list[tuple[Gear, int]]] = {}
    for entry in kit.entries:
        if isinstance(entry.place, InBag) and not entry.place.outside:
            held.setdefault(entry.place.bag, []).append((gear[entry.item], entry.count))
    bags = [gear[i] for i in kit.loaded() if isinstance(gear[i], Bag | Insert)]
    full = {bag.id: _full_g(bag, held) for bag in bags}
    outermost = kit.outermost()
    checked = {e.item for e in kit.entries if isinstance(e.place, AsPiece) and e.place.piece == PieceKind.HOLD}
    found = [_filled(bag, held.get(bag.id, []), kit, full) for bag in bags if isinstance(bag, Bag | Insert)]
    for luggage in found:
        luggage.held = outermost.get(luggage.bag) in checked
        if luggage.held:
            luggage.barred = [b for b in luggage.blocks if b.never_held]
            luggage.blocks = [b for b in luggage.blocks if not b.never_held]
    return found


def _full_g(thing: Gear, held: Mapping[str, Sequence[tuple[Gear, int]]]) -> float:
    """Grams of a thing with all that lies in it."""
    return thing.mass_g + sum(_full_g(inner, held) * count for inner, count in held.get(thing.id, ()))


def _filled(bag: Bag | Insert, things: Sequence[tuple[Gear, int]], kit: Kit, full_g: Mapping[str, float]) -> BagToPack:
    """full_g: grams of each bag and insert with all that lies in it."""
    made = BagToPack(bag.id, rooms_of(bag))
    wishes = {w.item: w.access for w in kit.stow.wishes}
    pins = {p.item: p for p in kit.stow.pins if p.bag == bag.id}
    here = {thing.id: thing for thing, _ in things}
    mounted = {m.body: m.lens for m in kit.stow.mounts if m.body in here and m.lens in here}
    nested = {n.outer: n.inner for n in kit.stow.nests if n.outer in here and n.inner in here}
    nested = {o: i for o, i in nested.items() if goes_inside(here[o], here[i]) and not {o, i} & {*mounted.values()}}
    pairs = mounted | nested
    for thing, count in things:
        wish, pin = wishes.get(thing.id), pins.get(thing.id)
        if isinstance(thing.size, Soft):
            litres = thing.size.volume_l
            made.soft.append(SoftBlock(thing.id, count, litres * count, thing.mass_g * count, wish, pin))
            continue
        if thing.id in pairs:
            other = here[pairs[thing.id]]
            box = _mounted(thing, other) if thing.id in mounted else _nested(thing, other)
            made.blocks.append(_pair((thing, other), box, wish, pin))
        # What is packed as a pair is not packed by itself too.
        loose = count - (thing.id in pairs) - (thing.id in pairs.values())
        made.blocks += _blocks(thing, loose, full_g.get(thing.id, thing.mass_g), wish, pin)
    return made


def _blocks(thing: Gear, count: int, each_g: float, wish: Access | None, pin: Pin | None) -> Iterable[Block]:
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
            items=(thing.id,),
            count=pieces,
            orientations=_bundle(size, pieces) if bundles else orientations_of(size),
            mass_g=each_g * pieces,
            fragile=isinstance(thing, FRAGILE),
            padded=isinstance(thing, Bag | Insert),
            access=wish,
            # Of several pieces one is pinned; the others go where there is room.
            pin=pin if number == 0 else None,
            screen_in=thing.screen_in if isinstance(thing, Computer) and thing.form != "phone" else None,
            never_held=never_held(thing),
        )


def _mounted(body: Gear, lens: Gear) -> Box:
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


def _nested(outer: Gear, inner: Gear) -> Box | Cylinder:
    """The shape of the hollow thing, as long as the longer of both."""
    size = outer.size
    if isinstance(size, Cylinder):
        reach = inner.size.length_mm if isinstance(inner.size, Cylinder) else inner.size.sides_mm()[0]
        return size.model_copy(update={"length_mm": max(size.length_mm, reach)})
    long, middle, thin = size.sides_mm()
    return Box(length_mm=max(long, inner.size.sides_mm()[0]), width_mm=middle, height_mm=thin)


def _pair(things: tuple[Gear, Gear], size: Box | Cylinder, wish: Access | None, pin: Pin | None) -> Block:
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
