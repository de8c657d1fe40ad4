"""Edits of a kit: a click on the bench and a cure are the same thing."""

from itertools import permutations

import pytest

from mule.analysis.gate import check_legs
from mule.analysis.load import Loads, weigh
from mule.base.errors import InvalidInput
from mule.plan import Plan
from mule.plan.editing import apply
from mule.plan.edits import Edit, Leave, Load, Move
from mule.plan.places import AsPiece, InBag, PieceKind, Worn
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


ON_MARIT = Worn(person="marit")
SPREAD = apply(PACKED, [Load(item="hold"), Load(item="pack", count=3), Load(item="pack", count=2, place=ON_MARIT)])


@pytest.mark.parametrize(
    ("count", "origin", "left"),
    [
        (1, None, [(2, cast.IN_BAG), (2, ON_MARIT), (1, cast.ON_INES)]),
        (3, None, [(2, ON_MARIT), (3, cast.ON_INES)]),
        # From where they are said to be first, then from its other places.
        (1, ON_MARIT, [(3, cast.IN_BAG), (1, ON_MARIT), (1, cast.ON_INES)]),
        (4, ON_MARIT, [(1, cast.IN_BAG), (4, cast.ON_INES)]),
        (5, ON_MARIT, [(5, cast.ON_INES)]),
    ],
)
def test_some_pieces_are_moved_and_the_others_stay(count: int, origin: Worn | None, left: list[object]) -> None:
    made = apply(SPREAD, [Move(item="pack", count=count, origin=origin, place=cast.ON_INES)])
    assert sorted(places(made, "pack"), key=str) == sorted(left, key=str)


def test_some_pieces_join_those_that_are_there() -> None:
    made = apply(SPREAD, [Move(item="pack", count=2, origin=cast.IN_BAG, place=ON_MARIT)])
    assert places(made, "pack") == [(1, cast.IN_BAG), (4, ON_MARIT)]


@pytest.mark.parametrize("count", [None, 1])
def test_a_bag_that_becomes_luggage_takes_in_what_had_no_place(count: int | None) -> None:
    nested = cast.plan(
        GEAR,
        cast.entry("hold", AsPiece(piece=PieceKind.HOLD, person="ines")),
        cast.entry("bag", InBag(bag="hold")),
        cast.entry("body", Worn(person="ines", unplaced=True)),
    )
    made = apply(nested, [Move(item="bag", count=count, place=cast.INES_CABIN)])
    assert places(made, "body") == [(1, cast.IN_BAG)]
    # Moved where it takes nothing in, it leaves everybody's pockets alone.
    still = apply(nested, [Move(item="bag", count=count, place=cast.ON_INES)])
    assert places(still, "body") == [(1, Worn(person="ines", unplaced=True))]


def test_loading_without_a_bag_leaves_what_has_no_place_where_it_is() -> None:
    bare = cast.plan(GEAR, cast.entry("body", Worn(person="marit", unplaced=True)))
    made = apply(bare, [Load(item="normal")])
    assert places(made, "body") == [(1, Worn(person="marit", unplaced=True))]
    assert places(made, "normal") == [(1, Worn(person="ines", unplaced=True))]


def test_what_an_owner_owns_stays_with_them_without_a_bag() -> None:
    made = apply(cast.plan([cast.body(owner="MARIT")]), [Load(item="body")])
    assert places(made, "body") == [(1, Worn(person="marit", unplaced=True))]


def test_a_bag_goes_to_its_owner_and_to_the_first_where_everybody_has_one() -> None:
    bags = [cast.bag(), cast.bag("second"), cast.bag("third"), cast.bag("hers", owner="marit")]
    made = apply(cast.plan(bags), [Load(item=b) for b in ("hers", "bag", "second", "third")])
    assert [(e.item, e.place.person) for e in made.kit.entries if isinstance(e.place, AsPiece)] == [
        ("hers", "marit"),
        ("bag", "ines"),
        ("second", "ines"),
        ("third", "ines"),
    ]


def test_of_several_bags_the_cabin_bag_takes_things_and_the_hold_bag_supports() -> None:
    gear = [cast.bag("hold", piece="hold"), cast.bag("purse", piece="personal"), cast.bag(), cast.body(), TRIPOD]

    def goes(item: str, *bags: str) -> object:
        made = apply(cast.plan(gear), [Load(item=bag) for bag in bags] + [Load(item=item)])
        return places(made, item)[0][1]

    assert goes("body", "hold", "purse", "bag") == InBag(bag="bag")
    assert goes("body", "hold", "purse") == InBag(bag="purse")
    assert goes("body", "hold") == InBag(bag="hold")
    assert goes("legs", "purse", "bag") == InBag(bag="bag")
    assert goes("legs", "purse") == InBag(bag="purse")


def test_leaving_more_than_there_is_leaves_all() -> None:
    assert places(apply(SPREAD, [Leave(item="pack", count=9)]), "pack") == []
    assert places(apply(SPREAD, [Leave(item="pack", count=1)]), "pack") == [(3, cast.IN_BAG), (1, ON_MARIT)]


def test_what_two_left_places_of_a_bag_held_is_gathered_with_its_like() -> None:
    full = apply(SPREAD, [Move(item="pack", count=2, origin=ON_MARIT, place=InBag(bag="hold"))])
    made = apply(full, [Leave(item="bag")])
    assert places(made, "pack") == [(5, InBag(bag="hold"))]


def test_more_of_a_thing_at_several_places_goes_to_the_first_of_them() -> None:
    fewer = apply(SPREAD, [Leave(item="pack", count=1)])
    assert places(apply(fewer, [Load(item="pack")]), "pack") == [(4, cast.IN_BAG), (1, ON_MARIT)]


def test_what_is_gathered_stands_where_its_first_place_stood() -> None:
    spread = apply(PACKED, [Load(item="pack"), Load(item="normal"), Load(item="pack", place=ON_MARIT)])
    made = apply(spread, [Move(item="pack", place=cast.ON_INES)])
    assert [e.item for e in made.kit.entries] == ["bag", "body", "pack", "normal"]
