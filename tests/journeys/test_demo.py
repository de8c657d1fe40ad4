"""Walking through the demo world as a new user would."""

import re

from playwright.sync_api import Browser, Locator, Page, Route, expect

from tests.journeys import labels
from tests.journeys.kits import own_kit, version

BIG = re.compile(r"Cabin bag, Ines")


def scale(page: Page, title: str | re.Pattern[str]) -> str:
    return page.locator("footer button", has_text=title).inner_text()


def thing(page: Page, name: str) -> Locator:
    return page.locator(".mat").get_by_role("button", name=re.compile("^" + re.escape(name).replace("/", r"\/") + ","))


def on_own_kit(page: Page, letter: str) -> str:
    """The bench of a copy of a kit, when it is that kit's; gives its letter."""
    kit = own_kit(page, letter)
    page.goto(f"/trips/lofoten/{kit}/bench")
    page.get_by_role("region", name=labels.THE_MAT).wait_for()
    return kit


def test_a_kit_is_copied_and_stands_open(inside: Page) -> None:
    inside.goto("/trips/lofoten/b/bench")
    inside.get_by_role("button", name=labels.MORE_FOR_THIS_KIT).click()
    inside.get_by_text(labels.COPY_THIS_KIT).click()
    inside.get_by_role("button", name=labels.ADD, exact=True).click()
    inside.wait_for_url(re.compile(r"/trips/lofoten/(?!b/)[a-z]/bench"))
    expect(inside.locator(".ledger")).to_contain_text("Corrie 100–400")
    expect(inside.get_by_role("main")).to_have_attribute("aria-busy", "false")


def test_what_stands_in_for_a_kit_that_is_on_its_way_says_so(demo: Page) -> None:
    waiting: list[Route] = []
    before = version(demo, "c")

    def hold(route: Route) -> None:
        waiting.append(route)

    demo.route("**/api/trips/lofoten/kits/c", hold)
    demo.get_by_role("button", name="C", exact=True).click()
    expect(demo.get_by_role("main")).to_have_attribute("aria-busy", "true")
    thing(demo, "Tarn 85 f/1.8").click()
    expect(demo.get_by_text("still on its way")).to_be_visible()
    waiting[0].continue_()
    expect(demo.get_by_role("main")).to_have_attribute("aria-busy", "false")
    assert version(demo, "c") == before


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


def test_a_cure_mends_what_it_says_and_undo_takes_it_back(inside: Page) -> None:
    on_own_kit(inside, "b")
    over = inside.locator(".findings")
    expect(over).to_contain_text("567 g over")
    over.get_by_role("button", name="Cabin bag, Ines: 567 g over.").click()
    over.get_by_role("button", name=re.compile("Move Corrie C1 · 45 MP to Ridge 25")).first.click()
    expect(over).not_to_contain_text("567 g over")
    assert "7.85" in scale(inside, "Cabin bag, Ines")
    inside.reload()
    expect(inside.get_by_role("main")).to_have_attribute("aria-busy", "false")
    inside.keyboard.press("u")
    expect(over).to_contain_text("567 g over")
    inside.keyboard.press("U")
    expect(over).not_to_contain_text("567 g over")
    inside.keyboard.press("Control+z")
    expect(over).to_contain_text("567 g over")
    inside.keyboard.press("Control+Shift+Z")
    expect(over).not_to_contain_text("567 g over")
    expect(inside).to_have_title("Bench · Nine winter days in Lofoten · Narrow Mule")


def test_a_gap_is_closed_by_the_lightest_thing_that_closes_it(inside: Page) -> None:
    on_own_kit(inside, "c")
    findings = inside.locator(".findings")
    expect(findings).to_contain_text("Sea eagles: gap 542–680 mm.")
    findings.get_by_role("button", name="Load Corrie 1.4× (+178 g on Ines)").first.click()
    expect(findings).not_to_contain_text("gap 542")
    expect(inside.locator(".reach .converter").first).to_be_attached()


def test_a_click_on_the_mat_changes_every_number_at_once(inside: Page) -> None:
    on_own_kit(inside, "b")
    before = scale(inside, "Brief")
    lens = thing(inside, "Corrie 100–400 f/4.5–5.6")
    expect(lens).to_have_attribute("aria-pressed", "true")
    lens.click()
    expect(lens).to_have_attribute("aria-pressed", "false")
    assert "7.17" in scale(inside, "Cabin bag, Ines")
    assert scale(inside, "Brief") != before
    expect(inside.locator(".findings")).to_contain_text(re.compile("Sea eagles"))
    expect(inside.locator(".ledger")).not_to_contain_text("Corrie 100–400")


def test_pieces_of_a_thing_are_loaded_and_left_one_by_one(inside: Page) -> None:
    on_own_kit(inside, "b")
    packs = thing(inside, "LB-4 battery")
    expect(packs).to_contain_text("3 of 5")
    packs.locator("[data-piece]").nth(3).click()
    expect(packs).to_contain_text("4 of 5")
    packs.press("-")
    packs.press("-")
    expect(packs).to_contain_text("2 of 5")


