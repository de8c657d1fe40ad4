"""What the app says: words that were given up stay given up, and every string keeps a few simple rules."""

import pytest

from scripts.terms import ROOT, given_up, glossary, terms
from scripts.words import Said, faults, old_words, said, sentences
from tests.journeys import labels

# Strings that use a word of the list in another sense.
ALLOWED = {
    "Add the pictures you want to come home with. Then each lens has a worth.",
    "Cropping that far leaves too few megapixels",
    "Fungi and leaves",
    "Shots you want",
    "The outer sizes of the items, added up, against the litres inside. This leaves out how they fit together.",
    "This link has expired or was revoked. Ask for a new one.",
    "fungi mushroom leaf leaves flower plant moss",
    "it leaves …, marked “always take”",
    "it leaves …, which the search always takes",
    "of the shots you want",
    "… leaves it",
    "… lies on …",
}
# Names of a mode and a screen, and parts of a sentence.
HEADS = {"What if.", "Which bag", "that day", "that night", "what if"}


@pytest.fixture(scope="module")
def every() -> list[Said]:
    return said()


def test_no_string_uses_a_word_that_was_given_up(every: list[Said]) -> None:
    assert len(every) > 3_000
    used = {one.text: better for better, some in old_words(every).items() for one in some}
    assert {text: better for text, better in used.items() if text not in ALLOWED} == {}
    assert ALLOWED - set(used) == set(), "allowed, but no longer said"


def test_every_string_keeps_the_rules(every: list[Said]) -> None:
    broken = {one.text: found for one in every if (found := faults(one))}
    assert {text: found for text, found in broken.items() if text not in HEADS} == {}


@pytest.mark.parametrize(
    ("text", "fault"),
    [
        ("What is left over", "a head that only says what or which"),
        ("load a body first.", "a sentence that starts small"),
        ("Load a  body", "two spaces"),
        (" ".join(["word"] * 23), "more than 22 words"),
    ],
)
def test_each_rule_finds_its_fault(text: str, fault: str) -> None:
    assert faults(Said("a:1", text)) == [fault]
    assert faults(Said("a:1", "Load a body first. What is missing?")) == []


def test_text_that_goes_on_from_other_text_may_start_small() -> None:
    assert faults(Said("a:1", "items have no value yet.", part=True)) == []


def test_where_a_string_stands_is_told_and_what_is_put_in_is_left_out(every: list[Said]) -> None:
    (nothing,) = [one for one in every if one.text == "This bag is ready."]
    path, line = nothing.at.split(":")
    assert nothing.text in (ROOT / path).read_text().splitlines()[int(line) - 1]
    assert any("…" in one.text for one in every if one.at.startswith("web/"))
    assert any("…" in one.text for one in every if one.at.startswith("server/"))


def test_a_word_given_up_is_found_in_any_case_but_not_within_another() -> None:
    assert list(
        old_words([Said("a:1", "Bank 90 Wh"), Said("a:2", "Power bank, 90 Wh"), Said("a:3", "embankment")])
    ) == ["power bank"]
    assert [one.at for one in old_words([Said("a:1", "The want"), Said("a:2", "unwanted")])["shot"]] == ["a:1"]
    assert len(given_up()) > 40


def test_a_sentence_ends_at_its_point() -> None:
    assert [len(words) for words in sentences(["Load 2 of it. Then it lasts: all day"])] == [4, 3, 2]


def test_the_glossary_is_made_from_the_table() -> None:
    assert (ROOT / "docs" / "glossary.md").read_text() == glossary(), "make words"
    words = [term.word for term in terms()]
    assert len(words) == len(set(words)) > 80


def test_the_journeys_look_for_what_the_app_says(every: list[Said]) -> None:
    texts = {one.text for one in every}
    looked_for = {text for name, text in vars(labels).items() if name.isupper()}
    assert len(looked_for) > 200
    assert sorted(looked_for - texts) == []
