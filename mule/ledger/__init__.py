"""The ledger: what goes first when weight must go, and what to load next. The front door is ``reckon``."""

from collections.abc import Sequence

from mule.carriers import LegVerdict
from mule.completeness import Requirements
from mule.ledger.additions import recommended_additions
from mule.ledger.answer import Addition, Drop, Ledger
from mule.ledger.drops import DROPPABLE, drop_order
from mule.load import Loads
from mule.optics import View
from mule.plan import Plan


def reckon(plan: Plan, view: View, requirements: Requirements, loads: Loads, legs: Sequence[LegVerdict]) -> Ledger:
    """Drop order and best additions of the open kit.

    view, requirements, loads, legs: what the other packages say of the same kit.
    """
    barred = set(plan.trip.marks.must_leave)
    return Ledger(
        drops=drop_order(plan, view.table, requirements, loads, legs),
        additions=recommended_additions(view, requirements, plan.items, barred),
    )


__all__ = ["DROPPABLE", "Addition", "Drop", "Ledger", "reckon"]
