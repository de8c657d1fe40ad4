"""Power by hand: packs in the cold, nights on sockets, banks. Figures of docs/domain/power.md."""

import random
from datetime import date, timedelta
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mule.analysis.completeness import Requirements, complete, dependency_graph
from mule.analysis.power import MOST_PACKS, Power, PowerAdvice, PowerCase, advise_power, cold_derating, fewest, simulate
from mule.analysis.power.night import NightRun, Shortfall
from mule.analysis.power.packs import Pack, PackKind
from mule.analysis.power.sources import ChargingSources, PackCharger, WallPlug
from mule.base.units import NumberedPiece
from mule.plan.gear import Charger, Computer, Light, Link, PowerBank
from mule.plan.trip import Day, Demand, Mains, Night, Pattern, Stamina, Trip
from tests import cast
from tests.charging_bound import most_days
from tests.scarce import RandomTrip

BODY = cast.body(battery_type="LB-4", frames_per_charge=400, video_min_per_charge=80, timelapse_h_per_charge=2)
DARK = Night()
SMALL: dict[str, Any] = {"name": "small", "mass_g": 148, "size": cast.SMALL}
PAIR: dict[str, Any] = {"battery_types": ("LB-4",), "bays": 2, "hours_per_charge": 2}
CHARGER = Charger(id="charger", plug="C", **SMALL, **PAIR)
LAPTOP = Computer(
    id="laptop", name="laptop", mass_g=1500, size=cast.SMALL, form="laptop", screen_in=14, energy_wh=60, charge_w=40
)
BANK = PowerBank(id="bank", name="bank", mass_g=420, size=cast.SMALL, energy_wh=90, output_w=60, ports=2)
USB = Charger(id="usb", input="usb-c", **SMALL, **PAIR)
PLUG = Link(id="plug", from_plug="C", to_ports=("USB-C", "USB-C"), rating_w=65, **SMALL)


def trip(days: int = 1, *, frames: int = 600, celsius: float = 20, night: Night = DARK, **changes: Any) -> Trip:
    pattern = Pattern(id="full", name="Full", first=Demand(frames=frames), others=Demand(frames=frames))
    stamina = Stamina(**({"patterns": (pattern,), "warm": "none", "power": "packs-only"} | changes))
    start = date(2027, 2, 20)
    return Trip(
        id="trip",
        name="Trip",
        mains=Mains(plugs=("C",), volts=230),
        days=tuple(
            Day(date=start + timedelta(days=i), title="Out", lowest_c=celsius, night=night) for i in range(days)
        ),
        stamina=stamina,
    )


def run(trip_: Trip, *gear: Any, packs: int = 5, extra: float = 0.0) -> Power:
    pack = cast.pack(count=200)
    things = {t.id: t for t in (BODY, pack, *gear)}
    counts = {"body": 1, **{t.id: 1 for t in gear}} | ({"pack": packs} if packs else {})
    return simulate(things, counts, trip_, extra)


def advised(things: dict[str, Any], counts: dict[str, int], trip_: Trip) -> PowerAdvice:
    return advise_power(PowerCase.of(things, counts, trip_))


def carries(trip_: Trip, packs: int) -> bool:
    return run(trip_, packs=packs).days_carried == len(trip_.days)


@pytest.mark.parametrize(
    ("celsius", "warm", "packs"),
    [
        (20, "none", 15),  # 600 / 400 = 1.5 charges a day, 10 days: 15
        (-10, "none", 24),  # 15 / 0.65 = 23.08
        (-10, "all", 19),  # half of the loss: 15 / 0.825 = 18.18
    ],
)
def test_ten_days_without_mains_take_so_many_packs_and_no_fewer(celsius: float, warm: str, packs: int) -> None:
    out = trip(10, celsius=celsius, warm=warm)
    assert carries(out, packs)
    assert not carries(out, packs - 1)


@pytest.mark.parametrize(
    ("celsius", "cold", "warm"),
    [(25, 1, 1), (20, 1, 1), (15, 0.95, 0.975), (0, 0.8, 0.9), (-5, 0.725, 0.8625), (-20, 0.5, 0.75), (-60, 0.5, 0.75)],
)
def test_cold_takes_its_share_and_a_pocket_gives_half_of_it_back(celsius: float, cold: float, warm: float) -> None:
    assert cold_derating(celsius) == pytest.approx(cold)
    assert cold_derating(celsius, warm=True) == pytest.approx(warm)


