"""Rows and cells that can be built, and packings in which what can stay where it lay stays."""

import random
from collections.abc import Sequence

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mule.base.deadline import Deadline
from mule.packing import Before, Stowage, StowCase, stow
from mule.packing.answer import Divider
from mule.packing.dividing import unfixed
from mule.packing.proof import faults
from mule.plan.gear import Bag, Box, Compartment, Computer, Cylinder, Gear, Soft
from mule.plan.kit import Entry, Kit, Pin, Stow, Wish
from mule.plan.places import InBag
from mule.plan.purposes import Purpose
from tests import cast
from tests.mule.test_packing import bag, thing

LID = Compartment(
    id="lid", name="lid", inner=Box(length_mm=200, width_mm=150, height_mm=50), sort="pocket", divided=False
)
SLEEVE = Compartment(
    id="sleeve", name="s", inner=Box(length_mm=360, width_mm=240, height_mm=25), sort="sleeve", divided=False
)
BLADDER = thing("bladder", 1, 1, 1, grams=1500).model_copy(
    update={"purpose": Purpose.WATER, "size": Soft(volume_l=1.5)}
)


def roomy(*more: Compartment) -> Bag:
    """A bag with a main space, and others."""
    main = Compartment(id="main", name="main", inner=Box(length_mm=390, width_mm=250, height_mm=145))
    return cast.bag(size=Box(length_mm=500, width_mm=320, height_mm=230), compartments=(main, *more))


def things_for(chance: random.Random, count: int) -> list[Gear]:
    """Camera things, about half of them round."""
    made: list[Gear] = []
    for number in range(count):
        name, grams = f"t{number}", chance.randint(40, 900)
        if chance.random() < 0.5:
            tube = Cylinder(diameter_mm=chance.randint(50, 95), length_mm=chance.randint(55, 140))
            made.append(cast.lens(name, 50, 50, 2, size=tube, mass_g=grams))
        else:
            made.append(
                thing(name, chance.randint(40, 150), chance.randint(30, 100), chance.randint(25, 90), grams=grams)
            )
    return made


def kit_of(holder: Bag, things: Sequence[Gear], stow: Stow | None = None) -> tuple[dict[str, Gear], Kit]:
    entries = [cast.entry(holder.id, cast.INES_CABIN)]
    entries += [Entry(item=t.id, place=InBag(bag=holder.id)) for t in things]
    return {t.id: t for t in [holder, *things]}, cast.kit(*entries).model_copy(update={"stow": stow or Stow()})


def sound(made: Stowage, gear: dict[str, Gear]) -> bool:
    fragile = [id_ for id_, t in gear.items() if t.kind == "lens"]
    return made.checked and not faults(made.rooms, made.placed, made.gap_mm, padded=(), fragile=fragile)


@settings(deadline=None, max_examples=40)
@given(seed=st.integers(0, 100_000), count=st.integers(1, 13), gap=st.sampled_from([0, 4, 8]))
def test_what_is_said_to_lie_in_rows_and_cells_can_be_built(seed: int, count: int, gap: int) -> None:
    gear, kit = kit_of(bag(390, 250, 145), things_for(random.Random(seed), count), Stow(gap_mm=gap))
    made = stow(gear, kit, Deadline(2))
    assert sound(made, gear)
    (room,) = made.rooms
    assert room.layout == "cells" or count > 8
    # A free layout names no dividers.
    assert room.layout == "cells" or not room.dividers
    assert all(d.thick_mm == gap for d in room.dividers)


def test_a_usual_insert_is_laid_out_in_rows_and_cells() -> None:
    laid = 0
    for seed in range(20):
        gear, kit = kit_of(bag(390, 250, 145), things_for(random.Random(seed), 9))
        made = stow(gear, kit, Deadline(2))
        laid += made.rooms[0].layout == "cells" and not made.left
    assert laid >= 17


