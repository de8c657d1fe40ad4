"""Lists as people write them, held against the typical table."""

import pytest

from mule.intake.typed import MOST_LINES, Understood, as_typed, glass_of, understand
from mule.plan.gear import Body, Gear
from server.library.locker.convert import typical

TABLE = tuple(typical().values())


def only(text: str, *owned: Gear) -> Understood:
    (one,) = understand(text, TABLE, owned)
    return one


@pytest.mark.parametrize(
    ("text", "kind", "likes", "count"),
    [
        ("24-70 2.8", "lens", "lens-24-70-f2-8", 1),
        ("70–200 4", "lens", "lens-70-200-f4", 1),
        ("85 1,8", "lens", "lens-85-f1-8", 1),
        ("100 macro", "lens", "lens-100-f2-8-macro", 1),
        ("2 bodies 24 mp", "body", "body-ff-24", 2),
        ("4 packs", "battery", "pack-large", 4),
        ("batteries x3", "battery", "pack-large", 3),
        ("sd 128 x4", "card", "card-sd-128", 4),
        ("4 × SD 64 GB", "card", "card-sd-64", 4),
        ("polarizer 77", "filter", "polariser-77", 1),
        ("nd 10 82", "filter", "nd10-82", 1),
        ("20 l rucksack", "bag", "backpack-20", 1),
        ("25 backpack", "bag", "backpack-25", 1),
        ("3x power bank 10000 mah", "power-bank", "bank-37", 3),
        ("2x converter", "teleconverter", "converter-2-0", 1),
        ("dual charger", "charger", "charger-large-dual", 1),
        ("laptop 14 inch", "computer", "laptop-14", 1),
        ("ssd 2 tb", "drive", "ssd-2tb", 1),
        ("headlamp", "light", "head-torch", 1),
        ("first aid kit", "safety", "first-aid", 1),
        ("medicine", "other", "medicine", 1),
        ("tripd carbon", "tripod", "tripod-light-carbon", 1),
    ],
)
def test_what_people_write_is_the_thing_they_mean(text: str, kind: str, likes: str, count: int) -> None:
    one = only(text)
    assert one.thing is not None
    assert (one.thing.kind, one.likes[0], one.count, one.thing.count) == (kind, likes, count, count)


def test_a_list_falls_into_things_at_commas_semicolons_and_lines() -> None:
    text = "24-70 2.8, 70-200 4; 2 bodies 24 mp\n- tripod\n• hat, \n\n"
    assert [one.typed for one in understand(text, TABLE)] == [
        "24-70 2.8",
        "70-200 4",
        "2 bodies 24 mp",
        "tripod",
        "hat",
    ]


def test_a_figure_alone_belongs_to_what_stands_before_it() -> None:
    assert [one.typed for one in understand("SD card, 128, 24-70, 50 1.4", TABLE)] == [
        "SD card, 128",
        "24-70",
        "50 1.4",
    ]
    assert [one.typed for one in understand("SD card, 128 GB, fast, polariser, 77 mm", TABLE)] == [
        "SD card, 128 GB, fast",
        "polariser, 77 mm",
    ]


@pytest.mark.parametrize("thing", TABLE, ids=lambda thing: thing.id)
def test_every_typical_thing_is_found_by_its_own_name(thing: Gear) -> None:
    found = understand(thing.name, TABLE)
    assert len(found) == 1
    assert thing.id in found[0].likes[:3]


def test_the_cameras_that_are_there_decide_between_packs_and_cards() -> None:
    assert only("3 packs", typical()["body-m43-20"]).likes[0] == "pack-small" or isinstance(TABLE[0], Body)
    for body in (thing for thing in TABLE if isinstance(thing, Body) and thing.battery_type):
        packs = {t.battery_type for t in TABLE if t.kind == "battery"}
        if body.battery_type in packs:
            pack = only("packs", body).thing
            assert pack is not None
            assert pack.kind == "battery"
            assert pack.battery_type == body.battery_type


def test_cameras_named_later_in_the_text_count_too() -> None:
    body = next(t for t in TABLE if isinstance(t, Body) and t.battery_type == "Small battery")
    packs, _ = understand(f"3 packs\n{body.name}", TABLE)
    assert packs.thing is not None
    assert packs.thing.kind == "battery"
    assert packs.thing.battery_type == "Small battery"


def test_what_the_line_says_otherwise_is_kept() -> None:
    tripod = only("tripod carbon 1.4 kg").thing
    assert tripod is not None
    assert (tripod.mass_g, tripod.mass_source) == (1400, "stated")
    card = only("SD card 200 GB").thing
    assert card is not None
    assert card.kind == "card"
    assert (card.capacity_gb, card.name) == (200, "SD card, 200 GB, fast")
    lens = only("35 f2").thing
    assert lens is not None
    assert lens.kind == "lens"
    assert (lens.focal_min_mm, lens.f_at_min, lens.name) == (35, 2, "35 f/2")


def test_a_name_of_ones_own_stays() -> None:
    body = only("Corrie C1 45 mp body").thing
    assert body is not None
    assert (body.kind, body.name) == ("body", "Corrie C1 45 mp body")


@pytest.mark.parametrize("text", ["zorgblatt", "1.4 kg", "??", "77"])
def test_nothing_is_guessed_from_nothing(text: str) -> None:
    assert [one.thing for one in understand(text, TABLE)] in ([None], [])


def test_somebody_may_say_what_a_line_is() -> None:
    (one,) = understand("zorgblatt", TABLE, picks={"zorgblatt": "blower"})
    assert one.thing is not None
    assert (one.thing.kind, one.thing.name, one.likes) == ("other", "zorgblatt", ("blower",))


def test_no_more_lines_than_most() -> None:
    assert len(understand("hat\n" * (MOST_LINES + 50), TABLE)) == MOST_LINES


@pytest.mark.parametrize(
    ("text", "glass"),
    [
        ("24-70 f/2.8", (24, 70, 2.8)),
        ("40mm F2", (40, 40, 2)),
        ("100–400 f/4.5–5.6", (100, 400, 4.5)),
        ("70-200 4", (70, 200, 4)),
        ("50 1.4", (50, 50, 1.4)),
    ],
)
def test_glass_is_read_from_a_name(text: str, glass: tuple[float, float, float]) -> None:
    told = glass_of(text)
    assert (told["focal_min_mm"], told["focal_max_mm"], told["f_at_min"]) == glass


def test_a_bare_number_is_no_lens_unless_it_is_said() -> None:
    assert glass_of("14 inch laptop", lens=False) == {}
    assert glass_of("a 35", lens=True)["focal_min_mm"] == 35


def test_a_thing_made_from_a_line_is_valid_and_new() -> None:
    for thing in TABLE:
        made = as_typed(f"{thing.name} of mine", thing, 2)
        assert (made.id, made.count, made.kind) == ("new", 2, thing.kind)
