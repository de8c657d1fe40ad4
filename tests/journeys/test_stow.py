"""Packing in the browser: the demo's bags, a lens pinned by hand, a thing found again."""

import re

from ezdxf.entities.lwpolyline import LWPolyline
from ezdxf.filemanagement import readfile
from playwright.sync_api import Page, expect
from pypdfium2 import PdfDocument

from tests.journeys import labels
from tests.journeys.kits import edit, own_kit


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
    demo.get_by_role("button", name=labels.AS_A_TABLE).click()
    expect(demo.get_by_role("row", name=re.compile("^Clothes"))).to_contain_text("Duffel 60")


def test_a_thing_is_found_by_a_word_of_its_name(inside: Page) -> None:
    stow(inside, "b")
    inside.get_by_role("textbox", name=labels.WHERE_IS).fill("blower")
    hit = inside.locator(".find button", has_text="Air blower")
    expect(hit).to_contain_text("Ridge 32")
    hit.click()
    expect(inside.get_by_role("region", name=labels.PICKED)).to_contain_text("Air blower")


def test_a_pinned_lens_stays_where_it_was_put(inside: Page) -> None:
    kit = own_kit(inside, "b")
    stow(inside, kit)
    room(inside, "Cube, large", "inside")
    lens = inside.get_by_role("button", name=re.compile("^Corrie 24–70"))
    lens.focus()
    lens.press("Enter")
    expect(inside.get_by_role("region", name=labels.PICKED)).to_contain_text(re.compile("8\\.8 × |12\\.4 × "))
    inside.get_by_role("button", name=labels.PIN_IT_HERE).click()
    expect(inside.get_by_role("button", name=labels.UNPIN_IT)).to_be_visible()
    before = inside.locator(".face.picked rect, .face.picked ellipse").first.bounding_box()
    inside.reload()
    stow(inside, kit)
    room(inside, "Cube, large", "inside")
    inside.get_by_role("button", name=re.compile("^Corrie 24–70")).press("Enter")
    expect(inside.get_by_role("button", name=labels.UNPIN_IT)).to_be_visible()
    after = inside.locator(".face.picked rect, .face.picked ellipse").first.bounding_box()
    assert before is not None
    assert after is not None
    assert (round(before["x"]), round(before["y"])) == (round(after["x"]), round(after["y"]))


def test_what_finds_no_room_is_moved_by_its_cure_and_ticked_things_move_only_when_asked(inside: Page) -> None:
    # A copy lies as what it is a copy of.
    stow(inside, "b")
    kit = own_kit(inside, "b")
    edit(inside, kit, [{"act": "load", "item": "l-70-200", "count": 1}])
    inside.goto(f"/trips/lofoten/{kit}/stow")
    left = inside.get_by_role("region", name=labels.LEFT_OVER)
    expect(left).to_contain_text(re.compile("Corrie 70–200 f/2.8 has no room in Ridge 32"))
    left.get_by_role("button", name="Move it to Duffel 60").click()
    expect(left).to_contain_text("Everything has a place")
    # Nearly all of the demo's list is ticked, and what is ticked does not move unasked.
    cube = {"where": "bag", "bag": "cube-large", "outside": False}
    edit(inside, kit, [{"act": "move", "item": "l-70-200", "place": cube}])
    inside.reload()
    expect(left).to_contain_text("Corrie 70–200 f/2.8 has no room in Cube, large beside the items there.")
    places = inside.get_by_role("region", name=labels.MOVES)
    places.get_by_role("button", name=labels.LET_TICKED_ITEMS_MOVE).click()
    expect(left).to_contain_text("Everything has a place")
    expect(places).to_contain_text("within Cube, large")


