"""The trade curve: which limits to search under, so that its points are many and lie evenly."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import partial
from threading import Condition, Thread

from mule.base.deadline import Deadline
from mule.search.choosing.cut_pool import Found
from mule.search.choosing.search import Search

# Two kits that differ by less are not told apart on any scales.
_LEAST_GAP_G = 0.5


@dataclass(frozen=True)
class _Gap:
    """Between two neighbouring points nothing else is known yet. searched_g: the lower point is best up to here."""

    low: Found
    searched_g: float
    high: Found

    @property
    def grams(self) -> float:
        return self.high.carried_g - self.searched_g


class Curve:
    """Shares out limits to searches in several threads and collects what they find."""

    def __init__(self, points: int, deadline: Deadline, emit: Callable[[Found, float], None]) -> None:
        """emit: called with each new point and the limit it was sought under, one at a time."""
        self._points, self._deadline, self._emit = points, deadline, emit
        self._found = 0
        self._gaps: list[_Gap] = []
        self._at_work = 0
        self._state = Condition()
        self._errors: list[BaseException] = []
        self.complete = True

    def begin(self, lightest: Found) -> None:
        """The light end."""
        self._take(lightest, lightest.carried_g)

    def end(self, lightest: Found, top: Found, limit_g: float) -> None:
        """The complete end."""
        if top.carried_g - lightest.carried_g > _LEAST_GAP_G:
            self._take(top, limit_g)
            self._gaps.append(_Gap(lightest, lightest.carried_g, top))

    def _take(self, found: Found, limit_g: float) -> None:
        self._found += 1
        self._emit(found, limit_g)

    def fill(self, searches: Sequence[Search], make: Callable[[], Search], workers: int) -> None:
        """Halves the widest gap again and again, until there are points enough or nothing lies between any two."""
        makers: list[Callable[[], Search]] = [partial(_given, search) for search in searches[1:workers]]
        makers += [make] * (workers - 1 - len(makers))
        others = [Thread(target=self._work, args=(maker,), daemon=True) for maker in makers]
        for thread in others:
            thread.start()
        self._work(lambda: searches[0])
        for thread in others:
            thread.join()
        if self._errors:
            raise self._errors[0]

    def _work(self, make: Callable[[], Search]) -> None:
        try:
            search = make()
            while (gap := self._next()) is not None:
                limit_g = (gap.searched_g + gap.high.carried_g) / 2
                try:
                    found = search.best(limit_g)
                finally:
                    self._release()
                self._record(gap, limit_g, found)
        except BaseException as error:
            with self._state:
                self._errors.append(error)
                self._state.notify_all()

    def _next(self) -> _Gap | None:
        """The widest gap; waits while another thread may still open one. None when there is nothing left to do."""
        with self._state:
            while True:
                wanted = self._points - self._found - self._at_work
                if self._deadline.stopped or self._errors or (wanted <= 0 and not self._at_work):
                    return None
                wide = [gap for gap in self._gaps if gap.grams > _LEAST_GAP_G]
                if wide and wanted > 0:
                    gap = max(wide, key=lambda g: g.grams)
                    self._gaps.remove(gap)
                    self._at_work += 1
                    return gap
                if not self._at_work:
                    return None
                self._state.wait(timeout=0.1)

    def _release(self) -> None:
        with self._state:
            self._at_work -= 1
            self._state.notify_all()

    def _record(self, gap: _Gap, limit_g: float, found: Found | None) -> None:
        with self._state:
            if found is None or not found.proved:
                self.complete = False
            if found is None:
                return
            if abs(found.carried_g - gap.low.carried_g) < _LEAST_GAP_G or found.units <= gap.low.units:
                self._gaps.append(_Gap(gap.low, limit_g, gap.high))
            else:
                self._take(found, limit_g)
                self._gaps += [_Gap(gap.low, gap.searched_g, found), _Gap(found, limit_g, gap.high)]
            self._state.notify_all()


def _given(search: Search) -> Search:
    return search
