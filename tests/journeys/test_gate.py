"""The gate rehearsed in the browser."""

import re

from playwright.sync_api import Page, expect

from tests.journeys import labels
from tests.journeys.kits import edit, own_kit


def test_the_small_plane_weighs_the_cabin_bag(demo: Page) -> None:
    demo.keyboard.press("5")
    demo.wait_for_url("**/gate")
    row = demo.get_by_role("row", name=re.compile("^Small plane to the islands"))
    expect(row).to_contain_text("if they weigh it: 567 g over")
    expect(demo.locator(".matrix")).to_contain_text("set the limit for the whole journey")
    expect(demo.get_by_role("row", name=re.compile("^LB-4 battery"))).to_contain_text("Contacts covered.")


def test_the_drill_says_what_comes_out_and_what_finds_no_room(inside: Page) -> None:
    inside.goto("/trips/lofoten/b/gate")
    inside.get_by_role("button", name=labels.IF_THEY_TAKE_YOUR_BAG).click()
    panel = inside.locator(".panel-body")
    expect(panel).to_contain_text("They take the bag at the door: the overhead locker is full")
    expect(panel.get_by_role("listitem").first).to_contain_text("LB-4 battery × 3")
    expect(panel).to_contain_text("No other bag to move into")
    inside.get_by_role("button", name=labels.SECURITY_TRAY).click()
    expect(inside.get_by_role("row", name=re.compile("^Laptop, 14 inch"))).to_contain_text("Ridge 25, sleeve")
    inside.get_by_role("button", name=labels.CUSTOMS_AND_INSURANCE_LIST).click()
    expect(inside.get_by_role("button", name=labels.PRINT_THIS_LIST)).to_be_visible()


def test_a_bank_in_the_hold_stops_the_trip_until_it_is_moved(inside: Page) -> None:
    kit = own_kit(inside, "b")
    hold = {"where": "bag", "bag": "duffel", "outside": False}
    edit(inside, kit, [{"act": "move", "item": "bank-90", "place": hold}])
    inside.goto(f"/trips/lofoten/{kit}/gate")
    findings = inside.locator(".findings")
    expect(findings).to_contain_text("Power bank 90 Wh does not go in the hold.")
    findings.get_by_role("button", name=re.compile("^Move Power bank 90 Wh to Ridge 25")).click()
    expect(findings).not_to_contain_text("does not go in the hold")
