"""What wants and people ask beside glass, and what a plan can say of things that are of no kind of their own."""

from datetime import date
from typing import Any

import pytest

from mule.assess import assess, case_of
from mule.cures import cure
from mule.finding import AsPiece, Finding, InBag, PieceKind, Severity, Worn
from mule.gear import (
    Battery,
    Body,
    Box,
    Card,
    CardSlot,
    Charger,
    Compartment,
    Computer,
    Filter,
    Lens,
    Light,
    Link,
    Other,
    PowerBank,
    Safety,
    Soft,
    Sound,
    Standing,
    Tripod,
    serves,
)
from mule.kit import Loadout
from mule.plan import Plan
from mule.power import simulate
from mule.storage import Whereabouts, store
from mule.trip import AidWish, Day, Demand, EffectWish, LocalRule, Mains, Night, Pattern, Stamina, TraitWish, Want
from tests import cast
from tests.saying import found, only, plan
from tests.wandering import wandered

THING: dict[str, Any] = {"size": Soft(volume_l=0.3)}
LEGS = Tripod(id="legs", name="legs", mass_g=1300, max_load_g=8000, max_height_mm=1500, head_included=True, **THING)
HEAVY = LEGS.model_copy(update={"id": "heavy", "mass_g": 2300.0})
PANEL = Light(id="panel", name="panel", mass_g=300, form="panel", energy_wh=10, **THING)
DAYS = tuple(Day(date=date(2027, 5, n), title=f"day {n}", on_foot_h=2) for n in range(1, 5))


def other(id_: str, use: str = "thing", **fields: Any) -> Other:
    return Other(id=id_, name=id_, mass_g=fields.pop("mass_g", 100), use=use, **THING | fields)


def lit(count: int = 1, **changes: Any) -> Any:
    return cast.want("night", aids=(AidWish(aid="light", count=count),), **changes)


def score(made: Plan) -> float:
    return assess(made).coverage.score


def codes(made: Plan) -> set[str]:
    return {f.code.value for f in assess(made).findings}


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
    assert only(bare, "not-held").cures[0].numbers.get("points", 0) == 0


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
    assert (said.refs["aid"], said.numbers) == (aid, {"count": 1, "have": 0})
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
    return [Safety(id=u.split()[-1], name=u, mass_g=300, use=u, count=count, **THING) for u in uses]


def test_an_avalanche_set_is_whole_on_everybody_or_on_nobody() -> None:
    transceiver, probe, shovel = avalanche(2)
    said = only(plan(transceiver, left=(probe, shovel)), "set-incomplete")
    assert (said.severity, said.refs["set"], said.numbers["have"]) == (Severity.CAUTION, "avalanche", 0)
    (way, *_) = said.cures
    assert {(e.act, e.item, e.count) for e in way.edits if e.act == "load"} == {
        ("load", "probe", 2),
        ("load", "shovel", 2),
        ("load", "transceiver", 1),
    }
    assert not found(plan(left=(transceiver, probe, shovel)), "set-incomplete")


def test_what_of_a_set_nobody_owns_is_to_be_had_for_everybody() -> None:
    helmet = Safety(id="helmet", name="helmet", mass_g=300, use="helmet", **THING)
    (way,) = only(plan(helmet), "set-incomplete").cures
    assert [(got.what, got.label, got.count) for got in way.gets] == [("safety", "helmet", 1)]


def test_what_goes_back_before_the_trip_ends_is_said() -> None:
    hired = PANEL.model_copy(update={"standing": Standing.CAN_RENT, "return_by": date(2027, 5, 3)})
    assert only(plan(hired, days=DAYS), "goes-back").refs == {"due": "2027-05-03", "last": "2027-05-04"}
    late = hired.model_copy(update={"return_by": date(2027, 5, 5)})
    assert not found(plan(late, days=DAYS), "goes-back")
    assert only(plan(late, days=DAYS), "to-fetch").numbers == {"undated": 0}
    assert only(plan(late.model_copy(update={"return_by": None}), days=DAYS), "to-fetch").numbers == {"undated": 1}


