"""What is missing, left over, dragged along, wanted twice or doubled (docs/domain/completeness.md)."""

from collections.abc import Callable, Iterable, Mapping

from mule.analysis.completeness import Clash, Missing, chains
from mule.analysis.filters import Bare, Stretch
from mule.analysis.optics import OPTICAL
from mule.findings import said
from mule.findings.codes import Severity, StationName
from mule.findings.rules.case import Case, Trials
from mule.findings.said import Finding
from mule.plan.gear import Body

# Links without which a body takes no pictures.
_VITAL = ("pack", "card", "film")
# Links that are good to have: one may do without.
_SOFT = ("plate",)
_CLASHES: Mapping[str, Callable[..., Finding]] = {
    "hot-shoe": said.ClashHotShoe,
    "phone": said.ClashPhone,
    "base-plate": said.ClashBasePlate,
}


class MissingLinkRule:
    """A thing that does not work, or not for long, without another."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per missing link; blocks when a body cannot shoot."""
        for missing in case.completeness.missing:
            if missing.what == "charger" and _lasts_uncharged(case, missing.label):
                continue
            severity, items, label = self._severity(case, missing), (missing.item,), missing.label or None
            if missing.short:
                yield said.PiecesShort(
                    severity=severity, items=items, what=missing.what, label=label, short=missing.short
                )
                continue
            # Without a pack or a card there is no day that Stamina could judge.
            also = (StationName.STAMINA,) if missing.what in _VITAL else ()
            yield said.MissingLink(
                severity=severity, stations=(StationName.BENCH, *also), items=items, what=missing.what, label=label
            )

    def _severity(self, case: Case, missing: Missing) -> Severity:
        if missing.what in _VITAL and not missing.short and isinstance(case.plan.items[missing.item], Body):
            return Severity.BLOCKER
        return Severity.NOTE if missing.what in _SOFT else Severity.CAUTION


def _lasts_uncharged(case: Case, battery_type: str) -> bool:
    """Whether nobody misses a charger: packs are not to be charged, or those loaded carry every day as it is."""
    if case.plan.trip.stamina.power == "packs-only":
        return True
    types = [t for t in case.stamina.power.types if t.type == battery_type]
    return bool(case.plan.trip.days) and any(t.packs and t.worst_margin is not None and not t.short_on for t in types)


class OrphansRule:
    """A loaded thing that serves nothing loaded."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per orphan that is not glass or body (those idle for their own reasons)."""
        for orphan in case.completeness.orphans:
            thing = case.plan.items[orphan.item]
            if isinstance(thing, OPTICAL) or thing.for_other:
                continue
            yield said.ServesNothing(
                items=(orphan.item,), what=orphan.lacks, label=orphan.label or None, mass_g=orphan.mass_g
            )


class ChainsRule:
    """One thing, or one type of card, that alone brings others along: told with the advice."""

    def find(self, trials: Trials) -> Iterable[Finding]:
        """One note per chain; what leaving all of it frees is told, not proposed: the lead may earn its place."""
        for chain in chains(trials.case.requirements, trials.plan.items, trials.loaded):
            yield said.ChainOfLinks(
                items=(*chain.lead, *chain.followers),
                what=chain.what,
                label=chain.label or None,
                things=len(chain.followers),
                mass_g=chain.mass_g,
            )


class ClashesRule:
    """Several things for one socket or one phone."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per place that is wanted more often than it is there."""
        return [self._said(clash) for clash in case.completeness.clashes]

    def _said(self, clash: Clash) -> Finding:
        return _CLASHES[clash.over](items=clash.items, places=clash.places)


class OverlapsRule:
    """Things that do the same and are not marked as backups."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per double by accident; a twin body under a policy that asks for one is meant."""
        twin_wanted = case.plan.trip.policies.second_body == "twin"
        for overlap in case.completeness.overlaps:
            if overlap.meant or (overlap.by == "twin-bodies" and twin_wanted):
                continue
            yield said.SeenTwice(items=overlap.items, by=overlap.by)


class FilterUnservedRule:
    """A want asks for a filter effect that no loaded filter gives on a lens that sees it, or not over all of it."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per want and effect, or per part of the want that lacks it."""
        for asked in case.filters.asked:
            # Where nothing of it is served, what lenses see of it is one thing to say, not two.
            partly = asked.partly
            for bare in asked.bare if partly else asked.bare[:1]:
                lenses = [s.lens for s in asked.stretches if not s.fit and (not partly or _overlap(s, bare))]
                yield said.FilterUnserved(
                    severity=Severity.NOTE if partly else Severity.CAUTION,
                    items=tuple(dict.fromkeys(lenses)),
                    want=asked.want,
                    effect=asked.effect,
                    stops=asked.stops or None,
                    from_mm=bare.from_mm if partly else None,
                    to_mm=bare.to_mm if partly else None,
                )


class FiltersTogetherRule:
    """A want asks for several effects: they are worn at once, on one lens."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per want and lens that wears each effect but not all, or only with dark corners."""
        told: set[tuple[str, str]] = set()
        wishes = {want.id: len(want.effects) for want in case.plan.trip.wants}
        for asked in case.filters.asked:
            for stretch in asked.stretches if wishes[asked.want] > 1 else ():
                fit, key = stretch.fit, (asked.want, stretch.lens)
                dark = fit is not None and stretch.together and "dark-corners" in fit.warnings
                if fit is None or key in told or (stretch.together and not dark) or not _each(case, *key):
                    continue
                told.add(key)
                yield said.FiltersTogether(
                    items=(stretch.lens,),
                    want=asked.want,
                    rim_mm=fit.rim_mm if dark else None,
                    from_mm=stretch.from_mm if dark else None,
                )


def _each(case: Case, want: str, lens: str) -> bool:
    """Whether a lens wears each effect of a want, one at a time at least."""
    return all(s.fit for a in case.filters.asked if a.want == want for s in a.stretches if s.lens == lens)


def _overlap(stretch: Stretch, bare: Bare) -> bool:
    """Whether a lens sees something of a part of a want."""
    return (stretch.from_mm < bare.to_mm and stretch.to_mm > bare.from_mm) or bare.from_mm == bare.to_mm
