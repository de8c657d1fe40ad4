"""Every screen, visited once and seen in every light: axe-core, its window, the names of its controls."""

from pathlib import Path

import pytest
from playwright.sync_api import Page

from tests.journeys.screens import SCREENS, go_and_settle
from tests.site import WINDOW

AXE = Path("web/node_modules/axe-core/axe.min.js")

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


@pytest.mark.parametrize("path", [*SCREENS, "/trips/lofoten/b/look-back", "/nowhere"])
def test_every_screen_stands_in_its_window_and_has_no_serious_fault_in_any_light(inside: Page, path: str) -> None:
    go_and_settle(inside, path)
    # Brought in by the debugger: the page itself runs nothing that is not ours.
    inside.evaluate(AXE.read_text(encoding="utf-8"))
    for theme in ("day", "night", "red"):
        inside.evaluate(CHANGE_LIGHT, theme)
        assert inside.evaluate("document.documentElement.scrollWidth") <= WINDOW["width"]
        assert inside.evaluate(NAMELESS) == []
        # All but the colours are the same in every light.
        rules = {} if theme == "day" else {"runOnly": {"type": "rule", "values": ["color-contrast"]}}
        found = inside.evaluate("options => axe.run(document, options)", {"resultTypes": ["violations"], **rules})
        bad = [
            (theme, v["id"], v["nodes"][0]["html"][:160], v["nodes"][0]["failureSummary"][:200], len(v["nodes"]))
            for v in found["violations"]
            if v["impact"] in ("serious", "critical")
        ]
        assert bad == []
