"""Coming home: frames matched to things, what earned its place, rates that the next plan reckons with."""

from datetime import UTC, date, datetime
from typing import Any

import pytest

from mule.analysis.power import simulate
from mule.plan import Plan
from mule.plan.field import Frame, Mark, fold
from mule.plan.gear import Absence, AbsenceReason, Battery, Filter, Standing, StepRing
from mule.plan.places import InBag
from mule.plan.trip import Day, Demand, Pattern, Stamina, Trip
from mule.trail.debrief import History, LookBack, look_back, match, rates
from mule.trail.debrief.advice import take_or_rent
from mule.trail.debrief.lessons import MissedEffect
from tests import cast

DAYS = tuple(Day(date=date(2027, 2, d), title="Out") for d in (20, 21, 22))
NOON = datetime(2027, 2, 20, 12)


def marks(*whats: dict[str, Any]) -> list[Mark]:
    return [
        Mark.model_validate(
            {"id": f"mark-{n:04}", "device": "phone", "seq": n, "at": datetime.now(UTC), "after": (), "what": what}
        )
        for n, what in enumerate(whats)
    ]


def taken(count: int, *, day: int = 20, focal: float = 50, lens: str = "normal", **more: Any) -> list[Frame]:
    at = NOON.replace(day=day)
    return [
        Frame(name=f"{lens}-{day}-{n}.jpg", taken=at, focal_mm=focal, body="body", lens=lens, **more)
        for n in range(count)
    ]


def out() -> Plan:
    """A body, two zooms, packs, first aid, a cloth of 12 g."""
    gear = [
        cast.bag(),
        cast.body(frames_per_charge=400.0),
        cast.normal_zoom(mass_g=800),
        cast.tele_zoom(mass_g=1_400),
        cast.lens("wide", 14, 24, 2.8, mass_g=1_100),
        cast.pack(),
        cast.first_aid(),
    ]
    inside = [cast.entry(i, InBag(bag="bag")) for i in ("body", "normal", "tele", "pack", "first-aid")]
    wants = (cast.want("near", 24, 70), cast.want("far", 200, 400))
    return cast.plan(gear, cast.entry("bag", cast.INES_CABIN), *inside, days=DAYS, wants=wants)


def back(*whats: dict[str, Any], frames: list[Frame] | None = None, others: tuple[History, ...] = ()) -> LookBack:
    return look_back(out(), fold(marks(*whats)), frames or [], [(24, 70), (100, 400)], others)


def test_grams_per_frame_are_mass_over_frames() -> None:
    made = back(frames=taken(40) + taken(10, lens="tele", focal=300, day=21))
    by = {use.item: use for use in made.uses}
    assert (by["normal"].frames, by["normal"].grams_per_frame) == (40, 800 / 40)
    assert by["tele"].grams_per_frame == 140
    assert (by["body"].frames, by["body"].days) == (50, 2)
    assert made.uses[0].item == "body"


def test_what_was_never_used_is_advised_to_stay_and_twice_is_said() -> None:
    before = History(trip="karst", name="Karst", carried={"tele": 5, "normal": 5}, used={"normal": 4})
    made = back(frames=taken(5), others=(before,))
    assert made.never == ("tele",)
    assert made.twice == ("tele",)
    (leave,) = [a for a in made.advice if a.code == "leave"]
    assert (leave.item, leave.mass_g, leave.trips) == ("tele", 1_400, 2)
    assert next(u for u in made.uses if u.item == "tele").carried_days == 3 + 5


def test_safety_things_are_never_advised_to_stay() -> None:
    made = back({"do": "used", "item": "body", "day": "2027-02-20"}, frames=taken(5))
    assert "first-aid" in made.kept
    assert not [a for a in made.advice if a.code == "leave" and a.item == "first-aid"]
    assert [a.item for a in made.advice if a.code == "keep"] == ["first-aid"]


def test_without_notes_or_pictures_nothing_is_called_unused() -> None:
    made = back()
    assert made.never == made.twice == ()
    assert not [a for a in made.advice if a.code == "leave"]


def test_a_missed_picture_proposes_the_lens_at_home_that_would_have_taken_it() -> None:
    missed = {"do": "missed", "day": "2027-02-21", "wanted": "whole hall", "focal_mm": 16.0, "had_mm": 24.0}
    (advice,) = [a for a in back(missed, missed).advice if a.code in ("take", "rent")]
    assert (advice.code, advice.item, advice.missed.times) == ("take", "wide", 2)
    nothing = {"do": "missed", "day": "2027-02-21", "wanted": "bird", "focal_mm": 900.0}
    (advice,) = [a for a in back(nothing).advice if a.code in ("take", "rent")]
    assert (advice.code, advice.item) == ("rent", None)


