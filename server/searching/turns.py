"""Who searches now: in each lane as many as there are workers, the owner with the least at work first.

An owner has one search of a kind at a time: a newer one takes the place of the one before.
"""

from collections import Counter
from collections.abc import Callable, Hashable
from itertools import count
from threading import Condition

from server.searching.jobs import Lane


class Turn:
    """One search that waits, or is on."""

    def __init__(self, turns: "Turns", lane: Lane, owner: Hashable, kind: Hashable) -> None:
        self.lane, self.owner, self.kind = lane, owner, kind
        self._turns = turns
        self.on = self.replaced = False

    def wait(self, seconds: float) -> bool:
        """Whether it is on, or will not be any more, within so many seconds."""
        with self._turns.changed:
            return self._turns.changed.wait_for(lambda: self.on or self.replaced, seconds)

    @property
    def ahead(self) -> int:
        """How many come before it."""
        return self._turns.ahead(self)

    def over(self) -> None:
        """Makes room for the next. May be said twice."""
        self._turns.leave(self)


class Turns:
    """All turns of this process."""

    def __init__(self, places: Callable[[], int]) -> None:
        """places: how many searches of one lane can be on at once."""
        self._places = places
        self.changed = Condition()
        self._turns: list[Turn] = []
        # When each owner's last turn began, counted.
        self._begun = count(1)
        self._last: dict[Hashable, int] = {}

    def take(self, lane: Lane, owner: Hashable, kind: Hashable) -> Turn:
        """A turn, from now on instead of the one that this owner had of this kind."""
        made = Turn(self, lane, owner, kind)
        places = self._places()
        with self.changed:
            for old in [turn for turn in self._turns if (turn.owner, turn.kind) == (owner, kind)]:
                old.replaced = True
                self._turns.remove(old)
            self._turns.append(made)
            self._next(lane, places)
        return made

    def leave(self, turn: Turn) -> None:
        """Takes a turn away."""
        places = self._places()
        with self.changed:
            if turn in self._turns:
                self._turns.remove(turn)
            self._next(turn.lane, places)

    def ahead(self, turn: Turn) -> int:
        """How many of the same lane come before it: those that wait, in their order."""
        with self.changed:
            order = self._order(turn.lane)
            return order.index(turn) if turn in order else 0

    def _next(self, lane: Lane, places: int) -> None:
        for turn in self._order(lane):
            if sum(other.on for other in self._turns if other.lane == lane) >= places:
                break
            turn.on = True
            self._last[turn.owner] = next(self._begun)
        self.changed.notify_all()

    def _order(self, lane: Lane) -> list[Turn]:
        """Those that wait: each owner's first before any owner's second, and of these who waited longest for a turn."""
        busy = Counter(turn.owner for turn in self._turns if turn.lane == lane and turn.on)
        found = []
        for turn in self._turns:
            if turn.lane == lane and not turn.on:
                found.append((busy[turn.owner], self._last.get(turn.owner, 0), turn))
                busy[turn.owner] += 1
        return [turn for *_, turn in sorted(found, key=lambda one: one[:2])]


class Changes:
    """Which things were changed since somebody began to look at them. Kept per process."""

    def __init__(self) -> None:
        self._times: Counter[Hashable] = Counter()

    def note(self, about: Hashable) -> None:
        """It is changed: what is being worked out about it answers a question that nobody asks any more."""
        self._times[about] += 1

    def since_now(self, about: Hashable) -> Callable[[], bool]:
        """Whether it was changed after this was asked for."""
        begun = self._times[about]
        return lambda: self._times[about] != begun
