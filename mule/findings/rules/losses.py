"""Single points of failure (docs/domain/resilience.md): told with the advice, since they are about other kits."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from mule.analysis.resilience import Loss
from mule.findings import said
from mule.findings.codes import Severity
from mule.findings.rules.case import Trials
from mule.findings.said import Finding
from mule.plan.gear import Body, Group

_MOST = 3
# A loss that costs less than this share of what the kit covers is borne.
_LEAST_SHARE = 0.2


# Of bags whose loss leaves cameras without what feeds them so many are told.
_MOST_BAGS = 2


class LostBagsRule:
    """A bag that takes packs, chargers or cards along when it is lost on the first day, and leaves the cameras."""

    def find(self, trials: Trials) -> Iterable[Finding]:
        """The worst few, by the days that are left: notes, for paid work cautions."""
        paid = Severity.CAUTION if trials.plan.trip.stakes == "paid" else Severity.NOTE
        worst = sorted((loss for loss in trials.bag_losses if loss.strands), key=lambda loss: loss.power_days)
        for loss in worst[:_MOST_BAGS]:
            yield said.LostBag(
                severity=paid,
                items=loss.bags,
                power_days=loss.power_days,
                whole_days=loss.whole_days,
                of_days=loss.days,
                cards=loss.cards,
                all_cards=loss.all_cards,
                charges=loss.charges or not loss.charged,
            )


@dataclass(frozen=True)
class SinglePointsRule:
    """One thing whose loss costs the trip, or a good part of it. most: so many are told, the worst first; None: all."""

    most: int | None = _MOST

    def find(self, trials: Trials) -> Iterable[Finding]:
        """The worst few losses of single things: notes; for paid work a sole camera, and all pictures, are cautions."""
        score = trials.case.view.coverage.score
        paid = Severity.CAUTION if trials.plan.trip.stakes == "paid" else Severity.NOTE
        losses = trials.losses
        worst = [
            loss for loss in losses if loss.what == "thing" and (loss.stops or loss.points >= _LEAST_SHARE * score > 0)
        ]
        for loss in _apart(trials, worst)[: self.most]:
            yield said.SinglePoint(
                severity=paid if isinstance(trials.plan.items[loss.item], Body) else Severity.NOTE,
                items=(loss.item,),
                points=loss.points,
                wants=len(loss.wants),
                days=loss.days,
                stops=loss.stops,
            )
        for loss in losses:
            if loss.what == "bag" and loss.pictures:
                yield said.PicturesInOneBag(severity=paid, items=(loss.item,))


def _apart(trials: Trials, losses: Sequence[Loss]) -> list[Loss]:
    """Without what falls for the same reason as one before it: legs, head and plate hold the same wants."""
    kept: list[Loss] = []
    for loss in losses:
        if not (_is_support(trials, loss) and any(o.wants == loss.wants and _is_support(trials, o) for o in kept)):
            kept.append(loss)
    return kept


def _is_support(trials: Trials, loss: Loss) -> bool:
    return trials.plan.items[loss.item].group == Group.SUPPORT
