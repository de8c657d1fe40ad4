"""Remembering what was made of values, so that what an edit cannot change is not computed again.

``Kept`` remembers by a key that holds everything the value hangs on, so nothing has to be thrown away when something
changes: the old key is simply not asked for again, and goes when room is needed. ``by_identity`` makes the key of the
value objects themselves: a locker is a tuple of hundreds of frozen models, and hashing or comparing it takes longer
than most of what is made of it, but it is passed on as the same object from click to click.
"""

from collections import OrderedDict
from collections.abc import Callable, Hashable
from threading import Lock
from typing import Generic, ParamSpec, TypeVar

P = ParamSpec("P")
R = TypeVar("R")
V = TypeVar("V")


class Kept(Generic[V]):
    """The last ``most`` values by key; safe to use from several threads."""

    def __init__(self, most: int) -> None:
        self._most = most
        self._values: OrderedDict[Hashable, V] = OrderedDict()
        self._lock = Lock()

    def get(self, key: Hashable, make: Callable[[], V]) -> V:
        """The value of a key; made when it is not here. Two threads may both make it: it is the same."""
        with self._lock:
            if key in self._values:
                self._values.move_to_end(key)
                return self._values[key]
        made = make()
        with self._lock:
            self._values[key] = made
            if len(self._values) > self._most:
                self._values.popitem(last=False)
        return made


def by_identity(most: int, of: int = 1) -> Callable[[Callable[P, R]], Callable[P, R]]:
    """Keeps the last ``most`` answers of a function of frozen values.

    of: so many leading arguments are told apart by identity, the others by value (they must be hashable). What is
    remembered holds on to its arguments, so that no other object can come to have their identity.

    >>> gear = ("body", "lens")
    >>> count = by_identity(8)(lambda things: print("counted") or len(things))
    >>> count(gear), count(gear)
    counted
    (2, 2)
    """

    def remember(function: Callable[P, R]) -> Callable[P, R]:
        kept: Kept[tuple[object, R]] = Kept(most)

        def remembered(*args: P.args, **kwargs: P.kwargs) -> R:
            key = (*map(id, args[:of]), *args[of:], *sorted(kwargs.items()))
            return kept.get(key, lambda: (args[:of], function(*args, **kwargs)))[1]

        return remembered

    return remember
