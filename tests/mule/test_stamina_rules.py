"""What the rules say of packs, cards and copies, and what they propose."""

from datetime import date, timedelta
from typing import Any

import pytest

from mule.analysis.storage.stamina import Uncounted
from mule.findings.assess import Assessment, assess
from mule.findings.cures import Cures, cure
from mule.plan import Plan
from mule.plan.edits import Load
from mule.plan.gear import Card, CardSlot, Charger, Computer, Drive, PowerBank, Reader
from mule.plan.trip import BodyHabit, Day, Demand, Mains, Night, Pattern, Stamina
from tests import cast

THING: dict[str, Any] = {"name": "thing", "mass_g": 50, "size": cast.SMALL}
BODY = cast.body(battery_type="LB-4", frames_per_charge=400, slots=(CardSlot(card_type="SD"),))
PACK = cast.pack(count=6)
SD = Card(id="sd", card_type="SD", capacity_gb=64, speed_mb_s=250, count=4, **THING)
LAPTOP = Computer(
    id="laptop", form="laptop", screen_in=14, energy_wh=60, storage_gb=1_000, ports=("USB-C",), charge_w=60, **THING
)
READER = Reader(id="reader", card_types=("SD",), plug="USB-C", speed_mb_s=250, **THING)
SSD = Drive(id="ssd", capacity_gb=1_000, plug="USB-C", speed_mb_s=500, **THING)
BANK = PowerBank(id="bank", energy_wh=90, output_w=60, ports=2, **THING)
CHARGER = Charger(id="charger", battery_types=("LB-4",), bays=2, hours_per_charge=2, plug="C", **THING)
USB = Charger(id="usb", battery_types=("LB-4",), bays=2, hours_per_charge=2, input="usb-c", **THING)
OUT = (BODY, cast.normal_zoom())


def planned(
    *loaded: Any,
    left: Any = (),
    days: int = 1,
    frames: int = 400,
    counts: Any = None,
    night: Any = None,
    **changes: Any,
) -> Plan:
    trip = {key: changes.pop(key) for key in ("stakes", "mains") if key in changes}
    celsius = changes.pop("celsius", 20)
    pattern = Pattern(id="full", name="Full", first=Demand(frames=frames), others=Demand(frames=frames))
    start = date(2027, 2, 20)
    return cast.plan(
        [cast.bag(), cast.bag("other"), *loaded, *left],
        cast.entry("bag", cast.INES_CABIN),
        *(cast.entry(t.id, count=(counts or {}).get(t.id, 1)) for t in loaded),
        days=tuple(
            Day(date=start + timedelta(days=i), title="Out", lowest_c=celsius, night=night or Night())
            for i in range(days)
        ),
        stamina=Stamina.model_validate(
            {"patterns": (pattern,), "warm": "none", "margin": 0, "cards": "fresh-daily"} | changes
        ),
        **trip,
    )


def assessed(*loaded: Any, **changes: Any) -> Cures:
    return cure(planned(*loaded, **changes))


def facts(*loaded: Any, **changes: Any) -> Assessment:
    return assess(planned(*loaded, **changes))


def said(made: Cures, code: str) -> list[Any]:
    return [f for f in made.findings if f.code == code]


def test_a_short_day_is_told_and_cured_by_the_packs_that_are_missing() -> None:
    made = assessed(*OUT, PACK, days=3)
    (finding,) = said(made, "power-short")
    # One charge a day for three days on one pack: short on the second, two more packs of 82 g.
    assert (finding.type, finding.on.isoformat()) == ("LB-4", "2027-02-21")
    (cure,) = finding.cures
    assert cure.edits == (Load(item="pack", count=2),)
    assert cure.mass_change_g == 164
    lasts = facts(*OUT, PACK, days=3).lasts
    assert (lasts.power_days, lasts.days) == (1, 3)
    assert not said(assessed(*OUT, PACK, days=3, counts={"pack": 3}), "power-short")


NO_SLOTS = cast.body(battery_type="LB-4", frames_per_charge=400)


@pytest.mark.parametrize(
    ("loaded", "days", "power", "cards"),
    [
        ((*OUT, PACK, SD), 0, Uncounted.NO_DAYS, Uncounted.NO_DAYS),
        ((SD,), 1, Uncounted.NO_CAMERA, Uncounted.NO_CAMERA),
        ((cast.body(slots=BODY.slots), SD), 1, Uncounted.NOTHING_ASKS, 1),
        (OUT, 1, Uncounted.NONE_LOADED, Uncounted.NONE_LOADED),
        ((*OUT, PACK, SD), 1, 1, 1),
        ((NO_SLOTS, PACK), 1, 1, Uncounted.SLOTS_UNKNOWN),
    ],
)
def test_days_are_counted_or_it_is_told_why_not(loaded: Any, days: int, power: object, cards: object) -> None:
    lasts = facts(*loaded, days=days).lasts
    assert (lasts.power_days, lasts.card_days) == (power, cards)


