"""Drop order, best next things, and lens changes."""

from typing import Any

import pytest

from mule.analysis.ledger import Ledger, Sharpen
from mule.analysis.lens_changes import DayChanges
from mule.analysis.optics import WantChange, worth_of
from mule.findings.advise import advise
from mule.findings.assess import Assessment, assess, case_of
from mule.findings.cures import cure
from mule.plan import Plan
from mule.plan.gear import Filter, Head, OtherSupport, Remote, Sound, Tripod
from mule.plan.trip import Day, EffectWish, Marks, Trait, Weather
from tests import cast
from tests.wandering import HARD, cured, every

BODY, NORMAL, TELE = cast.body(), cast.normal_zoom(thread_mm=82), cast.tele_zoom()
WANTS = (cast.want("near", 24, 70, importance=5), cast.want("far", 250, 400, importance=1))
ND = Filter(id="nd", name="nd", mass_g=41, size=cast.SMALL, effect="nd", stops=6, thread_mm=82)
TRIPOD = Tripod(id="tripod", name="tripod", mass_g=1200, size=cast.SMALL, max_load_g=9000, max_height_mm=1500)
HEAD = Head(id="head", name="head", mass_g=350, size=cast.SMALL, plate_type="D", max_load_g=6000)
BEAN_BAG = OtherSupport(id="bean", name="bean", mass_g=300, size=cast.SMALL, form="bean-bag", max_load_g=3000)


def planned(*loaded: Any, left: tuple[Any, ...] = (), **trip: Any) -> Plan:
    gear = [cast.bag(), *loaded, *left]
    entries = [cast.entry("bag", cast.INES_CABIN), *(cast.entry(t.id) for t in loaded)]
    return cast.plan(gear, *entries, **({"wants": WANTS} | trip))


def assessed(*loaded: Any, **rest: Any) -> Assessment:
    return assess(planned(*loaded, **rest))


def ledger(*loaded: Any, **rest: Any) -> Ledger:
    return advise(planned(*loaded, **rest)).ledger


def days(*loaded: Any, **rest: Any) -> tuple[DayChanges, ...]:
    return assessed(*loaded, **rest).lens_changes


def order(found: Ledger) -> list[str]:
    return [drop.item for drop in found.drops]


def test_what_earns_least_per_gram_goes_first_and_figures_follow() -> None:
    spare = cast.lens("spare", 40, 60, 4, mass_g=300)
    made = assessed(BODY, NORMAL, TELE, spare)
    found = ledger(BODY, NORMAL, TELE, spare)
    assert order(found)[:2] == ["spare", "tele"]
    first, second = found.drops[:2]
    assert (first.points, first.score) == (pytest.approx(0), pytest.approx(made.coverage.score))
    assert first.total_g == pytest.approx(made.loads.total_g - 300)
    assert second.score == pytest.approx(made.coverage.score - second.points)
    assert second.score == pytest.approx(assessed(BODY, NORMAL).coverage.score)


def test_after_each_drop_everything_is_reckoned_anew() -> None:
    made = ledger(BODY, NORMAL, TELE, cast.lens("a", 24, 70, 4, mass_g=500), cast.lens("b", 24, 70, 4, mass_g=400))
    scores = [drop.score for drop in made.drops]
    assert scores == sorted(scores, reverse=True)
    # Of three lenses for one want the heaviest goes, then the next; the last carries five sixths and stays.
    assert [item for item in order(made) if item != "tele"] == ["normal", "a"]


def test_safety_never_stands_in_the_drop_order() -> None:
    assert "first-aid" not in order(ledger(BODY, NORMAL, cast.first_aid()))


