"""A trip shared by a link: who comes along ticks and notes under their own name, without a network, too."""

import re
from uuid import uuid4

from playwright.sync_api import Browser, Page, expect

from tests.journeys import labels
from tests.journeys.own import BAG, BODY, ZOOM, lay_out_trip, load, own_gear
from tests.site import WINDOW

WAITS = re.compile("waits? on this device")


def test_who_comes_along_packs_by_a_link_until_it_is_taken_back(newcomer: Page, browser: Browser, site: str) -> None:
    page = newcomer
    lay_out_trip(page, "Tide pools with Marit", BODY, ZOOM, BAG)
    load(page, "Photo backpack", "Full-frame body", "24-70")
    page.goto("/trips")
    page.get_by_role("button", name=labels.SHARE).click()
    dialog = page.get_by_role("dialog", name=labels.SHARE_THIS_TRIP)
    dialog.get_by_label(labels.LABEL_ONLY_YOU_SEE_IT).fill("Marit")
    dialog.get_by_role("button", name=labels.MAKE_A_LINK).click()
    address = dialog.get_by_role("textbox", name=labels.THE_LINK).input_value()
    assert address.startswith(f"{site}/shared/")

    context = browser.new_context(viewport=WINDOW, base_url=site)
    guest = context.new_page()
    guest.goto(address)
    guest.get_by_role("button", name=labels.OPEN_IT).click()
    expect(guest.get_by_text(labels.ENTER_YOUR_NAME_SO_OTHERS_SEE)).to_be_visible()
    guest.get_by_label(labels.YOUR_NAME).fill("Marit")
    guest.get_by_role("button", name=labels.OPEN_IT).click()
    expect(guest.get_by_role("heading", name="Tide pools with Marit")).to_be_visible()
    rows = guest.get_by_role("region", name=labels.THE_LIST).get_by_role("button")
    rows.first.click()
    expect(rows.first).to_have_attribute("aria-pressed", "true")
    context.set_offline(True)
    rows.nth(1).click()
    expect(guest.get_by_text(WAITS)).to_be_visible()
    context.set_offline(False)
    expect(guest.get_by_text(WAITS)).to_have_count(0)
    guest.get_by_label(labels.NOTE_FOR_EVERYONE).fill("Bring the long ladder")
    guest.get_by_role("button", name=labels.NOTE_IT).click()
    expect(guest.get_by_role("region", name=labels.NOTES)).to_contain_text("Marit")
    # Nothing else opens by it.
    guest.goto("/trips")
    guest.wait_for_url("**/welcome")

    page.goto(f"/trips/{'tide-pools-with-marit'}/a/pack-out")
    expect(page.get_by_text("2 of 3 in").or_(page.get_by_text("2 of 2 in")).first).to_be_visible()
    expect(page.get_by_text("ticked by Marit").first).to_be_visible()
    page.goto("/trips")
    page.get_by_role("button", name=labels.SHARE).click()
    page.get_by_role("button", name="Revoke the link Marit").click()
    expect(page.get_by_role("button", name="Revoke the link Marit")).to_have_count(0)
    guest.goto(address)
    expect(guest.get_by_text("This link has expired or was revoked")).to_be_visible()
    context.close()


def test_who_plans_along_lends_a_lens_and_both_edit(newcomer: Page, browser: Browser, site: str) -> None:
    page = newcomer
    lay_out_trip(page, "Tide pools together", BODY, ZOOM, BAG)
    load(page, "Photo backpack", "Full-frame body")
    page.goto("/trips")
    page.get_by_role("button", name=labels.SHARE).click()
    dialog = page.get_by_role("dialog", name=labels.SHARE_THIS_TRIP)
    dialog.locator(".v-select").click()
    page.get_by_role("option", name=re.compile("^plan along")).click()
    dialog.get_by_role("button", name=labels.MAKE_A_LINK).click()
    address = dialog.get_by_role("textbox", name=labels.THE_LINK).input_value()

    context = browser.new_context(viewport=WINDOW, base_url=site)
    marit = context.new_page()
    marit.goto(address)
    marit.get_by_role("button", name=labels.OPEN_IT).click()
    # Planning along takes an account of one's own; the link is there again after it.
    marit.get_by_role("link", name=labels.SIGN_IN_OR_MAKE_AN_ACCOUNT).click()
    marit.get_by_role("button", name=labels.MAKE_AN_ACCOUNT).click()
    marit.get_by_label(labels.NAME).fill(f"Marit {uuid4().hex[:8]}")
    marit.get_by_label(labels.PASSWORD).fill("a long password")
    marit.get_by_role("button", name=labels.MAKE_THE_ACCOUNT).click()
    expect(marit.get_by_role("heading", name=labels.A_TRIP_IS_SHARED_WITH_YOU)).to_be_visible()
    own_gear(marit, "lens-100-400-f4-5-5-6")
    marit.goto(address)
    marit.get_by_role("button", name=labels.OPEN_IT).click()
    marit.wait_for_url("**/bench")
    bar = marit.get_by_role("complementary", name=labels.PLANNING_ALONG)
    expect(bar).to_contain_text("You plan along with")
    # What no kit loads is not on their table.
    expect(marit.locator("[data-thing]")).to_have_count(2)
    bar.get_by_role("button", name=labels.LEND_YOUR_OWN_GEAR_SMALL).click()
    lending = marit.get_by_role("dialog", name=labels.LEND_YOUR_OWN_GEAR)
    lending.get_by_role("checkbox").check()
    lending.get_by_role("button", name="Lend 1 item").click()
    load(marit, ".*’s")
    expect(marit.get_by_role("button", name=re.compile("^undo .+"))).to_be_visible()

    page.goto("/trips/tide-pools-together/a/bench")
    lent = page.locator(".mat").get_by_role("button", name=re.compile(".*’s"))
    expect(lent).to_have_attribute("aria-pressed", "true")
    page.get_by_role("button", name=re.compile("^undo .+")).click()
    expect(lent).to_have_attribute("aria-pressed", "false")

    # After a reload it is still the other's trip; on one's own shelf it is not, and stands there to go on with.
    marit.reload()
    expect(bar).to_be_visible()
    bar.get_by_role("link", name=labels.BACK_TO_YOUR_TRIPS).click()
    marit.get_by_role("region", name=labels.WITH_OTHERS).get_by_role("button", name="Tide pools together").click()
    expect(bar).to_be_visible()
    context.close()
