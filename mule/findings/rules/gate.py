"""Restricted things where they lie (docs/domain/carriers.md). Usual rules; the carrier and the authority decide."""

from collections.abc import Iterable
from typing import Any

from mule.analysis.carriers import Judged
from mule.analysis.load import roots
from mule.findings import said
from mule.findings.codes import Severity
from mule.findings.rules.case import Case
from mule.findings.said import Finding
from mule.plan.gear import is_for
from mule.plan.places import PieceKind
from mule.plan.purposes import Purpose


class RestrictedThingsRule:
    """A thing that does not go where it lies, or only with somebody's word."""

    def find(self, case: Case) -> Iterable[Finding]:
        """A blocker for each that does not go, a caution for energy that wants approval, a note for the rest."""
        everywhere = [(judged, "") for judged in case.gate.restricted]
        everywhere += [(judged, again.loadout) for again in case.gate.repacked for judged in again.restricted]
        return [self._said(judged, loadout) for judged, loadout in everywhere if judged.answer != "yes"]

    def _said(self, judged: Judged, loadout: str) -> Finding:
        common: dict[str, Any] = {
            "items": (judged.item,),
            "sort": judged.sort,
            "because": judged.why,
            "held": judged.held,
            "bag": judged.bag,
            "loadout": loadout or None,
            "count": judged.count,
            "total": judged.total,
            "most": judged.most,
            "energy_wh": judged.wh,
        }
        if judged.answer == "no":
            over = judged.total - (judged.most or 0) if judged.why == "count" else judged.count
            return said.GateNo(**common, over=over)
        return said.GateAsk(**common, severity=Severity.CAUTION if judged.why == "energy" else Severity.NOTE)


class MedicineInReachRule:
    """Medicine that must be in reach, in a bag that is checked in."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per thing."""
        where = roots(case.plan.kit)
        held = {p.bag for p in case.loads.pieces if p.piece == PieceKind.HOLD}
        for item in case.loaded:
            thing = case.plan.items[item]
            if is_for(thing, Purpose.MEDICINE):
                for bag in (bag for bag, _ in where.bags.get(item, ()) if bag in held):
                    yield said.MedicineHeld(items=(item,), bag=bag)
