"""What carriers refuse and what backs bear."""

from collections.abc import Iterable, Sequence
from typing import Any

from mule.analysis.carriers import Check
from mule.findings import said
from mule.findings.codes import Severity
from mule.findings.rules.case import Case
from mule.findings.said import Finding
from mule.plan.places import Worn


class LegRefusesRule:
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
            yield _refusal(checks, light_looking)


def _refusal(checks: Sequence[Check], light_looking: bool) -> Finding:
    worst = max(checks, key=lambda c: c.over)
    # The size must pass; what is only weighed is a risk for who travels light-looking (docs/domain/carriers.md).
    risked = light_looking and worst.limit in ("mass", "together")
    common: dict[str, Any] = {
        "severity": Severity.CAUTION if risked else Severity.BLOCKER,
        "items": (worst.bag,) if worst.bag else (),
        "leg": worst.leg,
        "legs": len({c.leg for c in checks}),
        "person": worst.person,
        "piece": worst.piece,
        "risked": risked,
    }
    value, allowed, over = worst.value, worst.allowed, worst.over
    match worst.limit:
        case "mass":
            return said.LegMass(**common, mass_g=value, allowed_g=allowed, over_g=over)
        case "together":
            return said.LegTogether(**common, mass_g=value, allowed_g=allowed, over_g=over)
        case "size":
            return said.LegSize(**common, side_mm=value, allowed_mm=allowed, over_mm=over)
        case "sum":
            return said.LegSum(**common, sum_mm=value, allowed_mm=allowed, over_mm=over)
        case "soft":
            return said.LegSoft(**common)
        case "count":
            return said.LegCount(**common, pieces=round(value), allowed=round(allowed), over=round(over))


class UnplacedRule:
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
            yield said.Unplaced(items=items, person=carried.person, mass_g=carried.unplaced_g, litres=litres)


class LoadOnPersonRule:
    """More than a share of body mass on one back."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per person over the first line (general guidance, not medical advice)."""
        for carried in case.loads.people:
            if carried.over and carried.share is not None:
                yield said.HeavyLoad(
                    severity=Severity.CAUTION if max(carried.over) >= 0.20 else Severity.NOTE,
                    person=carried.person,
                    carried_g=carried.carried_g,
                    share=carried.share,
                    line=max(carried.over),
                )
