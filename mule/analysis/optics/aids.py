"""What wants ask for beside glass, and how much of it is there: it scales what a want scores.

See docs/domain/coverage.md.
"""

from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

from mule.plan.gear import SUPPORT, Ask, Gear, serves
from mule.plan.trip import Want


class AskedAid(NamedTuple):
    """What one want asks for, and how many pieces of it. want: its number. givers: loaded things that are one, each
    with its pieces."""

    want: int
    aid: Ask
    pieces: int
    givers: tuple[tuple[str, int], ...]

    def share(self, gone: Collection[str] = ()) -> float:
        """How much of it is there without these things, 0 to 1."""
        return min(1.0, sum(n for item, n in self.givers if item not in gone) / self.pieces)


@dataclass(frozen=True)
class Aids:
    """All that wants ask for beside glass and filters. wants: how many there are."""

    asked: tuple[AskedAid, ...]
    wants: int

    @cached_property
    def items(self) -> tuple[str, ...]:
        """Everything that serves something that is asked."""
        return tuple(self.counts)

    @cached_property
    def counts(self) -> Mapping[str, int]:
        """Pieces of each of them."""
        return {item: n for one in self.asked for item, n in one.givers}

    def met(self, gone: Collection[str] = ()) -> list[float]:
        """The share of what each want scores by glass that is left: that of the aid which lacks most."""
        found = [1.0] * self.wants
        for one in self.asked:
            found[one.want] = min(found[one.want], one.share(gone))
        return found

    def lacking_ever(self) -> frozenset[str]:
        """The aids of which some want has too few."""
        return frozenset(one.aid for one in self.asked if one.share() < 1)

    def with_one(self, thing: Gear) -> "Aids":
        """The same with a piece more of something that serves."""
        aid, more = serves(thing), (thing.id, 1)
        asked = (one._replace(givers=(*one.givers, more)) if one.aid == aid else one for one in self.asked)
        return Aids(tuple(asked), self.wants)

    def without(self, gone: Collection[str]) -> "Aids":
        """The same when these stay at home."""
        left = (one._replace(givers=tuple(g for g in one.givers if g[0] not in gone)) for one in self.asked)
        return Aids(tuple(left), self.wants)

    def lacking(self, want: int) -> tuple[str, ...]:
        """The aids of which a want has too few."""
        return tuple(one.aid for one in self.asked if one.want == want and one.share() < 1)


def asks_of(want: Want) -> Iterable[tuple[Ask, int]]:
    """What a want asks for beside glass and filters, with how many.

    >>> from tests import cast
    >>> list(asks_of(cast.want(low=14, high=24, steady=True)))
    [('support', 1)]
    """
    if want.steady:
        yield SUPPORT, 1
    yield from ((wish.aid, wish.count) for wish in want.aids)


def aids_of(wants: Sequence[Want], loaded: Iterable[Gear], counts: Mapping[str, int]) -> Aids:
    """What these wants ask for, and what of it is loaded. counts: pieces loaded by item id.

    >>> from tests import cast
    >>> aids_of([cast.want(low=14, high=24, steady=True)], [cast.body()], {"body": 1}).met()
    [0.0]
    """
    asking = [(number, *ask) for number, want in enumerate(wants) for ask in asks_of(want)]
    if not asking:
        return Aids((), len(wants))
    givers: dict[Ask, list[tuple[str, int]]] = {}
    for thing in loaded:
        aid = serves(thing)
        if aid:
            givers.setdefault(aid, []).append((thing.id, counts.get(thing.id, 1)))
    return Aids(
        tuple(AskedAid(number, aid, count, tuple(givers.get(aid, ()))) for number, aid, count in asking), len(wants)
    )
