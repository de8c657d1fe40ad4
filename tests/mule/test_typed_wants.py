"""Wants as people say them."""

import pytest

from mule.intake.typed_wants import _SUBJECTS, MOST_WANTS, understand_wants
from mule.plan.trip.wants import Trait, Want


def only(text: str) -> Want | None:
    (one,) = understand_wants(text)
    return one.want


@pytest.mark.parametrize(
    ("text", "like"),
    [
        ("milky way", "stars"),
        ("Waterfalls", "slow-water"),
        ("birds", "small-birds"),
        ("sea eagles in the mist", "large-birds"),
        ("Fisherfolk portraits", "faces"),
        ("churches", "interiors"),
        ("mushroms", "fungi"),
        ("northern lights over the fjord", "aurora"),
        ("butterflies", "macro"),
    ],
)
def test_a_subject_is_known_by_its_words(text: str, like: str) -> None:
    want = only(text)
    assert want is not None
    assert (want.id, want.name) == (like, text[0].upper() + text[1:])


def test_figures_set_the_range_and_a_last_number_how_much_it_matters() -> None:
    want = only("ruins 24-70 f/4 5")
    assert want is not None
    assert (want.focal_min_mm, want.focal_max_mm, want.max_f_number, want.importance) == (24, 70, 4, 5)
    birds = only("birds 100-400")
    assert birds is not None
    assert (birds.focal_min_mm, birds.focal_max_mm, birds.subject) == (100, 400, None)
    assert [wish.trait for wish in birds.traits] == [Trait.AUTOFOCUS]


def test_a_text_falls_into_wants_with_ids_of_their_own() -> None:
    found = understand_wants("waterfalls, streams; birds and waves\naurora", {"slow-water"})
    assert [one.want and one.want.id for one in found] == [
        "slow-water-2",
        "slow-water-3",
        "small-birds",
        "waves",
        "aurora",
    ]


@pytest.mark.parametrize("text", ["flying carpets", "5", "x"])
def test_what_is_no_subject_says_so(text: str) -> None:
    assert only(text) is None


def test_every_subject_is_found_by_every_word_of_its_own() -> None:
    for said, _ in _SUBJECTS:
        for word in said.split():
            assert only(word) is not None, word


def test_no_more_than_most() -> None:
    assert len(understand_wants("birds," * 100)) == MOST_WANTS
