"""Rows and cells: a packing that can be built of straight dividers, as deep as the space.

A space is cut by long dividers into rows, a row by short ones into cells, a cell once more at most; a cell holds one
thing, or things on each other with padding between. Seen from the front that is a guillotine cutting with free
rectangles (J. Jylänki, A thousand ways to pack the bin, 2010), here with depth: things go one by one into the free
rectangle and turn that waste least, or onto a stack. Many orders are tried, seeded and counted, not timed: the same
things lie the same way every time (docs/algorithms/packing.md).
"""

import random
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from itertools import pairwise

from mule.base.deadline import Deadline
from mule.packing.answer import Divider
from mule.packing.blocks import Block
from mule.packing.dividing import Rect, divider_across, unfixed
from mule.packing.orientations import Orientation, Sides
from mule.packing.placements import Placement, cannot_support, gap_between, orientations_in

# Rows, cells, and cells cut once more.
_MOST_LEVELS = 3
# Orders that are tried, fewer where each takes long; more of them once one did, for a plan with fewer dividers.
_TRIES, _LEAST_TRIES, _WORK = 1_200, 6, 300_000
_AFTER = 100
# What a thing that lies under another is worth in dividers: it cannot be taken out by itself.
_UNDER = 2.0
# What nobody builds: a divider shorter than this (mm; estimate). Small things lie on each other before.
_SHORTEST_MM, _TOO_SHORT = 50, 2.0
# One that the insert does not have.
_MISSING = 4.0
# What its weight is worth in dividers, lower by the whole height, or nearer to the middle by the whole width.
_LOW, _MIDDLE = 4.0, 2.0


@dataclass(frozen=True)
class CellPlan:
    """Everything in one space. placements: by block; dividers: straight ones, from wall to wall or between."""

    placements: dict[str, Placement]
    dividers: tuple[Divider, ...]


@dataclass
class _Node:
    """A rectangle of the space seen from the front: cut in two, or a cell. cut: axis along which it is cut.

    level: how often the direction of cuts has changed down to here; axis: of the cut it comes from.
    """

    rect: Rect
    level: int = 0
    axis: int | None = None
    cut: int | None = None
    parts: tuple["_Node", "_Node"] | None = None
    stack: list[tuple[Block, Orientation]] = field(default_factory=list)
    padded: bool = False

    def leaves(self) -> Iterator["_Node"]:
        """Cells, used or free."""
        if self.parts is None:
            yield self
        else:
            for part in self.parts:
                yield from part.leaves()

    def blocks(self) -> Iterator[Block]:
        """All that lies in it."""
        for leaf in self.leaves():
            yield from (block for block, _ in leaf.stack)

    @property
    def empty(self) -> bool:
        """Whether nothing lies in it."""
        return not any(leaf.stack for leaf in self.leaves())


@dataclass(frozen=True)
class _Manner:
    """How one try weighs: the first cut's axis, room against fit, and what a stack costs (None: no stacks)."""

    rows: int
    room: float
    stack: float | None


