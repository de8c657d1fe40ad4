"""Why nothing can be chosen: the smallest set of demands that cannot hold together.

Every set that fails must take one demand from each set of demands whose removal lets the rest hold. The smallest
hitting set of the removals found so far is tried; it either fails, and is the answer, or shows one more removal
(implicit hitting sets). Both questions go to CP-SAT.
"""

from collections.abc import Collection, Sequence

from ortools.sat.python import cp_model

from mule.base.deadline import Deadline
from mule.base.solving import Ending, Impossible, OutOfTime, Solved, solve
from mule.search.choosing.model import Model
from mule.search.choosing.reasons import Reason


def conflict(model: Model, deadline: Deadline) -> tuple[Reason, ...]:
    """The smallest contradiction; empty when all demands hold together, and when that was not settled in time.

    What is told is proved: these cannot hold together. Out of time, a smaller one may exist.
    """
    everything = set(range(len(model.reasons)))
    if not isinstance(_together(model, everything, deadline)[0], Impossible):
        return ()
    # Proved so far; the least of them is told when time runs out.
    contrary = everything
    removals: list[set[int]] = []
    while (tried := _hit(removals, len(model.reasons), deadline)) is not None:
        ending, kept = _together(model, tried, deadline, grow=True)
        if isinstance(ending, Impossible):
            contrary = tried
            break
        if isinstance(ending, OutOfTime):
            break
        removals.append(everything - kept)
    return tuple(model.reasons[i][0] for i in sorted(contrary))


def _together(
    model: Model, demands: Collection[int], deadline: Deadline, *, grow: bool = False
) -> tuple[Ending, set[int]]:
    """Whether demands hold together, and which hold then. grow: as many more as can be."""
    trial = model.cp.clone()
    literals = [trial.get_bool_var_from_proto_index(literal.index) for _, literal in model.reasons]
    for index in demands:
        trial.add(literals[index] == 1)
    trial.clear_objective()  # type: ignore[no-untyped-call]
    if grow:
        trial.maximize(sum(literals))
    ending = solve(trial, deadline)
    kept = {i for i, literal in enumerate(literals) if ending.value(literal)} if isinstance(ending, Solved) else set()
    return ending, kept


def _hit(removals: Sequence[set[int]], count: int, deadline: Deadline) -> set[int] | None:
    """The fewest demands that take one from each removal; None when that was not settled in time."""
    if not removals:
        return set()
    model = cp_model.CpModel()
    picks = [model.new_bool_var("") for _ in range(count)]
    for removal in removals:
        model.add_bool_or([picks[index] for index in removal])
    model.minimize(sum(picks))
    ending = solve(model, deadline)
    # Any hitting set that fails is a contradiction; only the fewest is the smallest one.
    return {i for i, pick in enumerate(picks) if ending.value(pick)} if isinstance(ending, Solved) else None
