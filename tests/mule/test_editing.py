"""Edits of a kit: a click on the bench and a cure are the same thing."""

from itertools import permutations

import pytest

from mule.editing import apply
from mule.errors import InvalidInput
from mule.finding import AsPiece, Edit, InBag, Leave, Load, Move, PieceKind, Worn
from mule.gate import check_legs
from mule.load import Loads, weigh
from mule.plan import Plan
from tests import cast

TRIPOD = {
    "id": "legs",
    "kind": "tripod",
    "name": "legs",
    "mass_g": 1200,
    "size": {"shape": "cylinder", "diameter_mm": 90, "length_mm": 500},
    "max_load_g": 9000,
    "max_height_mm": 1500,
}
GEAR = [
    cast.bag(),
    cast.bag("hold", piece="hold"),
    cast.insert(),
    cast.body(),
    cast.normal_zoom(),
    cast.pack(),
    TRIPOD,
]
PACKED = cast.plan(GEAR, cast.entry("bag", cast.INES_CABIN), cast.entry("body"))


def weigh_plan(plan: Plan) -> Loads:
    return weigh(plan.items, plan.kit, plan.trip.people)


def places(plan: Plan, item: str) -> list[tuple[int, object]]:
    return [(e.count, e.place) for e in plan.kit.entries if e.item == item]


def test_a_loaded_thing_goes_into_the_first_cabin_bag() -> None:
    made = apply(PACKED, [Load(item="normal")])
    assert places(made, "normal") == [(1, InBag(bag="bag"))]


def test_without_a_bag_a_thing_is_on_the_first_person_and_known_to_have_no_place() -> None:
    made = apply(cast.plan(GEAR), [Load(item="normal")])
    assert places(made, "normal") == [(1, Worn(person="ines", unplaced=True))]
    assert weigh_plan(made).people[0].unplaced_g == made.items["normal"].mass_g


@pytest.mark.parametrize("order", list(permutations(["bag", "cube", "body", "normal"])))
def test_the_order_of_loading_changes_neither_places_nor_the_verdict(order: tuple[str, ...]) -> None:
    gear = [cast.bag(), cast.insert(), cast.body(), cast.normal_zoom()]
    made = apply(cast.plan(gear, carriers=(cast.carrier(mass_g=3_000),)), [Load(item=item) for item in order])
    assert {e.item: e.place for e in made.kit.entries} == {
        "bag": cast.INES_CABIN,
        "cube": cast.IN_BAG,
        "body": cast.IN_BAG,
        "normal": cast.IN_BAG,
    }
    assert not check_legs(made, weigh_plan(made))[0].passes


def test_what_somebody_wears_on_purpose_stays_where_it_is() -> None:
    worn = apply(cast.plan(GEAR), [Load(item="body", place=cast.ON_INES), Load(item="normal")])
    made = apply(worn, [Load(item="bag")])
    assert places(made, "body") == [(1, cast.ON_INES)]
    assert places(made, "normal") == [(1, cast.IN_BAG)]
    # Undo is the server's: one step holds the bag and what it took in.
    assert len(apply(made, [Leave(item="bag")]).kit.entries) == 2


def test_a_thing_goes_into_the_bag_of_its_owner() -> None:
    hers = cast.body(owner="marit")
    gear = [cast.bag(), cast.bag("second"), hers]
    plan = cast.plan(gear, cast.entry("bag", cast.INES_CABIN), cast.entry("second", cast.MARIT_CABIN))
    assert places(apply(plan, [Load(item="body")]), "body") == [(1, InBag(bag="second"))]


def test_a_tripod_prefers_the_hold_bag() -> None:
    made = apply(PACKED, [Load(item="hold"), Load(item="legs")])
    assert places(made, "legs") == [(1, InBag(bag="hold"))]


def test_a_bag_goes_to_the_first_person_without_one_of_its_kind() -> None:
    gear = [*GEAR, cast.bag("second")]
    made = apply(cast.plan(gear, cast.entry("bag", cast.INES_CABIN)), [Load(item="second")])
    assert places(made, "second") == [(1, AsPiece(piece=PieceKind.CABIN, person="marit"))]


def test_loading_more_of_a_thing_adds_to_where_it_already_is() -> None:
    made = apply(PACKED, [Load(item="pack", count=2), Load(item="pack")])
    assert places(made, "pack") == [(3, InBag(bag="bag"))]


def test_a_thing_may_be_at_several_places() -> None:
    made = apply(PACKED, [Load(item="pack", count=3), Load(item="pack", count=2, place=Worn(person="marit"))])
    assert places(made, "pack") == [(3, InBag(bag="bag")), (2, Worn(person="marit"))]


def test_leaving_some_takes_the_last_place_first_and_leaving_all_takes_all() -> None:
    made = apply(PACKED, [Load(item="pack", count=3), Load(item="pack", count=2, place=Worn(person="marit"))])
    assert places(apply(made, [Leave(item="pack", count=3)]), "pack") == [(2, InBag(bag="bag"))]
    assert places(apply(made, [Leave(item="pack")]), "pack") == []


def test_what_a_left_bag_held_moves_to_the_next_best_place() -> None:
    two = apply(PACKED, [Load(item="hold")])
    made = apply(two, [Leave(item="bag")])
    assert places(made, "body") == [(1, InBag(bag="hold"))]
    assert places(apply(made, [Leave(item="hold")]), "body") == [(1, Worn(person="ines", unplaced=True))]


def test_moving_gathers_a_thing_at_one_place() -> None:
    spread = apply(PACKED, [Load(item="pack", count=3), Load(item="pack", count=2, place=Worn(person="marit"))])
    made = apply(spread, [Move(item="pack", place=Worn(person="ines"))])
    assert places(made, "pack") == [(5, Worn(person="ines"))]


@pytest.mark.parametrize(
    ("edit", "field"),
    [
        (Load(item="ghost"), "edits.0.item"),
        (Load(item="pack", count=6), "count"),
        (Load(item="normal", place=InBag(bag="hold")), "place.bag"),
        (Load(item="normal", place=InBag(bag="body")), "place.bag"),
        (Load(item="normal", place=Worn(person="nobody")), "place.person"),
        (Load(item="normal", place=AsPiece(piece=PieceKind.CABIN, person="ines")), "place.piece"),
        (Leave(item="normal"), "edits.0.item"),
        (Move(item="normal", place=Worn(person="ines")), "edits.0.item"),
    ],
)
def test_an_edit_that_cannot_be_done_says_where_it_is_wrong(edit: Edit, field: str) -> None:
    with pytest.raises(InvalidInput) as caught:
        apply(PACKED, [edit])
    assert field in caught.value.problems[0].field


def test_a_bag_cannot_lie_inside_what_it_holds() -> None:
    nested = apply(PACKED, [Load(item="cube")])
    with pytest.raises(InvalidInput, match="inside itself"):
        apply(nested, [Move(item="bag", place=InBag(bag="cube"))])


def test_edits_are_done_together_or_not_at_all() -> None:
    with pytest.raises(InvalidInput):
        apply(PACKED, [Load(item="normal"), Load(item="ghost")])
    assert places(PACKED, "normal") == []


def test_nobody_to_carry_is_told_as_such() -> None:
    with pytest.raises(InvalidInput, match="carry"):
        apply(cast.plan(GEAR, people=()), [Load(item="normal")])
