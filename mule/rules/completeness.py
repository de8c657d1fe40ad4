"""What is missing, left over, dragged along, wanted twice or doubled (domain 7)."""

from collections.abc import Iterable

from mule.completeness import Missing
from mule.finding import Cure, Finding, Leave, Load, Severity
from mule.gear import Body
from mule.optics import OPTICAL
from mule.rules.case import Case, load

# Links without which a body takes no pictures.
_VITAL = ("pack", "card")
# Links that are good to have: one may do without.
_SOFT = ("plate",)


class MissingLink:
    """A thing that does not work, or not for long, without another."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per missing link; blocks when a body cannot shoot, cured by the lightest owned things."""
        for missing in case.completeness.missing:
            cures: tuple[Cure, ...] = ()
            if missing.loads:
                edits = tuple(Load(item=item, count=max(1, missing.short)) for item in missing.loads)
                cures = (Cure(code="load", edits=edits, mass_change_g=missing.mass_g),)
            refs = {"what": missing.what}
            if missing.label:
                refs["label"] = missing.label
            yield Finding(
                code="pieces-short" if missing.short else "missing-link",
                severity=self._severity(case, missing),
                station="bench",
                numbers={"short": missing.short} if missing.short else {},
                items=(missing.item,),
                refs=refs,
                cures=cures,
            )

    def _severity(self, case: Case, missing: Missing) -> Severity:
        if missing.what in _VITAL and not missing.short and isinstance(case.plan.items[missing.item], Body):
            return Severity.BLOCKER
        return Severity.NOTE if missing.what in _SOFT else Severity.CAUTION


class Orphans:
    """A loaded thing that serves nothing loaded."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per orphan that is not glass or body (those idle for their own reasons); the cure leaves it."""
        for orphan in case.completeness.orphans:
            if isinstance(case.plan.items[orphan.item], OPTICAL):
                continue
            refs = {"what": orphan.lacks}
            if orphan.label:
                refs["label"] = orphan.label
            yield Finding(
                code="orphan",
                severity=Severity.CAUTION,
                station="bench",
                numbers={"mass_g": orphan.mass_g},
                items=(orphan.item,),
                refs=refs,
                cures=(Cure(code="leave", edits=(Leave(item=orphan.item),), mass_change_g=-orphan.mass_g),),
            )


class Chains:
    """One thing, or one type of card, that alone brings others along."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per chain; what leaving all of it frees is told, not proposed: the lead may earn its place."""
        for chain in case.completeness.chains:
            refs: dict[str, str] = {"what": chain.what}
            if chain.label:
                refs["label"] = chain.label
            yield Finding(
                code="chain",
                severity=Severity.NOTE,
                station="bench",
                numbers={"things": len(chain.followers), "mass_g": chain.mass_g},
                items=(*chain.lead, *chain.followers),
                refs=refs,
            )


class Clashes:
    """Several things for one socket or one phone."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per place that is wanted more often than it is there."""
        for clash in case.completeness.clashes:
            yield Finding(
                code=f"clash-{clash.over}",
                severity=Severity.CAUTION if clash.over == "phone" else Severity.NOTE,
                station="bench",
                numbers={"places": clash.places, "things": len(clash.items)},
                items=clash.items,
            )


class Overlaps:
    """Things that do the same and are not marked as backups."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per double by accident; a twin body under a policy that asks for one is meant."""
        twin_wanted = case.plan.trip.policies.second_body == "twin"
        for overlap in case.completeness.overlaps:
            if overlap.meant or (overlap.by == "twin-bodies" and twin_wanted):
                continue
            heaviest = max((case.plan.items[item] for item in overlap.items), key=lambda t: t.mass_g)
            yield Finding(
                code="overlap",
                severity=Severity.NOTE,
                station="bench",
                items=overlap.items,
                refs={"by": overlap.by},
                cures=(case.leave([heaviest]),),
            )


class FilterUnserved:
    """A want asks for a filter effect that no loaded filter gives on a lens that sees it."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per want and effect, with the lightest filter and rings that serve one of its lenses."""
        for asked in case.filters.asked:
            if asked.served is not None or not asked.lenses:
                continue
            cures: tuple[Cure, ...] = ()
            if asked.loads:
                cures = (load(*(case.plan.items[item] for item in asked.loads)),)
            yield Finding(
                code="filter-unserved",
                severity=Severity.CAUTION,
                station="bench",
                numbers={"stops": asked.stops} if asked.stops else {},
                items=asked.lenses,
                refs={"want": asked.want, "effect": asked.effect},
                cures=cures,
            )
