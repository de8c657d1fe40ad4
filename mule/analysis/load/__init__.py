"""Load: what each bag and each person carries. The front door is ``weigh`` (docs/domain/load.md)."""

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from mule.base.memo import by_identity
from mule.base.units import Frozen, Sides
from mule.plan.field import Held, Weighed
from mule.plan.gear import Bag, Gear, Group, Insert, Source
from mule.plan.kit import Entry, Kit
from mule.plan.places import AsPiece, InBag, PieceKind, Place, Worn
from mule.plan.trip import Person

# Shares of body mass at which a caution line is drawn (estimate, general guidance, not medical advice;
# docs/domain/load.md).
CAUTION_SHARES = (0.15, 0.20, 0.25)


class Contents(Frozen):
    """What one bag or insert holds, nested inserts included. Mass in grams, litres by outer size.

    weighed_g: what a scale said of it; None where it was not weighed. since_g: what it holds more (or less) since then.
    total_g: what counts: what was weighed and what came since, or else what the parts add up to.
    """

    bag: str
    own_g: float
    inside_g: float
    outside_g: float
    weighed_g: float | None
    since_g: float
    total_g: float
    litres: float
    volume_l: float

    @property
    def planned_g(self) -> float:
        """Bag, contents and what is strapped to it, added up."""
        return self.own_g + self.inside_g + self.outside_g


class Piece(Frozen):
    """A bag as luggage. mass_g: as weighed, where it was. size_mm: outer sides with what is strapped on, longest
    first; bare_mm: without it. hard: a case."""

    bag: str
    person: str
    piece: PieceKind
    mass_g: float
    size_mm: Sides
    bare_mm: Sides
    squeeze_mm: float
    hard: bool = False


class PersonLoad(Frozen):
    """What one person carries, in grams. ``carried_g`` leaves out hold bags: they roll or ride.

    unplaced_g: of what is worn, what is only there because no bag takes it. share: carried as a share of body mass,
    None when the body mass is not given. over: caution lines passed.
    """

    person: str
    cabin_g: float
    personal_g: float
    hold_g: float
    worn_g: float
    unplaced_g: float
    base_g: float
    carried_g: float
    share: float | None
    over: tuple[float, ...]


class Loads(Frozen):
    """The whole answer. by_group and by_source: loaded mass in grams by heading and by where the figure came from.

    total_g: all that is loaded, as weighed where it was. scale_g: what of it scales found beyond what the parts add up
    to. carried_g: what of the kit people carry, without hold bags and without what is not photography.
    """

    total_g: float
    scale_g: float
    carried_g: float
    by_group: dict[Group, float]
    by_source: dict[Source, float]
    bags: tuple[Contents, ...]
    pieces: tuple[Piece, ...]
    people: tuple[PersonLoad, ...]


def outer_with(bag: Bag, strapped: Sequence[Gear]) -> tuple[float, float, float]:
    """Outer sides of a bag with things strapped on: the thickest adds its thinnest side, the longest may stick out."""
    long, middle, thin = bag.size.sides_mm()
    if not strapped:
        return long, middle, thin
    sides = [thing.size.sides_mm() for thing in strapped]
    a, b, c = sorted((max(long, *(s[0] for s in sides)), middle, thin + max(s[2] for s in sides)), reverse=True)
    return a, b, c


class _Weighing:
    """Adds up one kit."""

    def __init__(self, gear: Mapping[str, Gear], kit: Kit, weighed: Mapping[str, Weighed]) -> None:
        self._gear, self._weighed = gear, weighed
        self._held: dict[str, list[Entry]] = {}
        self._worn: dict[str, list[Entry]] = {}
        self.bag_entries: list[tuple[Bag, AsPiece]] = []
        for entry in kit.entries:
            match entry.place:
                case InBag(bag=bag):
                    self._held.setdefault(bag, []).append(entry)
                case Worn(person=person):
                    self._worn.setdefault(person, []).append(entry)
                case AsPiece() as place:
                    thing = gear[entry.item]
                    assert isinstance(thing, Bag)
                    self.bag_entries.append((thing, place))

    def _full_g(self, entry: Entry) -> float:
        """Mass of an entry with all that lies inside it."""
        own = self._gear[entry.item].mass_g * entry.count
        return own + sum(self._full_g(inner) for inner in self._held.get(entry.item, ()))

    def _litres(self, entry: Entry) -> float:
        """Room an entry takes: an insert takes its outer size, whatever it holds."""
        return self._gear[entry.item].size.litres() * entry.count

    def contents(self, bag: Bag | Insert) -> Contents:
        held = self._held.get(bag.id, [])
        inside = [e for e in held if not _outside(e.place)]
        inside_g = sum(self._full_g(e) for e in inside)
        outside_g = sum(self._full_g(e) for e in held if _outside(e.place))
        weighed = self._weighed.get(bag.id)
        planned_g, since_g, weighed_g = bag.mass_g + inside_g + outside_g, 0.0, None
        if weighed and weighed.grams is not None and weighed.held is not None:
            weighed_g, since_g = weighed.grams, self._since(bag.id, weighed.held)
        return Contents(
            bag=bag.id,
            own_g=bag.mass_g,
            inside_g=inside_g,
            outside_g=outside_g,
            weighed_g=weighed_g,
            since_g=since_g,
            total_g=planned_g if weighed_g is None else max(0.0, weighed_g + since_g),
            litres=sum(self._litres(e) for e in inside),
            volume_l=bag.volume_l,
        )

    def _since(self, bag: str, held: Sequence[Held]) -> float:
        """Grams that came into a bag since it held that; what left it weighs what it was then reckoned to weigh."""
        now = Counter[str]()
        self._count(bag, now)
        then = {one.item: one for one in held}
        came = sum(
            self._gear[item].mass_g * max(0, n - (then[item].count if item in then else 0)) for item, n in now.items()
        )
        left = sum(one.mass_g * max(0, one.count - now[one.item]) for one in held)
        return came - left

    def _count(self, bag: str, into: Counter[str]) -> None:
        for entry in self._held.get(bag, ()):
            into[entry.item] += entry.count
            self._count(entry.item, into)

    def strapped(self, bag: Bag) -> list[Gear]:
        return [self._gear[e.item] for e in self._held.get(bag.id, ()) if _outside(e.place)]

    def worn_g(self, person: str, *, unplaced: bool = False) -> float:
        """unplaced: only what nobody put there."""
        worn = self._worn.get(person, ())
        return sum(self._full_g(e) for e in worn if not unplaced or (isinstance(e.place, Worn) and e.place.unplaced))


