"""The kit: what is loaded for one trip, and where each thing travels."""

from collections.abc import Iterable, Iterator, Mapping
from datetime import date
from types import MappingProxyType
from typing import Annotated, Literal, Self

from pydantic import Field, model_validator
from pydantic_core import PydanticCustomError

from mule.base.memo import by_identity
from mule.base.units import Access, Count, Flag, Frozen, ItemId, Name, Note, Number
from mule.plan.places import AsPiece, InBag, Place

# A kit holds no more at so many places.
MOST_ENTRIES = 2_000


class Entry(Frozen):
    """``count`` of an item at one place. An item may have several entries at different places."""

    item: ItemId
    count: Count = 1
    place: Place


class Pin(Frozen):
    """A thing that a person put somewhere by hand. x, y, z: mm from the compartment's corner at the bottom of the back.

    turn: which of its sides lies along x, y and z, as places in (length, width, height); None leaves the turn open.
    """

    item: ItemId
    bag: ItemId
    compartment: ItemId | None = None
    at_mm: Annotated[tuple[Number, ...], Field(min_length=3, max_length=3)] | None = None
    turn: Annotated[tuple[int, ...], Field(min_length=3, max_length=3)] | None = None


class Mount(Frozen):
    """A lens that is packed on its body."""

    body: ItemId
    lens: ItemId


class Nest(Frozen):
    """A thing that is packed inside a hollow one: a small lens in a reversed hood, or a hood around a lens."""

    outer: ItemId
    inner: ItemId


class Wish(Frozen):
    """How a thing should be reached. seat: it is needed in the seat, so it travels in the personal item."""

    item: ItemId
    access: Access | None = None
    seat: Flag = False


class Hang(Frozen):
    """Where a thing that is strapped to a bag hangs, as its bearer sees left and right."""

    item: ItemId
    bag: ItemId
    side: Literal["left", "right", "out", "top", "bottom"]


class Ride(Frozen):
    """Where a bag rides on its bearer on foot."""

    bag: ItemId
    at: Literal["back", "front", "left", "right"]


# Fields of entries and packing wishes that name an item.
_NAMING = ("item", "bag", "body", "lens", "outer", "inner")


def _named_by(rows: Iterable[Frozen], field: str) -> Iterator[tuple[str, ItemId]]:
    for index, row in enumerate(rows):
        for name in _NAMING:
            if hasattr(row, name):
                yield f"{field}.{index}.{name}", getattr(row, name)
        if isinstance(row, Entry) and isinstance(row.place, InBag):
            yield f"{field}.{index}.place.bag", row.place.bag


class Loadout(Frozen):
    """Another way of carrying part of a kit: the bag of a day out, or the packing of some legs.

    What a day's bag does not name stays at the base. days, legs: when it is carried; legs are re-packed so and go to
    the gate so. entries: bags with who carries them, and what lies in them or is worn. mounts: the lens on each body.
    """

    id: ItemId
    name: Name
    days: tuple[date, ...] = Field(default=(), max_length=400)
    legs: tuple[ItemId, ...] = Field(default=(), max_length=40)
    entries: tuple[Entry, ...] = Field(default=(), max_length=500)
    mounts: tuple[Mount, ...] = Field(default=(), max_length=20)


class Stow(Frozen):
    """How a person wants a kit packed. gap_mm: a divider between hard things (estimate, docs/domain/stowing.md)."""

    gap_mm: Annotated[Number, Field(ge=0, le=60)] = 8
    pins: tuple[Pin, ...] = Field(default=(), max_length=300)
    mounts: tuple[Mount, ...] = Field(default=(), max_length=20)
    nests: tuple[Nest, ...] = Field(default=(), max_length=20)
    wishes: tuple[Wish, ...] = Field(default=(), max_length=300)
    hangs: tuple[Hang, ...] = Field(default=(), max_length=100)
    rides: tuple[Ride, ...] = Field(default=(), max_length=40)
    loadouts: tuple[Loadout, ...] = Field(default=(), max_length=20)

    @model_validator(mode="after")
    def _ids_are_single(self) -> Self:
        if len({loadout.id for loadout in self.loadouts}) != len(self.loadouts):
            raise PydanticCustomError("twice", "give each loadout its own id")
        return self

    def named(self) -> Iterator[tuple[str, ItemId]]:
        """Every item that a wish or a loadout names, with the field that names it."""
        for wishes in ("pins", "mounts", "nests", "wishes", "hangs", "rides"):
            yield from _named_by(getattr(self, wishes), f"stow.{wishes}")
        for index, loadout in enumerate(self.loadouts):
            yield from _named_by(loadout.entries, f"stow.loadouts.{index}.entries")
            yield from _named_by(loadout.mounts, f"stow.loadouts.{index}.mounts")


class Kit(Frozen):
    """One candidate load for a trip."""

    id: ItemId
    name: Name
    note: Note = ""
    entries: tuple[Entry, ...] = Field(default=(), max_length=MOST_ENTRIES)
    stow: Stow = Stow()

    @model_validator(mode="after")
    def _one_entry_per_place(self) -> Self:
        keys = {(entry.item, entry.place) for entry in self.entries}
        if len(keys) != len(self.entries):
            raise PydanticCustomError("twice", "list an item once per place, with a count")
        return self

    def outermost(self) -> Mapping[str, str]:
        """By bag or insert that holds something: the bag it ends up in when inserts are followed, often itself."""
        return _outermost(self.entries)

    def luggage(self) -> dict[str, AsPiece]:
        """Pieces of luggage, in the order of the kit: who has each bag, and as what it travels."""
        return {entry.item: entry.place for entry in self.entries if isinstance(entry.place, AsPiece)}

    def packed_as_one(self) -> dict[str, str]:
        """What is packed as one, of which there is one piece each at the same place: a lens by its body, a thing by the
        hollow one around it. Each in one pair at most."""
        places: dict[str, list[tuple[Place, int]]] = {}
        for entry in self.entries:
            places.setdefault(entry.item, []).append((entry.place, entry.count))
        found: dict[str, str] = {}
        pairs = (*((m.body, m.lens) for m in self.stow.mounts), *((n.outer, n.inner) for n in self.stow.nests))
        for one, other in pairs:
            here = places.get(one, [])
            alone = len(here) == 1 and here[0][1] == 1 and here == places.get(other)
            if alone and not {one, other} & {*found, *found.values()}:
                found[one] = other
        return found

    def named(self) -> Iterator[tuple[str, ItemId]]:
        """Every item that an entry, a place or a packing wish names, with the field that names it."""
        yield from _named_by(self.entries, "entries")
        yield from self.stow.named()

    def loaded(self) -> dict[str, int]:
        """Pieces loaded of each item, over all places."""
        counts: dict[str, int] = {}
        for entry in self.entries:
            counts[entry.item] = counts.get(entry.item, 0) + entry.count
        return counts


# Load, gate, lamps, rules and packing ask it of the same kit.
@by_identity(64)
def _outermost(entries: tuple[Entry, ...]) -> Mapping[str, str]:
    inside = {entry.item: entry.place.bag for entry in entries if isinstance(entry.place, InBag)}
    pieces = {entry.item for entry in entries if isinstance(entry.place, AsPiece)}
    found: dict[str, str] = {}
    for holder in {*inside.values(), *pieces}:
        at, passed = holder, {holder}
        while at not in pieces and at in inside and inside[at] not in passed:
            at = inside[at]
            passed.add(at)
        found[holder] = at
    return MappingProxyType(found)
