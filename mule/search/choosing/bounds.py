"""Upper bounds on what a want can score, as linear functions of what comes along.

Per column the best set-up is the optimum of a small linear program: pick one set-up, and use no thing more than it
comes along (max sum v_r z_r, sum z_r <= 1, and for each thing the sum over its set-ups <= x). By duality any prices u
for the pick and p for the things with u + sum of p over the set-up's things >= v_r bound the column by u + p x for
every kit x. The program over all columns at once, solved with OR-Tools' GLOP, gives prices that are sharp where asked
(Benders' decomposition of the covering problem; docs/algorithms/choosing.md).
"""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray
from ortools.linear_solver import pywraplp

from mule.analysis.optics.cells import Vector
from mule.base.deadline import Deadline
from mule.base.solving import watched
from mule.search.choosing.scoring import UNITS, Optics

# Bounds are rounded up, so that they never cut off a kit: this much is taken for a rounding of the floats.
_ROUNDING = 1e-4
# Which classes are there, or could be.
Mask = NDArray[np.bool_]
# More than any kit weighs, in grams.
NO_LIMIT_G = 200_000.0


@dataclass(frozen=True)
class Bound:
    """score of want number ``want`` <= most + per_class . x, in whole units; x: which classes come along."""

    want: int
    most: int
    per_class: NDArray[np.int64]


@dataclass(frozen=True)
class Pair:
    """Something that a kit has two of. classes: any of which counts. seconds: grams of a second piece, by class."""

    classes: tuple[int, ...]
    seconds: Mapping[int, float]


@dataclass(frozen=True)
class Reduced:
    """What each class can be worth at the very most, under one mass: units of all wants <= most + sum of worth . x.

    most: with every class of which the worth is above 0 at hand. worth: units, less what its grams would buy elsewhere.
    """

    most: float
    worth: Vector

    def of_use(self, units: float) -> NDArray[np.bool_]:
        """Classes that a kit of so many units, or more, could have."""
        useful: NDArray[np.bool_] = self.most + np.minimum(self.worth, 0.0) >= units
        return useful


