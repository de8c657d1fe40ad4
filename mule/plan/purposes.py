"""What things that take no pictures are for: a closed list, and the one table that reads the free text of before."""

import re
from collections.abc import Mapping
from enum import StrEnum
from typing import Any


class Purpose(StrEnum):
    """What something is for, as far as rules ask: they match these and never words that somebody typed."""

    WATER = "water"
    FOOD = "food"
    MEDICINE = "medicine"
    PAPERS = "papers"
    CLOTHING = "clothing"
    SLEEPING = "sleeping"
    SHELTER = "shelter"
    WALKING = "walking"
    COVER = "cover"
    STRAPS = "straps"
    CLEANING = "cleaning"
    OTHER = "other"


# What rules matched while a purpose was free text, word for word.
_TYPED: Mapping[str, Purpose] = {
    **dict.fromkeys(("water", "bottle", "drink"), Purpose.WATER),
    "food": Purpose.FOOD,
    **dict.fromkeys(("medicine", "medicines", "medication"), Purpose.MEDICINE),
    **dict.fromkeys(("papers", "documents", "passports", "tickets", "permits"), Purpose.PAPERS),
    **dict.fromkeys(("clothing", "clothes"), Purpose.CLOTHING),
    **dict.fromkeys(("sleeping", "sleeping bag"), Purpose.SLEEPING),
    **dict.fromkeys(("shelter", "tent"), Purpose.SHELTER),
    "walking": Purpose.WALKING,
    **dict.fromkeys(("rain", "rain cover", "weather"), Purpose.COVER),
    **dict.fromkeys(("strap", "straps", "carrying"), Purpose.STRAPS),
    "cleaning": Purpose.CLEANING,
}
# Whole words in the name of a base load. With a word of the third set it is something else: a water filter, a food bag.
_WATER = frozenset({"water", "drink", "drinks", "tea"})
_FOOD = frozenset({"food", "lunch", "snacks", "meals", "provisions"})
_NOT_IT = frozenset({"bag", "cooker", "filter", "pot", "proof", "pump", "purifier", "shoes", "tablets", "treatment"})


def purpose_of(typed: str) -> Purpose:
    """The purpose that a use typed by hand stood for.

    >>> purpose_of("Rain cover"), purpose_of("flowers")
    (<Purpose.COVER: 'cover'>, <Purpose.OTHER: 'other'>)
    """
    return _TYPED.get(typed.strip().lower(), Purpose.OTHER)


def load_purpose_of(name: str) -> Purpose:
    """Water, food or neither, by the whole words in the name of a base load.

    >>> load_purpose_of("Water for the way"), load_purpose_of("Waterproof jacket")
    (<Purpose.WATER: 'water'>, <Purpose.OTHER: 'other'>)
    """
    words = set(re.findall(r"[^\W\d_]+", name.lower()))
    if words & _NOT_IT:
        return Purpose.OTHER
    return Purpose.WATER if words & _WATER else Purpose.FOOD if words & _FOOD else Purpose.OTHER


def with_purpose(data: Any) -> Any:
    """A thing's JSON shape, where it still has a ``use`` typed by hand: a purpose and, where it said more, a label."""
    if not isinstance(data, dict) or "use" not in data or not {"purpose", "label"}.isdisjoint(data):
        return data
    use = data["use"]
    if not isinstance(use, str):
        return data
    rest = {key: value for key, value in data.items() if key != "use"}
    purpose = purpose_of(use)
    said = {} if use.strip().lower() == purpose or not use.strip() else {"label": use}
    return {**rest, "purpose": purpose.value, **said}
