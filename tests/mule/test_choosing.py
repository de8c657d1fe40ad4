"""The choice against brute force, its curve, its contradictions."""

from collections.abc import Callable, Iterator
from functools import partial
from itertools import count, pairwise
from random import Random
from typing import Any

import pytest

from mule.base.errors import InvalidInput
from mule.base.solving import tenths
from mule.findings.advise import review
from mule.findings.assess import assess
from mule.findings.codes import Severity
from mule.plan import Plan
from mule.plan.carriers import Carrier
from mule.plan.gear import Charger, Light, PowerBank, Standing, Tripod
from mule.plan.kit import Entry, Kit
from mule.plan.places import InBag
from mule.plan.trip import AidWish, Day, Demand, Marks, Night, Pattern, Person, Policies, Slot, Stamina, Trait
from mule.search.choosing import Asking, Choice, Point, choose
from mule.search.choosing.above import WithoutKept
from mule.search.choosing.points import is_outdone, standing
from mule.search.choosing.reasons import Nothing, TakesPictures
from tests import cast
from tests.covering import OFF_THE_GRID, ON_THE_ROAD, TINY, TWINNED
from tests.tiny import QUIET, off_the_grid, on_the_road, reshuffled, tiny, twinned
from tests.trying import SAME, best, kits, value

# Time enough on a busy machine, too: what is asked here is whether the answer is right (speed: benchmarks/).
ONE = Asking(points=1, workers=1, seconds=600)


def is_that_of_trying_all(plan: Plan, limit_g: float) -> Choice:
    """The choice of one kit, held against the best of every set of things."""
    expected = best(plan, limit_g)
    made = choose(plan, ONE.model_copy(update={"limit_g": limit_g}))
    assert bool(made.points) == (expected is not None)
    for point in made.points:
        score, steady, grams = value(plan, point.kit.loaded())
        assert expected is not None
        assert point.proved
        assert score == pytest.approx(expected[0], abs=SAME)
        assert steady == pytest.approx(expected[1])
        assert grams == pytest.approx(expected[2], abs=0.05)
    return made


@pytest.mark.parametrize("seed", TINY)
def test_the_answer_is_that_of_trying_every_set_of_things(seed: int) -> None:
    made = is_that_of_trying_all(*tiny(seed))
    assert made.points or made.conflict


@pytest.mark.parametrize("seed", TWINNED)
def test_what_is_owned_twice_hides_nothing_in_whatever_order_and_by_whatever_name_it_stands(seed: int) -> None:
    plan, limit_g = twinned(seed)
    expected = best(plan, limit_g)
    for shuffle in (seed, seed + 1_000):
        made = choose(reshuffled(plan, shuffle), ONE.model_copy(update={"limit_g": limit_g}))
        assert bool(made.points) == (expected is not None)
        for point in made.points:
            assert point.proved
            assert expected is not None
            assert point.score == pytest.approx(expected[0], abs=SAME)
            assert point.carried_g == pytest.approx(expected[2], abs=0.05)


@pytest.mark.parametrize(
    ("of", "seed"), [*((on_the_road, seed) for seed in ON_THE_ROAD), *((off_the_grid, seed) for seed in OFF_THE_GRID)]
)
def test_kits_that_last_are_those_that_trying_every_set_of_things_finds(
    of: Callable[[int], tuple[Plan, float]], seed: int
) -> None:
    is_that_of_trying_all(*of(seed))


def owned() -> list[Any]:
    """Two bodies, four lenses, packs, a bag."""
    return [
        cast.bag(mass_g=1000),
        cast.body("b1", battery_type="LB-4"),
        cast.body("b2", battery_type="LB-4", mass_g=640, megapixels=24),
        cast.lens("wide", 16, 35, 4, mass_g=500),
        cast.normal_zoom(),
        cast.lens("fifty", 50, 50, 1.4, mass_g=200),
        cast.tele_zoom(mass_g=1400),
        cast.pack(),
    ]


