"""Outings: what goes out of the door each morning, judged like a kit."""

from datetime import date, timedelta
from pathlib import Path
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mule.analysis.power import simulate
from mule.analysis.storage.stamina import keep
from mule.base.errors import InvalidInput
from mule.findings.assess import assess
from mule.findings.said import FilterUnserved
from mule.plan import Plan, read
from mule.plan.edits import Leave, Load
from mule.plan.gear import Card, CardSlot, Group, Soft
from mule.plan.kit import Entry, Kit, Loadout, Stow
from mule.plan.places import InBag, Worn
from mule.plan.trip import Day, Demand, Leg, Marks, Night, Pattern, Policies, Stamina
from mule.search.outings import DayBag, day_plan, judge_days, loadout_on, look_for_day_cures, with_edits
from tests import cast

DEMO = read((Path(__file__).parents[2] / "demo" / "lofoten.plan.json").read_bytes())
FIRST = date(2027, 2, 20)
# Each judges nine days.
SOME = settings(deadline=None, max_examples=25)
SHOOT = Pattern(id="shoot", name="Shoot", first=Demand(frames=400))
SHOOTING = Stamina(patterns=(SHOOT,), margin=0)
NEAR, FAR = cast.want("near", 24, 70), cast.want("far", 200, 400, importance=2)


def card() -> Card:
    cards: dict[str, Any] = {"count": 4, "mass_g": 2, "card_type": "SD", "capacity_gb": 64, "speed_mb_s": 200}
    return Card(id="card", name="card", size=Soft(volume_l=0.01), **cards)


def owned() -> list[Any]:
    """A cabin bag and a sling, a body that takes packs and cards, two zooms."""
    camera = cast.body(battery_type="LB-4", slots=(CardSlot(card_type="SD"),), frames_per_charge=200)
    return [
        cast.bag(mass_g=1_700),
        cast.bag("sling", mass_g=500),
        camera,
        cast.normal_zoom(),
        cast.tele_zoom(mass_g=1_396),
        cast.pack(),
        card(),
    ]


def days(*wanted: tuple[str, ...], **more: Any) -> tuple[Day, ...]:
    return tuple(
        Day(date=FIRST + timedelta(n), title=f"Day {n + 1}", lowest_c=20, pattern="shoot", wants=wants, **more)
        for n, wants in enumerate(wanted)
    )


def loaded() -> tuple[Entry, ...]:
    """All of it, with the sling in the cabin bag."""
    inside = (cast.entry(i) for i in ("sling", "body", "normal", "tele"))
    return (
        cast.entry("bag", cast.INES_CABIN),
        *inside,
        cast.entry("pack", count=5),
        cast.entry("card", count=4),
    )


def sling(*entries: Entry, on: tuple[date, ...] = (FIRST,)) -> Loadout:
    return Loadout(id="day", name="Day", days=on, entries=(cast.entry("sling", cast.INES_CABIN), *entries))


def put(item: str, count: int = 1) -> Entry:
    return cast.entry(item, InBag(bag="sling"), count)


def going(*outings: Loadout, of: tuple[Day, ...] = days(("near", "far")), **trip: Any) -> Plan:
    changes: dict[str, Any] = {"days": of, "wants": (NEAR, FAR), "stamina": SHOOTING} | trip
    plan = cast.plan(owned(), *loaded(), **changes)
    return plan.with_kit(plan.kit.model_copy(update={"stow": Stow(loadouts=outings)}))


def said(bag: DayBag) -> list[tuple[str, str]]:
    return [
        (f.code, next((getattr(f, role) for role in ("want", "type", "what") if getattr(f, role, None)), ""))
        for f in bag.findings
    ]


