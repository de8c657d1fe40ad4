"""Packing out and out there in the browser: ticks, the scale, and fifty notes without a network."""

import re
import socket
from collections.abc import Iterator
from threading import Thread
from typing import Any

import pytest
from playwright.sync_api import Browser, BrowserContext, Locator, Page, expect

from server.ops.demo.scale import Load, serve
from tests.journeys import labels
from tests.site import PHONE, Traffic


@pytest.fixture
def scale(scale_port: int) -> Iterator[None]:
    """The simulated scale where the app looks for it, for one weighing."""
    with socket.create_server(("127.0.0.1", scale_port)) as listener:
        Thread(target=serve, args=(listener, Load(8_730), 0.01, 1), daemon=True).start()
        yield


def phone(browser: Browser, url: str, cookies: list[Any]) -> BrowserContext:
    """A phone in the demo, with the service worker at work."""
    context = browser.new_context(base_url=url, viewport=PHONE, has_touch=True)
    context.add_cookies(cookies)
    page = context.new_page()
    traffic = Traffic(page)
    page.goto("/trips/canoe/a/trail")
    expect(page.get_by_role("heading", name=re.compile("Note|Today|Everything")).first).to_be_visible()
    page.evaluate("navigator.serviceWorker.ready.then(() => true)")
    # Opened once: what the screen was answered is kept by then.
    for answer in ("/api/session", "/api/trips/canoe/kits/a", "/api/field/canoe"):
        page.wait_for_function("path => caches.match(path).then(Boolean)", arg=answer)
    traffic.settle()
    return context


def note(page: Page, words: str) -> None:
    page.get_by_label(labels.NOTE, exact=True).fill(words)
    page.get_by_role("button", name=labels.SAVE_NOTE).click()
    expect(page.get_by_role("list", name=labels.NOTED_THIS_DAY).get_by_text(words, exact=True)).to_be_visible()


def words(page: Page) -> None:
    page.get_by_role("navigation", name=labels.PARTS_OF_THE_TRAIL).get_by_role("button", name=labels.NOTE).click()
    page.get_by_role("group", name=labels.KIND_OF_NOTE).get_by_role("button", name="words").click()


def test_things_are_ticked_in_and_stay_ticked(demo: Page) -> None:
    demo.keyboard.press("6")
    demo.wait_for_url("**/pack-out")
    cube = demo.get_by_role("region", name="Cube, large", exact=True)
    line = cube.get_by_role("button", name=re.compile(r"^.?\s*Corrie 24–70"))
    before = line.get_attribute("aria-pressed")
    line.click()
    expect(line).to_have_attribute("aria-pressed", "false" if before == "true" else "true")
    demo.reload()
    expect(line).to_have_attribute("aria-pressed", "false" if before == "true" else "true")
    line.click()
    expect(line).to_have_attribute("aria-pressed", before or "false")


def taken_back(part: Locator, shown: str) -> None:
    """What a bag was weighed at is taken back: every screen of the trip would go by it, also for journeys to come."""
    row = part.locator(".one").filter(has_text=shown)
    row.get_by_role("button", name=labels.UNDO_BUTTON).click()
    expect(row).to_have_count(0)
    # The screen is ahead of the site: a mark that is still on its way when the page closes comes with the next visit.
    for _ in range(100):
        kit = part.page.request.get("/api/trips/lofoten/kits/b").json()
        if all(bag["weighed_g"] is None for bag in kit["state"]["assessment"]["loads"]["bags"]):
            return
        part.page.wait_for_timeout(100)
    raise AssertionError("the site still goes by what was weighed")


def test_a_bag_is_weighed_by_the_scale_and_the_difference_is_explained(inside: Page, scale: None) -> None:
    inside.goto("/trips/lofoten/b/pack-out")
    inside.get_by_role("navigation", name=labels.BESIDE_THE_LIST).get_by_role("button", name="scale").click()
    part = inside.get_by_role("region", name=labels.SCALE)
    part.get_by_role("button", name=labels.READ_THE_SCALE).first.click()
    expect(part).to_contain_text("The scale shows 8.73 kg.")
    expect(part).to_contain_text(re.compile("than planned"))
    taken_back(part, "8.73 kg")


def test_a_scale_that_is_not_there_is_said_plainly_and_the_mass_is_typed(inside: Page) -> None:
    inside.goto("/trips/lofoten/b/pack-out")
    inside.get_by_role("navigation", name=labels.BESIDE_THE_LIST).get_by_role("button", name="scale").click()
    part = inside.get_by_role("region", name=labels.SCALE)
    part.get_by_role("button", name=labels.READ_THE_SCALE).last.click()
    expect(part).to_contain_text("No scale is connected.")
    part.get_by_label(re.compile("^Kilograms of")).last.fill("14,9")
    part.get_by_role("button", name=labels.KEEP).last.click()
    expect(part).to_contain_text("14.90 kg")
    taken_back(part, "14.90 kg")