def packed(gear: list[Any] | None = None, **changes: Any) -> Plan:
    wants = (cast.want("near", 24, 70, importance=5), cast.want("far", 200, 400, importance=2))
    trip: dict[str, Any] = {"people": (Person(id="ines", name="Ines"),), "wants": wants, "stamina": QUIET} | changes
    return cast.plan(gear or owned(), cast.entry("bag", cast.INES_CABIN), **trip)


def curve(plan: Plan, **changes: Any) -> Choice:
    return choose(plan, Asking(**({"points": 12, "workers": 2} | changes)))


def test_the_curve_rises_with_the_mass_and_every_point_is_proved() -> None:
    points = curve(packed()).points
    assert len(points) > 4
    assert all(point.proved and point.bound == point.score for point in points)
    for light, heavy in pairwise(points):
        assert heavy.carried_g > light.carried_g
        assert heavy.score >= light.score - SAME


def test_every_point_is_assessed_anew_and_agrees_exactly() -> None:
    plan = packed()
    for point in curve(plan).points:
        made = assess(plan.with_kit(point.kit))
        assert made.coverage.score == point.score
        assert review(plan.with_kit(point.kit)).resilience.share == point.steady
        carried = sum(p.cabin_g + p.personal_g + p.worn_g for p in made.loads.people)
        assert carried == pytest.approx(point.carried_g)
        assert not made.completeness.missing
        assert not made.completeness.orphans
        assert not [f for f in made.findings if f.severity == Severity.BLOCKER and f.code != "want-unmet"]


def test_the_light_end_is_the_lightest_set_up_with_its_pack() -> None:
    # 1000 bag + 640 lighter body + 200 fifty + 82 pack = 1922 g; nothing lighter takes a picture that is wanted.
    assert curve(packed()).points[0].carried_g == pytest.approx(1922)


def test_points_come_as_they_are_found() -> None:
    found: list[Point] = []
    made = choose(packed(), Asking(points=5, workers=1), found.append)
    assert {p.carried_g for p in found} == {p.carried_g for p in made.points}


def test_a_stopped_search_keeps_what_it_found_and_says_so() -> None:
    found: list[Point] = []
    made = choose(
        packed(), Asking(points=30, workers=1), found.append, lambda: sum(not p.provisional for p in found) >= 3
    )
    assert made.stopped
    assert 3 <= len(made.points) < 30
    assert all(point.bound >= point.score for point in made.points)


def test_a_kit_by_greed_stands_first_and_is_left_out_of_the_whole_answer() -> None:
    found: list[Point] = []
    made = choose(packed(), Asking(points=5, workers=1), found.append)
    assert [p.provisional for p in found] == [True, *[False] * (len(found) - 1)]
    first = assess(packed().with_kit(found[0].kit))
    assert first.coverage.score == found[0].score
    assert not first.completeness.missing
    assert not any(p.provisional for p in made.points)


def test_a_search_without_time_answers_with_a_bound() -> None:
    made = choose(packed(), Asking(points=1, workers=1, seconds=1e-4))
    assert made.stopped
    assert all(point.bound >= point.score for point in made.points)


def test_carriers_limit_the_kit_when_the_trip_complies() -> None:
    light = cast.carrier(mass_g=2_500)
    plan = packed().model_copy(update={"carriers": (light,), "trip": _flown(light)})
    made = choose(plan, ONE)
    assert made.points[0].carried_g <= 2_500
    looking = plan.trip.model_copy(update={"policies": Policies(cabin="light-looking")})
    assert choose(plan.model_copy(update={"trip": looking}), ONE).points[0].carried_g > 2_500
    assert choose(plan, ONE.model_copy(update={"keep_limits": False})).points[0].carried_g > 2_500
    assert [line.carried_g for line in made.lines if line.what == "leg"] == [2_500]


def _flown(carrier: Carrier) -> Any:
    return cast.plan(owned(), people=packed().trip.people, wants=packed().trip.wants, carriers=(carrier,)).trip