def test_a_days_only_lens_for_a_want_left_at_the_base_is_told_with_the_grams_that_bring_it() -> None:
    plan = going(sling(put("body"), put("normal"), put("pack", 2), put("card")))
    (bag,) = judge_days(plan).days
    assert said(bag) == [("gap", "far")]
    assert [(w.want, w.there) for w in bag.wants] == [("near", True), ("far", False)]
    (found,) = look_for_day_cures(plan, FIRST)
    (cure,) = found.cures
    assert cure.mass_change_g == pytest.approx(1_396)
    assert [(edit.act, edit.item) for edit in cure.edits] == [("load", "tele")]


@pytest.mark.parametrize(("to_mm", "share", "there"), [(104, 0.906, True), (108, 0.888, False)])
def test_a_want_is_out_there_with_nine_tenths_of_what_all_that_travels_sees(
    to_mm: float, share: float, there: bool
) -> None:
    # The longer zoom at the base sees past 70 mm with all 45 MP; without it those are cropped.
    across = cast.want("across", 24, to_mm, megapixels=45)
    gear = [*owned(), cast.lens("more", 70, 200, 4)]
    trip: dict[str, Any] = {"days": days(("across",)), "wants": (across,), "stamina": SHOOTING}
    plan = cast.plan(gear, *loaded(), cast.entry("more"), **trip)
    out = sling(put("body"), put("normal"), put("pack", 2), put("card"))
    (bag,) = judge_days(plan.with_kit(plan.kit.model_copy(update={"stow": Stow(loadouts=(out,))}))).days
    (want,) = bag.wants
    assert want.cover / want.whole == pytest.approx(share, abs=0.001)
    assert want.there == there


def test_one_of_five_packs_along_is_told_with_how_many_more_it_takes() -> None:
    # 400 frames at 200 a charge are two packs of 16 Wh; one is along: 32 Wh asked, 16 there.
    plan = going(sling(put("body"), put("normal"), put("tele"), put("pack"), put("card")))
    (bag,) = judge_days(plan).days
    assert said(bag) == [("power-short", "LB-4")]
    (packs,) = bag.packs
    assert (packs.packs, packs.need_wh, packs.ready_wh, packs.short) == (1, pytest.approx(32), pytest.approx(16), True)
    (found,) = look_for_day_cures(plan, FIRST)
    assert [(c.edits[0].act, c.edits[0].item, c.mass_change_g) for c in found.cures] == [("load", "pack", 82)]


def test_a_bag_without_a_card_blocks_its_day() -> None:
    (bag,) = judge_days(going(sling(put("body"), put("normal"), put("tele"), put("pack", 2)))).days
    assert ("missing-link", "card") in said(bag)


def test_what_is_amiss_with_the_whole_kit_is_not_said_of_the_bag() -> None:
    # Nobody has anything wider than 24 mm: no day's bag is to blame for it.
    wide = cast.want("wide", 14, 20, importance=5)
    plan = going(
        sling(put("body"), put("normal"), put("pack", 2), put("card")), of=days(("near", "wide")), wants=(NEAR, wide)
    )
    assert "want-unmet" in {f.code for f in assess(plan).findings}
    assert not judge_days(plan).days[0].findings


def test_a_day_without_a_bag_of_its_own_is_judged_with_all_that_travels() -> None:
    made = judge_days(going(sling(put("body"), put("normal")), of=days(("near",), ("far",))))
    assert [day.loadout for day in made.days] == ["day", None]
    assert made.outings == 1
    assert made.days[1].wants[0].there
    assert not made.days[1].findings


def test_a_want_counts_on_the_days_that_shoot_it_and_as_the_best_of_them_meets_it() -> None:
    # Far is wanted on three days and out there on two; near on one, with all of it along.
    out = sling(put("body"), put("normal"), put("pack", 2), put("card"), on=(FIRST + timedelta(1),))
    made = judge_days(going(out, of=days(("far",), ("far",), ("far", "near"))))
    near, far = made.wants
    assert [d.day for d in far.wanted] == [20, 21, 22]
    assert [d.day for d in far.there] == [20, 22]
    assert (len(near.wanted), len(near.there)) == (1, 1)
    assert made.score == pytest.approx(made.whole)


