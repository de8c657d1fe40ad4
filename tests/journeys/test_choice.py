"""Brief a trip from nothing, find a gap and close it, compare two kits, take a suggested one."""

import re

import pytest
from playwright.sync_api import Page, Route, expect

from tests.journeys import labels
from tests.journeys.kits import remove_copies
from tests.journeys.own import add_gear, plan_trip, saved


@pytest.fixture(autouse=True)
def _unhurried(page: Page) -> None:
    """Searches get as long as the site lets anybody have: what is proved hangs less on other work of the machine."""

    def with_time(route: Route) -> None:
        route.continue_(post_data={**(route.request.post_data_json or {}), "seconds": 120})

    page.route("**/choose", with_time)


def points(page: Page) -> None:
    """Waits until the curve is whole."""
    expect(page.get_by_text(re.compile(r"kits, all proved"))).to_be_visible(timeout=300_000)


def test_a_brief_from_nothing_becomes_a_suggested_kit(newcomer: Page) -> None:
    page = newcomer
    page.goto("/locker")
    for typed in ("45 MP", "24-70 f/2.8", "100-400", "large pack", "SD card, 128"):
        add_gear(page, typed)
    plan_trip(page, "Hide by the lake")
    page.get_by_role("button", name=labels.ADD_A_READY_MADE_SET).click()
    page.get_by_text(labels.WILDLIFE_FROM_A_HIDE).click()
    page.get_by_role("option", name=labels.LARGE_BIRDS).click()
    form = page.locator(".edit")
    expect(form.get_by_label(labels.FAR)).to_have_value("60")
    form.get_by_label(labels.FAR).fill("45")
    # 0.5 x 24 mm x 45 m / 0.9 m = 600 mm.
    expect(form.get_by_label("To", exact=True)).to_have_value("600")
    page.get_by_label(labels.LATITUDE).fill("61° 54' N")
    page.get_by_label(labels.LONGITUDE).fill("5.0 E")
    saved(page)
    expect(page.get_by_text(re.compile(r"^Sunrise \d\d:\d\d"))).to_be_visible()
    page.get_by_role("link", name=re.compile("^Bench")).click()
    page.wait_for_url("**/bench")
    page.keyboard.press("s")
    page.wait_for_url("**/suggest")
    points(page)
    page.get_by_role("button", name=labels.SAVE_AS_A_NEW_KIT).click()
    page.wait_for_url("**/b/bench")
    expect(page.get_by_role("button", name=re.compile(r"100-400.*, loaded"))).to_be_visible()


def test_a_gap_is_found_and_closed_by_its_cure(inside: Page) -> None:
    inside.goto("/trips/lofoten/c/bench")
    gap = inside.locator(".findings li", has_text="gap ")
    expect(gap.first).to_contain_text("Sea eagles")
    before = inside.locator("footer").inner_text()
    gap.first.get_by_role("button", name=re.compile("^Load")).first.click()
    expect(inside.locator(".findings li", has_text=re.compile("Sea eagles: gap"))).to_have_count(0)
    assert inside.locator("footer").inner_text() != before
    inside.get_by_role("button", name=labels.UNDO, exact=True).click()
    expect(gap.first).to_be_visible()


def test_kits_are_compared_in_one_view(inside: Page) -> None:
    remove_copies(inside)
    inside.goto("/trips/lofoten/b/bench")
    inside.get_by_role("region", name=labels.THE_MAT).wait_for()
    inside.keyboard.press("c")
    inside.wait_for_url("**/compare")
    table = inside.get_by_role("table")
    expect(table.get_by_role("row", name=re.compile("^Brief covered"))).to_contain_text("%")
    expect(table.get_by_role("columnheader", name=re.compile("trio and primes"))).to_be_visible()
    inside.get_by_role("group", name=labels.KITS_TO_COMPARE).get_by_role("button", name="A").click()
    expect(table.get_by_role("columnheader")).to_have_count(3)


