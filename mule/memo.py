"""Remembering what was made of values, by which value objects it was made of: what an edit cannot change is not
computed again.

A locker is a tuple of hundreds of frozen models: hashing or comparing it takes longer than most of what is made of it,
but it is passed on as the same object from click to click. So its identity is the key.
"""

from collections import OrderedDict
from collections.abc import Callable
from threading import Lock
from typing import ParamSpec, TypeVar

P = ParamSpec("P")
R = TypeVar("R")


def by_identity(most: int, of: int = 1) -> Callable[[Callable[P, R]], Callable[P, R]]:
    """Keeps the last ``most`` answers of a function of frozen values.

    of: so many leading arguments are told apart by identity, the others by value (they must be hashable). What is
    remembered holds on to its arguments, so that no other object can come to have their identity.
    """

    def remember(function: Callable[P, R]) -> Callable[P, R]:
        known: OrderedDict[tuple[object, ...], tuple[object, R]] = OrderedDict()
        lock = Lock()

        def remembered(*args: P.args, **kwargs: P.kwargs) -> R:
            key = (*map(id, args[:of]), *args[of:], *sorted(kwargs.items()))
            with lock:
                if key in known:
                    known.move_to_end(key)
                    return known[key][1]
            made = function(*args, **kwargs)
            with lock:
                known[key] = args[:of], made
                if len(known) > most:
                    known.popitem(last=False)
            return made

        return remembered

    return remember
