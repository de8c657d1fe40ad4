"""Spots in one space: corner and turn of each block, and what blocks may be to each other."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from mule.base.deadline import Deadline
from mule.packing.answer import Divider, Layout
from mule.packing.blocks import Block
from mule.packing.orientations import Orientation, Sides

# Enough for a thing or two.
_LEAST_S = 0.02
# In litres, more than any bag holds: a point of worth, and what keeps somebody safe, which comes before all points.
_POINT, _SAFETY = 50.0, 10_000.0


@dataclass(frozen=True)
class Placement:
    """Corner and turn of a block in its space."""

    at: Sides
    turn: Orientation

    def end(self, axis: int) -> int:
        """Where it ends along an axis."""
        return self.at[axis] + self.turn.sides[axis]


@dataclass(frozen=True)
class Outcome:
    """Spots by block. left: blocks that found no placement. proved: there is no way with fewer left over.

    layout: how things lie in a space with dividers; dividers: those of rows and cells.
    """

    placements: Mapping[str, Placement]
    left: tuple[str, ...]
    proved: bool
    layout: Layout = None
    dividers: tuple[Divider, ...] = ()


@dataclass(frozen=True)
class PlacingOptions:
    """How places are looked for. workers, seed: of the solver; with one worker the answer is repeatable.

    tidy_s: for moving heavy things low and to the back. rows: whether to lay things in rows and cells where there are
    dividers; whether all goes in does not hang on it. whole: share of the time for placing everything; the rest is
    for the best that leaves something over.
    """

    workers: int = 2
    seed: int = 0
    tidy_s: float = 0.4
    whole: float = 0.6
    rows: bool = True


USUAL = PlacingOptions()
# For whether all goes in, by trial.
TRIAL = PlacingOptions(tidy_s=0, rows=False)


def cost_of_leaving(block: Block) -> float:
    """What keeps somebody safe before all the rest, then what the wants ask for, then litres: what is large is what the
    bag was packed for."""
    return leaving_costs(block.litres, block.worth, safety=block.safety)


def leaving_costs(litres: float, worth: float, *, safety: bool) -> float:
    """Of a thing of so many litres and points."""
    return litres + _POINT * worth + (_SAFETY if safety else 0.0)


def left_s(deadline: Deadline) -> float:
    """Seconds left, never none at all: what is small goes in at once even when time is up."""
    return max(_LEAST_S, deadline.left_s)


def gap_between(one: Block, other: Block, gap: int) -> int:
    """The divider between two hard things; what carries its own padding needs none."""
    return 0 if one.padded or other.padded else gap


def orientations_in(room: Sides, block: Block) -> list[Orientation]:
    """The ways of laying a block down that the space has room for, and that a pin leaves open."""
    fits = [t for t in block.orientations if all(a <= b for a, b in zip(t.sides, room, strict=True))]
    if block.pin is None or block.pin.turn is None:
        return fits
    return [t for t in fits if t.of == block.pin.turn]


def settled(placements: Mapping[str, Placement], blocks: Iterable[Block], gap: int) -> dict[str, Placement]:
    """Everything pressed towards the back until it rests on the back, on a divider or on something else."""
    by_id = {b.id: b for b in blocks}
    done: dict[str, Placement] = {}
    for id_ in sorted(placements, key=lambda i: placements[i].at[2]):
        placement = placements[id_]
        pinned = by_id[id_].pin is not None and by_id[id_].pin.at_mm is not None  # type: ignore[union-attr]
        under = [
            other.end(2) + gap_between(by_id[id_], by_id[name], gap)
            for name, other in done.items()
            if other.at[2] < placement.end(2) and _near(placement, other, gap_between(by_id[id_], by_id[name], gap))
        ]
        depth = placement.at[2] if pinned else max(under, default=0)
        done[id_] = Placement((placement.at[0], placement.at[1], min(depth, placement.at[2])), placement.turn)
    return {id_: done[id_] for id_ in placements}


def _near(one: Placement, other: Placement, gap: int) -> bool:
    """Whether two things would be too close, seen from the front."""
    return all(one.at[k] < other.end(k) + gap and other.at[k] < one.end(k) + gap for k in (0, 1))


def cannot_support(under: Block, over: Block) -> bool:
    """Whether one must not lie on the other: heavier on fragile, or anything on what must come out quickly."""
    return (under.fragile and over.mass_g > under.mass_g) or under.access == "quick"
