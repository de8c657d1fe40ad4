"""The app served as people start it, and a browser in front of it."""

import gzip
import os
import re
import subprocess
from collections.abc import Iterator
from contextlib import contextmanager
from tempfile import TemporaryDirectory

from playwright.sync_api import Page

from benchmarks.client import Client, Toggle
from benchmarks.lockers import plan
from benchmarks.timing import p50, p95, samples_ms
from mule.plan import write
from tests.site import ROOT, WHOLE, WINDOW, Traffic, chromium, free_port, served, wait_for


def bench_toggle() -> dict[str, float]:
    """Load or leave over HTTP on SQLite, assessment included, with 200 things in the locker and 40 loaded."""
    with served() as site:
        client = Client(site)
        client.sign_up("Bench")
        made = plan(200)
        client.ask("POST", "/api/exchange/plans", write(made).encode())
        item = next(t.id for t in made.gear if t.kind == "lens" and t.id not in made.kit.loaded())
        return _toggled(client, "/api/trips/trip/kits/a", item)


def bench_toggle_demo() -> dict[str, float]:
    """The same on kit B of the demo."""
    with served() as site:
        client = Client(site)
        client.ask("POST", "/api/session/demo", {})
        return _toggled(client, "/api/trips/lofoten/kits/b", "l-24-120")


def _toggled(client: Client, kit: str, item: str) -> dict[str, float]:
    # By now the workers of searches have started: they take a second after a start, and that is no click's.
    list(client.lines(f"{kit}/cures", {"edits": []}))
    taken = samples_ms(Toggle(client, kit, item), 80, warm=6)
    return {"p50_ms": p50(taken), "p95_ms": p95(taken)}


@contextmanager
def _page() -> Iterator[Page]:
    # Always the same browser: a figure of another one would be another figure.
    with chromium(WHOLE) as browser:
        yield browser.new_page(viewport=WINDOW)


@contextmanager
def _demo_bench(item: str) -> Iterator[Page]:
    """The demo's kit B on screen, with a thing of the mat that is to be clicked."""
    with served() as site, _page() as page:
        traffic = Traffic(page)
        page.goto(f"{site}/welcome")
        page.get_by_role("button", name="Step into the demo").click()
        page.wait_for_url("**/bench")
        page.wait_for_selector(f'[data-thing="{item}"]')
        traffic.settle()
        yield page


# Clicks a thing and waits, inside the page, until the scales' mass has changed, what else is asked for is there, and it
# was painted; or five seconds.
_CLICK_UNTIL = """async ([id, asked]) => {
  const figure = () => document.querySelector('footer b').innerText
  const before = figure()
  const start = performance.now()
  document.querySelector(`[data-thing="${id}"]`).click()
  const there = () => figure() !== before && (!asked || document.querySelector(asked))
  while (!there() && performance.now() - start < 5000) await new Promise(requestAnimationFrame)
  await new Promise(requestAnimationFrame)
  return performance.now() - start
}"""
# A way out of what stands then that can be clicked: one of before does not count.
_CURE = ".findings .cures:not(.before) button.cure:not(:disabled)"


def bench_paint() -> dict[str, float]:
    """Click on the mat to repainted numbers in Chromium, on the demo's kit B."""
    with _demo_bench("l-24-70") as page:
        taken = [page.evaluate(_CLICK_UNTIL, ["l-24-70", ""]) for _ in range(41)][1:]
    return {"median_ms": p50(taken), "p95_ms": p95(taken)}


def bench_first_cure() -> dict[str, float]:
    """Click on the mat to the first way out on screen in Chromium, on the demo's kit B."""
    taken = []
    with _demo_bench("l-24-120") as page:
        for _ in range(31):
            taken.append(page.evaluate(_CLICK_UNTIL, ["l-24-120", _CURE]))
            page.wait_for_timeout(700)
    return {"median_ms": p50(taken[1:]), "p95_ms": p95(taken[1:])}


def bench_first_load() -> dict[str, float]:
    """JavaScript that a first visit fetches on its way to the bench, gzipped."""
    scripts: dict[str, int] = {}
    with served() as site, _page() as page:

        def note(path: str) -> None:
            file = ROOT / "web" / "dist" / path
            scripts[path] = len(gzip.compress(file.read_bytes(), 9))

        page.on(
            "response",
            lambda answer: note(answer.url.split("/", 3)[3]) if re.search(r"\.js($|\?)", answer.url) else None,
        )
        traffic = Traffic(page)
        page.goto(f"{site}/welcome")
        traffic.settle()
        first = sum(scripts.values())
        page.get_by_role("button", name="Step into the demo").click()
        page.wait_for_url("**/bench")
        traffic.settle()
    return {"kib": round(sum(scripts.values()) / 1024, 1), "welcome_kib": round(first / 1024, 1)}


def bench_restart() -> dict[str, float]:
    """Seconds from ``make demo``, once everything is set up, to the first answer."""
    port = free_port()
    with TemporaryDirectory() as data:
        env = {**os.environ, "DATA_DIR": data, "PORT": str(port)}
        taken = []
        for _ in range(2):
            taken += samples_ms(lambda: _start_and_stop(env, port), 1, warm=0)
    return {"first_s": round(taken[0] / 1000, 2), "again_s": round(taken[1] / 1000, 2)}


def _start_and_stop(env: dict[str, str], port: int) -> None:
    running = subprocess.Popen(
        ["make", "--silent", "demo"], cwd=ROOT, env=env, stdout=subprocess.DEVNULL, start_new_session=True
    )
    try:
        wait_for(f"http://127.0.0.1:{port}/api/session", 60)
    finally:
        os.killpg(running.pid, 15)
        running.wait(10)
