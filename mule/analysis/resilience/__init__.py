"""Resilience: each single thing and each bag lost in turn (docs/domain/resilience.md).

The front door is ``analyze_single_failures``.
"""

from collections.abc import Collection, Iterable, Sequence
from typing import Literal

from mule.analysis.completeness import LightestGivers, Requirements
from mule.analysis.load import roots
from mule.analysis.optics import View, changes
from mule.analysis.resilience.answer import Backup, Loss, Resilience
from mule.analysis.resilience.bags import BagLoss, bag_losses
from mule.analysis.resilience.single_loss import (
    SERVES,
    serving,
    survives_any_single_loss,
    wants_surviving_any_single_loss,
)
from mule.plan import Plan
from mule.plan.gear import Bag, Card, Computer, Drive, Insert
from mule.plan.places import AsPiece

# A want is lost when less than this share of its cover is left.
_LOST_UNDER = 0.5
# A backup brings back at least this share of the points lost.
_BRINGS_BACK = 0.5
_MOST_BACKUPS = 2
# Only the worst losses are worth looking for backups; the others cost little.
_BACKED_UP = 4
# Links without which a thing does not work at all.
_FATAL = frozenset({"pack", "card", "head", "phone", "trigger", "port", "holder"})
_LEAST_POINTS = 0.05


def analyze_single_failures(plan: Plan, view: View, requirements: Requirements, *, backups: bool = True) -> Resilience:
    """What is left of the open kit after each single loss, worst first.

    view: what the open kit sees. requirements: of its loaded things. backups: whether ways to bear the worst are looked
    for, too.

    >>> from mule.analysis.completeness import Requirements
    >>> from mule.analysis.completeness.links import graph_of
    >>> from mule.analysis.optics import cover
    >>> from tests import cast
    >>> gear = [cast.bag(), cast.body(), cast.normal_zoom()]
    >>> plan = cast.plan(gear, cast.entry("bag", cast.INES_CABIN), cast.entry("body"), cast.entry("normal"))
    >>> view = cover(plan.gear, plan.loaded, plan.trip.wants)
    >>> made = analyze_single_failures(plan, view, Requirements(graph_of(plan), plan.loaded))
    >>> [(loss.item, loss.score) for loss in made.losses]
    [('body', 0.0), ('normal', 0.0), ('bag', 0.0)]
    """
    counts = plan.loaded
    before = view.table.covers()
    keepers = {i for i in counts if isinstance(plan.items[i], Card | Drive | Computer)}
    weigh = _Weigh(plan, view, requirements, before, keepers)
    singles = [item for item in counts if counts[item] == 1]
    losses = [loss for item in singles if (loss := weigh("thing", item, (item,)))]
    losses += [loss for bag, held in _bags(plan).items() if (loss := weigh("bag", bag, held))]
    worst = sorted(
        (loss for loss in losses if loss.points >= _LEAST_POINTS or loss.fails or loss.pictures),
        key=lambda loss: (loss.stops, loss.pictures, loss.points, len(loss.fails)),
        reverse=True,
    )
    most = _BACKED_UP if backups else 0
    borne = [
        loss.model_copy(update={"backups": tuple(_backups(plan, view, requirements, loss))}) for loss in worst[:most]
    ]
    steady, share = wants_surviving_any_single_loss(view.table, plan.trip.wants, counts)
    return Resilience(
        losses=(*borne, *worst[most:]),
        steady=tuple(want.id for want in steady),
        share=share,
    )


def _bags(plan: Plan) -> dict[str, tuple[str, ...]]:
    """Each piece of luggage with the things of which every piece is in it."""
    counts = plan.loaded
    found: dict[str, list[str]] = {e.item: [e.item] for e in plan.kit.entries if isinstance(e.place, AsPiece)}
    for item, places in roots(plan.kit).bags.items():
        if len({bag for bag, _ in places}) == 1 and sum(n for _, n in places) == counts[item]:
            found[places[0][0]].append(item)
    return {bag: tuple(items) for bag, items in found.items() if len(items) > 1}


