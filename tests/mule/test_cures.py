"""A cure is a promise: done, it does what it says, and nothing else that matters."""

from itertools import combinations
from typing import Any

import pytest

from mule.analysis.ledger import Burden, grams, least_missed
from mule.findings.assess import case_of
from mule.findings.codes import NoWay, Severity
from mule.findings.cures import MOST_CURES, cure, lighter, look_for_cures, problems
from mule.findings.cures.getting import usual, with_gets
from mule.findings.cures.making import inside, loaded_kit
from mule.findings.cures.problem import heavier, is_revealed, weighty
from mule.findings.cures.room import finds_room
from mule.findings.rules import Case, Trials, speak, speak_of_losses
from mule.findings.said import Finding
from mule.findings.said.cure import Cure
from mule.plan import Plan
from mule.plan.editing import apply
from mule.plan.edits import Leave, Load, Move
from mule.plan.gear import Battery, Box, Light, Other, Soft, keeps_safe
from mule.plan.places import AsPiece, InBag, PieceKind, Worn
from mule.plan.trip import Day, LocalRule, Marks, Night, Person
from tests import cast
from tests.wandering import HARD, cured, demo_plans, every, wandered


def told(case: Case) -> tuple[Finding, ...]:
    """All that cures may mend or bring."""
    trials = Trials(case)
    return (*speak(case), *speak_of_losses(trials))


def done(plan: Plan, way: Cure) -> Plan:
    got, more = with_gets(plan, way.gets) if way.gets else (plan, ())
    return apply(got, (*way.edits, *more))


def only(plan: Plan, code: str) -> Any:
    (found,) = (f for f in cure(plan).findings if f.code == code)
    return found


def items(way: Cure) -> list[str]:
    return [edit.item for edit in way.edits]


@pytest.mark.parametrize("plan", every(HARD))
def test_a_cure_does_what_it_says_and_names_what_it_brings(plan: Plan) -> None:
    now = case_of(plan)
    facts = told(now)
    before, known = problems(facts), {f.subject() for f in facts}
    assert all(f.size() > 0 for f in facts)
    assert not any(heavier(weight, weight) for weight in before.values()), "what has not changed is no worse"
    for finding in cured(plan):
        assert len(finding.cures) <= MOST_CURES
        for way in (w for w in finding.cures if w.edits or w.gets):
            then = case_of(done(plan, way))
            after_said = told(then)
            after, asked = problems(after_said), finding.subject()
            if asked in known:
                assert lighter(after.get(asked), before[asked]), (finding, way)
                assert (asked in after) == way.partly, (finding, way)
            news = {
                f.subject()
                for f in after_said
                if weighty(f)
                and heavier(after[f.subject()], before.get(f.subject()))
                and not is_revealed(f, by=finding)
            }
            # Losses are weighed where the work is paid; else they are no more than notes.
            assert news == {t.subject() for t in way.brings}, (finding, way)
            assert then.loads.total_g - now.loads.total_g == pytest.approx(way.mass_change_g), (finding, way)
            assert_priced(now, then, way)


def assert_priced(now: Case, then: Case, way: Cure) -> None:
    """Its price is the difference of two assessments: grams on whom, wants, days."""
    for was, after in zip(now.loads.people, then.loads.people, strict=True):
        assert way.on.get(was.person, 0.0) == pytest.approx(after.carried_g - was.carried_g, abs=0.5)
    for cover, covered in zip(now.view.coverage.wants, then.view.coverage.wants, strict=True):
        assert way.wants.get(cover.want, 0.0) == pytest.approx(covered.cover - cover.cover, abs=0.005)
    days = then.stamina.power.days_carried - now.stamina.power.days_carried
    assert way.power_days == days


@pytest.mark.parametrize("plan", every(HARD))
def test_nothing_that_weighs_is_left_without_a_way_out_or_a_reason(plan: Plan) -> None:
    marks = plan.trip.marks
    for finding in cured(plan):
        assert finding.cures or finding.why or finding.severity == Severity.NOTE, finding
        for way in finding.cures:
            left = {e.item for e in way.edits if isinstance(e, Leave)}
            loaded = {e.item for e in way.edits if isinstance(e, Load)}
            assert not any(keeps_safe(plan.items[item]) for item in left), (finding, way)
            assert loaded.isdisjoint(marks.must_leave), (finding, way)


