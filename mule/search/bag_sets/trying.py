"""One set of bags after another: shared out, packed and judged."""

from collections import Counter
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, field

from mule.analysis.gate import check_legs
from mule.analysis.load import weigh
from mule.base.deadline import Deadline
from mule.base.units import Access
from mule.packing import Packings, Stowage, pieces_left, rooms_of
from mule.plan import Plan
from mule.plan.gear import Bag, Body, Gear, Insert
from mule.plan.kit import Kit
from mule.plan.places import InBag
from mule.search.bag_sets.answer import BagSet, QuickThing
from mule.search.bag_sets.choices import Bags, Checked, Owned, checked_sets
from mule.search.bag_sets.ranking import DEPTH
from mule.search.bag_sets.serving import Serving
from mule.search.bag_sets.sharing_out import SharingOut, items_of, staying_in

# The key of the open kit's own bags, packed as they are.
NOW = "now"
# A set that leaves more pieces over could not carry the kit.
MOST_LEFT = 3
# Time for one bag that has no room for everything, and other ways to share out before that is said.
_BAG_S = 0.2
_ROUNDS = 3


@dataclass
class SetTrials:
    """Shares out, packs and judges one set after another."""

    plan: Plan
    deadline: Deadline
    packings: Packings = field(init=False)
    serving: Serving = field(init=False)

    def __post_init__(self) -> None:
        self.packings = Packings(_BAG_S, self.deadline)
        self.serving = Serving(self.plan, self.packings)
        self._items = items_of(self.plan)
        self._staying = staying_in(self.plan)
        # What somebody wants quickly, or else the cameras.
        wished = {wish.item for wish in self.plan.kit.stow.wishes if wish.access == "quick"}
        self._wished = wished or {item for item in self.plan.loaded if isinstance(self.plan.items[item], Body)}

    def checked(self) -> tuple[Checked, ...]:
        """The checked bags of the open kit, and the lightest ones that take all that is checked in."""
        now, *others = checked_sets(self.plan)
        held = [item for item in self._items if item.held]
        for bags in others:
            made = SharingOut(self.plan, Bags(bags, {}), held, {}).kit(self.deadline)
            if made and not made[1] and not self.packings.of(self.plan.items, made[0]).left:
                return now, bags
        return (now,)

    def as_it_is(self) -> BagSet:
        """The open kit, packed as it is now."""
        owned = Owned(self.plan)
        stowage = self.packings.of(self.plan.items, self.plan.kit)
        made = self._judged(Bags(owned.now, owned.inserts_now), self.plan.kit, stowage, {}, proved=True)
        return made.model_copy(update={"key": NOW})

    def packed(self, bags: Bags, most_left: int, beaten: Callable[[BagSet], bool]) -> BagSet | None:
        """None for a set that could not carry the kit, or is beaten however well it packs.

        most_left: pieces that it may leave over. beaten: says so of a set.
        """
        best: tuple[int, Kit, Stowage, Mapping[str, int]] | None = None
        job, sure = SharingOut(self.plan, bags, self._items, self._staying), True
        for _ in range(_ROUNDS):
            made = job.kit(self.deadline)
            if made is None:
                break
            kit, left, settled = made
            sure = sure and settled
            if sum(left.values()) > most_left or beaten(self._at_best(bags, kit, left)):
                break
            stowage = self.packings.of(self.plan.items, kit)
            over = sum(left.values()) + sum(pieces_left(stowage.left).values())
            sure = sure and all(one.proof == "proved" for one in stowage.left)
            if best is None or over < best[0]:
                best = over, kit, stowage, left
            if not stowage.left or over > most_left + MOST_LEFT or self.deadline.stopped:
                break
            for bag in {one.bag for one in stowage.left}:
                job.forbidden.append((bag, self._there(kit, bag)))
        if best is None or best[0] > most_left:
            return None
        return self._judged(bags, *best[1:], proved=sure and not self.deadline.stopped)

    def _at_best(self, bags: Bags, kit: Kit, left: Mapping[str, int]) -> BagSet:
        """The set as if everything in it found its place, and quick things lay on top."""
        made = self._judged(bags, kit, _NOTHING, left, proved=False)
        things, roots = self.plan.items, kit.outermost()
        where = [(e.item, e.place.bag) for e in kit.entries if isinstance(e.place, InBag) and not e.place.outside]
        quick = tuple(
            QuickThing(item=item, bag=roots[bag], access=_quickest(things[item], things[bag]), layer=0)
            for item, bag in where
            if item in self._wished
        )
        return made.model_copy(update={"quick": quick})

    def _there(self, kit: Kit, bag: str) -> Mapping[int, int]:
        """Items of which some lie in a bag, by number."""
        counts = {e.item: e.count for e in kit.entries if e.place == InBag(bag=bag)}
        return {
            n: min(counts[item.items[0]], item.count) for n, item in enumerate(self._items) if item.items[0] in counts
        }

    def _judged(self, bags: Bags, kit: Kit, stowage: Stowage, left: Mapping[str, int], *, proved: bool) -> BagSet:
        plan = self.plan.with_kit(kit)
        over = Counter(left) + Counter(pieces_left(stowage.left))
        loads = weigh(plan.items, kit, plan.trip.people)
        legs = check_legs(plan, loads)
        first = max(loads.people, key=lambda load: load.carried_g)
        carried = bags.carried()
        holders = [plan.items[bag] for bag in (*carried, *(i for i, bag in bags.inserts.items() if bag in carried))]
        room = sum(t.volume_l for t in holders if isinstance(t, Bag))
        used = sum(c.litres for c in loads.bags if c.bag in carried)
        return BagSet(
            key=bags.key,
            bags=(*carried, *(bag for bag in bags.pieces if bag not in carried)),
            inserts=dict(bags.inserts),
            kit=kit,
            stowage=stowage,
            left=dict(over),
            proved=proved and all(one.proof == "proved" for one in stowage.left),
            litres=room - used,
            empty_g=sum(t.mass_g for t in holders),
            total_g=loads.total_g,
            on_foot_g=first.carried_g,
            who=first.person,
            over_g=sum(
                max(0.0, check.value - check.allowed)
                for leg in legs
                for check in leg.checks
                if check.limit in ("mass", "together")
            ),
            refused=tuple(leg.leg for leg in legs if not leg.passes),
            legs=legs,
            quick=tuple(self._reach(kit, stowage)),
            serves=self.serving.by(carried),
        )

    def _reach(self, kit: Kit, stowage: Stowage) -> Iterator[QuickThing]:
        """How deep lies what is wanted quickly; the deepest first."""
        rooms = {room.room: room for room in stowage.rooms}
        roots = kit.outermost()
        found = [
            QuickThing(
                item=item,
                bag=roots.get(rooms[p.room].bag, rooms[p.room].bag),
                access=rooms[p.room].access,
                layer=p.layer,
            )
            for p in stowage.placed
            for item in p.items
            if item in self._wished
        ]
        yield from sorted(found, key=lambda r: (-DEPTH[r.access] - r.layer, r.item))


# Nothing packed yet.
_NOTHING = Stowage(rooms=(), placed=(), soft=(), strapped=(), left=(), checked=True, gap_mm=0)


def _quickest(thing: Gear, holder: Gear) -> Access:
    """The quickest space of a bag or insert that takes a thing."""
    assert isinstance(holder, Bag | Insert)
    rooms = [room for room in rooms_of(holder) if room.sort != "sleeve" and room.takes(thing)]
    return min((room.access for room in rooms), key=lambda access: DEPTH[access], default="open")
