"""The built app and a browser in front of it."""

import fcntl
import os
import shutil
import subprocess
import sys
from collections.abc import Generator, Iterator
from pathlib import Path
from typing import Any
from uuid import uuid4

import pytest
from playwright.sync_api import Browser, BrowserContext, Page, expect

from tests.journeys import labels
from tests.site import CHROMIUM, ROOT, WINDOW, chromium, demo_settings, free_port, served

# No figure is taken here: a busy machine fails no journey. Shorter by hand, while words change and many look in vain.
PATIENCE_MS = int(os.environ.get("PATIENCE_MS", "90000"))
expect.set_options(timeout=PATIENCE_MS)


@pytest.hookimpl(wrapper=True)
def pytest_runtest_makereport(item: pytest.Item) -> Generator[None, pytest.TestReport, pytest.TestReport]:
    """With a journey that fails, what stood on the screen then."""
    report = yield
    page = getattr(item, "funcargs", {}).get("page")
    if report.failed and page and not page.is_closed():
        text = page.locator("body").inner_text()
        # Where the screen begins, and what was told last: notices stand at the end.
        report.sections.append(("on the screen", f"{page.url}\n{text[:1500]}\n[...]\n{text[-1000:]}"))
    return report


@pytest.fixture(scope="session")
def scale_port() -> int:
    """Where the app looks for a luggage scale: nobody else's, for another app may be tried at the same time."""
    return free_port()


@pytest.fixture(scope="session")
def site(scale_port: int, tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    """The app's address. Under xdist each worker gets a copy of the demo world that the first one made."""
    beside_others = "PYTEST_XDIST_WORKER" in os.environ
    data = _own_world(tmp_path_factory) if beside_others else None
    with served(scale_port, data, "tests.site_settings") as address:
        yield address


def _own_world(folders: pytest.TempPathFactory) -> Path:
    made = folders.getbasetemp().parent / "demo-world"
    with (made.parent / "demo-world.lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        if not made.exists():
            half = folders.mktemp("half")
            command = [sys.executable, "manage.py", "load_demo", "-v0"]
            subprocess.run(command, cwd=ROOT, env=demo_settings(str(half)), check=True)
            half.rename(made)
    return Path(shutil.copytree(made, folders.mktemp("site") / "data"))


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    # Garbage is collected seldom: the page of a test lives for seconds.
    with chromium(CHROMIUM, "--js-flags=--min-semi-space-size=64 --max-semi-space-size=64") as made:
        plain = made.new_context

        def patient(**options: Any) -> BrowserContext:
            # Tests would only wait for animations.
            context = plain(reduced_motion="reduce", **options)
            context.set_default_timeout(PATIENCE_MS)
            return context

        made.new_context = patient  # type: ignore[method-assign]
        yield made


@pytest.fixture
def page(browser: Browser, site: str) -> Iterator[Page]:
    """A fresh visitor at 1280 x 800; any error on the console fails the test."""
    context = browser.new_context(viewport=WINDOW, base_url=site)
    made = context.new_page()
    complaints: list[str] = []
    made.on("pageerror", lambda error: complaints.append(str(error)))
    made.on("console", lambda line: complaints.append(line.text) if line.type == "error" else None)
    yield made
    context.close()
    # A refused request is logged by the browser itself; the screens tell people about it.
    assert [c for c in complaints if "Failed to load resource" not in c] == []


@pytest.fixture(scope="session")
def in_demo(browser: Browser, site: str) -> list[Any]:
    """Cookies of somebody who has stepped into the demo: the door itself has a journey of its own."""
    context = browser.new_context(viewport=WINDOW, base_url=site)
    made = context.new_page()
    made.goto("/welcome")
    made.get_by_role("button", name="Step into the demo").click()
    made.wait_for_url("**/bench")
    kept: list[Any] = context.cookies()
    context.close()
    return kept


@pytest.fixture
def inside(page: Page, in_demo: list[Any]) -> Page:
    """Inside the demo, on no screen yet: for journeys that begin elsewhere than on its bench."""
    page.context.add_cookies(in_demo)
    return page


@pytest.fixture
def demo(inside: Page) -> Page:
    """Inside the demo, on the bench of the current trip's kit B, as the demo world ships."""
    inside.goto("/trips/lofoten/b/bench")
    inside.get_by_role("region", name=labels.THE_MAT).wait_for()
    return inside


@pytest.fixture
def newcomer(page: Page) -> Page:
    """Signed up under a name of the test's own, with an empty locker."""
    page.request.get("/api/session")
    token = next(c["value"] for c in page.context.cookies() if c["name"] == "csrftoken")
    who = {"name": f"photographer {uuid4().hex}", "password": "a long password"}
    assert page.request.post("/api/session/sign-up", data=who, headers={"X-CSRFToken": token}).ok
    page.goto("/trips")
    return page
