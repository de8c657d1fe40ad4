"""How a process that answers clicks shares its time."""

import gc
import sys
from collections.abc import Callable
from threading import Lock
from time import monotonic, sleep

from django.http import HttpRequest, HttpResponse

# An edit asks the database a dozen times and lets go of the interpreter each time. Where a search computes meanwhile,
# it got it back after 5 ms each (CPython's default).
_SWITCH_S = 0.000_5
# What computes on lets others go first, but not for ever.
_LONGEST_S, _STEP_S = 0.25, 0.001


class InFlight:
    """Changes that are being made. As Django's first middleware it counts requests that may change something; answers
    that are streamed count until their first line. Reading does not: a search is read, too."""

    _count = 0
    _lock = Lock()

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self._get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answers a request, counted."""
        if request.method in ("GET", "HEAD"):
            return self._get_response(request)
        self._add(1)
        try:
            return self._get_response(request)
        finally:
            self._add(-1)

    @classmethod
    def _add(cls, more: int) -> None:
        with cls._lock:
            cls._count += more

    @classmethod
    def let_pass(cls) -> None:
        """Waits until no change is being made, or a quarter of a second: between the steps of a long search."""
        until = monotonic() + _LONGEST_S
        while cls._count and monotonic() < until:
            sleep(_STEP_S)


def share_time() -> None:
    """Answers come between the steps of a search, not after them."""
    sys.setswitchinterval(_SWITCH_S)


def keep_what_is_loaded() -> None:
    """What is loaded by now stays for good: keeps the collector from walking it on every click. An answer makes some
    thousands of small values that go again with it: cycles are looked for after several answers, not within each."""
    gc.freeze()
    gc.set_threshold(20_000, 20, 50)
