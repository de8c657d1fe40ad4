"""Every screen, visited once: seen in every light by axe-core, with names on its controls, and in windows from small to
huge, and at 200 % zoom: nothing wider than its window, cut off or on top of something else."""

import re
from pathlib import Path

import pytest
from playwright.sync_api import Page

from tests.journeys.screens import SCREENS, UNFOLD, WRONG, go_and_settle, resize
from tests.site import PHONE, WINDOW

AXE = Path("web/node_modules/axe-core/axe.min.js")
# At 200 % a window of 1280 × 800 has room for half as much each way.
WINDOWS = ((1024, 768), (WINDOW["width"], WINDOW["height"]), (1440, 900), (1920, 1080), (2560, 1440), (640, 400))
ON_A_PHONE = re.compile("pack-out|trail|welcome|gate|stow|trips$")
PATHS = [*SCREENS, "/trips/lofoten/b/look-back", "/welcome", "/nowhere"]

# What the app does when another light is chosen (useThemeInForce), without loading the screen anew.
CHANGE_LIGHT = """theme => {
  document.documentElement.dataset.theme = theme
  for (const one of document.querySelectorAll('[class*="v-theme--"]')) {
    one.className = one.className.replace(/v-theme--\\w+/, `v-theme--${theme}`)
  }
}"""


NAMELESS = """[...document.querySelectorAll('button, a, input:not([type=hidden]), [role=button]')].filter(e =>
  e.offsetParent && !e.innerText?.trim() && !e.getAttribute('aria-label') && !e.title
  && !e.getAttribute('aria-labelledby') && !e.labels?.length).map(e => e.outerHTML.slice(0, 90))"""


def faults(page: Page, theme: str) -> list[object]:
    """Serious findings of axe-core in one light."""
    page.evaluate(CHANGE_LIGHT, theme)
    assert page.evaluate("document.documentElement.scrollWidth") <= WINDOW["width"]
    assert page.evaluate(NAMELESS) == []
    # All but the colours are the same in every light.
    rules = {} if theme == "day" else {"runOnly": {"type": "rule", "values": ["color-contrast"]}}
    found = page.evaluate("options => axe.run(document, options)", {"resultTypes": ["violations"], **rules})
    return [
        (theme, v["id"], v["nodes"][0]["html"][:160], v["nodes"][0]["failureSummary"][:200], len(v["nodes"]))
        for v in found["violations"]
        if v["impact"] in ("serious", "critical")
    ]


@pytest.mark.parametrize(("number", "path"), list(enumerate(PATHS)), ids=PATHS)
def test_every_screen_stands_in_every_window_and_has_no_serious_fault_in_any_light(
    inside: Page, number: int, path: str
) -> None:
    # Each screen opens in the next size of the list, then its window is resized to the others.
    windows = [*WINDOWS, (PHONE["width"], PHONE["height"])] if ON_A_PHONE.search(path) else list(WINDOWS)
    turn = number % len(windows)
    windows = windows[turn:] + windows[:turn]
    resize(inside, windows[0])
    go_and_settle(inside, path)
    wrong = {}
    for size in windows:
        resize(inside, size)
        assert inside.evaluate("document.documentElement.scrollWidth") <= size[0]
        inside.evaluate(UNFOLD)
        if found := inside.evaluate(WRONG):
            wrong[size] = found
    assert wrong == {}
    resize(inside, (WINDOW["width"], WINDOW["height"]))
    # Brought in by the debugger: the page itself runs nothing that is not ours.
    inside.evaluate(AXE.read_text(encoding="utf-8"))
    assert [fault for theme in ("day", "night", "red") for fault in faults(inside, theme)] == []
