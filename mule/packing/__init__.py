"""Packing: does it fit, and where does it go? The front door is ``stow`` (domain 10).

Two steps that talk: which compartment each thing goes into (``assign``), then where in it (``place``); what cannot be
placed together is told back as a limit, until everything has a place, or time is up and the best so far is the answer.
"""

from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from time import monotonic
from typing import Annotated

from pydantic import Field

from mule.finding import InBag
from mule.gear import Bag, Gear
from mule.kit import Kit
from mule.packing.answer import (
    Elsewhere,
    LeftOver,
    Placed,
    Proof,
    RoomUse,
    SoftPlaced,
    Stowage,
    Strapped,
    Why,
)
from mule.packing.assign import SOFT_SHARE, Assigner, Limit, Shares
from mule.packing.place import Effort, Outcome, Spot, place, turns_in
from mule.packing.proof import faults, layers, lies_on
from mule.packing.rooms import Block, Luggage, Room, SoftBlock, Turn, luggage_of, rooms_of, turns_of
from mule.units import Frozen

# Spaces are filled so far by volume at first, then further: full ones take long to place, or cannot be.
_FULLEST = (0.7, 0.85, 1.0)
_ROUNDS = 4
_TRIES = 6
_TRY_S = 0.8


class Looking(Frozen):
    """How long to look, over all bags. workers, seed: of the solver; with one worker the answer is repeatable."""

    seconds: Annotated[float, Field(gt=0, le=120)] = 8.0
    workers: int = 2
    seed: int = 0


@dataclass
class _Packed:
    """One bag: what lies where."""

    luggage: Luggage
    outcomes: dict[str, Outcome]
    shares: Shares
    proved: bool

    @property
    def left(self) -> int:
        """Things without a place."""
        pieces = sum(len(o.left) for o in self.outcomes.values())
        return pieces + len(self.shares.left) + sum(n for _, n in self.shares.soft_left)


def stow(
    gear: Mapping[str, Gear], kit: Kit, looking: Looking | None = None, news: Callable[[Stowage], None] | None = None
) -> Stowage:
    """Where everything lies, or what does not fit, and whether that is proved.

    gear: by id. news: is called with what is packed so far, each time another bag is done.
    """
    for answer in stowing(gear, kit, looking):
        if news:
            news(answer)
    return answer


def stowing(gear: Mapping[str, Gear], kit: Kit, looking: Looking | None = None) -> Iterator[Stowage]:
    """What is packed so far, each time another bag is done, then the whole answer.

    Never longer than ``looking.seconds`` and a little: then the best so far is the answer.
    """
    looking = looking or Looking()
    end = monotonic() + looking.seconds
    gap = round(kit.stow.gap_mm)
    bags = luggage_of(gear, kit)
    done: list[_Packed] = []
    # The bags with least to pack first: their time goes to the others.
    for rest, luggage in enumerate(sorted(bags, key=lambda b: len(b.blocks))):
        share = (end - monotonic()) / (len(bags) - rest)
        effort = Effort(until=monotonic() + max(0.1, share), workers=looking.workers, seed=looking.seed)
        done.append(_pack(luggage, gap, effort))
        yield _told(gear, kit, bags, done, gap, end, final=False)
    yield _told(gear, kit, bags, done, gap, end, final=True)


def left_in(gear: Mapping[str, Gear], kit: Kit, bag: str, looking: Looking) -> tuple[dict[str, int], bool]:
    """Pieces that find no place in one bag or insert, by item, and whether that is proved. Nothing is tidied."""
    luggage = next(one for one in luggage_of(gear, kit) if one.bag == bag)
    effort = Effort.of(looking.seconds, workers=looking.workers, seed=looking.seed, tidy_s=0)
    packed = _pack(luggage, round(kit.stow.gap_mm), effort)
    left: dict[str, int] = {}
    for over in _left(packed, [], 0, 0.0):
        left[over.item] = left.get(over.item, 0) + over.count
    return left, packed.proved


