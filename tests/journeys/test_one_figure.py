"""An own trip from an empty account to a printed load sheet: what several screens tell, they tell alike."""

import io
import re

import pypdfium2
from playwright.sync_api import Page, expect

from tests.journeys import labels
from tests.journeys.own import (
    BAG,
    BODY,
    HUT_NIGHT,
    ZOOM,
    add_gear,
    add_small_plane,
    add_want,
    lay_out_trip,
    load,
    own_want,
    saved,
)

GEAR = ("full-frame 45", "24-70 f/2.8", "70-200 f/4", "backpack 25", "large pack 16", "sd card 128 fast", "air blower")
HUT = "a hut: 2 h of 1 outlet"


def go(page: Page, station: str) -> None:
    page.get_by_role("link", name=re.compile(f"^{station}")).click()
    expect(page.get_by_role("link", name=re.compile(f"^{station}"))).to_have_attribute("aria-current", "page")


def feet(page: Page, *said: str) -> None:
    for text in said:
        expect(page.locator("footer")).to_contain_text(text)


def sheet(page: Page) -> str:
    """The printed load sheet, as one line of text."""
    go(page, "Pack-out")
    page.get_by_role("navigation", name=labels.BESIDE_THE_LIST).get_by_role("button", name=labels.TAKE_ALONG).click()
    with page.expect_download() as caught:
        page.get_by_role("link", name=labels.LOAD_SHEET_ONE_PAGE).click()
    pages = pypdfium2.PdfDocument(io.BytesIO(caught.value.path().read_bytes()))
    assert len(pages) == 1
    return " ".join(pages[0].get_textpage().get_text_range().split())


def on_the_scale(page: Page) -> None:
    go(page, "Pack-out")
    page.get_by_role("navigation", name=labels.BESIDE_THE_LIST).get_by_role("button", name="scale", exact=True).click()


def a_trip_by_small_plane(page: Page) -> None:
    add_small_plane(page, "5 kg")
    page.goto("/locker")
    for typed in GEAR:
        add_gear(page, typed)
    page.goto("/trips")
    page.get_by_role("button", name=labels.PLAN_A_TRIP).click()
    page.get_by_label(labels.NAME).fill("North shore")
    page.get_by_label(labels.FIRST_DAY).fill("2027-04-01")
    page.get_by_label(labels.DAYS, exact=True).fill("3")
    page.get_by_label("People (Ines").fill("Ines")
    page.get_by_role("dialog").locator(".v-select", has_text="Overnight power").locator(".v-field").click()
    page.get_by_role("option", name=HUT).click()
    page.get_by_label("Load the whole locker").uncheck()
    page.get_by_role("button", name=labels.ON_TO_THE_BRIEF).click()
    page.wait_for_url("**/brief")
    add_want(page, "Shore", "24 mm", "200")
    saved(page)
    page.keyboard.press("Escape")
    page.get_by_role("button", name=labels.ADD_A_LEG).click()
    page.locator("section[aria-label=Legs] .v-select").click()
    page.get_by_role("option", name="Gannet Hopper").click()
    saved(page)


def test_every_screen_and_the_paper_tell_one_figure(newcomer: Page) -> None:
    page = newcomer
    a_trip_by_small_plane(page)
    feet(page, "no bag loaded", "no camera loaded")

    # Loaded in the wrong order: nothing is weighed in a bag, and nobody says that it goes.
    go(page, "Bench")
    load(page, "Full-frame body", "24-70", "70-200")
    feet(page, "2.31 kg in no bag")
    expect(page.locator(".findings")).to_contain_text("2.31 kg in no bag.")
    go(page, "Gate")
    expect(page.locator(".matrix")).to_contain_text("2.31 kg of Ines are in no bag")
    expect(page.get_by_role("link", name=re.compile("^Gate"))).to_contain_text("open")

    # The bag takes them in; one step takes it out again.
    go(page, "Bench")
    load(page, "Photo backpack")
    feet(page, "4.01 kg of 5")
    page.get_by_role("button", name=labels.UNDO).click()
    feet(page, "2.31 kg in no bag")
    page.get_by_role("button", name=labels.REDO).click()
    feet(page, "4.01 kg of 5", "no Large battery loaded", "no card loaded")
    load(page, "Large battery", "SD card")

    # 720 + 800 + 795 + 1700 + 82 + 2.2 g
    planned = "4.10 kg"
    feet(page, "4.10 kg of 5", "901 g to spare")
    expect(page.locator(".ledger tfoot")).to_contain_text(planned)
    go(page, "Gate")
    expect(page.locator(".matrix thead")).to_contain_text(planned)
    expect(page.get_by_role("row", name=re.compile("^Leg 1"))).to_contain_text(f"mass {planned} of 5.00 kg")
    go(page, "Stow")
    expect(page.locator("main")).to_contain_text("Everything has a place")
    expect(page.locator("main")).to_contain_text(planned)
    on_the_scale(page)
    expect(page.get_by_role("region", name=labels.SCALE)).to_contain_text(f"planned {planned}")
    paper = sheet(page)
    assert f"Ines {planned} 0.00 kg 0.00 kg 0.00 kg 0.00 kg {planned}" in paper
    assert "4.10 of 5.00 kg" in paper
    assert "OVER" not in paper
    what_was_weighed_wins(page)