def test_what_somebody_carries_well_limits_the_kit() -> None:
    plan = packed(people=(Person(id="ines", name="Ines", carries_well_kg=2.8),))
    assert choose(plan, ONE).points[0].carried_g <= 2_800


def test_the_bag_is_not_filled_past_its_litres() -> None:
    # A lens takes 0.088 x 0.088 x 0.124 m = 0.96 l, a body 0.92 l: one of each and a pack fit in 2 l.
    gear = [cast.bag(mass_g=1000, volume_l=2.0), *owned()[1:]]
    (point,) = choose(packed(gear), ONE).points
    made = assess(packed(gear).with_kit(point.kit))
    assert not [f for f in made.findings if f.code == "overfull"]
    # By litres nothing is better; that the solver does not go round and round here shows in the score.
    assert point.score == pytest.approx(point.bound)


def test_a_bag_is_chosen_when_none_is_loaded() -> None:
    gear = [cast.bag("big", mass_g=2000, volume_l=40), cast.bag("small", mass_g=700, volume_l=8), *owned()[1:]]
    plan = cast.plan(gear, people=packed().trip.people, wants=packed().trip.wants)
    assert "small" in choose(plan, ONE.model_copy(update={"limit_g": 3000})).points[0].kit.loaded()


def test_a_second_bag_that_must_come_is_weighed() -> None:
    gear = [*owned(), cast.bag("second", mass_g=900)]
    (point,) = choose(packed(gear, marks=Marks(must_take=("second",))), ONE.model_copy(update={"limit_g": 3000})).points
    loads = assess(packed(gear).with_kit(point.kit)).loads
    assert "second" in point.kit.loaded()
    assert sum(p.cabin_g for p in loads.people) == pytest.approx(point.carried_g)
    assert point.carried_g <= 3000


def test_without_bags_things_are_worn() -> None:
    plan = cast.plan(owned()[1:], people=packed().trip.people, wants=packed().trip.wants)
    kit = choose(plan, ONE).points[0].kit
    assert {entry.place.where for entry in kit.entries} == {"worn"}


@pytest.mark.parametrize(
    ("policies", "holds"),
    [
        (Policies(lenses="one-zoom"), lambda kit: len({"wide", "normal", "tele"} & kit) == 1 and "fifty" not in kit),
        (Policies(lenses="primes"), lambda kit: not {"wide", "normal", "tele"} & kit),
        (Policies(lenses="trio-of-zooms"), lambda kit: "fifty" not in kit),
        (Policies(second_body="none"), lambda kit: len({"b1", "b2"} & kit) == 1),
        (Policies(second_body="specialist"), lambda kit: {"b1", "b2"} <= kit),
    ],
)
def test_policies_are_followed(policies: Policies, holds: Any) -> None:
    assert holds(set(choose(packed(policies=policies), ONE).points[0].kit.loaded()))


def test_marks_and_slots_are_kept() -> None:
    marks = Marks(must_take=("fifty",), must_leave=("b1",), slots=(Slot(id="s", name="s", items=("normal", "tele")),))
    kit = set(choose(packed(marks=marks), ONE).points[0].kit.loaded())
    assert "fifty" in kit
    assert "b1" not in kit
    assert len({"normal", "tele"} & kit) <= 1


def test_things_to_rent_are_in_play_only_when_asked_for() -> None:
    gear = [*owned(), cast.lens("rented", 200, 600, 5.6, standing=Standing.CAN_RENT, mass_g=900)]
    assert "rented" not in choose(packed(gear), ONE).points[0].kit.loaded()
    assert "rented" in choose(packed(gear), ONE.model_copy(update={"others": True})).points[0].kit.loaded()


def test_what_the_choice_does_not_decide_stays_where_it_is() -> None:
    plan = cast.plan(
        [*owned(), cast.first_aid()],
        cast.entry("bag", cast.INES_CABIN),
        cast.entry("first-aid"),
        people=packed().trip.people,
        wants=packed().trip.wants,
    )
    for point in curve(plan).points:
        assert point.kit.loaded()["first-aid"] == 1


