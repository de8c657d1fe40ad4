"""Which sets of bags there are: for each person at most a cabin bag, a personal item and a hold bag, of the bags at
hand, and in each cabin bag at most one insert."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations, product

from mule.packing import goes_in
from mule.plan import Plan
from mule.plan.gear import Bag, Insert, at_hand
from mule.plan.places import AsPiece, InBag, PieceKind


@dataclass(frozen=True)
class Bags:
    """A set of bags. pieces: who has which as what; inserts: the bag that each is in."""

    pieces: Mapping[str, AsPiece]
    inserts: Mapping[str, str]

    @property
    def key(self) -> str:
        """The same for the same bags with the same people."""
        held = (f"{bag}:{at.piece.value}:{at.person}" for bag, at in sorted(self.pieces.items()))
        return "|".join((*held, *(f"{insert}>{bag}" for insert, bag in sorted(self.inserts.items()))))

    def carried(self) -> tuple[str, ...]:
        """Bags that are not checked in."""
        return tuple(bag for bag, at in self.pieces.items() if at.piece != PieceKind.HOLD)


class Owned:
    """Bags and inserts of a plan that may be taken: what is loaded, and what is at hand."""

    def __init__(self, plan: Plan) -> None:
        self.plan = plan
        self.now = plan.kit.luggage()
        self.inserts_now = {
            e.item: e.place.bag
            for e in plan.kit.entries
            if isinstance(e.place, InBag) and isinstance(plan.items[e.item], Insert) and e.place.bag in self.now
        }
        nested = {e.item for e in plan.kit.entries if isinstance(e.place, InBag)}
        usable = [t for t in plan.gear if t.id in plan.loaded or at_hand(t)]
        # A bag that somebody wears, or that lies in another, is no piece of luggage to choose.
        self.bags = tuple(
            t
            for t in usable
            if isinstance(t, Bag) and t.id not in nested and (t.id in self.now or t.id not in plan.loaded)
        )
        self.inserts = tuple(
            t for t in usable if isinstance(t, Insert) and (t.id in self.inserts_now or t.id not in plan.loaded)
        )

    def piece(self, bag: Bag) -> PieceKind:
        """As what it travels."""
        return self.now[bag.id].piece if bag.id in self.now else bag.piece


# Checked bags with who has them.
Checked = Mapping[str, AsPiece]


def checked_sets(plan: Plan) -> tuple[Checked, ...]:
    """Sets of checked bags, the open kit's first, then the lightest first; one without any where nothing is checked in.

    >>> from tests import cast
    >>> checked_sets(cast.plan([cast.bag()], cast.entry("bag", cast.INES_CABIN)))
    ({},)
    """
    owned = Owned(plan)
    now = {bag: at for bag, at in owned.now.items() if at.piece == PieceKind.HOLD}
    people = [person.id for person in plan.trip.people]
    if not now or not people:
        return (now,)
    bags = [bag for bag in owned.bags if owned.piece(bag) == PieceKind.HOLD]
    found = [some for some in _some(bags, len(people)) if some and {b.id for b in some} != set(now)]
    found.sort(key=lambda some: sum(bag.mass_g for bag in some))
    return (now, *(_bearers(owned, some, people) for some in found))


def sets_of(plan: Plan, checked: Sequence[Checked]) -> tuple[Bags, ...]:
    """Every set: those with litres enough first, the lightest first of each.

    checked: sets of checked bags to choose from; nothing that is carried now goes into them.

    >>> from tests import cast
    >>> gear = [cast.bag(), cast.bag("small", volume_l=20), cast.body()]
    >>> plan = cast.plan(gear, cast.entry("bag", cast.INES_CABIN), cast.entry("body"))
    >>> [sorted(one.pieces) for one in sets_of(plan, checked_sets(plan))]
    [['bag'], ['small'], ['bag', 'small']]
    """
    owned = Owned(plan)
    people = [person.id for person in plan.trip.people]
    kinds = (PieceKind.CABIN, PieceKind.PERSONAL)
    cabins, personals = ([bag for bag in owned.bags if owned.piece(bag) == kind] for kind in kinds)
    found: list[Bags] = []
    for cabin, personal, hold in product(_some(cabins, len(people)), _some(personals, len(people)), checked):
        if cabin or personal:
            pieces = _bearers(owned, (*cabin, *personal), people) | dict(hold)
            found += [Bags(pieces, inserts) for inserts in _inserts(owned, cabin)]
    needed = _needed_l(plan)
    return tuple(sorted(found, key=lambda one: _rank(plan, one, needed)))


def _some(bags: Sequence[Bag], most: int) -> list[tuple[Bag, ...]]:
    """Every so many of them, none at all first."""
    return [some for count in range(min(most, len(bags)) + 1) for some in combinations(bags, count)]


def _bearers(owned: Owned, bags: Iterable[Bag], people: Sequence[str]) -> dict[str, AsPiece]:
    """Who has which, one of each sort each: as now; its owner; else the largest for who has least and carries best."""
    names = {p.name.casefold(): p.id for p in owned.plan.trip.people}
    well = {p.id: p.carries_well_kg or p.body_mass_kg or 0.0 for p in owned.plan.trip.people}
    wishes = {b.id: owned.now[b.id].person if b.id in owned.now else names.get(b.owner.casefold()) for b in bags}
    found: dict[str, AsPiece] = {}
    litres = dict.fromkeys(people, 0.0)
    for bag in sorted(bags, key=lambda b: (b.id not in owned.now, wishes[b.id] is None, -b.volume_l)):
        kind = owned.piece(bag)
        free = [p for p in people if AsPiece(piece=kind, person=p) not in found.values()]
        wish = wishes[bag.id]
        person = wish if wish in free else min(free, key=lambda p: (litres[p], -well[p]))
        litres[person] += bag.volume_l if kind != PieceKind.HOLD else 0.0
        found[bag.id] = AsPiece(piece=kind, person=person)
    return found


def _inserts(owned: Owned, bags: Iterable[Bag]) -> list[dict[str, str]]:
    """Ways to put an insert into some of these bags."""
    ways: list[dict[str, str]] = [{}]
    for bag in bags:
        more = [
            way | {insert.id: bag.id}
            for way in ways
            for insert in owned.inserts
            if insert.id not in way and goes_in(insert, bag)
        ]
        ways += more
    return ways


def _needed_l(plan: Plan) -> float:
    """Litres of what lies in bags."""
    return sum(
        plan.items[e.item].size.litres() * e.count
        for e in plan.kit.entries
        if isinstance(e.place, InBag) and not e.place.outside and not isinstance(plan.items[e.item], Insert | Bag)
    )


def _rank(plan: Plan, one: Bags, needed_l: float) -> tuple[bool, float, str]:
    """What has litres enough first, then what is light."""
    bags = [plan.items[bag] for bag in one.pieces]
    litres = sum(t.volume_l for t in bags if isinstance(t, Bag))
    grams = sum(t.mass_g for t in bags) + sum(plan.items[insert].mass_g for insert in one.inserts)
    return litres < needed_l, grams, one.key
