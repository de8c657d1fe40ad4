"""Cutting plans as files: read back, they are true to size."""

from io import StringIO
from typing import Any
from xml.etree import ElementTree

import pytest
from ezdxf import units
from ezdxf.entities.lwpolyline import LWPolyline
from ezdxf.filemanagement import read

from mule.packing.foam import FoamWish, cut_foam
from mule.plan.gear import Bag, Box, Cylinder, Other
from mule.plan.kit import Entry, Kit
from mule.plan.places import AsPiece, InBag, PieceKind
from server.exchange.foam_files import dxf, paper, svg

pytestmark = pytest.mark.django_db
SVG = "{http://www.w3.org/2000/svg}"


def plan() -> Any:
    room = Box(length_mm=420, width_mm=300, height_mm=140)
    outer = Box(length_mm=480, width_mm=370, height_mm=190)
    case = Bag(id="case", name="Case", mass_g=4_000, size=outer, inner=room, volume_l=18, hard=True)
    box = Other(id="box", name="box", label="x", mass_g=1, size=Box(length_mm=120, width_mm=88, height_mm=70))
    lens = Other(id="lens", name="lens", label="x", mass_g=1, size=Cylinder(diameter_mm=84, length_mm=124))
    entries = (
        Entry(item="case", place=AsPiece(piece=PieceKind.CABIN, person="ines")),
        *(Entry(item=i, place=InBag(bag="case")) for i in ("box", "lens")),
    )
    gear = {t.id: t for t in (case, box, lens)}
    return cut_foam(gear, Kit(id="a", name="A", entries=entries), "case", FoamWish())


def test_a_dxf_read_back_has_every_pocket_to_a_tenth_of_a_millimetre() -> None:
    made = plan()
    drawing = read(StringIO(dxf(made)))
    assert drawing.units == units.MM
    for layer in made.layers:
        inside = [e for e in drawing.modelspace() if e.dxf.layer == f"FOAM-{layer.number}"]
        outlines = []
        for entity in inside:
            if entity.dxftype() == "CIRCLE":
                outlines.append((2 * entity.dxf.radius, 2 * entity.dxf.radius))
            else:
                assert isinstance(entity, LWPolyline)
                xs, ys = zip(*((x, y) for x, y, *_ in entity.get_points()), strict=True)
                outlines.append((max(xs) - min(xs), max(ys) - min(ys)))
        asked = [(420.0, 300.0), *((p.width_mm, p.height_mm) for p in layer.pockets)]
        for (width, height), (wide, high) in zip(sorted(outlines), sorted(asked), strict=True):
            assert (width, height) == (pytest.approx(wide, abs=0.1), pytest.approx(high, abs=0.1))


def test_an_svg_read_back_is_in_millimetres() -> None:
    made = plan()
    root = ElementTree.fromstring(svg(made))
    # Three layers of 420 mm with 40 mm between them.
    assert root.get("width") == "1340mm"
    assert root.get("viewBox") == "0 0 1340 312"
    first = root.find(f"{SVG}g[@id='layer-1']")
    assert first is not None
    rects = [(float(r.get("width", 0)), float(r.get("height", 0))) for r in first.findall(f"{SVG}rect")]
    assert rects[0] == (420, 300)
    assert set(rects[1:]) <= {(p.width_mm, p.height_mm) for p in made.layers[0].pockets}


def test_a4_pages_cover_the_foam_true_to_size() -> None:
    made = plan()
    text = paper(made, "Case <1>")
    # 420 mm over sheets of 190 are three columns, 300 over 271 two rows; three layers.
    assert text.count("<section>") == 3 * 2 * 3
    assert 'width="190mm"' in text
    assert "Case &lt;1&gt;" in text


def test_a_cutting_plan_is_fetched_for_a_loaded_bag_only(ask: Any, stored: Any) -> None:
    bag = next(e.item for e in stored.kit.entries if e.place.where == "piece")
    at = f"/exchange/foam/trip/a/{bag}"
    assert ask("get", at).json()["wish"] == {"wall_mm": 15, "layer_mm": 50, "notch_mm": 12}
    assert ask("get", f"{at}?wall_mm=20").json()["wish"]["wall_mm"] == 20
    assert ask("get", f"{at}?wall_mm=1").status_code == 422
    assert ask("get", "/exchange/foam/trip/a/nothing").status_code == 404
    assert ask("get", f"{at}/cases").status_code == 200
    for form, kind in (("svg", "image/svg+xml"), ("dxf", "image/vnd.dxf"), ("a4", "text/html")):
        assert ask("get", f"{at}/file/{form}")["Content-Type"] == kind