def opened(plan: Plan, *more: tuple[str, int]) -> Plan:
    """The same trip with these in the bag of the open kit."""
    entries = (*plan.kit.entries, *(Entry(item=item, count=n, place=InBag(bag="bag")) for item, n in more))
    return plan.with_kit(plan.kit.model_copy(update={"entries": entries}))


@pytest.mark.parametrize(
    "more", [(("pack", 5),), (("b1", 1), ("tele", 1)), (("charger", 1), ("legs", 1)), (("wide", 1), ("panel", 1))]
)
def test_the_best_kit_does_not_hang_on_the_kit_that_is_open(more: tuple[tuple[str, int], ...]) -> None:
    legs = Tripod(id="legs", name="legs", mass_g=1_190, size=cast.SMALL, max_load_g=9_000, max_height_mm=1_500)
    panel = Light(id="panel", name="panel", mass_g=300, size=cast.SMALL, form="panel", energy_wh=9)
    charger = Charger(
        id="charger", name="charger", mass_g=80, size=cast.SMALL, battery_types=("LB-4",), hours_per_charge=2
    )
    wants = (cast.want("dusk", 24, 70, steady=True), cast.want("night", 24, 70, aids=(AidWish(aid="light"),)))
    plan = packed([*owned(), legs, panel, charger], wants=(*wants, cast.want("far", 200, 400)))

    def points(of: Plan) -> list[tuple[float, float, dict[str, int]]]:
        return [(p.carried_g, p.score, p.kit.loaded()) for p in curve(of, workers=1).points]

    assert points(opened(plan, *more)) == points(plan)


@pytest.mark.parametrize("seed", range(3_000, 3_012))
def test_no_kit_of_the_user_lies_above_the_curve_without_a_reason(seed: int) -> None:
    plan, _ = on_the_road(seed)
    chance = Random(seed)
    able = [kit for kit in kits(plan) if chance.random() < 0.01][:25]
    entries = {
        n: (
            *plan.kit.entries[:1],
            *(Entry(item=i, count=c, place=InBag(bag="bag")) for i, c in kit.items() if i != "bag"),
        )
        for n, kit in enumerate(able)
    }
    own = tuple(Kit(id=f"own-{n}", name=f"Own {n}", entries=of) for n, of in entries.items())
    plan = plan.model_copy(update={"kits": (*plan.kits, *own)})
    made = choose(plan, Asking(points=60, workers=1, keep_limits=False))
    for kit in made.own:
        # It works, lasts and keeps to all marks: then nothing may excuse it.
        told = {why.code for why in kit.why}
        assert not kit.above or told <= {
            "kept",
            "must-take",
            "must-leave",
            "slot",
            "policy",
            "lasts",
            "lacks",
            "effect",
        }


@pytest.mark.parametrize("seed", range(3_000, 3_010))
def test_the_curve_of_random_lockers_rises(seed: int) -> None:
    plan, _ = on_the_road(seed)
    points = choose(plan, Asking(points=10, workers=2, keep_limits=False)).points
    for light, heavy in pairwise(points):
        assert heavy.carried_g > light.carried_g - 0.05
        assert heavy.score > light.score - SAME or heavy.steady > light.steady


@pytest.mark.parametrize(
    "gear",
    [
        [],
        [cast.bag()],
        [cast.bag(), cast.body()],
        [cast.bag(), cast.body(battery_type=None), cast.normal_zoom()],
        [cast.bag(), cast.normal_zoom(), cast.pack()],
        [cast.bag(), cast.body(), cast.normal_zoom(absent={"reason": "on-loan"})],
    ],
)
def test_no_locker_crashes_the_choice(gear: list[Any]) -> None:
    entries = [cast.entry("bag", cast.INES_CABIN)] if gear else []
    days = (Day(date="2027-02-20", title="First"), Day(date="2027-02-21", title="Second"))
    plan = cast.plan(gear, *entries, days=days, wants=packed().trip.wants)
    for limit_g in (None, 0.0, 3_000.0):
        made = choose(plan, Asking(points=3, limit_g=limit_g, workers=1))
        assert made.points or made.conflict