def test_dividers_are_counted_no_more_than_are_needed() -> None:
    made = stow(*kit_of(bag(200, 100, 60), [thing("a", 90, 90, 50), thing("b", 90, 90, 50)]), Deadline(2))
    (room,) = made.rooms
    assert [(d.across, d.length_mm, d.long) for d in room.dividers] == [("x", 100, True)]
    alone = stow(*kit_of(bag(200, 100, 60), [thing("a", 90, 90, 50)]), Deadline(2))
    assert alone.rooms[0].dividers == ()


def test_what_rows_cannot_do_lies_freely_and_says_so() -> None:
    # Four beams around a free middle: no straight divider goes from wall to wall.
    beams = [thing(f"beam{n}", 120, 80, 40) for n in range(4)]
    made = stow(*kit_of(bag(200, 200, 40), beams, Stow(gap_mm=0)), Deadline(4))
    assert not made.left
    assert made.rooms[0].layout == "free"
    assert made.rooms[0].dividers == ()


def test_a_thing_put_somewhere_by_hand_stays_there() -> None:
    pin = Pin(item="a", bag="bag", at_mm=(60, 40, 10))
    made = stow(
        *kit_of(bag(300, 200, 100), [thing("a", 50, 50, 50), thing("b", 40, 40, 40)], Stow(pins=(pin,))), Deadline(2)
    )
    assert next(p.at_mm for p in made.placed if p.block == "a") == (60, 40, 10)
    assert made.rooms[0].layout == "free"


@pytest.mark.parametrize(
    ("dividers", "wrong"),
    [
        ([Divider(across="x", at_mm=50, thick_mm=8, from_mm=0, length_mm=100, long=True)], 0),
        ([Divider(across="x", at_mm=50, thick_mm=8, from_mm=0, length_mm=60, long=False)], 1),
        ([Divider(across="x", at_mm=196, thick_mm=8, from_mm=0, length_mm=100, long=True)], 1),
        (
            [
                Divider(across="x", at_mm=50, thick_mm=8, from_mm=0, length_mm=100, long=True),
                Divider(across="y", at_mm=30, thick_mm=8, from_mm=58, length_mm=142, long=False),
            ],
            0,
        ),
        (
            [
                Divider(across="x", at_mm=50, thick_mm=8, from_mm=0, length_mm=100, long=True),
                Divider(across="y", at_mm=30, thick_mm=8, from_mm=0, length_mm=200, long=True),
            ],
            2,
        ),
    ],
)
def test_a_divider_is_held_at_both_ends(dividers: list[Divider], wrong: int) -> None:
    assert len(unfixed((200, 100, 60), dividers)) == wrong


def test_the_independent_look_sees_dividers_that_cannot_be_built() -> None:
    made = stow(*kit_of(bag(200, 100, 60), [thing("a", 90, 90, 50), thing("b", 90, 90, 50)]), Deadline(2))
    (room,), (divider,) = made.rooms, made.rooms[0].dividers

    def told(*dividers: Divider) -> list[str]:
        return faults([room.model_copy(update={"dividers": dividers})], made.placed, 8, padded=(), fragile=())

    assert not told(divider)
    assert any("between" in fault for fault in told())
    assert any("through" in fault for fault in told(divider.model_copy(update={"at_mm": 40})))
    assert any("free" in fault for fault in told(divider.model_copy(update={"length_mm": 60})))
    assert any("leaves" in fault for fault in told(divider.model_copy(update={"length_mm": 140})))


# Packings of before.


def lay(made: Stowage) -> dict[str, tuple[str, tuple[int, int, int], tuple[int, int, int]]]:
    return {p.block: (p.room, p.at_mm, p.size_mm) for p in made.placed}


def test_the_same_kit_is_packed_the_same_way() -> None:
    for seed in range(6):
        gear, kit = kit_of(bag(390, 250, 145), things_for(random.Random(seed), 9))
        assert lay(stow(gear, kit, Deadline(4))) == lay(stow(gear, kit, Deadline(4)))


