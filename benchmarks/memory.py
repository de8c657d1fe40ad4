"""Whether a site that runs for long needs more and more."""

import json
from pathlib import Path
from time import perf_counter

from benchmarks.client import Client
from benchmarks.timing import p95
from tests.site import served

_DEMO = Path(__file__).parents[1] / "demo"
_MARKS, _LOOKS, _WARM = 40_000, 500, 50


def _resident_mib(site: str) -> float:
    """What all processes of a site hold in memory."""
    bound, pages = f"127.0.0.1:{site.rsplit(':', 1)[1]}".encode(), 0
    for process in Path("/proc").glob("[0-9]*"):
        try:
            if bound in (process / "cmdline").read_bytes():
                pages += int((process / "statm").read_text().split()[1])
        except (FileNotFoundError, ProcessLookupError):
            continue
    return pages * 4096 / 2**20


def _much_noted() -> bytes:
    """The demo's trip that is over, with marks of a diligent crew."""
    told = json.loads((_DEMO / "karst.plan.json").read_bytes())
    eater = next(thing["id"] for thing in told["gear"] if thing["kind"] == "battery")
    mark = {"device": "phone", "at": told["noted"][0]["at"], "after": []}
    told["noted"] = [
        {
            **mark,
            "id": f"phone-bench-{n:06}",
            "seq": n,
            "what": {"do": "pack", "item": eater, "state": ("ready", "spent")[n % 2]},
        }
        for n in range(_MARKS)
    ]
    return json.dumps(told).encode()


def bench_look_backs() -> dict[str, float]:
    """Looking back 500 times on one trip, beside another on which 40,000 marks were made."""
    with served() as site:
        client = Client(site)
        client.sign_up("Bench")
        client.ask("POST", "/api/exchange/plans", _much_noted())
        client.ask("POST", "/api/exchange/plans", (_DEMO / "lofoten.plan.json").read_bytes())
        taken, rest = [], 0.0
        for turn in range(_WARM + _LOOKS):
            if turn == _WARM:
                rest = _resident_mib(site)
            begun = perf_counter()
            client.ask("GET", "/api/field/lofoten/kits/b/look-back")
            taken.append(1000 * (perf_counter() - begun))
        grown = _resident_mib(site) - rest
    return {
        "first_ms": taken[0],
        "p95_ms": p95(taken[_WARM:]),
        "rest_mib": round(rest, 1),
        "grown_mib": round(grown, 1),
    }
