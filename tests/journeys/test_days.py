"""The day's bag in the browser: what is amiss is mended with a click, and a proposed bag becomes an outing."""

import re

from playwright.sync_api import Page, expect

from tests.journeys import labels
from tests.journeys.kits import own_kit


def day(page: Page, name: str) -> None:
    page.get_by_role("group", name=labels.DAYS_OF_THE_TRIP).get_by_role("button", name=re.compile(f"^{name}")).click()


def test_a_card_that_was_left_at_the_base_is_told_and_put_into_the_bag(inside: Page) -> None:
    kit = own_kit(inside, "b")
    inside.goto(f"/trips/lofoten/{kit}/stow")
    inside.get_by_role("link", name=labels.DAY_BY_DAY).click()
    inside.wait_for_url("**/days")
    day(inside, "Sun 21")
    panel = inside.get_by_role("region", name="Sun 21 Feb")
    expect(panel).to_contain_text("Shore morning")
    expect(panel).to_contain_text("has no card")
    panel.get_by_role("button", name=re.compile("^Load SD 128")).click()
    expect(panel).not_to_contain_text("has no card")
    panel.get_by_role("button", name=labels.MOVES_THIS_EVENING).click()
    expect(panel.get_by_role("listitem").filter(has_text="SD 128")).to_have_count(1)
    inside.reload()
    day(inside, "Sun 21")
    expect(inside.get_by_role("region", name="Sun 21 Feb")).not_to_contain_text("has no card")


def test_days_of_one_sort_get_the_lightest_bag_with_one_click(inside: Page) -> None:
    kit = own_kit(inside, "b")
    inside.goto(f"/trips/lofoten/{kit}/days")
    expect(inside.get_by_text("3 of 9 days have their own bag")).to_be_visible()
    day(inside, "Fri 26")
    inside.get_by_role("button", name=labels.PROPOSE_THE_LIGHTEST_BAG).click()
    way = inside.get_by_role("group", name=labels.WAYS_TO_GO_OUT).get_by_role(
        "button", name=re.compile("^The lightest")
    )
    expect(way).to_contain_text("proved")
    expect(way).to_contain_text("Sea eagles 100 %")
    inside.get_by_role("button", name="Take it for Fri 26 Feb").click()
    expect(inside.get_by_text("4 of 9 days have their own bag")).to_be_visible()
    panel = inside.get_by_role("region", name="Fri 26 Feb")
    expect(panel).to_contain_text("Eagles, the lightest")
    expect(panel).to_contain_text("Corrie 100–400")
    # By keyboard: two days at once.
    columns = inside.get_by_role("group", name=labels.DAYS_OF_THE_TRIP)
    columns.get_by_role("button", name=re.compile("^Wed 24")).press("Enter")
    columns.get_by_role("button", name=re.compile("^Thu 25")).click(modifiers=["Shift"])
    expect(inside.get_by_role("heading", name=re.compile("^One bag for Wed 24 Feb, Thu 25 Feb"))).to_be_visible()


def test_a_goal_on_foot_gets_its_clock(inside: Page) -> None:
    kit = own_kit(inside, "b")
    inside.goto(f"/trips/lofoten/{kit}/brief")
    inside.get_by_role("group", name=labels.DAYS, exact=True).get_by_role("button", name=re.compile("Eagles")).click()
    inside.get_by_role("button", name=labels.A_GOAL_ON_FOOT_WITH_THE).click()
    inside.get_by_label(labels.TO_THE_GOAL).fill("6")
    inside.get_by_label("Up", exact=True).fill("300")
    expect(inside.get_by_text(labels.SAVED, exact=True)).to_be_visible()
    inside.goto(f"/trips/lofoten/{kit}/days")
    day(inside, "Fri 26")
    foot = inside.get_by_role("region", name="Fri 26 Feb").get_by_role("region", name=labels.ON_FOOT)
    expect(foot.get_by_role("listitem")).to_have_count(5)
    expect(foot.get_by_role("listitem").first).to_contain_text("leave")
    expect(foot).to_contain_text("trained guides decide")
    # Another day has one already; on the phone it stands with the day's bag.
    inside.goto(f"/trips/lofoten/{kit}/trail")
    while "Wed 24" not in inside.get_by_role("heading", level=1).inner_text():
        inside.get_by_role("button", name=labels.THE_DAY_AFTER).click()
    expect(inside.get_by_role("region", name=labels.ON_FOOT)).to_contain_text("turn back")
    # A day without a bag of its own has no other day's list, either.
    expect(inside.get_by_role("region", name=labels.TODAY)).to_contain_text("No loadout for this day")