@pytest.mark.parametrize("plan", every(HARD))
def test_no_cure_is_another_with_something_needless(plan: Plan) -> None:
    for finding in cured(plan):
        for one, other in combinations([w for w in finding.cures if w.edits], 2):
            assert not set(one.edits) < set(other.edits), (finding, one, other)


def test_spare_batteries_in_the_hold_hang_no_second_act_on_other_fixes() -> None:
    # Two of the twenty that may come are in the hold: a blocker of two pieces, which loading a lens makes no worse.
    hold = cast.bag("hold")
    gear = [cast.bag(), hold, cast.body(), cast.normal_zoom(), cast.tele_zoom(), cast.pack()]
    entries = [
        cast.entry("bag", cast.INES_CABIN),
        cast.entry("hold", AsPiece(piece=PieceKind.HOLD, person="ines")),
        cast.entry("body"),
        cast.entry("normal"),
        cast.entry("pack", InBag(bag="hold"), count=2),
    ]
    wants = (cast.want("near", 24, 70), cast.want("far", 100, 200))
    plan = cast.plan(gear, *entries, carriers=(cast.carrier(),), wants=wants)
    (refused,) = (f for f in told(case_of(plan)) if f.code == "gate-no")
    assert refused.size() == 2
    (way,) = (w for w in only(plan, "gap").cures if items(w) == ["tele"])
    assert way.brings == ()


def test_looking_ends_between_two_trials() -> None:
    asked: list[int] = []

    def stop() -> bool:
        asked.append(1)
        return len(asked) > 12

    found = list(look_for_cures(demo_plans()[3], stop))
    assert len(found) < len(cure(demo_plans()[3]).findings)
    assert len(asked) <= 20


# --- what to leave -----------------------------------------------------------------------------------------------


def laden(*lenses: tuple[str, float, float, float], limit: float, **trip: Any) -> Plan:
    """A bag with a body, a lens that sees the want, and others, over a limit."""
    gear = [cast.bag(), cast.body(), cast.normal_zoom()]
    gear += [cast.lens(id_, low, high, 4, mass_g=mass) for id_, low, high, mass in lenses]
    entries = [cast.entry("bag", cast.INES_CABIN), *(cast.entry(t.id) for t in gear[1:])]
    return cast.plan(gear, *entries, carriers=(cast.carrier(mass_g=limit),), **trip)


def test_the_two_lightest_things_that_free_enough_are_found() -> None:
    # 612 g over: no single spare lens is as heavy; 300 and 320 g do, 300 and 900 would be more.
    plan = laden(("a", 200, 200, 300), ("b", 210, 210, 320), ("c", 220, 220, 400), limit=1400 + 720 + 800 + 1020 - 612)
    burden = Burden(inside(Trials(case_of(plan)), "bag"), 612, grams, "ines", ("bag",))
    assert least_missed(loaded_kit(Trials(case_of(plan))), burden)[0] == {"a": None, "b": None}
    best = next(way for way in only(plan, "leg-mass").cures if way.code == "leave")
    assert (sorted(items(best)), best.mass_change_g) == (["a", "b"], -620)


@pytest.mark.parametrize("need", [100, 350, 700, 900, 1300])
def test_what_is_left_is_as_cheap_as_any_set_of_two(need: float) -> None:
    lenses = [("a", 16, 16, 310), ("b", 35, 35, 250), ("c", 85, 85, 420), ("d", 200, 200, 500), ("e", 20, 35, 380)]
    wants = (cast.want("wide", 14, 24), cast.want("near", 24, 70), cast.want("far", 70, 200))
    plan = laden(*lenses, limit=9000, wants=wants)
    trials = Trials(case_of(plan))
    view = trials.case.view

    def cost(left: tuple[str, ...]) -> tuple[float, float]:
        (score,) = view.table.scores([frozenset(left)])
        return round(max(0.0, view.coverage.score - score), 2), sum(plan.items[i].mass_g for i in left)

    every = ["normal", *(lens[0] for lens in lenses)]
    enough = [
        left
        for size in (1, 2)
        for left in combinations(every, size)
        if sum(plan.items[i].mass_g for i in left) >= need and trials.case.requirements.leaving(left)[1] == ()
    ]
    best = least_missed(loaded_kit(trials), Burden(inside(trials, "bag"), need, grams, "ines", ("bag",)))[0]
    assert cost(tuple(best)) <= min(map(cost, enough))


