"""A trip shared by a link: who comes along ticks and notes under their own name, without a network, too."""

import re

from playwright.sync_api import Browser, Page, expect

from tests.journeys.own import lay_out_trip, load
from tests.site import WINDOW

WAITS = re.compile("waits? on this device")


def test_who_comes_along_packs_by_a_link_until_it_is_taken_back(newcomer: Page, browser: Browser, site: str) -> None:
    page = newcomer
    lay_out_trip(page, "Tide pools with Marit", "full-frame 45", "24-70 f/2.8", "backpack 25")
    load(page, "Photo backpack", "Full-frame body", "24-70")
    page.goto("/trips")
    page.get_by_role("button", name="share").click()
    dialog = page.get_by_role("dialog", name="Share this trip")
    dialog.get_by_label("For whom").fill("Marit")
    dialog.get_by_role("button", name="Make a link").click()
    address = dialog.get_by_role("textbox", name="The link").input_value()
    assert address.startswith(f"{site}/shared/")

    context = browser.new_context(viewport=WINDOW, base_url=site)
    guest = context.new_page()
    guest.goto(address)
    guest.get_by_role("button", name="Open it").click()
    expect(guest.get_by_text("your name, so that others see who ticked what")).to_be_visible()
    guest.get_by_label("Your name").fill("Marit")
    guest.get_by_role("button", name="Open it").click()
    expect(guest.get_by_role("heading", name="Tide pools with Marit")).to_be_visible()
    rows = guest.get_by_role("region", name="The list").get_by_role("button")
    rows.first.click()
    expect(rows.first).to_have_attribute("aria-pressed", "true")
    context.set_offline(True)
    rows.nth(1).click()
    expect(guest.get_by_text(WAITS)).to_be_visible()
    context.set_offline(False)
    expect(guest.get_by_text(WAITS)).to_have_count(0)
    guest.get_by_label("A note for everybody").fill("Bring the long ladder")
    guest.get_by_role("button", name="Note it").click()
    expect(guest.get_by_role("region", name="Notes")).to_contain_text("Marit")
    # Nothing else opens by it.
    guest.goto("/trips")
    guest.wait_for_url("**/welcome")

    page.goto(f"/trips/{'tide-pools-with-marit'}/a/pack-out")
    expect(page.get_by_text("2 of 3 in").or_(page.get_by_text("2 of 2 in")).first).to_be_visible()
    expect(page.get_by_text("ticked by Marit").first).to_be_visible()
    page.goto("/trips")
    page.get_by_role("button", name="share").click()
    page.get_by_role("button", name="Take back the link Marit").click()
    expect(page.get_by_role("button", name="Take back the link Marit")).to_have_count(0)
    guest.goto(address)
    expect(guest.get_by_text("This link is over")).to_be_visible()
    context.close()