def test_frames_per_charge_are_put_back_to_twenty_degrees() -> None:
    # 310 at -10 °C, where 0.65 comes out: 476.9; 400 at 20 °C; mean 438.5.
    swap = {"do": "swap", "item": "pack", "body": "body", "day": "2027-02-21"}
    made = rates(out().items, marks(swap | {"frames": 310, "at_c": -10.0}, swap | {"frames": 400, "at_c": 20.0}))
    (rate,) = made
    assert rate.value == pytest.approx((310 / 0.65 + 400) / 2, abs=0.05)
    assert (rate.before, rate.from_) == (400, 2)
    assert [(c.at_c, c.frames) for c in rate.by_cold] == [(-10, 310), (20, 400)]


def test_wear_is_taken_off_once_and_not_again_by_the_next_plan() -> None:
    # A pack of 80 % health gave 320 frames at 20 °C: a new one gives 400, and the plan takes a fifth off for this one.
    items = {**out().items, "pack": out().items["pack"].model_copy(update={"health": 0.8})}
    swap = {"do": "swap", "item": "pack", "body": "body", "day": "2027-02-21", "frames": 320, "at_c": 20.0}
    (rate,) = rates(items, marks(swap))
    assert rate.value == pytest.approx(400)
    pack = items["pack"]
    assert isinstance(pack, Battery)
    body = items["body"].model_copy(update={"frames_per_charge": rate.value, "battery_type": pack.battery_type})
    pattern = Pattern(id="full", name="Full", first=Demand(frames=320))
    day = Day(date=date(2027, 2, 20), title="Out", lowest_c=20)
    trip = Trip(id="t", name="T", days=(day,), stamina=Stamina(patterns=(pattern,), warm="none", power="packs-only"))
    (told,) = simulate({"body": body, "pack": items["pack"]}, {"body": 1, "pack": 1}, trip).days
    assert told.types[0].margin == pytest.approx(0)


def test_a_pack_changed_after_a_few_frames_says_nothing() -> None:
    swap = {"do": "swap", "item": "pack", "body": "body", "day": "2027-02-21", "at_c": 20.0}
    assert rates(out().items, marks(swap | {"frames": 4}, swap | {"frames": 19})) == ()
    # From twenty frames on it counts, and those before it do not pull it down.
    (rate,) = rates(out().items, marks(swap | {"frames": 19}, swap | {"frames": 20}))
    assert (rate.value, rate.from_) == (20, 1)


def test_the_size_of_a_frame_is_gigabytes_over_frames() -> None:
    fill = {"do": "filled", "item": "card", "body": "body", "day": "2027-02-21", "gb": 24.0, "frames": 480}
    (rate,) = rates(out().items, marks(fill))
    assert (rate.what, rate.value) == ("mb-per-frame", 50)


def test_wants_are_met_by_frames_in_their_range_on_their_days() -> None:
    made = back(frames=taken(6, focal=50) + taken(3, focal=300, lens="tele", day=21) + taken(2, focal=120, lens="tele"))
    assert {w.want: (w.frames, w.days) for w in made.wants} == {"near": (6, 1), "far": (3, 1)}


def test_the_histogram_lies_over_the_reach_and_shows_what_was_out_of_it() -> None:
    made = back(frames=taken(7, focal=50) + taken(2, focal=85))
    assert sum(c.frames for c in made.cells) == 9
    fifty = next(c for c in made.cells if c.from_mm <= 50 < c.to_mm)
    eighty = next(c for c in made.cells if c.from_mm <= 85 < c.to_mm)
    assert (fifty.frames, fifty.reached) == (7, True)
    assert (eighty.frames, eighty.reached) == (2, False)


def test_frames_are_counted_by_day_and_lens_and_days_without_any_stand_there_too() -> None:
    made = back(frames=taken(6) + taken(3, focal=300, lens="tele") + taken(2, day=22) + taken(1, day=28))
    told = [(day.date.day, day.frames, day.lenses) for day in made.days]
    assert told == [
        (20, 9, {"normal": 6, "tele": 3}),
        (21, 0, {}),
        (22, 2, {"normal": 2}),
        (28, 1, {"normal": 1}),
    ]
    assert sum(day.frames for day in made.days) == made.frames


