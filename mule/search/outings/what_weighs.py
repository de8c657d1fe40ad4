"""What of a kit makes a day's bag so heavy, and what of all that is in play could make it lighter."""

from collections.abc import Mapping, Sequence

from mule.analysis.optics import OPTICAL, table_of
from mule.plan import Plan
from mule.plan.gear import Bag, Gear, serves
from mule.plan.kit import Entry
from mule.plan.places import Worn
from mule.plan.trip import Day, Want
from mule.search.choosing.scoring import equivalence_of
from mule.search.outings.along import always


def score_of(plan: Plan, loaded: Mapping[str, int], wants: Sequence[Want]) -> float:
    """Of these wants, 0 to 100, with these things."""
    return table_of([plan.items[item] for item in loaded], loaded, wants).score()


def few_worth(plan: Plan, wants: Sequence[Want], least: float) -> dict[str, int]:
    """As few things of a kit as are worth so many points of these wants; what is light is left out first."""
    few = dict(plan.loaded)
    for item in sorted(few, key=lambda i: plan.items[i].mass_g):
        less = {other: n for other, n in few.items() if other != item}
        if score_of(plan, less, wants) >= least:
            few = less
    return few


def standing_in(
    plan: Plan, few: Mapping[str, int], fixed: Mapping[str, int], in_play: Mapping[str, int]
) -> dict[tuple[str, ...], int]:
    """Pieces of these few by what stands in for each, without what stays in any case."""
    found: dict[tuple[str, ...], int] = {}
    for item in few:
        alike = [other for other in (*fixed, *in_play) if _same(plan.items[item], plan.items[other])]
        stays = sum(fixed.get(other, 0) for other in alike)
        asked = sum(few.get(other, 0) for other in alike) - stays
        free = tuple(other for other in alike if other in in_play)
        if asked > 0 and free:
            found[free] = asked
    return found


def _same(thing: Gear, other: Gear) -> bool:
    """Whether one stands in for the other in what wants see."""
    if thing.id == other.id:
        return True
    if isinstance(thing, OPTICAL) and isinstance(other, OPTICAL):
        return equivalence_of(thing) == equivalence_of(other)
    return serves(thing) is not None and serves(thing) == serves(other)


def with_everything(plan: Plan, every: Mapping[str, int], day: Day) -> Plan:
    """The plan with everything in play on the trip, but for what goes along in any case once it is there: so a bag out
    of it is no heavier than any of a kit that is chosen from it."""
    loaded, first = plan.loaded, plan.trip.people[0].id
    more = {
        item: n - loaded.get(item, 0)
        for item, n in every.items()
        if n > loaded.get(item, 0) and not isinstance(plan.items[item], Bag) and not always(plan.items[item], (day,))
    }
    entries = [Entry(item=item, count=n, place=Worn(person=first)) for item, n in more.items()]
    return plan.with_kit(plan.kit.model_copy(update={"entries": (*plan.kit.entries, *entries)}))