def test_a_rule_of_the_place_looks_at_what_goes_along_that_day() -> None:
    rule = LocalRule(
        name="No legs in the church", effect="tripods-barred", first_day=date(2027, 5, 2), last_day=date(2027, 5, 2)
    )
    made = plan(LEGS, days=DAYS, local_rules=(rule,))
    assert only(made, "tripods-barred").numbers == {"days": 1, "of_days": 4}
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
    assert (said.numbers["power_days"], said.numbers["cards"], said.numbers["all_cards"]) == (0, 0, 4)
    assert said.numbers["charges"] == 0
    assert said.cures
    assert all(e.act in ("move", "leave", "load") for e in said.cures[0].edits)
    day, cabin = InBag(bag="day"), cast.IN_BAG
    spread = two_bags(
        *(cast.entry(i, place, 2) for i in ("pack", "card") for place in (day, cabin)),
        cast.entry("charger", Worn(person="ines")),
    )
    assert not found(spread, "lost-bag")


# Things of no kind of their own.


def test_anything_may_eat_cells_need_another_and_sit_on_the_shoe() -> None:
    tracker = other("tracker", battery_type="AA", cells=4, needs=("weight",))
    weight = other("weight", mass_g=900)
    missing = {(f.refs["what"], f.refs.get("label")) for f in found(plan(tracker, left=(weight,)), "missing-link")}
    assert missing == {("pack", "AA"), ("thing", "weight")}
    aa = Battery(id="aa", name="AA", mass_g=26, count=8, battery_type="AA", energy_wh=2.5, **THING)
    short = cast.plan(
        [cast.bag(), cast.body(), cast.normal_zoom(), tracker, weight, aa],
        *(cast.entry(i) for i in ("body", "normal", "tracker", "weight", "aa")),
        cast.entry("bag", cast.INES_CABIN),
    )
    assert {f.code.value for f in assess(short).findings} >= {"pieces-short"}
    assert not found(short, "missing-link")
    assert not found(short, "orphan")
    shoes = [other("receiver", uses_shoe=True), other("level", uses_shoe=True)]
    assert found(plan(*shoes), "clash-hot-shoe")
    assert not found(plan(shoes[0]), "clash-hot-shoe")


def test_a_heater_draws_on_a_bank_and_is_told_when_it_runs_dry() -> None:
    heater = other("heater", draws_w=5, used_h=6)
    assert only(plan(heater, days=DAYS[:1]), "missing-link").refs["what"] == "bank"
    bank = PowerBank(id="bank", name="bank", mass_g=350, energy_wh=100, output_w=20, **THING)
    # 65 of 100 Wh arrive: two evenings of 30 Wh, and nothing charges it in a tent.
    tents = tuple(d.model_copy(update={"night": Night()}) for d in DAYS)
    run = simulate({t.id: t for t in (heater, bank)}, {"heater": 1, "bank": 1}, cast.trip(days=tents))
    assert [round(day.types[0].got_wh) for day in run.days] == [30, 30, 5, 0]
    said = only(plan(heater, bank, days=tents), "power-short")
    assert said.refs["type"] == "heater"


def test_a_panel_fills_banks_under_way_where_the_trip_counts_on_it() -> None:
    heater, panel = other("heater", draws_w=5, used_h=6), other("panel", solar_w=60)
    bank = PowerBank(id="bank", name="bank", mass_g=350, energy_wh=100, output_w=20, **THING)
    tents = tuple(d.model_copy(update={"night": Night()}) for d in DAYS)
    things = {t.id: t for t in (heater, bank, panel)}

    def got(share: float) -> list[int]:
        trip = cast.trip(days=tents, stamina=Stamina(solar=share))
        return [round(day.types[0].got_wh) for day in simulate(things, dict.fromkeys(things, 1), trip).days]

    # 60 W at a tenth for ten hours are 60 Wh a day, of which 39 reach the heater.
    assert (got(0.0), got(0.1)) == ([30, 30, 5, 0], [30, 30, 30, 30])
    assert only(plan(panel), "orphan").refs["what"] == "bank"
    assert not found(plan(panel, bank), "orphan")


def test_a_camera_with_its_battery_inside_feels_the_cold_and_charges_by_its_lead() -> None:
    inside = cast.body(battery_type=None, energy_wh=10, frames_per_charge=300, charging_plug="micro-USB")
    cold = tuple(d.model_copy(update={"lowest_c": -20.0}) for d in DAYS[:1])
    pattern = Pattern(id="full", name="Full", first={"frames": 300})
    trip = cast.trip(days=cold, stamina=Stamina(patterns=(pattern,)))
    (day,) = simulate({"body": inside}, {"body": 1}, trip).days
    assert day.types[0].got_wh == pytest.approx(5)
    lead = Link(id="lead", name="lead", mass_g=30, from_plug="USB-C", to_ports=("micro-USB",), **THING)
    gear: list[Any] = [cast.bag(), inside, cast.normal_zoom(), lead]
    loaded = [cast.entry("bag", cast.INES_CABIN), cast.entry("body"), cast.entry("normal")]
    assert only(cast.plan(gear, *loaded, days=DAYS), "missing-link").refs == {"what": "lead", "label": "micro-USB"}
    assert not found(cast.plan(gear, *loaded, cast.entry("lead"), days=DAYS), "missing-link")