@settings(deadline=None, max_examples=25)
@given(seed=st.integers(0, 100_000), count=st.integers(3, 11))
def test_leaving_one_thing_moves_nothing_and_taking_it_again_neither(seed: int, count: int) -> None:
    chance = random.Random(seed)
    things = things_for(chance, count)
    gear, kit = kit_of(bag(390, 250, 145), things)
    before = stow(gear, kit, Deadline(2))
    gone = chance.choice(things)
    fewer = kit.model_copy(update={"entries": tuple(e for e in kit.entries if e.item != gone.id)})
    after = stow(gear, fewer, Deadline(2), case=StowCase(before=Before(before)))
    assert sound(after, gear)
    if before.left:
        return
    assert not after.left
    assert not after.moved
    assert lay(after).items() <= lay(before).items()
    again = stow(gear, kit, Deadline(2), case=StowCase(before=Before(after)))
    assert sound(again, gear)
    assert not again.left
    assert not again.moved


@settings(deadline=None, max_examples=25)
@given(seed=st.integers(0, 100_000), count=st.integers(2, 10))
def test_one_thing_more_moves_little_and_never_leaves_more_over_than_packing_anew(seed: int, count: int) -> None:
    chance = random.Random(seed)
    things = things_for(chance, count + 1)
    gear, kit = kit_of(bag(390, 250, 145), things)
    fewer = kit.model_copy(update={"entries": kit.entries[:-1]})
    before = stow(gear, fewer, Deadline(2))
    after = stow(gear, kit, Deadline(2), case=StowCase(before=Before(before)))
    assert sound(after, gear)
    anew = stow(gear, kit, Deadline(2))
    if not anew.left and not before.left:
        assert not after.left
        moved = {m.item for m in after.moved}
        assert moved == {id_ for id_, at in lay(after).items() if id_ in lay(before) and lay(before)[id_] != at}


def test_what_is_held_still_is_not_moved_for_something_new() -> None:
    wide = thing("wide", 150, 60, 40)
    gear, kit = kit_of(bag(200, 100, 40), [thing("a", 60, 60, 40)])
    pinned = kit.model_copy(update={"stow": Stow(pins=(Pin(item="a", bag="bag", at_mm=(70, 20, 0)),))})
    before = stow(gear, pinned, Deadline(2))
    more = kit.model_copy(update={"entries": (*kit.entries, Entry(item="wide", place=InBag(bag="bag")))})
    held = stow(
        gear | {"wide": wide}, more, Deadline(2), case=StowCase(before=Before(before, frozenset({("a", "bag")})))
    )
    assert [(over.item, over.why) for over in held.left] == [("wide", "stays")]
    assert not held.moved
    # Whatever else lies there may be.
    other = stow(
        gear | {"wide": thing("wide", 130, 90, 40)},
        more,
        Deadline(2),
        case=StowCase(before=Before(before, frozenset({("wide", "bag")}))),
    )
    assert [m.item for m in other.moved] == ["a"]
    tight = stow(gear | {"wide": thing("wide", 130, 90, 40)}, more, Deadline(2), case=StowCase(before=Before(before)))
    assert not tight.left
    assert [m.item for m in tight.moved] == ["a"]


def test_a_wish_is_worth_a_move() -> None:
    """What shall come out quickly goes to the quick pocket, though it lay elsewhere."""
    holder = cast.bag(
        compartments=(
            Compartment(id="main", name="main", inner=Box(length_mm=300, width_mm=200, height_mm=100)),
            Compartment(
                id="lid",
                name="lid",
                inner=Box(length_mm=150, width_mm=100, height_mm=60),
                access="quick",
                sort="pocket",
                divided=False,
            ),
        )
    )
    gear, kit = kit_of(holder, [thing("torch", 100, 80, 50, grams=90), thing("stove", 90, 80, 80)])
    before = stow(gear, kit, Deadline(2))
    wished = kit.model_copy(update={"stow": Stow(wishes=(Wish(item="torch", access="quick"),))})
    after = stow(gear, wished, Deadline(2), case=StowCase(before=Before(before)))
    assert next(p.room for p in after.placed if p.block == "torch") == "bag/lid"
    assert [m.item for m in after.moved] == ([] if lay(before)["torch"][0] == "bag/lid" else ["torch"])