def what_was_weighed_wins(page: Page) -> None:
    """On every screen, until what the bag holds changes; then the difference is carried along."""
    on_the_scale(page)
    page.get_by_label("Kilograms of Photo backpack").fill("5.42 kg")
    page.get_by_label("Kilograms of Photo backpack").press("Enter")
    feet(page, "5.42 kg of 5", "420 g over, leg 1")
    go(page, "Gate")
    expect(page.locator(".matrix thead")).to_contain_text("5.42 kg (weighed 5.42 kg)")
    expect(page.get_by_role("row", name=re.compile("^Leg 1"))).to_contain_text("if they weigh it: 420 g over")
    go(page, "Bench")
    expect(page.locator(".findings")).to_contain_text("Cabin bag, Ines: 420 g over.")
    load(page, "Air blower")
    feet(page, "5.52 kg of 5", "516 g over, leg 1")
    expect(page.locator(".ledger tfoot")).to_contain_text("5.52 kg")
    go(page, "Gate")
    expect(page.locator(".matrix thead")).to_contain_text("5.52 kg (weighed 5.42 kg, then +96 g)")
    on_the_scale(page)
    expect(page.get_by_role("region", name=labels.SCALE)).to_contain_text("it counts as 5.52 kg")
    paper = sheet(page)
    assert "Photo backpack, 25 l, weighed 5.42 kg, then +96 g" in paper
    assert "5.52 of 5.00 kg OVER" in paper


def test_power_and_copies_are_told_alike(newcomer: Page) -> None:
    page = newcomer
    days = [{"title": f"Day {n}", "date": f"2027-04-0{n}", "night": HUT_NIGHT} for n in (1, 2, 3)]
    gear = (BODY, ZOOM, BAG, "pack-large", "card-sd-128")
    lay_out_trip(page, "North shore", *gear, days=days, wants=[own_want("Shore", 24, 200)])
    load(page, "Photo backpack", "Full-frame body", "24-70", "Large battery", "SD card")
    feet(page, "Large battery short, Thu 1 Apr", "0 of 3 days")
    feet(page, "in 1 of 2 places, 3 nights from Thu 1 Apr")
    expect(page.locator(".findings")).to_contain_text("Large batteries run out on Thu 1 Apr.")
    go(page, "Stamina")
    expect(page.get_by_label(labels.MAINS)).to_have_value("2")
    expect(page.get_by_label(labels.OUTLETS)).to_have_value("1")
    page.get_by_role("button", name="Only 1 of 2 copies on Thu 1 Apr.").click()
    expect(page.locator("main")).to_contain_text("By the end of 3 nights")
    expect(page.get_by_role("group", name=labels.DAYS).get_by_role("button").first).to_contain_text("short")
    expect(page.get_by_role("link", name=re.compile("^Stamina"))).not_to_contain_text("done")
    paper = sheet(page)
    assert "Power lasts 0 of 3 days; cards last 3 of 3 days" in paper
    assert "1 of 2 copies on the worst night, fewer than planned on 3 of 3 from 01 Apr" in paper
    page.get_by_role("navigation", name=labels.BESIDE_THE_LIST).get_by_role(
        "button", name=labels.BEFORE_LEAVING_SMALL
    ).click()
    expect(page.get_by_role("region", name=labels.BEFORE_LEAVING)).to_contain_text(
        "3 nights with fewer copies than you planned"
    )


def test_beside_the_reason_of_each_scale_stands_how_it_is_reckoned(inside: Page) -> None:
    inside.goto("/trips/lofoten/b/bench")
    scales = inside.get_by_role("contentinfo", name=labels.SCALES).get_by_role("button")
    scales.first.wait_for()
    told = set()
    for scale in scales.all():
        scale.click()
        help_ = inside.get_by_role("group").filter(has_text="How this is calculated")
        help_.get_by_text(labels.HOW_THIS_IS_CALCULATED).click()
        text = help_.locator("p").first
        expect(text).to_be_visible()
        told.add(text.inner_text())
        inside.keyboard.press("Escape")
        expect(text).to_be_hidden()
    assert len(told) == 6
