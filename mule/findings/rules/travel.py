"""What carriers refuse and what backs bear."""

from collections.abc import Iterable, Mapping

from mule.analysis.carriers import Check
from mule.findings.finding import Finding, FindingCode, Severity, StationName
from mule.findings.rules.case import Case, say
from mule.plan.places import Worn

_LEGS: Mapping[str, FindingCode] = {
    "mass": FindingCode.LEG_MASS,
    "size": FindingCode.LEG_SIZE,
    "sum": FindingCode.LEG_SUM,
    "soft": FindingCode.LEG_SOFT,
    "count": FindingCode.LEG_COUNT,
    "together": FindingCode.LEG_TOGETHER,
}


class LegRefuses:
    """A leg's carrier does not take a bag as it is."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per bag and limit, for the leg where it is most over; other legs are counted."""
        light_looking = case.plan.trip.policies.cabin == "light-looking"
        failed: dict[tuple[object, ...], list[Check]] = {}
        for leg in case.legs:
            for made in leg.checks:
                if not made.passes:
                    failed.setdefault((made.limit, made.person, made.bag, made.piece), []).append(made)
        for checks in failed.values():
            worst = max(checks, key=lambda c: c.over)
            refs = {"leg": worst.leg, "person": worst.person}
            if worst.piece:
                refs["piece"] = worst.piece.value
            # The size must pass; what is only weighed is a risk for who travels light-looking
            # (docs/domain/carriers.md).
            risked = light_looking and worst.limit in ("mass", "together")
            if risked:
                refs["policy"] = "light-looking"
            # What a carrier refuses is mended on the bench, and stands at the gate too.
            yield say(
                _LEGS[worst.limit],
                Severity.CAUTION if risked else Severity.BLOCKER,
                StationName.BENCH,
                StationName.GATE,
                numbers={
                    "value": worst.value,
                    "allowed": worst.allowed,
                    "over": worst.over,
                    "legs": len({c.leg for c in checks}),
                },
                items=(worst.bag,) if worst.bag else (),
                refs=refs,
            )


class Unplaced:
    """Things that travel with nobody's bag because there is none: what is weighed at the gate does not hold them."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per person, with their grams."""
        for carried in case.loads.people:
            # Places are compared field by field: as whole values that takes ten times as long.
            worn = ((e, e.place) for e in case.plan.kit.entries if isinstance(e.place, Worn) and e.place.unplaced)
            entries = [e for e, place in worn if place.person == carried.person]
            if not entries:
                continue
            items = tuple(dict.fromkeys(e.item for e in entries))
            litres = sum(case.plan.items[e.item].size.litres() * e.count for e in entries)
            yield say(
                FindingCode.UNPLACED,
                Severity.CAUTION,
                StationName.BENCH,
                StationName.STOW,
                StationName.GATE,
                numbers={"mass_g": carried.unplaced_g, "litres": litres},
                items=items,
                refs={"person": carried.person},
            )


class LoadOnPerson:
    """More than a share of body mass on one back."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per person over the first line (general guidance, not medical advice)."""
        for carried in case.loads.people:
            if carried.over and carried.share is not None:
                yield say(
                    FindingCode.HEAVY_LOAD,
                    Severity.CAUTION if max(carried.over) >= 0.20 else Severity.NOTE,
                    StationName.BENCH,
                    numbers={"carried_g": carried.carried_g, "share": carried.share, "line": max(carried.over)},
                    refs={"person": carried.person},
                )