def in_cells(
    room: Sides, blocks: Sequence[Block], gap: int, deadline: Deadline, seed: int = 0, there_are: int | None = None
) -> CellPlan | None:
    """Everything in rows and cells, with as few dividers as were found; None where no order did.

    room: inner sides in whole millimetres; gap: thickness of a divider and of padding. there_are: so
    many dividers; one more is made of something only where it must be.
    """
    if any(b.pin is not None and b.pin.at_mm is not None for b in blocks):
        return None
    turns = {b.id: orientations_in(room, b) for b in blocks}
    if not blocks or not all(turns.values()):
        return None
    chance = random.Random(seed)
    tries = max(_LEAST_TRIES, min(_TRIES, _WORK // len(blocks) ** 2))
    best: tuple[float, CellPlan] | None = None
    after = _AFTER
    for number in range(tries):
        if deadline.stopped or (best is not None and after <= 0):
            break
        after -= best is not None
        top = _filled(room, blocks, turns, gap, _manner(number, chance), chance)
        if top is None:
            continue
        made = _plan(top, room, gap)
        if unfixed(room, made.dividers):
            continue
        cost = _cost(made, blocks, room, there_are)
        if best is None or cost < best[0]:
            best = (cost, made)
    return best[1] if best else None


def _manner(number: int, chance: random.Random) -> _Manner:
    """Cells with one thing each at first, then stacks too."""
    stack = (None, 1.0, 0.3)[number % 3] if number else None
    return _Manner(rows=number // 3 % 2, room=chance.uniform(0.5, 1.5), stack=stack)


def _filled(
    room: Sides,
    blocks: Sequence[Block],
    turns: dict[str, list[Orientation]],
    gap: int,
    manner: _Manner,
    chance: random.Random,
) -> _Node | None:
    """One order, from large to small: None where something finds no place."""
    weight = {b.id: b.litres * chance.uniform(0.7, 1.3) for b in blocks}
    top = _Node(Rect(0, 0, room[0], room[1]))
    for block in sorted(blocks, key=lambda b: (not b.padded, -weight[b.id])):
        found: tuple[float, _Node, Orientation] | None = None
        for leaf in top.leaves():
            for turn in turns[block.id]:
                cost = _waste(leaf, block, turn, room, gap, manner)
                if cost is not None and (found is None or cost < found[0]):
                    found = (cost, leaf, turn)
        if found is None:
            return None
        _put(found[1], block, found[2], gap, manner)
    return top


def _waste(leaf: _Node, block: Block, turn: Orientation, room: Sides, gap: int, manner: _Manner) -> float | None:
    """What it costs to put a thing there; None where it cannot be."""
    x, y, z = turn.sides
    wide, high = leaf.rect.width - x, leaf.rect.height - y
    if wide < 0 or high < 0 or z > room[2]:
        return None
    if not leaf.stack:
        return manner.room * x * y + min(wide, high) * max(x, y)
    if manner.stack is None or leaf.padded != block.padded or _stacked(leaf, block, turn, room[2], gap) is None:
        return None
    return manner.stack * (x * y + wide * high)


def _stacked(
    leaf: _Node, block: Block, turn: Orientation, deep: int, gap: int
) -> list[tuple[Block, Orientation]] | None:
    """The stack with one more: heavy things at the back, what shall come out quickly in front."""
    stack = sorted([*leaf.stack, (block, turn)], key=lambda one: (one[0].access == "quick", -one[0].mass_g))
    if stack_depth(stack, gap) > deep:
        return None
    pairs = ((under, over) for n, (under, _) in enumerate(stack) for over, _ in stack[n + 1 :])
    return None if any(cannot_support(under, over) for under, over in pairs) else stack


def stack_depth(stack: Sequence[tuple[Block, Orientation]], gap: int) -> int:
    """Millimetres from the back that things on each other take, with the padding between them."""
    between = sum(gap_between(one, other, gap) for (one, _), (other, _) in pairwise(stack))
    return between + sum(turn.sides[2] for _, turn in stack)


def _put(leaf: _Node, block: Block, turn: Orientation, gap: int, manner: _Manner) -> None:
    """Into a free rectangle, which is cut twice: along the row first, as long as there are rows to make."""
    if leaf.stack:
        made = _stacked(leaf, block, turn, 1 << 30, gap)
        assert made is not None
        leaf.stack = made
        return
    first = manner.rows if leaf.axis is None else leaf.axis
    x, y = turn.sides[:2]
    sides = (x, y)
    node = leaf
    for axis in (first, 1 - first):
        used, free = node.rect.cut(axis, sides[axis], 0 if block.padded and axis != first else gap)
        if free is None:
            continue
        level = node.level + (node.axis != axis)
        if level > _MOST_LEVELS:
            break
        node.cut = axis
        node.parts = (_Node(used, level, axis), _Node(free, level, axis))
        node = node.parts[0]
    node.stack, node.padded = [(block, turn)], block.padded


def _plan(top: _Node, room: Sides, gap: int) -> CellPlan:
    """Where things lie and dividers stand: rectangles that stayed empty go to their neighbours."""
    placements: dict[str, Placement] = {}
    dividers: list[Divider] = []

    def lay(node: _Node, rect: Rect) -> None:
        if node.parts is None:
            z = 0
            for n, (block, turn) in enumerate(node.stack):
                z += gap_between(node.stack[n - 1][0], block, gap) if n else 0
                placements[block.id] = Placement((rect.x, rect.y, z), turn)
                z += turn.sides[2]
            return
        one, other = node.parts
        # A rectangle is cut where something was put into the first part.
        if other.empty:
            lay(one, rect)
            return
        axis = node.cut
        assert axis is not None
        near = one.rect.end(axis) - one.rect.start(axis)
        thick = other.rect.start(axis) - one.rect.end(axis)
        used, free = rect.cut(axis, near, thick)
        assert free is not None
        soft = all(b.padded for b in one.blocks()) or all(b.padded for b in other.blocks())
        if not soft:
            dividers.append(divider_across(rect, axis, near, thick, room))
        lay(one, used)
        lay(other, free)

    lay(top, top.rect)
    return CellPlan(placements, tuple(dividers))


def _cost(plan: CellPlan, blocks: Sequence[Block], room: Sides, there_are: int | None) -> float:
    """Fewer dividers, less under other things, heavy things low."""
    under = sum(placed.at[2] > 0 for placed in plan.placements.values())
    mass = sum(b.mass_g for b in blocks) or 1.0
    low, across = (
        sum(b.mass_g * (plan.placements[b.id].at[k] + plan.placements[b.id].end(k)) for b in blocks)
        / mass
        / 2
        / room[k]
        for k in (0, 1)
    )
    missing = 0 if there_are is None else max(0, len(plan.dividers) - there_are)
    short = sum(d.length_mm < _SHORTEST_MM for d in plan.dividers)
    built = len(plan.dividers) + _TOO_SHORT * short + _MISSING * missing
    return built + _UNDER * under + _LOW * low + _MIDDLE * abs(across - 0.5)