def test_a_curve_says_how_light_the_bag_could_be_for_less(inside: Page) -> None:
    kit = own_kit(inside, "b")
    inside.goto(f"/trips/lofoten/{kit}/days")
    day(inside, "Tue 23")
    inside.get_by_role("button", name=labels.PROPOSE_THE_LIGHTEST_BAG).click()
    way = inside.get_by_role("group", name=labels.WAYS_TO_GO_OUT).get_by_role(
        "button", name=re.compile("^The lightest")
    )
    curve = inside.get_by_role("group", name=labels.LIGHT_TO_COMPLETE)
    curve.get_by_role("button").first.click()
    expect(curve.get_by_role("button").first).to_have_attribute("aria-pressed", "true")
    light = curve.get_by_role("button").first.inner_text().split(" for ")[0]
    expect(way).to_contain_text(light)
    curve.get_by_role("button", name=re.compile("for all of it")).click()
    expect(way).not_to_contain_text(light)
    expect(way).to_contain_text("packed")


def test_a_bag_is_changed_on_the_phone_without_a_network_and_put_into_the_plan(inside: Page) -> None:
    kit = own_kit(inside, "b")
    inside.set_viewport_size({"width": 390, "height": 844})
    inside.goto(f"/trips/lofoten/{kit}/trail")
    while "Tue 23" not in inside.get_by_role("heading", level=1).inner_text():
        inside.get_by_role("button", name=labels.THE_DAY_AFTER).click()
    today = inside.get_by_role("region", name=labels.TODAY)
    out = today.get_by_role("button", name=re.compile("^Corrie 100–400"))
    expect(out).to_have_count(0)
    inside.context.set_offline(True)
    today.get_by_role("button", name=labels.CHANGE).click()
    expect(out).to_contain_text("stays at the base")
    out.click()
    expect(out).to_contain_text("goes along")
    expect(today).to_contain_text("+1396 g Corrie 100–400")
    today.get_by_role("button", name=labels.GOING_OUT).click()
    expect(out).to_have_count(1)
    today.get_by_role("button", name=labels.COMING_BACK).click()
    expect(out).to_have_count(1)
    inside.context.set_offline(False)
    inside.evaluate("window.dispatchEvent(new Event('online'))")
    expect(inside.get_by_text(re.compile("wait here|sending"))).to_be_hidden()
    # It stands on every device, and becomes the plan's.
    inside.reload()
    while "Tue 23" not in inside.get_by_role("heading", level=1).inner_text():
        inside.get_by_role("button", name=labels.THE_DAY_AFTER).click()
    expect(today).to_contain_text("Changed on the way")
    today.get_by_role("button", name=labels.SAVE_TO_THE_PLAN).click()
    expect(today).not_to_contain_text("Changed on the way")
    expect(out).to_have_count(1)
    inside.set_viewport_size({"width": 1280, "height": 800})
    inside.goto(f"/trips/lofoten/{kit}/days")
    day(inside, "Tue 23")
    panel = inside.get_by_role("region", name="Tue 23 Feb")
    expect(panel.get_by_role("listitem").filter(has_text="Corrie 100–400")).to_have_count(1)


def test_what_goes_first_of_a_days_bag_and_the_brief_by_its_days(inside: Page) -> None:
    kit = own_kit(inside, "b")
    inside.goto(f"/trips/lofoten/{kit}/days")
    day(inside, "Sun 21")
    panel = inside.get_by_role("region", name="Sun 21 Feb")
    panel.get_by_role("button", name=labels.LEAVE_OR_TAKE).click()
    row = panel.get_by_role("row").filter(has_text="Corrie 24–70")
    expect(row).to_contain_text("806 g")
    scale = inside.get_by_role("contentinfo").get_by_role("button", name=re.compile("^Brief"))
    expect(scale).to_contain_text("one day’s bag falls short")
    row.get_by_role("button", name=labels.LEAVE, exact=True).click()
    panel.get_by_role("button", name=labels.MOVES_THIS_EVENING).click()
    expect(panel.get_by_role("listitem").filter(has_text="Corrie 24–70")).to_have_count(0)
    scale.click()
    expect(inside.get_by_text("Sea stacks, villages: planned for 6 days").last).to_be_visible()
    expect(inside.get_by_text("the others are checked with everything that travels").last).to_be_visible()
