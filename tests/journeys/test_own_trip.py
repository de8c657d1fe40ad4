"""From an empty account to an own loaded kit, and what happens when things go wrong."""

import json
import re
from pathlib import Path
from uuid import uuid4

import pytest
from playwright.sync_api import Page, expect

from tests.journeys import labels
from tests.journeys.own import (
    BAG,
    BODY,
    ZOOM,
    add_gear,
    add_small_plane,
    add_want,
    lay_out_trip,
    load,
    own_gear,
    own_trip,
    plan_trip,
    saved,
)

ROOT = Path(__file__).parents[2]


def test_an_own_trip_from_nothing_to_a_loaded_bag(newcomer: Page) -> None:
    page = newcomer
    page.goto("/locker")
    for typed in ("full-frame 45", "24-70 f/2.8", "14-30", "backpack 25"):
        add_gear(page, typed)
    expect(page.locator(".rows")).to_contain_text("24-70 f/2.8 zoom, full frame")

    page.get_by_role("button", name=labels.WEIGH_IN).click()
    field = page.get_by_label("Mass of 24-70 f/2.8 zoom, full frame")
    field.fill("812")
    field.press("Enter")
    page.get_by_role("button", name=labels.DONE_WEIGHING).click()
    expect(page.locator("tr", has_text="24-70 f/2.8 zoom").last).to_contain_text("weighed")

    plan_trip(page, "Spring on the west coast")
    add_want(page, "Cliffs", "16", "70")
    saved(page)

    page.keyboard.press("Escape")
    page.get_by_role("link", name=re.compile("^Bench")).click()
    page.wait_for_url("**/bench")
    load(page, "Photo backpack", "Full-frame body", "24-70")
    expect(page.locator(".findings")).to_contain_text("gap 16–24 mm.")
    page.get_by_role("button", name=re.compile("^Load 14-30")).first.click()
    expect(page.locator(".findings")).not_to_contain_text("gap")
    expect(page.locator("footer button", has_text="Brief")).to_contain_text("100")
    # 1700 + 720 + 812 + 485 = 3717 g
    expect(page.locator("footer")).to_contain_text("3.72")
    page.reload()
    expect(page.locator("footer")).to_contain_text("3.72")


def test_an_account_is_made_at_the_door(page: Page) -> None:
    page.goto("/welcome")
    page.get_by_role("button", name=labels.MAKE_AN_ACCOUNT).click()
    page.get_by_label(labels.NAME).fill(f"photographer {uuid4().hex}")
    page.get_by_label(labels.PASSWORD).fill("a long password")
    page.get_by_role("button", name=labels.MAKE_THE_ACCOUNT).click()
    page.wait_for_url("**/trips")
    page.goto("/locker")
    expect(page.get_by_role("main")).to_contain_text("Your locker is empty.")


def test_a_reversed_range_is_told_at_the_field_and_nothing_typed_is_lost(newcomer: Page) -> None:
    plan_trip(newcomer, "Backwards")
    add_want(newcomer, "Upside down", "70", "24")
    expect(newcomer.locator(".edit")).to_contain_text("must not end at 24")
    expect(newcomer.locator(".state")).to_contain_text("Not saved yet")
    expect(newcomer.locator(".edit").get_by_label(labels.NAME)).to_have_value("Upside down")
    newcomer.get_by_role("link", name=labels.NARROW_MULE_TO_THE_TRIPS).click()
    dialog = newcomer.get_by_role("dialog", name=labels.SOME_OF_THE_BRIEF_IS_NOT)
    dialog.get_by_role("button", name=labels.KEEP_IT).click()
    newcomer.locator(".edit").get_by_label("To", exact=True).fill("240")
    saved(newcomer)
    newcomer.reload()
    expect(newcomer.locator(".edit").get_by_label("To", exact=True)).to_have_value("240")


def test_a_negative_mass_is_told_at_the_field_and_kept(newcomer: Page) -> None:
    newcomer.goto("/locker")
    add_gear(newcomer, "blower")
    field = newcomer.get_by_label(labels.MASS_OF_ONE)
    field.fill("-5")
    newcomer.get_by_role("button", name=labels.SAVE).click()
    expect(newcomer.locator(".editor")).to_contain_text("0 g or more")
    expect(field).to_have_value("-5")
    field.fill("9,5")
    newcomer.get_by_role("button", name=labels.SAVE).click()
    expect(newcomer.locator(".rows")).to_contain_text("9.5 g")