class _Program:
    """The linear program over all columns: the best fractional kit under a mass, or what is best of a given one."""

    def __init__(
        self,
        optics: Optics,
        mass_g: Vector,
        deadline: Deadline,
        *,
        wants: Sequence[int],
        leads: Collection[int] = (),
        pairs: Sequence[Pair] = (),
    ) -> None:
        self._optics, self._deadline, self._wants = optics, deadline, wants
        self._scale = 100.0 / UNITS
        solver = self._solver = pywraplp.Solver.CreateSolver("GLOP")
        # Without preprocessing each solve starts from where the last one ended: measured a third cheaper.
        solver.SetSolverSpecificParametersAsString("use_preprocessing: false use_dual_simplex: true")
        solver.SuppressOutput()
        endless = solver.infinity()
        self.x = [solver.NumVar(0, 1, "") for _ in optics.members]
        self.limit = solver.Constraint(-endless, endless)
        for x, grams in zip(self.x, mass_g.tolist(), strict=True):
            self.limit.SetCoefficient(x, grams)
        objective = solver.Objective()
        objective.SetMaximization()
        self._prices: list[dict[int, pywraplp.Constraint]] = []
        for column in (column for want in wants for column in _columns(optics, want)):
            deadline.go_on()
            pick = solver.Constraint(-endless, 1)
            uses: dict[int, pywraplp.Constraint] = {}
            for row in np.flatnonzero(optics.value[:, column] > 0).tolist():
                z = solver.NumVar(0, endless, "")
                objective.SetCoefficient(z, float(optics.value[row, column]) * self._scale)
                pick.SetCoefficient(z, 1)
                for number in np.flatnonzero(optics.takes[row]).tolist():
                    if number not in uses:
                        uses[number] = solver.Constraint(-endless, 0)
                        uses[number].SetCoefficient(self.x[number], -1)
                    uses[number].SetCoefficient(z, 1)
            self._prices.append(uses)
        # One camera is the first, and brings what lets it last.
        self._leads: dict[int, tuple[pywraplp.Variable, pywraplp.Constraint]] = {}
        self._one = solver.Constraint(1 if leads else 0, endless)
        for number in leads:
            first = solver.NumVar(0, 1, "")
            there = solver.Constraint(-endless, 0)
            there.SetCoefficient(first, 1)
            there.SetCoefficient(self.x[number], -1)
            self._one.SetCoefficient(first, 1)
            self._leads[number] = first, there
        # A second piece of a class sees no more: it only makes up a pair.
        self._pairs: list[tuple[Pair, pywraplp.Constraint]] = []
        seconds: dict[int, pywraplp.Variable] = {}
        for pair in pairs:
            two = solver.Constraint(2, endless)
            for number in pair.classes:
                two.SetCoefficient(self.x[number], 1)
            for number, grams in pair.seconds.items():
                if number not in seconds:
                    seconds[number] = solver.NumVar(0, 1, "")
                    self.limit.SetCoefficient(seconds[number], grams)
                two.SetCoefficient(seconds[number], 1)
            self._pairs.append((pair, two))

    def brings(self, lead: int, grams: float) -> None:
        """Sets what the first camera brings beside its pack: more than any limit where it can not be the first."""
        first, _ = self._leads[lead]
        self.limit.SetCoefficient(first, min(grams, NO_LIMIT_G))
        first.SetUb(0 if grams > NO_LIMIT_G else 1)

    @property
    def first(self) -> dict[int, float]:
        """How far each class is the first camera in the optimum."""
        return {number: float(first.solution_value()) for number, (first, _) in self._leads.items()}

    def reduced(self, bounds: Sequence[Bound], mass_g: Vector, limit_g: float) -> Reduced:
        """What each class can be worth under the limit that was solved for. bounds: what came of it."""
        if not bounds:
            return Reduced(float("inf"), np.zeros(len(mass_g)))
        # By duality with any prices >= 0; the solver's are the sharpest.
        price = max(0.0, float(self.limit.dual_value()) / self._scale)
        worth = np.sum([bound.per_class for bound in bounds], axis=0) - price * mass_g
        most = sum(bound.most for bound in bounds) + price * limit_g
        one = max(0.0, -float(self._one.dual_value()) / self._scale)
        most -= one if self._leads else 0.0
        for number, (first, there) in self._leads.items():
            bound_to = max(0.0, float(there.dual_value()) / self._scale)
            worth[number] += bound_to
            if first.ub() > 0:
                most += max(0.0, one - price * self.limit.GetCoefficient(first) - bound_to)
        seconds: dict[int, float] = {}
        for pair, two in self._pairs:
            # Of a constraint that asks for at least so much the solver's price is 0 or less.
            bonus = max(0.0, -float(two.dual_value()) / self._scale)
            worth[list(pair.classes)] += bonus
            most -= 2 * bonus
            for number, grams in pair.seconds.items():
                seconds[number] = seconds.get(number, -price * grams) + bonus
        most += np.maximum(worth, 0.0).sum() + sum(max(0.0, value) for value in seconds.values())
        return Reduced(float(most), worth)

    def solve(self) -> list[Bound] | None:
        """The bounds that are sharp at the optimum; none when it was not reached, None when there is no way at all.

        Raises Stopped.
        """
        with watched(self._deadline, self._solver.InterruptSolve):
            status = self._solver.Solve()
        self._deadline.go_on()
        if status == pywraplp.Solver.INFEASIBLE:
            return None
        if status != pywraplp.Solver.OPTIMAL:
            return []
        takes = self._optics.takes
        value = self._optics.value[:, [column for want in self._wants for column in _columns(self._optics, want)]]
        prices = np.zeros((value.shape[1], takes.shape[1]))
        for column, uses in enumerate(self._prices):
            for number, constraint in uses.items():
                prices[column, number] = max(0.0, constraint.dual_value() / self._scale)
        # The pick's price is reckoned anew, so that the bound holds whatever the solver's tolerance was.
        pick = (value - takes.astype(float) @ prices.T).max(axis=0, initial=0.0)
        found, at = [], 0
        for want in self._wants:
            span = slice(at, at := at + len(_columns(self._optics, want)))
            most = int(np.ceil(pick[span].sum() - _ROUNDING))
            per_class = np.ceil(prices[span].sum(axis=0) - _ROUNDING).astype(np.int64)
            found.append(Bound(want=want, most=most, per_class=per_class))
        return found


