"""The ledger: what goes first when weight must go, and what to load next. The front door is ``reckon``."""

from collections.abc import Sequence

from mule.analysis.carriers import LegVerdict
from mule.analysis.completeness import Requirements
from mule.analysis.ledger.additions import recommended_additions
from mule.analysis.ledger.answer import Addition, Drop, Ledger, Sharpen
from mule.analysis.ledger.drops import drop_order
from mule.analysis.ledger.least_missed import DROPPABLE, Burden, LoadedKit, Pieces, grams, inside, least_missed, litres
from mule.analysis.load import Loads
from mule.analysis.optics import View
from mule.plan import Plan


def reckon(plan: Plan, view: View, requirements: Requirements, loads: Loads, legs: Sequence[LegVerdict]) -> Ledger:
    """Drop order and best additions of the open kit.

    view, requirements, loads, legs: what the other packages say of the same kit.

    >>> from mule.analysis.completeness import Requirements
    >>> from mule.analysis.completeness.links import graph_of
    >>> from mule.analysis.load import weigh
    >>> from mule.analysis.optics import cover
    >>> from tests import cast
    >>> gear = [cast.body(), cast.normal_zoom(), cast.tele_zoom()]
    >>> plan = cast.plan(gear, *(cast.entry(t.id, cast.ON_INES) for t in gear))
    >>> view = cover(gear, plan.loaded, plan.trip.wants)
    >>> loads = weigh(plan.items, plan.kit, plan.trip.people)
    >>> made = reckon(plan, view, Requirements(graph_of(plan), plan.loaded), loads, [])
    >>> [(drop.item, drop.mass_g, round(drop.points)) for drop in made.drops]
    [('tele', 800.0, 0)]
    """
    barred = set(plan.trip.marks.must_leave)
    return Ledger(
        **drop_order(LoadedKit(plan, view.table, requirements), view, loads, legs)._asdict(),
        additions=recommended_additions(view, requirements, plan.items, barred),
    )


__all__ = [
    "DROPPABLE",
    "Addition",
    "Burden",
    "Drop",
    "Ledger",
    "LoadedKit",
    "Pieces",
    "Sharpen",
    "grams",
    "inside",
    "least_missed",
    "litres",
    "reckon",
]
