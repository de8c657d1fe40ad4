"""The dependency graph: who offers what, and who needs it, over a whole locker."""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, field

from mule.analysis.completeness.keys import Key, Need, Offer
from mule.analysis.completeness.needs import needs_of
from mule.analysis.completeness.offers import offers_of
from mule.base.memo import by_identity
from mule.plan.gear import Filter, Gear


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


def dependency_graph(gear: Sequence[Gear], walls: Sequence[str] = (), *, nights: bool = True) -> DependencyGraph:
    """The graph over these things. walls: plug shapes of the place; nights: whether packs are charged on the way."""
    return _graph(gear if isinstance(gear, tuple) else tuple(gear), tuple(walls), nights)


# A locker stays the same from click to click: the graphs of the last few are kept.
@by_identity(16)
def _graph(gear: tuple[Gear, ...], walls: tuple[str, ...], nights: bool) -> DependencyGraph:
    needs: dict[str, Sequence[Need]] = {}
    offers: dict[str, Sequence[Offer]] = {}
    givers: dict[Key, list[tuple[str, Key | None]]] = {}
    named = {item for thing in gear for item in thing.needs}
    named |= {thing.body for thing in gear if isinstance(thing, Filter) and thing.body}
    for thing in gear:
        needs[thing.id] = needs_of(thing, walls, nights=nights)
        offers[thing.id] = offers_of(thing, walls)
        if thing.id in named:
            offers[thing.id] = [*offers[thing.id], Offer(Key("thing", thing.id))]
        for offer in offers[thing.id]:
            givers.setdefault(offer.key, []).append((thing.id, offer.through))
    return DependencyGraph(needs, offers, givers)
