"""The core by itself."""

from benchmarks.lockers import plan
from benchmarks.timing import p50, p95, samples_ms
from mule.assess import assess


def bench_assess() -> dict[str, float]:
    """200 things in the locker, 40 loaded, 12 wants; and how much dearer 2,000 things are."""
    small, large = plan(200), plan(2_000)
    few = samples_ms(lambda: assess(small), 120)
    many = samples_ms(lambda: assess(large), 25)
    return {
        "p50_ms": p50(few),
        "p95_ms": p95(few),
        "p50_2000_ms": p50(many),
        "times_dearer_at_2000": round(p50(many) / p50(few), 1),
    }
