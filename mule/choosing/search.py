"""One point of the curve: the best score under a limit, then the steadiest, then the lightest kit.

The model holds upper bounds on the score only, as many as were needed so far. A kit it finds is scored with the table
of ``optics.score``; where the model thought better of it, bounds that are sharp there are added, and it looks again.
When model and table agree the kit is the best there is.
"""

from collections.abc import Collection, Mapping
from dataclasses import replace
from functools import cached_property
from typing import NamedTuple

import numpy as np

from mule.choosing.bounds import Bounds
from mule.choosing.candidates import Candidates
from mule.choosing.cut_pool import CutPool, Found
from mule.choosing.draft import PER_GRAM, Linear, total
from mule.choosing.lasting import LastingDemands
from mule.choosing.model import Model
from mule.choosing.room import Rooms
from mule.choosing.tries import TwoTries
from mule.deadline import Deadline
from mule.solving import Ending, Impossible, OutOfTime, Solved

# How far bounds are asked for beside a kit, toward the best fractional one: they hold at the kit and lean to the rest.
_LEAN = 1e-3
# More than any kit weighs, in grams.
NO_LIMIT_G = 200_000.0
# Kits stowed for one point before the best that is nearly packed is shown.
_MOST_KITS = 12


class Incumbent(NamedTuple):
    """The best kit of one search. units: its true score; bound: no kit has more; proved: as far as was asked."""

    kit: Mapping[str, int]
    units: int
    bound: int
    proved: bool