def test_a_pack_may_be_split_over_two_days() -> None:
    # 300 frames are 0.75 charges: four days take three packs, the second is half used on day two.
    out = run(trip(4, frames=300), packs=3)
    assert out.days_carried == 4
    left = [[round(p.evening_wh, 6) for p in day.packs] for day in out.days]
    assert left == [[4, 16, 16], [0, 8, 16], [0, 0, 12], [0, 0, 0]]


def test_spares_ride_warm_and_the_pack_in_the_camera_does_not() -> None:
    # 500 frames are 20 Wh. At -10 the pack in the camera gives 16 x 0.65 = 10.4; a warm one the other 9.6, and the cold
    # keeps its share of what leaves it: 9.6 / 0.825 - 9.6.
    (day,) = run(trip(frames=500, celsius=-10, warm="spares"), packs=2).days
    first, second = day.packs
    assert (first.drawn_wh, first.cold_wh, first.warm) == (pytest.approx(10.4), pytest.approx(5.6), False)
    assert (second.drawn_wh, second.cold_wh) == (pytest.approx(9.6), pytest.approx(9.6 / 0.825 - 9.6))
    assert second.warm
    # In the morning 10.4 + 13.2 Wh were to be had for 20: a margin of 18 %.
    assert day.types[0].margin == pytest.approx(23.6 / 20 - 1)


def test_four_hours_of_one_socket_fill_four_packs_two_by_two() -> None:
    night = Night(mains_h=4, outlets=1)
    (day,) = run(trip(frames=1600, night=night, power="charge-nightly"), CHARGER, packs=4).days
    assert [p.morning_wh for p in day.packs] == pytest.approx([16, 16, 16, 16])
    assert [(c.from_h, c.to_h) for c in day.charges] == [(0, 2), (0, 2), (2, 4), (2, 4)]


def test_a_laptop_that_takes_the_socket_first_leaves_two_full_and_two_a_quarter_full() -> None:
    # The laptop is empty: 60 Wh at 40 W take 1.5 h. Then 2.5 h for packs: two full in 2 h, two get half an hour of two.
    night = Night(mains_h=4, outlets=1)
    pattern = Pattern(id="full", name="Full", first=Demand(frames=1600), laptop=1.0)
    out = trip(night=night, power="charge-nightly", first="computers", patterns=(pattern,))
    (day,) = run(out, CHARGER, LAPTOP, packs=4).days
    packs = [p for p in day.packs if p.pack.item == "pack"]
    assert [p.morning_wh for p in packs] == pytest.approx([16, 16, 4, 4])
    laptop = next(c for c in day.charges if c.by == "laptop")
    assert (laptop.from_h, laptop.to_h) == (0, pytest.approx(1.5))


def test_a_bank_of_90_wh_gives_58_5_to_packs() -> None:
    out = run(trip(frames=2000, power="charge-nightly"), USB, BANK, packs=5)
    (day,) = out.days
    # Five empty packs would take 80 Wh; 3.66 of them are filled.
    assert sum(p.charged_wh for p in day.packs) == pytest.approx(58.5)
    (bank,) = day.banks
    assert (bank.given_wh, bank.lost_wh, bank.morning_wh) == (pytest.approx(90), pytest.approx(31.5), pytest.approx(0))


def test_a_bank_in_the_bag_tops_up_by_day_only_in_its_school() -> None:
    night = Night(mains_h=8, outlets=1)
    for school, carried in (("charge-nightly", 0), ("bank-by-day", 1)):
        out = run(trip(frames=600, night=night, power=school), USB, BANK, packs=1)
        assert out.days_carried == carried
    (day,) = out.days
    # 24 Wh asked, 16 in the pack: 8 come from the bank by day, which gives 8 / 0.65; by night it fills the pack again.
    assert day.packs[0].topped_up_wh == pytest.approx(8)
    assert day.packs[0].charged_wh == pytest.approx(16)
    assert day.banks[0].given_wh == pytest.approx((8 + 16) / 0.65)


