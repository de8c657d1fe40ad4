"""A site at its busiest: twenty owners search at once and click meanwhile."""

import json
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from random import Random
from time import perf_counter, sleep
from urllib.error import HTTPError

from benchmarks.client import Client, Toggle
from benchmarks.timing import p50, p95
from mule.plan import MOST_THINGS
from server.exchange.gear_import import preview
from server.kernel.tables import as_csv
from tests.site import served

_OWNERS, _CLICKS = 20, 15
# Between two clicks of one owner, on the average.
_PAUSE_S = 1.5
_DEMO = Path(__file__).parents[1] / "demo" / "lofoten.plan.json"
_KIT, _ITEM = "/api/trips/lofoten/kits/b", "l-24-120"


class _Owner:
    """One who searches for the best kits and clicks on the bench meanwhile, as the screens do."""

    def __init__(self, site: str, number: int) -> None:
        self._client, self._chance = Client(site), Random(number)
        self._client.sign_up(f"Owner {number}")
        self._client.ask("POST", "/api/exchange/plans", _DEMO.read_bytes())
        self.clicks_ms: list[float] = []
        self.refused = self.lost = self.points = 0
        self.done = False

    def search(self) -> None:
        """The trade curve, until the clicks are done."""
        for line in self._told("choose", {"points": 20, "seconds": 60}):
            self.points += b'"point"' in line
            if self.done:
                return

    def click(self) -> None:
        """Loads and leaves a thing; after each click the ways out are asked for."""
        toggle = Toggle(self._client, _KIT, _ITEM)
        sleep(_PAUSE_S * self._chance.random())
        for _ in range(_CLICKS):
            self._timed(toggle)
            until = perf_counter() + _PAUSE_S * (0.5 + self._chance.random())
            for _ in self._told("cures", {"edits": []}):
                if perf_counter() > until:
                    break
            sleep(max(0.0, until - perf_counter()))
        self.lost = toggle.stored() != (toggle.version, toggle.loaded)
        self.stop()

    def click_on(self) -> None:
        """Click after click, until it is told to stop."""
        toggle = Toggle(self._client, _KIT, _ITEM)
        while not self.done:
            self._timed(toggle)
            sleep(0.1)

    def stop(self) -> None:
        """The clicks are done."""
        self.done = True

    def _timed(self, toggle: Toggle) -> None:
        begun = perf_counter()
        try:
            toggle()
        except HTTPError as error:
            self.refused += error.code >= 500
        self.clicks_ms.append(1000 * (perf_counter() - begun))

    def _told(self, what: str, body: object) -> Iterator[bytes]:
        try:
            yield from self._client.lines(f"{_KIT}/{what}", body)
        except HTTPError as error:
            self.refused += error.code >= 500


def bench_import_names() -> dict[str, float]:
    """A table of as many equal names as a locker takes; and the longest that another owner's click waited meanwhile."""
    row = {"Item": "Heron 50 f/2", "Type": "Lens", "Weight (g)": 300, "Length": 80, "Width": 70, "Height": 70}
    raw = as_csv(tuple(row), [row] * MOST_THINGS)
    with served() as site, ThreadPoolExecutor(1) as beside:
        bringing, clicking = Client(site), _Owner(site, 0)
        bringing.sign_up("Many of one name")
        matched = json.dumps(preview("gear.csv", raw).matched)
        begun = perf_counter()
        brought = beside.submit(bringing.send_file, "/api/exchange/locker/table", raw, {"matched": matched})
        brought.add_done_callback(lambda _: clicking.stop())
        clicking.click_on()
        things = json.loads(brought.result())["things"]
        return {
            "things": things,
            "seconds": round(perf_counter() - begun, 2),
            "longest_click_ms": max(clicking.clicks_ms),
        }


def bench_busy() -> dict[str, float]:
    """Clicks of twenty owners who all search meanwhile: answers, answers that failed, edits that are not there."""
    with served() as site:
        owners = [_Owner(site, number) for number in range(_OWNERS)]
        with ThreadPoolExecutor(2 * _OWNERS) as threads:
            searching = [threads.submit(owner.search) for owner in owners]
            for clicked in [threads.submit(owner.click) for owner in owners]:
                clicked.result()
            for searched in searching:
                searched.result()
    taken = [ms for owner in owners for ms in owner.clicks_ms]
    return {
        "clicks": len(taken),
        "p50_ms": p50(taken),
        "p95_ms": p95(taken),
        "answers_5xx": sum(owner.refused for owner in owners),
        "lost_edits": sum(owner.lost for owner in owners),
        "owners_with_points": sum(owner.points > 0 for owner in owners),
    }