@pytest.mark.parametrize(
    ("worth", "left"),
    [({}, "small"), ({"small": 3.0}, "large"), ({"small": 3.0, "large": 4.0}, "small")],
)
def test_what_the_wants_ask_for_is_left_over_last(worth: dict[str, float], left: str) -> None:
    """Two bottles for the room of one: the larger goes in, unless the smaller is worth more."""
    things = [thing("small", 80, 80, 80), thing("large", 95, 95, 95)]
    gear, kit = kit_of(bag(100, 100, 100), things)
    made = stow(gear, kit, Deadline(4), case=StowCase(worth=worth))
    assert [over.item for over in made.left] == [left]
    assert made.left[0].proof == "proved"


def test_nothing_is_worth_what_keeps_somebody_safe() -> None:
    kit_bag = bag(100, 100, 100)
    aid = cast.first_aid().model_copy(update={"size": Box(length_mm=60, width_mm=60, height_mm=60)})
    gear, kit = kit_of(kit_bag, [aid, thing("lens", 95, 95, 95)])
    made = stow(gear, kit, Deadline(4), case=StowCase(worth={"lens": 100.0}))
    assert [over.item for over in made.left] == ["lens"]


@pytest.mark.parametrize("seed", range(8))
def test_whatever_comes_and_goes_it_stays_sound_and_what_is_ticked_stays_put(seed: int) -> None:
    """A bag with a main space, a pocket and a sleeve, packed again and again as things come and go."""
    chance = random.Random(seed)
    holder = roomy(LID, SLEEVE)
    laptop = Computer(
        id="laptop",
        name="laptop",
        mass_g=1200,
        form="laptop",
        screen_in=14,
        energy_wh=50,
        size=Box(length_mm=320, width_mm=220, height_mm=18),
    )
    pool = [*things_for(chance, 12), laptop, BLADDER]
    loaded = {t.id: t for t in pool if chance.random() < 0.6}
    before: Stowage | None = None
    for _ in range(4):
        gear, kit = kit_of(holder, list(loaded.values()))
        hold = frozenset((id_, "bag") for id_ in loaded if chance.random() < 0.4)
        made = stow(gear, kit, Deadline(2), case=StowCase(before=Before(before, hold) if before else None))
        assert sound(made, gear)
        assert len(made.placed) + len(made.soft) + len(made.left) == len(loaded)
        if before:
            assert not {m.item for m in made.moved} & {id_ for id_, _ in hold}
        # A screen or water, not both.
        assert len({"laptop", "bladder"} & {i for p in made.placed for i in p.items if p.room == "bag/sleeve"}) <= 1
        in_sleeve = [s.item for s in made.soft if s.room == "bag/sleeve"]
        assert not (in_sleeve and any(p.room == "bag/sleeve" for p in made.placed))
        before = made
        one = chance.choice(pool)
        if loaded.pop(one.id, None) is None:
            loaded[one.id] = one


def test_water_lies_in_the_sleeve_apart_from_what_it_would_wet() -> None:
    holder = roomy(SLEEVE)
    coat = thing("coat", 1, 1, 1, grams=400).model_copy(update={"size": Soft(volume_l=1.5)})
    made = stow(*kit_of(holder, [BLADDER, coat]), Deadline(2))
    assert {s.item: s.room for s in made.soft} == {"bladder": "bag/sleeve", "coat": "bag/main"}