def _outside(place: Place) -> bool:
    return isinstance(place, InBag) and place.outside


def _person(person: Person, pieces: Sequence[Piece], worn_g: float, unplaced_g: float) -> PersonLoad:
    by_piece = {kind: sum(p.mass_g for p in pieces if p.piece == kind and p.person == person.id) for kind in PieceKind}
    base = sum(load.mass_g for load in person.base_load)
    carried = by_piece[PieceKind.CABIN] + by_piece[PieceKind.PERSONAL] + worn_g + base
    share = carried / 1000 / person.body_mass_kg if person.body_mass_kg else None
    return PersonLoad(
        person=person.id,
        cabin_g=by_piece[PieceKind.CABIN],
        personal_g=by_piece[PieceKind.PERSONAL],
        hold_g=by_piece[PieceKind.HOLD],
        worn_g=worn_g,
        unplaced_g=unplaced_g,
        base_g=base,
        carried_g=carried,
        share=share,
        over=tuple(line for line in CAUTION_SHARES if share is not None and share >= line),
    )


def weigh(
    gear: Mapping[str, Gear], kit: Kit, people: Sequence[Person], weighed: Mapping[str, Weighed] | None = None
) -> Loads:
    """Mass per bag, per piece of luggage and per person. ``gear`` is by id and holds every item of the kit.

    weighed: what a scale said, by bag: it counts, and what came in or went out since on top (docs/domain/load.md).

    >>> from tests import cast
    >>> kit = cast.kit(cast.entry("bag", cast.INES_CABIN), cast.entry("body"))
    >>> [(p.bag, p.mass_g) for p in weigh({"bag": cast.bag(), "body": cast.body()}, kit, cast.trip().people).pieces]
    [('bag', 2120.0)]
    """
    weighing = _Weighing(gear, kit, weighed or {})
    by_group: dict[Group, float] = {}
    by_source: dict[Source, float] = {}
    holders: dict[str, Bag | Insert] = {}
    for entry in kit.entries:
        thing = gear[entry.item]
        grams = thing.mass_g * entry.count
        by_group[thing.group] = by_group.get(thing.group, 0.0) + grams
        by_source[thing.mass_source] = by_source.get(thing.mass_source, 0.0) + grams
        if isinstance(thing, Bag | Insert):
            holders[thing.id] = thing
    contents = {bag: weighing.contents(thing) for bag, thing in holders.items()}
    pieces = tuple(
        Piece(
            bag=bag.id,
            person=place.person,
            piece=place.piece,
            mass_g=contents[bag.id].total_g,
            size_mm=outer_with(bag, weighing.strapped(bag)),
            bare_mm=bag.size.sides_mm(),
            squeeze_mm=bag.squeeze_mm,
            hard=bag.hard,
        )
        for bag, place in weighing.bag_entries
    )
    scale_g = sum(piece.mass_g - contents[piece.bag].planned_g for piece in pieces)
    loads = tuple(_person(p, pieces, weighing.worn_g(p.id), weighing.worn_g(p.id, unplaced=True)) for p in people)
    return Loads(
        total_g=sum(by_group.values()) + scale_g,
        scale_g=scale_g,
        carried_g=sum(p.cabin_g + p.personal_g + p.worn_g for p in loads),
        by_group=by_group,
        by_source=by_source,
        bags=tuple(contents.values()),
        pieces=pieces,
        people=loads,
    )


@dataclass(frozen=True)
class Roots:
    """Where things end up as luggage. bags: per item, the piece it travels in and how many; owners: per piece."""

    bags: Mapping[str, Sequence[tuple[str, int]]]
    owners: Mapping[str, str]


@by_identity(64)
def roots(kit: Kit) -> Roots:
    """Follows inserts to the piece of luggage they lie in; what is worn, or lies in what is worn, has none."""
    outermost = kit.outermost()
    owners = {bag: at.person for bag, at in kit.luggage().items()}
    bags: dict[str, list[tuple[str, int]]] = {}
    for entry in kit.entries:
        if isinstance(entry.place, InBag) and (at := outermost[entry.place.bag]) in owners:
            bags.setdefault(entry.item, []).append((at, entry.count))
    return Roots(bags, owners)
