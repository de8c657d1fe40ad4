"""From gear and kit to bags to pack: what belongs inside each, inserts first."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace

from mule.packing.blocks import Block, SoftBlock, blocks_of, goes_inside, mounted_size, nested_size, pair_of
from mule.packing.rooms import Room, rooms_of
from mule.plan.gear import (
    Bag,
    Gear,
    Insert,
    Soft,
    is_bladder,
)
from mule.plan.kit import Kit
from mule.plan.places import AsPiece, InBag, PieceKind


@dataclass
class BagToPack:
    """A bag or insert with what belongs inside it. held: it goes in the hold. barred: what never goes there."""

    bag: str
    rooms: Sequence[Room]
    held: bool = False
    blocks: list[Block] = field(default_factory=list)
    soft: list[SoftBlock] = field(default_factory=list)
    barred: list[Block] = field(default_factory=list)


def luggage_of(gear: Mapping[str, Gear], kit: Kit, worth: Mapping[str, float] | None = None) -> list[BagToPack]:
    """Every loaded bag and insert with what lies in it, inserts first: a bag needs them as blocks.

    worth: points that each thing is worth to the wants.
    """
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
        if worth:
            luggage.blocks = [replace(b, worth=max(worth.get(i, 0.0) for i in b.items)) for b in luggage.blocks]
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
            made.soft.append(
                SoftBlock(thing.id, count, litres * count, thing.mass_g * count, wish, pin, is_bladder(thing))
            )
            continue
        if thing.id in pairs:
            other = here[pairs[thing.id]]
            box = mounted_size(thing, other) if thing.id in mounted else nested_size(thing, other)
            made.blocks.append(pair_of((thing, other), box, wish, pin))
        # What is packed as a pair is not packed by itself too.
        loose = count - (thing.id in pairs) - (thing.id in pairs.values())
        made.blocks += blocks_of(thing, loose, full_g.get(thing.id, thing.mass_g), wish, pin)
    return made
