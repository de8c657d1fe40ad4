"""What is demanded of kits so that they last."""

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass
from typing import Literal, NamedTuple, Protocol, TypeVar

# What a kit has to last in; where no kit does, the last of these is let go first.
LastingPart = Literal["power", "cards", "copies"]
PARTS: tuple[LastingPart, ...] = ("power", "cards", "copies")


class AtLeast(NamedTuple):
    """Pieces of things, each counted with a weight, come to so much."""

    weights: frozenset[tuple[str, int]]
    least: int


@dataclass(frozen=True)
class Ask:
    """In a kit with all of ``given``, whose first camera is one of ``first`` (None: whichever): one of ``ways``."""

    part: LastingPart
    given: tuple[AtLeast, ...]
    first: frozenset[str] | None
    ways: tuple[AtLeast, ...]


def pieces_of(items: Iterable[str], least: int) -> AtLeast:
    """So many pieces of these."""
    return AtLeast(frozenset((item, 1) for item in items), least)


def weighed(weights: Mapping[str, int], least: int) -> AtLeast:
    """So much of these by weight."""
    return AtLeast(frozenset((item, n) for item, n in weights.items() if n), least)


# Kits that are short together, told by how much they draw.
F = TypeVar("F")


class Draws(Protocol[F]):
    """What draws in one part, by families of kits that draw at least so much."""

    def family(self, pieces: Mapping[str, int]) -> F:
        """All kits that draw as much as one. pieces: of things in play."""
        ...

    def reduced(self, family: F, short: Callable[[F], bool]) -> F:
        """A family as wide as can be that still is short, of which the given one is a part."""
        ...

    def given(self, family: F) -> tuple[tuple[AtLeast, ...], frozenset[str] | None]:
        """What tells the kits of a family: how much comes along, and which camera may be the first."""
        ...

    def touched_by(self, family: F, group: object) -> bool:
        """Whether things of a group could do anything for a family."""
        ...

    def lacking(self, family: F, gives: Mapping[str, int], ports: Mapping[str, int], *, ample: bool) -> frozenset[str]:
        """What lacks with so much that draws, and so much that gives beside what stays."""
        ...
