"""The plan of a space's dividers, as files that are read back."""

from typing import Any
from xml.etree import ElementTree

import pytest

from mule.base.deadline import Deadline
from mule.packing import stow
from mule.plan import Plan
from server.exchange.divider_files import DividedSpace, paper, svg
from tests.mule.test_cells import kit_of
from tests.mule.test_packing import bag, thing

pytestmark = pytest.mark.django_db
SVG = "{http://www.w3.org/2000/svg}"


def space(title: str = "Cube") -> DividedSpace:
    gear, kit = kit_of(bag(390, 250, 145), [thing(name, 110, 90, 70, grams=300) for name in "abcde"])
    made = stow(gear, kit, Deadline(4))
    return DividedSpace(title, made.rooms[0], made.placed, gear)


def test_an_svg_read_back_has_every_divider_and_thing_in_millimetres() -> None:
    made = space()
    root = ElementTree.fromstring(svg(made))
    assert root.get("width") == "390mm"
    rects = [tuple(float(r.get(k, "")) for k in ("x", "y", "width", "height")) for r in root.iter(f"{SVG}rect")]
    for one in made.placed:
        assert (*one.at_mm[:2], *one.size_mm[:2]) in rects
    walls = [
        (d.at_mm, d.from_mm, d.thick_mm, d.length_mm)
        if d.across == "x"
        else (d.from_mm, d.at_mm, d.length_mm, d.thick_mm)
        for d in made.room.dividers
    ]
    assert walls
    assert all(wall in rects for wall in walls)
    words = " ".join(t.text or "" for t in root.iter(f"{SVG}text"))
    assert all(f"{d.length_mm} mm long, at {d.at_mm} mm" in words for d in made.room.dividers)


def test_pages_cover_the_space_true_to_size() -> None:
    # 390 mm over 190 are three columns, 250 over 271 one row; on A3 two columns.
    made = space("Cube <1>")
    assert paper(made, "a4").count("<section>") == 3
    assert paper(made, "a3").count("<section>") == 2
    assert "size:A3" in paper(made, "a3")
    assert "Cube &lt;1&gt;" in paper(made, "a4")
    assert "<1>" not in paper(made, "a4")


def test_the_plan_is_that_of_the_packing_last_shown(ask: Any, stored: Plan) -> None:
    file = "/exchange/dividers/trip/a/file"
    for form, kind in (("svg", "image/svg+xml"), ("a4", "text/html"), ("a3", "text/html")):
        answer = ask("get", f"{file}/{form}?room=bag")
        assert answer["Content-Type"] == kind
        assert "body" in answer.content.decode()
    assert ask("get", f"{file}/svg?room=attic").status_code == 404
    assert ask("get", f"{file}/svg?room=bag&loadout=none").status_code == 422
