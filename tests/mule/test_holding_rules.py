"""What a colleague would say, and would not: holding still, weather, medicine, and what is no double."""

from typing import Any

import pytest

from mule.findings.codes import Severity
from mule.plan.editing import apply
from mule.plan.gear import Head, Other, OtherSupport, Plate, Soft, Tripod
from mule.plan.places import InBag, Worn
from mule.plan.purposes import Purpose
from mule.plan.trip import Day, Stamina
from tests import cast
from tests.saying import found, only, plan

THING: dict[str, Any] = {"size": Soft(volume_l=0.5)}
LEGS = Tripod(id="legs", name="legs", mass_g=1300, max_load_g=8000, max_height_mm=1500, head_included=True, **THING)
BARE = LEGS.model_copy(update={"id": "bare", "head_included": False})
BALL = Head(id="ball", name="ball", mass_g=400, plate_type="Dovetail", max_load_g=4000, **THING)
DOVE = Plate(id="dove", name="dove", mass_g=60, plate_type="Dovetail", **THING)
FLAT = OtherSupport(id="flat", name="flat", mass_g=300, form="flat-plate", max_load_g=5000, **THING)
BEANS = OtherSupport(id="beans", name="beans", mass_g=500, form="bean-bag", max_load_g=9000, **THING)
STILL = cast.want("stars", steady=True)
RAIN = (Day(date="2027-02-20", title="a", weather=("rain",)),)


def test_a_want_to_be_held_still_wants_something_that_holds() -> None:
    bare = plan(left=(LEGS, BEANS), wants=(STILL,))
    said = only(bare, "not-held")
    assert (said.severity, said.want) == (Severity.CAUTION, "stars")
    assert [[e.item for e in way.edits] for way in said.cures] == [["beans"], ["legs"]]
    assert only(plan(wants=(STILL.model_copy(update={"importance": 5}),)), "not-held").severity == Severity.BLOCKER
    assert not found(plan(LEGS, wants=(STILL,)), "not-held")
    assert not found(plan(wants=(cast.want(),)), "not-held")


def test_legs_that_nobody_owns_are_to_be_had() -> None:
    (way,) = only(plan(wants=(STILL,)), "not-held").cures
    assert [got.what for got in way.gets] == ["tripod"]


@pytest.mark.parametrize(("thing", "lacks"), [(BARE, True), (FLAT, True), (LEGS, False), (BEANS, False)])
def test_bare_legs_and_a_flat_plate_want_a_head(thing: Any, lacks: bool) -> None:
    missing = [f for f in found(plan(thing, left=(BALL, DOVE)), "missing-link") if f.what == "head"]
    assert bool(missing) == lacks


# The body weighs 720 g, the plate 60.
@pytest.mark.parametrize(
    ("lens_g", "says"), [(1000, None), (1900, Severity.NOTE), (3219, Severity.NOTE), (3300, Severity.CAUTION)]
)
def test_what_stands_on_a_support_is_held_against_the_weakest_of_it(lens_g: float, says: Severity | None) -> None:
    heavy = cast.normal_zoom(mass_g=lens_g)
    made = found(plan(BARE, BALL, DOVE, lens=heavy, wants=(STILL,)), "support-loaded")
    assert [f.severity for f in made] == ([says] if says else [])
    if made:
        assert made[0].mass_g == 720 + lens_g + 60
        assert (made[0].rated_g, made[0].items[0]) == (4000, "ball")
    assert not found(plan(BARE, BALL, DOVE, lens=heavy, wants=(cast.want(),)), "support-loaded")


def test_a_head_that_bears_too_little_is_taken_for_one_that_bears_it() -> None:
    big = BALL.model_copy(update={"id": "big", "max_load_g": 12_000, "mass_g": 700})
    made = only(
        plan(BARE, BALL, DOVE, lens=cast.normal_zoom(mass_g=3300), left=(big,), wants=(STILL,)), "support-loaded"
    )
    assert {e.item for e in made.cures[0].edits} >= {"ball", "big"}


def test_rain_and_a_lens_that_lets_it_in_want_the_cover() -> None:
    cover = Other(id="cover", name="cover", mass_g=60, purpose=Purpose.COVER, label="rain", **THING)
    wet = plan(left=(cover,), days=RAIN)
    said = only(wet, "cover-left")
    assert (said.items, said.weather, said.days) == (("normal",), "rain", 1)
    assert [e.item for e in said.cures[0].edits] == ["cover"]
    assert not found(plan(cover, days=RAIN), "cover-left")
    assert not found(plan(lens=cast.normal_zoom(sealed=True), days=RAIN), "cover-left")
    assert not found(plan(left=(cover,)), "cover-left")
    # A ridge is windy, not wet.
    assert not found(plan(days=(Day(date="2027-02-20", title="a", weather=("ridge",)),)), "cover-left")


