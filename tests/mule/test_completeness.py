"""Missing links, orphans, chains, clashes, doubles: each where it speaks and where it is silent."""

from typing import Any

import pytest

from mule.analysis.completeness import (
    Completeness,
    LightestGivers,
    Requirements,
    chains,
    complete,
    dependency_graph,
    holds,
)
from mule.plan.gear import (
    Battery,
    Body,
    Box,
    Card,
    CardSlot,
    Charger,
    Computer,
    Drone,
    Filter,
    FilterHolder,
    Gear,
    Head,
    Light,
    Link,
    Plate,
    Reader,
    Remote,
    Sound,
    StepRing,
    Tripod,
)
from tests import cast

S = Box(length_mm=60, width_mm=40, height_mm=20)
SD = (CardSlot(card_type="SD"),)


def thing(kind: Any, id_: str, mass_g: float = 50, **fields: Any) -> Any:
    return kind(id=id_, name=id_, mass_g=mass_g, size=S, **fields)


BODY = cast.body(battery_type="LB-4", slots=SD, sockets=("multi",))
LENS = cast.normal_zoom(thread_mm=77)
PACK = cast.pack(rechargeable=True)
CHARGER = thing(Charger, "charger", 148, battery_types=("LB-4",), hours_per_charge=2, plug="C")
USB_CHARGER = thing(Charger, "usb-charger", 86, battery_types=("LB-4",), hours_per_charge=3, input="usb-c")
PLUG = thing(Link, "plug", 116, from_plug="C", to_ports=("USB-C",))
CARD = thing(Card, "card", 2, card_type="SD", capacity_gb=128, speed_mb_s=200)
READER = thing(Reader, "reader", 24, card_types=("SD",), plug="USB-C", speed_mb_s=200)
LAPTOP = thing(Computer, "laptop", 1500, form="laptop", screen_in=14, energy_wh=70, ports=("USB-C",))
OLD_LAPTOP = thing(Computer, "old", 1900, form="laptop", screen_in=15, energy_wh=50, ports=("USB-A",))
HUB = thing(Link, "hub", 60, from_plug="USB-A", to_ports=("USB-C", "HDMI"))
TRIPOD = thing(Tripod, "tripod", 1190, max_load_g=9000, max_height_mm=1500)
HEAD = thing(Head, "head", 350, plate_type="Dovetail", max_load_g=6000)
PLATE = thing(Plate, "plate", 38, plate_type="Dovetail")
PHONE = thing(Computer, "phone", 190, form="phone", screen_in=6, energy_wh=14, ports=("USB-C",))
DRONE = thing(Drone, "drone", 249, battery_type="Dr", flight_min=30, megapixels=48, takeoff_mass_g=249)
DRONE_PACK = thing(Battery, "drone-pack", 80, battery_type="Dr", energy_wh=18, rechargeable=False)
REMOTE = thing(Remote, "remote", 76, socket="multi")
OTHER_REMOTE = thing(Remote, "other-remote", 76, socket="jack")
ND = thing(Filter, "nd", 41, effect="nd", stops=6, thread_mm=82)
RING = thing(StepRing, "ring", 9, lens_thread_mm=77, filter_thread_mm=82)
STEP_DOWN = thing(StepRing, "step-down", 9, lens_thread_mm=77, filter_thread_mm=67)
PLATE_FILTER = thing(Filter, "grad", 60, effect="graduated-nd", stops=3, plate_width_mm=100)
HOLDER = thing(FilterHolder, "holder", 145, plate_width_mm=100, thread_mm=77)
FLASH = thing(Light, "flash", 330, form="flash", trigger="radio-x", uses_shoe=True)
TRIGGER = thing(Remote, "trigger", 60, socket="radio", triggers=("radio-x",), uses_shoe=True)
MIC = thing(Sound, "mic", 85, form="microphone", uses_shoe=True)
COVER = thing(Sound, "cover", 22, form="wind-cover")


def made(loaded: list[Gear], left: Any = (), walls: tuple[str, ...] = (), **counts: int) -> Completeness:
    gear = [*loaded, *left]
    pieces = cast.counts(*loaded) | counts
    return complete(*case(gear, pieces, walls))


def case(gear: Any, pieces: dict[str, int], walls: tuple[str, ...] = ()) -> tuple[Any, Any, dict[str, int]]:
    return Requirements(dependency_graph(gear, walls), pieces), {t.id: t for t in gear}, pieces


def cures(
    loaded: list[Gear], left: Any = (), walls: tuple[str, ...] = ()
) -> list[tuple[float, tuple[str, ...]] | None]:
    requirements, gear, pieces = case([*loaded, *left], cast.counts(*loaded), walls)
    givers = LightestGivers(requirements.graph, gear, pieces)
    return [givers.for_missing(m, requirements) for m in complete(requirements, gear, pieces).missing]


