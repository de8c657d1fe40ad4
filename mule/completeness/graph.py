"""The dependency graph of offers and needs over a whole locker, and what holds for the things that are loaded."""

from collections.abc import Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property
from typing import NamedTuple

from mule.completeness.keys import Key, Need, Offer
from mule.completeness.needs import needs_of
from mule.completeness.offers import offers_of
from mule.gear import Gear
from mule.memo import by_identity

Way = frozenset[str]


@dataclass(frozen=True, eq=False)
class DependencyGraph:
    """Needs and offers by item, and who offers each key, by itself or through another key."""

    needs: Mapping[str, Sequence[Need]]
    offers: Mapping[str, Sequence[Offer]]
    givers: Mapping[Key, Sequence[tuple[str, Key | None]]] = field(repr=False)

    def gives(self, key: Key, loaded: Collection[str], gone: Collection[str] = (), but: str = "") -> bool:
        """Whether loaded things give a key without those in ``gone`` and without the help of ``but``."""
        return any(
            item in loaded
            and item != but
            and item not in gone
            and (through is None or self.gives(through, loaded, gone, but))
            for item, through in self.givers.get(key, ())
        )

    def met(self, item: str, need: Need, loaded: Collection[str], gone: Collection[str] = ()) -> bool:
        """Whether what is loaded beside an item, without those in ``gone``, meets its need, or it does not apply."""
        if need.when is not None and not self.gives(need.when, loaded, gone):
            return True
        return any(self.gives(key, loaded, gone, item) for key in need.keys)

    def having_a_say(self, need: Need, loaded: Collection[str]) -> frozenset[str]:
        """Loaded things that have a part in some way of meeting a need, or in whether it applies."""
        todo = [*need.keys, *((need.when,) if need.when else ())]
        seen, found = set(todo), set()
        while todo:
            for item, through in self.givers.get(todo.pop(), ()):
                if item in loaded:
                    found.add(item)
                    if through is not None and through not in seen:
                        seen.add(through)
                        todo.append(through)
        return frozenset(found)


class Unmet(NamedTuple):
    """A need of a loaded thing that nothing loaded meets."""

    item: str
    need: Need


class Requirement(NamedTuple):
    """A need of a loaded thing, or what a want asks for, that is met.

    ways: of what a want asks for, the sets of loaded things that each meet it.
    """

    item: str
    need: Need
    ways: tuple[Way, ...] = ()


@dataclass(frozen=True, eq=False)
class Requirements:
    """How the loaded things hang together. asked: what wants ask of the kit, as requirements of the wants' ids."""

    graph: DependencyGraph
    loaded: Collection[str]
    asked: tuple[Requirement, ...] = ()

    @cached_property
    def unmet(self) -> tuple[Unmet, ...]:
        """Needs that nothing loaded meets."""
        graph, loaded = self.graph, self.loaded
        return tuple(
            Unmet(item, need) for item in loaded for need in graph.needs[item] if not graph.met(item, need, loaded)
        )

    @cached_property
    def _resting_on(self) -> Mapping[str, Sequence[Requirement]]:
        """Met requirements by every thing that has a part in meeting them."""
        unmet = set(self.unmet)
        found = [Requirement(item, need) for item in self.loaded for need in self.graph.needs[item]]
        index: dict[str, list[Requirement]] = {}
        for one in (*(r for r in found if (r.item, r.need) not in unmet), *self.asked):
            for item in self._having_a_say(one):
                index.setdefault(item, []).append(one)
        return index

    def _having_a_say(self, requirement: Requirement) -> frozenset[str]:
        if requirement.ways:
            return frozenset().union(*requirement.ways)
        # Things that need the same share the answer.
        key = requirement.need.keys, requirement.need.when
        if key not in self._says:
            self._says[key] = self.graph.having_a_say(requirement.need, self.loaded)
        return self._says[key]

    @cached_property
    def _says(self) -> dict[tuple[tuple[Key, ...], Key | None], frozenset[str]]:
        return {}

    def _holds(self, requirement: Requirement, gone: Collection[str]) -> bool:
        """Whether a requirement is met without the things in ``gone``."""
        if requirement.ways:
            return any(way.isdisjoint(gone) for way in requirement.ways)
        return self.graph.met(requirement.item, requirement.need, self.loaded, gone)

    def _falling(self, fresh: Collection[str], gone: Collection[str]) -> Iterator[Requirement]:
        """Requirements of what stays that fail now that ``fresh`` have joined the things in ``gone``."""
        seen: set[int] = set()
        for item in fresh:
            for found in self._resting_on.get(item, ()):
                if id(found) not in seen and found.item not in gone and not self._holds(found, gone):
                    seen.add(id(found))
                    yield found

    def leaving(
        self, items: Collection[str], gone: Collection[str] = ()
    ) -> tuple[tuple[str, ...], tuple[Requirement, ...]]:
        """What goes with these once they stay home as well as ``gone``, and what of the rest then fails."""
        if self._resting_on.keys().isdisjoint(items):
            return (), ()
        out = {*gone, *items}
        goes: list[str] = []
        failing: list[Requirement] = []
        fresh = list(items)
        while fresh:
            found = list(self._falling(fresh, out))
            fresh = sorted({r.item for r in found if r.need.sort == "purpose"})
            failing += [r for r in found if r.need.sort != "purpose"]
            goes += fresh
            out.update(fresh)
        return tuple(goes), tuple(r for r in failing if r.item not in out)

    def reach(self, item: str) -> frozenset[str]:
        """All things that have a say in what ``leaving`` answers for this one alone."""
        found = self._reach.get(item)
        if found is None:
            seen: set[str] = set()
            said: set[str] = {item}
            fresh = [item]
            while fresh:
                resting = self._resting_on.get(fresh.pop(), ())
                for one in resting:
                    said.update((one.item,), self._having_a_say(one))
                follow = {r.item for r in resting if r.need.sort == "purpose"} - seen
                seen |= follow
                fresh += follow
            found = self._reach[item] = frozenset(said)
        return found

    @cached_property
    def _reach(self) -> dict[str, frozenset[str]]:
        return {}

    def goes_with(self, *items: str) -> tuple[str, ...]:
        """What is of no more use once these stay home, and what is then of no use without that, in this order."""
        return self.leaving(items)[0]

    def holds_up(self, *items: str) -> tuple[Requirement, ...]:
        """Links of what stays, and asks of wants, that fail once these and what goes with them stay home."""
        return self.leaving(items)[1]


def dependency_graph(gear: Sequence[Gear], walls: Sequence[str] = (), *, nights: bool = True) -> DependencyGraph:
    """The graph over these things. walls: plug shapes of the place; nights: whether packs are charged on the way."""
    return _graph(gear if isinstance(gear, tuple) else tuple(gear), tuple(walls), nights)


# A locker stays the same from click to click: the graphs of the last few are kept.
@by_identity(16)
def _graph(gear: tuple[Gear, ...], walls: tuple[str, ...], nights: bool) -> DependencyGraph:
    needs: dict[str, Sequence[Need]] = {}
    offers: dict[str, Sequence[Offer]] = {}
    givers: dict[Key, list[tuple[str, Key | None]]] = {}
    for thing in gear:
        needs[thing.id] = needs_of(thing, walls, nights=nights)
        offers[thing.id] = offers_of(thing, walls)
        for offer in offers[thing.id]:
            givers.setdefault(offer.key, []).append((thing.id, offer.through))
    return DependencyGraph(needs, offers, givers)
