"""The one error tree. Exceptions are for impossible input; "cannot be done" is an answer, not an error."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from pydantic import ValidationError


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


# Pydantic puts these in a location to tell union branches apart; a person never typed them.
_BRANCH_FIELDS = ("function-after", "tagged-union")


def _path(location: tuple[int | str, ...], tags: frozenset[str]) -> str:
    parts = [str(part) for part in location]
    return ".".join(p for p in parts if p not in tags and not p.startswith(_BRANCH_FIELDS))


def invalid(error: ValidationError, prefix: str = "", tags: frozenset[str] = frozenset()) -> InvalidInput:
    """The same complaint as ``error`` in our own tree.

    prefix: put before every field path. tags: union tags (``lens``, ``box``) to leave out of the paths.
    """
    problems = []
    for item in error.errors(include_url=False, include_context=False):
        path = _path(item["loc"], tags)
        field = ".".join(p for p in (prefix, path) if p)
        problems.append(Problem(field, shorten(item.get("input", "")), item["msg"]))
    return InvalidInput(problems)
