"""What can stay where it lay stays: new things beside those that keep their place, or with as few moves as do.

A person has the bag in front of them. A packing that is better in theory and lies otherwise is worse in the hand
(docs/algorithms/packing.md).
"""

from collections.abc import Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from itertools import combinations

from mule.base.deadline import Deadline
from mule.packing.answer import Divider, Layout, Stowage
from mule.packing.blocks import Block
from mule.packing.construct import Constructor
from mule.packing.dividing import Rect, cells_between, divider_across, is_cut
from mule.packing.orientations import Orientation, Sides
from mule.packing.placements import (
    Outcome,
    Placement,
    cannot_support,
    gap_between,
    orientations_in,
)
from mule.plan.trip import Slot

# So many ways of moving one thing, or two, that lay there are tried before all is packed anew.
_MOVES, _TRIES = 2, 120


@dataclass(frozen=True)
class Before:
    """How a kit lay. hold: things that may not be moved, each with its bag: somebody has packed them already."""

    stowage: Stowage
    hold: frozenset[tuple[str, str]] = frozenset()


@dataclass(frozen=True)
class StowCase:
    """What a packing is to heed beside the kit.

    slots: of which every alternative is tried where the loaded one lies. before: how the kit lay; what can stay there
    stays. worth: points that each thing is worth to the wants: what is worth most is left over last.
    """

    slots: Sequence[Slot] = ()
    before: Before | None = None
    worth: Mapping[str, float] = field(default_factory=dict)


USUAL_CASE = StowCase()


@dataclass(frozen=True)
class KeptSpot:
    """Where a thing lay: its space and its spot there."""

    room: str
    placement: Placement


@dataclass(frozen=True)
class Lain:
    """How one bag lay before. homes: by block; dividers, layouts: by space; soft: the spaces that a soft thing had.

    hold: blocks and soft things that may not be moved, whatever finds no place then.
    """

    homes: Mapping[str, KeptSpot] = field(default_factory=dict)
    dividers: Mapping[str, Sequence[Divider]] = field(default_factory=dict)
    layouts: Mapping[str, Layout] = field(default_factory=dict)
    soft: Mapping[str, frozenset[str]] = field(default_factory=dict)
    hold: frozenset[str] = frozenset()


NOWHERE = Lain()


def lain(before: Before, bag: str, blocks: Sequence[Block]) -> Lain:
    """How a bag lay, for the blocks that are packed now. One of several takes the place that the only one had."""
    rooms = {room.room: room for room in before.stowage.rooms if room.bag == bag}
    soft = [one for one in before.stowage.soft if one.room in rooms]
    lay = {one.block: one for one in before.stowage.placed if one.room in rooms}
    homes = {}
    for block in blocks:
        one = lay.get(block.id) or lay.get(block.id.removesuffix("#1")) or lay.get(f"{block.id}#1")
        if one is None:
            continue
        turn = next((t for t in block.orientations if (t.sides, t.of) == (one.size_mm, one.turn)), None)
        if turn is not None:
            homes[block.id] = KeptSpot(one.room, Placement(one.at_mm, turn))
    return Lain(
        homes,
        {id_: room.dividers for id_, room in rooms.items()},
        {id_: room.layout for id_, room in rooms.items()},
        {s.item: frozenset(t.room for t in soft if t.item == s.item) for s in soft},
        frozenset(
            [b.id for b in blocks if b.id in homes and any((item, bag) in before.hold for item in b.items)]
            + [s.item for s in soft if (s.item, bag) in before.hold]
        ),
    )


def place_beside(room: Sides, id_: str, blocks: Sequence[Block], gap: int, was: Lain, deadline: Deadline) -> Outcome:
    """Everything into one space that lay before: what is new beside what keeps its place, else with one or two moves.

    What finds no place then is left. gap: of the space.
    """
    keeping = _Keeping(room, blocks, gap, was.dividers.get(id_, ()), was.layouts.get(id_))
    kept = keeping.still({b.id: was.homes[b.id].placement for b in blocks if _lay(was, b, id_)}, was.hold)
    best = keeping.with_kept(kept)
    if not best.left:
        return best
    for moved in _moves({one: placed for one, placed in kept.items() if one not in was.hold}, keeping.blocks):
        if deadline.stopped:
            break
        made = keeping.with_kept({one: placed for one, placed in kept.items() if one not in moved})
        if not made.left:
            return made
    return best


def _lay(was: Lain, block: Block, room: str) -> bool:
    return block.id in was.homes and was.homes[block.id].room == room


def _moves(kept: Mapping[str, Placement], blocks: Mapping[str, Block]) -> Iterator[frozenset[str]]:
    """Which things to move: one of them, then two, small ones first."""
    loose = sorted((id_ for id_ in kept if blocks[id_].pin is None), key=lambda id_: (blocks[id_].litres, id_))
    tries = 0
    for count in range(1, _MOVES + 1):
        for some in combinations(loose, count):
            tries += 1
            if tries > _TRIES:
                return
            yield frozenset(some)