class _Weigh:
    """Weighs one loss after the other."""

    def __init__(
        self, plan: Plan, view: View, requirements: Requirements, before: Sequence[float], keepers: Collection[str]
    ) -> None:
        self._plan, self._view, self._requirements, self._before = plan, view, requirements, before
        self._keepers = frozenset(keepers)
        self._optical = frozenset((*view.table.items, *view.table.aids.items))
        self._whole = view.coverage.score

    def __call__(self, what: Literal["thing", "bag"], item: str, lost: Sequence[str]) -> Loss | None:
        """What is left without these; None when nobody would notice."""
        failing = [r for r in self._requirements.holds_up(*lost) if r.need.sort == "link"]
        out = {*lost, *(r.item for r in failing if r.need.what in _FATAL)}
        pictures = bool(self._keepers) and self._keepers <= set(lost)
        if not failing and not pictures and self._optical.isdisjoint(out):
            return None
        table = self._view.table
        score, after = table.score(out), table.covers(out)
        wants = self._wants_lost(after)
        return Loss(
            what=what,
            item=item,
            out=tuple(sorted(out)),
            score=score,
            points=self._whole - score,
            wants=wants,
            changes=changes([want.id for want in self._plan.trip.wants], self._before, after),
            days=_days_lost(self._plan, wants),
            stops=bool(table.parts) and all(not out.isdisjoint(parts) for parts in table.parts),
            pictures=pictures,
            fails=tuple(dict.fromkeys(r.item for r in failing)),
            backups=(),
        )

    def _wants_lost(self, after: Sequence[float]) -> tuple[str, ...]:
        found = zip(self._plan.trip.wants, self._before, after, strict=True)
        return tuple(want.id for want, was, left in found if was > 0 and left < _LOST_UNDER * was)


def _days_lost(plan: Plan, wants: Collection[str]) -> int:
    """Days on which nothing that was planned can be shot any more."""
    planned = [{want.id for want in plan.trip.wants_on(day)} for day in plan.trip.days]
    return sum(bool(day) and day <= set(wants) for day in planned)


def _backups(plan: Plan, view: View, requirements: Requirements, loss: Loss) -> Iterable[Backup]:
    """More of the same, what else gives the same link, or what brings back half of the points: lightest first."""
    if loss.what == "bag":
        return
    thing = plan.items[loss.item]
    found: dict[tuple[str, ...], float] = {}
    if thing.count > 1 and not isinstance(thing, Bag | Insert):
        found[(loss.item,)] = thing.mass_g
    rest = {item: n for item, n in plan.loaded.items() if item != loss.item}
    givers = LightestGivers(requirements.graph, plan.items, rest)
    for failing in requirements.holds_up(loss.item):
        if failing.need.sort == "link":
            given = givers.lightest(failing.item, failing.need)
            if given and loss.item not in given[1]:
                found[given[1]] = given[0]
    ways = view.unselected.rescue(loss.out, view.table.cells(loss.out)) if loss.points >= _LEAST_POINTS else ()
    enough = [way for way in ways if way.points >= _BRINGS_BACK * loss.points]
    for way in enough[:_MOST_BACKUPS]:
        found[way.items] = way.mass_g
    barred = set(plan.trip.marks.must_leave)
    able = [(grams, items) for items, grams in found.items() if items and barred.isdisjoint(items)]
    for grams, items in sorted(able)[:_MOST_BACKUPS]:
        yield Backup(items=items, mass_g=grams)


__all__ = [
    "SERVES",
    "Backup",
    "BagLoss",
    "Loss",
    "Resilience",
    "analyze_single_failures",
    "bag_losses",
    "serving",
    "survives_any_single_loss",
    "wants_surviving_any_single_loss",
]
