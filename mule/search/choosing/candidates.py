"""The case of a choice: things that stay as they are, things to choose among, and where they may go."""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import NamedTuple

from mule.analysis.completeness import DependencyGraph
from mule.analysis.load import roots
from mule.analysis.optics import aids_of
from mule.packing import suits
from mule.plan import Plan
from mule.plan.gear import Bag, Gear, keeps_safe, serves
from mule.plan.places import AsPiece, InBag, PieceKind, Worn
from mule.search.choosing.answer import Asking, KeptThing
from mule.search.choosing.containers import Container, containers_of
from mule.search.choosing.decided import Decided
from mule.search.choosing.in_play import MOST_COPIES, PACKS, free_things, mere_copies
from mule.search.choosing.scoring import Optics


@dataclass(frozen=True)
class Candidates:
    """The case of one choice: everything its model is built of.

    asking: what was asked for. optics: what the things in play see of the wants. fixed: pieces that stay, by item.
    free: things to choose among. most: pieces of each that could come along. fixed_g, worn_g, hold_g: grams that
    stay, by carried piece of luggage, worn by person, in the hold by person. seconds: copies that only stand in for
    others. aids: what in play gives each thing that wants ask for beside glass and that does not stay anyway.
    """

    plan: Plan
    graph: DependencyGraph
    asking: Asking
    optics: Optics = field(repr=False)
    fixed: Mapping[str, int]
    free: Mapping[str, Gear]
    most: Mapping[str, int]
    containers: Sequence[Container]
    fixed_g: Mapping[str, float]
    worn_g: Mapping[str, float]
    hold_g: Mapping[str, float]
    seconds: frozenset[str] = frozenset()
    aids: Mapping[str, tuple[str, ...]] = field(default_factory=dict)

    def taking(self, pieces: Mapping[str, int]) -> "Candidates":
        """The case with just these pieces of things in play: where they go is all that is open."""
        return replace(
            self,
            free={item: self.free[item] for item in pieces},
            most=dict(pieces),
            containers=[c for c in self.containers if not c.chosen or c.id in pieces],
        )

    def met(self, pieces: Mapping[str, int]) -> list[float]:
        """What is left of each want's score by what it asks beside glass, with so many pieces of things in play."""
        if not self.aids:
            return self._met_anyway
        counts = {**self.fixed, **{i: n for givers in self.aids.values() for i in givers if (n := pieces.get(i, 0))}}
        return aids_of(self.plan.trip.wants, (self.plan.items[i] for i in counts), counts).met()

    @cached_property
    def _met_anyway(self) -> list[float]:
        return aids_of(self.plan.trip.wants, (self.plan.items[i] for i in self.fixed), self.fixed).met()

    def homes(self, item: str) -> list[Container]:
        """Where a thing may go: any carried bag or insert, and onto a person who wears it now."""
        worn = {e.place.person for e in self.plan.kit.entries if e.item == item and isinstance(e.place, Worn)}
        if isinstance(self.free[item], Bag):
            return []
        holders = [c for c in self.containers if c.root is not None]
        suited = [c for c in holders if suits(self.free[item], self.plan.items[c.id])]
        # Where none of the user's own bags suits a thing, it lies in one all the same; bags that are chosen have to.
        bags = suited if suited or self.asking.open_bags else holders
        return [*bags, *(c for c in self.containers if c.root is None and (c.person in worn or not holders))]

    @property
    def root_kinds(self) -> dict[str, tuple[str, PieceKind]]:
        """Carried pieces of luggage with who carries them and as what."""
        kinds = {bag: at.piece for bag, at in self.plan.kit.luggage().items()}
        found = {}
        for container in self.containers:
            if (root := container.root) is not None:
                bag = self.plan.items[root]
                assert isinstance(bag, Bag)
                found[root] = container.person, kinds.get(root, bag.carried_as)
        return found

    @property
    def kept(self) -> tuple[KeptThing, ...]:
        """What stays whatever is chosen, heaviest first."""
        hold = {
            e.item for e in self.plan.kit.entries if isinstance(e.place, AsPiece) and e.place.piece == PieceKind.HOLD
        }
        where = roots(self.plan.kit).bags
        found = (
            KeptThing(
                item=item,
                count=count,
                mass_g=self.plan.items[item].mass_g * count,
                carried=item not in hold and not any(bag in hold for bag, _ in where.get(item, ())),
                safe=keeps_safe(self.plan.items[item]),
            )
            for item, count in self.fixed.items()
        )
        return tuple(sorted(found, key=lambda kept: -kept.mass_g))

    @property
    def fixed_carried_g(self) -> float:
        """Grams that are carried whatever is chosen."""
        return sum(self.fixed_g.values()) + sum(self.worn_g.values())


def candidates(plan: Plan, graph: DependencyGraph, asking: Asking) -> Candidates:
    """Sorts the locker into what stays, what may come and what is out of play."""
    decided = Decided(plan)
    fixed = decided.fixed(asking.may_leave)
    free = free_things(plan, graph, decided, fixed, others=asking.others, may_leave=asking.may_leave)
    lacking = decided.lacking(fixed)
    aids = {aid: found for aid in lacking if (found := tuple(i for i, t in free.items() if serves(t) == aid))}
    containers = containers_of(plan, fixed, free)
    kept = _kept_g(plan, fixed, {c.root for c in containers if c.root is not None})

    def most(thing: Gear) -> int:
        if isinstance(thing, PACKS):
            return thing.count
        return min(thing.count, lacking.get(serves(thing) or "", MOST_COPIES))

    return Candidates(
        plan=plan,
        graph=graph,
        asking=asking,
        optics=Optics.of(list(free.values()), plan.trip.wants),
        fixed=fixed,
        free=free,
        most={i: 1 if isinstance(t, Bag) else most(t) for i, t in free.items()},
        aids=aids,
        containers=containers,
        fixed_g=kept.luggage,
        worn_g=kept.worn,
        hold_g=kept.hold,
        seconds=mere_copies(plan, free),
    )


class _KeptGrams(NamedTuple):
    """Grams that stay: by carried piece of luggage, worn by person, in the hold by person."""

    luggage: dict[str, float]
    worn: dict[str, float]
    hold: dict[str, float]


def _kept_g(plan: Plan, fixed: Mapping[str, int], carried: Collection[str]) -> _KeptGrams:
    where = roots(plan.kit)
    kept = _KeptGrams(
        luggage={root: plan.items[root].mass_g for root in carried if root in fixed},
        worn={p.id: 0.0 for p in plan.trip.people},
        hold={},
    )
    for entry in plan.kit.entries:
        if entry.item not in fixed:
            continue
        grams, place = plan.items[entry.item].mass_g * entry.count, entry.place
        if isinstance(place, Worn):
            kept.worn[place.person] += grams
        elif isinstance(place, InBag):
            root = next((bag for bag, _ in where.bags.get(entry.item, ())), None)
            if root in kept.luggage:
                kept.luggage[root] += grams
            elif root is not None:
                kept.hold[where.owners[root]] = kept.hold.get(where.owners[root], 0.0) + grams
        elif place.piece == PieceKind.HOLD:
            kept.hold[place.person] = kept.hold.get(place.person, 0.0) + grams
    return kept