def test_a_port_gives_no_more_than_it_has_and_ports_share_it() -> None:
    # A pack of 16 Wh takes 2 h in each of two bays: 16 W. A port of 3 W gives 3 Wh an hour, over both bays.
    night = Night(mains_h=4, outlets=1)
    weak = PLUG.model_copy(update={"to_ports": ("USB-C",), "rating_w": 3})
    (day,) = run(trip(frames=1_600, night=night, power="charge-nightly"), USB, weak, packs=4).days
    assert sum(p.charged_wh for p in day.packs) == pytest.approx(4 * 3)
    # Two chargers on two ports of 20 W in all: 10 W each, though each could take 16.
    two = PLUG.model_copy(update={"rating_w": 20})
    second = USB.model_copy(update={"id": "usb-2"})
    (day,) = run(trip(frames=1_600, night=night, power="charge-nightly"), USB, second, two, packs=8).days
    assert sum(p.charged_wh for p in day.packs) <= 4 * 20 + 1e-9


LEAD = Link(id="lead", from_plug="G", to_ports=("G", "G", "G"), **SMALL)
PINS = Link(id="pins", from_plug="C", to_ports=("G",), **SMALL)


def test_a_lead_from_home_behind_one_adapter_is_as_many_outlets_as_it_has() -> None:
    night = Night(mains_h=2, outlets=1)
    chargers = [CHARGER.model_copy(update={"id": f"g{n}", "plug": "G"}) for n in range(3)]
    full = trip(frames=2_400, night=night, power="charge-nightly")
    (day,) = run(full, *chargers, LEAD, PINS, packs=6).days
    assert sum(p.charged_wh for p in day.packs) == pytest.approx(6 * 16)
    alone = run(full, *chargers, LEAD, packs=6)
    assert {u.why for u in alone.useless} == {"plug"}
    # A wall plug with ports works behind it, too.
    plug = PLUG.model_copy(update={"from_plug": "G"})
    (day,) = run(full, USB, plug, PINS, packs=2).days
    assert sum(p.charged_wh for p in day.packs) == pytest.approx(32)


@given(
    st.lists(st.tuples(st.sampled_from("CGI"), st.sampled_from("CGI")), max_size=4, unique=True), st.sampled_from("CGI")
)
def test_completeness_and_power_follow_the_same_chain(pins: list[tuple[str, str]], plug: str) -> None:
    links = [Link(id=f"l{n}", from_plug=a, to_ports=(b,), **SMALL) for n, (a, b) in enumerate(pins)]
    charger = CHARGER.model_copy(update={"plug": plug})
    gear: list[Any] = [BODY, cast.pack(count=2), charger, *links]
    counts = cast.counts(*gear)
    found = complete(Requirements(dependency_graph(gear, ("C",)), counts), {t.id: t for t in gear}, counts)
    missing = {m.item for m in found.missing if m.what == "wall"}
    useless = {u.item for u in simulate({t.id: t for t in gear}, counts, trip()).useless if u.why == "plug"}
    assert ("charger" in missing) == ("charger" in useless)


# Every kind of more, on trips with two battery systems and outlets that are scarce.
MORE_TRIPS = 250


@pytest.mark.parametrize("block", range(5))
def test_more_never_hurts(block: int) -> None:
    """One more pack, charger, bank, plug, outlet, hour of mains or car, a degree, or fewer frames."""
    each = MORE_TRIPS // 5
    for seed in range(block * each, (block + 1) * each):
        out = RandomTrip(seed)
        reach = out.reach()
        for what, more in out.mores():
            then = more.reach()
            assert then[0] >= reach[0], (seed, what)
            # How much of the short day is served is the same question only where it asks the same.
            if then[0] == reach[0] and what != "frames":
                assert then[1] >= reach[1] - 1e-6, (seed, what)


def test_nights_carry_no_more_days_than_any_way_of_charging_could_and_mostly_as_many() -> None:
    """Against a linear program of the whole trip, in which time and energy flow freely."""
    trips = [RandomTrip(seed) for seed in range(2 * MORE_TRIPS)]
    reached = [(out.reach()[0], most_days(out.case())) for out in trips]
    assert all(days <= most for days, most in reached)
    assert any(0 < most < len(out.trip.days) for out, (_, most) in zip(trips, reached, strict=True))
    # Packs are filled up one after the other, as a tired person does it: that costs days on one trip in forty.
    assert sum(days == most for days, most in reached) >= 0.97 * len(reached)


