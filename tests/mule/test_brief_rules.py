"""Rules of this trip's place, people, policies and marks: each where it speaks and where it is silent."""

from typing import Any

import pytest

from mule.findings.codes import Severity
from mule.findings.cures import cure
from mule.findings.said import Finding
from mule.plan import Plan
from mule.plan.gear import Drive, Drone, Light, OtherSupport, Standing, Tripod
from mule.plan.trip import Day, LocalRule, Marks, Person, Policies, Slot, Weather
from tests import cast
from tests.saying import fields

DAYS = (Day(date="2027-02-20", title="One"), Day(date="2027-02-21", title="Two"))
TRIPOD = Tripod(
    id="tripod", name="t", mass_g=1200, size=cast.SMALL, max_load_g=9000, max_height_mm=1500, head_included=True
)
CLAMP = OtherSupport(id="clamp", name="clamp", mass_g=300, size=cast.SMALL, form="clamp", max_load_g=3000)
DRONE = Drone(
    id="drone", name="d", mass_g=249, size=cast.SMALL, battery_type="D", flight_min=30, megapixels=48,
    takeoff_mass_g=249, needs_phone=False,
)  # fmt: skip
ALWAYS = LocalRule(name="No legs", effect="tripods-barred")
SECOND_DAY = LocalRule(name="No legs", effect="tripods-barred", first_day="2027-02-21")
BAG = cast.bag()


def plan(*loaded: Any, left: tuple[Any, ...] = (), **trip: Any) -> Plan:
    gear = [BAG, cast.body(), cast.normal_zoom(), *loaded, *left]
    entries = [cast.entry("bag", cast.INES_CABIN), *(cast.entry(t.id) for t in gear[1 : 3 + len(loaded)])]
    return cast.plan(gear, *entries, **({"days": DAYS} | trip))


def found(made: Plan, code: str) -> list[Any]:
    return [f for f in cure(made).findings if f.code == code]


def only(made: Plan, code: str) -> Any:
    (one,) = found(made, code)
    return one


def cured(one: Finding) -> list[list[str]]:
    return [[edit.item for edit in cure.edits] for cure in one.cures]


def test_barred_legs_are_told_with_the_days_and_a_clamp_that_may_pass() -> None:
    always = only(plan(TRIPOD, left=(CLAMP,), local_rules=(ALWAYS,)), "tripods-barred")
    assert (always.days, always.of_days, cured(always)) == (2, 2, [["tripod"]])
    # Barred on one day only, they may come for the other, and stay where one sleeps on that.
    once = only(plan(TRIPOD, left=(CLAMP,), local_rules=(SECOND_DAY,)), "tripods-barred")
    assert (once.days, cured(once)) == (1, [["tripod"], []])
    assert not found(plan(CLAMP, local_rules=(ALWAYS,)), "tripods-barred")
    gone = LocalRule(name="No legs", effect="tripods-barred", last_day="2027-01-01")
    assert not found(plan(TRIPOD, local_rules=(gone,)), "tripods-barred")


def test_barred_drones_and_bags_are_told() -> None:
    assert only(plan(DRONE, local_rules=(LocalRule(name="No", effect="drones-barred"),)), "drones-barred")
    # The bag of 54 x 38 x 24 cm.
    for largest, told in (((550, 400, 250), False), ((500, 400, 250), True)):
        rule = LocalRule(name="Cloakroom", effect="big-bags-barred", largest_mm=largest)
        assert bool(found(plan(local_rules=(rule,)), "big-bags-barred")) is told


def test_lens_changes_in_bad_weather_are_told_with_the_body_that_saves_one() -> None:
    wet = (Day(date="2027-02-20", title="One", weather=(Weather.RAIN,)),)
    wants = (cast.want("near"), cast.want("far", 250, 400))
    made = only(plan(cast.tele_zoom(), left=(cast.body("second"),), days=wet, wants=wants), "lens-changes")
    assert (made.days, made.changes, cured(made)) == (1, 1, [["second"]])
    assert not found(plan(cast.tele_zoom(), wants=wants), "lens-changes")


@pytest.mark.parametrize(("until", "told"), [("2027-02-20", True), ("2027-02-19", False), (None, False)])
def test_what_comes_back_after_the_start_is_too_late(until: str | None, told: bool) -> None:
    away = cast.tele_zoom(absent={"reason": "on-loan", "until": until})
    assert bool(found(plan(away), "back-too-late")) is told


def test_rented_things_are_to_be_fetched() -> None:
    assert found(plan(cast.tele_zoom(standing=Standing.CAN_RENT)), "to-fetch")
    assert not found(plan(cast.tele_zoom()), "to-fetch")


def test_more_than_somebody_carries_well_moves_to_who_has_room() -> None:
    # Bag 1,400 + body 720 + lens 800 = 2,920 g; Ines carries 2.5 kg well.
    people = (Person(id="ines", name="Ines", carries_well_kg=2.5), Person(id="marit", name="Marit"))
    gear = [BAG, cast.bag("other"), cast.body(), cast.normal_zoom()]
    entries = (
        cast.entry("bag", cast.INES_CABIN),
        cast.entry("other", cast.MARIT_CABIN),
        cast.entry("body"),
        cast.entry("normal"),
    )
    made = only(cast.plan(gear, *entries, people=people), "carries-well")
    assert (made.carried_g, made.over_g) == (2920, 420)
    assert cured(made) == [["body"]]
    assert not found(plan(), "carries-well")


