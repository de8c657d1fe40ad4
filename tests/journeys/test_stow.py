"""Packing in the browser: the demo's bags, a lens pinned by hand, a thing found again."""

import re

from playwright.sync_api import Page, expect

from tests.journeys.test_demo import own_kit


def stow(page: Page, kit: str) -> None:
    page.goto(f"/trips/lofoten/{kit}/stow")
    expect(page.locator(".right")).to_contain_text("Everything has a place")


def room(page: Page, bag: str, name: str) -> None:
    page.get_by_role("region", name=bag, exact=True).get_by_role("button", name=re.compile(f"^{name}")).click()


def test_the_demo_kit_is_packed_and_every_thing_has_a_place(demo: Page) -> None:
    demo.keyboard.press("4")
    demo.wait_for_url("**/stow")
    stow(demo, "b")
    expect(demo.locator(".right")).to_contain_text("checked: nothing overlaps or sticks out")
    expect(demo.locator(".middle h1")).to_contain_text("Cube, large")
    room(demo, "Ridge 25", "sleeve")
    expect(demo.get_by_role("button", name=re.compile("^Laptop, 14 inch"))).to_be_visible()
    demo.get_by_role("button", name="as a table").click()
    expect(demo.get_by_role("row", name=re.compile("^Clothes"))).to_contain_text("Duffel 60")


def test_a_thing_is_found_by_a_word_of_its_name(demo: Page) -> None:
    stow(demo, "b")
    demo.get_by_role("textbox", name="Where is…").fill("blower")
    hit = demo.locator(".find button", has_text="Air blower")
    expect(hit).to_contain_text("Ridge 32")
    hit.click()
    expect(demo.get_by_role("region", name="Picked")).to_contain_text("Air blower")


def test_a_pinned_lens_stays_where_it_was_put(demo: Page) -> None:
    own_kit(demo, "b")
    stow(demo, demo.url.split("/")[-2])
    room(demo, "Cube, large", "inside")
    lens = demo.get_by_role("button", name=re.compile("^Corrie 24–70"))
    lens.focus()
    lens.press("Enter")
    expect(demo.get_by_role("region", name="Picked")).to_contain_text("nothing on top")
    demo.get_by_role("button", name="Pin it here").click()
    expect(demo.get_by_role("button", name="Unpin it")).to_be_visible()
    before = demo.locator(".face.picked rect, .face.picked ellipse").first.bounding_box()
    demo.reload()
    stow(demo, demo.url.split("/")[-2])
    room(demo, "Cube, large", "inside")
    demo.get_by_role("button", name=re.compile("^Corrie 24–70")).press("Enter")
    expect(demo.get_by_role("button", name="Unpin it")).to_be_visible()
    after = demo.locator(".face.picked rect, .face.picked ellipse").first.bounding_box()
    assert before is not None
    assert after is not None
    assert (round(before["x"]), round(before["y"])) == (round(after["x"]), round(after["y"]))


def test_what_finds_no_room_says_so_and_is_moved_by_its_cure(demo: Page) -> None:
    own_kit(demo, "b")
    kit = demo.url.split("/")[-2]
    demo.locator(".mat").get_by_role("button", name=re.compile("^Corrie 70–200")).click()
    expect(demo.locator(".mat").get_by_role("button", name=re.compile("^Corrie 70–200"))).to_have_attribute(
        "aria-pressed", "true"
    )
    demo.goto(f"/trips/lofoten/{kit}/stow")
    left = demo.get_by_role("region", name="Left over")
    expect(left).to_contain_text("Corrie 70–200 f/2.8 finds no room in Ridge 32 (proved).")
    left.get_by_role("button", name="Move it to Cube, large").click()
    expect(left).to_contain_text("Everything has a place")


def test_the_round_view_draws_or_says_that_it_cannot(demo: Page) -> None:
    stow(demo, "b")
    demo.get_by_role("button", name="in the round").click()
    expect(demo.get_by_role("img", name=re.compile("in the round"))).to_be_visible()
