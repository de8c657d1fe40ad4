"""Load: grams per bag and per person (docs/domain/load.md)."""

import pytest

from mule.analysis.load import Contents, Loads, outer_with, roots, weigh
from mule.plan.field import Held, Weighed
from mule.plan.gear import Box, Gear, Source
from mule.plan.kit import Entry
from mule.plan.places import AsPiece, InBag, PieceKind, Worn
from mule.plan.trip import BaseLoad, Person
from tests import cast

_OWNED: list[Gear] = [cast.bag(), cast.insert(), cast.body(), cast.normal_zoom(), cast.pack(), cast.first_aid()]
GEAR = {t.id: t for t in [*_OWNED, cast.bag("hold", piece="hold", mass_g=2000)]}
INES = Person(id="ines", name="Ines", body_mass_kg=60, base_load=(BaseLoad(name="Water", mass_g=1000),))
MARIT = Person(id="marit", name="Marit")


def loads(*entries: Entry) -> Loads:
    return weigh(GEAR, cast.kit(*entries), [INES, MARIT])


FULL = (
    cast.entry("bag", cast.INES_CABIN),
    cast.entry("cube"),
    cast.entry("body", InBag(bag="cube")),
    cast.entry("normal", InBag(bag="cube")),
    cast.entry("pack", count=3),
    cast.entry("pack", cast.ON_INES, count=2),
)


def test_a_bag_weighs_itself_its_contents_and_what_lies_in_its_inserts() -> None:
    # 1400 + 400 + 720 + 800 + 3 x 82 = 3566 g; the two worn packs are not in it.
    made = loads(*FULL)
    (piece,) = made.pieces
    assert piece.mass_g == 1400 + 400 + 720 + 800 + 3 * 82
    inside = next(b for b in made.bags if b.bag == "bag")
    assert inside.total_g == piece.mass_g
    assert made.total_g == piece.mass_g + 2 * 82


def scaled(*entries: Entry, grams: float, then: dict[str, int], **masses: float) -> Contents:
    held = tuple(Held(item=item, count=n, mass_g=masses.get(item, GEAR[item].mass_g)) for item, n in then.items())
    weighed = {"bag": Weighed(bag="bag", grams=grams, held=held)}
    made = weigh(GEAR, cast.kit(*entries), [INES, MARIT], weighed)
    (contents,) = (b for b in made.bags if b.bag == "bag")
    assert made.pieces[0].mass_g == contents.total_g == made.people[0].cabin_g
    # The whole is what is in bags and what is worn: what the scale found stands in both.
    assert made.scale_g == contents.total_g - contents.planned_g
    assert made.total_g == contents.total_g + made.people[0].worn_g
    return contents


THEN = {"cube": 1, "body": 1, "normal": 1, "pack": 3}


def test_what_was_weighed_wins_until_what_it_holds_changes() -> None:
    same = scaled(*FULL, grams=4_000, then=THEN)
    assert (same.weighed_g, same.since_g, same.total_g, same.planned_g) == (4000, 0, 4000, 3566)
    new = scaled(*FULL, grams=4_000, then={item: n for item, n in THEN.items() if item != "pack"})
    assert new.since_g == 3 * 82
    more = scaled(*FULL, grams=4_000, then=THEN | {"pack": 1})
    assert (more.since_g, more.total_g) == (2 * 82, 4164)
    fewer = scaled(*FULL, grams=4_000, then=THEN | {"pack": 5})
    assert fewer.since_g == -2 * 82
    # What left weighs what it was then reckoned to weigh.
    less = scaled(*FULL, grams=4_000, then=THEN | {"first-aid": 1}, **{"first-aid": 300.0})
    assert (less.since_g, less.total_g) == (-300, 3700)


def test_a_mass_mended_in_the_locker_changes_nothing_about_what_the_scale_said() -> None:
    assert scaled(*FULL, grams=4_000, then=THEN, body=500.0).total_g == 4000


def test_a_weighing_of_which_nobody_knows_what_lay_in_it_counts_for_nothing() -> None:
    made = weigh(GEAR, cast.kit(*FULL), [INES, MARIT], {"bag": Weighed(bag="bag", grams=4_000)})
    assert made.pieces[0].mass_g == 3566
    assert [(b.bag, b.weighed_g, b.since_g) for b in made.bags] == [("bag", None, 0), ("cube", None, 0)]


def test_a_person_carries_bags_worn_things_and_base_load() -> None:
    ines = loads(*FULL).people[0]
    assert (ines.cabin_g, ines.worn_g, ines.base_g) == (3566, 164, 1000)
    assert ines.carried_g == 4730
    assert ines.share == pytest.approx(4.730 / 60)
    assert ines.over == ()


def test_hold_bags_are_weighed_but_not_on_the_back() -> None:
    made = loads(cast.entry("hold", {"where": "piece", "piece": "hold", "person": "ines"}))
    assert made.people[0].hold_g == 2000
    assert made.people[0].carried_g == 1000


def test_without_a_body_mass_there_is_no_share() -> None:
    marit = loads(*FULL).people[1]
    assert marit.share is None
    assert marit.over == ()


