"""Reading a luggage scale: lines of JSON, as a scale sends them over a serial line, here over a local TCP port.

The driver is a function from lines to a reading, so that a real scale needs only another source of lines. Readings
settle before they count: a mass is stable when enough lines in a row agree.
"""

import json
import socket
from collections import deque
from collections.abc import Iterable, Iterator
from math import isfinite
from time import monotonic
from typing import Literal

from django.conf import settings
from ninja import Schema

# Lines in a row that must agree, and by how much they may differ (a luggage scale shows 5 or 10 g steps).
AGREE = 4
WITHIN_G = 10.0
# What no luggage scale can show.
MOST_G = 200_000.0
_CONNECT_S = 0.6


class Reading(Schema):
    """What the scale said. grams: once still, with the tare taken off. garbled: lines that could not be read."""

    state: Literal["stable", "unsteady", "overload", "silent", "not-there"]
    grams: float | None = None
    garbled: int = 0


def settle(lines: Iterable[bytes]) -> Reading:
    """The first stable mass in a stream of lines, or what was wrong with it. Garbled lines are passed over."""
    recent: deque[float] = deque(maxlen=AGREE)
    garbled, heard, overloaded = 0, False, False
    for line in lines:
        told = _parsed(line)
        if told is None:
            garbled += 1
            continue
        heard = True
        if told == "overload":
            overloaded = True
            recent.clear()
            continue
        overloaded = False
        recent.append(told)
        if len(recent) == AGREE and max(recent) - min(recent) <= WITHIN_G:
            return Reading(state="stable", grams=round(sum(recent) / AGREE, 1), garbled=garbled)
    state: Literal["unsteady", "overload", "silent"] = "overload" if overloaded else "unsteady" if heard else "silent"
    return Reading(state=state, garbled=garbled)


def _parsed(line: bytes) -> float | Literal["overload"] | None:
    try:
        told = json.loads(line)
    except ValueError:
        return None
    if not isinstance(told, dict):
        return None
    if told.get("state") == "overload":
        return "overload"
    grams, tare = told.get("grams"), told.get("tare", 0)
    if isinstance(grams, bool) or not isinstance(grams, int | float) or not isinstance(tare, int | float):
        return None
    if not isfinite(grams) or not 0 <= grams - tare <= MOST_G:
        return None
    return float(grams - tare)


def read_scale(address: tuple[str, int] | None = None, seconds: float = 4.0) -> Reading:
    """Listens to the scale for so long. A scale that is not there, or drops out, is a plain answer and no error."""
    host, port = address or settings.SCALE_ADDRESS
    try:
        with socket.create_connection((host, port), timeout=_CONNECT_S) as line:
            return settle(_lines(line, monotonic() + seconds))
    except OSError:
        return Reading(state="not-there")


def _lines(line: socket.socket, end: float) -> Iterator[bytes]:
    waiting = b""
    while (left := end - monotonic()) > 0:
        line.settimeout(left)
        try:
            more = line.recv(4096)
        except TimeoutError:
            return
        if not more:
            return
        waiting += more
        *whole, waiting = waiting.split(b"\n")
        # A line without an end is noise.
        waiting = waiting[-4096:]
        yield from whole