def test_what_must_come_and_what_is_meant_as_a_backup_stay_loaded_while_something_else_would_do() -> None:
    gear = [
        cast.bag(),
        cast.body(),
        cast.normal_zoom(),
        cast.lens("kept", 200, 200, 4, mass_g=400),
        cast.lens("backup", 24, 70, 4, mass_g=410, backup=True),
        cast.lens("spare", 30, 40, 4, mass_g=420),
    ]
    plan = cast.plan(
        gear,
        cast.entry("bag", cast.INES_CABIN),
        *(cast.entry(t.id) for t in gear[1:]),
        carriers=(cast.carrier(mass_g=1400 + 720 + 800 + 830),),
        marks=Marks(must_take=("kept",)),
    )
    left = [items(way) for way in only(plan, "leg-mass").cures if way.code == "leave"]
    assert left[0] == ["spare"]
    assert ["kept"] not in left


def test_of_packs_over_a_limit_only_those_too_many_stay() -> None:
    pack = cast.pack(count=9, energy_wh=120)
    plan = cast.plan(
        [cast.bag(), cast.body(battery_type="LB-4"), cast.normal_zoom(), pack],
        cast.entry("bag", cast.INES_CABIN),
        *(cast.entry(i) for i in ("body", "normal")),
        cast.entry("pack", count=4),
        carriers=(cast.carrier(mass_g=20_000),),
    )
    refused = only(plan, "gate-no")
    over = refused.total - (refused.most or 0)
    ways = [[(e.item, e.count) for e in way.edits] for way in refused.cures if way.code == "leave"]
    assert ways[0] == [("pack", over)]


# --- bags ----------------------------------------------------------------------------------------------------------


def test_more_pieces_than_a_leg_allows_are_handed_over_or_left() -> None:
    plan = cast.plan(
        [cast.bag(), cast.bag("second", mass_g=600), cast.body(), cast.normal_zoom()],
        cast.entry("bag", cast.INES_CABIN),
        cast.entry("second", cast.INES_CABIN),
        *(cast.entry(i) for i in ("body", "normal")),
        carriers=(cast.carrier(count=1),),
    )
    ways = only(plan, "leg-count").cures
    assert {way.code for way in ways} >= {"hand-over"}
    for way in ways:
        assert "leg-count" not in {f.code for f in told(case_of(done(plan, way)))}


def test_all_bags_together_are_lightened_by_the_sum_of_them() -> None:
    from mule.plan.carriers import Carrier, PieceRule, TogetherRule  # noqa: PLC0415

    carrier = Carrier(
        id="air",
        name="air",
        pieces=(PieceRule(piece=cast.CABIN),),
        together=(TogetherRule(pieces=(cast.CABIN, cast.PERSONAL), mass_g=3_000),),
    )
    plan = cast.plan(
        [cast.bag(), cast.body(), cast.normal_zoom(), cast.lens("spare", 200, 200, 4, mass_g=300)],
        cast.entry("bag", cast.INES_CABIN),
        *(cast.entry(i) for i in ("body", "normal", "spare")),
        carriers=(carrier,),
    )
    ways = only(plan, "leg-together").cures
    assert ["spare"] in [items(way) for way in ways]


