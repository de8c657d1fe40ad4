"""Resilience: each single thing and each bag lost in turn. The front door is ``endure`` (domain 11)."""

from collections.abc import Collection, Iterable, Sequence

from mule.completeness import Ties, lightest
from mule.finding import AsPiece, Cure, Load
from mule.gear import Bag, Card, Computer, Drive, Insert
from mule.load import roots
from mule.optics import View
from mule.plan import Plan
from mule.resilience.answer import Loss, Resilience
from mule.resilience.steady import SERVES, is_steady, serving

# A want is lost when less than this share of its cover is left.
_LOST_UNDER = 0.5
# A cure brings back at least this share of the points lost.
_BRINGS_BACK = 0.5
_MOST_CURES = 2
# Only the worst losses are worth looking for cures; the others cost little.
_CURED = 4
# Links without which a thing does not work at all.
_FATAL = frozenset({"pack", "card", "head", "phone", "trigger", "port", "holder"})
_LEAST_POINTS = 0.05


def endure(plan: Plan, view: View, ties: Ties) -> Resilience:
    """What is left of the open kit after each single loss, worst first."""
    counts = plan.kit.loaded()
    before = view.table.covers(view.table.cells())
    losses = [_loss(plan, view, ties, before, "thing", item, (item,)) for item in counts if counts[item] == 1]
    losses += [_loss(plan, view, ties, before, "bag", bag, held) for bag, held in _bags(plan).items()]
    worst = sorted(
        (loss for loss in losses if loss.points >= _LEAST_POINTS or loss.fails or loss.pictures),
        key=lambda loss: (loss.stops, loss.pictures, loss.points, len(loss.fails)),
        reverse=True,
    )
    cured = [loss.model_copy(update={"cures": tuple(_cures(plan, view, ties, loss))}) for loss in worst[:_CURED]]
    steady = [want for want, ways in zip(plan.trip.wants, serving(view.table), strict=True) if is_steady(ways, counts)]
    whole = sum(want.importance for want in plan.trip.wants)
    return Resilience(
        losses=(*cured, *worst[_CURED:]),
        steady=tuple(want.id for want in steady),
        share=sum(want.importance for want in steady) / whole if whole else 0.0,
    )


def _bags(plan: Plan) -> dict[str, tuple[str, ...]]:
    """Each piece of luggage with the things of which every piece is in it."""
    counts = plan.kit.loaded()
    found: dict[str, list[str]] = {e.item: [e.item] for e in plan.kit.entries if isinstance(e.place, AsPiece)}
    for item, places in roots(plan.kit).bags.items():
        if len({bag for bag, _ in places}) == 1 and sum(n for _, n in places) == counts[item]:
            found[places[0][0]].append(item)
    return {bag: tuple(items) for bag, items in found.items() if len(items) > 1}


def _loss(
    plan: Plan, view: View, ties: Ties, before: Sequence[float], what: str, item: str, lost: Sequence[str]
) -> Loss:
    failing = [tie for tie in ties.holds_up(*lost) if tie.need.sort == "link"]
    fails = tuple(dict.fromkeys(tie.item for tie in failing))
    dead = [tie.item for tie in failing if tie.need.what in _FATAL]
    out = {*lost, *dead}
    cells = view.table.cells(out)
    score = float(100 * (cells @ view.table.cols.weight))
    after = view.table.covers(cells)
    wants = tuple(
        want.id
        for want, was, is_ in zip(plan.trip.wants, before, after, strict=True)
        if was > 0 and is_ < _LOST_UNDER * was
    )
    return Loss(
        what="bag" if what == "bag" else "thing",
        item=item,
        out=tuple(sorted(out)),
        score=score,
        points=view.coverage.score - score,
        wants=wants,
        days=_days_lost(plan, wants),
        stops=bool(view.table.parts) and not view.table.without(out).parts,
        pictures=_loses_pictures(plan, lost),
        fails=fails,
        cures=(),
    )


def _days_lost(plan: Plan, wants: Collection[str]) -> int:
    """Days on which nothing that was planned can be shot any more."""
    planned = [{want.id for want in plan.trip.wants_on(day)} for day in plan.trip.days]
    return sum(bool(day) and day <= set(wants) for day in planned)


def _loses_pictures(plan: Plan, lost: Collection[str]) -> bool:
    """Whether everything that pictures are kept on goes at once."""
    keepers = [i for i in plan.kit.loaded() if isinstance(plan.items[i], Card | Drive | Computer)]
    return bool(keepers) and all(item in lost for item in keepers)


def _cures(plan: Plan, view: View, ties: Ties, loss: Loss) -> Iterable[Cure]:
    """More of the same, what else gives the same link, or what brings back half of the points: lightest first."""
    if loss.what == "bag":
        return
    thing = plan.items[loss.item]
    found: dict[tuple[str, ...], float] = {}
    if thing.count > 1 and not isinstance(thing, Bag | Insert):
        found[(loss.item,)] = thing.mass_g
    without = [item for item in ties.loaded if item != loss.item]
    for tie in ties.holds_up(loss.item):
        if tie.need.sort == "link":
            cure = lightest(ties.web, plan.items, tie.item, tie.need, without)
            if cure and loss.item not in cure[1]:
                found[cure[1]] = cure[0]
    ways = view.left.rescue(loss.out, view.table.cells(loss.out)) if loss.points >= _LEAST_POINTS else ()
    enough = [way for way in ways if way.points >= _BRINGS_BACK * loss.points]
    for way in enough[:_MOST_CURES]:
        found[way.items] = way.mass_g
    barred = set(plan.trip.marks.must_leave)
    able = [(grams, items) for items, grams in found.items() if items and barred.isdisjoint(items)]
    for grams, items in sorted(able)[:_MOST_CURES]:
        yield Cure(code="load", edits=tuple(Load(item=item) for item in items), mass_change_g=grams)


__all__ = ["SERVES", "Loss", "Resilience", "endure", "is_steady", "serving"]