@pytest.mark.parametrize("first", ["packs", "computers"])
@pytest.mark.parametrize("asked", ["A", "B", "laptop"])
def test_on_a_port_what_is_asked_soonest_goes_first(asked: str, first: str) -> None:
    """Whatever stands first in the kit, and whatever the user lets go first among equals."""
    kinds = [PackKind(f"p{t}", 1, t, 16.0, inside=False, rechargeable=True) for t in "AB"]
    kinds.append(PackKind("laptop", 1, "laptop", 60.0, inside=True, rechargeable=True))
    packs = [Pack(kind, 1) for kind in kinds]
    for pack in packs:
        pack.left = 0.0
    cameras = tuple(PackCharger(f"camera {t}", (t,), 0, 2.5) for t in "AB")
    sources = ChargingSources(usb=cameras, plugs=(WallPlug("plug", 1, 65.0),), watts={"laptop": 40.0})
    night = NightRun(packs, [], sources, Stamina(first=first), {asked: Shortfall(0, 5.0)})
    night.mains(1.0, 1)
    assert [charge.pack for charge in night.charges] == [next(p.id for p in packs if p.store == asked)]


def test_a_camera_fills_one_pack_at_a_time_through_its_own_port() -> None:
    night = Night(mains_h=6, outlets=1)
    body = cast.body(battery_type="LB-4", frames_per_charge=400, usb_charging=True)
    things = {t.id: t for t in (body, cast.pack(), PLUG)}
    out = simulate(things, {"body": 1, "pack": 3, "plug": 1}, trip(frames=1200, night=night, power="usb-c"))
    spans = [(c.pack, c.from_h, c.to_h) for c in out.days[0].charges]
    assert spans == [(("pack", 1), 0, 2.5), (("pack", 2), 2.5, 5), (("pack", 3), 5, 6)]
    assert out.days[0].packs[2].morning_wh == pytest.approx(16 * 1 / 2.5)


def test_an_extension_lead_makes_one_outlet_serve_two_chargers() -> None:
    night = Night(mains_h=2, outlets=1)
    lead = Link(id="lead", name="lead", mass_g=150, size=cast.SMALL, from_plug="C", to_ports=("C", "C"))
    second = CHARGER.model_copy(update={"id": "second"})
    out = trip(frames=1600, night=night, power="charge-nightly")
    few, more = (run(out, CHARGER, second, *links, packs=4).days[0] for links in ((), (lead,)))
    assert sum(p.charged_wh for p in few.packs) == pytest.approx(32)
    assert sum(p.charged_wh for p in more.packs) == pytest.approx(64)


@pytest.mark.parametrize(
    ("changes", "why"),
    [
        ({"plug": "I"}, "plug"),
        ({"volts_min": 100, "volts_max": 127}, "volts"),
        ({"battery_types": ("LB-9",)}, "no-pack"),
    ],
)
def test_a_charger_that_does_nothing_here_says_why(changes: dict[str, Any], why: str) -> None:
    night = Night(mains_h=8, outlets=1)
    out = run(trip(night=night, power="charge-nightly"), CHARGER.model_copy(update=changes))
    assert [(u.item, u.why) for u in out.useless] == [("charger", why)]
    assert out.days[0].charges == ()


def test_an_adapter_changes_pins() -> None:
    adapter = Link(id="pins", name="pins", mass_g=30, size=cast.SMALL, from_plug="C", to_ports=("I",))
    night = Night(mains_h=8, outlets=1)
    out = run(trip(night=night, power="charge-nightly"), CHARGER.model_copy(update={"plug": "I"}), adapter)
    assert out.useless == ()
    assert out.days[0].charges


def test_days_that_ask_nothing_and_trips_without_days_are_no_trouble() -> None:
    assert run(trip(3, frames=0)).days_carried == 3
    assert run(trip(0)).days == ()
    none = run(trip(2), packs=0)
    assert none.missing == ("LB-4",)
    # A type of which none is loaded is a missing link: nothing is short by so much, and nothing is to spare.
    assert [(t.bare, t.margin) for day in none.days for t in day.types] == [(True, None)] * 2


