"""Rules: each has a case where it speaks and one where it is silent."""

from typing import Any

import pytest

from mule.findings.assess import Assessment, StationMark, assess
from mule.findings.codes import Severity
from mule.findings.cures import cure
from mule.findings.said import LegMass, NativeGapOfWants
from mule.findings.said.cure import CropMode
from mule.plan import Plan
from mule.plan.editing import apply
from mule.plan.edits import Leave, Move
from mule.plan.places import InBag
from mule.plan.trip import Leg
from tests import cast
from tests.saying import fields

BASIC = [cast.bag(), cast.body(), cast.normal_zoom()]
PACKED = (cast.entry("bag", cast.INES_CABIN), cast.entry("body"), cast.entry("normal"))


def codes(plan: Plan) -> set[str]:
    return {f.code for f in cure(plan).findings}


def finding(plan: Plan, code: str) -> Any:
    return next(f for f in cure(plan).findings if f.code == code)


def mark(made: Assessment, station: str) -> StationMark:
    return next(s.mark for s in made.stations if s.name == station)


def test_a_sound_kit_has_nothing_to_mend() -> None:
    plan = cast.plan(BASIC, *PACKED)
    assert assess(plan).findings == ()
    # Its only body and its only lens are single points of failure: that is told with the advice, and mends nothing.
    assert codes(plan) == {"single-point"}
    # Whether everything fits only a packing says; and without a leg there is no gate to be judged for.
    for made in (assess(plan), cure(plan)):
        assert {s.name for s in made.stations if s.mark != StationMark.DONE} == {"stow", "gate"}
    travelled = cast.plan(BASIC, *PACKED, legs=(Leg(id="walk", name="On foot"),))
    assert {s.name for s in assess(travelled).stations if s.mark != StationMark.DONE} == {"stow"}


@pytest.mark.parametrize(
    ("change", "code", "severity"),
    [
        ({"people": ()}, "no-people", Severity.BLOCKER),
        ({"days": ()}, "no-days", Severity.CAUTION),
        ({"wants": ()}, "no-wants", Severity.BLOCKER),
    ],
)
def test_an_empty_part_of_the_brief_is_named(change: dict[str, Any], code: str, severity: Severity) -> None:
    plan = cast.plan(BASIC, **change)
    assert finding(plan, code).severity == severity
    assert mark(assess(plan), "brief") == (StationMark.BLOCKED if severity == Severity.BLOCKER else StationMark.OPEN)


def test_an_empty_kit_says_so_and_nothing_else_about_the_bench() -> None:
    plan = cast.plan(BASIC)
    assert codes(plan) == {"nothing-loaded"}
    for station in ("bench", "stamina", "stow", "gate"):
        assert mark(assess(plan), station) == StationMark.OPEN


def test_a_body_without_a_lens_takes_no_pictures_and_the_lens_that_fits_is_the_cure() -> None:
    plan = cast.plan([*BASIC, cast.lens("other", 50, 50, 2, mount="Z", mass_g=1)], *PACKED[:2])
    made = finding(plan, "no-set-up")
    assert made.severity == Severity.BLOCKER
    assert [e.item for c in made.cures for e in c.edits] == ["normal"]


def test_a_lens_that_fits_nothing_is_idle_and_may_be_left_or_adapted() -> None:
    old = cast.lens("old", 35, 35, 2, mount="Old", mass_g=300)
    plan = cast.plan([*BASIC, old, cast.adapter()], *PACKED, cast.entry("old"))
    made = finding(plan, "idle-optics")
    assert made.items == ("old",)
    assert [(c.code, c.mass_change_g) for c in made.cures] == [("leave", -300), ("load", 110)]
    assert "idle-optics" not in codes(apply(plan, made.cures[1].edits))