def test_a_thing_that_the_table_does_not_list_starts_from_its_kind(newcomer: Page) -> None:
    newcomer.goto("/locker")
    newcomer.get_by_role("button", name=labels.ADD_GEAR).click()
    newcomer.get_by_role("dialog").locator(".v-select").click()
    newcomer.get_by_role("option", name=labels.LENS, exact=True).click()
    newcomer.get_by_label(labels.NAME, exact=True).fill("Grandfather’s 58 f/2")
    newcomer.get_by_label(labels.SHORTEST_FOCAL_LENGTH).fill("58")
    newcomer.get_by_label(labels.LONGEST_FOCAL_LENGTH).fill("58")
    newcomer.get_by_role("button", name=labels.ADD_TO_LOCKER).click()
    expect(newcomer.locator(".rows")).to_contain_text("Grandfather’s 58 f/2")


def test_a_carrier_made_from_a_pattern_is_used_on_a_leg_and_judges_the_bag(newcomer: Page) -> None:
    page = newcomer
    add_small_plane(page, "1")
    own_gear(page, BAG)
    page.goto(f"/trips/{own_trip(page, 'By small plane')}/a/brief")
    page.get_by_role("button", name=labels.ADD_A_LEG).click()
    page.locator("section[aria-label=Legs] .v-select").click()
    page.get_by_role("option", name="Gannet Hopper").click()
    saved(page)
    page.get_by_role("link", name=re.compile("^Bench")).click()
    page.locator(".mat").get_by_role("button", name=re.compile("^Photo backpack")).click()
    expect(page.locator(".findings")).to_contain_text("700 g over")
    expect(page.locator("footer")).to_contain_text("700 g over, leg 1")


def test_a_plan_file_goes_out_and_comes_in_again(newcomer: Page, tmp_path: Path) -> None:
    page = newcomer
    page.get_by_label(labels.PLAN_FILE_TO_IMPORT).set_input_files(ROOT / "demo" / "karst.plan.json")
    expect(page.locator(".shelf")).to_contain_text("Caves and karst by night train")
    with page.expect_download() as caught:
        page.get_by_role("link", name=labels.EXPORT_PLAN).click()
    file = tmp_path / "out.plan.json"
    caught.value.save_as(file)
    assert json.loads(file.read_text())["trip"]["name"] == "Caves and karst by night train"
    page.get_by_label(labels.PLAN_FILE_TO_IMPORT).set_input_files(file)
    expect(page.locator(".trip")).to_have_count(2)


@pytest.mark.parametrize(
    ("content", "says"),
    [
        (b"{", "Must be a complete JSON document"),
        (b'{"format": "other"}', "narrow-mule-plan"),
        (b'{"format": "narrow-mule-plan", "version": 7}', "the version this build reads"),
        (b" " * 40_000_001, "too large"),
    ],
)
def test_a_broken_plan_file_says_what_is_wrong_and_brings_nothing_in(
    newcomer: Page, tmp_path: Path, content: bytes, says: str
) -> None:
    file = tmp_path / "broken.plan.json"
    file.write_bytes(content)
    newcomer.get_by_label(labels.PLAN_FILE_TO_IMPORT).set_input_files(file)
    expect(newcomer.get_by_role("alert")).to_contain_text(says)
    expect(newcomer.get_by_role("alert")).to_contain_text("Nothing was imported.")
    expect(newcomer.locator(".trip")).to_have_count(0)


def test_units_and_theme_follow_the_settings(newcomer: Page) -> None:
    page = newcomer
    own_gear(page, ZOOM)
    page.goto("/locker")
    expect(page.locator(".rows")).to_contain_text("800 g")
    page.goto("/settings")
    page.get_by_label(labels.IMPERIAL).check()
    page.get_by_label(labels.RED_LIGHT).check()
    expect(page.locator("html")).to_have_attribute("data-theme", "red")
    page.goto("/locker")
    expect(page.locator(".rows")).to_contain_text("1 lb 12 oz")
    expect(page.locator("html")).to_have_attribute("data-theme", "red")


def test_signing_out_closes_everything(newcomer: Page) -> None:
    newcomer.get_by_role("button", name=labels.MENU).click()
    newcomer.get_by_text("Sign out").click()
    newcomer.wait_for_url("**/welcome")
    newcomer.goto("/locker")
    newcomer.wait_for_url("**/welcome?next=/locker")


