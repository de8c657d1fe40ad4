"""Walking through the demo world as a new user would."""

import re

import pytest
from playwright.sync_api import Browser, Page, expect

BIG = re.compile(r"Cabin bag, Ines")


def scale(page: Page, title: str | re.Pattern[str]) -> str:
    return page.locator("footer button", has_text=title).inner_text()


def thing(page: Page, name: str) -> object:
    return page.locator(".mat").get_by_role("button", name=re.compile("^" + re.escape(name).replace("/", r"\/") + ","))


def settle(page: Page) -> None:
    page.wait_for_load_state("networkidle")


def own_kit(page: Page, letter: str) -> None:
    """Copies a kit of the demo, so that this test changes nobody else's."""
    page.goto(f"/trips/lofoten/{letter}/bench")
    page.get_by_role("button", name="More for this kit").click()
    page.get_by_text("Copy this kit").click()
    page.get_by_role("button", name="Add", exact=True).click()
    page.wait_for_url(re.compile(rf"/trips/lofoten/(?!{letter}/)[a-z]/bench"))
    settle(page)


def test_one_click_leads_to_the_bench_of_the_current_trip(page: Page) -> None:
    page.goto("/")
    page.get_by_role("button", name="Step into the demo").click()
    page.wait_for_url("**/trips/lofoten/*/bench")
    expect(page.get_by_role("banner")).to_contain_text("Nine winter days in Lofoten")


def test_flipping_kits_shows_which_ones_the_small_plane_takes(demo: Page) -> None:
    expect(demo.locator(".findings")).to_contain_text("Cabin bag, Ines: 567 g over.")
    expect(demo.get_by_role("link", name=re.compile("^Bench"))).to_contain_text("blocked")
    demo.get_by_role("button", name="C", exact=True).click()
    demo.wait_for_url("**/c/bench")
    expect(demo.locator(".findings")).not_to_contain_text("over.")
    expect(demo.locator("footer")).to_contain_text("to spare")
    expect(demo.locator("footer")).not_to_contain_text("refuses")


def test_a_cure_mends_what_it_says_and_undo_takes_it_back(demo: Page) -> None:
    own_kit(demo, "b")
    over = demo.locator(".findings")
    expect(over).to_contain_text("567 g over")
    over.get_by_role("button", name="or 2 other ways").first.click()
    over.get_by_role("button", name=re.compile("Move Corrie C1 · 45 MP to Ridge 25")).click()
    expect(over).not_to_contain_text("567 g over")
    assert "7.85" in scale(demo, "Cabin bag, Ines")
    demo.reload()
    settle(demo)
    demo.keyboard.press("u")
    expect(over).to_contain_text("567 g over")
    demo.keyboard.press("U")
    expect(over).not_to_contain_text("567 g over")


def test_a_gap_is_closed_by_the_lightest_thing_that_closes_it(demo: Page) -> None:
    own_kit(demo, "c")
    findings = demo.locator(".findings")
    expect(findings).to_contain_text("Gap 542–680 mm.")
    findings.get_by_role("button", name="Load Corrie 1.4× (+178 g)").first.click()
    expect(findings).not_to_contain_text("Gap 542")
    expect(demo.locator(".reach .converter").first).to_be_attached()


def test_a_click_on_the_mat_changes_every_number_at_once(demo: Page) -> None:
    own_kit(demo, "b")
    before = scale(demo, "Brief")
    lens = thing(demo, "Corrie 100–400 f/4.5–5.6")
    expect(lens).to_have_attribute("aria-pressed", "true")
    lens.click()  # type: ignore[attr-defined]
    expect(lens).to_have_attribute("aria-pressed", "false")
    assert "7.17" in scale(demo, "Cabin bag, Ines")
    assert scale(demo, "Brief") != before
    expect(demo.locator(".findings")).to_contain_text(re.compile("Sea eagles"))
    expect(demo.locator(".ledger")).not_to_contain_text("Corrie 100–400")


def test_pieces_of_a_thing_are_loaded_and_left_one_by_one(demo: Page) -> None:
    own_kit(demo, "b")
    packs = thing(demo, "LB-4 pack")
    expect(packs).to_contain_text("3 of 5")
    packs.locator("[data-piece]").nth(3).click()  # type: ignore[attr-defined]
    expect(packs).to_contain_text("4 of 5")
    packs.press("-")  # type: ignore[attr-defined]
    packs.press("-")  # type: ignore[attr-defined]
    expect(packs).to_contain_text("2 of 5")