def test_the_bench_works_by_keyboard_alone(inside: Page) -> None:
    on_own_kit(inside, "b")
    inside.keyboard.press("/")
    inside.keyboard.type("85")
    inside.keyboard.press("Enter")
    focused = inside.locator(":focus")
    expect(focused).to_have_attribute("data-thing", "l-85")
    inside.keyboard.press("Space")
    expect(focused).to_have_attribute("aria-pressed", "true")
    inside.keyboard.press("Enter")
    expect(inside.get_by_role("dialog", name="Tarn 85 f/1.8")).to_contain_text("Its worth")
    inside.keyboard.press("Escape")
    inside.keyboard.press("1")
    inside.wait_for_url("**/brief")
    inside.keyboard.press("2")
    inside.wait_for_url("**/bench")
    inside.keyboard.press("?")
    expect(inside.get_by_role("dialog", name=labels.KEYS)).to_contain_text("Go to Brief")
    expect(inside.get_by_role("dialog", name=labels.KEYS)).to_contain_text("Ctrl+Z")


def test_arrows_walk_over_the_mat(demo: Page) -> None:
    first = demo.locator(".mat [tabindex='0']")
    first.focus()
    start = first.get_attribute("data-thing")
    demo.keyboard.press("ArrowRight")
    right = demo.locator(":focus").get_attribute("data-thing")
    demo.keyboard.press("ArrowLeft")
    assert right != start
    assert demo.locator(":focus").get_attribute("data-thing") == start


def test_a_thing_moves_to_another_bag(inside: Page) -> None:
    on_own_kit(inside, "b")
    before = scale(inside, "Cabin bag, Ines")
    inside.locator(".ledger").get_by_role("button", name="Corrie 24–70 f/2.8").click()
    dialog = inside.get_by_role("dialog")
    dialog.locator(".v-select").click()
    inside.get_by_role("option", name="in Ridge 25", exact=True).click()
    expect(inside.locator("footer")).to_contain_text("7.76")
    assert scale(inside, "Cabin bag, Ines") != before


def test_a_scale_opens_the_reason_behind_it(demo: Page) -> None:
    demo.locator("footer button", has_text="On the back").click()
    expect(demo.get_by_text(labels.LOAD_OF_EACH_PERSON)).to_be_visible()
    demo.keyboard.press("Escape")
    demo.locator("footer button", has_text="Brief").click()
    expect(demo.get_by_text(labels.HOW_MUCH_OF_EACH_SHOT_IS)).to_be_visible()


def test_a_band_of_the_reach_chart_opens_why_the_want_is_met(demo: Page) -> None:
    demo.locator(".reach").get_by_role("button", name=re.compile("Sea eagles")).click()
    dialog = demo.get_by_role("dialog", name="Sea eagles")
    expect(dialog).to_contain_text("autofocus (essential)")
    expect(dialog).to_contain_text("Corrie 100–400")


def test_the_reach_chart_has_a_table_behind_it(demo: Page) -> None:
    demo.locator(".reach").get_by_role("button", name=labels.AS_A_TABLE).click()
    row = demo.locator(".reach tr", has_text="1.5× crop").filter(has_text="24–70")
    expect(row.first).to_contain_text("36–105 mm")
    expect(row.first).to_contain_text("20")


def test_two_windows_on_one_kit_never_lose_a_change_silently(inside: Page, browser: Browser, site: str) -> None:
    on_own_kit(inside, "b")
    other = inside.context.new_page()
    other.goto(inside.url)
    expect(other.get_by_role("main")).to_have_attribute("aria-busy", "false")
    thing(inside, "Tarn 85 f/1.8").click()
    expect(thing(inside, "Tarn 85 f/1.8")).to_have_attribute("aria-pressed", "true")
    thing(other, "Corrie 35 f/1.8").click()
    expect(other.get_by_role("status")).to_contain_text("changed in another window")
    expect(thing(other, "Tarn 85 f/1.8")).to_have_attribute("aria-pressed", "true")
    expect(thing(other, "Corrie 35 f/1.8")).to_have_attribute("aria-pressed", "false")


def test_the_shelf_tells_how_each_kit_stands(page: Page) -> None:
    # In a demo world of its own, as it ships.
    page.goto("/welcome")
    page.get_by_role("button", name="Step into the demo").click()
    page.wait_for_url("**/bench")
    page.goto("/trips")
    kits = page.get_by_role("region", name=labels.CURRENT).get_by_role("list", name=labels.KITS).get_by_role("listitem")
    expect(kits).to_have_count(3)
    expect(kits.nth(1)).to_contain_text(re.compile(r"1\d\.\d\d kg carried · 9\d % of the brief · power \d of 9 days"))
    expect(kits.nth(1)).to_contain_text("2 legs refuse it")
    kits.nth(2).get_by_role("link").click()
    page.wait_for_url("**/trips/lofoten/c/bench")


def test_a_small_bench_can_be_tried_without_an_account(page: Page) -> None:
    page.goto("/welcome")
    bench = page.get_by_role("region", name=labels.A_SMALL_BENCH_TO_TRY)
    lens = bench.get_by_role("button", name=re.compile("100–400"))
    expect(lens).to_have_attribute("aria-pressed", "true")
    figure = bench.locator(".figures b").first
    before = figure.inner_text()
    lens.click()
    expect(lens).to_have_attribute("aria-pressed", "false")
    expect(bench).to_contain_text(re.compile(r"−1396 g: Sea eagles −\d+ %"))
    assert figure.inner_text() != before
    bench.get_by_role("button", name=re.compile("70–200")).click()
    expect(bench).to_contain_text(re.compile(r"\+1298 g"))
