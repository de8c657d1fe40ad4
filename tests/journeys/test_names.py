"""Names on the Bench stand whole at every width of a window."""

import pytest
from playwright.sync_api import Page

WIDTHS = (1024, 1280, 1600, 1920, 2560)
# What is cut or hangs out of its place: text wider than its box, and names of the chart beyond its left edge.
CUT = """() => {
  const cut = [...document.querySelectorAll('.ledger .name, .ledger .where')]
    .filter((e) => e.scrollWidth > e.clientWidth + 1 || getComputedStyle(e).textOverflow === 'ellipsis')
    .map((e) => e.innerText)
  const chart = document.querySelector('.reach svg, svg[aria-label^="Reach"], [aria-label="Reach"] svg')
  const left = chart.getBoundingClientRect().left
  const out = [...chart.querySelectorAll('text.name')]
    .filter((e) => e.getBoundingClientRect().left < left - 1)
    .map((e) => e.textContent)
  return [...cut, ...out]
}"""


@pytest.mark.parametrize("kit", ["a", "b", "c"])
def test_no_name_of_ledger_or_chart_is_cut_at_any_width(demo: Page, kit: str) -> None:
    demo.goto(f"/trips/lofoten/{kit}/bench")
    demo.locator(".ledger td.name").first.wait_for()
    for width in WIDTHS:
        demo.set_viewport_size({"width": width, "height": 800})
        # The chart is drawn anew for its new width.
        demo.wait_for_function("() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))")
        demo.locator("svg text.name").first.wait_for()
        assert demo.evaluate(CUT) == [], width
        assert demo.locator("svg text.name").count() >= 2, width
