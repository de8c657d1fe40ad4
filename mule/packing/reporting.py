"""From packed bags to the answer: what lies where, what is left over and what would help."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field

from mule.base.deadline import Deadline
from mule.packing.answer import Placed, RoomUse, SoftPlaced, Stowage
from mule.packing.bag import Packed
from mule.packing.balancing import on_people
from mule.packing.keeping import Before, Lain, lain
from mule.packing.left_over import OtherBags, left_over, spare_bags
from mule.packing.luggage import BagToPack
from mule.packing.moving import moved
from mule.packing.proof import faults, layers
from mule.packing.rooms import Room
from mule.packing.straps import strapped, unstrapped
from mule.plan.gear import Gear
from mule.plan.kit import Kit


@dataclass
class PackingJob:
    """A kit being packed.

    bags: all there are; gap: millimetres between hard things; before: how it lay; done: bags that are packed.
    """

    gear: Mapping[str, Gear]
    kit: Kit
    bags: Sequence[BagToPack]
    gap: int
    before: Before | None = None
    done: list[Packed] = field(default_factory=list)

    def was(self, luggage: BagToPack) -> Lain | None:
        """How a bag lay; None for one that is packed for the first time."""
        if self.before is None or not any(room.bag == luggage.bag for room in self.before.stowage.rooms):
            return None
        return lain(self.before, luggage.bag, luggage.blocks)


def report(packing: PackingJob, deadline: Deadline | None = None) -> Stowage:
    """All that is packed so far, as the answer.

    deadline: until when to look for what would help with what is left over; None does not.
    """
    gear, kit, bags, done, gap = packing.gear, packing.kit, packing.bags, packing.done, packing.gap
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
    placed = [one.model_copy(update={"layer": depth[one.room, one.block]}) for one in placed]
    others = OtherBags(gap, done, spare_bags(gear, kit) if deadline else (), deadline)
    left = [over for p in done for over in left_over(p, others)]
    return Stowage(
        rooms=tuple(rooms),
        placed=tuple(placed),
        soft=tuple(soft),
        strapped=tuple(strapped(kit)),
        left=(*left, *(unstrapped(gear, kit) if deadline else ())),
        checked=not faults(
            rooms,
            placed,
            gap,
            padded=(b.id for b in blocks if b.padded),
            fragile=(b.id for b in blocks if b.fragile),
        ),
        gap_mm=gap,
        people=tuple(on_people(gear, kit, rooms, placed)),
        moved=tuple(moved(packing.before.stowage, rooms, placed, soft)) if packing.before else (),
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
                number=block.number,
            )


def _use(room: Room, packed: Packed, placed: Sequence[Placed], soft: Sequence[SoftPlaced], gap: int) -> RoomUse:
    here = [p for p in placed if p.room == room.id]
    in_it = [s for s in soft if s.room == room.id]
    outcome, grown = packed.outcomes[room.id], gap if room.divided else 0
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
        layout=outcome.layout if here else None,
        dividers=outcome.dividers,
        came_with=room.dividers,
    )


def _grown_l(placed: Placed, gap: int, room: Room) -> float:
    found = 1.0
    for k in range(3):
        low = max(0.0, placed.at_mm[k] - gap / 2)
        high = min(room.size[k], placed.at_mm[k] + placed.size_mm[k] + gap / 2)
        found *= high - low
    return found / 1e6
