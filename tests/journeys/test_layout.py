"""Every screen in windows from small to huge, and at 200 % zoom: nothing wider than its window, cut off or on top of
something else."""

import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, ViewportSize

from tests.journeys.screens import SCREENS, go_and_settle
from tests.site import PHONE

WRONG = Path(__file__).with_name("layout.js").read_text(encoding="utf-8")
UNFOLD = "document.querySelectorAll('details').forEach(part => { part.open = true })"
# At 200 % a window of 1280 × 800 has room for half as much each way.
SIZES = ((1024, 768), (1280, 800), (1440, 900), (1920, 1080), (2560, 1440), (640, 400))
ON_A_PHONE = re.compile("pack-out|trail|welcome|gate|stow|trips$")


@pytest.mark.parametrize("size", [*SIZES, (PHONE["width"], PHONE["height"])], ids="{0[0]}x{0[1]}".format)
def test_nothing_is_cut_off_or_on_top_of_something_else(inside: Page, size: tuple[int, int]) -> None:
    inside.set_viewport_size(ViewportSize(width=size[0], height=size[1]))
    wrong = {}
    for path in [*SCREENS, "/trips/lofoten/b/look-back", "/welcome"]:
        if size[0] == PHONE["width"] and not ON_A_PHONE.search(path):
            continue
        go_and_settle(inside, path)
        inside.evaluate(UNFOLD)
        if found := inside.evaluate(WRONG):
            wrong[path] = found
    assert wrong == {}


def test_whatever_is_chosen_in_the_locker_its_fields_can_be_read(inside: Page) -> None:
    inside.set_viewport_size(ViewportSize(width=1024, height=768))
    inside.goto("/locker")
    rows = inside.locator(".rows [data-kind]")
    rows.first.wait_for()
    kinds = list(dict.fromkeys(rows.evaluate_all("rows => rows.map(row => row.dataset.kind)")))
    assert len(kinds) > 12
    wrong = {}
    for kind in kinds:
        inside.locator(f'.rows [data-kind="{kind}"]').first.click()
        inside.get_by_role("complementary", name="The thing chosen").wait_for()
        inside.evaluate(UNFOLD)
        if found := inside.evaluate(WRONG):
            wrong[kind] = found
    assert wrong == {}


def test_what_lies_on_top_or_is_cut_off_is_noticed(inside: Page) -> None:
    inside.goto("/welcome")
    inside.evaluate(
        """() => {
          const put = (text, style) => {
            const made = document.createElement('p')
            made.textContent = text
            Object.assign(made.style, { position: 'absolute', left: '10px', ...style })
            document.body.append(made)
          }
          put('under it', { top: '200px' })
          put('over it', { top: '203px' })
          put('cut off here', { top: '260px', width: '20px', overflow: 'hidden', whiteSpace: 'nowrap' })
        }"""
    )
    found = " ".join(inside.evaluate(WRONG))
    assert "“under it” and" in found or "“over it” and" in found
    assert "“cut off here”" in found
