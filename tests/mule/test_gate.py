"""Restricted things where they lie, the gate drill and the tray; usual rules of docs/domain/carriers.md."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from mule.analysis.carriers import Judged, Lying, judge, sort_of, strictest
from mule.analysis.gate import gate_check_plan, rehearse
from mule.analysis.power import charging_sources
from mule.findings.assess import assess
from mule.findings.codes import Severity
from mule.findings.cures import cure
from mule.findings.said import Finding
from mule.plan import Plan
from mule.plan.carriers import Carrier, PieceRule, Restriction
from mule.plan.edits import Move
from mule.plan.gear import Bag, Battery, Box, Card, Computer, Link, Other, PowerBank, Safety, Tripod
from mule.plan.kit import Entry, Loadout, Stow, Wish
from mule.plan.places import AsPiece, InBag, PieceKind, Worn
from mule.plan.trip import Leg, Mains
from tests import cast

THING: dict[str, Any] = {"mass_g": 100, "size": cast.SMALL}
FLIES = Carrier(id="air", name="Air", means="plane")


def bag(id_: str, piece: str, *sides: float) -> Bag:
    x, y, z = sides or (400, 300, 200)
    inner = Box(length_mm=x, width_mm=y, height_mm=z)
    outer = Box(length_mm=x + 20, width_mm=y + 20, height_mm=z + 20)
    return Bag(id=id_, name=id_, mass_g=900, size=outer, inner=inner, volume_l=24, piece=PieceKind(piece))


def packed(*things: tuple[Any, int, str | None], carriers: tuple[Carrier, ...] = (FLIES,), seat: Any = None) -> Plan:
    """Things in the bag named, or on the person; a cabin bag, a hold bag, and the personal item if one is given."""
    bags = [bag("cabin", "cabin"), bag("hold", "hold"), *([seat] if seat else [])]
    entries = [Entry(item=b.id, place=AsPiece(piece=b.piece, person="ines")) for b in bags]
    entries += [
        Entry(item=t.id, count=n, place=InBag(bag=where) if where else Worn(person="ines")) for t, n, where in things
    ]
    legs = tuple(Leg(id=f"leg-{i}", name="Leg", carrier=c.id) for i, c in enumerate(carriers))
    gear = {t.id: t for t, _, _ in things}
    return cast.plan([*bags, *gear.values()], *entries, carriers=carriers, legs=legs)


def pack(wh: float = 16, **more: Any) -> Battery:
    return Battery(id="pack", name="pack", count=50, battery_type="P", energy_wh=wh, **THING, **more)


def bank(wh: float) -> PowerBank:
    return PowerBank(id="bank", name="bank", count=5, energy_wh=wh, output_w=60, ports=2, **THING)


def hazard(what: Any) -> Other:
    return Other(id="thing", name="thing", label="camp", hazard=what, **THING)


def one(plan: Plan, code: str) -> Any:
    (found,) = [f for f in cure(plan).findings if f.code == code]
    return found


def only(plan: Plan) -> Judged:
    (judged,) = rehearse(plan).restricted
    return judged


@pytest.mark.parametrize(
    ("thing", "count", "where", "answer", "why"),
    [
        (pack(), 3, "cabin", "yes", "place"),
        (pack(), 1, "hold", "no", "place"),  # spares never in the hold
        (pack(), 20, None, "yes", "place"),
        (pack(), 21, "cabin", "no", "count"),  # often 20 spares
        (bank(100), 1, "cabin", "yes", "place"),  # up to 100 Wh free
        (bank(100.1), 2, "cabin", "ask", "energy"),  # 100-160 Wh: two, with approval
        (bank(160), 3, "cabin", "no", "count"),
        (bank(160.5), 1, "cabin", "no", "energy"),  # more not at all
        (bank(50), 1, "hold", "no", "place"),
        (pack(lithium=False), 8, "hold", "yes", "place"),
        (hazard("blade"), 1, "cabin", "no", "place"),
        (hazard("blade"), 1, "hold", "yes", "place"),
        (hazard("spray"), 1, "hold", "no", "place"),
        (hazard("gas"), 1, "cabin", "no", "place"),
        (hazard("liquid"), 1, "cabin", "ask", "place"),
        (hazard("film"), 1, "hold", "no", "place"),
    ],
)
def test_a_thing_is_judged_by_where_it_lies(thing: Any, count: int, where: str | None, answer: str, why: str) -> None:
    judged = only(packed((thing, count, where)))
    assert (judged.answer, judged.why) == (answer, why)


def test_a_laptop_in_the_hold_must_be_off_and_safe() -> None:
    laptop = Computer(id="laptop", name="laptop", form="laptop", screen_in=14, energy_wh=70, **THING)
    judged = only(packed((laptop, 1, "hold")))
    assert (judged.answer, judged.note) == ("ask", "Switched off, and secured against switching on.")
    assert only(packed((laptop, 1, "cabin"))).answer == "yes"


def test_what_lies_in_an_insert_is_judged_by_the_bag_around_it() -> None:
    cube = cast.insert()
    plan = packed((cube, 1, "hold"), (pack(), 2, cube.id))
    assert (only(plan).bag, only(plan).held, only(plan).answer) == ("hold", True, "no")


def test_the_strictest_carrier_of_the_flights_decides() -> None:
    one_bank = Restriction(sort="power-bank", cabin="yes", hold="no", most=1, free_wh=100)
    small = FLIES.model_copy(update={"id": "small", "restricted": (one_bank,)})
    assert only(packed((bank(90), 2, "cabin"), carriers=(FLIES,))).answer == "yes"
    judged = only(packed((bank(90), 2, "cabin"), carriers=(FLIES, small)))
    assert (judged.answer, judged.why, judged.most) == ("no", "count", 1)


def test_the_hold_rule_of_the_stricter_carrier_decides_whichever_flies_first() -> None:
    # The usual rule lets dry cells into the hold.
    strict = FLIES.model_copy(
        update={"id": "strict", "restricted": (Restriction(sort="dry-cells", cabin="yes", hold="no"),)}
    )
    for carriers in ((FLIES, strict), (strict, FLIES)):
        assert only(packed((pack(lithium=False), 2, "hold"), carriers=carriers)).answer == "no"


def test_no_approval_possible_is_stricter_than_any_approval() -> None:
    # 120 Wh: two with approval on one; the other takes nothing over 100 Wh, whoever asks.
    never = Restriction(sort="power-bank", cabin="yes", hold="no", free_wh=100)
    small = FLIES.model_copy(update={"id": "small", "restricted": (never,)})
    judged = only(packed((bank(120), 1, "cabin"), carriers=(FLIES, small)))
    assert (judged.answer, judged.why) == ("no", "energy")


def test_how_many_banks_may_come_holds_over_100_wh_too() -> None:
    one_bank = Restriction(
        sort="power-bank", cabin="yes", hold="no", most=1, free_wh=100, approval_wh=160, approval_most=2
    )
    small = FLIES.model_copy(update={"id": "small", "restricted": (one_bank,)})
    judged = only(packed((bank(120), 2, "cabin"), carriers=(small,)))
    assert (judged.answer, judged.why, judged.most) == ("no", "count", 1)


def test_counts_over_100_wh_count_what_is_over() -> None:
    # Two of 120 Wh may come where asked; three small ones beside them are no third, fourth and fifth.
    two = Restriction(sort="power-bank", cabin="yes", hold="no", free_wh=100, approval_wh=160, approval_most=2)
    small = FLIES.model_copy(update={"id": "small", "restricted": (two,)})
    tiny = bank(40).model_copy(update={"id": "tiny"})
    made = packed((bank(120), 2, "cabin"), (tiny, 3, "cabin"), carriers=(small,))
    assert {(j.item, j.answer, j.total) for j in rehearse(made).restricted} == {("bank", "ask", 2), ("tiny", "yes", 5)}
    over = packed((bank(120), 3, "cabin"), (tiny, 3, "cabin"), carriers=(small,))
    assert {(j.item, j.answer, j.total, j.most) for j in rehearse(over).restricted if j.item == "bank"} == {
        ("bank", "no", 3, 2)
    }


ANSWERS = st.sampled_from(["yes", "ask", "no"])
WH = st.none() | st.sampled_from([50.0, 100.0, 130.0, 160.0])
RULES = st.builds(
    Restriction,
    sort=st.just("power-bank"),
    cabin=ANSWERS,
    hold=ANSWERS,
    most=st.none() | st.integers(0, 4),
    free_wh=WH,
    approval_wh=WH,
    approval_most=st.none() | st.integers(0, 3),
)


@given(
    st.lists(RULES, min_size=1, max_size=3),
    st.lists(
        st.tuples(st.sampled_from([40.0, 90.0, 120.0, 150.0, 200.0]), st.integers(1, 3), st.booleans()), max_size=3
    ),
)
def test_several_carriers_together_are_never_laxer_than_any_of_them(
    rules: list[Restriction], banks: list[tuple[float, int, bool]]
) -> None:
    order = ["yes", "ask", "no"]
    gear = {f"b{i}": bank(wh).model_copy(update={"id": f"b{i}"}) for i, (wh, _, _) in enumerate(banks)}
    lying = [
        Lying(item=f"b{i}", count=count, person="ines", bag="bag", held=held)
        for i, (_, count, held) in enumerate(banks)
    ]

    def answers(*told: Restriction) -> dict[str, int]:
        return {j.item: order.index(j.answer) for j in judge(gear, lying, strictest((r,) for r in told))}

    together = answers(*rules)
    assert answers(*reversed(rules)) == together
    for rule in rules:
        for item, answer in answers(rule).items():
            assert together[item] >= answer


def test_without_a_flight_nothing_is_restricted() -> None:
    train = Carrier(id="train", name="Train", means="train")
    rehearsed = rehearse(packed((pack(), 1, "hold"), carriers=(train,)))
    assert (rehearsed.flies, rehearsed.restricted, rehearsed.tray) == (False, (), ())


def test_a_carrier_says_one_thing_of_each_sort() -> None:
    rule = Restriction(sort="gas", cabin="no", hold="no")
    with pytest.raises(ValidationError, match="one rule"):
        Carrier(id="air", name="Air", restricted=(rule, rule))


def test_lithium_in_the_hold_stops_the_trip_and_is_cured_by_a_move() -> None:
    plan = packed((pack(), 2, "hold"))
    made = cure(plan)
    (found,) = [f for f in made.findings if f.code == "gate-no"]
    assert found.severity == Severity.BLOCKER
    assert found.cures[0].code == "move"
    assert found.cures[0].edits == (Move(item="pack", place=InBag(bag="cabin")),)
    assert {str(s.name): s.mark for s in made.stations}["gate"] == "blocked"


def test_safety_gear_that_does_not_fly_is_never_proposed_for_leaving() -> None:
    spray = Safety(id="spray", name="spray", label="bears", hazard="spray", **THING)
    (found,) = [f for f in cure(packed((spray, 1, "cabin"))).findings if f.code == "gate-no"]
    assert found.cures == ()


def test_a_tripod_in_the_cabin_is_a_note() -> None:
    legs = Tripod(id="legs", name="legs", max_load_g=5_000, max_height_mm=1_500, **THING)
    (found,) = [f for f in cure(packed((legs, 1, "cabin"))).findings if f.code == "gate-ask"]
    assert found.severity == Severity.NOTE


def things() -> list[tuple[Any, int, str | None]]:
    tiny = Box(length_mm=32, width_mm=24, height_mm=2)
    card = Card(id="card", name="card", mass_g=100, size=tiny, count=4, card_type="SD", capacity_gb=64, speed_mb_s=90)
    laptop = Computer(
        id="laptop",
        name="laptop",
        form="laptop",
        screen_in=14,
        energy_wh=70,
        mass_g=1_500,
        size=Box(length_mm=310, width_mm=220, height_mm=16),
    )
    return [
        (cast.tele_zoom(mass_g=1_400), 1, "cabin"),
        (cast.body(), 1, "cabin"),
        (laptop, 1, "cabin"),
        (card, 4, "cabin"),
        (pack(), 2, "cabin"),
        (hazard(None), 1, "cabin"),
    ]


def test_the_drill_grabs_lithium_first_then_pictures_bodies_and_what_breaks() -> None:
    (made,) = gate_check_plan(packed(*things(), seat=bag("seat", "personal", 380, 260, 150)))
    assert [t.item for t in made.out] == ["pack", "laptop", "card", "body", "tele"]
    # 2 x 100 + 1500 + 4 x 100 + 720 + 1400 g; the thing of no sort stays.
    assert made.mass_g == pytest.approx(4_220)
    assert {t.into for t in made.out} == {"seat"}
    assert made.into_g == pytest.approx(900 + 4_220)


def test_what_the_seat_bag_does_not_take_goes_in_pockets_or_finds_no_room() -> None:
    (made,) = gate_check_plan(packed(*things(), seat=bag("seat", "personal", 140, 100, 80)))
    homes = {t.item: t.into for t in made.out}
    assert homes["laptop"] is None
    assert homes["tele"] is None
    assert "pocket" in homes.values()
    assert made.proved


def test_without_a_bag_under_the_seat_there_are_only_pockets() -> None:
    (made,) = gate_check_plan(packed(*things()))
    assert made.into is None
    assert {t.item: t.into for t in made.out}["laptop"] is None
    assert {t.item: t.into for t in made.out}["card"] == "pocket"


def test_large_electronics_of_the_cabin_go_in_the_tray() -> None:
    plan = packed(*things(), (bank(90), 1, "hold"))
    assert {t.item for t in rehearse(plan).tray} == {"laptop", "body"}


def test_a_thing_larger_than_every_space_of_its_bag_is_told_with_a_bag_that_takes_it() -> None:
    long = Other(id="pole", name="pole", label="x", mass_g=300, size=Box(length_mm=600, width_mm=40, height_mm=40))
    large = bag("large", "hold", 700, 300, 200)
    plan = packed((long, 1, "cabin"), seat=large)
    found = one(plan, "too-large")
    assert (found.severity, found.bag) == (Severity.BLOCKER, "cabin")
    assert found.cures[0].edits == (Move(item="pole", place=InBag(bag="large")),)
    assert {str(s.name): s.mark for s in cure(plan).stations}["stow"] == "blocked"


def repacked(**loadout: Any) -> Plan:
    """A flight with a hold bag, then a small plane that takes 5 kg in the cabin and nothing in the hold."""
    small = Carrier(
        id="small", name="Small", means="plane", pieces=(PieceRule(piece=PieceKind.CABIN, mass_g=5_000),)
    )  # fmt: skip
    heavy = Other(id="heavy", name="heavy", label="camp", mass_g=6_000, size=cast.SMALL)
    plan = packed((heavy, 1, "cabin"), (bank(90), 1, "cabin"), carriers=(FLIES, small))
    out = Loadout(id="hop", name="Small hop", **loadout)
    return plan.with_kit(plan.kit.model_copy(update={"stow": Stow(loadouts=(out,))}))


HOP = (
    Entry(item="cabin", place=AsPiece(piece=PieceKind.CABIN, person="ines")),
    Entry(item="hold", place=AsPiece(piece=PieceKind.HOLD, person="ines")),
    Entry(item="heavy", place=InBag(bag="cabin")),
    Entry(item="bank", place=InBag(bag="hold")),
)


def test_a_leg_that_is_packed_otherwise_goes_to_the_gate_as_it_is_packed() -> None:
    as_transit = assess(repacked(entries=HOP[:1]))
    assert [(leg.passes, leg.loadout) for leg in as_transit.legs] == [(True, None), (False, None)]
    # Without the six kilos: 900 g of bag on the small plane.
    made = assess(repacked(entries=HOP[:1], legs=("leg-1",)))
    assert [(leg.passes, leg.loadout) for leg in made.legs] == [(True, None), (True, "hop")]
    (mass,) = [c for c in made.legs[1].checks if c.limit == "mass"]
    assert mass.value == 900


def test_restricted_things_are_judged_where_they_lie_on_each_leg() -> None:
    plan = repacked(entries=HOP, legs=("leg-1",))
    made = assess(plan)
    assert not [j for j in made.gate.restricted if j.answer == "no"]
    (again,) = made.gate.repacked
    assert (again.loadout, again.legs) == ("hop", ("leg-1",))
    assert [j.item for j in again.restricted if j.answer == "no"] == ["bank"]
    finding = one(plan, "gate-no")
    assert finding.loadout == "hop"
    assert not finding.cures


def test_what_is_wanted_in_the_seat_belongs_in_the_bag_under_it() -> None:
    book = Other(id="book", name="book", label="read", **THING)
    plan = packed((book, 1, "cabin"), seat=bag("seat", "personal"))
    assert not [f for f in cure(plan).findings if f.code == "not-at-seat"]
    wished = plan.with_kit(plan.kit.model_copy(update={"stow": Stow(wishes=(Wish(item="book", seat=True),))}))
    (finding,) = [f for f in cure(wished).findings if f.code == "not-at-seat"]
    assert finding.cures[0].edits == (Move(item="book", place=InBag(bag="seat")),)


def test_hard_cases_are_refused_where_only_soft_bags_go() -> None:
    soft_only = cast.carrier(soft_only=True)
    case, bag_ = cast.bag("case", hard=True), cast.bag("soft")

    def refused(carried: str, carrier_: Any = soft_only) -> list[Finding]:
        plan = cast.plan(
            [case, bag_, cast.body(), cast.normal_zoom()],
            cast.entry(carried, cast.INES_CABIN),
            *(cast.entry(i, InBag(bag=carried)) for i in ("body", "normal")),
            carriers=(carrier_,),
        )
        return [f for f in cure(plan).findings if f.code == "leg-soft"]

    (said,) = refused("case")
    assert (said.severity, said.items) == (Severity.BLOCKER, ("case",))
    assert "swap-bag" in [way.code for way in said.cures]
    assert not refused("soft")
    assert not refused("case", cast.carrier())


def test_a_bag_that_is_too_big_for_the_seat_gets_the_drill_too() -> None:
    rule = cast.carrier(size_mm=(600, 450, 300))
    seat = PieceRule(piece=PieceKind.PERSONAL, size_mm=(300, 200, 150))
    strict = rule.model_copy(update={"pieces": (*rule.pieces, seat)})
    made = packed(*things(), seat=bag("seat", "personal", 380, 260, 150))
    plan = cast.plan([*made.gear], *made.kit.entries, carriers=(strict,))
    assert [(one.bag, one.into) for one in gate_check_plan(plan)] == [("cabin", "seat"), ("seat", "cabin")]
    assert [one.bag for one in gate_check_plan(made)] == ["cabin"]


def test_batteries_inside_radios_and_cameras_count() -> None:
    radio = Other(id="radio", name="radio", mass_g=200, size=cast.SMALL, label="radio", energy_wh=12)
    camera = cast.body(battery_type=None, energy_wh=8)
    assert [sort_of(radio), sort_of(camera)] == [("device-lithium", 12), ("device-lithium", 8)]
    assert sort_of(radio.model_copy(update={"energy_wh": None})) is None


def test_a_lead_that_does_not_bear_the_volts_gives_no_outlet() -> None:
    lead = Link(
        id="lead", name="lead", mass_g=200, size=cast.SMALL, from_plug="C", to_ports=("C", "C", "C"), volts_max=125
    )
    mains = Mains(plugs=("C",), volts=230)
    bad = charging_sources({"lead": lead}, {"lead": 1}, mains)
    assert (bad.leads, [u.why for u in bad.useless]) == (0, ["volts"])
    good = charging_sources({"lead": lead.model_copy(update={"volts_max": 250})}, {"lead": 1}, mains)
    assert (good.leads, good.useless) == (2, ())
