"""Restricted things where they lie (docs/domain/carriers.md). Usual rules; the carrier and the authority decide."""

from collections.abc import Iterable

from mule.analysis.carriers import Judged
from mule.analysis.load import roots
from mule.findings.finding import Finding, FindingCode, Severity, StationName
from mule.findings.rules.case import Case, say
from mule.plan.gear import is_for
from mule.plan.places import PieceKind
from mule.plan.purposes import Purpose


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
        if refused:
            # Pieces to move or leave: those past the number that may come, or all that lie where none may.
            past = judged.total - (judged.most or 0)
            numbers["over"] = float(past if judged.why == "count" else judged.count)
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


class MedicineInReach:
    """Medicine that must be in reach, in a bag that is checked in."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per thing."""
        where = roots(case.plan.kit)
        held = {p.bag for p in case.loads.pieces if p.piece == PieceKind.HOLD}
        for item in case.loaded:
            thing = case.plan.items[item]
            if is_for(thing, Purpose.MEDICINE):
                for bag in (bag for bag, _ in where.bags.get(item, ()) if bag in held):
                    yield say(
                        FindingCode.MEDICINE_HELD,
                        Severity.CAUTION,
                        StationName.GATE,
                        items=(item,),
                        refs={"bag": bag},
                    )