def test_what_something_else_or_a_want_needs_is_not_dropped() -> None:
    steady = (cast.want("near", 24, 70, steady=True, effects=(EffectWish(effect="nd", stops=6),)),)
    loose = ledger(BODY, NORMAL, ND, TRIPOD, HEAD)
    assert "tripod" in order(loose)
    assert loose.small == ("nd",)
    assert "head" not in order(loose)
    held = order(ledger(BODY, NORMAL, ND, TRIPOD, HEAD, wants=steady))
    assert not {"nd", "tripod", "head"} & set(held)
    # With a bean bag to hold the camera, the legs may go, and their head goes with them.
    either = ledger(BODY, NORMAL, TRIPOD, HEAD, BEAN_BAG, wants=steady).drops[0]
    assert (either.item, either.goes) == ("tripod", ("head",))


def test_what_must_come_is_not_dropped() -> None:
    assert order(ledger(BODY, NORMAL, ND, marks=Marks(must_take=("nd",)))) == []


def test_drops_say_when_every_leg_takes_the_weight() -> None:
    carrier = cast.carrier(mass_g=1400 + 720 + 800)
    plan = cast.plan(
        [cast.bag(), BODY, NORMAL, TELE],
        *(cast.entry("bag", cast.INES_CABIN), cast.entry("body"), cast.entry("normal"), cast.entry("tele")),
        carriers=(carrier,),
        wants=WANTS,
    )
    (drop,) = advise(plan).ledger.drops
    assert (drop.item, drop.over_g) == ("tele", 0)


def test_best_next_is_most_points_per_gram_with_the_links_it_needs() -> None:
    hungry = cast.body("hungry", mass_g=300, megapixels=61, battery_type="LB-4")
    wide = cast.lens("wide", 16, 35, 4, mass_g=500)
    wants = (*WANTS, cast.want("wide", 16, 23, importance=3))
    found = ledger(BODY, NORMAL, left=(TELE, wide, hungry, cast.pack()), wants=wants).additions
    assert found[0].items == ("wide",)
    per_gram = [n.points / n.mass_g for n in found]
    assert per_gram == sorted(per_gram, reverse=True)
    body = next(n for n in found if n.items == ("hungry",))
    assert (body.brings, body.mass_g) == (("pack",), 382)


def test_what_must_stay_is_not_proposed() -> None:
    found = ledger(BODY, NORMAL, left=(TELE,), marks=Marks(must_leave=("tele",))).additions
    assert all("tele" not in n.items for n in found)


def test_each_lens_on_a_body_needs_no_change() -> None:
    day = Day(date="2027-02-20", title="Out", weather=(Weather.SPRAY,))
    (one,) = days(BODY, NORMAL, TELE, left=(cast.body("second"),), days=(day,))
    assert (one.changes, one.exposed, one.second_body) == (1, True, "second")
    # The most used lens lives on the only body.
    assert [(h.body, h.lens) for h in one.homes] == [("body", "normal")]
    (two,) = days(BODY, cast.body("second"), NORMAL, TELE, days=(day,))
    assert (two.changes, two.exposed, two.second_body) == (0, False, None)
    assert {h.lens for h in two.homes} == {"normal", "tele"}


def test_changes_on_a_fair_day_are_not_exposed_and_days_shoot_what_they_name() -> None:
    shot = (
        Day(date="2027-02-20", title="Both"),
        Day(date="2027-02-21", title="Far", wants=("far",), weather=(Weather.RAIN,)),
    )
    both, far = days(BODY, NORMAL, TELE, days=shot)
    assert (both.changes, both.exposed) == (1, False)
    assert (far.changes, far.lenses) == (0, ("tele",))


def test_crop_head_room_in_words_figures() -> None:
    # From 70 mm a 45 MP file crops by sqrt(45 / 24) = 1.369 to 95.9 mm and keeps 24 MP.
    (room,) = assessed(BODY, NORMAL, wants=(cast.want(megapixels=24),)).coverage.headroom
    assert (room.from_mm, room.megapixels) == (70, 24)
    assert room.to_mm == pytest.approx(95.85, abs=0.01)