def test_each_body_gets_a_pack_of_its_own() -> None:
    kit = choose(packed(policies=Policies(second_body="specialist")), ONE).points[0].kit
    assert kit.loaded()["pack"] == 2


PRIMES = Policies(lenses="primes")
DEEP = cast.want("deep", 800, 1200, megapixels=45)
CONFLICTS = [
    ({"marks": Marks(must_take=("b1",), must_leave=("b1",))}, {}, {"must-take", "must-leave"}),
    # The bag of 1,000 g and the lens of 1,400 g are over by themselves.
    ({"marks": Marks(must_take=("tele",))}, {"limit_g": 2_300}, {"must-take", "limit"}),
    ({}, {"limit_g": 0}, {"limit"}),
    (
        {"policies": PRIMES, "marks": Marks(must_take=("normal",))},
        {},
        {"must-take", "policy-lenses"},
    ),
    (
        {"policies": Policies(gaps="refused"), "wants": (DEEP,)},
        {},
        {"policy-gaps"},
    ),
    (
        {"marks": Marks(must_take=("normal", "tele"), slots=(Slot(id="s", name="s", items=("normal", "tele")),))},
        {},
        {"must-take", "slot"},
    ),
    ({"policies": Policies(second_body="twin")}, {}, {"policy-second-body"}),
]


@pytest.mark.parametrize(("trip", "asking", "codes"), CONFLICTS)
def test_a_contradiction_is_named_by_its_smallest_set_of_demands(
    trip: dict[str, Any], asking: dict[str, Any], codes: set[str]
) -> None:
    made = choose(packed(**trip), ONE.model_copy(update=asking))
    assert not made.points
    assert {reason.code for reason in made.conflict} == codes


@pytest.mark.parametrize(
    ("gear", "because"),
    [
        ([cast.bag(), cast.normal_zoom()], "no-body"),
        ([cast.bag(), cast.body()], "no-lens"),
    ],
)
def test_a_locker_that_takes_no_pictures_says_why(gear: list[Any], because: Nothing) -> None:
    (reason,) = choose(packed(gear), ONE).conflict
    assert reason == TakesPictures(because=because)


def test_a_want_that_nothing_serves_is_a_reason() -> None:
    macro = cast.want("close", 60, 105, traits=(cast.wish(Trait.MACRO, essential=True),))
    (reason,) = choose(packed(wants=(macro,)), ONE).conflict
    assert reason == TakesPictures(because="out-of-reach")


def test_without_wants_or_people_there_is_nothing_to_choose_for() -> None:
    for changes in ({"wants": ()}, {"people": ()}):
        plan = cast.plan(owned(), **changes)
        with pytest.raises(InvalidInput):
            choose(plan, ONE)


def test_a_thing_that_comes_back_in_time_is_in_play() -> None:
    def away(until: str) -> Plan:
        absent = {"reason": "on-loan", "until": until}
        gear = [*owned()[:6], cast.tele_zoom(absent=absent), *owned()[7:]]
        return packed(gear, days=(Day(date="2027-02-20", title="First"),))

    assert "tele" in choose(away("2027-02-10"), ONE).points[0].kit.loaded()
    assert "tele" not in choose(away("2027-03-10"), ONE).points[0].kit.loaded()


def test_grams_are_counted_in_tenths() -> None:
    assert tenths(82.04) == 820


