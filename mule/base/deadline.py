"""Until when a search may look, and whether somebody asked it to stop: one type for every search."""

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from math import inf
from threading import local
from time import monotonic
from typing import Protocol

# What steps count as where work is measured, in seconds: about half of what they take on the reference machine
# (measured on packing, choosing and days, docs/decisions/0015). A step between two looks at the clock; a run of the
# solver; the solver's own deterministic second, which counts little of its presolve.
_LOOK_S, _RUN_S, _SOLVER_S = 2e-4, 4e-3, 50.0


class Stopped(Exception):
    """Somebody asked a search to stop: what it had not told yet nobody wants to know."""


class SearchClock(Protocol):
    """What the time of searches is measured by. counts_work: in work done, not in seconds that pass."""

    counts_work: bool

    def now(self) -> float:
        """Seconds since some moment."""

    def ran(self, deterministic_s: float) -> None:
        """Notes a run of the solver, in its own deterministic seconds."""

    def stepped(self, seconds: float) -> None:
        """Notes a step that takes about so many seconds: far longer than a look at the clock counts."""

    def solver_s(self, seconds: float) -> float:
        """So many seconds of this clock in the solver's own deterministic seconds."""


class WallClock:
    """Seconds that pass."""

    counts_work = False
    now = staticmethod(monotonic)

    def ran(self, deterministic_s: float) -> None:
        """Seconds pass by themselves."""

    def stepped(self, seconds: float) -> None:
        """Seconds pass by themselves."""

    def solver_s(self, seconds: float) -> float:
        """A solver that is held to seconds that pass is not held to its own."""
        return inf


class WorkClock:
    """Work done: runs of the solver by its deterministic time, and a little for each look at the clock in between.

    A search of one thread ends at the same step on every machine, however busy it is.

    >>> with measured_by(WorkClock()) as clock:
    ...     search = Deadline(1)
    ...     clock.ran(clock.solver_s(0.9))
    ...     before = search.stopped
    ...     clock.ran(clock.solver_s(0.1))
    ...     before, search.stopped
    (False, True)
    """

    counts_work = True

    def __init__(self) -> None:
        self._done = 0.0

    def now(self) -> float:
        """Seconds of work done so far."""
        self._done += _LOOK_S
        return self._done

    def ran(self, deterministic_s: float) -> None:
        """Notes a run of the solver."""
        self._done += _RUN_S + deterministic_s * _SOLVER_S

    def stepped(self, seconds: float) -> None:
        """Notes a long step."""
        self._done += seconds

    def solver_s(self, seconds: float) -> float:
        """So many seconds of work in the solver's own."""
        return seconds / _SOLVER_S


_WALL: SearchClock = WallClock()
_in_use: SearchClock = _WALL


class _Here(local):
    """Of one thread only. clock: measures what begins in it."""

    clock: SearchClock | None = None


_here = _Here()


@contextmanager
def measured_by(clock: SearchClock) -> Iterator[SearchClock]:
    """Measures deadlines that begin meanwhile by another clock, in all threads of the process."""
    global _in_use  # noqa: PLW0603  one clock for a process, as there is one time
    before, _in_use = _in_use, clock
    try:
        yield clock
    finally:
        _in_use = before


@contextmanager
def measured_here_by(clock: SearchClock) -> Iterator[SearchClock]:
    """Measures deadlines that begin meanwhile in this thread only by another clock."""
    before, _here.clock = _here.clock, clock
    try:
        yield clock
    finally:
        _here.clock = before


class Deadline:
    """An end, and a question that may bring it forward. Shared by all threads of one search.

    >>> whole = Deadline(60)
    >>> part = whole.soonest(0.0)
    >>> whole.stopped, part.stopped, part.left_s
    (False, True, 0.0)
    """

    def __init__(
        self, seconds: float, should_stop: Callable[[], bool] | None = None, clock: SearchClock | None = None
    ) -> None:
        """seconds: from now. should_stop: asked often, from any thread; once it says yes, the search is over.

        clock: what the seconds are measured by; the one in use when none is given.
        """
        self.clock = clock or _here.clock or _in_use
        self._end = self.clock.now() + seconds
        self._should_stop = should_stop
        self._asked = False

    @property
    def can_be_stopped(self) -> bool:
        """Whether anything but time can end it."""
        return self._should_stop is not None

    @property
    def asked_to_stop(self) -> bool:
        """Whether nobody waits for the answer any more."""
        self._asked = self._asked or (self._should_stop is not None and self._should_stop())
        return self._asked

    @property
    def stopped(self) -> bool:
        """Whether the search has to end."""
        return self.asked_to_stop or self.clock.now() >= self._end

    def go_on(self) -> None:
        """Within long preparations: raises Stopped once somebody asked to stop. Time alone ends no preparation."""
        if self.asked_to_stop:
            raise Stopped

    @property
    def left_s(self) -> float:
        """Seconds left; 0 once stopped."""
        return 0.0 if self.asked_to_stop else max(0.0, self._end - self.clock.now())

    def soonest(self, seconds: float) -> "Deadline":
        """One for a part of the search: so many seconds from now, never past this one."""
        return self.grant(min(seconds, self.left_s))

    def or_once(self, over: Callable[[], bool]) -> "Deadline":
        """One for a part of the search that is over as soon as ``over`` says so, too."""
        return Deadline(self.left_s, lambda: over() or self.asked_to_stop, self.clock)

    def grant(self, seconds: float) -> "Deadline":
        """So many seconds from now even if this one is over by then, unless somebody asks to stop."""
        return Deadline(seconds, self._should_stop, self.clock)
