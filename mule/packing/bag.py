"""One bag: what goes in which of its spaces, and where it lies there."""

from dataclasses import dataclass

from mule.deadline import Deadline
from mule.packing.assign import Assigner, Nogood, Shares
from mule.packing.luggage import BagToPack
from mule.packing.placements import Outcome, PlacingOptions, left_s
from mule.packing.placing import place

# Spaces are filled so far by volume at first, then further: full ones take long to place, or cannot be.
_FULLEST = (0.7, 0.85, 1.0)
_ROUNDS = 4


@dataclass
class Packed:
    """One bag: what lies where."""

    luggage: BagToPack
    outcomes: dict[str, Outcome]
    shares: Shares
    proved: bool

    @property
    def left(self) -> int:
        """Things without a place."""
        pieces = sum(len(o.left) for o in self.outcomes.values())
        return pieces + len(self.shares.left) + sum(n for _, n in self.shares.soft_left)


def pack(luggage: BagToPack, gap: int, deadline: Deadline, options: PlacingOptions) -> Packed:
    """One bag. What fails together in a space is told back to the sharing out, until all is placed or time is up."""
    assigner = Assigner(luggage, gap)
    best: Packed | None = None
    sure = True
    for fullest in _FULLEST:
        for _ in range(_ROUNDS):
            shares = assigner.share_out(fullest, deadline, options.seed)
            outcomes: dict[str, Outcome] = {}
            for room in luggage.rooms:
                mine = shares.blocks.get(room.id, [])
                outcomes[room.id] = place(room.size, mine, gap if room.divided else 0, deadline, options)
                if lost := outcomes[room.id].left:
                    sure = sure and outcomes[room.id].proved
                    assigner.nogoods.append(Nogood(room.id, frozenset(b.id for b in mine), len(mine) - len(lost)))
            made = Packed(luggage, outcomes, shares, proved=sure and shares.proved)
            if best is None or made.left < best.left or (made.left == best.left and made.proved):
                best = made
            failed = any(o.left for o in outcomes.values())
            if made.left == 0 or not failed or left_s(deadline) <= 0.05:
                break
        if best is not None and (best.left == 0 or left_s(deadline) <= 0.05):
            break
    assert best is not None
    return best