def test_sealing_is_a_chain() -> None:
    sealed = cast.normal_zoom(sealed=True)
    (row,) = assessed(BODY, sealed).coverage.reach
    assert row.bars[0].unsealed == ()
    (row,) = assessed(BODY, NORMAL).coverage.reach
    assert row.bars[0].unsealed == ("normal",)


def test_drops_add_up_to_what_the_kit_scored() -> None:
    loaded = (BODY, NORMAL, TELE, cast.lens("spare", 40, 60, 4, mass_g=300), cast.lens("wide", 16, 35, 4))
    made, drops = assessed(*loaded), ledger(*loaded).drops
    assert sum(drop.points for drop in drops) + drops[-1].score == pytest.approx(made.coverage.score)
    assert made.loads.total_g - sum(drop.mass_g for drop in drops) == pytest.approx(drops[-1].total_g)


def points_of(changes: tuple[WantChange, ...]) -> float:
    """Points of brief that the wants' changes come to: each weighs its importance of 6 in all."""
    weights = {w.id: w.importance / 6 for w in WANTS}
    return sum(100 * weights[c.want] * (c.after - c.before) for c in changes)


def test_the_wants_behind_a_drop_a_next_and_a_loss_add_up_to_its_points() -> None:
    made = advise(planned(BODY, NORMAL, TELE, left=(cast.lens("wide", 16, 35, 4, mass_g=500),)))
    (drop,) = made.ledger.drops
    assert drop.changes[0].want == "far"
    assert points_of(drop.changes) == pytest.approx(-drop.points, abs=0.01)
    for loss in made.resilience.losses:
        assert points_of(loss.changes) == pytest.approx(-loss.points, abs=0.01)
    bare = ledger(BODY, TELE, left=(NORMAL,))
    (best,) = (n for n in bare.additions if n.items == ("normal",))
    assert points_of(best.changes) == pytest.approx(best.points, abs=0.01)


def test_steps_that_a_drop_does_not_touch_stand_and_those_it_does_are_thought_through_again() -> None:
    # The bean bag holds what the tripod held: once one of them is gone the other must stay.
    steady = (cast.want("near", 24, 70, steady=True),)
    made = ledger(BODY, NORMAL, ND, BEAN_BAG, TRIPOD, HEAD, wants=steady)
    assert order(made) == ["tripod"]
    assert made.small == ("nd",)


def test_the_only_microphone_head_and_release_are_no_first_to_go() -> None:
    mic = Sound(id="mic", name="mic", mass_g=90, size=cast.SMALL, form="microphone")
    release = Remote(id="release", name="release", mass_g=60, size=cast.SMALL, socket="radio")
    film = cast.want("film", 24, 70, traits=(cast.wish(Trait.VIDEO),))
    still = cast.want("still", 24, 70, steady=True)
    made = ledger(BODY, NORMAL, TRIPOD, HEAD, mic, release, wants=(film, still))
    assert not {"mic", "release", "head", "tripod"} & {*order(made), *made.small}
    town = ledger(BODY, NORMAL, TRIPOD, HEAD, mic, release, wants=(cast.want("town", 24, 70),))
    assert {"mic", "release", "tripod"} <= set(order(town))


def test_a_fast_lens_that_goes_first_names_the_want_to_sharpen() -> None:
    fast = cast.lens("fast", 400, 400, 2.8, mass_g=2800)
    birds = cast.want("birds", 300, 400, max_f_number=6.3, megapixels=16, importance=5)
    first = ledger(BODY, NORMAL, TELE, fast, wants=(birds, cast.want("near", 24, 70))).drops[0]
    assert (first.item, first.because) == (
        "fast",
        Sharpen(want="birds", instead="tele", f_number=6.3, megapixels=16, crops=False),
    )
    sharper = birds.model_copy(update={"max_f_number": 2.8})
    (drop,) = (d for d in ledger(BODY, NORMAL, TELE, fast, wants=(sharper,)).drops if d.item == "fast")
    assert drop.because is None
    assert drop.points > 0


