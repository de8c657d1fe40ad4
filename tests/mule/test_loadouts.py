"""Loadouts: the bag of a day out, and what moves to it."""

from datetime import date
from typing import Any

import pytest

from mule.analysis.loadouts import Shift, carried, moves, outing
from mule.base.errors import InvalidInput
from mule.plan import Plan
from mule.plan.kit import Entry, Kit, Loadout, Mount, Stow
from mule.plan.places import AsPiece, InBag, PieceKind, Worn
from tests import cast

INES = AsPiece(piece=PieceKind.CABIN, person="ines")
HOLD = AsPiece(piece=PieceKind.HOLD, person="ines")
ON = Worn(person="ines")


def put(item: str, place: Any, count: int = 1) -> Entry:
    return Entry(item=item, place=place, count=count)


def into(bag: str) -> InBag:
    return InBag(bag=bag)


def plan(*out: Entry, loaded: tuple[Entry, ...] = ()) -> Plan:
    """A cabin bag with a body, two lenses and packs, a sling packed in it; the loadout of a ridge at dawn."""
    gear = [
        cast.bag(mass_g=1_700),
        cast.bag("sling", mass_g=500),
        cast.body(),
        cast.normal_zoom(),
        cast.tele_zoom(mass_g=1_400),
        cast.pack(),
    ]
    transit = loaded or (
        put("bag", INES),
        put("sling", into("bag")),
        *(put(i, into("bag")) for i in ("body", "normal", "tele")),
        put("pack", into("bag"), 3),
    )
    made = cast.plan(gear, *transit)
    ridge = Loadout(id="ridge", name="Ridge dawn", days=(date(2027, 2, 21),), entries=out)
    return made.with_kit(made.kit.model_copy(update={"stow": Stow(loadouts=(ridge,))}))


RIDGE = (put("sling", INES), put("body", ON), put("normal", into("sling")), put("pack", into("sling"), 2))


def test_a_loadout_weighs_what_it_carries_and_the_rest_stays() -> None:
    made = outing(plan(*RIDGE), "ridge")
    ines = made.loads.people[0]
    # Sling 500 + zoom 800 + two packs of 82; the body of 720 is worn.
    assert ines.cabin_g == pytest.approx(1_464)
    assert ines.worn_g == pytest.approx(720)
    assert made.stays == {"bag": 1, "tele": 1, "pack": 1}
    # In the evening what was out goes back, and nothing else.
    assert {(m.item, m.count) for m in made.back} == {("sling", 1), ("body", 1), ("normal", 1), ("pack", 2)}
    assert all(m.from_place is not None for m in made.back)


def test_moves_say_what_to_grab_where_bags_first() -> None:
    made = outing(plan(*RIDGE), "ridge").moves
    assert made[0] == Shift(item="sling", count=1, from_place=into("bag"), to_place=INES)
    assert Shift(item="pack", count=2, from_place=into("bag"), to_place=into("sling")) in made
    assert Shift(item="body", count=1, from_place=into("bag"), to_place=ON) in made
    # What stays behind is told last.
    assert [m.item for m in made if m.to_place is None] == ["bag", "tele", "pack"]
    assert all(m.to_place is None for m in made[-3:])


def test_what_keeps_its_place_does_not_move() -> None:
    kit = plan().kit
    assert moves(kit, kit) == ()


def test_moves_there_and_back_take_the_same_pieces() -> None:
    made = plan(*RIDGE)
    out = carried(made.kit, made.items, made.kit.stow.loadouts[0])
    there, back = moves(made.kit, out), moves(out, made.kit)
    key = lambda m: (m.item, m.count, str(m.from_place), str(m.to_place))  # noqa: E731
    turned = [Shift(item=m.item, count=m.count, from_place=m.to_place, to_place=m.from_place) for m in back]
    assert sorted(map(key, there)) == sorted(map(key, turned))


def test_what_left_the_kit_leaves_its_loadouts_too() -> None:
    # Without the sling in the kit, what lay in it is not carried; of three packs asked, one is left.
    loaded = (put("bag", INES), put("body", into("bag")), put("normal", into("bag")), put("pack", into("bag")))
    made = plan(*RIDGE[:3], put("pack", ON, 3), loaded=loaded)
    kit: Kit = outing(made, "ridge").kit
    assert {(e.item, e.count) for e in kit.entries} == {("body", 1), ("pack", 1)}


def test_a_loadout_that_is_not_there_is_told() -> None:
    with pytest.raises(InvalidInput, match="loadouts"):
        outing(plan(), "nowhere")


def test_a_loadout_says_which_lens_is_on_which_body() -> None:
    made = plan(*RIDGE)
    kit = made.kit.model_copy(
        update={"stow": made.kit.stow.model_copy(update={"mounts": (Mount(body="body", lens="tele"),)})}
    )
    assert carried(kit, made.items, kit.stow.loadouts[0]).stow.mounts == kit.stow.mounts
    on = (Mount(body="body", lens="normal"),)
    assert carried(kit, made.items, kit.stow.loadouts[0].model_copy(update={"mounts": on})).stow.mounts == on
