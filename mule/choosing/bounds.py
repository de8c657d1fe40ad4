"""Upper bounds on what a want can score, as linear functions of what comes along.

Per column the best set-up is the optimum of a small linear program: pick one set-up, and use no thing more than it
comes along (max sum v_r z_r, sum z_r <= 1, and for each thing the sum over its set-ups <= x). By duality any prices u
for the pick and p for the things with u + sum of p over the set-up's things >= v_r bound the column by u + p x for
every kit x. The program over all columns at once, solved with OR-Tools' GLOP, gives prices that are sharp where asked
(Benders' decomposition of the covering problem; docs/algorithms/choosing.md).
"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from ortools.linear_solver import pywraplp

from mule.choosing.scoring import UNITS, Optics
from mule.deadline import Deadline
from mule.optics.cells import Vector
from mule.solving import watched

# Bounds are rounded up, so that they never cut off a kit: this much is taken for a rounding of the floats.
_ROUNDING = 1e-4


@dataclass(frozen=True)
class Bound:
    """score of want number ``want`` <= most + per_class . x, in whole units; x: which classes come along."""

    want: int
    most: int
    per_class: NDArray[np.int64]


class Bounds:
    """Finds bounds that are sharp near a kit, or near the best fractional kit under a mass."""

    def __init__(self, optics: Optics, mass_g: Vector, deadline: Deadline) -> None:
        """mass_g: grams of the lightest member of each class. Raises Stopped, as all methods do."""
        self._optics, self._deadline = optics, deadline
        self._scale = 100.0 / UNITS
        solver = self._solver = pywraplp.Solver.CreateSolver("GLOP")
        # Without preprocessing each solve starts from where the last one ended: measured a third cheaper.
        solver.SetSolverSpecificParametersAsString("use_preprocessing: false")
        endless = solver.infinity()
        self._x = [solver.NumVar(0, 1, "") for _ in optics.members]
        self._limit = solver.Constraint(-endless, endless)
        for x, grams in zip(self._x, mass_g.tolist(), strict=True):
            self._limit.SetCoefficient(x, grams)
        objective = solver.Objective()
        objective.SetMaximization()
        self._prices: list[dict[int, pywraplp.Constraint]] = []
        for column in range(optics.value.shape[1]):
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
                        uses[number].SetCoefficient(self._x[number], -1)
                    uses[number].SetCoefficient(z, 1)
            self._prices.append(uses)
        self.near: Vector = np.ones(len(optics.members))

    def under(self, limit_g: float) -> list[Bound]:
        """Bounds that are sharp at the best fractional kit under a mass; it is remembered as ``near``."""
        for x in self._x:
            x.SetBounds(0, 1)
        self._limit.SetUb(limit_g)
        found = self._solve()
        self.near = np.array([x.solution_value() for x in self._x])
        return found

    def at(self, x: Vector) -> list[Bound]:
        """Bounds that are sharp at a kit, given as a share (0 to 1) of each class."""
        self._limit.SetUb(self._solver.infinity())
        for variable, value in zip(self._x, x.tolist(), strict=True):
            variable.SetBounds(value, value)
        return self._solve()

    def _solve(self) -> list[Bound]:
        with watched(self._deadline, self._solver.InterruptSolve):
            status = self._solver.Solve()
        self._deadline.go_on()
        if status != pywraplp.Solver.OPTIMAL:
            return []
        value, takes = self._optics.value, self._optics.takes
        prices = np.zeros((value.shape[1], takes.shape[1]))
        for column, uses in enumerate(self._prices):
            for number, constraint in uses.items():
                prices[column, number] = max(0.0, constraint.dual_value() / self._scale)
        # The pick's price is reckoned anew, so that the bound holds whatever the solver's tolerance was.
        pick = (value - takes.astype(float) @ prices.T).max(axis=0, initial=0.0)
        return [
            Bound(
                want=want,
                most=int(np.ceil(pick[span].sum() - _ROUNDING)),
                per_class=np.ceil(prices[span].sum(axis=0) - _ROUNDING).astype(np.int64),
            )
            for want, span in enumerate(self._optics.spans)
        ]
