"""How a search with CP-SAT can end: solved, proved impossible, or out of time. The front door is ``solve``.

Three types, so that nobody takes one for another: "not found in time" said as "impossible" is a lie on the screen.
"""

from collections.abc import Callable, Iterable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from threading import Event, Thread

from ortools.sat.python import cp_model

from mule.base.deadline import Deadline

# How often a running solver is asked whether it may go on, in seconds.
_ASKED_EVERY_S = 0.05
# The solver reads 0 as no time at all and answers nothing; presolve of a trivial model needs about this.
_LEAST_S = 0.01
# Models count masses in whole tenths of a gram.
PER_GRAM = 10

Var = cp_model.IntVar
Linear = cp_model.LinearExpr


def total(terms: Iterable[tuple[Var, int]], constant: int = 0) -> Linear:
    """Sum of variables with their factors, and a constant."""
    found = list(terms)
    return Linear.weighted_sum([v for v, _ in found], [n for _, n in found]) + constant


def tenths(grams: float) -> int:
    """Grams in a model's whole tenths."""
    return round(grams * PER_GRAM)


@dataclass(frozen=True)
class Solved:
    """A way was found. value: of a variable or a linear term. best: proved that nothing is better.

    bound: no way has an objective beyond it; the found one's own when there is no objective.
    """

    value: Callable[[cp_model.LinearExprT], int]
    best: bool
    bound: float


@dataclass(frozen=True)
class Impossible:
    """Proved: there is no way."""


@dataclass(frozen=True)
class OutOfTime:
    """Nothing was found and nothing was proved."""


Ending = Solved | Impossible | OutOfTime


def solver_of(*, workers: int = 1, seed: int = 0) -> cp_model.CpSolver:
    """A solver. With one worker its answer is repeatable, as far as it does not run out of time.

    workers: threads; seed: of its random choices.
    """
    solver = cp_model.CpSolver()
    solver.parameters.num_workers = workers
    solver.parameters.random_seed = seed
    return solver


def solve(
    model: cp_model.CpModel,
    deadline: Deadline,
    solver: cp_model.CpSolver | None = None,
    watching: cp_model.CpSolverSolutionCallback | None = None,
) -> Ending:
    """Solves, or gives up within a tenth of a second of the deadline.

    Raises AssertionError for a model that CP-SAT calls invalid: a defect of ours.

    solver: with parameters of its own; one thread and the usual ones when none is given. watching: told of each
    solution as it is found.

    >>> model = cp_model.CpModel()
    >>> bags = model.new_int_var(0, 9, "bags")
    >>> model.maximize(bags)
    >>> ending = solve(model, Deadline(5))
    >>> isinstance(ending, Solved) and (ending.value(bags), ending.best)
    (9, True)
    >>> _ = model.add(bags > 9)
    >>> solve(model, Deadline(5))
    Impossible()
    >>> solve(model, Deadline(5, lambda: True))
    OutOfTime()
    """
    if deadline.stopped:
        return OutOfTime()
    solver = solver or solver_of()
    left_s = max(_LEAST_S, deadline.left_s)
    own_s = solver.parameters.max_deterministic_time
    solver.parameters.max_deterministic_time = min(own_s, deadline.clock.solver_s(left_s))
    if not deadline.clock.counts_work:
        solver.parameters.max_time_in_seconds = left_s
    with watched(deadline, solver.stop_search):
        status = solver.solve(model, watching)
    solver.parameters.max_deterministic_time = own_s
    deadline.clock.ran(solver.response_proto.deterministic_time)
    assert status != cp_model.MODEL_INVALID, model.validate()
    if status == cp_model.INFEASIBLE:
        return Impossible()
    if status == cp_model.UNKNOWN:
        return OutOfTime()
    return Solved(solver.value, status == cp_model.OPTIMAL, solver.best_objective_bound)


@contextmanager
def watched(deadline: Deadline, stop: Callable[[], object]) -> Iterator[None]:
    """Calls ``stop``, from another thread, when a running solver is over its deadline."""
    done = Event()

    def watch() -> None:
        # Again and again: it may not have begun to listen yet.
        while not done.wait(_ASKED_EVERY_S):
            # Work is counted where it is done: to look at that clock from here would hang on how busy the machine is.
            over = deadline.asked_to_stop if deadline.clock.counts_work else deadline.stopped
            if over:
                stop()

    if deadline.can_be_stopped:
        Thread(target=watch, daemon=True).start()
    try:
        yield
    finally:
        done.set()