def test_the_bench_works_by_keyboard_alone(demo: Page) -> None:
    own_kit(demo, "b")
    demo.keyboard.press("/")
    demo.keyboard.type("85")
    demo.keyboard.press("Enter")
    focused = demo.locator(":focus")
    expect(focused).to_have_attribute("data-thing", "l-85")
    demo.keyboard.press("Space")
    expect(focused).to_have_attribute("aria-pressed", "true")
    demo.keyboard.press("Enter")
    expect(demo.get_by_role("dialog", name="Tarn 85 f/1.8")).to_contain_text("What it earns")
    demo.keyboard.press("Escape")
    demo.keyboard.press("1")
    demo.wait_for_url("**/brief")
    demo.keyboard.press("2")
    demo.wait_for_url("**/bench")
    demo.keyboard.press("?")
    expect(demo.get_by_role("dialog", name="Keys")).to_contain_text("Go to Brief")


def test_arrows_walk_over_the_mat(demo: Page) -> None:
    first = demo.locator(".mat [tabindex='0']")
    first.focus()
    start = first.get_attribute("data-thing")
    demo.keyboard.press("ArrowRight")
    right = demo.locator(":focus").get_attribute("data-thing")
    demo.keyboard.press("ArrowLeft")
    assert right != start
    assert demo.locator(":focus").get_attribute("data-thing") == start


def test_a_thing_moves_to_another_bag(demo: Page) -> None:
    own_kit(demo, "b")
    before = scale(demo, "Cabin bag, Ines")
    demo.locator(".ledger").get_by_role("button", name="Corrie 24–70 f/2.8").click()
    dialog = demo.get_by_role("dialog")
    dialog.locator(".v-select").click()
    demo.get_by_role("option", name="in Ridge 25", exact=True).click()
    expect(demo.locator("footer")).to_contain_text("7.76")
    assert scale(demo, "Cabin bag, Ines") != before


def test_a_scale_opens_the_reason_behind_it(demo: Page) -> None:
    demo.locator("footer button", has_text="On the back").click()
    expect(demo.get_by_text("What each person carries")).to_be_visible()
    demo.keyboard.press("Escape")
    demo.locator("footer button", has_text="Brief").click()
    expect(demo.get_by_text("How much of each want is met")).to_be_visible()


def test_a_band_of_the_reach_chart_opens_why_the_want_is_met(demo: Page) -> None:
    demo.locator(".reach").get_by_role("button", name=re.compile("Sea eagles")).click()
    dialog = demo.get_by_role("dialog", name="Sea eagles")
    expect(dialog).to_contain_text("autofocus (essential)")
    expect(dialog).to_contain_text("Corrie 100–400")


def test_the_reach_chart_has_a_table_behind_it(demo: Page) -> None:
    demo.locator(".reach").get_by_role("button", name="as a table").click()
    row = demo.locator(".reach tr", has_text="1.5× crop").filter(has_text="24–70")
    expect(row.first).to_contain_text("36–105 mm")
    expect(row.first).to_contain_text("20")


def test_two_windows_on_one_kit_never_lose_a_change_silently(demo: Page, browser: Browser, site: str) -> None:
    own_kit(demo, "b")
    other = demo.context.new_page()
    other.goto(demo.url)
    settle(other)
    thing(demo, "Tarn 85 f/1.8").click()  # type: ignore[attr-defined]
    expect(thing(demo, "Tarn 85 f/1.8")).to_have_attribute("aria-pressed", "true")
    thing(other, "Corrie 35 f/1.8").click()  # type: ignore[attr-defined]
    expect(other.get_by_role("status")).to_contain_text("changed in another window")
    expect(thing(other, "Tarn 85 f/1.8")).to_have_attribute("aria-pressed", "true")
    expect(thing(other, "Corrie 35 f/1.8")).to_have_attribute("aria-pressed", "false")


@pytest.mark.parametrize(
    "path",
    [
        "/trips",
        "/locker",
        "/rules",
        "/settings",
        *(
            f"/trips/lofoten/b/{station}"
            for station in ("brief", "bench", "stamina", "stow", "gate", "pack-out", "trail", "look-back")
        ),
        "/nowhere",
    ],
)
@pytest.mark.parametrize("theme", ["day", "red"])
def test_every_screen_stands_in_its_window_and_every_control_has_a_name(demo: Page, path: str, theme: str) -> None:
    demo.evaluate("theme => localStorage.setItem('narrow-mule-theme', theme)", theme)
    demo.goto(path)
    settle(demo)
    assert demo.evaluate("document.documentElement.scrollWidth") <= 1280
    nameless = demo.evaluate(
        """[...document.querySelectorAll('button, a, input:not([type=hidden]), [role=button]')].filter(e =>
           e.offsetParent && !e.innerText?.trim() && !e.getAttribute('aria-label') && !e.title
           && !e.getAttribute("aria-labelledby") && !e.labels?.length).map(e => e.outerHTML.slice(0, 90))"""
    )
    assert nameless == []