def test_what_was_missed_most_comes_first() -> None:
    missed = {"do": "missed", "day": "2027-02-21", "wanted": "eagle", "focal_mm": 300.0}
    other = missed | {"wanted": "seal"}
    plain = {"do": "missed", "day": "2027-02-21", "wanted": "a longer lunch"}
    without_filter = plain | {"wanted": "river", "effect": "nd"}
    made = back(plain, missed, other, without_filter)
    assert [(k.focal_mm, k.effect, k.wanted, k.times) for k in made.lacks] == [
        (300, None, "", 2),
        (None, None, "a longer lunch", 1),
        (None, "nd", "", 1),
    ]


def test_frames_of_other_days_and_without_a_date_are_counted_apart() -> None:
    undated = Frame(name="x.jpg", focal_mm=50, body="body", lens="normal")
    made = back(frames=[*taken(2), *taken(1, day=28), undated])
    assert (made.frames, made.outside, made.undated) == (4, 1, 1)


def test_names_match_by_their_words_and_strangers_are_named() -> None:
    plan = out()
    lens = plan.items["normal"].model_copy(update={"name": "Corrie 24–70 f/2.8"})
    gear = [lens if t.id == "normal" else t for t in plan.gear]
    frames = [
        Frame(name="a", focal_mm=50, body="BODY", lens="CORRIE 24-70mm F2.8"),
        Frame(name="b", focal_mm=50, body="Heron X", lens="Heron 50 f/1.4"),
        Frame(name="c", focal_mm=300, body="body"),
    ]
    same, strange, bare = match(frames, gear, plan.kit.loaded())
    assert (same.body and same.body.id, same.lens and same.lens.id) == ("body", "normal")
    assert (strange.body, strange.lens) == (None, None)
    # No lens named: only the tele of those along reaches 300 mm.
    assert bare.lens
    assert bare.lens.id == "tele"
    (unknown,) = back(frames=[frames[1]]).unknown
    assert (unknown.body, unknown.lens, unknown.frames) == ("Heron X", "Heron 50 f/1.4", 1)


def test_plan_and_what_happened_stand_side_by_side() -> None:
    made = back(
        {"do": "weighed", "bag": "bag", "grams": 5_100.0},
        {"do": "cold", "day": "2027-02-21", "lowest_c": -12.0},
        {"do": "filled", "item": "card", "body": "body", "day": "2027-02-21", "gb": 24.0, "frames": 480},
        {"do": "broke", "item": "tele", "day": "2027-02-21", "note": "zoom sticks"},
    )
    by = {a.what: a for a in made.against}
    assert by["mass"].happened == 5_100
    assert by["mass"].planned == pytest.approx(sum(out().items[e.item].mass_g for e in out().kit.entries))
    assert by["cold"].happened == -12
    assert by["frames"].happened == 480
    (service,) = [a for a in made.advice if a.code == "service"]
    assert (service.item, service.note) == ("tele", "zoom sticks")


def filtered(*more: Any, loaded: tuple[str, ...] = ()) -> Plan:
    """The trip with filters and rings in the locker; those named are in the bag."""
    plan = out()
    lenses = {"normal": 67, "tele": 77}
    gear = [t.model_copy(update={"thread_mm": lenses.get(t.id)}) if t.kind == "lens" else t for t in plan.gear]
    inside = tuple(cast.entry(i, InBag(bag="bag")) for i in loaded)
    return cast.plan([*gear, *more], *plan.kit.entries, *inside, days=DAYS, wants=plan.trip.wants)


def polariser(thread: float, id_: str = "pol", **more: Any) -> Filter:
    return Filter(id=id_, name=id_, mass_g=40, effect="polariser", thread_mm=thread, size=cast.SMALL, **more)


def ring(low: float, high: float) -> StepRing:
    return StepRing(id="ring", name="Ring", mass_g=12, lens_thread_mm=low, filter_thread_mm=high, size=cast.SMALL)


def without(plan: Plan, *, lens: str | None = "normal", times: int = 1) -> list[Any]:
    """Advice after a polariser was missed."""
    missed = {"do": "missed", "day": "2027-02-21", "wanted": "river", "effect": "polariser", "lens": lens}
    made = look_back(plan, fold(marks(*[missed] * times)), taken(5), [], ())
    return [a for a in made.advice if a.code in ("take", "rent", "ring")]


def test_a_filter_left_at_home_is_to_be_taken() -> None:
    (advice,) = without(filtered(polariser(67)), times=2)
    assert (advice.code, advice.item) == ("take", "pol")
    assert (advice.mass_g, advice.missed) == (40, MissedEffect(effect="polariser", lens="normal", times=2))


