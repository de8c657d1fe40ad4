"""One thing after the other: a packing at once, and better ones by taking some out and putting them back otherwise.

Corners where a next thing could lie are kept as extreme points (T. G. Crainic, G. Perboli, R. Tadei, Extreme
point-based heuristics for three-dimensional bin packing, 2008). Each thing goes to the corner and turn by which it ends
lowest along an order of axes. What stays out is looked for a place again by ruin and recreate (G. Schrimpf et al.,
Record breaking optimization results using the ruin and recreate principle, 2000). Repeatable: chance is seeded.
"""

import random
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from itertools import permutations

import numpy as np
from numpy.typing import NDArray

from mule.base.deadline import Deadline
from mule.packing.blocks import Block
from mule.packing.orientations import Orientation, Sides
from mule.packing.placements import Placement, cannot_support, cost_of_leaving, gap_between, orientations_in

Whole = NDArray[np.int64]
Truths = NDArray[np.bool_]
# So many corners are looked at in one go: nearly always one of the first does.
_AT_ONCE = 48
# What putting one thing down takes among few others, and among how many it takes twice as long: counted where work is
# measured (``mule.base.deadline``). About two thirds of what was measured, 0.3 ms with five things and 1.5 to 2 ms with
# 120.
_PUT_S, _TWICE_AMONG = 2e-4, 25
_AXES = tuple(permutations(range(3)))


@dataclass(frozen=True)
class Construction:
    """What was placed where. left: blocks without a place. cost: of leaving them."""

    placements: Mapping[str, Placement]
    left: tuple[str, ...]
    cost: float


class Constructor:
    """Packs one space."""

    def __init__(self, room: Sides, blocks: Sequence[Block], gap: int) -> None:
        self._room, self._blocks, self._gap = np.array(room), {b.id: b for b in blocks}, gap
        self._cost = {b.id: cost_of_leaving(b) for b in blocks}
        self._turns = {b.id: orientations_in(room, b) for b in blocks}
        self._sides = {id_: np.array([t.sides for t in turns], dtype=np.int64) for id_, turns in self._turns.items()}
        names = list(self._blocks)
        self._index = {id_: n for n, id_ in enumerate(names)}
        every = list(self._blocks.values())
        self._gaps = np.array([[gap_between(a, b, gap) for b in every] for a in every], dtype=np.int64)
        # Whether the first must not lie under the second.
        self._under = np.array([[cannot_support(a, b) for b in every] for a in every], dtype=bool)

    def cost_of(self, left: Sequence[str]) -> float:
        """What it costs to leave these."""
        return sum(self._cost[id_] for id_ in left)

    def start(self, deadline: Deadline) -> Construction:
        """The best of a few orders and ways of filling; at least of one."""
        best: Construction | None = None
        for order in self._orders():
            for axes in ((2, 1, 0), (0, 1, 2), (1, 0, 2)):
                made = self.build(order, axes)
                deadline.clock.stepped(self._work_of(order))
                if best is None or made.cost < best.cost:
                    best = made
                if not made.left or deadline.stopped:
                    return best
        assert best is not None
        return best

    def _orders(self) -> Iterator[list[str]]:
        sides = {id_: np.sort(laid[0])[::-1] if len(laid) else np.zeros(3) for id_, laid in self._sides.items()}
        keys = (
            lambda id_: -self._blocks[id_].litres,
            lambda id_: (-int(sides[id_][0]), -self._blocks[id_].litres),
            lambda id_: (-int(sides[id_][0] * sides[id_][1]), -int(sides[id_][2])),
        )
        for key in keys:
            yield sorted(self._blocks, key=lambda id_: (not self._pinned(id_), key(id_)))

    def _work_of(self, order: Sequence[str]) -> float:
        """Seconds of work that putting these down counts as."""
        return len(order) * _PUT_S * (1 + len(self._blocks) / _TWICE_AMONG)

    def _pinned(self, id_: str) -> bool:
        pin = self._blocks[id_].pin
        return pin is not None and pin.at_mm is not None

    def improved(self, made: Construction, deadline: Deadline, seed: int) -> Construction:
        """Some taken out and put back otherwise, as long as there is time and something is left over."""
        chance = random.Random(seed)
        best = current = made
        while best.left and not deadline.stopped:
            kept = self._ruined(current, chance)
            order = [id_ for id_ in self._blocks if id_ not in kept]
            # Like things stay together: they stack without gaps.
            by_kind = {self._blocks[id_].items: chance.uniform(0.6, 1.4) for id_ in order}
            weights = {id_: self._blocks[id_].litres * by_kind[self._blocks[id_].items] for id_ in order}
            # What was left over goes first half of the time.
            first = set(current.left) if chance.random() < 0.5 else set()
            order.sort(key=lambda id_: (not self._pinned(id_), id_ not in first, -weights[id_]))
            found = self.build(order, chance.choice(_AXES), kept)
            deadline.clock.stepped(self._work_of(order))
            # Now and then a little worse, so that it gets out of where nothing near is better.
            if found.cost <= current.cost or chance.random() < 0.02:
                current = found
            if found.cost < best.cost:
                best = found
        return best

    def _ruined(self, made: Construction, chance: random.Random) -> dict[str, Placement]:
        """What stays when a part of it is taken out: from one corner of the space, or here and there."""
        names = [id_ for id_ in made.placements if not self._pinned(id_)]
        if not names:
            return dict(made.placements)
        share = chance.uniform(0.15, 0.7)
        if chance.random() < 0.7:
            axis, low = chance.randrange(3), chance.random() < 0.5
            names.sort(key=lambda id_: made.placements[id_].at[axis] if low else -made.placements[id_].end(axis))
        else:
            chance.shuffle(names)
        gone = set(names[: max(1, round(share * len(names)))])
        return {id_: placed for id_, placed in made.placements.items() if id_ not in gone}

    def build(
        self, order: Sequence[str], axes: tuple[int, ...], kept: Mapping[str, Placement] | None = None
    ) -> Construction:
        """Places what is in order, each as low as can be along the axes in turn, beside what is kept."""
        done = _Filling(self._room, len(self._blocks), self._gap)
        placements = dict(kept or {})
        for id_, placed in placements.items():
            done.add(self._index[id_], np.array(placed.at), np.array(placed.turn.sides))
        for id_ in order:
            found = self._spot(id_, done, axes)
            if found is not None:
                placements[id_] = found
                done.add(self._index[id_], np.array(found.at), np.array(found.turn.sides))
        left = tuple(id_ for id_ in self._blocks if id_ not in placements)
        return Construction(placements, left, self.cost_of(left))

    def _spot(self, id_: str, done: "_Filling", axes: tuple[int, ...]) -> Placement | None:
        sides = self._sides[id_]
        if not len(sides):
            return None
        pin = self._blocks[id_].pin
        points = done.points if pin is None or pin.at_mm is None else np.array([[round(mm) for mm in pin.at_mm]])
        at = np.repeat(points, len(sides), axis=0)
        turn = np.tile(np.arange(len(sides)), len(points))
        ends = at + sides[turn]
        inside = (ends <= self._room).all(axis=1)
        at, turn, ends = at[inside], turn[inside], ends[inside]
        if not len(at):
            return None
        # Ends lowest along the first axis, then the next.
        ranked = np.lexsort(tuple(ends[:, axis] for axis in reversed(axes)))
        index = self._index[id_]
        for some in range(0, len(ranked), _AT_ONCE):
            tried = ranked[some : some + _AT_ONCE]
            free = done.free(at[tried], ends[tried], self._gaps[index], self._under[:, index], self._under[index])
            if free.any():
                one = int(tried[int(np.argmax(free))])
                x, y, z = (int(mm) for mm in at[one])
                laid: Orientation = self._turns[id_][int(turn[one])]
                return Placement((x, y, z), laid)
        return None


