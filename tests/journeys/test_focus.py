"""Windows give the focus back to what opened them, by the keyboard alone."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.journeys import labels


@pytest.mark.parametrize(
    ("path", "opener", "item", "window"),
    [
        ("/locker", "Add gear", "", "Add gear"),
        ("/locker", "From a table", "", "Gear from a table"),
        ("/trips", "Plan a trip", "", "Plan a trip"),
        ("/trips", "share", "", "Share this trip"),
        ("/trips", "remove", "", re.compile("Remove")),
        ("/trips/lofoten/b/bench", "More for this kit", "Name and note", "Kit"),
        ("/trips/lofoten/b/bench", "More for this kit", "Remove this kit", re.compile("Remove")),
    ],
)
def test_a_window_that_closes_gives_the_focus_back(
    inside: Page, path: str, opener: str, item: str, window: str | re.Pattern[str]
) -> None:
    inside.goto(path)
    button = inside.get_by_role("button", name=opener).first
    button.focus()
    inside.keyboard.press("Enter")
    if item:
        chosen = inside.get_by_text(item, exact=True)
        expect(chosen).to_be_visible()
        chosen.click()
    dialog = inside.get_by_role("dialog", name=window)
    expect(dialog).to_be_visible()
    expect(dialog.locator(":focus")).to_have_count(1)
    inside.keyboard.press("Escape")
    expect(dialog).to_be_hidden()
    expect(button).to_be_focused()


def test_a_key_that_opens_a_window_gives_the_focus_back_to_the_mat(demo: Page) -> None:
    thing = demo.locator('[data-thing="l-24-70"]')
    thing.focus()
    demo.keyboard.press("?")
    keys = demo.get_by_role("dialog", name=labels.KEYS)
    expect(keys.get_by_role("button", name=labels.CLOSE)).to_be_focused()
    demo.keyboard.press("Escape")
    expect(keys).to_be_hidden()
    expect(thing).to_be_focused()