def test_the_ring_at_home_is_taken_when_the_filter_was_along() -> None:
    (advice,) = without(filtered(polariser(82), ring(67, 82), loaded=("pol",)))
    assert (advice.code, advice.item, advice.mass_g) == ("take", "ring", 12)


def test_a_lens_is_looked_for_by_what_it_sees_on_the_camera_that_was_along() -> None:
    # 22 mm on APS-C sees what 34 mm do on full frame; the 34 itself would be 52 there.
    small = cast.body(sensor_width_mm=23.5, sensor_height_mm=15.6, crop_modes=())
    gear = [cast.bag(), small, cast.normal_zoom(), cast.lens("p22", 22, 22, 2), cast.lens("p34", 34, 34, 2, mass_g=100)]
    plan = cast.plan(gear, cast.entry("bag", cast.INES_CABIN), cast.entry("body"), cast.entry("normal"))
    missed = marks({"do": "missed", "day": "2027-02-20", "wanted": "street", "focal_mm": 34})
    (advice,) = take_or_rent(plan, (), missed)
    assert (advice.code, advice.item) == ("take", "p22")


def test_a_filter_that_was_away_is_taken_and_one_that_could_be_had_is_rented() -> None:
    away = polariser(67, absent=Absence(reason=AbsenceReason.IN_POST))
    assert [(a.code, a.item) for a in without(filtered(away))] == [("take", "pol")]
    hired = polariser(67, standing=Standing.CAN_RENT)
    assert [(a.code, a.item) for a in without(filtered(hired))] == [("rent", "pol")]


def test_a_ring_that_nobody_owns_is_to_be_added_with_its_threads() -> None:
    (advice,) = without(filtered(polariser(82), loaded=("pol",)))
    assert (advice.code, advice.item) == ("ring", "pol")
    assert (advice.from_mm, advice.to_mm) == (67, 82)


def test_no_ring_makes_a_narrower_filter_fit() -> None:
    (advice,) = without(filtered(polariser(52), loaded=("pol",)))
    assert (advice.code, advice.item, advice.missed.lens) == ("rent", None, "normal")


def test_a_filter_that_was_along_and_fits_is_no_matter_of_the_kit() -> None:
    assert without(filtered(polariser(67), loaded=("pol",))) == []


def test_a_note_without_a_lens_is_about_the_lens_that_is_easiest_to_serve() -> None:
    (advice,) = without(filtered(polariser(77), ring(67, 77)), lens=None)
    assert (advice.item, advice.missed.lens) == ("pol", "tele")


def pack_states(*states: str, piece: int = 1) -> list[dict[str, Any]]:
    return [{"do": "pack", "item": "pack", "piece": piece, "state": state} for state in states]


def test_charges_are_counted_once_however_many_say_so() -> None:
    states = pack_states("in-use", "spent", "charging", "charging", "ready", "in-use", "charging")
    assert fold(marks(*states)).charges == {"pack": 2}
    assert fold(marks(*states, *pack_states("charging", piece=2))).charges == {"pack": 3}


def test_cycles_of_packs_are_summed_over_trips_and_told_by_piece() -> None:
    plan = out()
    packs = plan.items["pack"].model_copy(update={"count": 4, "cycles": 100})
    gear = [packs if t.id == "pack" else t for t in plan.gear]
    plan = cast.plan(gear, *plan.kit.entries, days=DAYS, wants=plan.trip.wants)
    before = History(trip="karst", name="Karst", carried={}, used={}, charged={"pack": 8})
    made = look_back(plan, fold(marks(*pack_states("charging", "ready"))), [], [], (before,))
    (wear,) = made.wear
    # 100 before, and 8 + 1 over four pieces.
    assert (wear.charges, wear.cycles, wear.pieces) == (1, pytest.approx(102.25, abs=0.06), 1)
    assert not [a for a in made.advice if a.code == "retire"]


@pytest.mark.parametrize(
    ("cycles", "health", "retired"),
    [(499, 1.0, False), (500, 1.0, True), (0, 0.79, True), (0, 0.8, False)],
)
def test_packs_are_retired_for_their_cycles_or_their_health(cycles: int, health: float, retired: bool) -> None:
    plan = out()
    worn = plan.items["pack"].model_copy(update={"cycles": cycles, "health": health})
    gear = [worn if t.id == "pack" else t for t in plan.gear]
    made = look_back(cast.plan(gear, *plan.kit.entries, days=DAYS), fold([]), [], [], ())
    assert [(a.health, a.cycles) for a in made.advice if a.code == "retire"] == (
        [(health, float(cycles))] if retired else []
    )
