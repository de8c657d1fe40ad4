"""The searches of one choice: each thread has a model of its own, and they share what they learn."""

from concurrent.futures import ThreadPoolExecutor
from dataclasses import replace
from math import floor

from mule.base.deadline import Deadline
from mule.base.solving import OutOfTime
from mule.search.choosing.bounds import NO_LIMIT_G
from mule.search.choosing.by_days import DaysTried
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.curve import Curve
from mule.search.choosing.cut_pool import CutPool, Found
from mule.search.choosing.model import Model, build
from mule.search.choosing.own import above_g
from mule.search.choosing.points import Points
from mule.search.choosing.room import Rooms
from mule.search.choosing.scoring import UNITS
from mule.search.choosing.search import Search


class Searches:
    """Searches for the points of one case."""

    def __init__(
        self, case: Candidates, deadline: Deadline, days: DaysTried | None = None, *, or_best: bool = True
    ) -> None:
        """days: where kits are tried day by day, if they are. or_best: where none has so many points as are asked for,
        whether the lightest of the best is looked for instead."""
        self._case, self._deadline, self._days, self._or_best = case, deadline, days, or_best
        self._pool = CutPool()
        self._rooms = Rooms(case, deadline, self._pool.crowd)

    def of(self, model: Model) -> Search:
        """A search over a model that nobody else uses."""
        model.hold_all()
        return Search(self._case, model, self._pool, self._deadline, self._rooms, self._days)

    def run(self, first: Search, points: Points) -> bool:
        """Searches the whole curve, or its one point; says whether all of it was settled in time. Raises Stopped."""
        limit_g = self._case.asking.limit_g if self._case.asking.limit_g is not None else NO_LIMIT_G
        if self._case.asking.at_least is not None:
            return self._lightest(first, self._case.asking.at_least, limit_g, points)
        return self._one(first, limit_g, points) if self._case.asking.points == 1 else self._all(first, limit_g, points)

    def _lightest(self, first: Search, at_least: float, limit_g: float, points: Points) -> bool:
        """The lightest kit of so many points, or of the most that any has."""
        units = floor(at_least / 100 * UNITS)
        found = first.lightest_of(units, limit_g)
        if found is None and not self._or_best:
            # That there is none is settled where no limit hangs on lack of time.
            return first.none_left and not self._deadline.stopped and self._pool.all_proved
        if found is None and not self._deadline.stopped:
            # None has so many, or none of those lasts: what lasts comes first, as on the curve.
            best = first.settle(lambda: first.best(limit_g))
            found = best and (first.lightest_of(min(units, best.units), limit_g) or replace(best, proved=False))
        if found is not None:
            self._emit(found, limit_g, points)
        return found is not None and found.proved

    def _one(self, first: Search, limit_g: float, points: Points) -> bool:
        best = first.settle(lambda: first.best(limit_g))
        if best is None:
            lightest = first.lightest()
            best = first.best_as_light(lightest) if lightest else first.first(limit_g)
        if best is not None:
            self._emit(best, limit_g, points)
        return best is not None and best.proved

    def _all(self, first: Search, limit_g: float, points: Points) -> bool:
        greedy = first.first(limit_g)
        if greedy is not None:
            self._emit(greedy, limit_g, points, provisional=True)
        lightest = first.settle(first.lightest)
        if lightest is None:
            return False
        asking = self._case.asking
        curve = Curve(asking.points, self._deadline, lambda found, under_g: self._emit(found, under_g, points))
        searches = [first]
        if asking.workers == 1:
            lightest = first.best_as_light(lightest)
            curve.begin(lightest)
            top = first.best(limit_g) or lightest
        else:
            # Both ends at once.
            with ThreadPoolExecutor(1) as other:
                light_end = lightest
                soon = other.submit(lambda: first.best_as_light(light_end))
                searches.append(self.of(build(self._case, self._deadline)))
                heavy_end = searches[1].best(limit_g)
                lightest = soon.result()
            curve.begin(lightest)
            top = heavy_end or lightest
        curve.end(lightest, top, limit_g)
        curve.fill(searches, lambda: self.of(build(self._case, self._deadline)), asking.workers)
        return self._up_to_own(first, points) and curve.complete and lightest.proved and top.proved

    def _up_to_own(self, first: Search, points: Points) -> bool:
        """Looks once more under the mass of each own kit that lies above the curve; says whether that was settled."""
        settled = True
        for grams in above_g(self._case, points.by_mass, self._days):
            found = None if self._deadline.stopped else first.best(grams)
            settled = settled and found is not None and found.proved
            if found is not None:
                self._emit(found, grams, points)
        return settled

    def _emit(self, found: Found, limit_g: float, points: Points, *, provisional: bool = False) -> None:
        fit = self._rooms.at_once(found.pieces) if provisional else self._rooms.fit(found.pieces)
        if not isinstance(fit, OutOfTime):
            points.take(found, fit, limit_g, provisional=provisional)
