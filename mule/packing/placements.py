"""Where in one space everything goes: boxes with their orientations and dividers between them, on CP-SAT.

Every block gets a turn and a corner; of each two blocks one lies wholly on one side of the other. Where something stays
out, the cross-sections along each axis add up to no more than the space has, too: that follows from the rest, and
proves sooner that no more goes in (cumulative constraints). To find a place for everything, they were measured to be
a burden.
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations

from ortools.sat.python import cp_model

from mule.deadline import Deadline
from mule.packing.blocks import Block
from mule.packing.orientations import Orientation, Sides
from mule.solving import Ending, Impossible, Solved, solve, solver_of

Var = cp_model.IntVar
# Of more blocks the objective costs more than it brings.
_MOST_TO_TIDY = 24
# Weights of lying low (x) and near the back (z): what lies at the back has nothing under it to get at.
_TIDY = ((0, 1), (2, 3))
# Taking out one thing more is worse than any size.
_ONE_THING = 1_000_000
# Enough for a thing or two.
_LEAST_S = 0.02


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
    """Spots by block. left: blocks that found no placement. proved: there is no way with fewer left over."""

    placements: Mapping[str, Placement]
    left: tuple[str, ...]
    proved: bool


@dataclass(frozen=True)
class PlacingOptions:
    """How places are looked for. workers, seed: of the solver; with one worker the answer is repeatable.

    tidy_s: for moving heavy things low and to the back. whole: share of the time for placing everything; the rest is
    for the best that leaves something over.
    """

    workers: int = 2
    seed: int = 0
    tidy_s: float = 0.4
    whole: float = 0.6


USUAL = PlacingOptions()


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


def place(
    room: Sides, blocks: Sequence[Block], gap: int, deadline: Deadline, options: PlacingOptions = USUAL
) -> Outcome:
    """Everything into one space, or as much as there is a place for: the fewest and smallest things left over.

    room: inner sides in whole millimetres. gap: millimetres of divider between hard things.
    """
    able = [b for b in blocks if orientations_in(room, b)]
    too_large = tuple(b.id for b in blocks if not orientations_in(room, b))
    if not able:
        return Outcome({}, too_large, proved=True)
    whole = _Model(room, able, gap, options, optional=False)
    # A space too full by volume needs no search.
    ending: Ending = Impossible()
    if not whole.overfull:
        ending = whole.solve(deadline, left_s(deadline) * (options.whole if len(able) > 1 else 1))
    if isinstance(ending, Solved):
        placements = whole.placements(ending)
        if len(able) <= _MOST_TO_TIDY and options.tidy_s > 0:
            placements = whole.tidied(deadline, placements)
        return Outcome(settled(placements, able, gap), too_large, proved=True)
    some = _Model(room, able, gap, options, optional=True)
    found = some.solve(deadline, left_s(deadline))
    if not isinstance(found, Solved):
        return Outcome({}, tuple(b.id for b in blocks), proved=False)
    placements = some.placements(found)
    left = tuple(b.id for b in able if b.id not in placements)
    return Outcome(settled(placements, able, gap), (*too_large, *left), proved=found.best)


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


class _Model:
    """The model of one space."""

    def __init__(
        self, room: Sides, blocks: Sequence[Block], gap: int, options: PlacingOptions, *, optional: bool
    ) -> None:
        self._room, self._blocks, self._gap, self._options = room, blocks, gap, options
        self._cp = cp_model.CpModel()
        self._turns = {b.id: orientations_in(room, b) for b in blocks}
        self._lies: dict[str, list[Var]] = {}
        self._at: dict[str, list[Var]] = {}
        self._sides: dict[str, list[Var]] = {}
        self._here = {b.id: self._cp.new_bool_var("") if optional else self._cp.new_constant(1) for b in blocks}
        # Where all need dividers, the space and everything in it may be taken as one divider larger.
        self._grown = 0 if any(b.padded for b in blocks) else gap
        for block in blocks:
            self._lay(block)
        if optional:
            self._never_too_much()
        for one, other in combinations(blocks, 2):
            self._apart(one, other)
        if optional:
            self._cp.minimize(sum((1 - self._here[b.id]) * (_ONE_THING + round(1000 * b.litres)) for b in blocks))
        else:
            self._break_symmetry()

    @property
    def overfull(self) -> bool:
        """Whether the blocks with their dividers have more volume than the space."""
        grown = self._grown
        space = 1
        for side in self._room:
            space *= side + grown
        return sum(min(_volume(t.sides, grown) for t in self._turns[b.id]) for b in self._blocks) > space

    def _lay(self, block: Block) -> None:
        orientations = self._turns[block.id]
        lies = [self._cp.new_bool_var("") for _ in orientations]
        self._cp.add(sum(lies) == self._here[block.id])
        at, sides = [], []
        for k, room in enumerate(self._room):
            low, high = min(t.sides[k] for t in orientations), max(t.sides[k] for t in orientations)
            at.append(self._cp.new_int_var(0, room - low, ""))
            sides.append(self._cp.new_int_var(0, high, ""))
            self._cp.add(sides[k] == sum(lie * t.sides[k] for lie, t in zip(lies, orientations, strict=True)))
            self._cp.add(at[k] + sides[k] <= room)
            if block.pin is not None and block.pin.at_mm is not None:
                self._cp.add(at[k] == round(block.pin.at_mm[k])).only_enforce_if(self._here[block.id])
        self._lies[block.id], self._at[block.id], self._sides[block.id] = lies, at, sides

    def _never_too_much(self) -> None:
        for k in range(3):
            spans, areas = [], []
            one, two = (k + 1) % 3, (k + 2) % 3
            for block in self._blocks:
                for lie, turn in zip(self._lies[block.id], self._turns[block.id], strict=True):
                    long, *across = (turn.sides[axis] + self._grown for axis in (k, one, two))
                    start = self._at[block.id][k]
                    spans.append(self._cp.new_optional_fixed_size_interval_var(start, long, lie, ""))
                    areas.append(across[0] * across[1])
            whole = (self._room[one] + self._grown) * (self._room[two] + self._grown)
            self._cp.add_cumulative(spans, areas, whole)

    def _apart(self, one: Block, other: Block) -> None:
        """One wholly on one side of the other; nothing heavier lies on what is fragile, nothing on what is quick."""
        gap = gap_between(one, other, self._gap)
        ways = [~self._here[one.id], ~self._here[other.id]]
        for k, room in enumerate(self._room):
            for first, second in ((one, other), (other, one)):
                least = min(t.sides[k] for t in self._turns[first.id]) + min(t.sides[k] for t in self._turns[second.id])
                bars = k == 2 and cannot_support(first, second)
                if least + gap > room or bars:
                    continue
                way = self._cp.new_bool_var("")
                end = self._at[first.id][k] + self._sides[first.id][k] + gap
                self._cp.add(end <= self._at[second.id][k]).only_enforce_if(way)
                ways.append(way)
        self._cp.add_bool_or(ways)

    def _break_symmetry(self) -> None:
        """A packing mirrored along x or y is one too: the largest block lies in one quarter, if nothing is pinned."""
        if any(b.pin for b in self._blocks):
            return
        largest = max(self._blocks, key=lambda b: b.litres).id
        # Mirrored along z, what lies on what would change.
        for k in (0, 1) if any(b.fragile or b.access for b in self._blocks) else (0, 1, 2):
            self._cp.add(2 * self._at[largest][k] + self._sides[largest][k] <= self._room[k])

    def solve(self, deadline: Deadline, seconds: float) -> Ending:
        """Looks for so long."""
        solver = solver_of(workers=self._options.workers, seed=self._options.seed)
        # Measured on 16 boxes at 90 %: one or two spaces in forty more than with less of it.
        solver.parameters.linearization_level = 2
        return solve(self._cp, deadline.grant(seconds), solver)

    def placements(self, ending: Solved) -> dict[str, Placement]:
        """What was found."""
        value = ending.value
        found = {}
        for block in self._blocks:
            if value(self._here[block.id]):
                turn = next(t for lie, t in zip(self._lies[block.id], self._turns[block.id], strict=True) if value(lie))
                x, y, z = (value(v) for v in self._at[block.id])
                found[block.id] = Placement((x, y, z), turn)
        return found

    def tidied(self, deadline: Deadline, placements: Mapping[str, Placement]) -> dict[str, Placement]:
        """The same with heavy things low in the bag and near the back, as far as a little time goes."""
        for block in self._blocks:
            placement = placements[block.id]
            for var, value in zip(self._at[block.id], placement.at, strict=True):
                self._cp.add_hint(var, value)
            for lie, turn in zip(self._lies[block.id], self._turns[block.id], strict=True):
                self._cp.add_hint(lie, turn is placement.turn)
        self._cp.minimize(
            sum(
                max(1, round(block.mass_g)) * weight * (2 * self._at[block.id][k] + self._sides[block.id][k])
                for block in self._blocks
                for k, weight in _TIDY
            )
        )
        ending = self.solve(deadline, min(self._options.tidy_s, left_s(deadline)))
        return self.placements(ending) if isinstance(ending, Solved) else dict(placements)


def cannot_support(under: Block, over: Block) -> bool:
    """Whether one must not lie on the other: heavier on fragile, or anything on what must come out quickly."""
    return (under.fragile and over.mass_g > under.mass_g) or under.access == "quick"


def _volume(sides: Sides, grown: int) -> int:
    x, y, z = (side + grown for side in sides)
    return x * y * z