def test_leaving_a_small_thing_moves_nothing_and_dividers_are_named_and_printed(inside: Page) -> None:
    kit = own_kit(inside, "b")
    stow(inside, kit)
    room(inside, "Cube, large", "inside")
    dividers = inside.get_by_role("region", name=labels.DIVIDERS)
    expect(dividers).to_contain_text(re.compile(r"\d long, 25 cm, at .* from the foot"))
    walls = inside.locator(".middle .wall").count()
    assert walls > 3
    edit(inside, kit, [{"act": "leave", "item": "sd-128"}])
    stow(inside, kit)
    expect(inside.get_by_role("region", name=labels.MOVES)).to_contain_text("Changes move as little as possible")
    assert inside.locator(".middle .wall").count() == walls
    with inside.expect_popup() as opened:
        dividers.get_by_role("link", name="A4").click()
    expect(opened.value.locator("section").first).to_contain_text("Print at 100 %")
    printed_true_to_size(opened.value, width_mm=210)


def test_what_hangs_on_one_side_is_levelled_by_a_click(inside: Page) -> None:
    kit = own_kit(inside, "b")
    edit(
        inside,
        kit,
        [{"act": "move", "item": "tripod-carbon", "place": {"where": "bag", "bag": "ridge-32", "outside": True}}],
    )
    inside.goto(f"/trips/lofoten/{kit}/stow")
    ines = inside.get_by_role("region", name="On Ines")
    ines.get_by_role("button", name=labels.WHERE_BAGS_AND_GEAR_ARE_WORN).click()
    hangs = ines.get_by_role("group", name=re.compile("^Where .* hangs$")).first
    hangs.get_by_role("button", name="right").click()
    expect(ines).to_contain_text(re.compile("too much on the right"))
    ines.get_by_role("button", name=re.compile("^Hang ")).click()
    expect(ines).not_to_contain_text("too much on the right")


def test_foam_for_a_hard_case_is_cut_to_size_and_leaves_as_a_drawing(inside: Page) -> None:
    kit = own_kit(inside, "b")
    piece = {"where": "piece", "piece": "hold", "person": "marit"}
    moves: list[dict[str, object]] = [
        {"act": "move", "item": item, "place": {"where": "bag", "bag": "case-28", "outside": False}}
        for item in ("c1", "l-14", "l-16-35", "l-24-70", "l-100-400")
    ]
    edit(inside, kit, [{"act": "load", "item": "case-28", "count": 1, "place": piece}, *moves])
    inside.goto(f"/trips/lofoten/{kit}/stow")
    room(inside, "Hard case 28", "inside")
    inside.get_by_role("button", name="foam").click()
    foam = inside.locator(".foam")
    expect(foam).to_contain_text("Everything has a pocket")
    expect(foam.get_by_role("row", name=re.compile("^Hard case 58"))).to_contain_text("all of it")
    with inside.expect_download() as saved:
        foam.get_by_role("link", name=labels.DXF).click()
    drawing = readfile(saved.value.path())
    edges = [e for e in drawing.modelspace() if e.dxf.layer == "FOAM-1" and isinstance(e, LWPolyline)]
    widest = max(max(x for x, *_ in e.get_points()) for e in edges)
    # Inside, the case is 500 mm long.
    assert abs(widest - 500) < 0.1
    inside.goto(f"/api/exchange/foam/lofoten/{kit}/case-28/file/a4")
    printed_true_to_size(inside, width_mm=210)


def printed_true_to_size(page: Page, width_mm: float) -> None:
    """What the browser prints of a page of sheets: one sheet of paper each, and a drawing as wide as it says."""
    sheets = page.locator("section")
    page.emulate_media(media="print")
    drawn = sheets.first.locator("svg").bounding_box()
    assert drawn is not None
    # A CSS pixel is 1/96 inch; paper has 10 mm of margin on each side.
    assert abs(drawn["width"] * 25.4 / 96 - (width_mm - 20)) < 0.1
    document = PdfDocument(page.pdf(prefer_css_page_size=True))
    assert len(document) == sheets.count() > 0
    # A point is 1/72 inch.
    assert {round(sheet.get_width() * 25.4 / 72) for sheet in document} == {width_mm}