def test_an_absent_thing_that_is_loaded_is_noted_with_its_day() -> None:
    away = cast.normal_zoom(absent={"reason": "on-loan", "until": "2027-02-12"})
    made = finding(cast.plan([cast.bag(), cast.body(), away], *PACKED), "absent-loaded")
    assert fields(made) == {"reason": "on-loan", "until": "2027-02-12"}
    assert "absent-loaded" not in codes(cast.plan(BASIC, *PACKED))


def test_a_bag_with_more_litres_than_it_has_is_overfull() -> None:
    small = cast.bag(volume_l=1)
    assert "overfull" in codes(cast.plan([small, *BASIC[1:]], *PACKED))
    assert "overfull" not in codes(cast.plan(BASIC, *PACKED))


def test_a_gap_has_cures_and_loading_one_ends_it() -> None:
    wide = cast.lens("wide", 14, 24, 2.8, mass_g=650)
    plan = cast.plan([*BASIC, wide], *PACKED, wants=(cast.want(low=14, high=70),))
    made = finding(plan, "gap")
    assert (made.from_mm, made.to_mm) == (14, 24)
    assert made.cures[0].mass_change_g == 650
    assert "gap" not in codes(apply(plan, made.cures[0].edits))


def test_a_want_of_the_highest_importance_that_is_not_met_blocks() -> None:
    hopeless = cast.want(low=10, high=12, importance=5)
    plan = cast.plan(BASIC, *PACKED, wants=(hopeless,))
    assert finding(plan, "want-unmet").severity == Severity.BLOCKER
    lesser = cast.plan(BASIC, *PACKED, wants=(hopeless.model_copy(update={"importance": 2}),))
    assert finding(lesser, "want-unmet").severity == Severity.CAUTION


def test_one_native_gap_shared_by_two_wants_is_told_once() -> None:
    gear = [*BASIC, cast.tele_zoom()]
    wants = (cast.want("one", 50, 135), cast.want("two", 60, 120))
    findings = cure(cast.plan(gear, *PACKED, cast.entry("tele"), wants=wants)).findings
    (made,) = (f for f in findings if isinstance(f, NativeGapOfWants))
    assert (made.wants, made.severity) == (2, Severity.NOTE)
    assert made.cures[0] == CropMode(crop=1.5, to_mm=105, megapixels=20)


@pytest.mark.parametrize(
    ("below", "above", "named"),
    [
        (14, 17, True),  # a quarter of an octave, and 11 degrees
        (70, 80, False),  # a fifth of an octave, and 4 degrees
        (70, 100, True),  # half an octave, and 8.7 degrees
        (200, 240, False),  # a quarter of an octave, and 2 degrees
        (200, 260, True),  # over a third of an octave
    ],
)
def test_a_native_gap_is_named_from_a_third_of_an_octave_or_eight_degrees(below: int, above: int, named: bool) -> None:
    glass = [cast.lens("below", below - 2, below, 2.8), cast.lens("above", above, above + 20, 2.8)]
    plan = cast.plan(
        [cast.body(crop_modes=()), cast.bag(), *glass],
        cast.entry("bag", cast.INES_CABIN),
        cast.entry("body"),
        cast.entry("below"),
        cast.entry("above"),
        wants=(cast.want("wide", below - 2, above + 20, megapixels=4),),
    )
    assert ("native-gap" in codes(plan)) == named


@pytest.mark.parametrize(("mass", "severity"), [(9_500, Severity.NOTE), (13_000, Severity.CAUTION)])
def test_a_heavy_back_is_a_note_from_15_and_a_caution_from_20_percent(mass: float, severity: Severity) -> None:
    heavy = cast.bag(mass_g=mass)
    plan = cast.plan([heavy], cast.entry("bag", cast.INES_CABIN))
    assert finding(plan, "heavy-load").severity == severity
    assert "heavy-load" not in codes(cast.plan(BASIC, *PACKED))