def test_a_wrong_password_is_told_at_the_field(page: Page) -> None:
    page.goto("/welcome")
    page.get_by_label(labels.NAME).fill("Nobody")
    page.get_by_label(labels.PASSWORD).fill("wrong words")
    page.get_by_role("button", name=labels.SIGN_IN, exact=True).click()
    expect(page.locator(".enter")).to_contain_text("Name and password do not match")


def test_an_own_trip_says_whether_power_and_cards_last(newcomer: Page) -> None:
    page = newcomer
    lay_out_trip(page, "Three days of tide pools", BODY, ZOOM, BAG)
    page.get_by_role("link", name=re.compile("^Stamina")).click()
    page.wait_for_url("**/stamina")
    expect(page.get_by_role("group", name=labels.DAYS).get_by_role("button")).to_have_count(3)
    expect(page.locator("footer")).to_contain_text("no camera loaded")
    expect(page.locator("footer")).to_contain_text("– of 3 days")
    page.get_by_label(labels.OUTLETS).fill("1")
    page.get_by_label(labels.MAINS).fill("6")
    expect(page.locator(".right .views [role=status]")).to_have_text("")
    page.reload()
    expect(page.get_by_label(labels.MAINS)).to_have_value("6")
    page.get_by_role("button", name="settings", exact=True).click()
    page.get_by_role("button", name="Travel").click()
    page.get_by_label(labels.FRAMES, exact=True).fill("many")
    expect(page.get_by_text("A number, please")).to_be_visible()


def rename(page: Page, name: str) -> None:
    """Gives the thing that was added last a name of one's own."""
    editor = page.get_by_role("complementary", name=labels.CHOSEN_ITEM)
    editor.get_by_label(labels.NAME, exact=True).fill(name)
    editor.get_by_role("button", name=labels.SAVE).click()
    expect(page.locator(".rows")).to_contain_text(name)


def test_an_own_trip_from_packing_out_to_looking_back(newcomer: Page) -> None:
    page = newcomer
    page.goto("/locker")
    for typed, name in (("full-frame 45", "Corrie C1"), ("14-30", "Corrie 16-35 f/4"), ("backpack 25", "Grey bag")):
        add_gear(page, typed)
        rename(page, name)
    page.goto("/trips")
    plan_trip(page, "Own caves")
    page.get_by_label(labels.FIRST_DAY).fill("2026-10-03")
    add_want(page, "Halls", "16", "35")
    saved(page)
    page.keyboard.press("Escape")
    page.get_by_role("link", name=re.compile("^Bench")).click()
    page.wait_for_url("**/bench")
    load(page, "Grey bag", "Corrie C1", "Corrie 16-35")

    page.get_by_role("link", name=re.compile("^Pack-out")).click()
    page.wait_for_url("**/pack-out")
    listed = page.get_by_role("region", name=labels.THE_LIST)
    for name in ("Corrie C1", "Corrie 16-35"):
        listed.get_by_role("button", name=re.compile(f"{name}.*(low|high|halfway)")).click()
    expect(page.get_by_role("heading", name=re.compile("Pack-out"))).to_contain_text("2 of 2 in")
    beside = page.get_by_role("navigation", name=labels.BESIDE_THE_LIST)
    beside.get_by_role("button", name=labels.BEFORE_LEAVING_SMALL).click()
    tasks = page.get_by_role("region", name=labels.BEFORE_LEAVING).get_by_role("listitem")
    for index in range(tasks.count()):
        tasks.nth(index).get_by_role("button").click()
        expect(tasks.nth(index).get_by_role("button")).to_have_attribute("aria-pressed", "true")
    expect(page.get_by_role("link", name=re.compile("^Pack-out"))).to_contain_text("done")

    page.get_by_role("link", name=re.compile("^Look back")).click()
    page.wait_for_url("**/look-back")
    expect(page.get_by_role("main")).to_contain_text("Nothing noted on this trip yet")
    pictures = sorted((ROOT / "demo" / "karst-pictures").glob("*.jpg"))[:20]
    page.get_by_label(labels.FILES_TO_READ).set_input_files(pictures)
    expect(page.get_by_role("region", name=labels.PICTURES)).to_contain_text("20 pictures read")
    expect(page.get_by_role("row", name=re.compile("^Halls"))).to_contain_text("20")
    expect(page.get_by_role("row", name=re.compile("^Corrie 16-35"))).to_contain_text("20")


