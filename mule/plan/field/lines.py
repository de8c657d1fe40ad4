"""Names of the lines of a list: the same thing in the same place has the same name, whoever makes the list."""

import re
from collections.abc import Mapping

_THING = re.compile(r"(?P<item>[^@]+)@(?:on\.(?P<person>.+)|(?P<bag>[^.]+)(?P<outside>\.outside)?)")
_FETCH = "task.fetch."


def line_of(item: str, *, bag: str | None, person: str, outside: bool) -> str:
    """The line of a thing in or outside a bag or, without a bag, on a person."""
    return f"{item}@{f'on.{person}' if bag is None else bag}{'.outside' if outside else ''}"


def packed_in(line: str) -> tuple[str, str] | None:
    """Thing and bag of a line for what lies in a bag; None for tasks and for what is outside or on somebody.

    >>> packed_in(line_of("tele", bag="ridge", person="", outside=False))
    ('tele', 'ridge')
    >>> packed_in(line_of("tele", bag=None, person="ines", outside=False))
    """
    item, at, bag = line.partition("@")
    return (item, bag) if at and "." not in bag and not line.startswith(_FETCH) else None


def fetch_line(item: str) -> str:
    """The task of fetching a thing that is not here."""
    return f"{_FETCH}{item}"


def relined(line: str, ids: Mapping[str, str]) -> str:
    """The same line for things that go by other ids. What names no thing stays as it is."""
    if line.startswith(_FETCH):
        item = line.removeprefix(_FETCH)
        return fetch_line(ids.get(item, item))
    found = _THING.fullmatch(line)
    if found is None:
        return line
    item, person, bag = found["item"], found["person"], found["bag"]
    return line_of(
        ids.get(item, item),
        bag=ids.get(bag, bag) if bag else None,
        person=person or "",
        outside=bool(found["outside"]),
    )
