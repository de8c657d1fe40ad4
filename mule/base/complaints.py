"""What is wrong with a field, said as a colleague would: a library's own sentences never reach a photographer."""

from collections.abc import Callable, Mapping, Sequence
from typing import Any

_NUMBERS = ("no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten")
# What a figure is counted in, by the ending of its field's name.
_UNITS = {
    "mb_s": "MB/s",
    "mbit_s": "Mbit/s",
    "mm": "mm",
    "cm": "cm",
    "kg": "kg",
    "g": "g",
    "l": "l",
    "wh": "Wh",
    "w": "W",
    "gb": "GB",
    "mb": "MB",
    "h": "h",
    "min": "min",
    "s": "s",
    "c": "°C",
    "in": "in",
    "px": "px",
    "m": "m",
    "volts": "V",
    "megapixels": "MP",
}
# How a library begins its own sentences.
_LIBRARY_SPEAKS = ("Input ", "String ", "Field ", "Value ", "List ", "Tuple ", "Unable ", "Data ", "Object ")
_NO_NUMBER = "must be a number"
_NO_DAY = "must be a date, such as 2027-02-20"


def complaint(kind: str, context: Mapping[str, Any], location: Sequence[int | str], text: str) -> str:
    """The rule that a field breaks, in plain words.

    kind, context, text: the sort of error, its figures and its own sentence, as pydantic tells them. location: of the
    field; its last name says what it is and in what unit.

    >>> complaint("string_too_short", {"min_length": 2}, ("people", 0, "name"), "String should have ...")
    'the name needs at least two letters'
    >>> complaint("greater_than", {"gt": 0.0}, ("size", "length_mm"), "Input should be greater than 0")
    'must be more than 0 mm'
    """
    field = next((part for part in reversed(location) if isinstance(part, str)), "")
    if kind in _PLAIN:
        return _PLAIN[kind]
    say = _SAY.get(kind)
    if say:
        return say(context, field)
    plain = text.removeprefix("Value error, ").removeprefix("Assertion failed, ")
    return "is not accepted here" if plain.startswith(_LIBRARY_SPEAKS) else plain


def _figure(value: Any, field: str) -> str:
    told = f"{value:,.10g}".replace(",", " ") if isinstance(value, int | float) else str(value)
    unit = next((unit for end, unit in _UNITS.items() if field == end or field.endswith(f"_{end}")), "")
    return f"{told} {unit}".strip()


def _counted(count: Any, one: str, many: str) -> str:
    word = _NUMBERS[count] if isinstance(count, int) and 0 <= count < len(_NUMBERS) else f"{count:,}".replace(",", " ")
    return f"{word} {one if count == 1 else many}"


def _words(field: str) -> str:
    """A field's name as a word, without its unit: mass_g is the mass."""
    unit = next((end for end in sorted(_UNITS, key=len, reverse=True) if field.endswith(f"_{end}")), "")
    return field.removesuffix(f"_{unit}").replace("_", " ")


def _short(context: Mapping[str, Any], field: str) -> str:
    least = _counted(context.get("min_length"), "letter", "letters")
    return f"the {_words(field)} needs at least {least}" if field else f"needs at least {least}"


_Say = Callable[[Mapping[str, Any], str], str]
# Rules without a figure or a name in them.
_PLAIN: Mapping[str, str] = {
    "string_type": "must be text",
    "string_unicode": "use letters that can be stored",
    "finite_number": _NO_NUMBER,
    "float_type": _NO_NUMBER,
    "float_parsing": _NO_NUMBER,
    "int_type": "must be a whole number",
    "int_parsing": "must be a whole number",
    "int_parsing_size": "must be a smaller number",
    "int_from_float": "must be a whole number",
    "bool_type": "must be yes or no",
    "bool_parsing": "must be yes or no",
    "tuple_type": "must be a list",
    "list_type": "must be a list",
    "dict_type": "must have named fields",
    "model_type": "must have named fields",
    "model_attributes_type": "must have named fields",
    "date_type": _NO_DAY,
    "date_parsing": _NO_DAY,
    "date_from_datetime_parsing": _NO_DAY,
    "date_from_datetime_inexact": _NO_DAY,
    "datetime_type": "must be a date and time",
    "datetime_parsing": "must be a date and time",
    "datetime_from_date_parsing": "must be a date and time",
    "extra_forbidden": "is not a known field",
    "json_invalid": "must be a complete document",
    "none_required": "must be empty",
}
_SAY: dict[str, _Say] = {
    "missing": lambda _, field: f"enter the {_words(field)}" if field else "fill this in",
    "string_too_short": _short,
    "string_too_long": lambda c, _: f"use at most {_counted(c.get('max_length'), 'letter', 'letters')}",
    "string_pattern_mismatch": lambda _, field: (
        "use small letters, digits and hyphens" if field in ("id", "item", "bag", "person") else "use ordinary letters"
    ),
    "greater_than": lambda c, field: f"must be more than {_figure(c.get('gt'), field)}",
    "greater_than_equal": lambda c, field: f"must be {_figure(c.get('ge'), field)} or more",
    "less_than": lambda c, field: f"must be less than {_figure(c.get('lt'), field)}",
    "less_than_equal": lambda c, field: f"must be at most {_figure(c.get('le'), field)}",
    "multiple_of": lambda c, field: f"must be a multiple of {_figure(c.get('multiple_of'), field)}",
    "literal_error": lambda c, _: f"must be one of {c.get('expected')}",
    "enum": lambda c, _: f"must be one of {c.get('expected')}",
    "too_short": lambda c, _: f"needs at least {_counted(c.get('min_length'), 'entry', 'entries')}",
    "too_long": lambda c, _: f"takes at most {_counted(c.get('max_length'), 'entry', 'entries')}",
    "union_tag_invalid": lambda c, _: f"must be one of {c.get('expected_tags')}",
    "union_tag_not_found": lambda c, _: f"enter its {str(c.get('discriminator', 'kind')).strip(chr(39))}",
}