def test_a_bag_too_big_for_the_frame_is_taken_for_one_that_lies_at_home() -> None:
    small = cast.bag("small", size=cast.bag().size.model_copy(update={"length_mm": 400}), volume_l=20)
    plan = cast.plan(
        [cast.bag(), small, cast.body(), cast.normal_zoom()],
        cast.entry("bag", cast.INES_CABIN),
        *(cast.entry(i) for i in ("body", "normal")),
        carriers=(cast.carrier(size_mm=(450, 400, 250)),),
    )
    swap = next(way for way in only(plan, "leg-size").cures if way.code == "swap-bag")
    then = done(plan, swap)
    assert set(then.loaded) == {"small", "body", "normal"}
    assert all(e.place == InBag(bag="small") for e in then.kit.entries if e.item != "small")


def test_a_thing_too_large_goes_where_it_has_room_never_where_it_has_none() -> None:
    long = cast.lens("long", 600, 600, 6.3, size=cast.normal_zoom().size.model_copy(update={"length_mm": 450}))
    plan = cast.plan(
        [cast.bag(), cast.insert(), cast.insert("cube-2"), cast.body(), long],
        cast.entry("bag", cast.INES_CABIN),
        cast.entry("cube"),
        cast.entry("cube-2"),
        cast.entry("body"),
        cast.entry("long", InBag(bag="cube")),
    )
    ways = only(plan, "too-large").cures
    assert ways[0].edits == (Move(item="long", place=InBag(bag="bag")),)
    assert all(InBag(bag="cube-2") not in [getattr(e, "place", None) for e in way.edits] for way in ways)


def test_somebody_without_a_bag_takes_one_that_lies_at_home() -> None:
    people = (Person(id="ines", name="Ines", carries_well_kg=3), Person(id="marit", name="Marit"))
    plan = cast.plan(
        [cast.bag(), cast.bag("other", mass_g=800), cast.body(), cast.normal_zoom()],
        cast.entry("bag", cast.INES_CABIN),
        *(cast.entry(i) for i in ("body", "normal")),
        people=people,
        wants=(cast.want(),),
    )
    heavier_kit = plan.with_trip(
        plan.trip.model_copy(update={"people": (people[0].model_copy(update={"carries_well_kg": 2.5}), people[1])})
    )
    ways = only(heavier_kit, "carries-well").cures
    assert any("other" in items(way) for way in ways)


# --- links, power, pictures --------------------------------------------------------------------------------------


def test_as_many_cells_as_all_that_eat_them_hold() -> None:
    torch = Light(
        id="torch",
        name="torch",
        count=2,
        mass_g=80,
        size=Soft(volume_l=0.1),
        form="head-torch",
        battery_type="AAA",
        cells=3,
    )
    cells = Battery(
        id="aaa",
        name="AAA",
        count=8,
        mass_g=12,
        size=Soft(volume_l=0.02),
        battery_type="AAA",
        energy_wh=1.2,
        lithium=False,
        rechargeable=False,
    )
    plan = cast.plan([cast.bag(), torch, cells], cast.entry("bag", cast.INES_CABIN), cast.entry("torch", count=2))
    best = only(plan, "missing-link").cures[0]
    assert best.edits == (Load(item="aaa", count=6),)
    fewer = cast.plan(
        [cast.bag(), torch, cells.model_copy(update={"count": 4})],
        cast.entry("bag", cast.INES_CABIN),
        cast.entry("torch", count=2),
    )
    got = only(fewer, "missing-link").cures[0]
    assert (got.edits, [(g.label, g.count) for g in got.gets]) == ((Load(item="aaa", count=4),), [("AAA", 2)])


def test_what_nobody_owns_is_got_and_the_typical_one_was_tried() -> None:
    plan = cast.plan(
        [cast.bag(), cast.body(battery_type="LB-4"), cast.normal_zoom()],
        cast.entry("bag", cast.INES_CABIN),
        *(cast.entry(i) for i in ("body", "normal")),
    )
    (missing,) = (f for f in cure(plan).findings if f.code == "missing-link" and getattr(f, "what", "") == "pack")
    got = next(way for way in missing.cures if way.gets)
    assert [g.one for g in got.gets] == [usual("pack", "LB-4")]
    then = done(plan, got)
    assert any(isinstance(t, Battery) and t.battery_type == "LB-4" for t in then.gear)
    assert "LB-4" not in {
        getattr(f, "label", None)
        for f in told(case_of(then))
        if f.code == "missing-link" and getattr(f, "what", "") == "pack"
    }


