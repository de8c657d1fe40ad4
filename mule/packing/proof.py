"""An independent look at a packing: plain arithmetic on what was answered, nothing shared with the search."""

from collections.abc import Iterable, Mapping, Sequence
from itertools import combinations

from mule.packing.answer import Placed, RoomUse


def faults(
    rooms: Iterable[RoomUse],
    placed: Sequence[Placed],
    gap_mm: float,
    *,
    padded: Iterable[str],
    fragile: Iterable[str],
) -> list[str]:
    """Everything that is wrong: out of bounds, overlapping or too close, or heavier things on fragile ones.

    padded: ids of blocks that need no divider. fragile: of blocks that carry nothing heavier.
    """
    spaces = {room.room: room for room in rooms}
    soft_walls, delicate = set(padded), set(fragile)
    found = []
    for one in placed:
        for axis in range(3):
            low, high = one.at_mm[axis], one.at_mm[axis] + one.size_mm[axis]
            if low < 0 or high > spaces[one.room].size_mm[axis]:
                found.append(f"{one.block} leaves {one.room}")
    for one, other in combinations(placed, 2):
        if one.room != other.room:
            continue
        gap = 0 if {one.block, other.block} & soft_walls or not spaces[one.room].divided else gap_mm
        apart = max(_apart(one, other, axis) for axis in range(3))
        if apart < gap:
            found.append(f"{one.block} and {other.block} are {apart} mm apart")
        for under, over in ((one, other), (other, one)):
            if under.block in delicate and over.mass_g > under.mass_g and lies_on(over, under):
                found.append(f"{over.block} lies on {under.block}")
    return found


def _apart(one: Placed, other: Placed, axis: int) -> int:
    """Room between two things along an axis; less than 0 when they overlap there."""
    return max(
        one.at_mm[axis] - other.at_mm[axis] - other.size_mm[axis],
        other.at_mm[axis] - one.at_mm[axis] - one.size_mm[axis],
    )


def lies_on(over: Placed, under: Placed) -> bool:
    """Whether one thing lies further out than another and covers part of it."""
    return over.at_mm[2] >= under.at_mm[2] + under.size_mm[2] and all(_apart(over, under, axis) < 0 for axis in (0, 1))


def layers(placed: Sequence[Placed]) -> Mapping[str, int]:
    """By block: how many others must come out first."""
    above = {
        one.block: [other.block for other in placed if other.room == one.room and lies_on(other, one)] for one in placed
    }

    def over(block: str) -> set[str]:
        found: set[str] = set()
        todo = list(above[block])
        while todo:
            if (name := todo.pop()) not in found:
                found.add(name)
                todo += above[name]
        return found

    return {block: len(over(block)) for block in above}
