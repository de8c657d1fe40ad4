"""How the models of the choice are handed to the solver: several ways of using it, of which nearly always the first
does.

Each gets as long as it makes progress: one that comes no nearer to an end for a while makes room for the next.
"""

from dataclasses import dataclass
from itertools import count
from time import monotonic

from ortools.sat.python import cp_model

from mule.base.deadline import Deadline
from mule.base.solving import Ending, Impossible, OutOfTime, Solved, solve, solver_of

# Without progress for so long, another way takes over; each round through all of them has twice the patience.
_PATIENCE_S = 0.5
_RUN_OF_WORK = 4
# A kit is progress when it leaves no more than this of what lies between it and the bound.
_NEARER = 0.95


@dataclass(frozen=True)
class _Way:
    """level: how much of its own linear relaxation the solver uses. probing: how hard it looks for what follows."""

    level: int
    probing: int
    seed: int = 0


# Measured: a model of 29 variables is solved at once with little of the relaxation and goes round and round without a
# conflict with all of it; unprobed, the other way round happens, too (docs/algorithms/choosing.md).
_WAYS = (_Way(1, 0), _Way(2, 0), _Way(2, 1), _Way(0, 1, seed=1))


class Portfolio:
    """Solves the models of one search, and begins with the way that did it last."""

    def __init__(self, deadline: Deadline) -> None:
        self._deadline, self._first = deadline, 0

    def run(self, model: cp_model.CpModel, deadline: Deadline | None = None) -> Ending:
        """Until it is solved or time is up: then the best that was found. deadline: sooner than that of the search."""
        until = deadline or self._deadline
        found: Solved | None = None
        for turn in count():
            way = (self._first + turn) % len(_WAYS)
            ending = _attempt(model, _WAYS[way], until, _PATIENCE_S * 2 ** (turn // len(_WAYS)))
            if isinstance(ending, Impossible) or (isinstance(ending, Solved) and ending.best):
                self._first = way
                return ending
            if isinstance(ending, Solved):
                found = _better(model, found, ending)
            if until.stopped:
                return found or OutOfTime()
        raise AssertionError("it goes round until time is up")


def _better(model: cp_model.CpModel, one: Solved | None, other: Solved) -> Solved:
    """The better of two ways found, with the nearer of their bounds."""
    if one is None:
        return other
    of, maximised = model.proto.objective, model.proto.objective.scaling_factor < 0
    terms = list(zip(of.vars, of.coeffs, strict=True))

    def cost(ending: Solved) -> int:
        return sum(factor * ending.value(model.get_int_var_from_proto_index(var)) for var, factor in terms)

    bound = min(one.bound, other.bound) if maximised else max(one.bound, other.bound)
    best = one if cost(one) <= cost(other) else other
    return Solved(best.value, best=False, bound=bound)


class _Progress(cp_model.CpSolverSolutionCallback):
    """When the solver last came nearer to an end: what is better by a hair, thousands a second, is no progress."""

    def __init__(self) -> None:
        super().__init__()
        self.last = monotonic()
        self._gap = float("inf")
        self._best: float | None = None

    def on_solution_callback(self) -> None:
        """A kit was found."""
        self._best = self.objective_value
        self._nearer(self.best_objective_bound)

    def on_bound(self, bound: float) -> None:
        """A bound was found; before there is a kit, any counts."""
        if self._best is None:
            self.last = monotonic()
        else:
            self._nearer(bound)

    def _nearer(self, bound: float) -> None:
        gap = abs((self._best or 0.0) - bound)
        if gap < _NEARER * self._gap:
            self._gap, self.last = gap, monotonic()


def _attempt(model: cp_model.CpModel, way: _Way, deadline: Deadline, patience_s: float) -> Ending:
    solver = solver_of(seed=way.seed)
    # Measured on the benchmark's curve: the bounds leave so little to search that heavy presolve and cuts of the
    # solver's own cost twice the time of all the rest.
    solver.parameters.linearization_level = way.level
    solver.parameters.cp_model_probing_level = way.probing
    solver.parameters.max_presolve_iterations = 1
    solver.parameters.cut_level = 0
    if deadline.clock.counts_work:
        # Progress within a run cannot be told by work: a run gets several times the patience instead.
        return solve(model, deadline.soonest(_RUN_OF_WORK * patience_s), solver)
    progress = _Progress()
    solver.best_bound_callback = progress.on_bound
    quiet = deadline.or_once(lambda: monotonic() - progress.last > patience_s)
    return solve(model, quiet, solver, progress)
