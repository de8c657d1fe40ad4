"""What a plan can say of things that are of no kind of their own, and what follows from it."""

from typing import Any

import pytest

from mule.analysis.power import simulate
from mule.analysis.storage import Whereabouts, store
from mule.findings.assess import assess
from mule.findings.codes import Severity
from mule.findings.said import Finding
from mule.plan.gear import (
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
    Link,
    Other,
    PowerBank,
)
from mule.plan.places import InBag
from mule.plan.purposes import Purpose
from mule.plan.trip import Demand, EffectWish, Mains, Night, Pattern, Stamina, TraitWish
from tests import cast
from tests.saying import DAYS, THING, codes, fields, found, only, other, plan, score

# Things of no kind of their own.


def test_anything_may_eat_cells_need_another_and_sit_on_the_shoe() -> None:
    tracker = other("tracker", battery_type="AA", cells=4, needs=("weight",))
    weight = other("weight", mass_g=900)
    missing = {(f.what, f.label) for f in found(plan(tracker, left=(weight,)), "missing-link")}
    assert missing == {("pack", "AA"), ("thing", "weight")}
    aa = Battery(id="aa", name="AA", mass_g=26, count=8, battery_type="AA", energy_wh=2.5, **THING)
    short = cast.plan(
        [cast.bag(), cast.body(), cast.normal_zoom(), tracker, weight, aa],
        *(cast.entry(i) for i in ("body", "normal", "tracker", "weight", "aa")),
        cast.entry("bag", cast.INES_CABIN),
    )
    assert {f.code for f in assess(short).findings} >= {"pieces-short"}
    assert not found(short, "missing-link")
    assert not found(short, "orphan")
    shoes = [other("receiver", uses_shoe=True), other("level", uses_shoe=True)]
    assert found(plan(*shoes), "clash-hot-shoe")
    assert not found(plan(shoes[0]), "clash-hot-shoe")


def test_a_heater_draws_on_a_bank_and_is_told_when_it_runs_dry() -> None:
    heater = other("heater", draws_w=5, used_h=6)
    assert only(plan(heater, days=DAYS[:1]), "missing-link").what == "bank"
    bank = PowerBank(id="bank", name="bank", mass_g=350, energy_wh=100, output_w=20, **THING)
    # 65 of 100 Wh arrive: two evenings of 30 Wh, and nothing charges it in a tent.
    tents = tuple(d.model_copy(update={"night": Night()}) for d in DAYS)
    run = simulate({t.id: t for t in (heater, bank)}, {"heater": 1, "bank": 1}, cast.trip(days=tents))
    assert [round(day.types[0].got_wh) for day in run.days] == [30, 30, 5, 0]
    said = only(plan(heater, bank, days=tents), "power-short")
    assert said.type == "heater"


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
    assert only(plan(panel), "orphan").what == "bank"
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
    assert fields(only(cast.plan(gear, *loaded, days=DAYS), "missing-link")) == {"what": "lead", "label": "micro-USB"}
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
    rolls = other("rolls", refill="120", frames=12, count=20)
    gear: list[Any] = [cast.bag(), film, cast.normal_zoom(), rolls]
    loaded = [cast.entry("bag", cast.INES_CABIN), cast.entry("body"), cast.entry("normal")]
    none = cast.plan(gear, *loaded, days=DAYS)
    said = only(none, "missing-link")
    assert (said.severity, said.what, said.label) == (Severity.BLOCKER, "film", "120")
    # Four days of a roll of 36: 144 frames, twelve rolls of twelve.
    short = only(cast.plan(gear, *loaded, cast.entry("rolls", count=5), days=DAYS), "film-short")
    assert fields(short) == {"type": "120", "asked": 144, "have": 60}
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
    assert made.days[0].cards[0].card.item == "new"


def test_a_filter_over_the_sensor_serves_every_lens_of_its_body() -> None:
    clip = Filter(id="clip", name="clip", mass_g=8, effect="night-sky", body="body", **THING)
    stars = cast.want("stars", effects=(EffectWish(effect="night-sky"),))
    bulging = cast.normal_zoom(thread_mm=None)
    assert found(plan(lens=bulging, wants=(stars,)), "filter-unserved")
    assert not found(plan(clip, lens=bulging, wants=(stars,)), "filter-unserved")
    other_body = clip.model_copy(update={"body": "second"})
    assert found(plan(other_body, lens=bulging, wants=(stars,)), "filter-unserved")
    one = only(plan(other_body, lens=bulging), "orphan")
    assert (one.what, one.label) == ("thing", "second")


def test_a_want_of_red_nebulae_asks_for_an_altered_body() -> None:
    red = cast.want("nebula", traits=(TraitWish(trait="nebulae", essential=True),))
    gear: list[Any] = [cast.bag(), cast.body(), cast.normal_zoom()]
    loaded = [cast.entry("bag", cast.INES_CABIN), cast.entry("body"), cast.entry("normal")]
    assert score(cast.plan(gear, *loaded, wants=(red,))) == 0
    gear[1] = cast.body(nebulae=True)
    assert score(cast.plan(gear, *loaded, wants=(red,))) == pytest.approx(100)


def test_water_beside_a_laptop_is_said_and_carried_outside() -> None:
    water = other("water", Purpose.WATER, mass_g=1000)
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
    bladder = other("bladder", Purpose.WATER, mass_g=1500)

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
    port = other("port", needs=("normal",))
    assert not found(plan(port), "missing-link")
    elsewhere = other("port", needs=("macro",))
    macro: Lens = cast.lens("macro", 100, 100, 2.8)
    said: Finding = only(plan(elsewhere, left=(macro,)), "missing-link")
    assert fields(said) == {"what": "thing", "label": "macro"}
    assert [[(e.act, e.item) for e in way.edits] for way in said.cures][:2] == [
        [("leave", "port")],
        [("load", "macro")],
    ]