# 1400 + 720 + 800 + 240 = 3160 g.
OVER = cast.plan(
    [*BASIC, cast.first_aid(), cast.lens("spare", 60, 60, 2.8, mass_g=500), cast.bag("second", mass_g=1000)],
    *PACKED,
    cast.entry("first-aid"),
    cast.entry("spare"),
    cast.entry("second", cast.MARIT_CABIN),
    carriers=(cast.carrier(mass_g=3_400),),
)


def test_an_overweight_bag_blocks_and_says_by_how_much() -> None:
    made = finding(OVER, "leg-mass")
    assert made.severity == Severity.BLOCKER
    assert (made.mass_g, made.allowed_g, made.over_g, made.legs) == (3660, 3400, 260, 1)
    assert (made.leg, made.person, made.piece) == ("leg-air", "ines", "cabin")


def test_the_cures_of_an_overweight_bag_each_cure_it() -> None:
    made = finding(OVER, "leg-mass")
    assert {c.code for c in made.cures} == {"wear", "hand-over", "leave"}
    for way in made.cures:
        assert "leg-mass" not in codes(apply(OVER, way.edits)), way.code


def test_the_thing_to_leave_is_the_one_that_earns_least_and_never_a_safety_thing() -> None:
    leave = next(c for c in finding(OVER, "leg-mass").cures if c.code == "leave")
    assert [e.item for e in leave.edits] == ["spare"]
    assert leave.mass_change_g == -500
    everything = [e.item for c in finding(OVER, "leg-mass").cures if c.code == "leave" for e in c.edits]
    assert "first-aid" not in everything


def test_what_leaving_costs_is_what_the_brief_really_loses() -> None:
    # Two lenses that stand in for each other: alone each loses nothing, together they lose the want.
    twins = [cast.lens(f"twin-{i}", 24, 70, 2.8, mass_g=500) for i in (1, 2)]
    far = cast.lens("far", 300, 300, 4, mass_g=700)
    plan = cast.plan(
        [cast.bag(), cast.body(), far, *twins],
        *(cast.entry("bag", cast.INES_CABIN), cast.entry("body"), cast.entry("far", cast.ON_INES)),
        *(cast.entry("twin-1"), cast.entry("twin-2")),
        carriers=(cast.carrier(mass_g=2_200),),
    )
    (leave,) = (c for c in finding(plan, "leg-mass").cures if c.code == "leave")
    assert [told.code for told in leave.brings] == ["want-unmet"]
    lost = assess(plan).coverage.score - assess(apply(plan, leave.edits)).coverage.score
    assert len(leave.edits) == 2
    assert leave.points == pytest.approx(lost) == pytest.approx(100)


def test_lights_to_find_the_way_by_and_safety_things_outside_are_never_proposed_for_leaving() -> None:
    torch = {"kind": "light", "id": "torch", "name": "torch", "mass_g": 90, "form": "head-torch"}
    torch["size"] = {"shape": "soft", "volume_l": 0.1}
    inside = cast.plan([*BASIC, torch], *PACKED, cast.entry("torch"), carriers=(cast.carrier(mass_g=2_950),))
    # The only lens is not to be left either: nothing would take pictures.
    assert not [e.item for c in finding(inside, "leg-mass").cures for e in c.edits if isinstance(e, Leave)]
    outside = cast.plan(
        [*BASIC, cast.first_aid()],
        *PACKED,
        cast.entry("first-aid", InBag(bag="bag", outside=True)),
        carriers=(cast.carrier(size_mm=(550, 400, 250)),),
    )
    assert not [e.item for c in finding(outside, "leg-size").cures for e in c.edits if isinstance(e, Leave)]


def test_when_no_single_thing_is_heavy_enough_several_go_together() -> None:
    gear = [cast.bag(), cast.body(), *(cast.lens(f"l{i}", 24 + i, 70, 2.8, mass_g=400) for i in range(4))]
    plan = cast.plan(
        gear,
        *PACKED[:2],
        *(cast.entry(f"l{i}") for i in range(4)),
        carriers=(cast.carrier(mass_g=1400 + 720 + 900),),
    )
    leave = next(c for c in finding(plan, "leg-mass").cures if c.code == "leave")
    assert len(leave.edits) == 2
    assert "leg-mass" not in codes(apply(plan, leave.edits))