def test_where_no_day_of_a_want_has_what_it_needs_the_brief_by_days_is_less() -> None:
    # Importance 3 for near, met; 2 for far, of which cropping 70 mm in post sees a little: (3 + 2 x little) / 5.
    out = sling(put("body"), put("normal"), put("pack", 2), put("card"), on=(FIRST, FIRST + timedelta(1)))
    made = judge_days(going(out, of=days(("far",), ("near",))))
    little = made.wants[1].best
    assert 0 < little < 0.5
    assert (made.score, made.whole) == (pytest.approx(60 + 40 * little), pytest.approx(100))
    assert made.wants[1].there == ()


def test_a_day_that_names_nothing_shoots_what_no_day_names() -> None:
    made = judge_days(going(of=days(("far",), ())))
    near, far = made.wants
    assert [d.day for d in far.wanted] == [20]
    assert [d.day for d in near.wanted] == [21]


def test_each_morning_begins_with_full_packs_and_blank_cards() -> None:
    # Two packs carry a day of 32 Wh, and a card of 64 GB holds one of 400 frames x 54 MB x 1.2 = 21.6 GB; four days of
    # it would take 128 Wh and 86 GB.
    plan = going(of=days(*[("near",)] * 4, night=Night()))
    counts = {"body": 1, "pack": 2, "card": 1}
    full = plan.trip.with_stamina(mornings="full", copies=1)
    assert simulate(plan.items, counts, full).days_carried == 4
    assert simulate(plan.items, counts, plan.trip.with_stamina(copies=1)).days_carried == 1
    assert not any(day.lost_gb for day in keep(plan.with_trip(full), counts).days)
    assert keep(plan.with_trip(plan.trip.with_stamina(copies=1)), counts).days[-1].lost_gb


def test_an_outing_is_a_plan_whose_locker_is_what_is_on_the_trip() -> None:
    plan = going(
        sling(put("body"), put("normal"), put("pack", 2)),
        policies=Policies(lenses="one-zoom"),
        marks=Marks(must_take=("tele",)),
        legs=(Leg(id="bus", name="Bus"),),
    )
    plan = plan.with_kit(plan.kit.model_copy(update={"entries": loaded()[:-1]}))
    made = day_plan(plan, plan.trip.days, loadout_on(plan, plan.trip.days[0]))
    assert {t.id: t.count for t in made.gear} == {"bag": 1, "sling": 1, "body": 1, "normal": 1, "tele": 1, "pack": 5}
    assert made.loaded == {"sling": 1, "body": 1, "normal": 1, "pack": 2}
    assert (made.trip.legs, made.trip.marks, made.trip.policies) == ((), Marks(), Policies())
    # As the file that it could be written to, it stands by itself.
    assert Plan.model_validate(made.model_dump()) == made


def test_grams_are_told_by_what_they_are_for_and_what_rolls_is_not_carried() -> None:
    plan = going(sling(put("body"), put("normal"), put("pack", 2)))
    (bag,) = judge_days(plan).days
    assert bag.by_group == {Group.CARRY: 500, Group.OPTICS: 720 + 800, Group.POWER: 164}
    ines = next(who for who in bag.people if who.person == bag.heaviest)
    assert (bag.heaviest, sum(bag.by_group.values()) + bag.base_g) == ("ines", pytest.approx(ines.carried_g))


@SOME
@given(st.sampled_from([day.date for day in DEMO.trip.days]), st.sampled_from(DEMO.kits))
def test_the_headings_of_the_heaviest_add_up_to_what_they_carry(on: date, kit: Kit) -> None:
    day = next(d for d in judge_days(DEMO.with_kit(kit)).days if d.date == on)
    carried = next(who.carried_g for who in day.people if who.person == day.heaviest)
    assert sum(day.by_group.values()) + day.base_g == pytest.approx(carried)