@pytest.mark.parametrize(
    ("carried_kg", "over"), [(8.9, ()), (9.0, (0.15,)), (12.5, (0.15, 0.20)), (15, (0.15, 0.20, 0.25))]
)
def test_caution_lines_are_passed_at_15_20_and_25_percent(carried_kg: float, over: tuple[float, ...]) -> None:
    heavy = Person(
        id="ines", name="Ines", body_mass_kg=60, base_load=(BaseLoad(name="Water", mass_g=carried_kg * 1000),)
    )
    assert weigh({}, cast.kit(), [heavy]).people[0].over == over


def test_an_insert_takes_its_outer_litres_whatever_it_holds() -> None:
    # 300 x 260 x 150 mm = 11.7 l; three packs of 52 x 38 x 23 mm = 0.136 l.
    inside = next(b for b in loads(*FULL).bags if b.bag == "bag")
    assert inside.litres == pytest.approx(11.7 + 3 * 52 * 38 * 23 / 1e6)


def test_what_is_strapped_outside_adds_to_size_and_mass_but_not_to_litres() -> None:
    # A lens of 88 x 124 mm outside: the thinnest side grows from 240 to 328 mm, the longest stays 540.
    made = loads(cast.entry("bag", cast.INES_CABIN), cast.entry("normal", InBag(bag="bag", outside=True)))
    (piece,) = made.pieces
    assert piece.size_mm == (540, 380, 328)
    assert piece.bare_mm == (540, 380, 240)
    assert piece.mass_g == made.bags[0].planned_g == 2200
    assert made.bags[0].litres == 0


def test_masses_are_told_apart_by_where_they_come_from() -> None:
    gear = GEAR | {"body": cast.body(mass_source=Source.MEASURED)}
    made = weigh(gear, cast.kit(cast.entry("bag", cast.INES_CABIN), cast.entry("body")), [INES])
    assert made.by_source == {Source.STATED: 1400, Source.MEASURED: 720}


def test_things_strapped_on_stick_out_along_and_the_thickest_of_them_adds_its_thinnest_side() -> None:
    # 54 x 38 x 24 cm; poles of 60 cm stick out, and the 8 cm of the bundle lie on top of 24.
    bundle = cast.lens("bundle", 50, 50, 2, size=Box(length_mm=600, width_mm=90, height_mm=80))
    pad = cast.lens("pad", 50, 50, 2, size=Box(length_mm=300, width_mm=200, height_mm=50))
    assert outer_with(cast.bag(), [bundle, pad]) == outer_with(cast.bag(), [pad, bundle]) == (600, 380, 320)
    assert outer_with(cast.bag(), [pad]) == (540, 380, 290)
    assert outer_with(cast.bag(), []) == (540, 380, 240)


PURSE = cast.bag("purse", piece="personal", mass_g=300)
INES_PURSE = AsPiece(piece=PieceKind.PERSONAL, person="ines")
INES_HOLD = AsPiece(piece=PieceKind.HOLD, person="ines")


def test_what_a_kit_puts_on_backs_is_cabin_seat_and_pockets_without_the_hold_and_what_is_no_camera_gear() -> None:
    gear = GEAR | {"purse": PURSE}
    entries = (*FULL, cast.entry("purse", INES_PURSE), cast.entry("hold", INES_HOLD))
    made = weigh(gear, cast.kit(*entries), [INES, MARIT])
    ines, marit = made.people
    assert (ines.cabin_g, ines.personal_g, ines.hold_g, ines.worn_g) == (3566, 300, 2000, 164)
    assert ines.carried_g == 3566 + 300 + 164 + 1000
    assert made.carried_g == 3566 + 300 + 164
    assert (marit.cabin_g, marit.carried_g) == (0, 0)


def test_only_what_nobody_put_on_a_person_has_no_place() -> None:
    made = loads(
        cast.entry("body", Worn(person="ines", unplaced=True)),
        cast.entry("pack", cast.ON_INES, count=2),
        cast.entry("normal", Worn(person="marit")),
    )
    assert [(p.worn_g, p.unplaced_g) for p in made.people] == [(720 + 164, 720), (800, 0)]


def test_masses_add_up_by_heading_with_every_piece() -> None:
    made = loads(*FULL)
    assert sum(made.by_group.values()) == made.total_g
    assert made.by_group[GEAR["pack"].group] == 5 * 82


def test_a_scale_never_makes_a_bag_lighter_than_nothing() -> None:
    gone = scaled(cast.entry("bag", cast.INES_CABIN), grams=1_000, then={"body": 1}, body=5_000.0)
    assert (gone.since_g, gone.total_g) == (-5_000, 0)


def test_things_travel_in_the_piece_of_luggage_that_holds_their_insert() -> None:
    travel = roots(cast.kit(*FULL, cast.entry("hold", INES_HOLD), cast.entry("normal", InBag(bag="hold"))))
    assert travel.owners == {"bag": "ines", "hold": "ines"}
    assert travel.bags == {
        "cube": [("bag", 1)],
        "body": [("bag", 1)],
        "normal": [("bag", 1), ("hold", 1)],
        "pack": [("bag", 3)],
    }


def test_what_lies_in_a_bag_that_is_worn_travels_in_no_piece() -> None:
    worn = cast.kit(cast.entry("cube", cast.ON_INES), cast.entry("body", InBag(bag="cube")))
    assert roots(worn).bags == {}
