"""What cards and places for copies must hold together: said from the start, so that nobody has to find it kit by kit.

Each follows from the simulation (docs/domain/pictures.md): a picture lies on a card of a type that its camera takes,
two cameras never write to one card on one day, and what is copied lies on a drive or a computer.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from functools import partial
from itertools import combinations
from math import ceil, floor

from mule.analysis.power import on_film
from mule.analysis.storage import FREE_SHARE, written_mb
from mule.plan.gear import Body, Card, Computer, Drive
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.lasting.asks import LastingPart


@dataclass(frozen=True)
class Capacity:
    """Of kits that last in a part: what is written by weight comes to no more than ``there`` and what holds it."""

    part: LastingPart
    writes: Mapping[str, int]
    holds: Mapping[str, int]
    there: int


def capacities(case: Candidates) -> Iterable[Capacity]:
    """What cards and places for copies must hold, of cameras in play and of those that stay."""
    trip, gear = case.plan.trip, case.plan.items
    said = {use.body for day in trip.days for use in day.bodies}
    here = (*case.fixed, *case.free)
    bodies = [t for i in here if isinstance(t := gear[i], Body) and t.slots and not on_film(t) and i not in said]
    # At the least, each does what the others do.
    days = [p.first.least(p.others) for day in trip.days if (p := trip.stamina.pattern(day.pattern))]
    # Where cards are blank each morning, the day that writes most is all they must hold.
    daily = trip.stamina.mornings == "full"
    together = partial(max, default=0.0) if daily else sum
    megabytes = {b.id: floor(together(written_mb(b, demand, trip) for demand in days)) for b in bodies}
    writing = {b.id: sum(written_mb(b, demand, trip) > 0 for demand in days) for b in bodies}
    fresh = trip.stamina.cards == "fresh-daily" and not daily
    cards = {i: t for i in here if isinstance(t := gear[i], Card)}
    for types in _sets_of_slots(bodies):
        mine = [b.id for b in bodies if {slot.card_type for slot in b.slots} <= types]
        able = {i: ceil(t.capacity_gb * 1000) for i, t in cards.items() if t.card_type in types}
        if trip.stamina.cards != "erase-after":
            yield _capacity(case, "cards", {i: megabytes[i] for i in mine}, able)
            yield _capacity(
                case, "cards", {i: writing[i] if fresh else min(1, writing[i]) for i in mine}, dict.fromkeys(able, 1)
            )
    places = {i: ceil(t.capacity_gb * 1000) for i in here if isinstance(t := gear[i], Drive)}
    for item in here:
        thing = gear[item]
        if isinstance(thing, Computer) and thing.form != "phone" and thing.storage_gb:
            places[item] = ceil(thing.storage_gb * FREE_SHARE * 1000)
    if trip.copies > 1:
        yield _capacity(case, "copies", {i: (trip.copies - 1) * mb for i, mb in megabytes.items()}, places)


def _sets_of_slots(bodies: Iterable[Body]) -> list[frozenset[str]]:
    """The types of card that single cameras take, and that two of them take together."""
    single = list(dict.fromkeys(frozenset(slot.card_type for slot in body.slots) for body in bodies))
    return list(dict.fromkeys((*single, *(one | other for one, other in combinations(single, 2)))))


def _capacity(case: Candidates, part: LastingPart, writes: Mapping[str, int], holds: Mapping[str, int]) -> Capacity:
    stays = sum(case.fixed[i] * n for i, n in holds.items() if i in case.fixed)
    stays -= sum(case.fixed[i] * n for i, n in writes.items() if i in case.fixed)
    return Capacity(
        part,
        writes={i: n for i, n in writes.items() if i in case.free},
        holds={i: n for i, n in holds.items() if i in case.free},
        there=stays,
    )
