"""How the models of the choice are handed to the solver: nearly all are solved at once, the others need more of it."""

from ortools.sat.python import cp_model

from mule.deadline import Deadline
from mule.solving import Ending, Impossible, OutOfTime, Solved, solve, solver_of

# Nearly every solve ends within this.
_FIRST_ATTEMPT_S = 3.0
# How much of its own linear relaxation the solver uses (CP-SAT's linearization_level). Measured: a model of 29
# variables is solved at once with little of it and goes round and round without a conflict with all; the curve of 200
# things (62 in play) takes 3.7 s with little and 6.6 s with all. Larger choices are not measured: they keep all of it.
_LITTLE, _ALL = 1, 2
_MOST_FOR_LITTLE = 150


class TwoTries:
    """Solves the models of one search, and remembers how much of the solver they needed."""

    def __init__(self, variables: int, deadline: Deadline) -> None:
        """variables: things in play, by which it is judged how much of the solver pays."""
        self._level, self._deadline = _LITTLE if variables <= _MOST_FOR_LITTLE else _ALL, deadline

    def run(self, model: cp_model.CpModel) -> Ending:
        """Once with little effort for a short time, then with all there is."""
        first = _attempt(model, self._level, self._deadline.soonest(_FIRST_ATTEMPT_S), probing=0)
        if isinstance(first, Impossible) or (isinstance(first, Solved) and first.best) or self._deadline.stopped:
            return first
        # Probed as well: unprobed, the solver may go round and round there, too.
        again = _attempt(model, _ALL, self._deadline, probing=1)
        if isinstance(again, Solved) and again.best:
            self._level = _ALL
        return first if isinstance(again, OutOfTime) else again


def _attempt(model: cp_model.CpModel, level: int, deadline: Deadline, *, probing: int) -> Ending:
    solver = solver_of()
    # Measured on the benchmark's curve: the bounds leave so little to search that heavy presolve and cuts of the
    # solver's own cost twice the time of all the rest.
    solver.parameters.linearization_level = level
    solver.parameters.cp_model_probing_level = probing
    solver.parameters.max_presolve_iterations = 1
    solver.parameters.cut_level = 0
    return solve(model, deadline, solver)
