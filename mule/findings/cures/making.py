"""Edits put together. What they weigh and cost is worked out when they are tried."""

from collections.abc import Callable, Iterable, Mapping, Sequence
from typing import Any

from mule.analysis.ledger import LoadedKit, Pieces
from mule.analysis.ledger import inside as inside_of
from mule.analysis.load import Piece
from mule.analysis.optics import crop_factor
from mule.findings.codes import CureCode
from mule.findings.rules import Trials
from mule.findings.said.cure import Cure, Doing, Moving, MovingCode
from mule.findings.said.told import Told
from mule.plan.edits import Leave, Load, Move
from mule.plan.gear import Bag, Body, Gear, Lens, at_hand, keeps_safe
from mule.plan.gear.base import Thing
from mule.plan.places import AsPiece, InBag, PieceKind, Place

# What could be done about each finding, the cheap and likely ways first.
Proposer = Callable[[Trials, Any], Iterable[Cure]]
Proposals = Mapping[type[Told], Proposer]


def load(*things: Gear, count: int = 1) -> Doing:
    """Loads so many pieces of each of these things."""
    return Doing(code=CureCode.LOAD, edits=tuple(Load(item=t.id, count=count) for t in things))


def load_counts(counts: Mapping[str, int]) -> Doing:
    """Loads so many pieces of each item."""
    return Doing(code=CureCode.LOAD, edits=tuple(Load(item=item, count=n) for item, n in counts.items()))


def instead(gone: Iterable[str], thing: Gear) -> Doing:
    """Loads a thing in place of others."""
    return Doing(code=CureCode.LOAD, edits=(*leave_all(gone).edits, *load(thing).edits))


def leave(pieces: Mapping[str, int | None]) -> Doing:
    """Leaves so many pieces of each item; None for all."""
    return Doing(code=CureCode.LEAVE, edits=tuple(Leave(item=item, count=n) for item, n in pieces.items()))


def leave_all(items: Iterable[str]) -> Doing:
    """Leaves all pieces of these items."""
    return leave(dict.fromkeys(items))


def move(things: Sequence[Pieces], place: Place, code: MovingCode = CureCode.MOVE) -> Moving:
    """Puts all that is loaded of these things at one place."""
    return Moving(
        code=code,
        edits=tuple(Move(item=held.thing.id, place=place) for held in things),
        moved_g=sum(held.grams for held in things),
    )


def left(trials: Trials, kind: type[Thing]) -> list[Any]:
    """Things of a kind that are at hand with a piece left, and not marked to stay at home; lightest first."""
    able = [
        t
        for t in trials.plan.gear
        if isinstance(t, kind) and at_hand(t) and t.count > trials.loaded.get(t.id, 0) and t.id not in trials.barred
    ]
    return sorted(able, key=lambda t: t.mass_g)


def at_home(trials: Trials, things: Iterable[Thing]) -> dict[str, int]:
    """Pieces of each of these things that are not loaded."""
    return {t.id: t.count - trials.loaded.get(t.id, 0) for t in things}


def with_followers(trials: Trials, item: str) -> list[str]:
    """A thing with what is of no use without it; safety stays."""
    return [item, *(i for i in trials.case.requirements.goes_with(item) if not keeps_safe(trials.plan.items[i]))]


def carried_pieces(trials: Trials) -> list[Piece]:
    """Luggage that is not checked in."""
    return [p for p in trials.case.loads.pieces if p.piece != PieceKind.HOLD]


def sees(lens: Lens, body: Body, low_mm: float, high_mm: float) -> bool:
    """Whether a lens on a body of its mount sees something of a range as on full frame."""
    k = crop_factor(body.sensor_width_mm, body.sensor_height_mm)
    return lens.focal_min_mm * k <= high_mm and lens.focal_max_mm * k >= low_mm


def owner_of(trials: Trials, bag: str) -> str | None:
    """Who carries a piece of luggage."""
    return next((p.person for p in trials.case.loads.pieces if p.bag == bag), None)


def loaded_kit(trials: Trials) -> LoadedKit:
    """The open kit as the ledger looks at it."""
    return LoadedKit(trials.plan, trials.case.view.table, trials.case.requirements)


def inside(trials: Trials, bag: str) -> list[Pieces]:
    """Things in a bag and in its inserts; the inserts themselves are not among them."""
    return inside_of(trials.plan, bag)


def swap_bag(trials: Trials, old: str, new: Bag) -> Doing:
    """Takes another bag in place of one, as the same piece, with all that was in it."""
    entries = trials.plan.kit.entries
    at = next(e.place for e in entries if e.item == old and isinstance(e.place, AsPiece))
    moves = [
        Move(item=e.item, place=InBag(bag=new.id, outside=e.place.outside))
        for e in entries
        if isinstance(e.place, InBag) and e.place.bag == old
    ]
    place = at.model_copy(update={"piece": new.piece if new.piece == PieceKind.HOLD else at.piece})
    return Doing(code=CureCode.SWAP_BAG, edits=(Load(item=new.id, place=place), *moves, Leave(item=old)))
