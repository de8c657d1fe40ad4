"""The searches of one choice: each thread has a model of its own, and they share what they learn."""

from mule.choosing.candidates import Candidates
from mule.choosing.curve import Curve
from mule.choosing.cut_pool import CutPool, Found
from mule.choosing.model import Model, build
from mule.choosing.points import Points
from mule.choosing.room import Rooms
from mule.choosing.search import NO_LIMIT_G, Search
from mule.deadline import Deadline
from mule.solving import OutOfTime


class Searches:
    """Searches for the points of one case."""

    def __init__(self, case: Candidates, deadline: Deadline) -> None:
        self._case, self._deadline = case, deadline
        self._pool, self._rooms = CutPool(), Rooms(case, deadline)

    def of(self, model: Model) -> Search:
        """A search over a model that nobody else uses."""
        model.hold_all()
        return Search(self._case, model, self._pool, self._deadline, self._rooms)

    def run(self, first: Search, points: Points) -> bool:
        """Searches the whole curve, or its one point; says whether all of it was settled in time. Raises Stopped."""
        limit_g = self._case.asking.limit_g if self._case.asking.limit_g is not None else NO_LIMIT_G
        return self._one(first, limit_g, points) if self._case.asking.points == 1 else self._all(first, limit_g, points)

    def _one(self, first: Search, limit_g: float, points: Points) -> bool:
        best = first.best(limit_g)
        if best is None and first.relax():
            best = first.best(limit_g)
        best = best or first.lightest()
        if best is not None:
            self._emit(best, limit_g, points)
        return best is not None and best.proved

    def _all(self, first: Search, limit_g: float, points: Points) -> bool:
        lightest = first.lightest()
        if lightest is None and first.relax():
            lightest = first.lightest()
        if lightest is None:
            return False
        asking = self._case.asking
        curve = Curve(asking.points, self._deadline, lambda found, under_g: self._emit(found, under_g, points))
        curve.begin(lightest)
        top = first.best(limit_g) or lightest
        curve.end(lightest, top, limit_g)
        curve.fill(lambda: self.of(build(self._case, self._deadline)), first, asking.workers)
        return curve.complete and lightest.proved and top.proved

    def _emit(self, found: Found, limit_g: float, points: Points) -> None:
        fit = self._rooms.fit(found.pieces)
        if not isinstance(fit, OutOfTime):
            points.take(found, fit, limit_g)
