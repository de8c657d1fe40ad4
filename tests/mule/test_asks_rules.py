"""What wants and people ask beside glass, and what a plan can say of things that are of no kind of their own."""

from datetime import date
from typing import Any

import pytest

from mule.findings.assess import assess, case_of
from mule.findings.codes import Severity
from mule.findings.cures import cure
from mule.plan import Plan
from mule.plan.gear import (
    Card,
    CardSlot,
    Charger,
    Light,
    Safety,
    Sound,
    Standing,
    Tripod,
    serves,
)
from mule.plan.kit import Loadout
from mule.plan.places import AsPiece, InBag, PieceKind, Worn
from mule.plan.trip import AidWish, Day, LocalRule, Mains, Want
from tests import cast
from tests.saying import DAYS, THING, codes, fields, found, only, other, plan, score
from tests.wandering import wandered

LEGS = Tripod(id="legs", name="legs", mass_g=1300, max_load_g=8000, max_height_mm=1500, head_included=True, **THING)
HEAVY = LEGS.model_copy(update={"id": "heavy", "mass_g": 2300.0})
PANEL = Light(id="panel", name="panel", mass_g=300, form="panel", energy_wh=10, **THING)


def lit(count: int = 1, **changes: Any) -> Any:
    return cast.want("night", aids=(AidWish(aid="light", count=count),), **changes)


# What a want asks scales what it scores.


def test_a_want_that_nothing_holds_still_scores_nothing_and_says_what_it_lacks() -> None:
    stars, town = cast.want("stars", steady=True), cast.want("town")
    bare, held = plan(left=(LEGS,), wants=(stars, town)), plan(LEGS, wants=(stars, town))
    assert (score(bare), score(held)) == (pytest.approx(50), pytest.approx(100))
    first, second = assess(bare).coverage.wants
    assert (first.cover, first.glass, first.lacks) == (0, pytest.approx(1), ("support",))
    assert (second.cover, second.lacks) == (pytest.approx(1), ())
    # It is held, not seen, that is lacking: no gap is told beside it.
    assert "not-held" in codes(bare)
    assert not codes(bare) & {"want-unmet", "gap"}
    assert only(bare, "not-held").cures[0].points == 0


def test_half_of_the_lights_is_half_of_the_want() -> None:
    two = PANEL.model_copy(update={"count": 2})
    gear = [cast.bag(), cast.body(), cast.normal_zoom(), two]
    loaded = [cast.entry("bag", cast.INES_CABIN), cast.entry("body"), cast.entry("normal")]
    scores = [
        score(cast.plan(gear, *loaded, *([cast.entry("panel", count=n)] if n else []), wants=(lit(2),)))
        for n in range(3)
    ]
    assert scores == [pytest.approx(0), pytest.approx(50), pytest.approx(100)]


def test_what_serves_a_want_is_worth_the_want_and_needed() -> None:
    case = case_of(plan(PANEL, wants=(lit(), cast.want("town"))))
    assert case.view.worth["panel"] == pytest.approx(50)
    (broken,) = case.requirements.holds_up("panel")
    assert (broken.item, broken.need.what) == ("night", "light")


@pytest.mark.parametrize(
    ("aid", "thing"),
    [
        ("light", PANEL),
        ("sound", other("recorder", serves="sound")),
        ("housing", other("housing", serves="housing")),
        ("sound", Sound(id="mic", name="mic", mass_g=90, form="microphone", **THING)),
    ],
)
def test_what_a_want_asks_for_is_said_while_nothing_serves_it(aid: Any, thing: Any) -> None:
    asks = cast.want("job", aids=(AidWish(aid=aid),))
    said = only(plan(left=(thing,), wants=(asks,)), "aid-missing")
    assert (said.aid, said.count, said.have) == (aid, 1, 0)
    assert [e.item for e in said.cures[0].edits] == [thing.id]
    assert not found(plan(thing, wants=(asks,)), "aid-missing")
    assert not found(plan(left=(thing,), wants=(cast.want(),)), "aid-missing")
    (get,) = only(plan(wants=(asks,)), "aid-missing").cures
    assert [(got.what, got.count) for got in get.gets] == [(aid, 1)]


