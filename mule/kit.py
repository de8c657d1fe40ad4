"""The kit: what is loaded for one trip, and where each thing travels."""

from typing import Self

from pydantic import Field, model_validator
from pydantic_core import PydanticCustomError

from mule.finding import Place
from mule.units import Count, Frozen, ItemId, Name, Note


class Entry(Frozen):
    """``count`` of an item at one place. An item may have several entries at different places."""

    item: ItemId
    count: Count = 1
    place: Place


class Kit(Frozen):
    """One candidate load for a trip."""

    id: ItemId
    name: Name
    note: Note = ""
    entries: tuple[Entry, ...] = Field(default=(), max_length=2_000)

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
