"""From an empty account to the first answer, every act counted: a click, a key chord, or one filled field or line."""

import re

from playwright.sync_api import Locator, Page, expect

from tests.journeys import labels
from tests.journeys.own import add_gear, plan_trip

FULL, BARE = 60, 12
# Thirty things, as somebody writes them down.
GEAR = """Corrie C1 45 mp, Corrie C2 24 mp, 16-35 4, 24-70 2.8, 70-200 2.8, 100 macro, 14 1.8, 1.4x converter
4 packs, dual charger, wall plug 65 w, usb-c cable x2, 74 wh bank
sd 128 x4, cfexpress 325 x2, card reader, ssd 2 tb, laptop 14
polariser 77, nd 6 82, tripod carbon 1.4 kg, ball head, cable release
25 backpack, duffel, medium insert, rain cover, head torch, first aid, down jacket"""


class Acts:
    """A newcomer's hands: whatever they do counts."""

    def __init__(self, page: Page) -> None:
        self.page = page
        self.count = 0

    def click(self, name: str, role: str = "button", *, exact: bool = False) -> None:
        self.count += 1
        self.page.get_by_role(role, name=name, exact=exact).first.click()  # type: ignore[arg-type]

    def fill(self, label: str, text: str, *, exact: bool = False) -> None:
        """One field, each of its lines counting."""
        self.count += 1 + text.count("\n")
        self.page.get_by_label(label, exact=exact).first.fill(text)

    def press(self, chord: str) -> None:
        self.count += 1
        self.page.keyboard.press(chord)

    def choose(self, label: str, option: str) -> None:
        """A field that is opened, and one of its lines."""
        self.count += 2
        field = self.page.get_by_label(label).first
        # What is chosen already stands over the field that takes the click.
        field.locator("xpath=ancestor::div[contains(@class, 'v-field')][1]").click()
        self.page.get_by_role("option", name=option).first.click()


def answered(page: Page) -> Locator:
    """The first answer: the scales tell power, brief and mass of what is loaded, and something is said about it."""
    page.wait_for_url("**/bench")
    scales = page.locator("footer")
    expect(scales).to_contain_text("covered")
    expect(page.locator(".findings li").first).to_be_visible()
    return scales


def test_a_bare_answer_takes_at_most_twelve_acts(newcomer: Page) -> None:
    acts = Acts(newcomer)
    acts.click(labels.PLAN_A_TRIP)
    acts.fill(labels.NAME, "A week of cold")
    acts.fill(labels.DAYS, "7", exact=True)
    acts.fill(labels.COLDEST_WHILE_SHOOTING, "-12")
    acts.choose(labels.CARRIERS_IN_ORDER_OF_TRAVEL, "Plane, 7 kg cabin bag")
    acts.press("Escape")
    acts.fill("Shots: milky way", "milky way, waterfalls")
    acts.fill("New gear for your locker", "24 mp body, 24-70 2.8, 14 1.8, 3 packs, charger, sd 128 x2, 25 backpack")
    expect(newcomer.get_by_text("7 items understood")).to_be_visible()
    acts.click(labels.ON_TO_THE_BENCH)
    scales = answered(newcomer)
    expect(scales).to_contain_text("kg of 7")
    expect(scales).to_contain_text("of 7 days")
    assert acts.count <= BARE, acts.count


def test_the_whole_trip_takes_at_most_sixty_acts(newcomer: Page) -> None:
    acts = Acts(newcomer)
    acts.click(labels.LOCKER, "link")
    acts.click(labels.ADD_GEAR)
    acts.fill("Search (24-70", GEAR)
    expect(newcomer.get_by_text("30 lines understood")).to_be_visible()
    acts.press(labels.ENTER)
    expect(newcomer.get_by_text("30 items came into the locker")).to_be_visible()
    acts.click(labels.DONE, exact=True)
    acts.click(labels.TRIPS, "link")
    acts.click(labels.PLAN_A_TRIP)
    acts.fill(labels.NAME, "Six days of fjords")
    acts.fill(labels.FIRST_DAY, "2027-02-01")
    acts.fill(labels.DAYS, "6", exact=True)
    acts.fill(labels.COLDEST_WHILE_SHOOTING, "-8")
    acts.fill(labels.WHERE, "West coast")
    acts.fill("People (Ines", "Ines + Marit")
    acts.choose(labels.OVERNIGHT_POWER, "a hut")
    acts.choose(labels.CARRIERS_IN_ORDER_OF_TRAVEL, "Big plane, 8 kg cabin bag")
    acts.choose(labels.CARRIERS_IN_ORDER_OF_TRAVEL, "Small propeller plane")
    acts.press("Escape")
    acts.fill("Shots: milky way", "milky way 5, waterfalls, sea eagles, fisherfolk portraits")
    acts.click(labels.ON_TO_THE_BENCH)
    scales = answered(newcomer)
    expect(scales).to_contain_text("of 6 days")
    # Days that differ, told at the Brief: cold and hours of one, copied to those after it.
    acts.click(labels.BRIEF, "link")
    newcomer.wait_for_url("**/brief")
    days = newcomer.get_by_role("region", name=labels.DAYS)
    expect(days.get_by_role("group", name=labels.DAYS).get_by_role("button")).to_have_count(6)
    expect(newcomer.get_by_role("region", name=labels.LEGS).get_by_label(labels.CARRIER)).to_have_count(2)
    expect(newcomer.get_by_role("listbox", name=labels.SHOTS).get_by_role("option")).to_have_count(4)
    acts.fill(labels.ON_FOOT, "4")
    acts.click(labels.COPY_TO_OTHERS)
    acts.click("Copy cold, hours, weather")
    expect(days.get_by_text("4 h on foot")).to_have_count(6)
    expect(newcomer.locator(".state")).to_have_text("Saved")
    acts.click(labels.BENCH, "link")
    answered(newcomer)
    assert acts.count <= FULL, acts.count


def test_a_first_walk_leads_from_station_to_station_and_leaves_when_it_is_done(newcomer: Page) -> None:
    page = newcomer
    page.goto("/locker")
    add_gear(page, "full-frame 45")
    plan_trip(page, "A first walk")
    walk = page.get_by_role("complementary", name=labels.FIRST_WALK)
    seen = []
    for station in ("Brief", "Bench", "Stamina", "Stow", "Gate", "Pack-out"):
        expect(walk).to_contain_text(f"{station}.")
        seen.append(walk.inner_text())
        if station != "Pack-out":
            walk.get_by_role("link", name=re.compile("^on to ")).click()
    assert len(set(seen)) == len(seen)
    expect(walk.get_by_role("link")).to_have_count(0)
    page.get_by_role("link", name=labels.BRIEF).first.click()
    page.wait_for_url("**/brief")
    page.get_by_label(labels.NAME, exact=True).first.wait_for()
    expect(walk).to_have_count(0)
    # It never comes back.
    page.reload()
    page.get_by_label(labels.NAME, exact=True).first.wait_for()
    expect(walk).to_have_count(0)
