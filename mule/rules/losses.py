"""Single points of failure (docs/domain/resilience.md): told with the advice, since they are about other kits."""

from collections.abc import Iterable
from dataclasses import dataclass

from mule.finding import Finding, FindingCode, Severity, StationName
from mule.gear import Body
from mule.rules.case import Trials, say

_MOST = 3
# A loss that costs less than this share of what the kit covers is borne.
_LEAST_SHARE = 0.2


@dataclass(frozen=True)
class SinglePoints:
    """One thing whose loss costs the trip, or a good part of it. most: so many are told, the worst first; None: all."""

    most: int | None = _MOST

    def find(self, trials: Trials) -> Iterable[Finding]:
        """The worst few losses of single things: notes; for paid work a sole camera, and all pictures, are cautions."""
        score = trials.case.view.coverage.score
        paid = Severity.CAUTION if trials.plan.trip.stakes == "paid" else Severity.NOTE
        losses = trials.resilience.losses
        worst = [
            loss for loss in losses if loss.what == "thing" and (loss.stops or loss.points >= _LEAST_SHARE * score > 0)
        ]
        for loss in worst[: self.most]:
            yield say(
                FindingCode.SINGLE_POINT,
                paid if isinstance(trials.plan.items[loss.item], Body) else Severity.NOTE,
                StationName.BENCH,
                numbers={"points": loss.points, "wants": len(loss.wants), "days": loss.days, "stops": int(loss.stops)},
                items=(loss.item,),
            )
        for loss in losses:
            if loss.what == "bag" and loss.pictures:
                yield say(FindingCode.PICTURES_IN_ONE_BAG, paid, StationName.BENCH, items=(loss.item,))
