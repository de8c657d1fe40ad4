"""What found no place, and where it would find one: other bags as they are packed, and bags that stay at home."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace

from mule.base.deadline import Deadline
from mule.packing.answer import Elsewhere, LeftOver, Proof, Why
from mule.packing.assign import SOFT_SHARE, Assigner
from mule.packing.bag import Packed, pack
from mule.packing.blocks import Block, SoftBlock
from mule.packing.luggage import BagToPack
from mule.packing.placements import TRIAL, leaving_costs, orientations_in
from mule.packing.rooms import rooms_of
from mule.plan.gear import Bag, Gear, Insert, Safety, Standing
from mule.plan.kit import Kit
from mule.plan.places import PieceKind

_TRIES = 6
_TRY_S = 0.8


@dataclass(frozen=True)
class OtherBags:
    """Where else a thing could go.

    gap: millimetres between hard things. packed: the bags of the kit as they are packed. spare: bags that stay at home.
    deadline: until when the packed ones are tried; None tries none.
    """

    gap: int
    packed: Sequence[Packed] = ()
    spare: Sequence[BagToPack] = ()
    deadline: Deadline | None = None


def left_over(packed: Packed, others: OtherBags) -> Iterable[LeftOver]:
    """What found no place in one bag, with what would help."""
    blocks = {b.id: b for b in packed.luggage.blocks}
    proof: Proof = "proved" if packed.proved else "ran-out"
    over = [
        *packed.luggage.barred,
        *packed.shares.left,
        *(blocks[id_] for o in packed.outcomes.values() for id_ in o.left),
    ]
    # What would find a place if it were not for the pins is not without room.
    short: Why = (
        "stays"
        if packed.still
        else "no-time"
        if not packed.proved
        else "pins"
        if over and _fits_unpinned(packed, others)
        else "no-room"
    )
    for block in over:
        too_large = not any(orientations_in(room.size, block) for room in packed.luggage.rooms)
        barred = packed.luggage.held and block.never_held
        why: Why = "never-hold" if barred else "too-large" if too_large else "pins" if block.pin else short
        helps, tried = _helps(block, packed, others)
        for item in block.items:
            yield LeftOver(
                item=item,
                count=block.count,
                bag=packed.luggage.bag,
                why=why,
                proof="proved" if too_large or barred else proof,
                helps=helps,
                tried=tried,
                owned=tuple(_would_take(block, others)),
            )
    for soft, count in packed.shares.soft_left:
        yield LeftOver(
            item=soft.item,
            count=count,
            bag=packed.luggage.bag,
            why=short,
            proof=proof,
            helps=tuple(_helps_soft(soft, count, packed, others)),
            tried=others.deadline is not None,
        )


def cost_of_left(left: Iterable[LeftOver], gear: Mapping[str, Gear], worth: Mapping[str, float]) -> float:
    """What it costs to leave these. gear: by id; worth: points that each is worth to the wants."""
    return sum(
        over.count
        * leaving_costs(
            gear[over.item].size.litres(), worth.get(over.item, 0.0), safety=isinstance(gear[over.item], Safety)
        )
        for over in left
    )


def _fits_unpinned(packed: Packed, others: OtherBags) -> bool:
    """Whether all of a bag goes in once nothing is pinned."""
    if others.deadline is None or not any(b.pin for b in packed.luggage.blocks):
        return False
    loose = replace(packed.luggage, blocks=[replace(b, pin=None) for b in packed.luggage.blocks])
    return pack(loose, others.gap, others.deadline.soonest(_TRY_S), TRIAL).left == 0


def _would_take(block: Block, others: OtherBags) -> list[str]:
    """The smallest bags at home that it goes into."""
    loose = replace(block, pin=None)
    able = [s for s in others.spare if not (s.held and block.never_held)]
    return [s.bag for s in able if any(Assigner(s, others.gap).eligible(loose, room) for room in s.rooms)][:2]


def _helps(block: Block, packed: Packed, others: OtherBags) -> tuple[tuple[Elsewhere, ...], bool]:
    """Other bags in which it finds a place beside what lies there, each packed anew with it; and whether all were tried
    to the end.
    """
    if others.deadline is None:
        return (), False
    found: list[Elsewhere] = []
    tried, tries = True, 0
    loose = replace(block, pin=None)
    # Inserts first: what is worth a place is worth padding.
    inserts = {b.id for p in others.packed for b in p.luggage.blocks if b.padded}
    for other in sorted(others.packed, key=lambda p: p.luggage.bag not in inserts):
        luggage = other.luggage
        if other is packed or luggage.bag in block.items or (luggage.held and block.never_held):
            continue
        if not any(Assigner(luggage, others.gap).eligible(loose, room) for room in luggage.rooms):
            continue
        if tries >= _TRIES or others.deadline.stopped:
            return tuple(found), False
        tries += 1
        with_it = replace(luggage, blocks=[*luggage.blocks, loose])
        ways = [other.was, replace(other.was, hold=frozenset())] if other.was and other.was.hold else [other.was]
        for disturbs, was in enumerate(ways):
            more = pack(with_it, others.gap, others.deadline.soonest(_TRY_S), TRIAL, was)
            room = next((room for room, outcome in more.outcomes.items() if loose.id in outcome.placements), None)
            if more.left <= other.left and room is not None:
                found.append(Elsewhere(bag=luggage.bag, room=room, disturbs=bool(disturbs)))
                break
        else:
            tried = tried and more.proved
    return tuple(found), tried


def _helps_soft(soft: SoftBlock, count: int, packed: Packed, others: OtherBags) -> Iterable[Elsewhere]:
    """Other bags with litres to spare."""
    need = soft.litres / soft.count * count / SOFT_SHARE
    for other in others.packed:
        if other is packed:
            continue
        inside = {b.id: b for b in other.luggage.blocks}
        for room in other.luggage.rooms:
            hard = sum(inside[i].litres for i in other.outcomes[room.id].placements)
            held = sum(s.litres / s.count * n for s, n in other.shares.soft.get(room.id, ()))
            if room.sort != "sleeve" and hard + held / SOFT_SHARE + need <= room.litres:
                yield Elsewhere(bag=other.luggage.bag, room=room.id)
                break


def spare_bags(gear: Mapping[str, Gear], kit: Kit) -> list[BagToPack]:
    """Bags and inserts at hand that stay at home, the smallest first."""
    loaded = kit.loaded()
    at_hand = (t for t in gear.values() if t.standing == Standing.OWNED and t.absent is None and t.id not in loaded)
    able = [t for t in at_hand if isinstance(t, Bag | Insert)]
    return [
        BagToPack(t.id, rooms_of(t), held=isinstance(t, Bag) and t.piece == PieceKind.HOLD)
        for t in sorted(able, key=lambda t: t.volume_l)
    ]
