"""The kit: what is loaded for one trip, and where each thing travels."""

from datetime import date
from typing import Annotated, Self

from pydantic import Field, model_validator
from pydantic_core import PydanticCustomError

from mule.finding import Place
from mule.units import Access, Count, Frozen, ItemId, Name, Note, Number


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


class Wish(Frozen):
    """How a thing should be reached."""

    item: ItemId
    access: Access


class Loadout(Frozen):
    """Another way of carrying part of a kit: the bag of a day out. What it does not name stays at the base.

    days: on which it is carried. entries: bags with who carries them, and what lies in them or is worn.
    """

    id: ItemId
    name: Name
    days: tuple[date, ...] = Field(default=(), max_length=400)
    entries: tuple[Entry, ...] = Field(default=(), max_length=500)


class Stow(Frozen):
    """How a person wants a kit packed. gap_mm: a divider between hard things (estimate, domain 10)."""

    gap_mm: Annotated[Number, Field(ge=0, le=60)] = 8
    pins: tuple[Pin, ...] = Field(default=(), max_length=300)
    mounts: tuple[Mount, ...] = Field(default=(), max_length=20)
    wishes: tuple[Wish, ...] = Field(default=(), max_length=300)
    loadouts: tuple[Loadout, ...] = Field(default=(), max_length=20)

    @model_validator(mode="after")
    def _ids_are_single(self) -> Self:
        if len({loadout.id for loadout in self.loadouts}) != len(self.loadouts):
            raise PydanticCustomError("twice", "each loadout has an id of its own")
        return self


class Kit(Frozen):
    """One candidate load for a trip."""

    id: ItemId
    name: Name
    note: Note = ""
    entries: tuple[Entry, ...] = Field(default=(), max_length=2_000)
    stow: Stow = Stow()

    @model_validator(mode="after")
    def _one_entry_per_place(self) -> Self:
        keys = {(entry.item, entry.place) for entry in self.entries}
        if len(keys) != len(self.entries):
            raise PydanticCustomError("twice", "an item is listed once per place, with a count")
        return self

    def loaded(self) -> dict[str, int]:
        """Pieces loaded of each item, over all places."""
        counts: dict[str, int] = {}
        for entry in self.entries:
            counts[entry.item] = counts.get(entry.item, 0) + entry.count
        return counts
