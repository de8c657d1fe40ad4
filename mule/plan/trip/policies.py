"""Schools: where practitioners differ, the user picks. And marks: what the choice may not touch."""

from collections.abc import Iterable
from typing import Literal

from pydantic import Field

from mule.base.units import Frozen, ItemId, Name

# Lenses of the school that packs a trio of zooms.
MOST_OF_A_TRIO = 3


class Policies(Frozen):
    """How this trip is packed.

    lenses: one zoom for everything, a trio of zooms, primes only, or whatever scores.
    gaps: whether a want may have a hole. second_body: none, a twin of the first, another sort, or whatever scores.
    cabin: ``comply`` takes limits as hard; ``light-looking`` lets the size pass and shows mass as a risk
    (docs/domain/carriers.md).
    """

    lenses: Literal["any", "one-zoom", "trio-of-zooms", "primes"] = "any"
    gaps: Literal["allowed", "refused"] = "allowed"
    second_body: Literal["any", "none", "twin", "specialist"] = "any"
    cabin: Literal["comply", "light-looking"] = "comply"


class Slot(Frozen):
    """A place for either this or that: one of its items comes along at the most."""

    id: ItemId
    name: Name
    items: tuple[ItemId, ...] = Field(min_length=2, max_length=8)


class Marks(Frozen):
    """What must come, what must stay, and what shares a slot."""

    must_take: tuple[ItemId, ...] = Field(default=(), max_length=200)
    must_leave: tuple[ItemId, ...] = Field(default=(), max_length=500)
    slots: tuple[Slot, ...] = Field(default=(), max_length=20)

    def items(self) -> set[ItemId]:
        """Every item that is marked."""
        return {item for _, item in self.named()}

    def slotted(self) -> set[ItemId]:
        """Every item that shares a slot."""
        return {item for slot in self.slots for item in slot.items}

    def named(self) -> Iterable[tuple[str, ItemId]]:
        """Every item that is marked, with the field that names it."""
        yield from ((f"must_take.{i}", item) for i, item in enumerate(self.must_take))
        yield from ((f"must_leave.{i}", item) for i, item in enumerate(self.must_leave))
        for at, slot in enumerate(self.slots):
            yield from ((f"slots.{at}.items.{i}", item) for i, item in enumerate(slot.items))
