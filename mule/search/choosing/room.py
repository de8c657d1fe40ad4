"""Kits that find room: each found kit is stowed, and what does not go in together is told back.

See docs/domain/stowing.md.

What lies in a bag is known only once things are placed, so the model learns it from failures: "of these things, at most
so many together in this bag". The same limits move things to another bag first, and only then change the choice.
"""

from collections import Counter
from collections.abc import Callable, Collection, Mapping
from dataclasses import dataclass

from mule.base.deadline import Deadline
from mule.base.solving import OutOfTime
from mule.packing import left_in
from mule.plan.gear import Gear, Soft
from mule.plan.kit import Kit
from mule.plan.places import InBag
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.placing import RoomLimit, pack

# Places tried for one kit, before it counts as too much for its bags.
_MOVES = 5
# Time for one bag of a first answer.
_GLANCE_S = 0.1
# Time for one bag: most need a tenth of it (measured, docs/algorithms/choosing.md).
_BAG_S = 0.4


@dataclass(frozen=True)
class RoomFit:
    """A kit in its bags. left: pieces that find no place there, by item, without those that never did."""

    kit: Kit
    left: Mapping[str, int]


class _BagTries:
    """Single bags packed so far: the same things in the same bag are tried once."""

    def __init__(self, gear: Mapping[str, Gear], deadline: Deadline) -> None:
        self._gear, self._deadline = gear, deadline
        self._known: dict[tuple[str, frozenset[tuple[str, int]]], tuple[Mapping[str, int], bool]] = {}

    def left_in(self, kit: Kit, bag: str, held: Mapping[str, int]) -> tuple[Mapping[str, int], bool]:
        """Pieces without a place in a bag that holds these, and whether that is proved."""
        key = bag, frozenset(held.items())
        if key not in self._known:
            found = left_in(self._gear, kit, bag, self._deadline.grant(_BAG_S), workers=1)
            if self._deadline.asked_to_stop:
                return found
            self._known[key] = found
        return self._known[key]


