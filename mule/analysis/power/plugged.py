"""Which sources are plugged in at all: one more charger may take an outlet, or a bank's energy, from what helps more;
then it stays out.

Where chargers share outlets, a queue worked off in order can come out worse for one machine more (R. L. Graham, Bounds
on multiprocessing timing anomalies, 1969). Somebody who sees that leaves it unplugged; so does this.
"""

from collections.abc import Callable, Iterable, Iterator, Mapping
from dataclasses import replace
from itertools import product
from math import prod
from typing import Any, NamedTuple

from mule.analysis.power.case import PowerCase
from mule.analysis.power.packs import BankKind
from mule.analysis.power.sources import ChargingSources, PackCharger, WallPlug


class Reach(NamedTuple):
    """How far a kit gets: days before the first short one; of what that one asks, what the user lets go first, then
    all.

    in_vain: all that was short then would be so with full packs, too, so that no other way of charging gets further."""

    days: int
    first_wh: float
    all_wh: float
    in_vain: bool = False

    @property
    def worth(self) -> tuple[int, float, float]:
        """What is compared."""
        return self.days, self.first_wh, self.all_wh


_Piece = tuple[str, PackCharger | WallPlug | BankKind]
_KINDS = ("mains", "usb", "car", "plugs")
# More choices than this are not gone through.
_MOST_CHOICES = 96


def plugged_in(case: PowerCase, reach: Callable[[ChargingSources], Reach]) -> ChargingSources:
    """The sources that carry furthest: all of them, or else the most that do not stand in each other's way.

    reach: how far a choice of sources gets.
    """
    every = case.every_source
    best, chosen = reach(every), every
    if best.in_vain or best.days == len(case.days):
        return every
    for fewer in _choices(case):
        if (gets := reach(fewer)).worth > best.worth:
            best, chosen = gets, fewer
            if best.in_vain or best.days == len(case.days):
                break
    return chosen


def too_many(case: PowerCase) -> bool:
    """Whether there are more choices of what to plug in than are gone through, however thorough."""
    return _ways(_pieces(case)) > _MOST_CHOICES


def _pieces(case: PowerCase) -> dict[_Piece, int]:
    """Chargers, plugs, cameras and banks that may stay out, by how they are plugged in.

    None of what nothing feeds, and no bank that is the only one.
    """
    sources, outlets = case.every_source, any(day.outlets for day in case.days)
    driven = any(day.car_h for day in case.days)
    live = {
        "mains": outlets,
        "usb": bool(case.banks) or driven or (outlets and bool(sources.plugs)),
        "car": driven,
        "plugs": outlets,
    }
    pieces: dict[_Piece, int] = {}
    for kind in (kind for kind in _KINDS if live[kind]):
        for source in getattr(sources, kind):
            pieces[kind, source] = pieces.get((kind, source), 0) + 1
    if len(case.banks) > 1:
        # All of one kind of bank, or none.
        pieces.update({("bank", bank): 1 for bank in case.banks})
    return pieces


def _choices(case: PowerCase) -> Iterator[ChargingSources]:
    """Choices of what is plugged in, those with most of it first; each with banks that fill all, or are kept for what
    will be short."""
    sources, pieces = case.every_source, _pieces(case)
    ways = _any_left(pieces) if case.thorough and not too_many(case) else _likely_left(pieces)
    for number, left in enumerate(ways):
        chosen: dict[str, Any] = {kind: tuple(_kept(getattr(sources, kind), kind, left)) for kind in _KINDS}
        resting = frozenset(bank.item for kind, bank in pieces if isinstance(bank, BankKind) and not left[kind, bank])
        made = replace(sources, resting=resting, **chosen)
        if number:
            # The first, with all of it, is known.
            yield made
        if case.banks:
            yield replace(made, frugal=True)


def _any_left(pieces: Mapping[_Piece, int]) -> Iterator[Mapping[_Piece, int]]:
    """Any choice, by how many are left of each; all of them first."""
    for counts in sorted(product(*(range(n, -1, -1) for n in pieces.values())), key=sum, reverse=True):
        yield dict(zip(pieces, counts, strict=True))


def _likely_left(pieces: Mapping[_Piece, int]) -> Iterator[Mapping[_Piece, int]]:
    """Any choice of chargers and plugs; else all of them and all but one of cameras and banks."""
    chargers = {piece: n for piece, n in pieces.items() if isinstance(piece[1], WallPlug) or _has_bays(piece[1])}
    if _ways(chargers) <= _MOST_CHOICES:
        yield from ({**pieces, **left} for left in _any_left(chargers))
    else:
        yield pieces
    for piece, n in pieces.items():
        if piece not in chargers:
            yield {**pieces, piece: n - 1}


def _has_bays(source: PackCharger | WallPlug | BankKind) -> bool:
    return isinstance(source, PackCharger) and source.bays > 0


def _ways(pieces: Mapping[_Piece, int]) -> int:
    return prod(n + 1 for n in pieces.values())


def _kept(
    sources: Iterable[PackCharger | WallPlug], kind: str, left: Mapping[_Piece, int]
) -> Iterator[PackCharger | WallPlug]:
    counts = dict(left)
    for source in sources:
        if (kind, source) not in counts:
            yield source
        elif counts[kind, source]:
            counts[kind, source] -= 1
            yield source
