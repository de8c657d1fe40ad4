"""What must get lighter or emptier: a bag, all that somebody takes on board, a back."""

from collections.abc import Iterable, Sequence

from mule.analysis.ledger import Burden, Pieces, least_missed
from mule.analysis.load import Piece
from mule.findings.codes import CureCode
from mule.findings.cures.making import leave, loaded_kit, move
from mule.findings.rules import Trials
from mule.findings.said.cure import Cure, MovingCode
from mule.plan.gear import Bag, Drone, Gear, Group, Insert, keeps_safe
from mule.plan.places import InBag, PieceKind, Worn

# What does not go in a pocket.
_POCKET_SIDE_MM = 180
_POCKET_G = 1_000
# A sum may miss by a rounding.
_LEAST = 1e-6


def lighten(trials: Trials, burden: Burden, *, worn_counts: bool = False) -> Iterable[Cure]:
    """Wear it, give it to another bag with room, hand it to somebody, or leave what is missed least.

    worn_counts: whether it helps nothing that its person wears it.
    """
    movable = [h for h in burden.held if not isinstance(h.thing, Bag | Insert)]
    if not worn_counts:
        yield from _worn(movable, burden)
    yield from _moved(trials, movable, burden)
    yield from (leave(pieces) for pieces in least_missed(loaded_kit(trials), burden))


def _worn(held: Sequence[Pieces], burden: Burden) -> Iterable[Cure]:
    able = [h for h in held if h.thing.size.sides_mm()[0] <= _POCKET_SIDE_MM and h.thing.mass_g <= _POCKET_G]
    pocket = enough([h for h in able if h.grams <= _POCKET_G], burden)
    if pocket and len(pocket) <= 2:
        yield move(pocket, Worn(person=burden.person), CureCode.WEAR)


def _moved(trials: Trials, held: Sequence[Pieces], burden: Burden) -> Iterable[Cure]:
    """Into one's own other bags first, the lightest of them; then into somebody else's."""
    pieces = [p for p in trials.case.loads.pieces if p.bag not in burden.bags]
    for piece in sorted(pieces, key=lambda p: (p.person != burden.person, p.mass_g)):
        going = enough([h for h in held if piece.piece != PieceKind.HOLD or may_be_held(h.thing)], burden)
        if going and sum(h.grams for h in going) <= _room_g(trials, piece):
            code: MovingCode = CureCode.MOVE if piece.person == burden.person else CureCode.HAND_OVER
            yield move(going, InBag(bag=piece.bag), code)


def enough(things: Sequence[Pieces], burden: Burden) -> list[Pieces]:
    """The smallest single thing that is enough, or else the fewest, largest first; empty when all do not."""
    alone = [h for h in things if burden.of(h) >= burden.need]
    if alone:
        return [min(alone, key=burden.of)]
    going, gone = list[Pieces](), 0.0
    for held in sorted(things, key=burden.of, reverse=True):
        going.append(held)
        gone += burden.of(held)
        if gone >= burden.need - _LEAST:
            return going
    return []


def stays_in_cabin(thing: Gear) -> bool:
    """Lithium, pictures and what breaks never go in the hold (docs/domain/carriers.md)."""
    return isinstance(thing, Drone) or thing.group in (Group.OPTICS, Group.FILTERS, Group.CARDS, Group.POWER)


def may_be_held(thing: Gear) -> bool:
    """Whether it may be put into the hold to save weight: what keeps people safe stays with them, too."""
    return not (stays_in_cabin(thing) or keeps_safe(thing))


def _room_g(trials: Trials, piece: Piece) -> float:
    """Grams that every leg still allows in a piece."""
    rooms = [
        c.allowed - c.value
        for leg in trials.case.legs
        for c in leg.checks
        if (c.limit == "mass" and c.bag == piece.bag) or (c.limit == "together" and c.person == piece.person)
    ]
    return min(rooms, default=float("inf"))
