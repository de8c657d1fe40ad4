"""What classes of glass and cameras are worth for their grams, with the least that comes along with them."""

from collections.abc import Callable, Collection, Iterator
from functools import cached_property

import numpy as np

from mule.analysis.optics import OPTICAL
from mule.analysis.optics.cells import Vector
from mule.base.deadline import Deadline
from mule.base.solving import PER_GRAM, Linear, Solved, tenths, total
from mule.plan.gear import Battery, Body, Gear, Lens
from mule.search.choosing.bounds import NO_LIMIT_G, Bound, Bounds, Mask, Pair, Reduced
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.model import Model
from mule.search.choosing.portfolio import Portfolio

# Time for the least that comes along beside glass and cameras.
_REST_S = 2.0
# Cameras of which it is found out at one time what they bring as the first; those that are it for so much.
_MOST_LEADS, _PART = 4, 0.05
# A greedy kit leaves so much of its limit to packs, cards and chargers, as a share of what is free; tried in turn.
_LEFT_OVER = (0.25, 0.5, 0.75, 0.9)


class Weights:
    """Bounds on the score under masses, with the least that things other than glass and cameras weigh."""

    def __init__(
        self,
        case: Candidates,
        model: Model,
        solver: Portfolio,
        deadline: Deadline,
        brought_g: dict[int, float],
        brings: Callable[[int], float],
    ) -> None:
        """brought_g: what first cameras are known to bring, by class; shared. brings: finds that out for one."""
        self._brought_g, self._brings = brought_g, brings
        self._taken: set[int] = set()
        self._case, self._model, self._solver, self._deadline = case, model, solver, deadline
        self._members = [tuple(alike) for alike in case.optics.members.values()]
        self._rest_g: float | None = None

    @cached_property
    def _packs_g(self) -> dict[str, float]:
        """The lightest pack of each type, of those of which none stays anyway."""
        stays = {t.battery_type for i in self._case.fixed if isinstance(t := self._case.plan.items[i], Battery)}
        found: dict[str, float] = {}
        for thing in self._case.free.values():
            if isinstance(thing, Battery) and thing.battery_type not in stays:
                found[thing.battery_type] = min(thing.mass_g, found.get(thing.battery_type, float("inf")))
        return found

    def _pack_g(self, thing: Gear) -> float:
        """Grams of the pack that a camera brings at the least."""
        return self._packs_g.get(thing.battery_type or "", 0.0) if isinstance(thing, Body) else 0.0

    @cached_property
    def _grams(self) -> Vector:
        """Of each class: the lightest of it; of a camera with the lightest pack that it eats."""
        free = self._case.free
        return np.array([min(free[i].mass_g + self._pack_g(free[i]) for i in alike) for alike in self._members])

    @cached_property
    def _bounds(self) -> Bounds:
        pairs = (self._pair(_is_body), self._pair(_is_glass))
        made = Bounds(self._case.optics, self._grams, self.leads, pairs, self._deadline)
        for lead in self.leads:
            made.brings(lead, self.rest_g)
        return made

    @cached_property
    def leads(self) -> tuple[int, ...]:
        """Classes of digital cameras of which one is the first; none where one that stays, or is of film, may be."""
        free = self._case.free
        if any(isinstance(self._case.plan.items[i], Body) for i in self._case.fixed):
            return ()
        bodies = [n for n, alike in enumerate(self._members) if isinstance(free[alike[0]], Body)]
        film = any(getattr(free[self._members[n][0]], "film", None) for n in bodies)
        return () if film else tuple(bodies)

    def _pair(self, of: Callable[[Gear], bool]) -> Pair:
        """Classes of which a kit needs two pieces, for any of them to be lost."""
        free, most = self._case.free, self._case.most
        classes = tuple(n for n, alike in enumerate(self._members) if of(free[alike[0]]))
        seconds: dict[int, float] = {}
        for number in classes:
            pieces = sorted(free[i].mass_g for i in self._members[number] for _ in range(most[i]))
            if len(pieces) > 1:
                seconds[number] = pieces[1]
        return Pair(classes, seconds)

    @property
    def reduced(self) -> Reduced:
        """What each class could be worth under the limit that was asked last."""
        return self._bounds.reduced

    def under(self, limit_g: float, *, closely: bool = True) -> list[Bound]:
        """Bounds that are sharp at the best fractional kit under so many grams carried.

        closely: whether it is found out what that kit's first camera brings along.
        """
        found = self._bounds.under(self._left_g(limit_g))
        for _ in range(_MOST_LEADS if closely else 0):
            if not found:
                break
            unknown = {n: part for n, part in self._bounds.first.items() if n not in self._brought_g and part > _PART}
            if not unknown:
                break
            lead = max(unknown, key=lambda n: unknown[n])
            self._brought_g[lead] = self._brings(lead)
            self._take(lead)
            found = self._bounds.under(self._left_g(limit_g))
        return found

    def _left_g(self, limit_g: float) -> float:
        """Of so many grams carried, what is left to classes and what the first camera brings."""
        for lead in [n for n in self._brought_g if n not in self._taken]:
            self._take(lead)
        return limit_g - self._case.fixed_carried_g - (0.0 if self.leads else self.rest_g)

    def _take(self, lead: int) -> None:
        self._taken.add(lead)
        self._bounds.brings(lead, max(self.rest_g, self._brought_g[lead]))

    def forget(self) -> None:
        """What lasting makes kits carry, since kits no longer have to last as they had."""
        self._rest_g = None
        self._brought_g.clear()
        self._taken.clear()
        self.__dict__.pop("_bounds", None)

    def lightest_with(self, lead: int) -> tuple[Linear, Mask]:
        """What a kit with only this class of camera carries beside glass, cameras and a pack; what it is made of."""
        among: Mask = np.ones(len(self._members), dtype=bool)
        among[[n for n in self.leads if n != lead]] = False
        return self._rest, among

    def forget_limit(self) -> None:
        """What classes could be worth under the limit that was asked last: another one holds now."""
        self._bounds.reduced = Reduced(float("inf"), np.zeros(len(self._members)))

    def reduced_under(self, limit_g: float) -> Reduced:
        """What each class could be worth under so many grams."""
        self._bounds.under(self._left_g(limit_g))
        return self._bounds.reduced

    def steady_under(self, limit_g: float) -> Reduced:
        """What each class could be worth under so many grams in a kit of which some want bears any loss."""
        return self._bounds.steady_under(self._left_g(limit_g))

    def at(self, classes: Mask, lean: float, wants: Collection[int]) -> list[Bound]:
        """Bounds on some wants that hold at a kit, and lean a little to the best fractional one."""
        return self._bounds.at((1 - lean) * classes.astype(float) + lean * self._bounds.near, wants)

    def promising(self, count: int) -> Mask:
        """So many classes that are worth most for their grams, all that the best fractional kit has, and what is
        marked."""
        worth = self._bounds.reduced.worth
        found: Mask = np.zeros(len(worth), dtype=bool)
        found[np.argsort(-worth)[:count]] = True
        marked = self._case.plan.trip.marks.must_take
        found |= np.array([any(item in marked for item in alike) for alike in self._members], dtype=bool)
        found |= self._bounds.near > 0
        return found

    @property
    def rest_g(self) -> float:
        """Grams that any kit carries at the least beside what stays, its classes and their packs."""
        if self._rest_g is None:
            self.weigh_rest()
        return self._rest_g or 0.0

    def weigh_rest(self) -> None:
        """Looks at it anew: demands of lasting make it more."""
        model = self._model
        model.limit(NO_LIMIT_G)
        model.open(np.ones(len(self._members), dtype=bool), steady=False)
        model.require(0, 0)
        model.cp.minimize(self._rest)
        with model.without(model.soft_nogoods, model.by_days):
            ending = self._solver.run(model.cp, self._deadline.soonest(_REST_S))
        if isinstance(ending, Solved):
            self._rest_g = max(self._rest_g or 0.0, self.in_grams(ending.bound))

    def in_grams(self, tenths_: float) -> float:
        """Grams from the model's count; a tenth off for each thing, whose grams were rounded."""
        return max(0.0, (tenths_ - 2 * len(self._case.free)) / PER_GRAM)

    @cached_property
    def _rest(self) -> Linear:
        free, pieces = self._case.free, self._model.pieces
        terms = [(pieces[i], tenths(t.mass_g)) for i, t in free.items() if not isinstance(t, OPTICAL)]
        terms += [(pieces[i], -tenths(self._pack_g(t))) for i, t in free.items() if isinstance(t, Body)]
        return total(terms)

    def greedy(self, limit_g: float) -> Iterator[Mask]:
        """Sets of classes that bring most for their grams, with ever more of the limit left to what hangs on them."""
        free_g = max(0.0, limit_g - self._case.fixed_carried_g)
        for share in _LEFT_OVER:
            yield self._gathered(free_g * (1 - share))
        yield np.ones(len(self._members), dtype=bool)

    def _gathered(self, most_g: float) -> Mask:
        """Set-ups one by one, each the one that adds most for its grams."""
        optics, grams = self._case.optics, self._grams
        chosen: Mask = np.zeros(len(grams), dtype=bool)
        cells = np.zeros(optics.value.shape[1])
        spent = 0.0
        rows = optics.takes.astype(float)
        while True:
            adds = np.maximum(optics.value, cells).sum(axis=1) - cells.sum()
            costs = rows @ np.where(chosen, 0.0, grams)
            able = (adds > 0) & (spent + costs <= most_g)
            if not able.any():
                return chosen
            row = int(np.argmax(np.where(able, adds / np.maximum(costs, 1.0), -1.0)))
            chosen |= optics.takes[row]
            spent += float(costs[row])
            cells = np.maximum(cells, optics.best(chosen))


def _is_body(thing: Gear) -> bool:
    return isinstance(thing, Body)


def _is_glass(thing: Gear) -> bool:
    return isinstance(thing, Lens) or (isinstance(thing, Body) and thing.fixed_lens is not None)
