"""Until when a search may look, and whether somebody asked it to stop: one type for every search."""

from collections.abc import Callable
from time import monotonic


class Stopped(Exception):
    """Somebody asked a search to stop: what it had not told yet nobody wants to know."""


class Deadline:
    """An end, and a question that may bring it forward. Shared by all threads of one search.

    >>> whole = Deadline(60)
    >>> part = whole.soonest(0.0)
    >>> whole.stopped, part.stopped, part.left_s
    (False, True, 0.0)
    """

    def __init__(self, seconds: float, should_stop: Callable[[], bool] | None = None) -> None:
        """seconds: from now. should_stop: asked often, from any thread; once it says yes, the search is over."""
        self._end = monotonic() + seconds
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
        return self.asked_to_stop or monotonic() >= self._end

    def go_on(self) -> None:
        """Within long preparations: raises Stopped once somebody asked to stop. Time alone ends no preparation."""
        if self.asked_to_stop:
            raise Stopped

    @property
    def left_s(self) -> float:
        """Seconds left; 0 once stopped."""
        return 0.0 if self.stopped else max(0.0, self._end - monotonic())

    def soonest(self, seconds: float) -> "Deadline":
        """One for a part of the search: so many seconds from now, never past this one."""
        return self.grant(min(seconds, self.left_s))

    def or_once(self, over: Callable[[], bool]) -> "Deadline":
        """One for a part of the search that is over as soon as ``over`` says so, too."""
        return Deadline(self.left_s, lambda: over() or self.asked_to_stop)

    def grant(self, seconds: float) -> "Deadline":
        """So many seconds from now even if this one is over by then, unless somebody asks to stop."""
        return Deadline(seconds, self._should_stop)