def test_an_inverter_feeds_a_charger_from_home_while_the_car_runs() -> None:
    charger = Charger(
        id="charger", name="charger", mass_g=90, battery_types=("LB-4",), hours_per_charge=2, plug="C", **THING
    )
    inverter = Link(id="inverter", name="inverter", mass_g=500, from_plug="12V", to_ports=("C",), **THING)
    body, pack = cast.body(battery_type="LB-4", frames_per_charge=600), cast.pack()
    driving = tuple(d.model_copy(update={"night": Night(car_h=3)}) for d in DAYS)
    trip = cast.trip(days=driving, stamina=Stamina(margin=0), mains=Mains(plugs=("C",), volts=230))
    things = {t.id: t for t in (charger, inverter, body, pack)}

    def charged(*ids: str) -> float:
        return sum(
            c.wh for day in simulate(things, dict.fromkeys(ids, 1), trip).days for c in day.charges if c.by == "charger"
        )

    assert charged("charger", "body", "pack") == 0
    assert charged("charger", "body", "pack", "inverter") > 0


# Film.


def test_film_needs_no_card_and_is_counted_by_the_roll() -> None:
    film = cast.body(film="120", slots=(), battery_type=None)
    rolls = other("rolls", "film", refill="120", frames=12, count=20)
    gear: list[Any] = [cast.bag(), film, cast.normal_zoom(), rolls]
    loaded = [cast.entry("bag", cast.INES_CABIN), cast.entry("body"), cast.entry("normal")]
    none = cast.plan(gear, *loaded, days=DAYS)
    said = only(none, "missing-link")
    assert (said.severity, said.refs) == (Severity.BLOCKER, {"what": "film", "label": "120"})
    # Four days of a roll of 36: 144 frames, twelve rolls of twelve.
    assert only(cast.plan(gear, *loaded, cast.entry("rolls", count=5), days=DAYS), "film-short").numbers == {
        "asked": 144,
        "have": 60,
        "over": 84,
    }
    enough = cast.plan(gear, *loaded, cast.entry("rolls", count=12), days=DAYS)
    assert not {"film-short", "missing-link", "cards-full", "orphan"} & codes(enough)
    (way, *_) = only(cast.plan(gear, *loaded, cast.entry("rolls", count=5), days=DAYS), "film-short").cures
    assert [(e.item, e.count) for e in way.edits if e.act == "load"] == [("rolls", 7)]


# Cards, filters, bodies.


def test_a_card_kept_for_last_is_written_to_last_and_an_old_one_is_told() -> None:
    old = Card(id="old", name="old", mass_g=2, card_type="SD", capacity_gb=128, speed_mb_s=100, since=2019, **THING)
    new = old.model_copy(update={"id": "new", "since": 2026})
    assert only(plan(old, new, days=DAYS), "card-old").items == ("old",)
    kept = old.model_copy(update={"keep_for_last": True})
    assert not found(plan(kept, new, days=DAYS), "card-old")
    body = cast.body(slots=(CardSlot(card_type="SD"),))
    things: dict[str, Any] = {t.id: t for t in (body, kept, new)}
    asked = [[("body", Demand(frames=100))] for _ in DAYS]
    made = store(things, dict.fromkeys(things, 1), cast.trip(days=DAYS), asked, Whereabouts({}))
    assert made.days[0].cards[0].item == "new"


def test_a_filter_over_the_sensor_serves_every_lens_of_its_body() -> None:
    clip = Filter(id="clip", name="clip", mass_g=8, effect="night-sky", body="body", **THING)
    stars = cast.want("stars", effects=(EffectWish(effect="night-sky"),))
    bulging = cast.normal_zoom(thread_mm=None)
    assert found(plan(lens=bulging, wants=(stars,)), "filter-unserved")
    assert not found(plan(clip, lens=bulging, wants=(stars,)), "filter-unserved")
    other_body = clip.model_copy(update={"body": "second"})
    assert found(plan(other_body, lens=bulging, wants=(stars,)), "filter-unserved")
    assert only(plan(other_body, lens=bulging), "orphan").refs == {"what": "thing", "label": "second"}


