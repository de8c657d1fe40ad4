"""What cells of gear tables say, in whatever unit, and which typical thing a row is most like."""

from typing import Any

import pytest

from mule.intake.typed import glass_of
from server.exchange.cells import READ, text_of
from server.exchange.likeness import kind_of, like_of


@pytest.mark.parametrize(
    ("value", "column", "grams"),
    [
        ("800", "Mass", 800),
        ("0,8 kg", "Mass", 800),
        ("1 lb", "Mass", 453.59237),
        ("12 oz", "Weight", 12 * 28.349523125),
        (0.8, "Weight (kg)", 800),
        ("0.8", "mass_kg", 800),
        (800, "grams", 800),
        (" 800 G ", "Mass kg", 800),
    ],
)
def test_masses_come_as_grams_the_cell_before_its_title(value: Any, column: str, grams: float) -> None:
    assert READ["mass_g"](value, column) == pytest.approx(grams)


@pytest.mark.parametrize(
    ("value", "column", "mm"),
    [("8.8 cm", "L", 88), (12.5, "Length cm", 125), ("3 in", "Height", 76.2), ("1 m", "W", 1000)],
)
def test_lengths_come_as_millimetres(value: Any, column: str, mm: float) -> None:
    assert READ["length_mm"](value, column) == pytest.approx(mm)


@pytest.mark.parametrize("value", ["heavy", "800 stone", "", "1.2.3", True, "8 00"])
def test_what_is_no_mass_is_refused(value: Any) -> None:
    with pytest.raises(ValueError):
        READ["mass_g"](value, "Mass")


@pytest.mark.parametrize("value", ["0", "-2", "1.5", "two"])
def test_a_count_is_a_whole_number_from_one(value: str) -> None:
    assert READ["count"]("3", "Pieces") == 3
    with pytest.raises(ValueError):
        READ["count"](value, "Pieces")


def test_the_guard_against_formulas_is_no_part_of_a_text() -> None:
    assert text_of("'=2+2", "Name") == "=2+2"
    assert text_of("'tis a bag", "Name") == "'tis a bag"


@pytest.mark.parametrize(
    ("name", "glass"),
    [
        ("Corrie 24–70 f/2.8", (24, 70, 2.8, 2.8)),
        ("Tarn 40mm F2", (40, 40, 2, 2)),
        ("100-400 f/4.5-5.6", (100, 400, 4.5, 5.6)),
    ],
)
def test_a_lens_says_its_figures_by_its_name(name: str, glass: tuple[float, ...]) -> None:
    found = glass_of(name)
    assert (found["focal_min_mm"], found["focal_max_mm"], found["f_at_min"], found["f_at_max"]) == glass
    like = like_of(name, "Lenses")
    assert like is not None
    assert like.kind == "lens"


def test_kinds_are_known_in_the_plural_and_in_two_words() -> None:
    assert [kind_of(k) for k in ("Lenses", "Bodies", "Power bank", "bags", "Batteries")] == [
        "lens",
        "body",
        "power-bank",
        "bag",
        "battery",
    ]


def test_a_name_without_a_kind_needs_two_words_in_common() -> None:
    assert like_of("Marigold", "") is None
    tripod = like_of("My travel tripod, carbon", "")
    assert tripod is not None
    assert tripod.kind == "tripod"
