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
_NO_NUMBER = "a number"
_NO_DAY = "a day, as 2027-02-20"


def complaint(kind: str, context: Mapping[str, Any], location: Sequence[int | str], text: str) -> str:
    """The rule that a field breaks, in plain words.

    kind, context, text: the sort of error, its figures and its own sentence, as pydantic tells them. location: of the
    field; its last name says what it is and in what unit.

    >>> complaint("string_too_short", {"min_length": 2}, ("people", 0, "name"), "String should have ...")
    'at least two letters for the name'
    >>> complaint("greater_than", {"gt": 0.0}, ("size", "length_mm"), "Input should be greater than 0")
    'more than 0 mm'
    """
    field = next((part for part in reversed(location) if isinstance(part, str)), "")
    say = _SAY.get(kind)
    if say:
        return say(context, field)
    plain = text.removeprefix("Value error, ").removeprefix("Assertion failed, ")
    return "something else than this" if plain.startswith(_LIBRARY_SPEAKS) else plain


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
    return f"at least {least} for the {_words(field)}" if field else f"at least {least}"


_Say = Callable[[Mapping[str, Any], str], str]
_SAY: dict[str, _Say] = {
    "missing": lambda _, field: f"the {_words(field)} is needed" if field else "this is needed",
    "string_too_short": _short,
    "string_too_long": lambda c, _: f"at most {_counted(c.get('max_length'), 'letter', 'letters')}",
    "string_pattern_mismatch": lambda _, field: (
        "small letters, digits and hyphens" if field in ("id", "item", "bag", "person") else "letters as usual here"
    ),
    "string_type": lambda *_: "words",
    "string_unicode": lambda *_: "letters that can be stored",
    "greater_than": lambda c, field: f"more than {_figure(c.get('gt'), field)}",
    "greater_than_equal": lambda c, field: f"{_figure(c.get('ge'), field)} or more",
    "less_than": lambda c, field: f"less than {_figure(c.get('lt'), field)}",
    "less_than_equal": lambda c, field: f"at most {_figure(c.get('le'), field)}",
    "multiple_of": lambda c, field: f"a multiple of {_figure(c.get('multiple_of'), field)}",
    "finite_number": lambda *_: _NO_NUMBER,
    "float_type": lambda *_: _NO_NUMBER,
    "float_parsing": lambda *_: _NO_NUMBER,
    "int_type": lambda *_: "a whole number",
    "int_parsing": lambda *_: "a whole number",
    "int_parsing_size": lambda *_: "a smaller number",
    "int_from_float": lambda *_: "a whole number",
    "bool_type": lambda *_: "yes or no",
    "bool_parsing": lambda *_: "yes or no",
    "literal_error": lambda c, _: f"one of {c.get('expected')}",
    "enum": lambda c, _: f"one of {c.get('expected')}",
    "too_short": lambda c, _: f"at least {_counted(c.get('min_length'), 'entry', 'entries')}",
    "too_long": lambda c, _: f"at most {_counted(c.get('max_length'), 'entry', 'entries')}",
    "tuple_type": lambda *_: "a list",
    "list_type": lambda *_: "a list",
    "dict_type": lambda *_: "fields with names",
    "model_type": lambda *_: "fields with names",
    "model_attributes_type": lambda *_: "fields with names",
    "date_type": lambda *_: _NO_DAY,
    "date_parsing": lambda *_: _NO_DAY,
    "date_from_datetime_parsing": lambda *_: _NO_DAY,
    "date_from_datetime_inexact": lambda *_: _NO_DAY,
    "datetime_type": lambda *_: "a day and time",
    "datetime_parsing": lambda *_: "a day and time",
    "datetime_from_date_parsing": lambda *_: "a day and time",
    "extra_forbidden": lambda *_: "a field that is known here",
    "union_tag_invalid": lambda c, _: f"one of {c.get('expected_tags')}",
    "union_tag_not_found": lambda c, _: f"its {str(c.get('discriminator', 'sort')).strip(chr(39))} must be said",
    "json_invalid": lambda *_: "a document that is whole",
    "none_required": lambda *_: "nothing",
}