NIGHTS = st.builds(
    Night,
    mains_h=st.floats(0, 12, allow_nan=False),
    outlets=st.integers(0, 3),
    car_h=st.sampled_from([0.0, 1.0, 3.0]),
)


@settings(max_examples=120, deadline=None)
@given(
    days=st.integers(1, 6),
    frames=st.integers(0, 2_000),
    celsius=st.floats(-60, 60, allow_nan=False),
    night=NIGHTS,
    packs=st.integers(0, 7),
    power=st.sampled_from(["packs-only", "charge-nightly", "bank-by-day", "usb-c"]),
    warm=st.sampled_from(["none", "spares", "all"]),
    first=st.sampled_from(["packs", "computers"]),
    taken=st.sets(st.sampled_from(["charger", "usb", "bank", "plug", "laptop"])),
)
def test_no_energy_comes_from_nowhere_or_is_lost_untold(taken: set[str], packs: int, **changes: Any) -> None:
    gear = [t for t in (CHARGER, USB, BANK, PLUG, LAPTOP) if t.id in taken]
    out = run(trip(**changes), *gear, packs=packs)
    before: dict[NumberedPiece, float] = {}
    for day in out.days:
        for pack in day.packs:
            assert pack.start_wh == pytest.approx(before.get(pack.pack, pack.full_wh), abs=1e-9)
            kept = pack.start_wh + pack.topped_up_wh - pack.drawn_wh - pack.cold_wh
            assert kept == pytest.approx(pack.evening_wh, abs=1e-9)
            for wh in (pack.start_wh, pack.evening_wh, pack.morning_wh):
                assert -1e-9 <= wh <= pack.full_wh + 1e-9
        for bank in day.banks:
            assert bank.start_wh == pytest.approx(before.get(bank.pack, 90), abs=1e-9)
            assert -1e-9 <= bank.morning_wh <= 90 + 1e-9
        topped = sum(p.topped_up_wh for p in day.packs)
        by_bank = sum(c.wh for c in day.charges if c.source == "bank")
        given = sum(b.given_wh - b.lost_wh for b in day.banks)
        assert topped + by_bank == pytest.approx(given, abs=1e-9)
        charged = sum(c.wh for c in day.charges)
        stored = sum(p.charged_wh for p in day.packs) + sum(b.charged_wh for b in day.banks)
        assert charged == pytest.approx(stored, abs=1e-9)
        drawn = sum(p.drawn_wh for p in day.packs)
        assert drawn == pytest.approx(sum(t.got_wh for t in day.types), abs=1e-9)
        before = {p.pack: p.morning_wh for p in day.packs} | {b.pack: b.morning_wh for b in day.banks}


def random_trip(seed: int) -> tuple[Trip, list[Any]]:
    """A small trip with a few nights of any sort and some means of charging."""
    chance = random.Random(seed)
    night = Night(mains_h=chance.choice([0, 2, 5, 8]), outlets=chance.randint(0, 2), car_h=chance.choice([0, 0, 2]))
    out = trip(
        chance.randint(1, 6),
        frames=chance.randint(0, 1_200),
        celsius=chance.randint(-25, 25),
        night=night,
        power=chance.choice(["packs-only", "charge-nightly", "bank-by-day", "usb-c"]),
        warm=chance.choice(["none", "spares", "all"]),
        margin=chance.choice([0, 0.25, 1]),
    )
    days = tuple(d.model_copy(update={"night": chance.choice([d.night, DARK])}) for d in out.days)
    gear = [t for t in (CHARGER, USB, BANK, PLUG, LAPTOP) if chance.random() < 0.4]
    return out.model_copy(update={"days": days}), gear


@pytest.mark.parametrize("block", range(8))
def test_the_fewest_packs_are_those_that_counting_up_finds(block: int) -> None:
    for seed in range(10 * block, 10 * block + 10):
        out, gear = random_trip(seed)
        things = {t.id: t for t in (BODY, cast.pack(count=200), *gear)}
        counts = {"body": 1, "pack": 2, **{t.id: 1 for t in gear}}
        found = fewest(PowerCase.of(things, counts, out), "LB-4")
        margin = out.stamina.margin
        carried = (
            n
            for n in range(MOST_PACKS + 1)
            if not any(
                t.short for day in run(out, *gear, packs=n, extra=margin).days for t in day.types if t.type == "LB-4"
            )
        )
        assert found.packs == next(carried, None), seed
        if found.packs is not None:
            assert found.mass_g == (found.packs - 2) * 82


