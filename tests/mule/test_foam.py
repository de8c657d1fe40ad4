"""Foam for hard cases: pockets, walls, layers and notches."""

from itertools import combinations
from math import hypot
from typing import Any

import pytest

from mule.packing.foam import Foam, FoamWish, Pocket, Pocketless, compare_cases, cut_foam
from mule.plan.gear import Bag, Box, Cylinder, Other
from mule.plan.kit import Entry, Kit
from mule.plan.places import AsPiece, InBag, PieceKind


def case(id_: str, *inner: float, grams: float = 4_000) -> Bag:
    x, y, z = inner
    size = Box(length_mm=x + 60, width_mm=y + 70, height_mm=z + 50)
    room = Box(length_mm=x, width_mm=y, height_mm=z)
    return Bag(id=id_, name=id_, mass_g=grams, size=size, inner=room, volume_l=20, hard=True)


def thing(id_: str, *sides: float) -> Other:
    x, y, z = sides
    return Other(id=id_, name=id_, label="x", mass_g=100, size=Box(length_mm=x, width_mm=y, height_mm=z))


def lens(id_: str, across: float, long: float) -> Other:
    return Other(id=id_, name=id_, label="x", mass_g=100, size=Cylinder(diameter_mm=across, length_mm=long))


def kit(*things: Any) -> tuple[dict[str, Any], Kit]:
    gear = {t.id: t for t in things}
    entries = [Entry(item="case", place=AsPiece(piece=PieceKind.CABIN, person="ines"))]
    entries += [Entry(item=t.id, place=InBag(bag="case")) for t in things if not isinstance(t, Bag)]
    return gear, Kit(id="a", name="A", entries=tuple(entries))


def cut(*things: Any, **wish: Any) -> Foam:
    gear, made = kit(*things)
    return cut_foam(gear, made, "case", FoamWish(**wish))


def gap(one: Pocket, other: Pocket) -> float:
    across = max(one.x_mm - other.x_mm - other.width_mm, other.x_mm - one.x_mm - one.width_mm)
    along = max(one.y_mm - other.y_mm - other.height_mm, other.y_mm - one.y_mm - one.height_mm)
    return max(across, along)


SEVEN = [thing(f"t{i}", 90 + 5 * i, 60, 40 + 6 * i) for i in range(5)] + [lens(f"l{i}", 80, 110) for i in range(2)]


def test_pockets_keep_their_walls_from_each_other_and_from_the_edge() -> None:
    made = cut(case("case", 500, 330, 150), *SEVEN, wall_mm=15)
    assert made.left == ()
    for layer in made.layers:
        for pocket in layer.pockets:
            assert pocket.x_mm >= 15
            assert pocket.y_mm >= 15
            assert pocket.x_mm + pocket.width_mm <= 500 - 15
            assert pocket.y_mm + pocket.height_mm <= 330 - 15
        assert all(gap(one, other) >= 15 for one, other in combinations(layer.pockets, 2))


def test_a_thing_deeper_than_a_sheet_goes_through_the_upper_ones() -> None:
    # A cube of 90 mm in sheets of 50, flush with the lid: all of the first, 40 mm of the next; the third is whole.
    made = cut(case("case", 150, 150, 120), thing("cube", 90, 90, 90), layer_mm=50)
    assert [layer.thickness_mm for layer in made.layers] == [50, 50, 20]
    assert [[p.depth_mm for p in layer.pockets] for layer in made.layers] == [[50], [40], []]
    assert [[p.through for p in layer.pockets] for layer in made.layers] == [[True], [False], []]
    assert made.cut_share == pytest.approx(90 * 90 * 90 / (150 * 150 * 120))


def test_a_standing_lens_is_a_round_pocket() -> None:
    made = cut(case("case", 130, 130, 130), lens("l", 90, 120))
    assert all(p.round and p.width_mm == p.height_mm == 90 for layer in made.layers for p in layer.pockets)


def test_notches_leave_a_wall_standing() -> None:
    made = cut(case("case", 500, 330, 150), *SEVEN, wall_mm=20, notch_mm=12)
    notches = [(n, p, layer) for layer in made.layers for p in layer.pockets for n in p.notches]
    assert notches
    for notch, own, layer in notches:
        assert 3 <= notch.radius_mm <= 12
        assert min(notch.x_mm, notch.y_mm, 500 - notch.x_mm, 330 - notch.y_mm) - notch.radius_mm >= 4
        for other in layer.pockets:
            if other is not own:
                away = hypot(
                    max(other.x_mm - notch.x_mm, 0, notch.x_mm - other.x_mm - other.width_mm),
                    max(other.y_mm - notch.y_mm, 0, notch.y_mm - other.y_mm - other.height_mm),
                )
                assert away - notch.radius_mm >= 4
    assert not any(
        p.notches for layer in cut(case("case", 500, 330, 150), *SEVEN, notch_mm=0).layers for p in layer.pockets
    )


def test_what_finds_no_pocket_is_named_and_the_same_plan_comes_twice() -> None:
    made = cut(case("case", 200, 150, 60), *SEVEN)
    assert made.left
    assert made.proved
    assert cut(case("case", 500, 330, 150), *SEVEN) == cut(case("case", 500, 330, 150), *SEVEN)


def test_walls_thicker_than_the_case_leave_everything_out() -> None:
    made = cut(case("case", 100, 100, 60), thing("a", 10, 10, 10), wall_mm=60)
    assert (made.left, made.proved) == ((Pocketless(items=("a",), count=1, number=None),), True)


def test_cases_stand_side_by_side_lightest_first() -> None:
    gear, made = kit(case("case", 500, 330, 150), case("small", 200, 150, 60, grams=2_000), *SEVEN)
    rows = compare_cases(gear, made, "case", FoamWish())
    assert [row.bag for row in rows] == ["small", "case"]
    assert rows[0].left > 0
    assert rows[1].left == 0