MISSING = [
    ([BODY, LENS, CARD], [PACK], "pack", ("pack",)),
    ([BODY, LENS, PACK, CHARGER], [CARD], "card", ("card",)),
    ([BODY, LENS, CARD, PACK], [CHARGER, USB_CHARGER], "charger", ("usb-charger",)),
    ([USB_CHARGER, PACK, BODY, LENS, CARD], [PLUG], "usb-power", ("plug",)),
    ([LAPTOP, CARD, BODY, LENS, PACK, CHARGER], [READER], "reader", ("reader",)),
    # The reader hangs on the old laptop through the hub.
    ([READER, OLD_LAPTOP, CARD, BODY, LENS, PACK, CHARGER], [HUB], "port", ("hub",)),
    ([TRIPOD], [HEAD], "head", ("head",)),
    ([TRIPOD, HEAD], [PLATE], "plate", ("plate",)),
    ([DRONE, DRONE_PACK], [PHONE], "phone", ("phone",)),
    ([FLASH], [TRIGGER], "trigger", ("trigger",)),
    ([PLATE_FILTER, LENS, BODY, PACK, CARD, CHARGER], [HOLDER], "holder", ("holder",)),
]


@pytest.mark.parametrize(("loaded", "left", "what", "loads"), MISSING)
def test_a_missing_link_is_cured_by_the_lightest_owned_thing(
    loaded: list[Gear], left: list[Gear], what: str, loads: tuple[str, ...]
) -> None:
    (found,) = made(loaded, left).missing
    assert found.what == what
    assert cures(loaded, left) == [(min(t.mass_g for t in left if t.id in loads), loads)]
    # The cure may have a need of its own; the one it cures is gone.
    assert what not in {m.what for m in made([*loaded, *(t for t in left if t.id in loads)]).missing}


def test_a_link_that_nothing_owned_gives_is_told_without_a_cure() -> None:
    assert [m.what for m in made([TRIPOD]).missing] == ["head"]
    assert cures([TRIPOD]) == [None]


def test_a_cure_may_take_two_things() -> None:
    # 24-70 has a 77 mm thread; the reader finds its port behind a hub on a hub.
    second = thing(Link, "second-hub", 40, from_plug="USB-B", to_ports=("USB-A",))
    screen = thing(Computer, "screen", 900, form="tablet", screen_in=11, energy_wh=30, ports=("USB-B",))
    found = cures([READER, screen, CARD, BODY, LENS, PACK, CHARGER], [HUB, second])
    assert [set(given[1]) for given in found if given] == [{"hub", "second-hub"}]


ORPHANS = [
    ([CHARGER, PLATE], {"charger", "plate"}),
    ([READER, LAPTOP], {"reader"}),
    ([PACK, CHARGER], {"pack"}),
    ([BODY, LENS, PACK, CARD, CHARGER, ND], {"nd"}),
    ([BODY, LENS, PACK, CARD, CHARGER, RING], {"ring"}),
    ([BODY, LENS, PACK, CARD, CHARGER, STEP_DOWN], {"step-down"}),
    ([BODY, LENS, PACK, CARD, CHARGER, OTHER_REMOTE], {"other-remote"}),
    ([COVER], {"cover"}),
    ([HEAD, PLATE], {"head"}),
]


@pytest.mark.parametrize(("loaded", "orphans"), ORPHANS)
def test_an_orphan_serves_nothing_loaded(loaded: list[Gear], orphans: set[str]) -> None:
    assert {o.item for o in made(loaded).orphans} == orphans


def test_what_has_its_purpose_is_no_orphan() -> None:
    loaded = [BODY, LENS, PACK, CHARGER, CARD, READER, LAPTOP, ND, RING, TRIPOD, HEAD, PLATE, REMOTE, MIC, COVER]
    assert made(loaded).orphans == ()
    assert made(loaded).missing == ()


def test_a_filter_reaches_a_lens_over_two_rings_but_not_over_three() -> None:
    steps = [(77, 82), (82, 86), (86, 95)]
    rings = [thing(StepRing, f"r{a}", lens_thread_mm=a, filter_thread_mm=b) for a, b in steps]
    camera: list[Any] = [BODY, LENS, PACK, CARD, CHARGER]
    two = thing(Filter, "two", effect="polariser", thread_mm=86)
    three = thing(Filter, "three", effect="polariser", thread_mm=95)
    assert "two" not in {o.item for o in made([*camera, *rings[:2], two]).orphans}
    assert "three" in {o.item for o in made([*camera, *rings, three]).orphans}


def test_the_plug_of_a_charger_must_fit_the_wall() -> None:
    adapter = thing(Link, "adapter", 40, from_plug="G", to_ports=("C",))
    loaded: list[Any] = [BODY, LENS, PACK, CARD, CHARGER]
    assert made(loaded, walls=("C", "F")).missing == ()
    (found,) = made(loaded, [adapter], walls=("G",)).missing
    assert (found.what, cures(loaded, [adapter], ("G",))) == ("wall", [(40, ("adapter",))])


