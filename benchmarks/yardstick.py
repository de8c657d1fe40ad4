"""A fixed piece of work that says how fast this machine is now, and what a time would be on the reference machine.

A machine shared with others is two or three times slower for hours: a time alone cannot tell a lost figure from noise.
"""

import sqlite3
import time
from collections.abc import Iterator
from contextlib import closing, contextmanager
from dataclasses import dataclass
from pathlib import Path

import numpy as np

# What the yardstick takes on the reference machine, in milliseconds: two quiet cores of the machine on which every
# limit was first met (docs/benchmarks.md).
REFERENCE_MS = 48.0
# Two yardsticks of one workload that differ by more than this say that the machine changed meanwhile.
_STEADY = 0.2
# Of the processors' time, what the host may take for others while a figure is called steady.
_STOLEN = 0.02
_BEST_OF = 5
# Figures that are times, or shares of a processor's time, by how their names end.
_TIMES = ("_ms", "_s", "_pc", "seconds")


@dataclass
class Pace:
    """How fast the machine was around one workload. before_ms, after_ms: the yardstick; stolen: share of the host."""

    before_ms: float = 0.0
    after_ms: float = 0.0
    stolen: float = 0.0

    @property
    def slower(self) -> float:
        """How many times slower than the reference machine."""
        return (self.before_ms + self.after_ms) / 2 / REFERENCE_MS

    @property
    def unsteady(self) -> bool:
        """Whether a figure taken meanwhile says little."""
        fast, slow = sorted((self.before_ms, self.after_ms))
        return slow > fast * (1 + _STEADY) or self.stolen > _STOLEN

    def at_reference(self, figure: str, value: float) -> float:
        """A figure as it would be on the reference machine; figures that are not times stay as they are.

        >>> Pace(100, 100).at_reference("p95_ms", 30), Pace(100, 100).at_reference("kib", 30)
        (15.0, 30)
        """
        return value / self.slower if figure.endswith(_TIMES) else value


@contextmanager
def paced() -> Iterator[Pace]:
    """Measures the machine before and after a workload."""
    pace = Pace(before_ms=yardstick_ms())
    total, stolen = _processor_time()
    yield pace
    total_after, stolen_after = _processor_time()
    pace.stolen = (stolen_after - stolen) / max(1, total_after - total)
    pace.after_ms = yardstick_ms()


def yardstick_ms() -> float:
    """The best of a few runs: what disturbs one for a moment says nothing about a workload of seconds."""
    taken = []
    for _ in range(_BEST_OF):
        begun = time.perf_counter()
        _python()
        _numpy()
        _sqlite()
        taken.append((time.perf_counter() - begun) * 1000)
    return min(taken)


def _python() -> None:
    counts: dict[int, float] = {}
    for number in range(60_000):
        key = number * 7919 % 512
        counts[key] = counts.get(key, 0.0) + number / (key + 1)
    sorted(counts, key=lambda key: (counts[key], key))


def _numpy() -> None:
    # No products of matrices: they would take as many threads as there are.
    row = np.arange(60_000, dtype=float)
    for turn in range(6):
        row = np.sqrt(np.abs(np.sin(row + turn)) + 0.1)
        row = np.cumsum(row[np.argsort(row)]) % 97
    row.sum()


def _sqlite() -> None:
    with closing(sqlite3.connect(":memory:")) as opened:
        opened.execute("CREATE TABLE thing (id INTEGER PRIMARY KEY, name TEXT, mass REAL)")
        opened.executemany("INSERT INTO thing (name, mass) VALUES (?, ?)", ((f"thing {n}", n) for n in range(6_000)))
        opened.execute("SELECT name, sum(mass) FROM thing GROUP BY substr(name, 1, 8) ORDER BY 2 DESC").fetchall()


def _processor_time() -> tuple[int, int]:
    """Ticks that all processors spent so far, and those of them that the host took for others (proc(5))."""
    stat = Path("/proc/stat")
    if not stat.exists():
        return 0, 0
    ticks = [int(n) for n in stat.read_text().splitlines()[0].split()[1:]]
    return sum(ticks[:8]), ticks[7]