def test_the_schools_stand_side_by_side() -> None:
    night = Night(mains_h=8, outlets=1)
    out = trip(4, frames=600, night=night, margin=0)
    things = {t.id: t for t in (BODY, cast.pack(count=20), CHARGER, BANK, USB, PLUG)}
    made = advised(things, {"body": 1, "pack": 1, "charger": 1}, out)
    rows = {row.school: row for row in made.schools}
    # 1.5 charges a day: six packs without charging; two when both are filled each night.
    assert (rows["packs-only"].packs, rows["packs-only"].grams, rows["packs-only"].sockets) == (6, 6 * 82, 0)
    assert (rows["charge-nightly"].packs, rows["charge-nightly"].grams) == (2, 2 * 82 + 148)
    assert rows["charge-nightly"].sockets == 1
    assert all(row.short_on == out.days[0].date for row in made.schools)


def test_what_a_charger_left_behind_would_save_is_told_in_packs_and_grams() -> None:
    out = trip(4, frames=600, night=Night(mains_h=8, outlets=1), margin=0, power="charge-nightly")
    things = {t.id: t for t in (BODY, cast.pack(count=20), CHARGER)}
    made = advised(things, {"body": 1, "pack": 1}, out)
    (saving,) = made.savings
    assert (saving.item, saving.packs, saving.mass_g) == ("charger", 4, 148 - 4 * 82)


def test_a_day_adds_up_from_rates_that_say_where_they_came_from() -> None:
    known = cast.body(battery_type="LB-4", frames_per_charge=300, rates_source="measured")
    demand = Demand(frames=600, video_min=45)
    pattern = Pattern(id="full", name="Full", first=demand)
    day = trip(patterns=(pattern,))
    made = simulate({"body": known, "pack": cast.pack(count=9)}, {"body": 1, "pack": 9}, day)
    (eater,) = made.days[0].types[0].loads
    # 600 / 300 as logged + 45 min / 90 min, typical of a body of which nobody read it = 2.5 charges.
    assert [(p.amount, p.per_charge, p.source) for p in eater.parts] == [(600, 300, "measured"), (45, 90, "typical")]
    assert eater.charges == pytest.approx(2.5)


def test_a_charger_lost_on_the_first_day_tells_how_far_the_packs_go() -> None:
    night = Night(mains_h=4, outlets=1)
    lit = Pattern(id="full", name="Full", first=Demand(frames=600), torch_h=2)
    lamp = Light(id="lamp", form="head-torch", battery_type="AAA", cells=3, **SMALL)
    things = {t.id: t for t in (BODY, cast.pack(count=9), CHARGER, BANK, lamp)}
    # The lamp has no cells at all: a missing link from the start, no loss.
    counts = {"body": 1, "pack": 3, "charger": 1, "bank": 1, "lamp": 1}
    losses = advised(things, counts, trip(4, night=night, power="charge-nightly", margin=0, patterns=(lit,))).losses
    # 1.5 packs a day: three packs carry two days without the charger; the bank does not matter.
    assert [(loss.item, loss.days, loss.types) for loss in losses] == [("charger", 2, ("LB-4",))]


def test_a_bank_is_told_in_watt_hours_beside_what_dividing_milliampere_hours_suggests() -> None:
    things = {t.id: t for t in (BODY, cast.pack(), BANK)}
    (claim,) = advised(things, {"body": 1, "pack": 1, "bank": 1}, trip()).claims
    # 90 Wh are 25,000 mAh at 3.6 V, a pack of 16 Wh 2,222 mAh at 7.2 V: "11 refills". It is 58.5 / 16.
    assert claim.gives_wh == pytest.approx(58.5)
    assert claim.refills == pytest.approx(3.66, abs=0.01)
    assert claim.claimed == pytest.approx(11.25)


def test_four_hundred_days_end() -> None:
    assert len(run(trip(400, night=Night(mains_h=8, outlets=1), power="charge-nightly"), CHARGER, packs=4).days) == 400
