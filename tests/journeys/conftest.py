"""The built app, served as people start it, and a browser in front of it."""

import os
import socket
import subprocess
import sys
import time
from collections.abc import Iterator
from pathlib import Path
from urllib.error import URLError
from urllib.request import urlopen

import pytest
from playwright.sync_api import Browser, Page, sync_playwright

ROOT = Path(__file__).parents[2]
CHROMIUM = os.environ.get("CHROMIUM", "/usr/bin/chromium")
FLAGS = [
    "--no-sandbox",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--no-first-run",
    "--disable-quic",
]


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    for item in items:
        if "journeys" in str(item.path):
            item.add_marker("journey")


def free_port() -> int:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port: int = probe.getsockname()[1]
        return port


def wait_for(url: str, seconds: float = 20) -> None:
    end = time.monotonic() + seconds
    while True:
        try:
            with urlopen(url, timeout=2):
                return
        except (URLError, OSError):
            if time.monotonic() > end:
                raise
            time.sleep(0.1)


@pytest.fixture(scope="session")
def site(tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    """The app's address, on a database of its own."""
    port = free_port()
    env = {
        **os.environ,
        "DATA_DIR": str(tmp_path_factory.mktemp("data")),
        "DJANGO_SETTINGS_MODULE": "server.settings.demo",
    }
    subprocess.run([sys.executable, "manage.py", "load_demo"], cwd=ROOT, env=env, check=True, capture_output=True)
    server = subprocess.Popen(
        [sys.executable, "-m", "gunicorn", "server.wsgi:application", "--bind", f"127.0.0.1:{port}", "--threads", "8"],
        cwd=ROOT,
        env=env,
        stderr=subprocess.DEVNULL,
    )
    try:
        wait_for(f"http://127.0.0.1:{port}/api/session")
        yield f"http://127.0.0.1:{port}"
    finally:
        server.terminate()
        server.wait(10)


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    with sync_playwright() as playwright:
        made = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
        yield made
        made.close()


@pytest.fixture
def page(browser: Browser, site: str) -> Iterator[Page]:
    """A fresh visitor at 1280 x 800; any error on the console fails the test."""
    context = browser.new_context(viewport={"width": 1280, "height": 800}, base_url=site)
    context.set_default_timeout(10_000)
    made = context.new_page()
    complaints: list[str] = []
    made.on("pageerror", lambda error: complaints.append(str(error)))
    made.on("console", lambda line: complaints.append(line.text) if line.type == "error" else None)
    yield made
    context.close()
    # A refused request is logged by the browser itself; the screens tell people about it.
    assert [c for c in complaints if "Failed to load resource" not in c] == []


@pytest.fixture
def demo(page: Page) -> Page:
    """Inside the demo, on the bench of the current trip's kit B, as the demo world ships."""
    page.goto("/welcome")
    page.get_by_role("button", name="Step into the demo").click()
    page.wait_for_url("**/bench")
    page.goto("/trips/lofoten/b/bench")
    page.get_by_role("region", name="The mat").wait_for()
    return page