def test_the_bag_of_a_day_out_is_packed_and_says_what_moves(inside: Page) -> None:
    kit = own_kit(inside, "b")
    stow(inside, kit)
    lists = inside.get_by_role("region", name=labels.LOADOUTS)
    lists.get_by_role("button", name="Shore morning").click()
    expect(lists).to_contain_text("Corrie 16–35 f/4: Cube, large → Ridge 25")
    expect(lists).to_contain_text("Ines’s back: 6.78 kg")
    expect(inside.get_by_role("region", name="Ridge 32", exact=True)).to_have_count(0)
    lists.get_by_role("button", name=labels.CHOOSE_WHAT_GOES_ALONG).click()
    inside.get_by_role("combobox", name=re.compile("^Corrie 16–35")).select_option("stays")
    # 548 g less on the back.
    expect(lists).to_contain_text("Ines’s back: 6.24 kg")
    expect(lists).not_to_contain_text("Corrie 16–35")
    lists.get_by_role("button", name=labels.ADD_SMALL).click()
    expect(lists.get_by_role("button", pressed=True).first).to_have_text("Day out 1")
    inside.get_by_role("combobox", name=re.compile("^Corrie C1 · 45 MP")).select_option("Ridge 25")
    expect(inside.get_by_role("button", name=re.compile("^Corrie C1 · 45 MP; arrow"))).to_be_visible()
    inside.reload()
    expect(lists.get_by_role("button", name="Day out 1")).to_be_visible()
    lists.get_by_role("button", name=labels.TRANSIT_AS_PACKED).click()
    expect(inside.get_by_role("region", name="Ridge 32", exact=True)).to_be_visible()


def test_the_round_view_draws_or_says_that_it_cannot(inside: Page) -> None:
    stow(inside, "b")
    inside.get_by_role("button", name="3D").click()
    drawn = inside.get_by_role("img", name=re.compile("in 3D"))
    expect(drawn).to_be_visible()
    listed = inside.get_by_role("list", name=labels.ITEMS_HERE)
    listed.get_by_role("button", name=re.compile("^Tarn 14")).click()
    expect(inside.get_by_role("region", name=labels.PICKED)).to_contain_text("Tarn 14")
    inside.keyboard.press("v")
    expect(
        inside.get_by_role("navigation", name=labels.LOOK_FROM).get_by_role("button", name="above")
    ).to_have_attribute("aria-pressed", "true")
    inside.keyboard.press("v")
    expect(
        inside.get_by_role("navigation", name=labels.LOOK_FROM).get_by_role("button", name="front")
    ).to_have_attribute("aria-pressed", "true")


def test_the_insert_is_swapped_to_the_day_bag(inside: Page) -> None:
    kit = own_kit(inside, "b")
    stow(inside, kit)
    room(inside, "Ridge 32", "main")
    inside.get_by_role("button", name=re.compile("^Cube, large")).press("Enter")
    picked = inside.get_by_role("region", name=labels.PICKED)
    picked.get_by_role("button", name="Ridge 25").click()
    # It fills the day bag but for a hand's breadth; what lay there finds another place, or is named.
    room(inside, "Ridge 25", "main")
    cube = inside.get_by_role("button", name=re.compile("^Cube, large"))
    left = inside.get_by_role("region", name=labels.LEFT_OVER)
    expect(
        cube.or_(left.get_by_text("Cube, large has no room").or_(left.get_by_text("Cube, large is larger"))).first
    ).to_be_visible()
    expect(inside.get_by_role("region", name="Ridge 25", exact=True)).to_contain_text(re.compile("kg"))


def test_a_leg_packed_otherwise_stands_so_at_the_gate(inside: Page) -> None:
    kit = own_kit(inside, "b")
    stow(inside, kit)
    inside.get_by_role("button", name="Shore morning").click()
    inside.get_by_role("button", name=labels.CHOOSE_WHAT_GOES_ALONG).click()
    legs = inside.get_by_role("group", name=labels.JOURNEY_LEGS_PACKED_THIS_WAY)
    legs.get_by_role("button").nth(1).click()
    expect(legs.get_by_role("button").nth(1)).to_have_attribute("aria-pressed", "true")
    inside.goto(f"/trips/lofoten/{kit}/gate")
    expect(inside.locator(".matrix")).to_contain_text("packed as “Shore morning”")
