"""What looking for sets of bags answers with. Grams, litres."""

from mule.analysis.carriers import LegVerdict
from mule.base.units import Access, Frozen
from mule.packing import Stowage
from mule.plan.kit import Kit


class QuickThing(Frozen):
    """How deep one of the things lies that are wanted quickly. layer: things that come out first."""

    item: str
    bag: str
    access: Access
    layer: int


class BagSet(Frozen):
    """One set of bags with the kit in it. bags: pieces of luggage, the carried ones first; inserts: by the bag they are
    in.

    left: pieces that found no place, by item; proved: that they find none in this set, shared out in any way. litres:
    room left in what is carried; empty_g: bags and inserts. on_foot_g: what the most loaded carries, without hold bags;
    who: that person. over_g: grams over the limits of all legs; refused: legs that do not take it. quick: the deepest
    first. serves: loadouts that go out in a single bag of it.
    """

    key: str
    bags: tuple[str, ...]
    inserts: dict[str, str]
    kit: Kit
    stowage: Stowage
    left: dict[str, int]
    proved: bool
    litres: float
    empty_g: float
    total_g: float
    on_foot_g: float
    who: str
    over_g: float
    refused: tuple[str, ...]
    legs: tuple[LegVerdict, ...]
    quick: tuple[QuickThing, ...]
    serves: tuple[str, ...]


class BagNews(Frozen):
    """News of the search. bag_set: one more that no other beats in everything; beaten: keys of those that it beats.
    tried: sets looked at so far, of so many."""

    bag_set: BagSet | None = None
    beaten: tuple[str, ...] = ()
    tried: int
    of: int