def test_erasing_a_card_with_too_few_copies_asks_twice(inside: Page) -> None:
    inside.goto("/trips/lofoten/b/trail")
    boards = inside.get_by_role("region", name=labels.BATTERIES_AND_CARDS)
    card = boards.locator(".card").first
    card.get_by_role("button", name=labels.FULL).click()
    expect(card).to_contain_text("do not erase")
    card.get_by_role("button", name=labels.ERASED).click()
    expect(card).to_contain_text("Erase it all the same?")
    card.get_by_role("button", name=labels.YES_ERASE).click()
    expect(card).to_contain_text("Erase it all the same?")
    card.get_by_role("button", name=labels.KEEP_IT).click()
    expect(card).to_contain_text("full")
    for _ in range(2):
        card.get_by_role("button", name=labels.COPY).click()
    expect(card).to_contain_text("safe to erase")
    card.get_by_role("button", name=labels.ERASED).click()
    expect(card).to_contain_text("blank")


def test_fifty_notes_without_a_network_are_all_there_in_order_and_once(
    browser: Browser, site: str, in_demo: list[Any]
) -> None:
    context = phone(browser, site, in_demo)
    page = context.pages[0]
    words(page)
    context.set_offline(True)
    for number in range(50):
        note(page, f"Offline note {number:02}")
    expect(page.get_by_text(re.compile("50 notes wait here"))).to_be_visible()
    page.reload()
    expect(page.get_by_role("navigation", name=labels.PARTS_OF_THE_TRAIL)).to_be_visible()
    expect(page.get_by_text(re.compile("50 notes wait here"))).to_be_visible()
    context.set_offline(False)
    page.evaluate("window.dispatchEvent(new Event('online'))")
    expect(page.get_by_text(re.compile("wait here|sending"))).to_be_hidden()
    stored = page.evaluate("fetch('/api/field/canoe').then((r) => r.json())")
    told = [m["what"]["text"] for m in stored["marks"] if m["what"]["do"] == "note"]
    assert [t for t in told if t.startswith("Offline note")] == [f"Offline note {n:02}" for n in range(50)]
    context.close()


def test_the_trail_opened_once_is_there_again_without_a_network(
    browser: Browser, site: str, in_demo: list[Any]
) -> None:
    context = phone(browser, site, in_demo)
    (page,) = context.pages
    context.set_offline(True)
    page.reload()
    expect(page.get_by_role("navigation", name=labels.PARTS_OF_THE_TRAIL)).to_be_visible()
    words(page)
    note(page, "Second visit, no network")
    context.close()


def test_a_page_that_is_not_on_the_phone_says_so_and_opens_when_the_network_is_back(
    browser: Browser, site: str, in_demo: list[Any]
) -> None:
    context = phone(browser, site, in_demo)
    (page,) = context.pages
    context.set_offline(True)
    # A phone that was short of room has thrown away what it kept of the answers.
    page.evaluate("caches.delete('answers')")
    page.reload()
    expect(page.get_by_role("heading", name=labels.NO_CONNECTION)).to_be_visible()
    context.set_offline(False)
    expect(page.get_by_role("navigation", name=labels.PARTS_OF_THE_TRAIL)).to_be_visible()
    assert page.url.endswith("/trips/canoe/a/trail")
    context.close()


def test_a_new_version_waits_until_it_is_asked_for(browser: Browser, site: str, in_demo: list[Any]) -> None:
    context = phone(browser, site, in_demo)
    (page,) = context.pages
    # The same worker from another address is another version to the browser.
    page.evaluate("navigator.serviceWorker.register('/sw.js?newer').then(() => true)")
    told = page.get_by_role("status").filter(has_text="A new version of Narrow Mule is here.")
    expect(told).to_be_visible()
    with page.expect_navigation():
        told.get_by_role("button", name=labels.RELOAD).click()
    expect(page.get_by_role("navigation", name=labels.PARTS_OF_THE_TRAIL)).to_be_visible()
    at_work = page.evaluate("navigator.serviceWorker.controller.scriptURL")
    assert at_work.endswith("/sw.js?newer")
    context.close()


def test_two_phones_that_disagree_about_a_card_are_both_kept_and_asked(
    browser: Browser, site: str, in_demo: list[Any]
) -> None:
    ours, theirs = phone(browser, site, in_demo), phone(browser, site, in_demo)
    for context, state in ((ours, "full"), (theirs, "in use")):
        page = context.pages[0]
        page.get_by_role("button", name=labels.BATTERIES_CARDS).click()
        context.set_offline(True)
        card = page.locator(".card").first
        card.get_by_role("button", name=state, exact=True).click()
        expect(card).to_contain_text(state)
    for context in (ours, theirs):
        context.set_offline(False)
        context.pages[0].evaluate("window.dispatchEvent(new Event('online'))")
        expect(context.pages[0].get_by_text(re.compile("wait here|sending"))).to_be_hidden()
    page = theirs.pages[0]
    page.reload()
    clash = page.get_by_role("alert").filter(has_text="Two devices disagree")
    expect(clash).to_contain_text("no. 1 full")
    expect(clash).to_contain_text("no. 1 in use")
    clash.get_by_role("button", name=re.compile("no. 1 full")).click()
    expect(clash).to_be_hidden()
    page.get_by_role("button", name=labels.BATTERIES_CARDS).click()
    expect(page.locator(".card").first).to_contain_text("full")
    ours.close()
    theirs.close()
