"""One bag: what goes in which of its spaces, and where it lies there."""

from dataclasses import dataclass, replace

from mule.base.deadline import Deadline
from mule.packing.assign import Assigner, Nogood, Shares
from mule.packing.keeping import NOWHERE, Lain, place_beside
from mule.packing.luggage import BagToPack
from mule.packing.placements import Outcome, PlacingOptions, cost_of_leaving, left_s
from mule.packing.placing import place

# Spaces are filled so far by volume at first, then further: full ones take long to place, or cannot be.
_FULLEST = (0.7, 0.85, 1.0)
_ROUNDS = 4


@dataclass
class Packed:
    """One bag: what lies where. was: how it lay before; still: more goes in
    if what may not be moved is."""

    luggage: BagToPack
    outcomes: dict[str, Outcome]
    shares: Shares
    proved: bool
    was: Lain | None = None
    still: bool = False

    @property
    def left(self) -> int:
        """Things without a place."""
        pieces = sum(len(o.left) for o in self.outcomes.values())
        return pieces + len(self.shares.left) + sum(n for _, n in self.shares.soft_left)

    @property
    def cost(self) -> float:
        """What it costs to leave those."""
        by_id = {b.id: b for b in self.luggage.blocks}
        over = [*self.shares.left, *(by_id[id_] for o in self.outcomes.values() for id_ in o.left)]
        return sum(map(cost_of_leaving, over)) + sum(s.litres / s.count * n for s, n in self.shares.soft_left)


def pack(luggage: BagToPack, gap: int, deadline: Deadline, options: PlacingOptions, was: Lain | None = None) -> Packed:
    """One bag: beside what lay there before, if it lay; anew only where more goes in that way.

    was: how it lay before; None packs it for the first time.
    """
    if was is None:
        return _anew(luggage, gap, deadline, options, NOWHERE)
    kept = _beside(luggage, gap, deadline, was)
    if kept is not None and not kept.left:
        return replace(kept, was=was)
    anew = _anew(luggage, gap, deadline, options, was)
    if kept is None or (anew.cost < kept.cost and not was.hold):
        return replace(anew, was=was)
    # Where nothing more goes in anew either, it is not for what may not be moved.
    return replace(kept, was=was, still=anew.cost < kept.cost, proved=anew.cost >= kept.cost and anew.proved)


def _beside(luggage: BagToPack, gap: int, deadline: Deadline, was: Lain) -> Packed | None:
    """What had a place keeps it, but for a thing or two. None where the spaces do not take what they took."""
    assigner = Assigner(luggage, gap, was=was, stay=True)
    best: Packed | None = None
    for _ in range(_ROUNDS):
        shares = assigner.share_out(1.0, deadline, 0)
        if not shares.blocks:
            return best
        outcomes: dict[str, Outcome] = {}
        for room in luggage.rooms:
            mine = shares.blocks.get(room.id, [])
            outcomes[room.id] = place_beside(room.size, room.id, mine, gap if room.divided else 0, was, deadline)
            if lost := outcomes[room.id].left:
                assigner.nogoods.append(Nogood(room.id, frozenset(b.id for b in mine), len(mine) - len(lost)))
        made = Packed(luggage, outcomes, shares, proved=False)
        if best is None or made.cost < best.cost:
            best = made
        if not any(o.left for o in outcomes.values()) or deadline.stopped:
            break
    return best


def _anew(luggage: BagToPack, gap: int, deadline: Deadline, options: PlacingOptions, was: Lain) -> Packed:
    """What fails together in a space is told back to the sharing out, until all is placed or time is up."""
    assigner = Assigner(luggage, gap, was=was)
    best: Packed | None = None
    sure = True
    for fullest in _FULLEST:
        for _ in range(_ROUNDS):
            shares = assigner.share_out(fullest, deadline, options.seed)
            outcomes: dict[str, Outcome] = {}
            for room in luggage.rooms:
                mine = shares.blocks.get(room.id, [])
                apart = gap if room.divided else 0
                outcomes[room.id] = place(
                    room.size, mine, apart, deadline, options, divided=room.divided, dividers=room.dividers
                )
                if lost := outcomes[room.id].left:
                    sure = sure and outcomes[room.id].proved
                    assigner.nogoods.append(Nogood(room.id, frozenset(b.id for b in mine), len(mine) - len(lost)))
            made = Packed(luggage, outcomes, shares, proved=sure and shares.proved)
            if best is None or made.cost < best.cost or (made.cost == best.cost and made.proved):
                best = made
            failed = any(o.left for o in outcomes.values())
            if made.left == 0 or not failed or left_s(deadline) <= 0.05:
                break
        if best is not None and (best.left == 0 or left_s(deadline) <= 0.05):
            break
    assert best is not None
    return best
