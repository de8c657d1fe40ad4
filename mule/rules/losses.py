"""Single points of failure (domain 11)."""

from collections.abc import Iterable

from mule.finding import Finding, Severity
from mule.rules.case import Case

_MOST = 3
# A loss that costs less than this share of what the kit covers is borne.
_LEAST_SHARE = 0.2


class SinglePoints:
    """One thing whose loss costs the trip, or a good part of it."""

    def find(self, case: Case) -> Iterable[Finding]:
        """The worst few losses of single things; a caution for paid work, a note for leisure."""
        score = case.coverage.score
        worst = [
            loss
            for loss in case.resilience.losses
            if loss.what == "thing" and (loss.stops or loss.points >= _LEAST_SHARE * score > 0)
        ]
        for loss in worst[:_MOST]:
            yield Finding(
                code="single-point",
                severity=Severity.CAUTION if case.plan.trip.stakes == "paid" else Severity.NOTE,
                station="bench",
                numbers={"points": loss.points, "wants": len(loss.wants), "days": loss.days, "stops": int(loss.stops)},
                items=(loss.item,),
                cures=loss.cures,
            )
        for loss in case.resilience.losses:
            if loss.what == "bag" and loss.pictures:
                yield Finding(
                    code="pictures-in-one-bag",
                    severity=Severity.CAUTION if case.plan.trip.stakes == "paid" else Severity.NOTE,
                    station="bench",
                    items=(loss.item,),
                )