class Search:
    """Searches under one limit after another; made once per thread."""

    def __init__(self, case: Candidates, model: Model, pool: CutPool, deadline: Deadline, rooms: Rooms) -> None:
        """pool: what the searches of all threads have learned; rooms: where found kits are stowed."""
        self._case, self._optics, self._model, self._pool, self._deadline = case, case.optics, model, pool, deadline
        self._taken = self._demanded = self._crowded = 0
        self._solver = TwoTries(len(model.pieces), deadline)
        self._lasting, self._rooms = LastingDemands(case), rooms
        if pool.relaxed:
            model.relax()
        # A bound at a kit is at most one unit high per thing, and one for the pick.
        self._slack = len(case.optics.members) + 2
        self._importance = [want.importance for want in case.plan.trip.wants]

    @cached_property
    def _bounds(self) -> Bounds:
        grams = np.array([min(self._case.free[i].mass_g for i in alike) for alike in self._optics.members.values()])
        return Bounds(self._optics, grams, self._deadline)

    def lightest(self) -> Found | None:
        """The lightest kit that takes a picture that some want asks for; of several, the best."""
        self._model.limit(NO_LIMIT_G)
        while True:
            self._take_in()
            ending = self._solve(-self._model.carried)
            if not isinstance(ending, Solved):
                return None
            kit = self._read(ending)
            if self._deadline.stopped or (self._lasts(kit) and self._goes_in(kit)):
                break
        units = sum(self._optics.units(self._optics.best(self._optics.has(kit))))
        found = self._found(Incumbent(kit, units, sum(self._optics.most), proved=False))
        if not ending.best:
            return found
        if self._only_one(kit, found.carried_g):
            return replace(found, bound=units, proved=True)
        return self.best(found.carried_g) or found

    def _only_one(self, kit: Mapping[str, int], limit_g: float) -> bool:
        """Whether no other kit carries as little: then it is the best of its mass without comparing."""
        self._model.limit(limit_g)
        trial = self._model.cp.clone()
        trial.clear_objective()  # type: ignore[no-untyped-call]
        differs = []
        for item, pieces in self._model.pieces.items():
            same = kit.get(item, 0)
            other = trial.new_bool_var("")
            trial.add(trial.get_int_var_from_proto_index(pieces.index) != same).only_enforce_if(other)
            differs.append(other)
        trial.add_bool_or(differs)
        return isinstance(self._solver.run(trial), Impossible)

    def best(self, limit_g: float) -> Found | None:
        """The best kit that carries at most so much and goes into its bags; None when none was found in time.

        When every way of packing was tried that time allows, the best that is nearly packed.
        """
        tight: Found | None = None
        for _ in range(_MOST_KITS):
            found = self._best(limit_g)
            if found is None:
                return tight
            if self._deadline.stopped or self._goes_in(found.pieces):
                return self._without_soft_nogoods(found, limit_g)
            tight = tight or replace(found, proved=False)
        return tight

    def _goes_in(self, kit: Mapping[str, int]) -> bool:
        """Whether a kit finds room, or nothing more can be learned about it; what was learned holds from now on."""
        fit = self._rooms.fit(kit)
        if isinstance(fit, OutOfTime):
            return True
        self._pool.crowd(fit.learned)
        return not fit.left or self._crowded == len(self._pool.limits)

    def _without_soft_nogoods(self, found: Found, limit_g: float) -> Found:
        """Where limits of room are not proved, a kit counts as the best only if it is without them, too."""
        if not found.proved or all(known.proved for known in self._pool.limits):
            return found
        self._model.keep_soft_nogoods(False)
        free = self._best(limit_g)
        self._model.keep_soft_nogoods(True)
        if free is not None and free.proved and (free.units, free.carried_g) == (found.units, found.carried_g):
            return found
        return replace(found, proved=False, bound=max(found.bound, free.bound if free else sum(self._optics.most)))

    def _best(self, limit_g: float) -> Found | None:
        """The best kit by mass and litres."""
        self._model.limit(limit_g)
        self._pool.put(self._bounds.under(limit_g - self._case.fixed_carried_g))
        score = total((units, 1) for units in self._model.want_units)
        first = self._cut_loop(score, None)
        if first is None:
            return None
        if not first.proved:
            return self._found(first)
        # Then the steadiest of the best, then the lightest of those; both in one count.
        heaviest = 1 + int(limit_g * PER_GRAM)
        steady = total(zip(self._model.steady, self._importance, strict=True))
        self._hint(first.kit)
        # The score is at its best here: bounds that are sharp at this kit leave the next tier least to search.
        self._sharpen(first.kit, range(len(self._importance)))
        second = self._cut_loop(heaviest * steady - self._model.carried, first.units)
        if second is None:
            return self._found(first._replace(bound=first.units, proved=False))
        return self._found(second._replace(bound=max(first.units, second.units)))

    def _cut_loop(self, objective: Linear, at_least: int | None) -> Incumbent | None:
        """Solves until model and table agree.

        at_least: units of score that the kit must have, in tiers after the first.
        """
        best: tuple[Mapping[str, int], int] | None = None
        bound = sum(self._optics.most)
        while True:
            self._take_in()
            ending = self._solve(objective, at_least)
            if not isinstance(ending, Solved):
                break
            kit = self._read(ending)
            if not self._lasts(kit) and not self._deadline.stopped:
                continue
            cells = self._optics.best(self._optics.has(kit))
            true = self._optics.units(cells)
            units = sum(true)
            if best is None or units > best[1]:
                best = kit, units
            if at_least is None:
                bound = min(bound, int(ending.bound))
            thought = [ending.value(v) for v in self._model.want_units]
            off = [w for w, (seen, is_) in enumerate(zip(thought, true, strict=True)) if seen > is_ + self._slack]
            enough = at_least is None or units >= at_least - self._slack * len(true)
            if ending.best and (not off if at_least is None else enough):
                return Incumbent(kit, units, max(units, bound if at_least is not None else units), proved=True)
            if self._deadline.stopped:
                break
            self._sharpen(kit, [w for w, (seen, is_) in enumerate(zip(thought, true, strict=True)) if seen > is_ + 1])
        if best is None or at_least is not None:
            return None
        return Incumbent(*best, max(bound, best[1]), proved=False)

    def relax(self) -> "Search | None":
        """Looks for kits that do not last as well; None when that opens nothing up."""
        if not self._pool.asks or self._pool.relaxed or self._deadline.stopped:
            return None
        self._pool.relaxed = True
        self._model.relax()
        return self

    def _lasts(self, kit: Mapping[str, int]) -> bool:
        """Whether a kit lasts the trip, as far as any in play could; else what it lacks is demanded from now on."""
        asks = [] if self._pool.relaxed else self._lasting.asks(kit)
        self._pool.demand(asks)
        return not asks

    def _hint(self, kit: Mapping[str, int]) -> None:
        """Lets the next solve start from a kit that is known to be good."""
        self._model.cp.clear_hints()  # type: ignore[no-untyped-call]
        for item, pieces in self._model.pieces.items():
            self._model.cp.add_hint(pieces, kit.get(item, 0))

    def _sharpen(self, kit: Mapping[str, int], wants: Collection[int]) -> None:
        x = self._optics.has(kit).astype(float)
        found = self._bounds.at((1 - _LEAN) * x + _LEAN * self._bounds.near)
        self._pool.put([bound for bound in found if bound.want in wants])

    def _take_in(self) -> None:
        with self._pool.lock:
            new = self._pool.bounds[self._taken :]
            asks = self._pool.asks[self._demanded :]
            limits = self._pool.limits[self._crowded :]
            self._taken += len(new)
            self._demanded += len(asks)
            self._crowded += len(limits)
        for bound in new:
            self._model.add(bound)
        for ask in asks:
            self._model.demand(ask)
        for known in limits:
            self._model.keep_room(known)

    def _solve(self, objective: Linear, at_least: int | None = None) -> Ending:
        model = self._model.cp
        model.maximize(objective)
        floor = None
        # Steadiness has no part in the first tier: fixed, presolve takes out its rows and the copies it is made of.
        self._model.reckon_steady(at_least is not None)
        if at_least is not None:
            floor = model.add(total((units, 1) for units in self._model.want_units) >= at_least)
        ending = self._solver.run(model)
        if floor is not None:
            model.proto.constraints[floor.index].linear.domain[0] = 0
        return ending

    def _read(self, ending: Solved) -> Mapping[str, int]:
        return {item: n for item, v in self._model.pieces.items() if (n := ending.value(v))}

    def _found(self, best: Incumbent) -> Found:
        grams = sum(self._case.free[item].mass_g * n for item, n in best.kit.items())
        return Found(
            pieces=best.kit,
            units=best.units,
            bound=best.bound,
            carried_g=self._case.fixed_carried_g + grams,
            proved=best.proved,
        )