def test_nothing_is_moved_into_a_bag_that_would_be_too_full_for_a_leg() -> None:
    # 520 g are over; the lightest thing that is enough is the body, 720 g. The other bag weighs 1,400 g and may weigh
    # 6,400: with 4,280 g in it the body just goes in.
    for grams, moves in ((4_280, True), (4_281, False)):
        gear = [
            *BASIC,
            cast.lens("brick", 60, 61, 4, mass_g=4_000),
            cast.bag("second"),
            cast.lens("ballast", 90, 91, 4, mass_g=grams),
        ]
        plan = cast.plan(
            gear,
            *PACKED,
            cast.entry("brick"),
            cast.entry("second", cast.MARIT_CABIN),
            cast.entry("ballast", InBag(bag="second")),
            carriers=(cast.carrier(mass_g=6_400),),
        )
        over = finding(plan, "leg-mass")
        assert over.over_g == 520
        targets = [
            e.place.bag
            for c in over.cures
            if c.code in ("move", "hand-over")
            for e in c.edits
            if isinstance(e, Move) and isinstance(e.place, InBag)
        ]
        assert bool(targets) == moves, grams


def test_lithium_is_never_moved_to_the_hold() -> None:
    gear = [cast.bag(), cast.bag("hold", piece="hold"), cast.pack(), cast.body(), cast.normal_zoom(mass_g=80)]
    plan = cast.plan(
        gear,
        *PACKED,
        cast.entry("pack", count=5),
        cast.entry("hold", {"where": "piece", "piece": "hold", "person": "marit"}),
        carriers=(cast.carrier(mass_g=2_300),),
    )
    made = finding(plan, "leg-mass")
    targets = [e.place for c in made.cures for e in c.edits if isinstance(e, Move)]
    assert InBag(bag="hold") not in targets


def test_a_bag_made_too_big_by_what_hangs_outside_is_cured_by_taking_it_off() -> None:
    plan = cast.plan(
        [*BASIC, cast.bag("hold", piece="hold")],
        *PACKED[:2],
        cast.entry("normal", InBag(bag="bag", outside=True)),
        cast.entry("hold", {"where": "piece", "piece": "hold", "person": "ines"}),
        carriers=(cast.carrier(size_mm=(550, 400, 250)),),
    )
    made = finding(plan, "leg-size")
    assert made.cures[0].code == "take-off"
    for way in made.cures:
        assert "leg-size" not in codes(apply(plan, way.edits))


def test_one_limit_broken_on_two_legs_is_one_finding() -> None:
    plan = cast.plan(BASIC, *PACKED, carriers=(cast.carrier("one", mass_g=2_000), cast.carrier("two", mass_g=1_500)))
    (made,) = (f for f in cure(plan).findings if isinstance(f, LegMass))
    assert (made.legs, made.leg) == (2, "leg-two")


def test_blockers_come_before_cautions_and_cautions_before_notes() -> None:
    order = [f.severity for f in cure(OVER).findings]
    assert order == sorted(order, key=["blocker", "caution", "note"].index)


def test_what_must_stay_in_the_cabin_is_taken_off_into_the_bag_itself_never_into_the_hold() -> None:
    plan = cast.plan(
        [*BASIC, cast.bag("hold", piece="hold")],
        *PACKED[:2],
        cast.entry("normal", InBag(bag="bag", outside=True)),
        cast.entry("hold", {"where": "piece", "piece": "hold", "person": "ines"}),
        carriers=(cast.carrier(size_mm=(550, 400, 250)),),
    )
    take_off = finding(plan, "leg-size").cures[0]
    assert [e.place for e in take_off.edits] == [InBag(bag="bag")]
