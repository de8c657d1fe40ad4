"""The choice: the trade curve over a locker of 200 things, and over one of 1,000."""

from pathlib import Path
from time import perf_counter

from benchmarks.lockers import plan
from mule.plan import read
from mule.search.choosing import Asking, Point, choose
from mule.search.suggest import suggest

DEMO = Path(__file__).resolve().parent.parent / "demo" / "lofoten.plan.json"
# 8 bodies and 30 lenses in 200 things; 10 wants.
WANTS = 10


def _curve(size: int, wants: int = WANTS, *, keep_limits: bool = False) -> dict[str, float]:
    """Seconds of 20 points on two threads, the first point's, and the share of points proved."""
    made = plan(size, 40, wants)
    found: list[float] = []
    start = perf_counter()

    def take(point: Point) -> None:
        found.append(perf_counter() - start)

    choice = choose(made, Asking(points=20, seconds=300, keep_limits=keep_limits), take)
    seconds = perf_counter() - start
    return {
        "seconds": round(seconds, 2),
        "first_point_s": round(found[0], 2),
        "points": len(choice.points),
        "proved_share": sum(p.proved for p in choice.points) / max(1, len(choice.points)),
    }


def bench_choose_curve() -> dict[str, float]:
    """200 things."""
    return _curve(200)


def bench_choose_limits() -> dict[str, float]:
    """200 things in two bags on two legs that weigh, each kit packed by trial."""
    return _curve(200, keep_limits=True)


def bench_choose_60_wants() -> dict[str, float]:
    """200 things, 60 wants."""
    return _curve(200, 60)


def bench_choose_1000() -> dict[str, float]:
    """1,000 things, five times as many of each sort."""
    return _curve(1_000)


def bench_hang_up() -> dict[str, float]:
    """Seconds until a search of 1,000 things is over, from when nobody waits any more; hung up at many moments."""
    made = plan(1_000, 40, WANTS)
    longest = 0.0
    for after_s in (0.0, 0.3, 0.7, 1.2, 2.0, 3.0, 4.5, 6.5, 9.0):
        end = perf_counter() + after_s
        choose(made, Asking(points=20, seconds=300), should_stop=lambda end=end: perf_counter() >= end)  # type: ignore[misc]
        longest = max(longest, perf_counter() - end)
    return {"longest_s": round(longest, 2)}


def _suggested(asking: Asking) -> dict[str, float]:
    """Seconds until the first point that is none of a first answer, and until the whole curve of the demo is there."""
    plan = read(DEMO.read_bytes())
    found: list[float] = []
    start = perf_counter()

    def take(point: Point) -> None:
        if not point.provisional:
            found.append(perf_counter() - start)

    made = suggest(plan, asking, take)
    return {
        "first_point_s": round(found[0], 2),
        "seconds": round(perf_counter() - start, 2),
        "points": len(made.points),
        "proved_share": round(sum(p.proved for p in made.points) / max(1, len(made.points)), 2),
    }


def bench_suggest_days() -> dict[str, float]:
    """The curve of the demo, each kit tried day by day."""
    return _suggested(Asking(points=20, seconds=120, by_days=True))


def bench_suggest_bags() -> dict[str, float]:
    """The curve of the demo with the bags left open."""
    return _suggested(Asking(points=20, seconds=60, open_bags=True))
