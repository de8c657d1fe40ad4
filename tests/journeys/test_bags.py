"""Choose bags and who carries what, in the browser."""

import re

from playwright.sync_api import Page, expect

from tests.journeys import labels
from tests.journeys.kits import own_kit


def test_who_carries_what_is_shared_with_a_click_or_move_by_move(inside: Page) -> None:
    kit = own_kit(inside, "b")
    inside.goto(f"/trips/lofoten/{kit}/stow")
    inside.get_by_role("link", name=labels.CHOOSE_BAGS_AND_WHO_CARRIES_WHAT).click()
    inside.wait_for_url("**/bags")
    share = inside.get_by_role("region", name=labels.WHO_CARRIES_WHAT)
    expect(share).to_contain_text("Then every leg allows the bags")
    expect(share).to_contain_text("Proved")
    # One move less: what the others come to is worked out anew.
    share.get_by_role("checkbox", name=re.compile("100–400")).uncheck()
    expect(share.get_by_role("button", name="Move these 3")).to_be_visible()
    expect(share).not_to_contain_text("Proved")
    share.get_by_role("checkbox", name=re.compile("Corrie C1")).uncheck()
    expect(share).to_contain_text(re.compile(r"is still \d+ g over"))
    for box in share.get_by_role("checkbox").all():
        box.check()
    share.get_by_role("button", name=labels.DIVIDE_IT_THIS_WAY).click()
    expect(share).to_contain_text("Nothing is worth moving")
    inside.goto(f"/trips/lofoten/{kit}/gate")
    expect(inside.get_by_text("567 g over")).to_have_count(0)


def test_a_set_of_bags_becomes_a_kit(inside: Page) -> None:
    kit = own_kit(inside, "a")
    inside.goto(f"/trips/lofoten/{kit}/bags")
    expect(inside.get_by_text("sets tried")).to_be_visible(timeout=90_000)
    sets = inside.get_by_role("group", name=labels.SETS_OF_BAGS).get_by_role("button")
    expect(sets.first).to_contain_text("as it is now")
    other = sets.filter(has_text="everything fits").nth(1)
    name = other.locator(".name").inner_text()
    other.click()
    expect(other).to_have_attribute("aria-pressed", "true")
    inside.get_by_role("button", name=labels.TRY_IT_AS_A_NEW_KIT).click()
    inside.wait_for_url("**/stow")
    expect(inside.locator(".left")).to_contain_text(name.split(" · ")[0].split(" + ")[0])


def test_alone_nothing_is_shared_and_the_screen_says_why(inside: Page) -> None:
    inside.goto("/trips/canoe/a/bags")
    expect(inside.get_by_text("One person carries everything")).to_be_visible()
    expect(inside.get_by_role("group", name=labels.SETS_OF_BAGS).get_by_role("button").first).to_contain_text(
        "as it is now"
    )
