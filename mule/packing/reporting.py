"""From packed bags to the answer: what lies where, what is left over and what would help."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import replace

from mule.deadline import Deadline
from mule.finding import InBag, PieceKind
from mule.gear import Bag, Gear, Insert, Standing
from mule.kit import Kit
from mule.packing.answer import Elsewhere, LeftOver, Placed, Proof, RoomUse, SoftPlaced, Stowage, Strapped, Why
from mule.packing.assign import SOFT_SHARE, Assigner
from mule.packing.bag import Packed
from mule.packing.placements import Effort, orientations_in, place
from mule.packing.proof import faults, layers
from mule.packing.rooms import BagToPack, Block, Room, SoftBlock, rooms_of

_TRIES = 6
_TRY_S = 0.8


def report(
    gear: Mapping[str, Gear],
    kit: Kit,
    bags: Sequence[BagToPack],
    done: Sequence[Packed],
    gap: int,
    deadline: Deadline | None,
    *,
    final: bool,
) -> Stowage:
    """All that is packed so far, as the answer; final: with what would help, which takes a little time."""
    packed = {p.luggage.bag: p for p in done}
    placed = [one for p in done for one in _placed(p)]
    soft = [
        SoftPlaced(
            item=s.item,
            count=n,
            room=room,
            litres=s.litres / s.count * n,
            mass_g=s.mass_g / s.count * n,
        )
        for p in done
        for room, held in p.shares.soft.items()
        for s, n in held
    ]
    blocks = [b for luggage in bags for b in luggage.blocks]
    rooms = [
        _use(room, p, placed, soft, gap)
        for p in (packed[b.bag] for b in bags if b.bag in packed)
        for room in p.luggage.rooms
    ]
    depth = layers(placed)
    placed = [one.model_copy(update={"layer": depth[one.block]}) for one in placed]
    spare = _spare(gear, kit) if final else ()
    left = [over for p in done for over in left_over(p, done, gap, deadline if final else None, spare)]
    return Stowage(
        rooms=tuple(rooms),
        placed=tuple(placed),
        soft=tuple(soft),
        strapped=tuple(_strapped(kit)),
        left=(*left, *(_unstrapped(gear, kit) if final else ())),
        checked=not faults(
            rooms,
            placed,
            gap,
            padded=(b.id for b in blocks if b.padded),
            fragile=(b.id for b in blocks if b.fragile),
        ),
        gap_mm=gap,
    )


def _placed(packed: Packed) -> Iterable[Placed]:
    blocks = {b.id: b for b in packed.luggage.blocks}
    for room, outcome in packed.outcomes.items():
        for id_, placement in outcome.placements.items():
            block = blocks[id_]
            yield Placed(
                block=id_,
                items=block.items,
                count=block.count,
                room=room,
                at_mm=placement.at,
                size_mm=placement.turn.sides,
                turn=placement.turn.of,
                round=placement.turn.round,
                hard=not block.padded,
                mass_g=block.mass_g,
                pinned=block.pin is not None,
                layer=0,
            )


def _use(room: Room, packed: Packed, placed: Sequence[Placed], soft: Sequence[SoftPlaced], gap: int) -> RoomUse:
    here = [p for p in placed if p.room == room.id]
    in_it = [s for s in soft if s.room == room.id]
    grown = gap if room.divided else 0
    # Half of a divider on each side of a hard thing belongs to it.
    taken = sum(_grown_l(p, grown if p.hard else 0, room) for p in here) + sum(s.litres for s in in_it)
    mass = sum(p.mass_g for p in here)
    balance = None
    if mass:
        x, y, z = (
            sum(p.mass_g * (p.at_mm[k] + p.size_mm[k] / 2) for p in here) / mass - room.size[k] / 2 for k in range(3)
        )
        balance = (x, y, z)
    return RoomUse(
        room=room.id,
        bag=room.bag,
        compartment=room.compartment,
        name=room.name,
        sort=room.sort,
        access=room.access,
        divided=room.divided,
        measured=room.measured,
        size_mm=room.size,
        litres=room.litres,
        fill=min(1.0, taken / room.litres),
        mass_g=mass + sum(s.mass_g for s in in_it),
        balance_mm=balance,
    )


def _grown_l(placed: Placed, gap: int, room: Room) -> float:
    found = 1.0
    for k in range(3):
        low = max(0.0, placed.at_mm[k] - gap / 2)
        high = min(room.size[k], placed.at_mm[k] + placed.size_mm[k] + gap / 2)
        found *= high - low
    return found / 1e6


def _spare(gear: Mapping[str, Gear], kit: Kit) -> list[BagToPack]:
    """Bags and inserts at hand that stay at home, the smallest first."""
    loaded = kit.loaded()
    at_hand = (t for t in gear.values() if t.standing == Standing.OWNED and t.absent is None and t.id not in loaded)
    able = [t for t in at_hand if isinstance(t, Bag | Insert)]
    return [
        BagToPack(t.id, rooms_of(t), held=isinstance(t, Bag) and t.piece == PieceKind.HOLD)
        for t in sorted(able, key=lambda t: t.volume_l)
    ]


def left_over(
    packed: Packed, done: Sequence[Packed], gap: int, deadline: Deadline | None = None, spare: Sequence[BagToPack] = ()
) -> Iterable[LeftOver]:
    """What found no place in one bag, with what would help.

    done: the other bags; deadline: when to stop trying them; None tries none. spare: bags that stay at home.
    """
    blocks = {b.id: b for b in packed.luggage.blocks}
    proof: Proof = "proved" if packed.proved else "ran-out"
    over = [
        *packed.luggage.barred,
        *packed.shares.left,
        *(blocks[id_] for o in packed.outcomes.values() for id_ in o.left),
    ]
    for block in over:
        too_large = not any(orientations_in(room.size, block) for room in packed.luggage.rooms)
        barred = packed.luggage.held and block.never_held
        why: Why = "never-hold" if barred else "too-large" if too_large else "pins" if block.pin else "no-room"
        for item in block.items:
            yield LeftOver(
                item=item,
                count=block.count,
                bag=packed.luggage.bag,
                why=why,
                proof="proved" if too_large or barred else proof,
                helps=tuple(_helps(block, packed, done, gap, deadline)) if deadline else (),
                owned=tuple(_would_take(block, spare, gap)),
            )
    for soft, count in packed.shares.soft_left:
        yield LeftOver(
            item=soft.item,
            count=count,
            bag=packed.luggage.bag,
            why="no-room",
            proof=proof,
            helps=tuple(_helps_soft(soft, count, packed, done)),
        )


def _would_take(block: Block, spare: Sequence[BagToPack], gap: int) -> list[str]:
    loose = replace(block, pin=None)
    able = [s for s in spare if not (s.held and block.never_held)]
    return [s.bag for s in able if any(Assigner(s, gap).eligible(loose, room) for room in s.rooms)][:2]


def _helps(
    block: Block, packed: Packed, done: Sequence[Packed], gap: int, deadline: Deadline | None
) -> Iterable[Elsewhere]:
    """Other bags in which it finds a place beside what lies there, tried out one after the other."""
    tries = 0
    # Inserts first: what is worth a place is worth padding.
    inserts = {b.id for p in done for b in p.luggage.blocks if b.padded}
    for other in sorted(done, key=lambda p: p.luggage.bag not in inserts):
        if other is packed or other.luggage.bag in block.items or (other.luggage.held and block.never_held):
            continue
        assigner = Assigner(other.luggage, gap)
        inside = {b.id: b for b in other.luggage.blocks}
        for room in other.luggage.rooms:
            if (
                deadline is None
                or tries >= _TRIES
                or deadline.stopped
                or not assigner.eligible(replace(block, pin=None), room)
            ):
                continue
            tries += 1
            here = [inside[i] for i in other.outcomes[room.id].placements]
            effort = Effort(deadline.soonest(_TRY_S), tidy_s=0)
            if not place(room.size, [*here, replace(block, pin=None)], gap if room.divided else 0, effort).left:
                yield Elsewhere(bag=other.luggage.bag, room=room.id)
                break


def _helps_soft(soft: SoftBlock, count: int, packed: Packed, done: Sequence[Packed]) -> Iterable[Elsewhere]:
    need = soft.litres / soft.count * count / SOFT_SHARE
    for other in done:
        if other is packed:
            continue
        inside = {b.id: b for b in other.luggage.blocks}
        for room in other.luggage.rooms:
            hard = sum(inside[i].litres for i in other.outcomes[room.id].placements)
            held = sum(s.litres / s.count * n for s, n in other.shares.soft.get(room.id, ()))
            if room.sort != "sleeve" and hard + held / SOFT_SHARE + need <= room.litres:
                yield Elsewhere(bag=other.luggage.bag, room=room.id)
                break


def _outside(kit: Kit) -> Iterable[tuple[str, str, int]]:
    for entry in kit.entries:
        if isinstance(entry.place, InBag) and entry.place.outside:
            yield entry.item, entry.place.bag, entry.count


def _strapped(kit: Kit) -> Iterable[Strapped]:
    return (Strapped(item=item, bag=bag, count=count) for item, bag, count in _outside(kit))


def _unstrapped(gear: Mapping[str, Gear], kit: Kit) -> Iterable[LeftOver]:
    """What hangs outside a bag that has no strap for it, or only shorter ones."""
    used: dict[str, int] = {}
    for item, bag, count in _outside(kit):
        holder = gear[bag]
        straps, longest = (holder.straps, holder.strap_mm) if isinstance(holder, Bag) else (0, None)
        used[bag] = used.get(bag, 0) + count
        if longest is not None and gear[item].size.sides_mm()[0] > longest:
            yield LeftOver(item=item, count=count, bag=bag, why="strap-length", proof="proved")
        elif used[bag] > straps:
            yield LeftOver(item=item, count=min(count, used[bag] - straps), bag=bag, why="straps", proof="proved")