def test_medicine_that_must_be_in_reach_is_not_checked_in() -> None:
    pills = Other(id="pills", name="pills", mass_g=50, purpose=Purpose.MEDICINE, **THING)
    gear = [cast.bag(), cast.bag("hold", piece="hold"), cast.body(), cast.normal_zoom(), pills]
    entries = [
        cast.entry("bag", cast.INES_CABIN),
        cast.entry("hold", {"where": "piece", "piece": "hold", "person": "ines"}),
        cast.entry("body"),
        cast.entry("normal"),
    ]
    held = cast.plan(gear, *entries, cast.entry("pills", InBag(bag="hold")))
    said = only(held, "medicine-held")
    assert not found(apply(held, said.cures[0].edits), "medicine-held")
    assert not found(cast.plan(gear, *entries, cast.entry("pills", Worn(person="ines"))), "medicine-held")


def test_no_charger_is_missed_where_nobody_charges_or_packs_last() -> None:
    body = cast.body(battery_type="LB-4", frames_per_charge=400)
    days = tuple(Day(date=f"2027-02-{20 + i}", title="d") for i in range(3))

    def missed(count: int, **trip: Any) -> bool:
        gear = [cast.bag(), body, cast.normal_zoom(), cast.pack(count=9)]
        entries = [cast.entry("bag", cast.INES_CABIN), cast.entry("body"), cast.entry("normal")]
        made = cast.plan(gear, *entries, cast.entry("pack", count=count), days=days, **trip)
        return any(f.what == "charger" for f in found(made, "missing-link"))

    assert missed(1)
    assert not missed(9)
    assert not missed(1, stamina=Stamina(power="packs-only"))


def test_things_of_one_use_do_not_do_the_same() -> None:
    tools = [Other(id=f"tool-{i}", name=f"tool {i}", mass_g=50, purpose=Purpose.CLEANING, **THING) for i in range(3)]
    assert not found(plan(*tools), "overlap")
    small = [LEGS.model_copy(update={"id": f"table-{i}", "max_height_mm": 200, "mass_g": 200}) for i in range(3)]
    assert only(plan(*small), "overlap").by == "table-tripod"
    assert not found(plan(*small[:2]), "overlap")


def test_two_long_zooms_on_two_mounts_are_one_too_many() -> None:
    old = cast.lens("old", 100, 300, 4, mount="Old")
    body = cast.body("old-body", mount="Old")
    assert only(plan(cast.tele_zoom(), old, body), "overlap").by == "long-zooms"
    short = old.model_copy(update={"focal_min_mm": 24, "focal_max_mm": 70})
    assert not [f for f in found(plan(cast.tele_zoom(), short, body), "overlap") if f.by == "long-zooms"]


def test_a_hub_with_card_slots_is_a_reader() -> None:
    laptop = {"kind": "computer", "id": "laptop", "name": "l", "mass_g": 1300, "size": {"shape": "soft", "volume_l": 1}}
    laptop |= {"form": "laptop", "screen_in": 13, "energy_wh": 50, "ports": ["USB-C"]}
    hub = {"kind": "link", "id": "hub", "name": "hub", "mass_g": 60, "size": {"shape": "soft", "volume_l": 0.1}}
    card = {"kind": "card", "id": "card", "name": "c", "mass_g": 2, "size": {"shape": "soft", "volume_l": 0.01}}
    card |= {"card_type": "SD", "capacity_gb": 128, "speed_mb_s": 90}

    def unread(ports: list[str]) -> bool:
        made = plan(laptop, hub | {"from_plug": "USB-C", "to_ports": ports}, card)
        return any(f.what == "reader" for f in found(made, "missing-link"))

    assert unread(["USB-A"])
    assert not unread(["USB-A", "SD"])


def test_a_sole_lens_is_a_note_and_a_sole_camera_a_caution_where_the_work_is_paid() -> None:
    said = {f.items[0]: f.severity for f in found(plan(stakes="paid"), "single-point")}
    assert said == {"body": Severity.CAUTION, "normal": Severity.NOTE}
    leisure = {f.items[0]: f.severity for f in found(plan(), "single-point")}
    assert leisure == {"body": Severity.NOTE, "normal": Severity.NOTE}