def test_cards_need_no_reader_where_there_is_nothing_to_copy_to() -> None:
    assert made([BODY, LENS, PACK, CARD, CHARGER]).missing == ()


def test_a_trip_of_one_day_needs_no_charger() -> None:
    gear: list[Any] = [BODY, LENS, PACK, CARD]
    graph = dependency_graph(gear, nights=False)
    assert complete(Requirements(graph, cast.counts(*gear)), {t.id: t for t in gear}, cast.counts(*gear)).missing == ()


def test_two_bodies_with_one_pack_are_one_short() -> None:
    second = cast.body("second", battery_type="LB-4", slots=SD)
    loaded: list[Any] = [BODY, second, LENS, CARD, CHARGER, PACK]
    (found,) = made(loaded).missing
    assert (found.what, found.short, cures(loaded)) == ("pack", 1, [(82, ("pack",))])
    assert made([BODY, second, LENS, CARD, CHARGER, PACK], pack=2).missing == ()


def test_one_card_type_brings_four_things_along() -> None:
    # CFexpress: its card, reader, a hub for the reader's plug and the lead into the hub: 10 + 76 + 60 + 20 g follow.
    both = cast.body(battery_type="LB-4", slots=(CardSlot(card_type="CFB"), CardSlot(card_type="SD")))
    card = thing(Card, "cfb", 10, card_type="CFB", capacity_gb=300, speed_mb_s=1000)
    reader = thing(Reader, "cfb-reader", 76, card_types=("CFB",), plug="USB-X", speed_mb_s=900)
    hub = thing(Link, "x-hub", 60, from_plug="USB-C", to_ports=("USB-X",))
    gear = [both, LENS, PACK, CHARGER, CARD, READER, LAPTOP, card, reader, hub]
    chain = next(iter(chains(*case(gear, cast.counts(*gear)))))
    assert (chain.what, chain.label, chain.lead) == ("card", "CFB", ("cfb",))
    assert set(chain.followers) == {"cfb-reader", "x-hub"}
    assert chain.mass_g == 136


def test_a_dropped_things_chain_goes_with_it() -> None:
    gear: list[Any] = [BODY, LENS, PACK, CARD, CHARGER, RING, ND]
    requirements = Requirements(dependency_graph(gear), cast.counts(*gear))
    assert set(requirements.goes_with("body")) == {"normal", "pack", "card", "charger", "ring", "nd"}
    assert set(requirements.goes_with("normal")) >= {"ring", "nd"}
    assert requirements.goes_with("nd") == ("ring",)
    assert [t.item for t in requirements.holds_up("pack")] == ["body"]


def test_safety_never_goes_with_anything() -> None:
    torch = thing(Light, "torch", form="head-torch", battery_type="LB-4")
    gear: list[Any] = [BODY, LENS, PACK, CARD, CHARGER, torch]
    assert all("torch" not in hold.goes for hold in holds(*case(gear, cast.counts(*gear))))
    assert all(o.item != "torch" for o in made([torch]).orphans)


def test_one_hot_shoe_for_two_things_clashes() -> None:
    (clash,) = made([BODY, LENS, PACK, CARD, CHARGER, MIC, TRIGGER]).clashes
    assert (clash.over, clash.places, set(clash.items)) == ("hot-shoe", 1, {"mic", "trigger"})
    assert made([BODY, LENS, PACK, CARD, CHARGER, MIC]).clashes == ()


def test_one_phone_that_flies_a_drone_clashes() -> None:
    (clash,) = made([DRONE, DRONE_PACK, PHONE]).clashes
    assert clash.over == "phone"
    assert (
        made([DRONE, DRONE_PACK, PHONE, thing(Computer, "second", form="phone", screen_in=6, energy_wh=14)]).clashes
        == ()
    )


def test_doubles_are_told_and_backups_are_known() -> None:
    def overlaps(*gear: Any) -> dict[str, bool]:
        return {o.by: o.meant for o in made(list(gear)).overlaps}

    long_zoom = cast.lens("long", 70, 300, 5.6)
    assert overlaps(cast.tele_zoom(), cast.lens("other", 100, 300, 4)) == {"one-range": False}
    assert overlaps(cast.tele_zoom(), cast.normal_zoom()) == {}
    assert overlaps(cast.tele_zoom(backup=True), long_zoom) == {"one-range": True}
    # Two zooms on two mounts are doubles where both reach 250 mm.
    reaching = [cast.lens(f"to-{far}", 70, far, 5.6, mount="Other") for far in (249, 250)]
    assert overlaps(long_zoom, reaching[0]) == {}
    assert list(overlaps(long_zoom, reaching[1]).values()) == [False]
    assert overlaps(CHARGER, USB_CHARGER) == {"one-charge": False}
    assert overlaps(BODY, BODY.model_copy(update={"id": "twin"})) == {"twin-bodies": False}


def test_every_need_of_the_typical_body_can_be_met() -> None:
    assert isinstance(BODY, Body)
    assert made([BODY, LENS, PACK, CHARGER, CARD]).missing == ()
