"""The sharing as a model for CP-SAT: what counts most first, each tier kept while the next is looked for.

1 pairs that back each other up apart, own things with their owners, one for each;
2 the fewest grams over the limits of legs;
3 what the most loaded carries, and 200 g for each move: so whatever moves takes at least that off the most loaded.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations

from ortools.sat.python import cp_model

from mule.analysis.gate.limits import mass_limits
from mule.analysis.load import Loads
from mule.base.deadline import Deadline
from mule.base.solving import PER_GRAM, Linear, Solved, Var, solve, tenths, total
from mule.plan.gear import Body, Drive, back_each_other_up
from mule.search.split.lots import Shareable

# What a move must take off the most loaded to be worth while (docs/algorithms/split.md).
WORTH_MOVING_G = 200.0
# Loads on backs are compared in such steps: nobody feels less, and to prove more takes long.
STEP_G = 10.0
# Time to find the tidiest of what is as good.
_TIDY_S = 0.2


@dataclass(frozen=True)
class Sharing:
    """Pieces of each lot at each spot. wrongs, over_g: of the first two tiers. proved: nothing is better."""

    pieces: tuple[Mapping[str, int], ...]
    wrongs: int
    over_g: float
    proved: bool


class SplitModel:
    """One model; limits of room are added as they are found."""

    def __init__(self, shareable: Shareable, loads: Loads, backs: Mapping[str, float]) -> None:
        """loads: of the open kit. backs: what each person's load is measured by, in grams."""
        self._shareable, self._loads, self._backs = shareable, loads, backs
        self._lots, self._spots = shareable.lots, shareable.spots
        self._limits = tuple(mass_limits(shareable.plan, shareable.luggage))
        self.cp = cp_model.CpModel()
        self._at = [
            {spot: self.cp.new_int_var(0, lot.count, f"{lot.items} {spot}") for spot in lot.may} for lot in self._lots
        ]
        for lot, at in zip(self._lots, self._at, strict=True):
            self.cp.add(total((var, 1) for var in at.values()) == lot.count)
        self._hint([lot.now for lot in self._lots])
        self._room()
        self._wrongs = list(self._all_wrongs())
        self._over = list(self._over_limits())
        self._comes: dict[tuple[int, str], Var] = dict(self._coming())
        self._most = self._most_loaded()

    def _hint(self, pieces: Sequence[Mapping[str, int]]) -> None:
        self.cp.clear_hints()  # type: ignore[no-untyped-call]
        for at, there in zip(self._at, pieces, strict=True):
            for spot, var in at.items():
                self.cp.add_hint(var, there.get(spot, 0))

    def _room(self) -> None:
        for spot in self._spots.values():
            here = [(at[spot.id], lot) for lot, at in zip(self._lots, self._at, strict=True) if spot.id in at]
            if spot.place.outside:
                self.cp.add(total((var, 1) for var, _ in here) <= spot.straps)
            else:
                litres = [(var, round(lot.litres * 1000)) for var, lot in here]
                now = sum(round(lot.litres * 1000) * lot.now.get(spot.id, 0) for _, lot in here)
                self.cp.add(total(litres) <= max(round(spot.free_l * 1000), now))

    def _in_root(self, index: int, root: str) -> list[Var]:
        return [var for spot, var in self._at[index].items() if self._spots[spot].root == root]

    def _with(self, index: int, person: str) -> list[Var]:
        return [var for spot, var in self._at[index].items() if self._spots[spot].person == person]

    def _all_wrongs(self) -> Iterator[Linear | Var]:
        roots = sorted({spot.root for spot in self._spots.values()})
        for one, other in self._pairs():
            for root in roots:
                both = [*self._in_root(one, root), *(self._in_root(other, root) if other != one else ())]
                yield self._if_more(both, 1)
        people = [person.id for person in self._shareable.plan.trip.people]
        for index, lot in enumerate(self._lots):
            if lot.owner is not None:
                astray = [var for spot, var in self._at[index].items() if self._spots[spot].person != lot.owner]
                yield total((var, 1) for var in astray)
            for person in people if lot.each else ():
                mine = self._with(index, person)
                if mine:
                    lacks = self.cp.new_bool_var("")
                    self.cp.add(total((var, 1) for var in mine) + lacks >= 1)
                    yield lacks

    def _pairs(self) -> Iterator[tuple[int, int]]:
        """Lots with two things, one piece of each, that back each other up; or with two pieces that do."""
        items = self._shareable.plan.items
        of = {item: index for index, lot in enumerate(self._lots) for item in lot.items}
        loaded = self._shareable.plan.loaded
        for one, other in combinations(of, 2):
            single = loaded[one] == loaded[other] == 1
            if single and of[one] != of[other] and back_each_other_up(items[one], items[other]):
                yield of[one], of[other]
        for item, index in of.items():
            if isinstance(items[item], Body | Drive) and loaded[item] == self._lots[index].count == 2:
                yield index, index

    def _if_more(self, pieces: Sequence[Var], most: int) -> Var:
        """Whether there are more pieces than so many."""
        more = self.cp.new_bool_var("")
        self.cp.add(total((var, 1) for var in pieces) <= most).only_enforce_if(~more)
        return more

    def _moving_g(self, spots: set[str]) -> list[tuple[Var, int]]:
        """Tenths of grams of what lies at some spots."""
        return [
            (var, tenths(lot.mass_g))
            for lot, at in zip(self._lots, self._at, strict=True)
            for spot, var in at.items()
            if spot in spots
        ]

    def _still_g(self, spots: set[str]) -> int:
        """Tenths of grams of what can move and lies there now."""
        return sum(tenths(lot.mass_g) * n for lot in self._lots for spot, n in lot.now.items() if spot in spots)

    def _over_limits(self) -> Iterator[Var]:
        pieces = {piece.bag: piece.mass_g for piece in self._loads.pieces}
        for limit in self._limits:
            spots = {spot.id for spot in self._spots.values() if spot.root in limit.bags}
            stays = sum(tenths(pieces[bag]) for bag in limit.bags) - self._still_g(spots)
            terms = self._moving_g(spots)
            over = self.cp.new_int_var(0, 10**9, "")
            self.cp.add(total(terms, stays) - tenths(limit.allowed_g) <= over)
            yield over

    def _coming(self) -> Iterator[tuple[tuple[int, str], Var]]:
        """Whether more of a lot lies at a spot than now: a move."""
        for index, (lot, at) in enumerate(zip(self._lots, self._at, strict=True)):
            for spot, var in at.items():
                now = lot.now.get(spot, 0)
                if now < lot.count:
                    comes = self.cp.new_bool_var("")
                    self.cp.add(var <= now + (lot.count - now) * comes)
                    yield (index, spot), comes

    def _most_loaded(self) -> Var:
        """Steps on the most loaded, begun ones whole, as it would be on the back of who is that now."""
        carried = {load.person: load.carried_g for load in self._loads.people}
        first = max(carried, key=lambda person: carried[person] / self._backs[person])
        most = self.cp.new_int_var(0, 10**7, "most")
        for person, grams in carried.items():
            spots = {spot.id for spot in self._spots.values() if spot.person == person}
            load = total(self._moving_g(spots), tenths(grams) - self._still_g(spots))
            step = round(self._backs[person]) * tenths(STEP_G)
            self.cp.add(most * step >= load * round(self._backs[first]))
        return most

    def forbid(self, spot: str, pieces: Mapping[int, int]) -> None:
        """So many pieces of these lots, by index, do not lie at a spot together."""
        fewer = []
        for index, count in pieces.items():
            less = self.cp.new_bool_var("")
            self.cp.add(self._at[index][spot] <= count - 1).only_enforce_if(less)
            fewer.append(less)
        self.cp.add_bool_or(fewer)

    def solve(self, deadline: Deadline) -> Sharing | None:
        """The best sharing; None where none was found in time."""
        wrongs, over = Linear.sum(self._wrongs), Linear.sum(self._over)
        moves = total((comes, 1) for comes in self._comes.values())
        held, proved = self.cp.clone(), True
        for tier in (wrongs, over, self._most + moves * round(WORTH_MOVING_G / STEP_G)):
            held.minimize(tier)
            found = solve(held, deadline)
            if not isinstance(found, Solved):
                return None
            ending, proved = found, proved and found.best
            held.add(tier <= found.value(tier))
        held.minimize(self._ties())
        tidy = solve(held, deadline.soonest(_TIDY_S))
        made = self._read(tidy if isinstance(tidy, Solved) else ending, proved=proved)
        self._hint(made.pieces)
        return made

    def with_pieces(self, pieces: Sequence[Mapping[str, int]], deadline: Deadline) -> Sharing | None:
        """One certain way to share, with what is wrong with it; not proved to be the best."""
        held = self.cp.clone()
        for at, there in zip(self._at, pieces, strict=True):
            for spot, var in at.items():
                held.add(var == there.get(spot, 0))
        held.minimize(Linear.sum([*self._wrongs, *self._over]))
        found = solve(held, deadline)
        return self._read(found, proved=False) if isinstance(found, Solved) else None

    def _read(self, ending: Solved, *, proved: bool) -> Sharing:
        return Sharing(
            pieces=tuple({spot: n for spot, var in at.items() if (n := ending.value(var))} for at in self._at),
            wrongs=ending.value(Linear.sum(self._wrongs)),
            over_g=ending.value(Linear.sum(self._over)) / PER_GRAM,
            proved=proved,
        )

    def _ties(self) -> Linear:
        """Of what is as good: few pieces in new places, what lies in padding in padding."""
        terms = []
        for (index, spot), comes in self._comes.items():
            lot = self._lots[index]
            padded = any(self._spots[now].padded for now in lot.now)
            terms.append((comes, 10 + 5 * (padded != self._spots[spot].padded)))
            terms.append((self._at[index][spot], 1 if spot not in lot.now else 0))
        return total(terms)
