"""Restricted things where they lie (docs/domain/carriers.md). Usual rules; the carrier and the authority decide."""

from collections.abc import Iterable

from mule.carriers import Judged
from mule.finding import Finding, FindingCode, Severity, StationName
from mule.rules.case import Case, say


class RestrictedThings:
    """A thing that does not go where it lies, or only with somebody's word."""

    def find(self, case: Case) -> Iterable[Finding]:
        """A blocker for each that does not go, a caution for energy that wants approval, a note for the rest."""
        everywhere = [(judged, "") for judged in case.gate.restricted]
        everywhere += [(judged, again.loadout) for again in case.gate.repacked for judged in again.restricted]
        return [self._said(judged, loadout) for judged, loadout in everywhere if judged.answer != "yes"]

    def _said(self, judged: Judged, loadout: str) -> Finding:
        refused = judged.answer == "no"
        numbers = {"count": float(judged.count), "total": float(judged.total)}
        if judged.wh is not None:
            numbers["energy_wh"] = judged.wh
        if judged.most is not None:
            numbers["most"] = float(judged.most)
        approval = judged.why == "energy"
        return say(
            FindingCode.GATE_NO if refused else FindingCode.GATE_ASK,
            Severity.BLOCKER if refused else Severity.CAUTION if approval else Severity.NOTE,
            StationName.GATE,
            numbers=numbers,
            items=(judged.item,),
            refs={
                "sort": judged.sort,
                "why": judged.why,
                "where": "hold" if judged.held else "cabin",
                **({"bag": judged.bag} if judged.bag else {}),
                **({"loadout": loadout} if loadout else {}),
            },
        )