def hungry(frames: int, packs: int, **changes: Any) -> Plan:
    """Three days without mains; packs of a charge of 400 frames each."""
    pattern = Pattern(id="full", name="Full", first=Demand(frames=frames), others=Demand(frames=frames))
    days = tuple(Day(date=f"2027-02-2{i}", title="Out", lowest_c=20, night=Night()) for i in range(3))
    gear = [*owned()[:-1], cast.pack(count=packs), *changes.pop("more", ())]
    return packed(gear, days=days, stamina=Stamina(patterns=(pattern,), margin=0), **changes)


def test_a_suggested_kit_lasts_the_trip_and_the_simulation_says_so() -> None:
    for point in curve(hungry(400, 6)).points:
        bodies = sum(point.kit.loaded().get(b, 0) for b in ("b1", "b2"))
        # A charge a day and camera for three days: three packs for one camera, six for two.
        assert point.kit.loaded()["pack"] >= 3 * bodies
        assert (point.power_days, point.card_days, point.days) == (3, 3, 3)


def test_cameras_that_nothing_owned_could_carry_together_stay_apart() -> None:
    points = curve(hungry(400, 5)).points
    assert points
    assert all(sum(p.kit.loaded().get(b, 0) for b in ("b1", "b2")) == 1 for p in points)


def test_a_bank_at_hand_comes_along_when_it_takes_its_place() -> None:
    bank = PowerBank(id="bank", name="bank", mass_g=300, size=cast.SMALL, energy_wh=90, output_w=60, ports=2)
    usb = Charger(
        id="usb",
        name="usb",
        mass_g=80,
        size=cast.SMALL,
        battery_types=("LB-4",),
        bays=2,
        hours_per_charge=2,
        input="usb-c",
    )
    plan = hungry(400, 2, more=(bank, usb))
    best_kit = curve(plan).points[-1].kit.loaded()
    assert {"bank", "usb"} <= set(best_kit)


def test_where_nothing_lasts_a_kit_is_proposed_all_the_same_and_says_so() -> None:
    points = curve(hungry(4_000, 2)).points
    assert points
    assert all(p.power_days < p.days for p in points)


def test_a_choice_stopped_at_once_claims_no_contradiction() -> None:
    choice = choose(packed(), Asking(points=5), should_stop=lambda: True)
    assert choice.stopped
    assert choice.conflict == ()
    assert choice.points == ()


def _reached(asked: Iterator[int], moment: int) -> bool:
    return next(asked) >= moment


def test_a_choice_without_time_tells_proved_contradictions_only() -> None:
    """Stopped at any moment: what holds together is never called a contradiction."""
    for moment in range(8):
        asked = count()
        choice = choose(packed(), Asking(points=2), should_stop=partial(_reached, asked, moment))
        assert choice.conflict == ()
        assert choice.stopped


def two_kits(**marks: Any) -> Plan:
    """Kit A holds legs and a tablet beside its camera, kit B only the camera: nobody decides about legs and tablet."""
    legs = Tripod(id="legs", name="legs", mass_g=1_190, size=cast.SMALL, max_load_g=9_000, max_height_mm=1_500)
    gear = [cast.bag(), legs, cast.first_aid(), cast.body(), cast.normal_zoom(), cast.pack(count=3)]
    entries = [cast.entry(i) for i in ("legs", "first-aid", "body", "normal")]
    plan = cast.plan(gear, cast.entry("bag", cast.INES_CABIN), *entries, stamina=QUIET, **marks)
    without = Kit(
        id="b", name="Kit B", entries=tuple(e for e in plan.kit.entries if e.item not in ("legs", "first-aid"))
    )
    return Plan(gear=plan.gear, trip=plan.trip, kits=(plan.kit, without), open_kit="a")


def test_what_stays_in_any_case_is_told_with_its_grams() -> None:
    made = curve(two_kits())
    assert {k.item: (k.mass_g, k.safe) for k in made.kept} == {
        "bag": (1400, False),
        "legs": (1190, False),
        "first-aid": (240, True),
    }
    assert all({"bag", "legs", "first-aid"} <= p.kit.loaded().keys() for p in made.points)


