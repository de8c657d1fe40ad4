"""Why a fast or long lens may go first: as the brief is typed, something else serves the want as well."""

from collections.abc import Collection

from mule.analysis.ledger.answer import Sharpen
from mule.analysis.optics import View
from mule.plan import Plan
from mule.plan.gear import Lens

# A set-up that serves this much of a part of a want by itself stands for it.
_SERVES = 0.5


def want_to_sharpen(plan: Plan, view: View, item: str, gone: Collection[str]) -> Sharpen | None:
    """The most important want that a lens serves, and that another lens serves then; None where it serves none.

    gone: what stays at home already.
    """
    thing, table = plan.items[item], view.table
    if not isinstance(thing, Lens):
        return None
    standing = [row for row, parts in enumerate(table.parts) if not any(p in gone for p in parts)]
    mine = [row for row in standing if item in table.parts[row]]
    others = [row for row in standing if item not in table.parts[row]]
    if not mine or not others:
        return None
    by_importance = sorted(zip(plan.trip.wants, table.cols.spans, strict=True), key=lambda w: -w[0].importance)
    for want, span in by_importance:
        served = table.best[:, span]
        cells = served[mine].max(axis=0) >= _SERVES
        if not cells.any():
            continue
        means = served[:, cells].mean(axis=1)
        parts = table.parts[max(others, key=lambda row: float(means[row]))]
        # A camera whose lens stays on stands for it.
        instead = next((p for p in parts if isinstance(plan.items[p], Lens)), parts[0])
        return Sharpen(
            want=want.id,
            instead=instead,
            f_number=want.max_f_number,
            megapixels=want.megapixels,
            crops=_reach_mm(view, parts) < want.focal_max_mm,
        )
    return None


def _reach_mm(view: View, parts: Collection[str]) -> float:
    """The longest that these things see without cropping."""
    bars = (bar for row in view.coverage.reach for bar in row.bars)
    named = ((bar, bar.set_up) for bar in bars if bar.how != "crop-mode")
    mine = [bar.to_mm for bar, s in named if {s.body, s.lens, s.adapter, s.converter} - {None} == set(parts)]
    return max(mine, default=float("inf"))
