"""On a phone at 390 x 844: the field screens are made for it, and every other screen can be read there."""

import re
from collections.abc import Iterator
from typing import Any

import pytest
from playwright.sync_api import Browser, Locator, Page, expect

from tests.journeys import labels
from tests.journeys.screens import SCREENS
from tests.site import PHONE, Traffic

# A fingertip in a glove (estimate, and what accessibility guides ask at the least).
TARGET_PX = 44


@pytest.fixture
def phone(browser: Browser, site: str, in_demo: list[Any]) -> Iterator[Page]:
    context = browser.new_context(base_url=site, viewport=PHONE, has_touch=True)
    context.add_cookies(in_demo)
    yield context.new_page()
    context.close()


def small(targets: Locator) -> list[str]:
    """Buttons that a glove would miss."""
    boxes = [(t.inner_text(), t.bounding_box()) for t in targets.all() if t.is_visible()]
    return [text for text, box in boxes if box and min(box["width"], box["height"]) < TARGET_PX]


# The curve is a search: it has journeys of its own.
@pytest.mark.parametrize("path", [path for path in SCREENS if not path.endswith("suggest")])
def test_nothing_stands_beside_the_screen_or_over_another_part(phone: Page, path: str) -> None:
    traffic = Traffic(phone)
    phone.goto(path)
    expect(phone.locator(".screen").first).to_be_visible()
    traffic.settle()
    assert phone.evaluate("document.documentElement.scrollWidth") <= PHONE["width"]
    # Parts of a screen that stand one under the other do not overlap.
    over = phone.evaluate(
        """() => {
          const parts = [...document.querySelectorAll('.screen.stacks > *')].map((p) => p.getBoundingClientRect())
          return parts.filter((p, i) => i && p.height && parts[i - 1].height && p.top < parts[i - 1].bottom - 1).length
        }"""
    )
    assert over == 0


def test_a_glove_finds_every_line_of_the_list_and_the_parts_take_turns(phone: Page) -> None:
    phone.goto("/trips/lofoten/b/pack-out")
    listed = phone.get_by_role("region", name=labels.THE_LIST)
    line = listed.get_by_role("button", name=re.compile("Trail food")).first
    line.scroll_into_view_if_needed()
    assert small(listed.locator(".row")) == []
    before = line.get_attribute("aria-pressed")
    line.tap()
    expect(line).to_have_attribute("aria-pressed", "false" if before == "true" else "true")
    line.tap()
    expect(line).to_have_attribute("aria-pressed", before or "false")
    parts = phone.get_by_role("navigation", name=labels.PARTS_OF_PACK_OUT)
    for name, region in (("final check", "Final check"), ("before leaving", "Before leaving"), ("scale", "Scale")):
        parts.get_by_role("button", name=name).tap()
        expect(phone.get_by_role("region", name=region)).to_be_visible()
        expect(listed).to_be_hidden()
    parts.get_by_role("button", name="list", exact=True).tap()
    expect(listed).to_be_visible()


def test_boards_and_notes_are_large_enough_for_gloves(phone: Page) -> None:
    phone.goto("/trips/lofoten/b/trail")
    parts = phone.get_by_role("navigation", name=labels.PARTS_OF_THE_TRAIL)
    assert small(parts.get_by_role("button")) == []
    for name, region in (("batteries, cards", "Batteries and cards"), ("tonight", "Tonight"), ("note", "Note")):
        parts.get_by_role("button", name=name).tap()
        part = phone.get_by_role("region", name=region)
        expect(part).to_be_visible()
        # Words in a sentence that change a setting are no targets of the field.
        assert small(part.locator("button:not(.link)")) == []


def test_a_pack_goes_round_by_taps_and_a_card_says_its_copies(phone: Page) -> None:
    phone.goto("/trips/lofoten/b/trail")
    phone.get_by_role("navigation", name=labels.PARTS_OF_THE_TRAIL).get_by_role(
        "button", name=labels.BATTERIES_CARDS
    ).tap()
    pack = phone.get_by_role("region", name=labels.BATTERIES_AND_CARDS).locator(".piece").last
    for state in ("in use", "spent", "charging", "ready"):
        pack.tap()
        expect(pack).to_contain_text(state)


def test_what_was_missed_and_lent_is_noted_with_filter_and_day(phone: Page) -> None:
    phone.goto("/trips/lofoten/b/trail")
    phone.get_by_role("navigation", name=labels.PARTS_OF_THE_TRAIL).get_by_role("button", name=labels.NOTE).tap()
    sorts = phone.get_by_role("group", name=labels.KIND_OF_NOTE)
    sorts.get_by_role("button", name="missed").tap()
    phone.get_by_label(labels.MISSED_SHOT).fill("surf without glare")
    phone.get_by_role("combobox", name=re.compile("^a filter")).select_option("polariser")
    phone.get_by_role("combobox", name=re.compile("^on")).select_option(label="Corrie 16–35 f/4")
    phone.get_by_role("button", name=labels.SAVE_NOTE).tap()
    noted = phone.get_by_role("list", name=labels.NOTED_THIS_DAY)
    expect(noted).to_contain_text("surf without glare, without a polariser on Corrie 16–35 f/4")
    sorts.get_by_role("button", name="lent").tap()
    phone.get_by_role("button", name=labels.SAVE_NOTE).tap()
    expect(phone.get_by_role("alert")).to_have_text("Type who has it.")
    phone.get_by_label(labels.LENT_TO).fill("Sigrid")
    phone.get_by_label(labels.BACK_BY).fill("2027-02-24")
    phone.get_by_role("button", name=labels.SAVE_NOTE).tap()
    expect(noted).to_contain_text("to Sigrid until Wed 24 Feb")
    phone.reload()
    phone.get_by_role("navigation", name=labels.PARTS_OF_THE_TRAIL).get_by_role("button", name=labels.NOTE).tap()
    expect(phone.get_by_role("list", name=labels.NOTED_THIS_DAY)).to_contain_text("to Sigrid")


def test_between_packing_and_the_trail_it_is_one_tap(phone: Page) -> None:
    phone.goto("/trips/lofoten/b/pack-out")
    way = phone.get_by_role("navigation", name=labels.IN_THE_FIELD)
    way.get_by_role("link", name=labels.TRAIL).tap()
    phone.wait_for_url("**/trail")
    way.get_by_role("link", name=labels.PACK_OUT).tap()
    phone.wait_for_url("**/pack-out")