def test_an_own_kit_above_the_curve_says_why() -> None:
    made = curve(two_kits())
    own = {kit.kit: kit for kit in made.own}
    assert not own["a"].above
    # Kit B does the same without legs and first aid: lighter than anything that the search may find.
    assert own["b"].above
    assert own["b"].why == (
        WithoutKept(item="legs", mass_g=1190),
        WithoutKept(item="first-aid", mass_g=240),
    )


def test_what_may_be_left_is_not_kept_but_what_keeps_people_safe_is() -> None:
    made = curve(two_kits(), may_leave=("legs", "first-aid"))
    assert {k.item for k in made.kept} == {"bag", "first-aid"}
    assert not any("legs" in p.kit.loaded() for p in made.points)


@pytest.mark.parametrize(("asked", "owned_", "brought"), [(1, 3, 1), (2, 3, 2), (3, 2, 2)])
def test_what_a_want_asks_beside_glass_comes_along_as_often_as_it_is_asked(
    asked: int, owned_: int, brought: int
) -> None:
    panel = Light(id="panel", name="panel", mass_g=300, size=cast.SMALL, form="panel", energy_wh=9, count=owned_)
    wants = (cast.want("night", aids=(AidWish(aid="light", count=asked),)), cast.want("day"))
    made = choose(packed([*owned(), panel], wants=wants), ONE)
    for point in made.points:
        assert point.kit.loaded()["panel"] == brought
        kept = packed([*owned(), panel], wants=wants).with_kit(point.kit)
        assert point.score == pytest.approx(assess(kept).coverage.score)
        assert point.score == pytest.approx(50 + 50 * min(1, brought / asked), abs=0.5)


def test_what_must_stay_is_not_brought_for_a_want_that_asks_for_it() -> None:
    panel = Light(id="panel", name="panel", mass_g=300, size=cast.SMALL, form="panel", energy_wh=9)
    wants = (cast.want("night", aids=(AidWish(aid="light"),)), cast.want("day"))
    made = choose(packed([*owned(), panel], wants=wants, marks=Marks(must_leave=("panel",))), ONE)
    assert made.points
    assert all("panel" not in point.kit.loaded() and point.score < 51 for point in made.points)


_DAYS = {"days": 1, "power_days": 1, "card_days": 1}
_SEEN = {"limit_g": 1200.0, "carried_g": 1000.0, "score": 50.0, "bound": 50.0, "steady": 0.8}
POINT = Point(kit=cast.kit(), proved=True, stowed=False, **_DAYS, **_SEEN)


@pytest.mark.parametrize(
    ("other", "outdone"),
    [
        ({}, False),
        ({"carried_g": 900.0}, True),
        ({"carried_g": 900.0, "steady": 0.3}, False),
        ({"score": 60.0, "steady": 0.3}, False),
        ({"score": 60.0}, True),
        ({"carried_g": 1100.0, "score": 90.0}, False),
    ],
)
def test_a_point_gives_way_only_to_one_that_is_as_light_as_good_and_as_steady(
    other: dict[str, float], outdone: bool
) -> None:
    assert is_outdone(POINT, POINT.model_copy(update=other)) == outdone
    # A better kit takes the place of one that is not proved, steadier or not.
    unproved = POINT.model_copy(update={"proved": False})
    assert is_outdone(unproved, POINT.model_copy(update={"score": 60.0, "steady": 0.3}))


def test_a_first_answer_stands_until_others_were_found_and_what_stands_goes_from_light_to_complete() -> None:
    first = POINT.model_copy(update={"carried_g": 700.0, "provisional": True})
    worse, lighter = (POINT.model_copy(update=more) for more in ({"score": 40.0}, {"carried_g": 900.0, "score": 30.0}))
    assert standing([first]) == (0,)
    assert standing([first, worse]) == (1,)
    assert standing([first, worse, POINT]) == (2,)
    assert standing([first, worse, POINT, lighter]) == (3, 2)