def test_a_torch_is_no_light_for_pictures_and_a_gimbal_holds_nothing_still() -> None:
    torch = Light(id="torch", name="torch", mass_g=90, form="torch", **THING)
    assert found(plan(torch, wants=(lit(),)), "aid-missing")


def test_a_drone_to_get_comes_with_something_to_fly_on() -> None:
    (way,) = only(plan(wants=(cast.want("cliff", aids=(AidWish(aid="drone"),)),)), "aid-missing").cures
    assert ([got.what for got in way.gets], way.brings) == (["drone", "pack"], ())


# Weather, people, days.


@pytest.mark.parametrize(
    ("weather", "legs", "says"), [("wind", LEGS, True), ("wind", HEAVY, False), ("rain", LEGS, False)]
)
def test_light_legs_in_wind(weather: str, legs: Tripod, says: bool) -> None:
    days = (Day(date=date(2027, 5, 1), title="a", weather=(weather,)),)
    still = cast.want("stars", steady=True)
    assert bool(found(plan(legs, wants=(still,), days=days), "light-legs")) == says
    assert not found(plan(legs, wants=(cast.want(),), days=days), "light-legs")


def test_heavier_legs_take_the_place_of_light_ones() -> None:
    days = (Day(date=date(2027, 5, 1), title="a", weather=("ridge",)),)
    said = only(plan(LEGS, left=(HEAVY,), wants=(cast.want("stars", steady=True),), days=days), "light-legs")
    assert [(e.act, e.item) for e in said.cures[0].edits] == [("leave", "legs"), ("load", "heavy")]


def avalanche(count: int) -> list[Safety]:
    uses = ("avalanche transceiver", "avalanche probe", "snow shovel")
    return [Safety(id=u.split()[-1], name=u, mass_g=300, label=u, count=count, **THING) for u in uses]


def test_an_avalanche_set_is_whole_on_everybody_or_on_nobody() -> None:
    transceiver, probe, shovel = avalanche(2)
    said = only(plan(transceiver, left=(probe, shovel)), "set-incomplete")
    assert (said.severity, said.set, said.have) == (Severity.CAUTION, "avalanche", 0)
    (way, *_) = said.cures
    assert {(e.act, e.item, e.count) for e in way.edits if e.act == "load"} == {
        ("load", "probe", 2),
        ("load", "shovel", 2),
        ("load", "transceiver", 1),
    }
    assert not found(plan(left=(transceiver, probe, shovel)), "set-incomplete")


def test_what_of_a_set_nobody_owns_is_to_be_had_for_everybody() -> None:
    helmet = Safety(id="helmet", name="helmet", mass_g=300, label="helmet", **THING)
    (way,) = only(plan(helmet), "set-incomplete").cures
    assert [(got.what, got.label, got.count) for got in way.gets] == [("safety", "helmet", 1)]


def test_what_goes_back_before_the_trip_ends_is_said() -> None:
    hired = PANEL.model_copy(update={"standing": Standing.CAN_RENT, "return_by": date(2027, 5, 3)})
    assert fields(only(plan(hired, days=DAYS), "goes-back")) == {"due": "2027-05-03", "last": "2027-05-04"}
    late = hired.model_copy(update={"return_by": date(2027, 5, 5)})
    assert not found(plan(late, days=DAYS), "goes-back")
    assert only(plan(late, days=DAYS), "to-fetch").undated == 0
    assert only(plan(late.model_copy(update={"return_by": None}), days=DAYS), "to-fetch").undated == 1


