"""Values that stay in memory from one request to the next: read once, as long as what is stored has not changed.

A key holds everything that the value hangs on (owner, revision, version), so that nothing has to be thrown away when
something is stored: the old key is simply not asked for again, and goes when room is needed.
"""

from collections import OrderedDict
from collections.abc import Callable, Hashable
from threading import Lock
from typing import Generic, TypeVar

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