class Rooms:
    """Stows kits of one choice and remembers what did not go in."""

    def __init__(self, case: Candidates, deadline: Deadline, crowd: Callable[[Collection[RoomLimit]], None]) -> None:
        """crowd: told of limits as they are found: a kit that does not go in may yet do so otherwise."""
        self._crowd = crowd
        self._case, self._asking, self._deadline = case, case.asking, deadline
        self._gear = case.plan.items
        self._bags = _BagTries(self._gear, deadline)
        self._known: list[RoomLimit] = []
        self._fits: dict[frozenset[tuple[str, int]], RoomFit] = {}
        bare = pack(case, {}, (), deadline) if case.asking.keep_limits else None
        # Of what must come, and of what stays anyway, what finds no place whatever else is chosen.
        self._anyway: Mapping[str, int] = {}
        self._never = self._left(bare)[0] if isinstance(bare, Kit) else {}
        must = {item: 1 for item in case.plan.trip.marks.must_take if item in case.free}
        least = pack(case, must, (), deadline) if case.asking.keep_limits and must else None
        self._anyway = self._left(least)[0] if isinstance(least, Kit) else self._never

    def fit(self, pieces: Mapping[str, int]) -> RoomFit | OutOfTime:
        """The kit with these pieces in the bags where most of it finds a place; out of time once asked to stop."""
        key = frozenset(pieces.items())
        if key in self._fits:
            return self._fits[key]
        known = len(self._known)
        found = self._fit(pieces)
        # As long as each try teaches something, another may find a way.
        if isinstance(found, RoomFit) and not (found.left and len(self._known) > known):
            self._fits[key] = found
        return found

    def at_once(self, pieces: Mapping[str, int]) -> RoomFit | OutOfTime:
        """The same after one look at each bag, of which nothing is learned."""
        kit = pack(self._case, pieces, self._known, self._deadline)
        if not isinstance(kit, Kit):
            kit = pack(self._case, pieces, (), self._deadline)
        if not isinstance(kit, Kit):
            return OutOfTime()
        left: Counter[str] = Counter()
        for bag in _inside(kit) if self._asking.keep_limits else ():
            left.update(left_in(self._gear, kit, bag, self._deadline.grant(_GLANCE_S), workers=1)[0])
        return RoomFit(kit, self._beside_never(left))

    def _beside_never(self, left: Mapping[str, int]) -> dict[str, int]:
        """Pieces left over, without those that find no place whatever is chosen."""
        return {item: n - self._never.get(item, 0) for item, n in left.items() if n > self._never.get(item, 0)}

    def _fit(self, pieces: Mapping[str, int]) -> RoomFit | OutOfTime:
        best: RoomFit | None = None
        for _ in range(_MOVES if self._asking.keep_limits else 1):
            kit = pack(self._case, pieces, self._known, self._deadline)
            if not isinstance(kit, Kit):
                break
            if not self._asking.keep_limits:
                return RoomFit(kit, {})
            left, more = self._left(kit)
            new = self._beside_never(left)
            if best is None or sum(new.values()) < sum(best.left.values()):
                best = RoomFit(kit, new)
            if not new or not more:
                break
            self._known += more
            self._crowd(more)
        if best is None:
            kit = pack(self._case, pieces, (), self._deadline)
            if isinstance(kit, OutOfTime):
                return kit
            assert isinstance(kit, Kit), "the model lets only kits through that go into the bags by litres"
            best = RoomFit(kit, self._left(kit)[0])
        return best

    def _left(self, kit: Kit) -> tuple[Mapping[str, int], list[RoomLimit]]:
        """Pieces of a kit without a place, and what that says about their bags."""
        left: Counter[str] = Counter()
        limits: list[RoomLimit] = []
        for bag, held in _inside(kit).items():
            over, proved = self._bags.left_in(kit, bag, held)
            left.update(over)
            limits += self._limits(kit, bag, held, over, proved=proved)
        return left, limits

    def _limits(
        self, kit: Kit, bag: str, held: Mapping[str, int], over: Mapping[str, int], *, proved: bool
    ) -> list[RoomLimit]:
        """Nothing is said about a bag that is too small for what stays in it anyway."""
        free = {item: n for item, n in held.items() if item in self._case.free}
        if not free or all(n <= self._anyway.get(item, 0) for item, n in over.items()):
            return []
        if not all(isinstance(self._gear[item].size, Soft) for item in over):
            # What is hard finds its place before what is soft.
            free = {item: n for item, n in free.items() if not isinstance(self._gear[item].size, Soft)}
        while len(free) > 1:
            # The large half alone, if that is too much already, says more.
            by_size = sorted(free, key=lambda i: self._gear[i].size.litres() * free[i], reverse=True)
            core = {item: free[item] for item in by_size[: (len(free) + 1) // 2]}
            if core.keys() == free.keys() or not (found := self._core(kit, bag, held, core, over))[0]:
                break
            free, proved = core, found[1]
        return [RoomLimit(bag=bag, pieces=free, proved=proved)] if free else []

    def _core(
        self, kit: Kit, bag: str, held: Mapping[str, int], core: Collection[str], over: Mapping[str, int]
    ) -> tuple[bool, bool]:
        """Whether these and what stays are too much already, and whether that is proved."""
        fewer = {item: n for item, n in held.items() if item in core or item not in self._case.free}
        if fewer.keys() == held.keys() or not over.keys() & fewer.keys():
            return False, False
        entries = tuple(
            e
            for e in kit.entries
            if not (isinstance(e.place, InBag) and e.place.bag == bag and not e.place.outside and e.item not in fewer)
        )
        still, proved = self._bags.left_in(kit.model_copy(update={"entries": entries}), bag, fewer)
        return any(n > self._anyway.get(item, 0) for item, n in still.items()), proved


def _inside(kit: Kit) -> Mapping[str, Mapping[str, int]]:
    """Pieces in each bag."""
    inside: dict[str, dict[str, int]] = {}
    for entry in kit.entries:
        if isinstance(entry.place, InBag) and not entry.place.outside:
            here = inside.setdefault(entry.place.bag, {})
            here[entry.item] = here.get(entry.item, 0) + entry.count
    return inside