class _Keeping:
    """One space, what goes into it and the dividers that stand there."""

    def __init__(
        self, room: Sides, blocks: Sequence[Block], gap: int, dividers: Sequence[Divider], layout: Layout
    ) -> None:
        self.blocks = {b.id: b for b in blocks}
        self._room, self._gap, self._dividers, self._layout = room, gap, dividers, layout
        self._constructor = Constructor(room, blocks, gap)

    def still(self, lay: Mapping[str, Placement], hold: Collection[str]) -> dict[str, Placement]:
        """Those that may go on lying there: within the space and the pins, apart, on nothing that cannot carry them.

        hold: those that stay before any other.
        """
        kept: dict[str, Placement] = {}
        for id_, placed in sorted(
            lay.items(), key=lambda one: (one[0] not in hold, -self.blocks[one[0]].litres, one[0])
        ):
            inside = all(placed.end(k) <= self._room[k] for k in range(3))
            pin = self.blocks[id_].pin
            there = pin is None or pin.at_mm is None or tuple(round(mm) for mm in pin.at_mm) == placed.at
            turned = placed.turn in orientations_in(self._room, self.blocks[id_])
            if inside and there and turned and all(self._apart(id_, placed, o, p) for o, p in kept.items()):
                kept[id_] = placed
        return kept

    def _apart(self, id_: str, placed: Placement, other_id: str, other: Placement) -> bool:
        one, two = self.blocks[id_], self.blocks[other_id]
        gap = gap_between(one, two, self._gap)
        between = [max(placed.at[k] - other.end(k), other.at[k] - placed.end(k)) for k in range(3)]
        if max(between) < gap:
            return False
        if between[0] >= 0 or between[1] >= 0:
            return True
        under, over = (two, one) if placed.at[2] >= other.end(2) else (one, two)
        return not cannot_support(under, over)

    def with_kept(self, kept: Mapping[str, Placement]) -> Outcome:
        """What is not kept goes in beside what is, from large to small."""
        order = sorted((i for i in self.blocks if i not in kept), key=lambda i: (-self.blocks[i].litres, i))
        # A thing that is pinned to a spot may stand across any divider.
        pinned = any(b.pin is not None and b.pin.at_mm is not None for b in self.blocks.values())
        if self._layout == "cells" and not pinned:
            return self._in_cells(kept, order)
        best = min(
            (self._constructor.build(order, axes, kept) for axes in ((2, 1, 0), (0, 1, 2))), key=lambda m: m.cost
        )
        return Outcome(dict(best.placements), tuple(best.left), not best.left, layout=self._layout and "free")

    def _in_cells(self, kept: Mapping[str, Placement], order: Sequence[str]) -> Outcome:
        placements, dividers, left = dict(kept), list(self._dividers), []
        for id_ in order:
            found = next(self._spots(id_, placements, dividers), None)
            if found is None:
                left.append(id_)
                continue
            placements[id_] = found[0]
            dividers += found[1]
        return Outcome(placements, tuple(left), not left, layout="cells", dividers=tuple(dividers))

    def _spots(
        self, id_: str, placements: Mapping[str, Placement], dividers: Sequence[Divider]
    ) -> Iterator[tuple[Placement, list[Divider]]]:
        """Free cells, smallest first; then new cells beside what lies in one; then on top of what lies in one."""
        block = self.blocks[id_]
        if block.padded or (block.pin is not None and block.pin.at_mm is not None):
            return
        turns = orientations_in(self._room, block)
        cells = sorted(cells_between(self._room, dividers), key=lambda c: (c.width * c.height, c.x, c.y))
        held = {c: [(i, p) for i, p in placements.items() if c.holds(p.at)] for c in cells}
        for cell in cells:
            if not held[cell]:
                for turn in turns:
                    if _goes(turn, cell):
                        yield Placement((cell.x, cell.y, 0), turn), []
        # What carries its own padding stands without dividers: nothing new is fixed to it.
        hard = [c for c in cells if held[c] and not any(self.blocks[i].padded for i, _ in held[c])]
        for cell in hard:
            yield from self._cut(cell, held[cell], turns)
        for cell in hard:
            for turn in turns:
                if (on := self._on(block, turn, cell, held[cell])) is not None:
                    yield on, []

    def _cut(
        self, cell: Rect, held: Sequence[tuple[str, Placement]], turns: Sequence[Orientation]
    ) -> Iterator[tuple[Placement, list[Divider]]]:
        """A new divider across a cell, on either side of what lies in it."""
        for axis in (0, 1):
            low = min(p.at[axis] for _, p in held) - cell.start(axis)
            high = max(p.end(axis) for _, p in held) - cell.start(axis)
            for near in (low - self._gap, high):
                if not is_cut(cell, axis, near, self._gap):
                    continue
                one, other = cell.cut(axis, near, self._gap)
                free = other if near == high else one
                for turn in turns:
                    if free is not None and _goes(turn, free):
                        placed = Placement((free.x, free.y, 0), turn)
                        yield placed, [divider_across(cell, axis, near, self._gap, self._room)]

    def _on(
        self, block: Block, turn: Orientation, cell: Rect, held: Sequence[tuple[str, Placement]]
    ) -> Placement | None:
        """In front of all that lies in a cell."""
        top = max(p.end(2) for _, p in held) + self._gap
        fits = _goes(turn, cell) and top + turn.sides[2] <= self._room[2]
        if not fits or any(cannot_support(self.blocks[i], block) for i, _ in held):
            return None
        return Placement((cell.x, cell.y, top), turn)


def _goes(turn: Orientation, cell: Rect) -> bool:
    return turn.sides[0] <= cell.width and turn.sides[1] <= cell.height
