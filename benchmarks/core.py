"""The core by itself."""

from pathlib import Path

from benchmarks.lockers import plan
from benchmarks.timing import p50, p95, samples_ms
from mule.advise import advise
from mule.assess import assess
from mule.plan import Plan, read

_DEMO = Path(__file__).parents[1] / "demo"


def bench_assess() -> dict[str, float]:
    """200 things in the locker, 40 loaded, 12 wants, 9 days with nights; and how much dearer more of each is."""
    small, large, full = plan(200), plan(2_000), plan(2_000, loaded=400)
    few = samples_ms(lambda: assess(small), 160, warm=10)
    many = samples_ms(lambda: assess(large), 40)
    loaded = samples_ms(lambda: assess(full), 25)
    return {
        "p50_ms": p50(few),
        "p95_ms": p95(few),
        "times_dearer_at_2000": round(p50(many) / p50(few), 1),
        "times_dearer_at_400_loaded": round(p50(loaded) / p50(few), 1),
    }


def bench_advise() -> dict[str, float]:
    """The advice on the same plans: it is asked for after the facts."""
    small, full = plan(200), plan(2_000, loaded=400)
    few = samples_ms(lambda: advise(small), 40)
    loaded = samples_ms(lambda: advise(full), 8, warm=1)
    return {
        "p50_ms": p50(few),
        "p95_ms": p95(few),
        "times_dearer_at_400_loaded": round(p50(loaded) / p50(few), 1),
    }


def _demo_kits() -> list[Plan]:
    plans = [read(path.read_bytes()) for path in sorted(_DEMO.glob("*.plan.json"))]
    return [plan.with_kit(kit) for plan in plans for kit in plan.kits]


def bench_assess_demo() -> dict[str, float]:
    """The worst of all kits of the three demo plans."""
    taken = [samples_ms(lambda p=p: assess(p), 60, warm=5) for p in _demo_kits()]
    return {"p50_ms": max(map(p50, taken)), "p95_ms": max(map(p95, taken))}


def bench_advise_demo() -> dict[str, float]:
    """The advice on the worst of all kits of the three demo plans."""
    taken = [samples_ms(lambda p=p: advise(p), 30) for p in _demo_kits()]
    return {"p50_ms": max(map(p50, taken)), "p95_ms": max(map(p95, taken))}
