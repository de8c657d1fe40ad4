"""Where in one space everything goes, exactly: boxes with their orientations and dividers between them, on CP-SAT.

Every block gets a turn and a corner; of each two blocks one lies wholly on one side of the other. Where something stays
out, the cross-sections along each axis add up to no more than the space has, too: that follows from the rest, and
proves sooner that no more goes in (cumulative constraints). To find a place for everything, they were measured to be
a burden.
"""

from collections.abc import Mapping, Sequence
from itertools import combinations

from ortools.sat.python import cp_model

from mule.base.deadline import Deadline
from mule.base.solving import Ending, Solved, solve, solver_of
from mule.packing.blocks import Block
from mule.packing.orientations import Sides
from mule.packing.placements import (
    Placement,
    PlacingOptions,
    cannot_support,
    cost_of_leaving,
    gap_between,
    left_s,
    orientations_in,
)

Var = cp_model.IntVar
# Weights of lying low (x) and near the back (z): what lies at the back has nothing under it to get at.
_TIDY = ((0, 1), (2, 3))
# What leaving costs is counted in thousandths of litres.
_THOUSANDTHS = 1_000


class ExactModel:
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
            cost = {b.id: max(1, round(_THOUSANDTHS * cost_of_leaving(b))) for b in blocks}
            self._cp.minimize(sum((1 - self._here[b.id]) * cost[b.id] for b in blocks))
        else:
            self._break_symmetry()

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

    def hint(self, placements: Mapping[str, Placement]) -> None:
        """Lets the search start from a packing that is known."""
        for block in self._blocks:
            placement = placements.get(block.id)
            if placement is None:
                continue
            for var, value in zip(self._at[block.id], placement.at, strict=True):
                self._cp.add_hint(var, value)
            for lie, turn in zip(self._lies[block.id], self._turns[block.id], strict=True):
                self._cp.add_hint(lie, turn == placement.turn)

    def tidied(self, deadline: Deadline, placements: Mapping[str, Placement]) -> dict[str, Placement]:
        """The same with heavy things low in the bag and near the back, as far as a little time goes."""
        self.hint(placements)
        self._cp.minimize(
            sum(
                max(1, round(block.mass_g)) * weight * (2 * self._at[block.id][k] + self._sides[block.id][k])
                for block in self._blocks
                for k, weight in _TIDY
            )
        )
        # Counted, not timed, and by one thread: the same things lie the same way every time.
        solver = solver_of(seed=self._options.seed)
        solver.parameters.max_deterministic_time = self._options.tidy_s
        ending = solve(self._cp, deadline.grant(left_s(deadline)), solver)
        return self.placements(ending) if isinstance(ending, Solved) else dict(placements)


def overfull(room: Sides, blocks: Sequence[Block], gap: int) -> bool:
    """Whether blocks with their dividers have more volume than a space: such a one needs no search."""
    grown = 0 if any(b.padded for b in blocks) else gap
    least = sum(min(_volume(t.sides, grown) for t in orientations_in(room, b)) for b in blocks)
    return least > _volume(room, grown)


def _volume(sides: Sides, grown: int) -> int:
    x, y, z = (side + grown for side in sides)
    return x * y * z
