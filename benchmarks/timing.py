"""Taking times and saying them."""

import time
from collections.abc import Callable
from statistics import median, quantiles


def samples_ms(run: Callable[[], object], count: int, warm: int = 3) -> list[float]:
    """``count`` timings of ``run`` in milliseconds, after ``warm`` untimed ones."""
    for _ in range(warm):
        run()
    taken = []
    for _ in range(count):
        start = time.perf_counter()
        run()
        taken.append((time.perf_counter() - start) * 1000)
    return taken


def p50(taken: list[float]) -> float:
    """Median."""
    return round(median(taken), 2)


def p95(taken: list[float]) -> float:
    """95th percentile."""
    return round(quantiles(taken, n=20)[-1], 2)
