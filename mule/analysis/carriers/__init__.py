"""Carriers: does each leg take each bag. The front door is ``check`` (docs/domain/carriers.md)."""

from collections.abc import Mapping, Sequence
from typing import Literal

from mule.analysis.carriers.restricted import Judged, Lying, judge, sort_of, strictest
from mule.base.units import Frozen, Number, Sides
from mule.plan.carriers import Carrier, PieceRule
from mule.plan.places import PieceKind
from mule.plan.trip import Leg

Limit = Literal["size", "sum", "mass", "soft", "count", "together"]
# These are about the sides of a bag.
SIZED: tuple[Limit, ...] = ("size", "sum")


class Luggage(Frozen):
    """A bag as a carrier sees it: sides in millimetres, mass in grams, squeeze_mm the give of its thinnest side.
    hard: a case that gives nowhere."""

    bag: str
    person: str
    piece: PieceKind
    size_mm: Sides
    mass_g: Number
    squeeze_mm: Number = 0
    hard: bool = False


class Check(Frozen):
    """One limit against one figure. Sizes give the side that is most over (or nearest); units are mm, g or pieces.

    bag is None where the limit is on all of a person's pieces. size_mm, frame_mm: all sides of the bag as it is, and of
    the frame, longest first, where sizes are compared; squeeze_mm: how far its thinnest side gives, which is taken off.
    """

    leg: str
    limit: Limit
    piece: PieceKind | None
    person: str
    bag: str | None
    value: float
    allowed: float
    passes: bool
    size_mm: Sides | None = None
    frame_mm: Sides | None = None
    squeeze_mm: float = 0

    @property
    def over(self) -> float:
        """By how much the figure passes the limit; 0 or less when it is within."""
        return self.value - self.allowed


class LegVerdict(Frozen):
    """Whether one leg takes everything, and every limit looked at.

    limits: whether the carrier states any at all. loadout: as which the kit is packed on it, None for transit.
    """

    leg: str
    carrier: str | None
    passes: bool
    limits: bool
    checks: tuple[Check, ...]
    loadout: str | None = None


def squeezed(size_mm: Sequence[float], squeeze_mm: float) -> tuple[float, float, float]:
    """Sorted sides, longest first, with the thinnest pressed in as far as it gives.

    size_mm: sides in any order, in millimetres; squeeze_mm: how far the thinnest gives.

    >>> squeezed((540, 240, 380), squeeze_mm=30)
    (540, 380, 210)
    """
    long, middle, thin = sorted(size_mm, reverse=True)
    return long, middle, max(1.0, thin - squeeze_mm)


def _size(leg: str, bag: Luggage, frame: Sequence[float]) -> Check:
    """Sides against the frame, both sorted; reports the side that is most over."""
    pairs = zip(squeezed(bag.size_mm, bag.squeeze_mm), sorted(frame, reverse=True), strict=True)
    value, allowed = max(pairs, key=lambda pair: pair[0] - pair[1])
    return _check(leg, "size", bag, value, allowed, frame)


def _check(
    leg: str, limit: Limit, bag: Luggage, value: float, allowed: float, frame: Sequence[float] | None = None
) -> Check:
    sized = limit in SIZED
    return Check(
        leg=leg,
        limit=limit,
        piece=bag.piece,
        person=bag.person,
        bag=bag.bag,
        value=value,
        allowed=allowed,
        passes=value <= allowed,
        size_mm=_longest_first(bag.size_mm) if sized else None,
        frame_mm=_longest_first(frame) if frame else None,
        squeeze_mm=bag.squeeze_mm if sized else 0,
    )


def _longest_first(sides: Sequence[float]) -> Sides:
    long, middle, thin = sorted(sides, reverse=True)
    return long, middle, thin


def _one_bag(leg: str, bag: Luggage, rule: PieceRule) -> list[Check]:
    checks = []
    if rule.size_mm is not None:
        checks.append(_size(leg, bag, rule.size_mm))
    if rule.sum_mm is not None:
        checks.append(_check(leg, "sum", bag, sum(squeezed(bag.size_mm, bag.squeeze_mm)), rule.sum_mm))
    if rule.mass_g is not None:
        checks.append(_check(leg, "mass", bag, bag.mass_g, rule.mass_g))
    if rule.soft_only:
        # One hard bag where none is taken.
        checks.append(_check(leg, "soft", bag, float(bag.hard), 0.0))
    return checks


def _per_person(leg: str, carrier: Carrier, person: str, bags: Sequence[Luggage]) -> list[Check]:
    """Limits on how many pieces a person has and on what they weigh together."""
    checks = []
    for rule in carrier.pieces:
        pieces = [b for b in bags if b.piece == rule.piece]
        if rule.count is not None and pieces:
            checks.append(_whole(leg, "count", rule.piece, person, len(pieces), rule.count))
    for shared in carrier.together:
        mass = sum(b.mass_g for b in bags if b.piece in shared.pieces)
        if mass:
            checks.append(_whole(leg, "together", None, person, mass, shared.mass_g))
    return checks


def _whole(leg: str, limit: Limit, piece: PieceKind | None, person: str, value: float, allowed: float) -> Check:
    return Check(
        leg=leg,
        limit=limit,
        piece=piece,
        person=person,
        bag=None,
        value=value,
        allowed=allowed,
        passes=value <= allowed,
    )


def check(legs: Sequence[Leg], carriers: Mapping[str, Carrier], bags: Sequence[Luggage]) -> tuple[LegVerdict, ...]:
    """Every bag against every limit of every leg. Limits are hard and inclusive: 8.000 kg passes 8 kg.

    legs: in the order of the journey; one without a carrier has no limits. carriers: by id. bags: each with its mass
    as it travels.

    >>> from tests import cast
    >>> bag = Luggage(bag="bag", person="ines", piece="cabin", size_mm=(540, 380, 240), mass_g=8_001)
    >>> (verdict,) = check([Leg(id="out", name="Out", carrier="air")], {"air": cast.carrier(mass_g=8_000)}, [bag])
    >>> verdict.passes, [(c.limit, c.value, c.allowed) for c in verdict.checks]
    (False, [('mass', 8001.0, 8000.0)])
    """
    people = sorted({bag.person for bag in bags})
    verdicts = []
    for leg in legs:
        carrier = carriers.get(leg.carrier) if leg.carrier else None
        checks: list[Check] = []
        if carrier:
            for bag in bags:
                rule = carrier.rule(bag.piece)
                checks += _one_bag(leg.id, bag, rule) if rule else []
            for person in people:
                checks += _per_person(leg.id, carrier, person, [b for b in bags if b.person == person])
        verdicts.append(
            LegVerdict(
                leg=leg.id,
                carrier=leg.carrier,
                passes=all(c.passes for c in checks),
                limits=bool(carrier and (carrier.pieces or carrier.together)),
                checks=tuple(checks),
            )
        )
    return tuple(verdicts)


__all__ = [
    "Check",
    "Judged",
    "LegVerdict",
    "Luggage",
    "Lying",
    "check",
    "judge",
    "sort_of",
    "squeezed",
    "strictest",
]