def test_more_packs_than_are_owned_are_to_be_had_elsewhere() -> None:
    (finding,) = said(assessed(*OUT, PACK, days=9), "power-short")
    assert [c.code for c in finding.cures] == ["get", "load"]
    # Nine packs in all: one is loaded, five more are owned, three are to be had.
    assert finding.cures[0].edits == (Load(item="pack", count=5),)
    got, some = finding.cures
    assert ([(g.item, g.count) for g in got.gets], got.mass_change_g) == ([("pack", 3)], 8 * 82)
    # With those at home alone it is less: three days of eight are short.
    assert (some.partly, some.rest) == (True, 3 / 8)


def test_a_charger_at_hand_is_proposed_when_it_alone_carries_the_trip() -> None:
    night = Night(mains_h=8, outlets=1)
    mains = Mains(plugs=("C",), volts=230)
    (finding,) = said(assessed(*OUT, PACK, left=(CHARGER,), days=3, night=night, mains=mains), "power-short")
    assert [c.edits[0].item for c in finding.cures] == ["charger", "pack"]


def test_a_thin_margin_is_a_note() -> None:
    made = assessed(*OUT, PACK, frames=380, margin=0.25)
    assert not said(made, "power-short")
    (finding,) = said(made, "power-thin")
    assert finding.margin == pytest.approx(400 / 380 - 1)
    assert not said(assessed(*OUT, PACK, frames=300, margin=0.25), "power-thin")


def test_a_phone_that_runs_flat_is_cured_by_a_bank() -> None:
    pattern = Pattern(id="full", name="Full", phone=0.8)
    phone = Computer(id="phone", form="phone", screen_in=6, energy_wh=14, charge_w=20, **THING)
    made = assessed(*OUT, PACK, phone, left=(BANK,), days=2, patterns=(pattern,))
    (finding,) = said(made, "power-short")
    assert finding.type == "phone"
    assert [c.edits[0].item for c in finding.cures] == ["bank"]


def test_volts_of_the_place_are_not_changed_by_an_adapter() -> None:
    low = CHARGER.model_copy(update={"volts_min": 100, "volts_max": 127})
    mains = Mains(plugs=("C",), volts=230)
    (finding,) = said(assessed(*OUT, PACK, low, mains=mains), "charger-volts")
    assert finding.items == ("charger",)
    assert not said(assessed(*OUT, PACK, CHARGER, mains=mains), "charger-volts")


def test_a_bank_larger_than_any_airline_takes_is_told() -> None:
    huge = BANK.model_copy(update={"energy_wh": 300})
    assert said(assessed(*OUT, PACK, USB, huge), "bank-too-large")
    assert not said(assessed(*OUT, PACK, USB, BANK), "bank-too-large")


@pytest.mark.parametrize(("celsius", "speaks"), [(-60, True), (-20, False), (60, False)])
def test_the_estimate_of_cold_ends_at_minus_20(celsius: float, speaks: bool) -> None:
    assert bool(said(assessed(*OUT, PACK, celsius=celsius), "beyond-cold")) == speaks


def test_full_cards_are_cured_by_more_of_them_or_by_another_school() -> None:
    # 390 frames are 21 GB a day; a fresh card a day for three days, and one of 64 GB: filled to the brim it holds all.
    (finding,) = said(assessed(*OUT, PACK, SD, days=3, frames=390), "cards-full")
    assert finding.more == 2
    load, other = finding.cures
    assert load.edits == (Load(item="sd", count=2),)
    assert (other.code, other.edits) == ("few-big", ())
    assert not said(assessed(*OUT, PACK, SD, days=3, counts={"sd": 3}), "cards-full")


def test_too_few_copies_are_cured_by_the_lightest_drive_that_makes_them() -> None:
    note = said(assessed(*OUT, PACK, SD, READER, left=(LAPTOP, SSD)), "copies-short")[0]
    assert [c.edits[0].item for c in note.cures] == ["laptop"]
    assert note.severity == "note"
    paid = said(assessed(*OUT, PACK, SD, READER, LAPTOP, left=(SSD,), stakes="paid"), "copies-short")[0]
    assert (paid.severity, paid.copies, paid.asked, paid.nights) == ("caution", 2, 3, 1)
    assert [c.edits[0].item for c in paid.cures] == ["ssd"]


def test_paid_copies_in_one_bag_are_told() -> None:
    kit = (*OUT, PACK, SD, READER, LAPTOP, SSD)
    assert said(assessed(*kit, stakes="paid"), "copies-together")
    assert not said(assessed(*kit), "copies-together")


def test_a_mirror_needs_two_slots() -> None:
    habits = (BodyHabit(body="body", slots="mirror"),)
    (finding,) = said(assessed(*OUT, PACK, SD, habits=habits), "mirror-one-slot")
    assert finding.items == ("body",)


def test_four_hundred_days_of_sixty_below_are_answered() -> None:
    made = assessed(*OUT, PACK, SD, days=400, celsius=-60)
    assert facts(*OUT, PACK, SD, days=400, celsius=-60).lasts.days == 400
    assert said(made, "power-short")
