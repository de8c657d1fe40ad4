"""Coming home and taking along: metadata of 2,000 pictures, a locker of 5,000 rows, the load sheet."""

import io
import tracemalloc
from pathlib import Path
from time import perf_counter

from mule.findings.assess import assess
from mule.findings.cures import cure
from mule.plan import read
from server.exchange.gear_import import preview
from server.exchange.sheet import load_sheet
from server.field.pictures import read_files
from server.kernel.tables import as_xlsx

_SAMPLES = Path("demo/karst-pictures")
_SIDES = {"Length cm": 8.8, "Width cm": 7, "Height cm": 7}


def bench_exif() -> dict[str, float]:
    """2,000 JPEGs, each as long as the head that a browser sends of a picture."""
    heads = [path.read_bytes() for path in sorted(_SAMPLES.glob("*.jpg"))]
    tracemalloc.start()
    start = perf_counter()
    files = ((f"P{n:04}.jpg", io.BytesIO(heads[n % len(heads)] + bytes(500_000))) for n in range(2_000))
    read_ = sum(1 for _ in read_files(files))
    seconds = perf_counter() - start
    _, peak = tracemalloc.get_traced_memory()
    tracemalloc.stop()
    return {"seconds": round(seconds, 2), "peak_mib": round(peak / 2**20, 1), "files": read_}


def bench_import() -> dict[str, float]:
    """A spreadsheet of 5,000 things: columns matched, every row looked at."""
    rows = [{"Item": f"Heron {n} f/2", "Type": "Lens", "Weight (g)": 200 + n % 900, **_SIDES} for n in range(5_000)]
    raw = as_xlsx(tuple(rows[0]), rows, "gear")
    start = perf_counter()
    made = preview("gear.xlsx", raw)
    return {"seconds": round(perf_counter() - start, 2), "good": made.good}


def bench_sheet() -> dict[str, float]:
    """The load sheet of the demo's current trip, its assessment included."""
    plan = read(Path("demo/lofoten.plan.json").read_bytes())
    start = perf_counter()
    raw = load_sheet(plan, assess(plan), cure(plan).findings)
    return {"seconds": round(perf_counter() - start, 2), "kib": round(len(raw) / 1024)}
