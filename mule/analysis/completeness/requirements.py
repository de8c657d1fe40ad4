"""Requirements: what the loaded things need of each other, and what falls when something stays home."""

from collections.abc import Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

from mule.analysis.completeness.graph import DependencyGraph
from mule.analysis.completeness.keys import Key, Need

Way = frozenset[str]


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
