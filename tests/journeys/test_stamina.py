"""Power and pictures in the browser: the demo's hut nights, and an own trip made from nothing."""

import re

from playwright.sync_api import Page, expect

from tests.journeys import labels


def stamina(page: Page, kit: str = "b") -> None:
    page.goto(f"/trips/lofoten/{kit}/stamina")
    expect(page.get_by_role("heading", name=re.compile("^Stamina"))).to_be_visible()


def test_the_hut_nights_run_dry_and_the_short_day_is_open(demo: Page) -> None:
    demo.keyboard.press("3")
    demo.wait_for_url("**/stamina")
    expect(demo.locator(".findings")).to_contain_text("LB-4 batteries run out on Fri 26 Feb.")
    expect(demo.get_by_role("group", name=labels.DAYS).get_by_role("button", pressed=True)).to_contain_text("▲ short")
    expect(demo.locator(".right h1")).to_contain_text("Fri 26 Feb")
    expect(demo.locator("footer")).to_contain_text("6 of 9 days")
    demo.get_by_role("button", name="Sat 20 Feb").click()
    expect(demo.locator(".right h1")).to_contain_text("Travel")
    # 80 frames at 400 a charge and 20 of the second camera: 0.20 and 0.05 charges of 16 Wh.
    expect(demo.locator(".right")).to_contain_text("0.20×")
    expect(demo.locator(".right")).to_contain_text("4.0 Wh")


def test_pace_and_cold_answer_at_once_and_are_kept(demo: Page) -> None:
    stamina(demo, "c")
    expect(demo.locator("footer")).to_contain_text("9 of 9 days")
    pace = demo.get_by_role("slider", name=labels.PACE)
    pace.focus()
    for _ in range(6):
        pace.press("ArrowRight")
    expect(demo.locator(".sliders")).to_contain_text("60 % more")
    expect(demo.locator(".findings")).to_contain_text("LB-4 batteries run out")
    # Whoever leaves before it is stored is asked by the browser.
    expect(demo.get_by_text(labels.SAVING)).to_have_count(0)
    demo.reload()
    expect(demo.locator(".sliders")).to_contain_text("60 % more")
    pace.focus()
    for _ in range(6):
        pace.press("ArrowLeft")
    expect(demo.locator(".sliders")).to_contain_text("I shoot as planned")
    expect(demo.locator(".findings")).not_to_contain_text("LB-4 batteries run out")


def test_schools_stand_side_by_side_and_one_is_picked(demo: Page) -> None:
    stamina(demo)
    demo.get_by_role("button", name=labels.LOSSES_APPROACHES).click()
    schools = demo.locator(".panel-body table").last
    expect(schools.get_by_role("row", name=re.compile("^spare batteries only"))).to_contain_text("kg")
    schools.get_by_role("button", name=labels.POWER_BANK_BY_DAY).click()
    expect(demo.locator(".top")).to_contain_text("power bank by day")
    schools.get_by_role("button", name=labels.CHARGE_EVERY_NIGHT).click()
    expect(demo.locator(".top")).to_contain_text("charge every night")


def test_a_night_is_given_mains_and_a_day_another_sort(demo: Page) -> None:
    stamina(demo, "a")
    demo.get_by_role("button", name="Wed 24 Feb").click()
    expect(demo.get_by_label(labels.MAINS)).to_have_value("0")
    demo.get_by_label(labels.MAINS).fill("25")
    expect(demo.locator(".right")).to_contain_text("not saved")
    demo.get_by_role("button", name=labels.UNDO_IT).click()
    expect(demo.get_by_label(labels.MAINS)).to_have_value("0")
    demo.get_by_role("button", name=labels.AS_A_TABLE).click()
    expect(demo.get_by_role("row", name=re.compile("^Wed 24 Feb")).first).to_contain_text("none")
