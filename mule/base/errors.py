"""The one error tree. Exceptions are for impossible input; "cannot be done" is an answer, not an error."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from pydantic import ValidationError

from mule.base.complaints import complaint


@dataclass(frozen=True)
class Problem:
    """One thing wrong with an input.

    field: dotted path of the place it came from (``gear.3.mass_g``); empty for the whole document.
    value: what was received, shortened.
    rule: what would have been accepted, as a sentence.
    """

    field: str
    value: str
    rule: str


class MuleError(Exception):
    """Root of the errors this core raises on purpose."""


class InvalidInput(MuleError):
    """The input cannot mean anything: wrong type, out of range, or it refers to what is not there."""

    def __init__(self, problems: Sequence[Problem]) -> None:
        self.problems = tuple(problems)
        super().__init__("; ".join(f"{p.field or 'document'}: {p.rule}" for p in self.problems))


def shorten(value: Any, limit: int = 80) -> str:
    """What the user typed, cut to ``limit`` characters so that an answer never echoes a megabyte."""
    text = value if isinstance(value, str) else repr(value)
    return text if len(text) <= limit else text[: limit - 1] + "…"


# Fields that hold a tagged union (or a list of one): pydantic puts the tag of the branch after them in its locations.
_UNION_FIELDS = frozenset({"thing", "gear", "size", "place", "edits"})


def plain_path(location: Sequence[int | str], root: str = "") -> str:
    """A pydantic location as the dotted path a person would follow, without the tags of union branches.

    root: name of the field the location starts in; it is not part of the path.

    >>> plain_path(("gear", 3, "lens", "size", "box", "length_mm"))
    'gear.3.size.length_mm'
    """
    parts: list[str] = []
    at_union = root in _UNION_FIELDS
    for part in location:
        if isinstance(part, int):
            parts.append(str(part))
        elif at_union:
            at_union = False
        elif not part.startswith("function-after"):
            parts.append(part)
            at_union = part in _UNION_FIELDS
    return ".".join(parts)


def rule_of(item: Mapping[str, Any]) -> str:
    """The rule that one of pydantic's errors breaks, in plain words."""
    return complaint(item["type"], item.get("ctx") or {}, item["loc"], item["msg"])


def invalid(error: ValidationError, root: str = "") -> InvalidInput:
    """The same complaint as ``error`` in our own tree; ``root`` as for plain_path."""
    return InvalidInput(
        [
            Problem(plain_path(item["loc"], root), shorten(item.get("input", "")), rule_of(item))
            for item in error.errors(include_url=False)
        ]
    )