def test_what_backs_each_other_up_rides_apart() -> None:
    twins = [cast.body("b1"), cast.body("b2")]
    gear = [BAG, cast.bag("other"), *twins, cast.normal_zoom()]
    bags = (cast.entry("bag", cast.INES_CABIN), cast.entry("other", cast.MARIT_CABIN), cast.entry("normal"))
    together = cast.plan(gear, *bags, cast.entry("b1"), cast.entry("b2"))
    made = only(together, "both-in-one-bag")
    assert (made.items, cured(made)) == (("b1", "b2", "bag"), [["b1"], ["b1"], ["b2"]])
    apart = cast.plan(gear, *bags, cast.entry("b1"), cast.entry("b2", {"where": "bag", "bag": "other"}))
    assert not found(apart, "both-in-one-bag")


def test_two_drives_in_one_bag_are_told() -> None:
    drives = [
        Drive(id=f"d{i}", name="d", mass_g=58, size=cast.SMALL, capacity_gb=1000, plug="U", speed_mb_s=500)
        for i in (1, 2)
    ]
    assert found(plan(*drives), "both-in-one-bag")


def test_head_torches_are_one_each() -> None:
    torch = Light(id="torch", name="t", mass_g=86, size=cast.SMALL, form="head-torch", count=2)
    assert fields(only(plan(left=(torch,)), "torch-each")) == {"have": 0, "people": 2}
    assert only(plan(torch), "torch-each").cures[0].mass_change_g == 86
    assert not found(plan(torch, people=(Person(id="ines", name="Ines"),)), "torch-each")


FIFTY, WIDE = cast.lens("fifty", 50, 50, 1.4), cast.lens("wide", 16, 35, 4)
SECOND, ODD = cast.body("second"), cast.body("odd", megapixels=24)


@pytest.mark.parametrize(
    ("policies", "loaded", "code"),
    [
        ({"lenses": "one-zoom"}, (), None),
        ({"lenses": "one-zoom"}, (WIDE,), "policy-one-zoom"),
        ({"lenses": "one-zoom"}, (FIFTY,), "policy-one-zoom"),
        ({"lenses": "trio-of-zooms"}, (WIDE,), None),
        ({"lenses": "trio-of-zooms"}, (FIFTY,), "policy-trio-of-zooms"),
        ({"lenses": "primes"}, (), "policy-primes"),
        ({"second_body": "none"}, (), None),
        ({"second_body": "none"}, (SECOND,), "policy-none-body"),
        ({"second_body": "twin"}, (SECOND,), None),
        ({"second_body": "twin"}, (ODD,), "policy-twin-body"),
        ({"second_body": "specialist"}, (ODD,), None),
        ({"second_body": "specialist"}, (), "policy-specialist-body"),
    ],
)
def test_a_school_speaks_when_the_kit_is_of_another(policies: Any, loaded: tuple[Any, ...], code: str | None) -> None:
    made = cure(plan(*loaded, policies=Policies(**policies))).findings
    assert {f.code for f in made if f.code.startswith("policy-")} == ({code} if code else set())


def test_a_missing_twin_is_cured_by_the_lightest() -> None:
    made = only(plan(left=(SECOND, ODD), policies=Policies(second_body="twin")), "policy-twin-body")
    assert cured(made) == [["second"]]


def test_a_twin_that_could_be_rented_is_not_proposed() -> None:
    rented = cast.body("second", standing=Standing.CAN_RENT)
    (way,) = only(plan(left=(rented,), policies=Policies(second_body="twin")), "policy-twin-body").cures
    # It can be got as anything can; the locker's own is not taken for one's own.
    assert (way.edits, [got.what for got in way.gets]) == ((), ["same"])


def test_gaps_block_where_they_are_refused() -> None:
    far = (cast.want("far", 300, 400, megapixels=40), cast.want("near"))
    assert found(plan(wants=far), "want-unmet") or only(plan(wants=far), "gap").severity == Severity.CAUTION
    assert only(plan(wants=far, policies=Policies(gaps="refused")), "gap").severity == Severity.BLOCKER


def test_who_travels_light_looking_is_cautioned_where_others_are_blocked() -> None:
    carrier = cast.carrier(mass_g=2_000)
    flown = plan().model_copy(update={"carriers": (carrier,)})
    legs = cast.plan([BAG], carriers=(carrier,)).trip.legs
    for cabin, severity in (("comply", Severity.BLOCKER), ("light-looking", Severity.CAUTION)):
        trip = flown.trip.model_copy(update={"legs": legs, "policies": Policies(cabin=cabin)})
        assert only(flown.model_copy(update={"trip": trip}), "leg-mass").severity == severity


def test_marks_that_the_kit_does_not_keep_are_told_with_their_cure() -> None:
    slot = Slot(id="s", name="This or that", items=("normal", "fifty"))
    marks = Marks(must_take=("wide",), must_leave=("normal",), slots=(slot,))
    made = plan(FIFTY, left=(WIDE,), marks=marks)
    assert cured(only(made, "must-take")) == [["wide"]]
    assert cured(only(made, "must-leave"))[0][0] == "normal"
    assert [way[0] for way in cured(only(made, "slot-full"))] == ["fifty", "normal"]
    kept = plan(WIDE, left=(FIFTY,), marks=Marks(must_take=("wide",), must_leave=("fifty",), slots=(slot,)))
    assert not [f for f in cure(kept).findings if f.code in ("must-take", "must-leave", "slot-full")]
