"""What a cell of a gear table says: masses in grams, lengths in millimetres, whatever unit it or its title has."""

import re
from collections.abc import Callable, Mapping
from typing import Any

# What a unit in a title or a cell multiplies by, to grams or millimetres.
_UNITS = {"kg": 1000.0, "g": 1.0, "lb": 453.59237, "oz": 28.349523125, "cm": 10.0, "mm": 1.0, "in": 25.4, "m": 1000.0}


def text_of(value: Any, column: str) -> str:
    """The text of a cell. A spreadsheet's guard against formulas is no part of it."""
    text = str(value).strip()
    return text[1:] if text[:1] == "'" and text[1:2] in "=+-@" else text


def _count(value: Any, column: str) -> int:
    number = float(value) if isinstance(value, int | float) else float(str(value).strip())
    if number != int(number) or number < 1:
        raise ValueError(value)
    return int(number)


def _measure(value: Any, column: str) -> float:
    """ "0,8 kg", "800" under "Weight (g)", 12.5 under "Length cm": in grams or millimetres."""
    if isinstance(value, bool):
        raise ValueError(value)
    unit = next(iter(re.findall(r"\b(kg|g|lb|oz|cm|mm|in|m)\b", column.lower().replace("_", " "))), None)
    if isinstance(value, int | float):
        return float(value) * _UNITS[unit or "g"]
    found = re.fullmatch(r"\s*(-?\d+(?:[.,]\d+)?)\s*(kg|g|lb|oz|cm|mm|in|m)?\s*", str(value).lower())
    if found is None:
        raise ValueError(value)
    return float(found[1].replace(",", ".")) * _UNITS[found[2] or unit or "g"]


def _plain_number(value: Any, column: str) -> float:
    return float(value) if isinstance(value, int | float) else float(str(value).strip().replace(",", "."))


READ: Mapping[str, Callable[[Any, str], Any]] = {
    "count": _count,
    "mass_g": _measure,
    "length_mm": _measure,
    "width_mm": _measure,
    "height_mm": _measure,
    "diameter_mm": _measure,
    "volume_l": _plain_number,
    "value": _plain_number,
}
_LENGTHS = ("length_mm", "width_mm", "height_mm", "diameter_mm")
RULE: Mapping[str, str] = {
    "count": "must be a whole number, 1 or more",
    "mass_g": "a mass: 800, 800 g or 0.8 kg",
    "value": "a number",
    **dict.fromkeys(_LENGTHS, "must be a length: 88, 88 mm or 8.8 cm"),
}