def test_a_click_on_a_cure_changes_the_bag_and_keeps_what_the_kit_does_not_hold_now() -> None:
    lost = cast.entry("flash", InBag(bag="sling"))
    plan = going(sling(put("body"), put("normal"), lost))
    made = with_edits(plan, "day", [Load(item="tele"), Leave(item="normal")])
    assert {e.item for e in made.entries} == {"sling", "body", "tele", "flash"}
    assert next(e.place for e in made.entries if e.item == "tele") == InBag(bag="sling")
    with pytest.raises(InvalidInput, match="at most 1"):
        with_edits(plan, "day", [Load(item="tele", count=2)])
    with pytest.raises(InvalidInput, match="one of the kit’s loadouts"):
        with_edits(plan, "night", [Load(item="tele")])


def test_a_day_that_is_not_of_the_trip_is_refused() -> None:
    with pytest.raises(InvalidInput, match="must be a day of the trip"):
        list(look_for_day_cures(going(), date(2030, 1, 1)))


@SOME
@given(st.data())
def test_all_that_travels_as_a_days_bag_has_nothing_amiss(data: st.DataObject) -> None:
    kit = data.draw(st.sampled_from(DEMO.kits))
    on = data.draw(st.lists(st.sampled_from([day.date for day in DEMO.trip.days]), unique=True, min_size=1))
    every = Loadout(id="every", name="Everything", days=tuple(sorted(on)), entries=kit.entries)
    plan = DEMO.with_kit(kit.model_copy(update={"stow": kit.stow.model_copy(update={"loadouts": (every,)})}))
    made = judge_days(plan)
    assert made.score == pytest.approx(made.whole)
    for day in made.days:
        assert not day.findings
        assert all(want.there for want in day.wants)


@SOME
@given(st.data())
def test_what_is_taken_along_in_addition_never_serves_a_day_less(data: st.DataObject) -> None:
    day = data.draw(st.sampled_from(DEMO.trip.days))
    things = [entry for entry in DEMO.kit.entries if entry.place.where != "piece"]
    some = data.draw(st.lists(st.sampled_from(things), unique=True))
    extra = data.draw(st.sampled_from(things))

    def bag(*entries: Entry) -> DayBag:
        worn = {e.item: e.model_copy(update={"place": Worn(person="ines")}) for e in entries}
        out = Loadout(id="out", name="Out", days=(day.date,), entries=tuple(worn.values()))
        kit = DEMO.kit.model_copy(update={"stow": Stow(loadouts=(out,))})
        return next(d for d in judge_days(DEMO.with_kit(kit)).days if d.date == day.date)

    less, with_it = bag(*some), bag(*some, extra)
    assert with_it.score >= less.score - 1e-9
    assert all(more.cover >= few.cover - 1e-9 for more, few in zip(with_it.wants, less.wants, strict=True))


@pytest.mark.parametrize("loadout", [o.id for o in DEMO.kit.stow.loadouts])
def test_every_cure_of_a_days_bag_does_what_it_says(loadout: str) -> None:
    out = next(o for o in DEMO.kit.stow.loadouts if o.id == loadout)
    for found in look_for_day_cures(DEMO, out.days[0]):
        for cure in found.cures:
            changed = with_edits(DEMO, loadout, cure.edits)
            loadouts = tuple(changed if o.id == loadout else o for o in DEMO.kit.stow.loadouts)
            kit = DEMO.kit.model_copy(update={"stow": DEMO.kit.stow.model_copy(update={"loadouts": loadouts})})
            then = next(d for d in judge_days(DEMO.with_kit(kit)).days if d.date == out.days[0])
            left = [f for f in then.findings if f.subject() == found.subject()]
            if not cure.partly and not isinstance(found, FilterUnserved):
                assert not left
            assert cure.gets == ()