class _Filling:
    """What lies in a space so far, and the corners where something could lie next."""

    def __init__(self, room: Whole, most: int, gap: int) -> None:
        self._room, self._gap = room, gap
        self._at = np.zeros((most, 3), dtype=np.int64)
        self._ends = np.zeros((most, 3), dtype=np.int64)
        self._who = np.zeros(most, dtype=np.int64)
        self._count = 0
        self._points: set[tuple[int, int, int]] = {(0, 0, 0)}
        self._asked: Whole | None = None

    @property
    def points(self) -> Whole:
        """Corners, each once."""
        if self._asked is None:
            self._asked = np.array(sorted(self._points), dtype=np.int64).reshape(-1, 3)
        return self._asked

    def add(self, index: int, at: Whole, sides: Whole) -> None:
        """Something is placed."""
        n = self._count
        self._at[n], self._ends[n], self._who[n] = at, at + sides, index
        self._count += 1
        self._asked = None
        # Corners inside of it are none any more.
        ends = at + sides
        self._points = {
            p
            for p in self._points
            if not all(a <= c < e for a, c, e in zip(at.tolist(), p, ends.tolist(), strict=True))
        }
        for axis in range(3):
            # With a divider, and without one for what carries its own padding.
            for gap in {0, self._gap}:
                beside = int(ends[axis]) + gap
                if beside >= self._room[axis]:
                    continue
                point = [int(c) for c in at]
                point[axis] = beside
                self._points.add((point[0], point[1], point[2]))
                for across in range(3):
                    if across != axis:
                        self._points.add(self._pressed(point, across))

    def _pressed(self, point: Sequence[int], axis: int) -> tuple[int, int, int]:
        """A corner pushed back along an axis until something is in the way."""
        at, ends = self._at[: self._count], self._ends[: self._count]
        others = [k for k in range(3) if k != axis]
        here = np.array(point)
        behind = (at[:, others] <= here[others]).all(axis=1) & (ends[:, others] > here[others]).all(axis=1)
        behind &= ends[:, axis] <= here[axis]
        pressed = list(point)
        pressed[axis] = int(ends[behind, axis].max()) + self._gap if behind.any() else 0
        return pressed[0], pressed[1], pressed[2]

    def free(self, at: Whole, ends: Whole, gaps: Whole, not_over: Truths, not_under: Truths) -> Truths:
        """Which of these spots are apart from all that lies here.

        gaps: of the thing to each block. not_over: blocks that it must not lie on; not_under: those not to lie on it.
        """
        n = self._count
        if not n:
            return np.ones(len(at), dtype=bool)
        who = self._who[:n]
        gap = gaps[who][None, :]
        apart: Truths = np.zeros((len(at), n), dtype=bool)
        for axis in range(3):
            before = ends[:, axis, None] + gap <= self._at[None, :n, axis]
            after = self._ends[None, :n, axis] + gap <= at[:, axis, None]
            if axis == 2:
                before &= ~not_under[who][None, :]
                after &= ~not_over[who][None, :]
            apart |= before | after
        free: Truths = np.all(apart, axis=1)
        return free