def test_the_curve_is_walked_marked_and_taken(inside: Page) -> None:
    inside.goto("/trips/lofoten/b/suggest")
    points(inside)
    curve = inside.get_by_role("listbox", name=re.compile("Trade curve"))
    curve.focus()
    heaviest = inside.locator("aside, .right h2").first.inner_text()
    inside.keyboard.press("ArrowLeft")
    expect(inside.locator(".right h2").first).not_to_have_text(heaviest)
    inside.locator(".right").get_by_role("button", name=labels.LEAVE_AT_HOME).first.click()
    points(inside)
    inside.get_by_role("button", name=labels.SAVE_AS_A_NEW_KIT).click()
    inside.wait_for_url(re.compile(r"/lofoten/[d-z]/bench"))
    expect(inside.locator(".kits")).to_contain_text("Suggested")


def test_a_search_is_stopped_and_a_contradiction_is_named(inside: Page) -> None:
    inside.goto("/trips/lofoten/b/suggest")
    points(inside)
    inside.get_by_label(labels.AT_MOST).fill("1")
    inside.get_by_label(labels.AT_MOST).press("Enter")
    answer = inside.locator(".answer")
    expect(answer).to_contain_text("The limit is 1.00 kg")
    # What somebody looked for to its end is there at once: this nobody did.
    inside.get_by_label(labels.AT_MOST).fill("6.37")
    inside.get_by_label(labels.AT_MOST).press("Enter")
    inside.get_by_role("button", name=labels.STOP).click()
    expect(inside.get_by_role("button", name=labels.SEARCH_AGAIN)).to_be_visible()
    expect(inside.get_by_role("status").filter(has_text=re.compile("^stopped (at|before)"))).to_be_visible()


def test_what_if_shows_and_forgets(demo: Page) -> None:
    demo.get_by_role("button", name=labels.WHAT_IF).click()
    demo.get_by_role("button", name=labels.LEAVE_LOAD).click()
    demo.get_by_role("button", name=labels.LEAVE, exact=True).first.click()
    expect(demo.locator(".thinking")).to_contain_text("g,")
    demo.get_by_role("button", name=labels.FORGET_IT).click()
    expect(demo.locator(".thinking")).to_have_count(0)
    expect(demo.get_by_role("button", name=labels.UNDO, exact=True)).to_be_disabled()


def test_filters_and_exposure_answer_on_the_bench(demo: Page) -> None:
    demo.get_by_role("button", name="filters", exact=True).first.click()
    demo.get_by_role("button", name=labels.FIND_THE_LIGHTEST_SET_FOR_EVERY).click()
    expect(demo.get_by_text("g, proved.")).to_be_visible()
    demo.get_by_label(labels.WANTED).fill("fast")
    demo.get_by_role("button", name=labels.STOPS, exact=True).click()
    expect(demo.get_by_text("Times as 1/60")).to_be_visible()
    demo.get_by_label(labels.WANTED).fill("1 s")
    demo.get_by_role("button", name=labels.STOPS, exact=True).click()
    expect(demo.get_by_text(re.compile(r"^5\.9 stops"))).to_be_visible()


def test_suggested_kits_by_their_days_and_in_bags_of_their_own(inside: Page) -> None:
    inside.goto("/trips/karst/a/suggest")
    points_found = inside.get_by_role("listbox").get_by_role("option")
    inside.get_by_label(labels.CHECK_EVERY_DAYS_CARRY).check()
    expect(inside.get_by_text(re.compile("^Heaviest day’s bag:"))).to_be_visible(timeout=300_000)
    inside.get_by_label(labels.HORIZONTAL_AXIS_OF_THE_CURVE).select_option("the heaviest day’s bag")
    expect(inside.get_by_text(labels.HEAVIEST_DAYS_BAG_WITH_THE_GEAR)).to_be_visible()
    expect(points_found.first).to_be_visible()
    expect(inside.get_by_role("columnheader", name=labels.CARRIED_BY_OF_THE_COMFORTABLE_LOAD)).to_be_visible()
    inside.get_by_label(labels.CHECK_EVERY_DAYS_CARRY).uncheck()
    inside.get_by_label(labels.CHOOSE_BAGS_TOO).check()
    # Bags are no part of what stays, and each point says in which it is.
    expect(inside.get_by_text(re.compile(r"^In .+ on Ines"))).to_be_visible(timeout=300_000)
    inside.get_by_role("button", name=labels.SAVE_AS_A_NEW_KIT).click()
    inside.wait_for_url("**/bench")
    expect(inside.get_by_role("contentinfo")).to_contain_text("brief", ignore_case=True)