def _pack(luggage: Luggage, gap: int, effort: Effort) -> _Packed:
    """One bag. What fails together in a space is told back to the sharing out, until all is placed or time is up."""
    assigner = Assigner(luggage, gap)
    best: _Packed | None = None
    sure = True
    for fullest in _FULLEST:
        for _ in range(_ROUNDS):
            shares = assigner.share_out(fullest, effort)
            outcomes: dict[str, Outcome] = {}
            for room in luggage.rooms:
                mine = shares.blocks.get(room.id, [])
                outcomes[room.id] = place(room.size, mine, gap if room.divided else 0, effort)
                if lost := outcomes[room.id].left:
                    sure = sure and outcomes[room.id].proved
                    assigner.limits.append(Limit(room.id, frozenset(b.id for b in mine), len(mine) - len(lost)))
            made = _Packed(luggage, outcomes, shares, proved=sure and shares.proved)
            if best is None or made.left < best.left or (made.left == best.left and made.proved):
                best = made
            failed = any(o.left for o in outcomes.values())
            if made.left == 0 or not failed or effort.left_s <= 0.05:
                break
        if best is not None and (best.left == 0 or effort.left_s <= 0.05):
            break
    assert best is not None
    return best


def _told(
    gear: Mapping[str, Gear],
    kit: Kit,
    bags: Sequence[Luggage],
    done: Sequence[_Packed],
    gap: int,
    end: float,
    *,
    final: bool,
) -> Stowage:
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
    left = [over for p in done for over in _left(p, done, gap, end if final else 0.0)]
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


def _placed(packed: _Packed) -> Iterable[Placed]:
    blocks = {b.id: b for b in packed.luggage.blocks}
    for room, outcome in packed.outcomes.items():
        for id_, spot in outcome.spots.items():
            block = blocks[id_]
            yield Placed(
                block=id_,
                items=block.items,
                count=block.count,
                room=room,
                at_mm=spot.at,
                size_mm=spot.turn.sides,
                turn=spot.turn.of,
                round=spot.turn.round,
                hard=not block.padded,
                mass_g=block.mass_g,
                pinned=block.pin is not None,
                layer=0,
            )


def _use(room: Room, packed: _Packed, placed: Sequence[Placed], soft: Sequence[SoftPlaced], gap: int) -> RoomUse:
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


def _left(packed: _Packed, done: Sequence[_Packed], gap: int, end: float) -> Iterable[LeftOver]:
    blocks = {b.id: b for b in packed.luggage.blocks}
    proof: Proof = "proved" if packed.proved else "ran-out"
    over = [*packed.shares.left, *(blocks[id_] for o in packed.outcomes.values() for id_ in o.left)]
    for block in over:
        too_large = not any(turns_in(room.size, block) for room in packed.luggage.rooms)
        why: Why = "too-large" if too_large else "pins" if block.pin else "no-room"
        for item in block.items:
            yield LeftOver(
                item=item,
                count=block.count,
                bag=packed.luggage.bag,
                why=why,
                proof="proved" if too_large else proof,
                helps=tuple(_helps(block, packed, done, gap, end)),
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


def _helps(block: Block, packed: _Packed, done: Sequence[_Packed], gap: int, end: float) -> Iterable[Elsewhere]:
    """Other bags in which it finds a place beside what lies there, tried out one after the other."""
    tries = 0
    # Inserts first: what is worth a place is worth padding.
    inserts = {b.id for p in done for b in p.luggage.blocks if b.padded}
    for other in sorted(done, key=lambda p: p.luggage.bag not in inserts):
        if other is packed or other.luggage.bag in block.items:
            continue
        assigner = Assigner(other.luggage, gap)
        inside = {b.id: b for b in other.luggage.blocks}
        for room in other.luggage.rooms:
            if tries >= _TRIES or monotonic() > end or not assigner.eligible(replace(block, pin=None), room):
                continue
            tries += 1
            here = [inside[i] for i in other.outcomes[room.id].spots]
            effort = Effort(until=min(end, monotonic() + _TRY_S), tidy_s=0)
            if not place(room.size, [*here, replace(block, pin=None)], gap if room.divided else 0, effort).left:
                yield Elsewhere(bag=other.luggage.bag, room=room.id)
                break


def _helps_soft(soft: SoftBlock, count: int, packed: _Packed, done: Sequence[_Packed]) -> Iterable[Elsewhere]:
    need = soft.litres / soft.count * count / SOFT_SHARE
    for other in done:
        if other is packed:
            continue
        inside = {b.id: b for b in other.luggage.blocks}
        for room in other.luggage.rooms:
            hard = sum(inside[i].litres for i in other.outcomes[room.id].spots)
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


__all__ = [
    "Block",
    "Effort",
    "Elsewhere",
    "LeftOver",
    "Looking",
    "Outcome",
    "Placed",
    "Room",
    "RoomUse",
    "SoftPlaced",
    "Spot",
    "Stowage",
    "Strapped",
    "Turn",
    "faults",
    "left_in",
    "lies_on",
    "place",
    "rooms_of",
    "stow",
    "stowing",
    "turns_of",
]
