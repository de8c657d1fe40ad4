"""What things are for: a closed list, and what landed versions wrote before there was one."""

from typing import Any

import pytest

from mule.base.errors import InvalidInput
from mule.findings.assess import assess
from mule.plan.gear import Other, Safety, is_for, is_water, parse
from mule.plan.places import AsPiece, InBag
from mule.plan.purposes import Purpose, load_purpose_of, purpose_of
from mule.plan.trip import BaseLoad
from tests import cast

# Word for word what each of ten lists matched, in seven packages.
TYPED = {
    "water": "water",
    "bottle": "water",
    "drink": "water",
    "food": "food",
    "medicine": "medicine",
    "documents": "papers",
    "passports": "papers",
    "papers": "papers",
    "tickets": "papers",
    "permits": "papers",
    "clothing": "clothing",
    "clothes": "clothing",
    "sleeping bag": "sleeping",
    "sleeping": "sleeping",
    "shelter": "shelter",
    "tent": "shelter",
    "walking": "walking",
    "rain": "cover",
    "rain cover": "cover",
    "weather": "cover",
    "strap": "straps",
    "straps": "straps",
    "carrying": "straps",
    "cleaning": "cleaning",
    "waterproof": "other",
    "water safety": "other",
    "first aid": "other",
}


def spec(kind: str, **more: Any) -> dict[str, Any]:
    size = {"shape": "soft", "volume_l": 0.5}
    return {"kind": kind, "id": "thing", "name": "Thing", "mass_g": 100, "size": size, **more}


@pytest.mark.parametrize("kind", ["other", "safety"])
@pytest.mark.parametrize(("typed", "purpose"), TYPED.items())
def test_what_was_typed_is_read_word_by_word_whatever_its_letters(kind: str, typed: str, purpose: str) -> None:
    for use in (typed, typed.title(), f" {typed.upper()} "):
        assert purpose_of(use) == purpose
        read = parse(spec(kind, use=use))
        assert is_for(read, Purpose(purpose))
        assert isinstance(read, Other | Safety)
        # Sets for everybody list their parts by what was typed.
        assert read.filed_as == typed
        assert parse(read.model_dump(mode="json")) == read


def test_two_words_for_one_purpose_are_refused_at_their_place() -> None:
    with pytest.raises(InvalidInput, match="use"):
        parse(spec("other", use="water", purpose="food"))
    with pytest.raises(InvalidInput, match="use"):
        parse(spec("other", use=7))
    with pytest.raises(InvalidInput, match="purpose"):
        parse(spec("other", purpose="Medicine"))


@pytest.mark.parametrize(
    ("name", "purpose"),
    [
        ("Water", "water"),
        ("2 l of water", "water"),
        ("Water for the way", "water"),
        ("Waterproof jacket", "other"),
        ("Water filter", "other"),
        ("Watercolours", "other"),
        ("Food for the day", "food"),
        ("Food bag, empty", "other"),
        ("Seafood knife", "other"),
        ("Clothes worn", "other"),
    ],
)
def test_what_somebody_carries_anyway_counts_by_whole_words(name: str, purpose: str) -> None:
    assert load_purpose_of(name) == purpose
    assert BaseLoad.model_validate({"name": name, "mass_g": 600}).purpose == purpose
    assert BaseLoad.model_validate({"name": name, "mass_g": 600, "purpose": "food"}).purpose == "food"


@pytest.mark.parametrize("kind", ["other", "safety"])
@pytest.mark.parametrize("use", ["medicine", "Medicine"])
def test_medicine_in_the_hold_is_seen_whoever_typed_it_and_of_whatever_kind(kind: str, use: str) -> None:
    hold = cast.bag("hold", piece="hold")
    pills = parse(spec(kind, use=use))
    made = cast.plan(
        [hold, pills], cast.entry("hold", AsPiece(piece="hold", person="ines")), cast.entry("thing", InBag(bag="hold"))
    )
    assert "medicine-held" in {f.code for f in assess(made).findings}
    assert not is_water(pills)
