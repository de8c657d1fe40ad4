"""An independent look at a packing: plain arithmetic on what was answered, nothing shared with the search."""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from itertools import combinations

from mule.packing.answer import Divider, Placed, RoomUse


def faults(
    rooms: Iterable[RoomUse],
    placed: Sequence[Placed],
    gap_mm: float,
    *,
    padded: Iterable[str],
    fragile: Iterable[str],
) -> list[str]:
    """Everything that is wrong: out of bounds, overlapping or too close, heavier things on fragile ones, or dividers
    that cannot be built.

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
    for room in spaces.values():
        if room.layout == "cells":
            here = [one for one in placed if one.room == room.room]
            found += _unbuildable(room, here, [one for one in here if one.block not in soft_walls])
    return found


def _unbuildable(room: RoomUse, placed: Sequence[Placed], hard: Sequence[Placed]) -> Iterator[str]:
    """Dividers that go through something, or hang free; hard things side by side with none between them."""
    walls = [_box(divider) for divider in room.dividers]
    whole = (0, 0, *room.size_mm[:2])
    for n, (wall, divider) in enumerate(zip(walls, room.dividers, strict=True)):
        name = f"the divider at {divider.at_mm} of {room.room}"
        others = walls[:n] + walls[n + 1 :]
        if any(_meet(wall, other) for other in others) or any(_meet(wall, _front(one)) for one in placed):
            yield f"{name} goes through something"
        along = 1 if divider.across == "x" else 0
        if not (wall[0] >= 0 and wall[1] >= 0 and wall[2] <= whole[2] and wall[3] <= whole[3]):
            yield f"{name} leaves it"
        for end, side in ((wall[along], whole[along]), (wall[along + 2], whole[along + 2])):
            if end != side and not any(end in (o[along], o[along + 2]) and _spans(o, wall, 1 - along) for o in others):
                yield f"{name} hangs free"
    for one, other in combinations(hard, 2):
        if _apart(one, other, 2) < 0 and not any(_between(_front(one), _front(other), wall) for wall in walls):
            yield f"nothing stands between {one.block} and {other.block}"


# Left, low, right and high of a rectangle seen from the front.
_Box = tuple[float, float, float, float]


def _box(divider: Divider) -> _Box:
    near, far = divider.at_mm, divider.at_mm + divider.thick_mm
    start, end = divider.from_mm, divider.from_mm + divider.length_mm
    return (near, start, far, end) if divider.across == "x" else (start, near, end, far)


def _front(one: Placed) -> _Box:
    (x, y, _), (wide, high, _) = one.at_mm, one.size_mm
    return x, y, x + wide, y + high


def _meet(one: _Box, other: _Box) -> bool:
    return all(one[k] < other[k + 2] and other[k] < one[k + 2] for k in (0, 1))


def _spans(holder: _Box, held: _Box, axis: int) -> bool:
    return holder[axis] <= held[axis] and held[axis + 2] <= holder[axis + 2]


def _between(one: _Box, other: _Box, wall: _Box) -> bool:
    """Whether the way from middle to middle leads through a wall (Liang and Barsky 1984)."""
    first, last = 0.0, 1.0
    for k in (0, 1):
        start = (one[k] + one[k + 2]) / 2
        way = (other[k] + other[k + 2]) / 2 - start
        if way == 0:
            if not wall[k] <= start <= wall[k + 2]:
                return False
            continue
        low, high = sorted(((wall[k] - start) / way, (wall[k + 2] - start) / way))
        first, last = max(first, low), min(last, high)
    return first <= last


def _apart(one: Placed, other: Placed, axis: int) -> int:
    """Room between two things along an axis; less than 0 when they overlap there."""
    return max(
        one.at_mm[axis] - other.at_mm[axis] - other.size_mm[axis],
        other.at_mm[axis] - one.at_mm[axis] - one.size_mm[axis],
    )


def lies_on(over: Placed, under: Placed) -> bool:
    """Whether one thing lies further out than another and covers part of it."""
    return over.at_mm[2] >= under.at_mm[2] + under.size_mm[2] and all(_apart(over, under, axis) < 0 for axis in (0, 1))


def layers(placed: Sequence[Placed]) -> Mapping[tuple[str, str], int]:
    """By space and block: how many others must come out first. A block's name is its own within one bag only."""
    above = {
        (one.room, one.block): [
            (other.room, other.block) for other in placed if other.room == one.room and lies_on(other, one)
        ]
        for one in placed
    }

    def over(block: tuple[str, str]) -> set[tuple[str, str]]:
        found: set[tuple[str, str]] = set()
        todo = list(above[block])
        while todo:
            if (name := todo.pop()) not in found:
                found.add(name)
                todo += above[name]
        return found

    return {block: len(over(block)) for block in above}
