"""Why nothing can be chosen: the smallest set of demands that cannot hold together.

Every set that fails must take one demand from each set of demands whose removal lets the rest hold. The smallest
hitting set of the removals found so far is tried; it either fails, and is the answer, or shows one more removal
(implicit hitting sets). Both questions go to CP-SAT.
"""

from collections.abc import Sequence

from ortools.sat.python import cp_model

from mule.choosing.answer import Reason
from mule.choosing.model import Model
from mule.choosing.pool import Clock


def conflict(model: Model, clock: Clock) -> tuple[Reason, ...]:
    """The smallest contradiction; empty when all demands hold together. Out of time, it may not be the smallest."""
    everything = set(range(len(model.reasons)))
    if _holds(model, everything, clock):
        return ()
    removals: list[set[int]] = []
    while True:
        tried = _hit(removals, len(model.reasons))
        kept = _most_that_hold(model, tried, clock)
        if kept is None or clock.stopped:
            return tuple(model.reasons[i][0] for i in sorted(tried or everything))
        removals.append(everything - kept)


def _holds(model: Model, demands: set[int], clock: Clock) -> bool:
    return _most_that_hold(model, demands, clock, grow=False) is not None


def _most_that_hold(model: Model, demands: set[int], clock: Clock, *, grow: bool = True) -> set[int] | None:
    """As many demands as hold together with these; None when these alone fail."""
    trial = model.cp.clone()
    literals = [trial.get_bool_var_from_proto_index(literal.index) for _, literal in model.reasons]
    for index in demands:
        trial.add(literals[index] == 1)
    trial.clear_objective()  # type: ignore[no-untyped-call]
    if grow:
        trial.maximize(sum(literals))
    solver = cp_model.CpSolver()
    solver.parameters.num_workers = 1
    solver.parameters.max_time_in_seconds = max(0.05, clock.left_s)
    status = solver.solve(trial)
    if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
        return None
    return {index for index, literal in enumerate(literals) if solver.boolean_value(literal)}


def _hit(removals: Sequence[set[int]], count: int) -> set[int]:
    """The fewest demands that take one from each removal."""
    model = cp_model.CpModel()
    picks = [model.new_bool_var("") for _ in range(count)]
    for removal in removals:
        model.add_bool_or([picks[index] for index in removal])
    model.minimize(sum(picks))
    solver = cp_model.CpSolver()
    solver.parameters.num_workers = 1
    solver.solve(model)
    return {index for index, pick in enumerate(picks) if solver.boolean_value(pick)} if removals else set()