def _columns(optics: Optics, want: int) -> range:
    span = optics.spans[want]
    return range(span.start, span.stop)


class Bounds:
    """Finds bounds that are sharp near a kit, or near the best fractional kit under a mass."""

    def __init__(
        self, optics: Optics, mass_g: Vector, leads: Collection[int], pairs: Sequence[Pair], deadline: Deadline
    ) -> None:
        """mass_g: grams that each class brings at the least. leads: classes of which one is the first camera; none
        where that does not hang on the kit. pairs: what a kit has two of when any want bears any loss.

        Raises Stopped, as all methods do.
        """
        self._mass_g = mass_g
        # One for each kind of question: it starts where the last one ended.
        self._optics, self._deadline, self._leads, self._pairs = optics, deadline, leads, pairs
        self._brought_g: dict[int, float] = {}
        self._all = range(len(optics.spans))
        self._under = _Program(optics, mass_g, deadline, wants=self._all, leads=leads)
        # Of a given kit each want has an optimum of its own.
        self._at: dict[int, _Program] = {}
        self.near: Vector = np.ones(len(optics.members))
        self.reduced = Reduced(float("inf"), np.zeros(len(optics.members)))

    def brings(self, lead: int, grams: float) -> None:
        """Sets what a camera brings beside its pack when it is the first; inf where it can not be."""
        self._brought_g[lead] = grams
        self._under.brings(lead, grams)
        if "_paired" in self.__dict__:
            self._paired.brings(lead, grams)

    @cached_property
    def _paired(self) -> _Program:
        made = _Program(
            self._optics, self._mass_g, self._deadline, wants=self._all, leads=self._leads, pairs=self._pairs
        )
        for lead, grams in self._brought_g.items():
            made.brings(lead, grams)
        return made

    @property
    def first(self) -> dict[int, float]:
        """How far each class is the first camera of the best fractional kit that was asked for last."""
        return self._under.first

    def under(self, limit_g: float) -> list[Bound]:
        """Bounds that are sharp at the best fractional kit under a mass.

        It is remembered as ``near``, and what they say about single classes as ``reduced``.
        """
        program = self._under
        program.limit.SetUb(limit_g)
        found = program.solve() or []
        self.reduced = program.reduced(found, self._mass_g, limit_g)
        if found:
            self.near = np.array([x.solution_value() for x in program.x])
        return found

    def steady_under(self, limit_g: float) -> Reduced:
        """What each class can be worth under a mass in a kit of which some want bears any loss."""
        self._paired.limit.SetUb(limit_g)
        found = self._paired.solve()
        if found is None:
            return Reduced(-float("inf"), np.zeros(len(self._mass_g)))
        return self._paired.reduced(found, self._mass_g, limit_g)

    def at(self, x: Vector, wants: Collection[int]) -> list[Bound]:
        """Bounds on some wants that are sharp at a kit, given as a share (0 to 1) of each class."""
        found: list[Bound] = []
        for want in wants:
            if want not in self._at:
                self._at[want] = _Program(self._optics, self._mass_g, self._deadline, wants=(want,))
            for variable, value in zip(self._at[want].x, x.tolist(), strict=True):
                variable.SetBounds(value, value)
            found += self._at[want].solve() or []
        return found
