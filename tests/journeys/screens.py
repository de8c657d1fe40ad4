"""Every screen of the app, on a trip of the demo that has something to show there."""

import re
from pathlib import Path

from playwright.sync_api import Page, ViewportSize

from tests.site import PAINTED, Traffic

SCREENS = (
    "/trips",
    "/locker",
    "/rules",
    "/settings",
    *(f"/trips/lofoten/b/{s}" for s in ("brief", "bench", "stamina", "stow", "days", "gate", "pack-out", "trail")),
    "/trips/lofoten/b/bags",
    "/trips/karst/a/look-back",
    "/trips/lofoten/b/suggest",
    "/trips/lofoten/b/compare",
)

# Lists text that is cut off or overlaps other text.
WRONG = Path(__file__).with_name("layout.js").read_text(encoding="utf-8")
UNFOLD = "document.querySelectorAll('details').forEach(part => { part.open = true })"

# In one breath: a search that came to its end meanwhile has nothing to stop.
STOP = "[...document.querySelectorAll('button')].find(one => one.textContent === 'stop')?.click()"


def go_and_settle(page: Page, path: str) -> None:
    """Goes to a screen and waits until it stands still. A search that goes on is stopped as soon as something stands
    there: what is found first stands on the screen like all that is found later.
    """
    traffic = Traffic(page)
    page.goto(path)
    if path.endswith("suggest"):
        page.get_by_role("option").first.wait_for()
        page.evaluate(STOP)
    if path.endswith("bags"):
        page.get_by_role("button", name=re.compile("as it is now")).wait_for()
        page.evaluate(STOP)
    traffic.settle()


def resize(page: Page, size: tuple[int, int]) -> None:
    """Resizes the window and waits until the screen is painted again."""
    if page.viewport_size != ViewportSize(width=size[0], height=size[1]):
        page.set_viewport_size(ViewportSize(width=size[0], height=size[1]))
        for _ in range(2):
            page.evaluate(PAINTED)