def test_a_rule_of_the_place_looks_at_what_goes_along_that_day() -> None:
    rule = LocalRule(
        name="No legs in the church", effect="tripods-barred", first_day=date(2027, 5, 2), last_day=date(2027, 5, 2)
    )
    made = plan(LEGS, days=DAYS, local_rules=(rule,))
    assert fields(only(made, "tripods-barred")) == {"rule": "No legs in the church", "days": 1, "of_days": 4}
    day_bag = Loadout(
        id="town",
        name="Town",
        days=(date(2027, 5, 2),),
        entries=(cast.entry("bag", cast.INES_CABIN), cast.entry("body")),
    )
    kit = made.kit.model_copy(update={"stow": made.kit.stow.model_copy(update={"loadouts": (day_bag,)})})
    assert not found(made.with_kit(kit), "tripods-barred")
    along = day_bag.model_copy(update={"entries": (*day_bag.entries, cast.entry("legs"))})
    kit = made.kit.model_copy(update={"stow": made.kit.stow.model_copy(update={"loadouts": (along,)})})
    assert found(made.with_kit(kit), "tripods-barred")


# One bag, and all that rides in it.


def two_bags(*second: Any, **trip: Any) -> Plan:
    charger = Charger(id="charger", name="charger", mass_g=90, battery_types=("LB-4",), hours_per_charge=2, **THING)
    card = Card(id="card", name="card", mass_g=2, count=4, card_type="SD", capacity_gb=128, speed_mb_s=100, **THING)
    gear = [
        cast.bag(),
        cast.bag("day", piece="personal"),
        cast.body(battery_type="LB-4", frames_per_charge=400, slots=(CardSlot(card_type="SD"),)),
        cast.normal_zoom(),
        cast.pack(count=4),
        charger,
        card,
    ]
    place = InBag(bag="day")
    return cast.plan(
        gear,
        cast.entry("bag", cast.INES_CABIN),
        cast.entry("day", AsPiece(piece=PieceKind.PERSONAL, person="ines")),
        cast.entry("body", cast.ON_INES),
        cast.entry("normal", cast.ON_INES),
        *(second or (cast.entry("pack", place, 4), cast.entry("charger", place), cast.entry("card", place, 4))),
        days=DAYS,
        mains=Mains(plugs=("C",), volts=230),
        **trip,
    )


def test_a_bag_that_takes_packs_and_cards_along_is_said_and_spread() -> None:
    made = two_bags()
    said = only(made, "lost-bag")
    assert said.items == ("day",)
    assert (said.power_days, said.cards, said.all_cards) == (0, 0, 4)
    assert not said.charges
    assert said.cures
    assert all(e.act in ("move", "leave", "load") for e in said.cures[0].edits)
    day, cabin = InBag(bag="day"), cast.IN_BAG
    spread = two_bags(
        *(cast.entry(i, place, 2) for i in ("pack", "card") for place in (day, cabin)),
        cast.entry("charger", Worn(person="ines")),
    )
    assert not found(spread, "lost-bag")


@pytest.mark.parametrize("seed", range(24))
def test_the_score_is_what_glass_sees_times_the_least_share_of_what_is_asked(seed: int) -> None:
    made = wandered(seed)
    things = [(made.items[i], n) for i, n in made.loaded.items()]
    wants, covers = made.trip.wants, assess(made).coverage.wants
    glass = assess(made.with_trip(made.trip.model_copy(update={"wants": tuple(_without(w) for w in wants)})))
    total = 0.0
    for want, cover, bare in zip(wants, covers, glass.coverage.wants, strict=True):
        shares = [min(1, sum(n for t, n in things if serves(t) == wish.aid) / wish.count) for wish in want.aids]
        shares += [float(any(serves(t) == "support" for t, _ in things))] if want.steady else []
        assert cover.cover == pytest.approx(bare.cover * min(shares, default=1))
        total += want.importance * cover.cover
    assert score(made) == pytest.approx(100 * total / sum(w.importance for w in wants))


def _without(want: Want) -> Want:
    return want.model_copy(update={"aids": (), "steady": False})


def test_every_promise_holds_for_a_kit_that_asks_for_much() -> None:
    made = cure(plan(LEGS, PANEL, wants=(lit(2), cast.want("stars", steady=True)), days=DAYS))
    assert all(f.cures or f.why for f in made.findings if f.severity != Severity.NOTE)
