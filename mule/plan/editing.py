"""Edits of a kit: load, leave, move. A cure is a list of these; so is a click on the bench."""

from collections.abc import Iterable

from mule.base.errors import InvalidInput, Problem
from mule.plan.edits import Edit, Leave, Load, Move
from mule.plan.gear import Bag, Gear, OtherSupport, Tripod
from mule.plan.kit import Entry, Kit
from mule.plan.places import AsPiece, InBag, PieceKind, Place, Worn
from mule.plan.plan import Plan, kit_problems


def default_place(plan: Plan, kit: Kit, thing: Gear) -> Place:
    """Where a thing goes when nobody says: a bag onto a person, an insert or thing into the first bag that suits it.

    Bags of the thing's owner come first, where that is somebody who travels. Supports prefer a hold bag, all else a
    cabin bag. With no bag loaded a thing is on its owner, or else the first person, and known to have no place.
    Raises InvalidInput when the trip has no people.
    """
    people = [p.id for p in plan.trip.people]
    if not people:
        raise InvalidInput([Problem("trip.people", "", "add a person to carry the gear")])
    owner = next((p.id for p in plan.trip.people if thing.owner and p.name.casefold() == thing.owner.casefold()), None)
    pieces = list(kit.luggage().items())
    if isinstance(thing, Bag):
        taken = {p.person for _, p in pieces if p.piece == thing.piece}
        free = [p for p in people if p not in taken]
        return AsPiece(piece=thing.piece, person=owner or (free or people)[0])
    pieces.sort(key=lambda piece: piece[1].person != owner)
    order = [PieceKind.CABIN, PieceKind.PERSONAL, PieceKind.HOLD]
    if isinstance(thing, Tripod | OtherSupport):
        order = [PieceKind.HOLD, PieceKind.CABIN, PieceKind.PERSONAL]
    for kind in order:
        for item, place in pieces:
            if place.piece == kind:
                return InBag(bag=item)
    return Worn(person=owner or people[0], unplaced=True)


def _take_in(plan: Plan, kit: Kit) -> Kit:
    """What has no place because there was no bag goes where it would have gone had the bag come first."""
    for entry in [e for e in kit.entries if isinstance(e.place, Worn) and e.place.unplaced]:
        place = default_place(plan, kit, plan.items[entry.item])
        if place != entry.place:
            entries = [e for e in kit.entries if e is not entry]
            _put(entries, Entry(item=entry.item, count=entry.count, place=place))
            kit = kit.model_copy(update={"entries": tuple(entries)})
    return kit


def apply(plan: Plan, edits: Iterable[Edit]) -> Plan:
    """The plan after these edits of the open kit. Raises InvalidInput when one of them cannot be done.

    >>> from mule.plan.edits import Load
    >>> from tests import cast
    >>> plan = cast.plan([cast.bag(), cast.body()], cast.entry("bag", cast.INES_CABIN))
    >>> apply(plan, [Load(item="body")]).loaded
    {'bag': 1, 'body': 1}
    """
    kit = plan.kit
    for index, edit in enumerate(edits):
        if edit.item not in plan.items:
            raise InvalidInput([Problem(f"edits.{index}.item", edit.item, "must be an item in the locker")])
        kit = _apply_one(plan, kit, edit, f"edits.{index}")
    problems = list(kit_problems(kit, plan.items, {p.id for p in plan.trip.people}, "kit"))
    if problems:
        raise InvalidInput(problems)
    return plan.with_kit(kit)


def _apply_one(plan: Plan, kit: Kit, edit: Edit, at: str) -> Kit:
    entries = list(kit.entries)
    mine = [e for e in entries if e.item == edit.item]
    match edit:
        case Load(item=item, count=count, place=place):
            target = place or (mine[0].place if mine else default_place(plan, kit, plan.items[item]))
            _put(entries, Entry(item=item, count=count, place=target))
            if isinstance(target, AsPiece):
                return _take_in(plan, kit.model_copy(update={"entries": tuple(entries)}))
        case Leave():
            _require(mine, at, edit.item)
            entries = _leave(plan, kit, entries, edit)
        case Move(count=int() as count):
            _require(mine, at, edit.item)
            entries = _move_some(entries, edit, count)
            if isinstance(edit.place, AsPiece):
                return _take_in(plan, kit.model_copy(update={"entries": tuple(entries)}))
        case Move(item=item, place=place):
            _require(mine, at, item)
            moved = Entry(item=item, count=sum(e.count for e in mine), place=place)
            entries[entries.index(mine[0])] = moved
            entries = [e for e in entries if e.item != item or e is moved]
            if isinstance(place, AsPiece):
                return _take_in(plan, kit.model_copy(update={"entries": tuple(entries)}))
    return kit.model_copy(update={"entries": tuple(entries)})


def _move_some(entries: list[Entry], edit: Move, to_go: int) -> list[Entry]:
    """Pieces of a thing to another place, out of where they are said to be first, then from its other places."""
    entries = list(entries)
    mine = [e for e in entries if e.item == edit.item and e.place != edit.place]
    for entry in sorted(mine, key=lambda e: e.place != edit.origin):
        taken = min(to_go, entry.count)
        to_go -= taken
        at = entries.index(entry)
        rest = entry.count - taken
        entries[at : at + 1] = [Entry(item=entry.item, count=rest, place=entry.place)] if rest else []
        if taken:
            _put(entries, Entry(item=edit.item, count=taken, place=edit.place))
    return entries


def _put(entries: list[Entry], more: Entry) -> None:
    """Adds pieces to a list of entries: to what is already at that place, or as an entry of their own."""
    for at, have in enumerate(entries):
        if (have.item, have.place) == (more.item, more.place):
            entries[at] = Entry(item=more.item, count=have.count + more.count, place=more.place)
            return
    entries.append(more)


def _require(mine: list[Entry], at: str, item: str) -> None:
    if not mine:
        raise InvalidInput([Problem(f"{at}.item", item, "must be loaded in the kit")])


def _leave(plan: Plan, kit: Kit, entries: list[Entry], edit: Leave) -> list[Entry]:
    """Takes pieces out, last place first; what a left bag held goes where such things go by default."""
    to_go = sum(e.count for e in entries if e.item == edit.item) if edit.count is None else edit.count
    for entry in [e for e in reversed(entries) if e.item == edit.item]:
        taken = min(to_go, entry.count)
        to_go -= taken
        at = entries.index(entry)
        if taken == entry.count:
            del entries[at]
        else:
            entries[at] = Entry(item=entry.item, count=entry.count - taken, place=entry.place)
    orphaned = [e for e in entries if isinstance(e.place, InBag) and e.place.bag == edit.item]
    kept = [e for e in entries if e not in orphaned]
    for entry in orphaned:
        rest = kit.model_copy(update={"entries": tuple(kept)})
        place = default_place(plan, rest, plan.items[entry.item])
        _put(kept, Entry(item=entry.item, count=entry.count, place=place))
    return kept