def test_a_want_that_asks_for_more_than_glass_says_so_until_it_is_there(newcomer: Page) -> None:
    page = newcomer
    own_gear(page, BODY, ZOOM, BAG, "panel-pocket")
    page.goto(f"/trips/{own_trip(page, 'Portraits by night')}/a/brief")
    add_want(page, "By lamp light", "24", "70")
    page.get_by_role("combobox", name=labels.ALSO_NEEDS).click(force=True)
    page.get_by_role("option", name=labels.A_LIGHT).click()
    page.keyboard.press("Escape")
    saved(page)
    page.get_by_role("link", name=re.compile("^Bench")).click()
    page.wait_for_url("**/bench")
    load(page, "Photo backpack", "Full-frame body", "24-70")
    expect(page.locator(".findings")).to_contain_text("By lamp light needs a light.")
    expect(page.locator("footer button", has_text="Brief")).to_contain_text(re.compile(r"(?<!\d)0\s*% covered"))
    page.get_by_role("button", name=re.compile("^Load .*panel", re.IGNORECASE)).first.click()
    expect(page.locator(".findings")).not_to_contain_text("needs a light")
    expect(page.locator("footer button", has_text="Brief")).to_contain_text("100")


def test_what_nobody_owns_is_listed_to_be_got_and_printed(newcomer: Page) -> None:
    page = newcomer
    own_gear(page, BODY, ZOOM, BAG)
    page.goto(f"/trips/{own_trip(page, 'Stars')}/a/brief")
    add_want(page, "Stars", "24", "70")
    page.get_by_label("Needs a tripod").check()
    saved(page)
    page.get_by_role("link", name=re.compile("^Bench")).click()
    page.wait_for_url("**/bench")
    load(page, "Photo backpack", "Full-frame body", "24-70")
    expect(page.locator(".findings")).to_contain_text("Buy, rent or borrow a tripod with a head")
    page.get_by_role("link", name=re.compile("^Pack-out")).click()
    page.wait_for_url("**/pack-out")
    page.get_by_role("navigation", name=labels.BESIDE_THE_LIST).get_by_role(
        "button", name=labels.BEFORE_LEAVING_SMALL
    ).click()
    listed = page.get_by_role("region", name=labels.BEFORE_LEAVING)
    expect(listed).to_contain_text("A tripod with a head")
    expect(listed).to_contain_text("about 1300 g")
    slug = page.url.split("/trips/")[1].split("/")[0]
    table = page.request.get(f"/api/exchange/tables/{slug}/a/to-get.csv").text()
    assert any(line.startswith("tripod with a head") for line in table.splitlines()), table
    assert page.request.get(f"/api/exchange/paper/{slug}/a/list.pdf").body().startswith(b"%PDF")


def test_a_thing_is_dragged_from_the_mat_into_a_bag(newcomer: Page) -> None:
    page = newcomer
    lay_out_trip(page, "Dragged along", BODY, ZOOM, BAG)
    load(page, "Photo backpack")
    lens = page.locator(".mat").get_by_role("button", name=re.compile("^24-70"))
    for place, told in (("in Photo backpack", "Photo backpack"), ("on Marit", "Marit")):
        box = lens.bounding_box()
        assert box
        page.mouse.move(box["x"] + 5, box["y"] + 5)
        page.mouse.down()
        page.mouse.move(box["x"] + 30, box["y"] + 30, steps=4)
        target = (
            page.get_by_role("region", name=labels.DROP_IT_INTO)
            .get_by_role("button", name=re.compile(f"^{place}"))
            .first
        )
        target.hover()
        target.hover()
        page.mouse.up()
        expect(lens).to_have_attribute("aria-pressed", "true")
        expect(
            page.get_by_role("complementary", name=labels.KIT).get_by_role("row", name=re.compile("24-70"))
        ).to_contain_text(told)
        expect(page.get_by_role("region", name=labels.DROP_IT_INTO)).to_have_count(0)
    # One step each.
    page.keyboard.press("Control+z")
    expect(
        page.get_by_role("complementary", name=labels.KIT).get_by_role("row", name=re.compile("24-70"))
    ).to_contain_text("Photo backpack")
