"""The web of offers and needs over a whole locker, and what holds for the things that are loaded."""

from collections.abc import Collection, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property, lru_cache
from typing import NamedTuple

from mule.completeness.keys import Key, Need, Offer
from mule.completeness.needs import needs_of
from mule.completeness.offers import offers_of
from mule.gear import Gear

Way = frozenset[str]


@dataclass(frozen=True)
class Web:
    """Needs and offers by item, and who offers each key."""

    needs: Mapping[str, Sequence[Need]]
    offers: Mapping[str, Sequence[Offer]]
    givers: Mapping[Key, Sequence[tuple[str, Key | None]]] = field(repr=False)

    def ways(self, key: Key, loaded: Collection[str]) -> Iterator[Way]:
        """Every set of loaded things that together give a key: a thing alone, or a link with what it hangs on."""
        for item, through in self.givers.get(key, ()):
            if item in loaded:
                if through is None:
                    yield frozenset((item,))
                else:
                    yield from (way | {item} for way in self.ways(through, loaded))

    def met(self, item: str, need: Need, loaded: Collection[str]) -> bool:
        """Whether what is loaded beside an item meets its need, or the need does not apply."""
        if need.when is not None and next(self.ways(need.when, loaded), None) is None:
            return True
        return any(item not in way for key in need.keys for way in self.ways(key, loaded))


class Tie(NamedTuple):
    """A need of a loaded thing with the ways in which what is loaded meets it.

    unless: ways that make it apply at all; None when it always does.
    """

    item: str
    need: Need
    ways: tuple[Way, ...]
    unless: tuple[Way, ...] | None

    def met(self, gone: Collection[str]) -> bool:
        """Whether the need is met, or does not apply, without the things in ``gone``."""
        if any(way.isdisjoint(gone) for way in self.ways):
            return True
        return self.unless is not None and not any(way.isdisjoint(gone) for way in self.unless)


@dataclass(frozen=True)
class Ties:
    """How the loaded things hang together. asked: what wants ask of the kit, as ties of the wants' ids."""

    web: Web
    loaded: Collection[str]
    asked: tuple[Tie, ...] = ()

    @cached_property
    def all(self) -> tuple[Tie, ...]:
        """Every need of every loaded thing, and what the wants ask for."""
        return (*(self._tie(item, need) for item in self.loaded for need in self.web.needs[item]), *self.asked)

    def _tie(self, item: str, need: Need) -> Tie:
        ways = tuple(w for key in need.keys for w in self.web.ways(key, self.loaded) if item not in w)
        unless = tuple(self.web.ways(need.when, self.loaded)) if need.when else None
        return Tie(item, need, ways, unless)

    @cached_property
    def unmet(self) -> tuple[Tie, ...]:
        """Needs that nothing loaded meets."""
        return tuple(tie for tie in self.all if not tie.met(()))

    @cached_property
    def _resting_on(self) -> Mapping[str, Sequence[Tie]]:
        """Met needs by every thing that has a part in meeting them."""
        index: dict[str, list[Tie]] = {}
        unmet = set(map(id, self.unmet))
        for tie in self.all:
            if id(tie) not in unmet:
                for item in frozenset().union(*tie.ways):
                    index.setdefault(item, []).append(tie)
        return index

    def _falling(self, fresh: Collection[str], gone: Collection[str]) -> Iterator[Tie]:
        """Needs of what stays that fail now that ``fresh`` have joined the things in ``gone``."""
        seen: set[int] = set()
        for item in fresh:
            for tie in self._resting_on.get(item, ()):
                if id(tie) not in seen and tie.item not in gone and not tie.met(gone):
                    seen.add(id(tie))
                    yield tie

    def leaving(self, items: Collection[str], gone: Collection[str] = ()) -> tuple[tuple[str, ...], tuple[Tie, ...]]:
        """What goes with these once they stay home as well as ``gone``, and what of the rest then fails."""
        if self._resting_on.keys().isdisjoint(items):
            return (), ()
        out = {*gone, *items}
        goes: list[str] = []
        failing: list[Tie] = []
        fresh = list(items)
        while fresh:
            found = list(self._falling(fresh, out))
            fresh = sorted({tie.item for tie in found if tie.need.sort == "purpose"})
            failing += [tie for tie in found if tie.need.sort != "purpose"]
            goes += fresh
            out.update(fresh)
        return tuple(goes), tuple(tie for tie in failing if tie.item not in out)

    def reach(self, item: str) -> frozenset[str]:
        """All things that have a say in what ``leaving`` answers for this one alone."""
        found = self._reach.get(item)
        if found is None:
            seen: set[str] = set()
            said: set[str] = {item}
            fresh = [item]
            while fresh:
                ties = self._resting_on.get(fresh.pop(), ())
                for tie in ties:
                    said.update((tie.item,), *tie.ways, *(tie.unless or ()))
                follow = {tie.item for tie in ties if tie.need.sort == "purpose"} - seen
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

    def holds_up(self, *items: str) -> tuple[Tie, ...]:
        """Links of what stays, and asks of wants, that fail once these and what goes with them stay home."""
        return self.leaving(items)[1]


def weave(gear: Iterable[Gear], walls: Sequence[str] = (), *, nights: bool = True) -> Web:
    """The web over these things. walls: plug shapes of the place; nights: whether packs are charged on the way."""
    return _weave(tuple(gear), tuple(walls), nights)


# A locker stays the same from click to click: the webs of the last few are kept.
@lru_cache(16)
def _weave(gear: tuple[Gear, ...], walls: tuple[str, ...], nights: bool) -> Web:
    needs: dict[str, Sequence[Need]] = {}
    offers: dict[str, Sequence[Offer]] = {}
    givers: dict[Key, list[tuple[str, Key | None]]] = {}
    for thing in gear:
        needs[thing.id] = needs_of(thing, walls, nights=nights)
        offers[thing.id] = offers_of(thing, walls)
        for offer in offers[thing.id]:
            givers.setdefault(offer.key, []).append((thing.id, offer.through))
    return Web(needs, offers, givers)
