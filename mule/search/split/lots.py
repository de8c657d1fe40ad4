"""What can change hands, and where it could lie.

Shared is what nobody owns alone. Somebody's own things go to them; a thing that everybody has goes to each; what is
worn, pinned or checked in, medicine and single safety things stay where they are.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import cached_property
from math import inf

from mule.packing import suits
from mule.plan import Plan
from mule.plan.gear import Bag, Computer, Gear, Insert, is_for, keeps_safe
from mule.plan.places import InBag, PieceKind, Place, Worn
from mule.plan.purposes import Purpose


@dataclass(frozen=True)
class SharedPlace:
    """Where things may lie: in a carried bag or an insert in one, or on its outside.

    root: the piece of luggage. free_l, straps: room for what can move, with what of it is there now.
    """

    id: str
    place: InBag
    person: str
    root: str
    free_l: float
    straps: int
    padded: bool


@dataclass(frozen=True)
class Lot:
    """Things that move as one: pieces of an item, or a lens on its body. mass_g, litres: of one of them.

    now: pieces at each spot. may: spots that it could be at. owner: to whom all of it should go, if to somebody.
    each: everybody should have one.
    """

    items: tuple[str, ...]
    mass_g: float
    litres: float
    now: Mapping[str, int]
    may: tuple[str, ...]
    owner: str | None = None
    each: bool = False

    @property
    def count(self) -> int:
        """Pieces that can move."""
        return sum(self.now.values())


class Shareable:
    """Spots and lots of a plan's open kit."""

    def __init__(self, plan: Plan) -> None:
        self.plan = plan
        kit = plan.kit
        self._pinned = {pin.item for pin in kit.stow.pins}
        self._seat = {wish.item for wish in kit.stow.wishes if wish.seat}
        self.luggage = luggage_of(plan)
        outermost = kit.outermost()
        self._root = {
            holder: root
            for holder, root in outermost.items()
            if root in self.luggage and self.luggage[root][1] != PieceKind.HOLD
        }
        self._lots = tuple(self._found())

    @property
    def lots(self) -> tuple[Lot, ...]:
        """What can move."""
        return self._lots

    @cached_property
    def spots(self) -> Mapping[str, SharedPlace]:
        """By id."""
        return {spot.id: spot for spot in self._spots()}

    @cached_property
    def _holders(self) -> tuple[Bag | Insert, ...]:
        loaded = (self.plan.items[item] for item in self.plan.loaded)
        return tuple(t for t in loaded if isinstance(t, Bag | Insert) and t.id in self._root)

    @cached_property
    def _names(self) -> Mapping[str, str]:
        """Who an owner is, by name as things tell it."""
        return {person.name.casefold(): person.id for person in self.plan.trip.people}

    def person_at(self, spot: str) -> str:
        """Whose bag it is."""
        return self.spots[spot].person

    def _spots(self) -> Iterator[SharedPlace]:
        used, hung = self._used()
        moving_l: dict[str, float] = {}
        moving: dict[str, int] = {}
        for lot in self._lots:
            for spot, count in lot.now.items():
                moving_l[spot] = moving_l.get(spot, 0.0) + lot.litres * count
                moving[spot] = moving.get(spot, 0) + count
        for holder in self._holders:
            root = self._root[holder.id]
            person = self.luggage[root][0]
            here, there = holder.id, outside(holder.id)
            stays_l = used.get(here, 0.0) - moving_l.get(here, 0.0)
            # What is overfull by its litres may stay so, and take nothing more.
            free_l = max(holder.volume_l - stays_l, moving_l.get(here, 0.0))
            yield SharedPlace(here, InBag(bag=here), person, root, free_l, 0, isinstance(holder, Insert))
            if isinstance(holder, Bag):
                straps = max(holder.straps - hung.get(here, 0) + moving.get(there, 0), moving.get(there, 0))
                yield SharedPlace(there, InBag(bag=here, outside=True), person, root, inf, straps, padded=False)

    def _used(self) -> tuple[dict[str, float], dict[str, int]]:
        """Litres in and things on each bag."""
        litres: dict[str, float] = {}
        hung: dict[str, int] = {}
        for entry in self.plan.kit.entries:
            if isinstance(entry.place, InBag):
                bag = entry.place.bag
                if entry.place.outside:
                    hung[bag] = hung.get(bag, 0) + entry.count
                else:
                    litres[bag] = litres.get(bag, 0.0) + self.plan.items[entry.item].size.litres() * entry.count
        return litres, hung

    def _found(self) -> Iterator[Lot]:
        at: dict[str, dict[str, int]] = {}
        for entry in self.plan.kit.entries:
            if (spot := self._spot_of(entry.place)) is not None:
                here = at.setdefault(entry.item, {})
                here[spot] = here.get(spot, 0) + entry.count
        pairs = {one: other for one, other in self.plan.kit.packed_as_one().items() if one in at}
        single = [item for item in at if item not in pairs and item not in pairs.values()]
        for things in (*pairs.items(), *((item,) for item in single)):
            lot = self._lot(things, at[things[0]])
            if lot is not None:
                yield lot

    def _spot_of(self, place: Place) -> str | None:
        """The spot of a place that things may leave; None where they stay."""
        if not isinstance(place, InBag) or place.bag not in self._root:
            return None
        return outside(place.bag) if place.outside else place.bag

    def _lot(self, items: tuple[str, ...], now: Mapping[str, int]) -> Lot | None:
        things = [self.plan.items[item] for item in items]
        each = any(self._for_each(thing) for thing in things)
        if any(self._stays(thing) for thing in things) or (not each and any(_on_one(thing) for thing in things)):
            return None
        owner = self._owner(things)
        spots = [spot for holder in self._holders for spot in self._able(things, holder, now)]
        if owner is not None:
            mine = [spot for spot in spots if self._who(spot) == owner]
            spots = [spot for spot in spots if spot in mine or spot in now]
        if all(spot in now for spot in spots) and len(spots) < 2:
            return None
        return Lot(
            items=items,
            mass_g=sum(thing.mass_g for thing in things),
            litres=sum(thing.size.litres() for thing in things),
            now=now,
            may=tuple(dict.fromkeys((*now, *spots))),
            owner=owner,
            each=each,
        )

    def _able(self, things: list[Gear], holder: Bag | Insert, now: Mapping[str, int]) -> Iterator[str]:
        """Where on or in a bag things could be: strapped things stay strapped, all else stays inside."""
        strapped = any(spot.startswith(_OUTSIDE) for spot in now)
        personal = self.luggage[self._root[holder.id]][1] == PieceKind.PERSONAL
        if any(thing.id in self._seat for thing in things) and not personal:
            return
        if strapped:
            if isinstance(holder, Bag) and all(holder.takes_outside(thing) for thing in things):
                yield outside(holder.id)
        elif all(suits(thing, holder) for thing in things):
            yield holder.id

    def _who(self, spot: str) -> str:
        return self.luggage[self._root[spot.removeprefix(_OUTSIDE)]][0]

    def _stays(self, thing: Gear) -> bool:
        if isinstance(thing, Bag | Insert) or thing.id in self._pinned:
            return True
        if isinstance(thing, Computer) and thing.form == "phone":
            return True
        return is_for(thing, Purpose.MEDICINE)

    def _for_each(self, thing: Gear) -> bool:
        """Whether everybody has one of it."""
        people = len(self.plan.trip.people)
        return people > 1 and _on_one(thing) and self.plan.loaded[thing.id] >= people and not self._worn(thing)

    def _worn(self, thing: Gear) -> bool:
        return any(e.item == thing.id and isinstance(e.place, Worn) for e in self.plan.kit.entries)

    def _owner(self, things: list[Gear]) -> str | None:
        """Who owns one of these alone and could carry it."""
        found = (self._names.get(thing.owner.casefold()) for thing in things if thing.owner)
        carriers = {self.luggage[root][0] for root in self._root.values()}
        return next((person for person in found if person in carriers), None)


def luggage_of(plan: Plan) -> dict[str, tuple[str, PieceKind]]:
    """Who has each piece of luggage of the open kit, and how it travels."""
    return {bag: (at.person, at.piece) for bag, at in plan.kit.luggage().items()}


_OUTSIDE = "outside:"


def outside(bag: str) -> str:
    """The spot on the outside of a bag."""
    return _OUTSIDE + bag


def _on_one(thing: Gear) -> bool:
    return keeps_safe(thing) or is_for(thing, Purpose.STRAPS)
