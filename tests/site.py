"""The built app, served as people start it, and a browser in front of it: for journeys, benchmarks and screenshots."""

import os
import socket
import subprocess
import sys
import time
from collections.abc import Iterator
from contextlib import contextmanager, nullcontext
from pathlib import Path
from tempfile import TemporaryDirectory
from urllib.error import URLError
from urllib.request import urlopen

from playwright.sync_api import Browser, Page, Request, ViewportSize, sync_playwright

ROOT = Path(__file__).parents[1]
# Debian's headless build of Chromium where it is, for it takes half of the time; else all of Chromium.
SHELL, WHOLE = "/usr/bin/chromium-headless-shell", "/usr/bin/chromium"
CHROMIUM = os.environ.get("CHROMIUM") or (SHELL if os.path.exists(SHELL) else WHOLE)
FLAGS = [
    "--no-sandbox",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--no-first-run",
    "--disable-quic",
]
WINDOW = ViewportSize(width=1280, height=800)
PHONE = ViewportSize(width=390, height=844)


def free_port() -> int:
    """A port that nobody listens on now."""
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port: int = probe.getsockname()[1]
        return port


def wait_for(url: str, seconds: float = 20) -> None:
    """Returns when ``url`` answers; raises the last refusal when it does not in time."""
    end = time.monotonic() + seconds
    while True:
        try:
            with urlopen(url, timeout=2):
                return
        except (URLError, OSError):
            if time.monotonic() > end:
                raise
            time.sleep(0.1)


def demo_settings(data: str, module: str = "server.settings.demo") -> dict[str, str]:
    """The environment of the demo site. data: the folder of its database."""
    return {**os.environ, "DATA_DIR": data, "DJANGO_SETTINGS_MODULE": module}


@contextmanager
def served(scale_port: int = 0, data: Path | None = None, settings: str = "server.settings.demo") -> Iterator[str]:
    """The address of a freshly set-up server with the demo world, on a database of its own.

    scale_port: where it looks for a luggage scale; 0 is nowhere. data: a folder with what it begins with. settings: the
    module with its settings.
    """
    port = free_port()
    with nullcontext(str(data)) if data else TemporaryDirectory() as folder:
        env = demo_settings(folder, settings)
        # No figure is taken here: a busy machine ends no search.
        env["SEARCH_SECONDS"] = "600"
        env["SCALE_ADDRESS"] = f"127.0.0.1:{scale_port}"
        serving = ["gunicorn", "-c", "python:server.ops.demo.serving", "--bind", f"127.0.0.1:{port}", "server.wsgi"]
        quiet = subprocess.DEVNULL
        server = subprocess.Popen([sys.executable, "-m", *serving], cwd=ROOT, env=env, stdout=quiet, stderr=quiet)
        try:
            wait_for(f"http://127.0.0.1:{port}/api/session", 60)
            yield f"http://127.0.0.1:{port}"
        finally:
            server.terminate()
            server.wait(10)


# Two frames: what the last answer changed is painted by then.
PAINTED = "new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))"
# An answer often leads to the next question in the same moment: so many times painted and nothing asked.
_QUIET = 3


class Traffic:
    """What a page asks for and has not heard the end of yet. Made before the page goes anywhere."""

    def __init__(self, page: Page) -> None:
        self._page = page
        self._on: set[Request] = set()
        page.on("request", self._begun)
        page.on("requestfinished", self._ended)
        page.on("requestfailed", self._ended)

    def _begun(self, request: Request) -> None:
        self._on.add(request)

    def _ended(self, request: Request) -> None:
        self._on.discard(request)

    def settle(self) -> None:
        """Waits until every answer is there to its last line and painted."""
        quiet = 0
        while quiet < _QUIET:
            self._page.evaluate(PAINTED)
            quiet = 0 if self._on else quiet + 1


@contextmanager
def chromium(path: str = CHROMIUM, *more: str) -> Iterator[Browser]:
    """Headless Chromium, with flags beside ours."""
    with sync_playwright() as playwright:
        made = playwright.chromium.launch(executable_path=path, args=[*FLAGS, *more])
        yield made
        made.close()
