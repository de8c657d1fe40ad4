"""axe-core on every screen in every theme: nothing serious or critical."""

from pathlib import Path

import pytest
from playwright.sync_api import Page

from tests.journeys.screens import SCREENS

AXE = Path("web/node_modules/axe-core/axe.min.js")

# What the app does when another light is chosen (useThemeInForce), without loading the screen anew.
CHANGE_LIGHT = """theme => {
  document.documentElement.dataset.theme = theme
  for (const one of document.querySelectorAll('[class*="v-theme--"]')) {
    one.className = one.className.replace(/v-theme--\\w+/, `v-theme--${theme}`)
  }
}"""


@pytest.mark.parametrize("path", SCREENS)
def test_no_screen_has_a_serious_fault_in_any_light(inside: Page, path: str) -> None:
    inside.goto(path)
    if path.endswith("suggest"):
        # What is found first stands on the screen like all that is found later.
        inside.get_by_role("option").first.wait_for()
        inside.get_by_role("button", name="stop").click()
    inside.wait_for_load_state("networkidle")
    inside.add_script_tag(content=AXE.read_text(encoding="utf-8"))
    for theme in ("day", "night", "red"):
        inside.evaluate(CHANGE_LIGHT, theme)
        # All but the colours are the same in every light.
        rules = {} if theme == "day" else {"runOnly": {"type": "rule", "values": ["color-contrast"]}}
        found = inside.evaluate("options => axe.run(document, options)", {"resultTypes": ["violations"], **rules})
        bad = [
            (theme, v["id"], v["nodes"][0]["html"][:160], v["nodes"][0]["failureSummary"][:200], len(v["nodes"]))
            for v in found["violations"]
            if v["impact"] in ("serious", "critical")
        ]
        assert bad == []
