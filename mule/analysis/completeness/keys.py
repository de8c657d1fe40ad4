"""The words of completeness: things offer keys and need keys (docs/domain/completeness.md)."""

from typing import Literal, NamedTuple

from mule.plan.gear import MOST_LINKS

Sort = Literal["link", "purpose", "asked"]


class Key(NamedTuple):
    """Something a thing can offer: a pack of a type, a port, a thread. links: how many links lie in between."""

    what: str
    label: str = ""
    links: int = 0


class Offer(NamedTuple):
    """A loaded thing gives ``key``, by itself or where ``through`` is given."""

    key: Key
    through: Key | None = None


class Need(NamedTuple):
    """A loaded thing wants one of ``keys``.

    link: it does not work without. purpose: it is of no use without (an orphan). asked: a want, not a
    thing, asks for it. when: only where this is given.
    """

    sort: Sort
    what: str
    label: str
    keys: tuple[Key, ...]
    when: Key | None = None


def up_to(what: str, label: str, links: int = MOST_LINKS) -> tuple[Key, ...]:
    """The keys of one thing with no link, one, and so on in between."""
    return tuple(Key(what, label, n) for n in range(links + 1))


def thread(mm: float) -> str:
    """A filter thread as a label.

    >>> thread(82.0)
    '82'
    """
    return f"{mm:g}"
