"""The ledger: what each thing buys, what goes first, what comes next. The front door is ``reckon``."""

from collections.abc import Sequence

from mule.carriers import LegVerdict
from mule.completeness import Ties
from mule.ledger.answer import DayHands, Drop, Home, Ledger, Next
from mule.ledger.drops import DROPPABLE, drop_order
from mule.ledger.hands import day_hands
from mule.ledger.nexts import best_next
from mule.load import Loads
from mule.optics import View
from mule.plan import Plan


def reckon(plan: Plan, view: View, ties: Ties, loads: Loads, legs: Sequence[LegVerdict]) -> Ledger:
    """Drop order, best next things and lens changes of the open kit."""
    barred = set(plan.trip.marks.must_leave)
    return Ledger(
        drops=drop_order(plan, view.table, ties, loads, legs),
        nexts=best_next(view, ties, plan.items, barred),
        days=day_hands(plan, view.coverage),
    )


__all__ = ["DROPPABLE", "DayHands", "Drop", "Home", "Ledger", "Next", "reckon"]