def test_a_want_of_red_nebulae_asks_for_an_altered_body() -> None:
    red = cast.want("nebula", traits=(TraitWish(trait="nebulae", essential=True),))
    gear: list[Any] = [cast.bag(), cast.body(), cast.normal_zoom()]
    loaded = [cast.entry("bag", cast.INES_CABIN), cast.entry("body"), cast.entry("normal")]
    assert score(cast.plan(gear, *loaded, wants=(red,))) == 0
    gear[1] = cast.body(nebulae=True)
    assert score(cast.plan(gear, *loaded, wants=(red,))) == pytest.approx(100)


def test_water_beside_a_laptop_is_said_and_carried_outside() -> None:
    water = other("water", "water", mass_g=1000)
    one = cast.bag(compartments=())
    gear: list[Any] = [one, cast.body(), cast.normal_zoom(), water]
    loaded = [cast.entry("bag", cast.INES_CABIN), cast.entry("body"), cast.entry("normal")]
    said = only(cast.plan(gear, *loaded, cast.entry("water")), "water-beside")
    assert said.items == ("water", "body")
    outside = InBag(bag="bag", outside=True)
    (way, *_) = said.cures
    assert [e.place for e in way.edits if e.act == "move"] == [outside]
    assert not found(cast.plan(gear, *loaded, cast.entry("water", outside)), "water-beside")


def test_a_bladder_and_a_laptop_want_the_one_sleeve() -> None:
    main = Compartment(id="main", name="Main", inner=Box(length_mm=450, width_mm=300, height_mm=150))
    sleeve = Compartment(
        id="sleeve", name="Sleeve", inner=Box(length_mm=400, width_mm=280, height_mm=25), sort="sleeve", screen_in=15
    )
    laptop = Computer(id="laptop", name="laptop", mass_g=1400, form="laptop", screen_in=14, energy_wh=60, **THING)
    bladder = other("bladder", "water", mass_g=1500)

    def said(*spaces: Compartment, water: Other = bladder) -> bool:
        gear: list[Any] = [cast.bag(compartments=spaces), cast.body(), cast.normal_zoom(), laptop, water]
        return bool(
            found(
                cast.plan(
                    gear,
                    cast.entry("bag", cast.INES_CABIN),
                    *(cast.entry(t.id) for t in gear[1:]),
                ),
                "water-beside",
            )
        )

    bottle = bladder.model_copy(update={"size": Box(length_mm=240, width_mm=70, height_mm=70)})
    second = sleeve.model_copy(update={"id": "second"})
    assert said(main, sleeve)
    assert not said(main, sleeve, water=bottle)
    assert not said(main, sleeve, second)


def test_what_is_carried_for_somebody_is_no_orphan_and_no_double() -> None:
    theirs = Charger(
        id="theirs", name="theirs", mass_g=90, battery_types=("X",), hours_per_charge=2, for_other=True, **THING
    )
    assert found(plan(theirs.model_copy(update={"for_other": False})), "orphan")
    assert not found(plan(theirs), "orphan")


def test_a_camera_has_packs_or_a_battery_inside() -> None:
    with pytest.raises(ValueError, match="not both"):
        Body.model_validate(cast.body(battery_type="LB-4").model_dump() | {"energy_wh": 10})


def test_a_lens_named_by_a_port_is_needed_for_it() -> None:
    port = other("port", "housing port", needs=("normal",))
    assert not found(plan(port), "missing-link")
    elsewhere = other("port", "housing port", needs=("macro",))
    macro: Lens = cast.lens("macro", 100, 100, 2.8)
    said: Finding = only(plan(elsewhere, left=(macro,)), "missing-link")
    assert said.refs == {"what": "thing", "label": "macro"}
    assert [[(e.act, e.item) for e in way.edits] for way in said.cures][:2] == [
        [("leave", "port")],
        [("load", "macro")],
    ]


def test_every_promise_holds_for_a_kit_that_asks_for_much() -> None:
    made = cure(plan(LEGS, PANEL, wants=(lit(2), cast.want("stars", steady=True)), days=DAYS))
    assert all(f.cures or f.why for f in made.findings if f.severity != Severity.NOTE)


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
