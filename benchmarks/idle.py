"""The processor time of a site that is not in use."""

from time import perf_counter, sleep

import psutil

from benchmarks.client import Client
from tests.site import served

# Long enough for what happens once in ten seconds to be counted as often as it does.
_FOR_S = 30.0
# By then everything that begins with a site has begun.
_SETTLED_S = 8.0


def bench_idle() -> dict[str, float]:
    """Share of one core that the server and its search processes take together, after a search, in per cent."""
    mine = psutil.Process()
    before = set(mine.children(recursive=True))
    with served() as site:
        client = Client(site)
        client.ask("POST", "/api/session/demo", {})
        # From then on search processes are there, whether they came with the site or with the first search.
        list(client.lines("/api/trips/lofoten/kits/b/cures", {"edits": []}))
        sleep(_SETTLED_S)
        processes = [one for one in mine.children(recursive=True) if one not in before]
        begun, took = perf_counter(), _cpu_s(processes)
        sleep(_FOR_S)
        took = _cpu_s(processes) - took
        return {"core_pc": round(100 * took / (perf_counter() - begun), 2), "processes": float(len(processes))}


def _cpu_s(processes: list[psutil.Process]) -> float:
    times = [one.cpu_times() for one in processes]
    return float(sum(t.user + t.system for t in times))
