"""Where chosen things may go: carried bags with their inserts, bags to choose from, and people."""

from collections.abc import Mapping
from dataclasses import dataclass

from mule.plan import Plan
from mule.plan.gear import Bag, Gear, Insert
from mule.plan.places import InBag, PieceKind


@dataclass(frozen=True)
class Container:
    """A bag or insert that things may go into, or a person who wears them.

    root: the piece of luggage it is part of, None for what is worn. chosen: whether the bag itself is up for choice.
    litres: room left beside what stays; inf for a person.
    """

    id: str
    person: str
    root: str | None
    litres: float
    chosen: bool = False


def carried_bags(plan: Plan) -> list[tuple[str, str]]:
    """Bags that are carried, with who carries them."""
    return [(bag, at.person) for bag, at in plan.kit.luggage().items() if at.piece != PieceKind.HOLD]


def containers_of(plan: Plan, fixed: Mapping[str, int], free: Mapping[str, Gear]) -> list[Container]:
    """Carried bags with their inserts, bags to choose when none is carried, and people for what is worn."""
    found: list[Container] = []
    held: dict[str, float] = {}
    inserts: dict[str, list[str]] = {}
    for entry in plan.kit.entries:
        if isinstance(entry.place, InBag) and entry.item in fixed:
            if not entry.place.outside:
                litres = plan.items[entry.item].size.litres() * entry.count
                held[entry.place.bag] = held.get(entry.place.bag, 0.0) + litres
            if isinstance(plan.items[entry.item], Insert | Bag):
                inserts.setdefault(entry.place.bag, []).append(entry.item)
    for root, person in carried_bags(plan):
        todo = [root]
        while todo:
            at = todo.pop()
            thing = plan.items[at]
            assert isinstance(thing, Bag | Insert)
            found.append(Container(at, person, root, max(0.0, thing.volume_l - held.get(at, 0.0))))
            todo += inserts.get(at, [])
    first = plan.trip.people[0].id
    if not found:
        found = [Container(t.id, first, t.id, t.volume_l, chosen=True) for t in free.values() if isinstance(t, Bag)]
    return [*found, *(Container(f"worn-{p.id}", p.id, None, float("inf")) for p in plan.trip.people)]