def test_a_copy_in_a_pocket_is_apart() -> None:
    for plan in map(wandered, HARD):
        for finding in (f for f in cured(plan) if f.code == "both-in-one-bag"):
            assert any(isinstance(getattr(e, "place", None), Worn | InBag) for w in finding.cures for e in w.edits)
            return
    pytest.fail("no such plan")


# --- reasons -----------------------------------------------------------------------------------------------------


def test_where_nothing_helps_it_is_said_why() -> None:
    empty = cast.plan([])
    assert only(empty, "nothing-loaded").why == NoWay.BENCH
    nobody = empty.with_trip(empty.trip.model_copy(update={"people": ()}))
    assert only(nobody, "no-people").why == NoWay.BRIEF
    safe = cast.plan(
        [cast.bag(), cast.first_aid()],
        cast.entry("bag", cast.INES_CABIN),
        cast.entry("first-aid"),
        marks=Marks(must_leave=("first-aid",)),
    )
    assert (only(safe, "must-leave").cures, only(safe, "must-leave").why) == ((), NoWay.SAFETY)


def test_on_days_that_bar_them_legs_stay_where_one_sleeps() -> None:
    tripod = {"kind": "tripod", "id": "tripod", "name": "t", "mass_g": 1300, "size": {"shape": "soft", "volume_l": 3}}
    tripod |= {"max_load_g": 8000, "max_height_mm": 1500, "head_included": True}
    days = (Day(date="2027-02-20", title="a", night=Night()), Day(date="2027-02-21", title="b"))
    plan = cast.plan(
        [cast.bag(), cast.body(), cast.normal_zoom(), tripod],
        cast.entry("bag", cast.INES_CABIN),
        *(cast.entry(i) for i in ("body", "normal", "tripod")),
        days=days,
        local_rules=(LocalRule(name="No legs", effect="tripods-barred", last_day="2027-02-20"),),
    )
    assert only(plan, "tripods-barred").cures[-1].code in ("at-base", "leave")
    assert "at-base" in {way.code for way in only(plan, "tripods-barred").cures}


def test_two_long_things_do_not_lie_crosswise_in_one_bag() -> None:
    long = {"mass_g": 900.0, "size": Box(length_mm=440, width_mm=280, height_mm=100)}
    slab, other = (
        Other(id="slab", name="slab", label="board", **long),
        Other(id="other", name="other", label="board", **long),
    )
    small = cast.bag("small", inner=Box(length_mm=450, width_mm=290, height_mm=150), volume_l=40)
    gear = [cast.bag(), small, cast.body(), cast.normal_zoom(), slab, other]
    entries = [
        cast.entry("bag", cast.INES_CABIN),
        cast.entry("small", AsPiece(piece=PieceKind.PERSONAL, person="ines")),
        cast.entry("slab", InBag(bag="small")),
    ]
    plan = cast.plan(gear, *entries, cast.entry("other"))
    edits = [Move(item="other", place=InBag(bag="small"))]
    assert not finds_room(plan, apply(plan, edits), edits)
    alone = cast.plan(gear, *entries[:2], cast.entry("other"))
    assert finds_room(alone, apply(alone, edits), edits)


def test_of_torches_those_are_counted_that_are_missing() -> None:
    torch = Light(id="torch", name="torch", mass_g=90, size=cast.SMALL, form="head-torch", energy_wh=5, count=3)
    people = tuple(Person(id=id_, name=id_) for id_ in ("ines", "marit", "jon"))
    gear = [cast.bag(), cast.body(), cast.normal_zoom(), torch]

    def missing(loaded: int) -> list[float]:
        entries = [cast.entry("bag", cast.INES_CABIN), cast.entry("body"), cast.entry("normal")]
        entries += [cast.entry("torch", count=loaded)] if loaded else []
        return [f.size() for f in told(case_of(cast.plan(gear, *entries, people=people))) if f.code == "torch-each"]

    assert [missing(loaded) for loaded in (0, 1, 2, 3)] == [[3], [2], [1], []]
