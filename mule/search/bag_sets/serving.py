"""Which outings a bag serves by itself: it takes all that a loadout carries, as it comes."""

from collections.abc import Sequence
from functools import cached_property

from mule.analysis.loadouts import carried
from mule.packing import Packings, suits
from mule.plan import Plan
from mule.plan.gear import Bag, Insert
from mule.plan.kit import Entry, Kit
from mule.plan.places import AsPiece, InBag, PieceKind


class Serving:
    """Looks once at each bag and each outing of the open kit."""

    def __init__(self, plan: Plan, packings: Packings) -> None:
        self._plan, self._packings = plan, packings
        self._known: dict[tuple[str, str], bool] = {}

    @cached_property
    def _outings(self) -> dict[str, Kit]:
        """What each day's bag carries, bags and inserts themselves left out."""
        kit = self._plan.kit
        return {out.id: carried(kit, self._plan.items, out) for out in kit.stow.loadouts if out.days}

    def by(self, bags: Sequence[str]) -> tuple[str, ...]:
        """Outings for which one of these bags is enough."""
        return tuple(out for out in self._outings if any(self._serves(bag, out) for bag in bags))

    def _serves(self, bag: str, out: str) -> bool:
        if (bag, out) not in self._known:
            self._known[bag, out] = self._packs(bag, self._outings[out])
        return self._known[bag, out]

    def _packs(self, bag: str, kit: Kit) -> bool:
        holder = self._plan.items[bag]
        assert isinstance(holder, Bag)
        if holder.hard:
            return False
        inside: dict[str, int] = {}
        outside: dict[str, int] = {}
        for entry in kit.entries:
            if isinstance(entry.place, InBag) and not isinstance(self._plan.items[entry.item], Bag | Insert):
                into = outside if entry.place.outside else inside
                into[entry.item] = into.get(entry.item, 0) + entry.count
        things = self._plan.items
        if sum(things[i].size.litres() * n for i, n in inside.items()) > holder.volume_l:
            return False
        if sum(outside.values()) > holder.straps or not all(holder.takes_outside(things[i]) for i in outside):
            return False
        if not all(suits(things[i], holder) for i in inside):
            return False
        entries = [Entry(item=bag, place=AsPiece(piece=PieceKind.CABIN, person=self._plan.trip.people[0].id))]
        entries += [Entry(item=i, count=n, place=InBag(bag=bag)) for i, n in inside.items()]
        alone = kit.model_copy(update={"entries": tuple(entries)})
        return bool(inside) and not self._packings.of(things, alone).left