def test_what_serves_only_by_cropping_says_so() -> None:
    long = cast.lens("long", 400, 400, 5.6, mass_g=1500)
    birds = cast.want("birds", 300, 400, max_f_number=8, megapixels=8, importance=5)
    gear = (cast.body(megapixels=45, crop_modes=()), cast.lens("short", 70, 300, 5.6, mass_g=600), long)
    first = ledger(*gear, wants=(birds,)).drops[0]
    assert first.because == Sharpen(want="birds", instead="short", f_number=8, megapixels=8, crops=True)


def over_by(grams: float, *lenses: Any) -> Plan:
    full = sum(t.mass_g for t in (cast.bag(), BODY, NORMAL, *lenses))
    plan = planned(BODY, NORMAL, *lenses)
    legs = ({"id": "plane", "name": "Plane", "carrier": "air"},)
    trip = plan.trip.model_validate(plan.trip.model_dump() | {"legs": legs})
    return cast.plan(
        [*plan.gear],
        *plan.kit.entries,
        carriers=(cast.carrier(mass_g=full - grams),),
        **trip.model_dump(exclude={"id", "name"}),
    )


@pytest.mark.parametrize("grams", [50, 250, 450, 700, 900])
def test_where_a_leg_is_over_the_drop_order_begins_with_what_the_cure_leaves(grams: float) -> None:
    spares = [cast.lens(f"s{g}", 210, 220, 8, mass_g=g) for g in (120, 260, 300, 480)]
    plan = over_by(grams, *spares)
    (finding,) = (f for f in cure(plan).findings if f.code == "leg-mass")
    leaves = next(way for way in finding.cures if way.code == "leave")
    drops = advise(plan).ledger.drops
    until = next(n for n, drop in enumerate(drops, 1) if drop.over_g <= 0)
    assert {i for d in drops[:until] for i in (d.item, *d.goes)} == {e.item for e in leaves.edits}


@pytest.mark.parametrize("plan", every(HARD))
def test_no_cure_that_leaves_whole_things_costs_less_than_the_drop_order_begins_with(plan: Plan) -> None:
    over = [f for f in cured(plan) if f.code in ("leg-mass", "leg-together")]
    if len(over) != 1:
        return
    drops = advise(plan).ledger.drops
    until = next((n for n, drop in enumerate(drops, 1) if drop.over_g <= 0), None)
    if until is None:
        return
    cost = sum(d.points for d in drops[:until])
    for way in over[0].cures:
        if way.code == "leave" and not way.partly and all(e.act == "leave" and e.count is None for e in way.edits):
            assert way.points >= cost - 0.02, (way, drops[:until])


def test_what_a_want_lacks_beside_glass_is_among_what_comes_next_however_much_glass_is_left() -> None:
    lenses = [cast.lens(f"l{n}", 70 + 4 * n, 90 + 4 * n, 4, mass_g=300 + n) for n in range(30)]
    wants = (cast.want("near", 24, 200), cast.want("stars", 24, 70, steady=True))
    made = ledger(BODY, NORMAL, left=(*lenses, BEAN_BAG), wants=wants)
    (bean,) = (n for n in made.additions if n.items == ("bean",))
    assert bean.points == pytest.approx(50, abs=0.5)
    assert [c.want for c in bean.changes] == ["stars"]
    assert not any(n.items == ("bean",) for n in ledger(BODY, NORMAL, BEAN_BAG, left=lenses, wants=wants).additions)


def test_what_held_as_well_is_worth_all_of_it_once_the_other_is_gone() -> None:
    steady = (cast.want("near", 24, 70, steady=True),)
    table = case_of(planned(BODY, NORMAL, BEAN_BAG, TRIPOD, HEAD, wants=steady)).view.table
    rest = {w.item: w.points for w in worth_of(table.without({"tripod"}), {"body": 1, "normal": 1, "bean": 1})}
    assert rest["bean"] == pytest.approx(100)
