"""Restricted things where they lie (docs/domain/carriers.md). Usual rules; the carrier and the authority decide."""

from collections.abc import Iterable

from mule.carriers import Judged
from mule.finding import AsPiece, Cure, CureCode, FindingCode, InBag, Move, PieceKind, Severity, StationName
from mule.gear import keeps_safe
from mule.rules.case import Case, Said, Trials, no_cures, say


class RestrictedThings:
    """A thing that does not go where it lies, or only with somebody's word."""

    def find(self, case: Case) -> Iterable[Said]:
        """A blocker for each that does not go, a caution for energy that wants approval, a note for the rest."""
        everywhere = [(judged, "") for judged in case.gate.restricted]
        everywhere += [(judged, again.loadout) for again in case.gate.repacked for judged in again.restricted]
        return [self._said(judged, loadout) for judged, loadout in everywhere if judged.answer != "yes"]

    def _said(self, judged: Judged, loadout: str) -> Said:
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
            # A loadout is mended where it is made up; edits are of the transit packing.
            cures=(lambda trials: self._cures(trials, judged)) if refused and not loadout else no_cures,
        )

    def _cures(self, trials: Trials, judged: Judged) -> Iterable[Cure]:
        """Another bag where it may go, of the same person first; else it stays at home, unless it keeps people safe."""
        thing = trials.plan.items[judged.item]
        if judged.why == "place":
            able = "cabin" if judged.held else "hold"
            rule = next(r for r in trials.case.gate.rules if r.sort == judged.sort)
            if getattr(rule, able) != "no":
                pieces = [(e.item, e.place) for e in trials.plan.kit.entries if isinstance(e.place, AsPiece)]
                fits = [(b, p) for b, p in pieces if (p.piece == PieceKind.HOLD) == (able == "hold")]
                for bag, _ in sorted(fits, key=lambda found: found[1].person != judged.person)[:1]:
                    moved = {"moved_g": thing.mass_g * judged.count}
                    yield Cure(code=CureCode.MOVE, edits=(Move(item=thing.id, place=InBag(bag=bag)),), numbers=moved)
        if not keeps_safe(thing):
            yield trials.leave([thing])
