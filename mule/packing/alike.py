"""Many things of few kinds: stacks of like things, each into what is left of the space beside and on the others.

A space is cut off where a stack ends, three times, and each part is filled in turn (J. A. George and D. F. Robinson, A
heuristic for packing boxes into a container, 1980); which stack comes next is chosen by its volume, with some chance,
again and again. Repeatable: chance is seeded.
"""

import random
from collections.abc import Iterator, Sequence
from typing import NamedTuple

from mule.base.deadline import Deadline
from mule.packing.blocks import Block
from mule.packing.orientations import Orientation, Sides
from mule.packing.placements import Placement, cost_of_leaving, orientations_in

# So many of each kind on the average are worth stacking.
_LIKE = 3
# How far chance goes beside the volume of a stack.
_CHANCE = 0.35
# What a look at one sort of thing for one stack counts as where work is measured (mule.base.deadline), in seconds.
_LOOKED_AT_S = 5e-6


class _Room(NamedTuple):
    at: Sides
    sides: Sides


class _Stack(NamedTuple):
    """So many of a kind along each axis."""

    kind: int
    turn: Orientation
    along: Sides

    @property
    def pieces(self) -> int:
        """Things in it."""
        return self.along[0] * self.along[1] * self.along[2]


class Stacker:
    """Stacks what is to go into one space."""

    def __init__(self, room: Sides, blocks: Sequence[Block], gap: int) -> None:
        self._gap = 0 if any(block.padded for block in blocks) else gap
        self._room = _grown(room, self._gap)
        kinds: dict[tuple[object, ...], list[Block]] = {}
        for block in blocks:
            kinds.setdefault(tuple(turn.sides for turn in block.orientations), []).append(block)
        self._kinds = list(kinds.values())
        self._turns = [orientations_in(room, alike[0]) for alike in self._kinds]
        self._cost = [cost_of_leaving(alike[0]) for alike in self._kinds]
        plain = not any(b.pin or b.fragile or b.access == "quick" for b in blocks)
        # Nothing is said here of what may lie on what.
        self.worth_it = plain and (self._gap == gap) and len(blocks) >= _LIKE * len(self._kinds)

    def best(self, deadline: Deadline, seed: int) -> dict[str, Placement]:
        """The best of as many tries as there is time for: what leaves the least over by cost."""
        chance, most, found = random.Random(seed), -1.0, {}
        while not deadline.stopped:
            stacks = list(self._filled(chance))
            deadline.clock.stepped(_LOOKED_AT_S * len(self._kinds) * (1 + len(stacks)))
            brings = sum(stack.pieces * self._cost[stack.kind] for stack, _ in stacks)
            if brings > most:
                most, found = brings, dict(self._laid(stacks))
            if len(found) == sum(map(len, self._kinds)):
                break
        return found

    def _filled(self, chance: random.Random) -> Iterator[tuple[_Stack, Sides]]:
        """Stacks and their corners, one try."""
        left = [len(alike) for alike in self._kinds]
        will = [chance.uniform(1 - _CHANCE, 1 + _CHANCE) for _ in left]
        rooms = [_Room((0, 0, 0), self._room)]
        while rooms:
            room = min(rooms, key=lambda one: (one.at[2], one.at[0], one.at[1]))
            rooms.remove(room)
            stack = max(self._stacks(room, left), key=lambda one: one[0] * will[one[1].kind], default=None)
            if stack is None:
                continue
            made = stack[1]
            left[made.kind] -= made.pieces
            yield made, room.at
            rooms += self._beside(room, made, lengthwise=chance.random() < 0.5)

    def _stacks(self, room: _Room, left: Sequence[int]) -> Iterator[tuple[float, _Stack]]:
        """Stacks that a room takes, with what they fill of it."""
        for kind, count in enumerate(left):
            for turn in self._turns[kind] if count else ():
                sides = _grown(turn.sides, self._gap)
                most = [there // side for there, side in zip(room.sides, sides, strict=True)]
                if not all(most):
                    continue
                x = min(most[0], count)
                for first in {x, max(1, x // 2), 1}:
                    y = min(most[1], count // first)
                    z = min(most[2], count // (first * y))
                    yield first * y * z * sides[0] * sides[1] * sides[2], _Stack(kind, turn, (first, y, z))

    def _beside(self, room: _Room, stack: _Stack, *, lengthwise: bool) -> Iterator[_Room]:
        """What is left of a room: on the stack, and beside it, cut along one side or the other."""
        (x, y, z), (long, wide, high) = room
        a, b, c = (n * side for n, side in zip(stack.along, _grown(stack.turn.sides, self._gap), strict=True))
        parts = [
            _Room((x, y, z + c), (a, b, high - c)),
            _Room((x + a, y, z), (long - a, wide if lengthwise else b, high)),
            _Room((x, y + b, z), (a if lengthwise else long, wide - b, high)),
        ]
        return (part for part in parts if min(part.sides) > 0)

    def _laid(self, stacks: Sequence[tuple[_Stack, Sides]]) -> Iterator[tuple[str, Placement]]:
        """Each thing of each stack."""
        names = [iter(alike) for alike in self._kinds]
        for stack, (x, y, z) in stacks:
            a, b, c = _grown(stack.turn.sides, self._gap)
            for i in range(stack.along[0]):
                for j in range(stack.along[1]):
                    for k in range(stack.along[2]):
                        yield next(names[stack.kind]).id, Placement((x + i * a, y + j * b, z + k * c), stack.turn)


def _grown(sides: Sides, gap: int) -> Sides:
    """Everything and the space one divider larger: then nothing need be kept apart."""
    return sides[0] + gap, sides[1] + gap, sides[2] + gap
