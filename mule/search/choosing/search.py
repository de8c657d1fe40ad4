"""The points of the curve: the best kits under limits, stowed in their bags; and both its ends."""

from collections.abc import Callable, Iterable, Mapping
from dataclasses import replace

from mule.base.deadline import Deadline
from mule.base.solving import Impossible, OutOfTime, Solved
from mule.search.choosing.bounds import NO_LIMIT_G
from mule.search.choosing.by_days import DayCap, DaysTried
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.cut_pool import CutPool, Found
from mule.search.choosing.day_caps import passed_by
from mule.search.choosing.lasting import PARTS
from mule.search.choosing.model import Model
from mule.search.choosing.questions import Incumbent, Questions, Tier
from mule.search.choosing.room import RoomFit, Rooms
from mule.search.choosing.tiers import Tiers

# Kits stowed for one point before the best that is nearly packed is shown.
_MOST_KITS = 12
# Kits that cannot be carried out day by day, before it is given up.
_MOST_REFUSED = 60
# Grams nearer than this are the same.
_SAME_G = 0.05


class Search:
    """Searches under one limit after another; made once per thread."""

    def __init__(
        self,
        case: Candidates,
        model: Model,
        pool: CutPool,
        deadline: Deadline,
        rooms: Rooms,
        days: DaysTried | None = None,
    ) -> None:
        """pool: what the searches of all threads have learned; rooms: where found kits are stowed; days: where they are
        tried day by day, if they are."""
        self._case, self._optics, self._model, self._pool, self._deadline = case, case.optics, model, pool, deadline
        self._questions, self._rooms, self._days = Questions(case, model, pool, deadline), rooms, days
        self._tiers = Tiers(case, self._questions, deadline)
        # Whether a search for the lightest of so many points came to where there is no more kit to try.
        self.none_left = False
        # Whether nothing lighter than the kit that was found is left.
        self._sure = False

    def lightest(self) -> Found | None:
        """The lightest kit that takes a picture that some want asks for."""
        self._model.limit(NO_LIMIT_G)
        while True:
            self._questions.take_in()
            ending = self._questions.solve(Tier(-self._model.carried, self._questions.all))
            if not isinstance(ending, Solved):
                return None
            kit = self._questions.read(ending)
            if self._deadline.stopped or (self._questions.lasts(kit) and self._may_be(kit)):
                break
        self._sure = ending.best
        return self._found(Incumbent(kit, sum(self._questions.units(kit)), sum(self._optics.most), proved=False))

    def best_as_light(self, found: Found) -> Found:
        """The best kit that weighs no more than the lightest. found: the lightest one, just found."""
        if not self._sure:
            return found
        # By now it is known what lasts.
        self._questions.weights.weigh_rest()
        if self._only_one(found.pieces, found.carried_g) and self._whole(found.pieces):
            return replace(found, bound=found.units, proved=True)
        # Under so low a limit there is little to choose.
        return self.best(found.carried_g, closely=False) or found

    def lightest_of(self, units: int, limit_g: float) -> Found | None:
        """The lightest kit that has so many units of score and goes into its bags; None when none was found."""
        tight: Found | None = None
        for _ in range(_MOST_KITS):
            made = self._tiers.lightest_of(units, limit_g)
            if made is None:
                self.none_left = True
                return tight
            if not self._carried_out(made.kit):
                continue
            found = self._found(made)
            if self._deadline.stopped or self._goes_in(made.kit):
                settled = made.proved and self._whole(made.kit) and self._as_light_anyway(found, units, limit_g)
                return replace(found, bound=found.units, proved=settled)
            tight = tight or replace(found, bound=found.units, proved=False)
        return tight

    def _as_light_anyway(self, found: Found, units: int, limit_g: float) -> bool:
        """Whether no kit would be lighter if limits of room that are not proved did not hold."""
        if self._pool.all_proved:
            return True
        with self._model.without_soft_nogoods():
            free = self._tiers.lightest_of(units, limit_g)
        return free is not None and free.proved and self._found(free).carried_g >= found.carried_g - _SAME_G

    def first(self, limit_g: float) -> Found | None:
        """A good kit at once, by greed."""
        made = self._tiers.greedy(limit_g)
        return made and self._found(made)

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
        return isinstance(self._questions.solver.run(trial), Impossible)

    def best(self, limit_g: float, known: Iterable[Found] = (), *, closely: bool = True) -> Found | None:
        """The best kit that carries at most so much and goes into its bags; None when none was found in time.

        When every way of packing was tried that time allows, the best that is nearly packed. known: kits found before.
        closely: whether it pays to find out what first cameras bring along.
        """
        tight: Found | None = None
        known = [found for found in known if found.carried_g <= limit_g]
        packed = refused = 0
        while packed < _MOST_KITS and refused < _MOST_REFUSED:
            found = self._best(limit_g, known, closely=closely)
            if found is None:
                return tight
            if not self._carried_out(found.pieces):
                refused += 1
            elif self._deadline.stopped or self._goes_in(found.pieces):
                settled = self._without_soft_nogoods(found, limit_g)
                return settled if self._whole(found.pieces) else replace(settled, proved=False)
            else:
                packed, tight = packed + 1, tight or replace(found, proved=False)
        return tight

    def _may_be(self, kit: Mapping[str, int]) -> bool:
        """Whether a kit can be an answer, as far as more can be learned about it."""
        return self._goes_in(kit) and self._carried_out(kit)

    def _carried_out(self, kit: Mapping[str, int]) -> bool:
        """Whether a kit can be carried out day by day; why it cannot holds from now on."""
        fit = self._rooms.fit(kit) if self._days else None
        if self._days is None or not isinstance(fit, RoomFit):
            return True
        refused = self._days.refused(fit.kit, self._case.most)
        self._pool.refuse([passed_by(self._case, r, kit) if isinstance(r, DayCap) else r for r in refused])
        return not refused

    def _goes_in(self, kit: Mapping[str, int]) -> bool:
        """Whether a kit finds room, or nothing more can be learned about it; what was learned holds from now on."""
        return self._whole(kit) or self._questions.nothing_to_learn

    def _whole(self, kit: Mapping[str, int]) -> bool:
        """Whether all of a kit finds a place, as far as there was time to look."""
        fit = self._rooms.fit(kit)
        return isinstance(fit, OutOfTime) or not fit.left

    def _without_soft_nogoods(self, found: Found, limit_g: float) -> Found:
        """Where limits of room are not proved, a kit counts as the best only if it is without them, too."""
        if not found.proved or self._pool.all_proved:
            return found
        with self._model.without_soft_nogoods():
            free = self._best(limit_g, [found])
        if free is not None and free.proved and (free.units, free.carried_g) == (found.units, found.carried_g):
            return found
        return replace(found, proved=False, bound=max(found.bound, free.bound if free else sum(self._optics.most)))

    def _best(self, limit_g: float, known: Iterable[Found], *, closely: bool = True) -> Found | None:
        """The best kit by mass and litres. known: kits under the limit."""
        made = self._tiers.best(limit_g, max((found.units for found in known), default=0), closely=closely)
        return made and self._found(made)

    def settle(self, find: Callable[[], Found | None]) -> Found | None:
        """What is found of kits that last; where none does, of those that last in as many parts as can be.

        Parts in which no kit lasts are let go for good: power is held on to longest, copies are let go first.
        """
        found = find()
        if found is not None or not self._case.plan.trip.days or self._deadline.stopped:
            return found
        self._questions.relax(PARTS)
        found = find()
        for part in PARTS:
            before = list(self._pool.relaxed)
            self._questions.relax([p for p in before if p != part])
            again = None if self._deadline.stopped or found is None else find()
            if again is None:
                self._questions.relax(before)
            found = again or found
        return found

    def _found(self, best: Incumbent) -> Found:
        grams = sum(self._case.free[item].mass_g * n for item, n in best.kit.items())
        return Found(
            pieces=best.kit,
            units=best.units,
            bound=best.bound,
            carried_g=self._case.fixed_carried_g + grams,
            proved=best.proved,
        )
