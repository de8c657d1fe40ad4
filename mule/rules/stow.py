"""What no packing could put where it is meant to go (domain 10). Whether all fits together, only a packing says."""

from collections.abc import Iterable

from mule.finding import AsPiece, Cure, Finding, InBag, Move, PieceKind, Severity
from mule.gear import Bag, Gear, Insert, Soft
from mule.packing import rooms_of, turns_of
from mule.rules.case import Case


class TooLarge:
    """A thing that is larger than every space of the bag it is meant to lie in."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One blocker per thing, cured by a bag that has a space for it, or by a strap outside."""
        gear = case.plan.items
        holders = [t for i in case.loaded if isinstance(t := gear[i], Bag | Insert)]
        for entry in case.plan.kit.entries:
            place, thing = entry.place, gear[entry.item]
            if not isinstance(place, InBag) or place.outside or _goes_in(thing, gear[place.bag]):
                continue
            able = [h for h in holders if h.id != thing.id and _goes_in(thing, h)]
            moved = {"moved_g": thing.mass_g * entry.count}
            moves = [Move(item=thing.id, place=InBag(bag=holder.id)) for holder in able[:2]]
            yield Finding(
                code="too-large",
                severity=Severity.BLOCKER,
                station="stow",
                numbers={"longest_mm": thing.size.sides_mm()[0]},
                items=(thing.id,),
                refs={"bag": place.bag},
                cures=tuple(Cure(code="move", edits=(move,), numbers=moved) for move in moves),
            )


class AtTheSeat:
    """A thing that is needed in the seat and travels overhead or in the hold."""

    def find(self, case: Case) -> Iterable[Finding]:
        """A caution per thing, cured by the personal item of whoever carries it, or of anybody."""
        kit = case.plan.kit
        pieces = {e.item: e.place for e in kit.entries if isinstance(e.place, AsPiece)}
        seats = [bag for bag, place in pieces.items() if place.piece == PieceKind.PERSONAL]
        outermost = kit.outermost()
        wished = {wish.item for wish in kit.stow.wishes if wish.seat}
        for entry in kit.entries:
            if entry.item not in wished or not isinstance(entry.place, InBag):
                continue
            root = outermost[entry.place.bag]
            if root not in pieces or root in seats:
                continue
            person = pieces[root].person
            able = sorted(seats, key=lambda bag: pieces[bag].person != person)
            moved = {"moved_g": case.plan.items[entry.item].mass_g * entry.count}
            yield Finding(
                code="not-at-seat",
                severity=Severity.CAUTION,
                station="stow",
                items=(entry.item,),
                refs={"bag": root},
                cures=tuple(
                    Cure(code="move", edits=(Move(item=entry.item, place=InBag(bag=bag)),), numbers=moved)
                    for bag in able[:1]
                ),
            )


def _goes_in(thing: Gear, holder: Gear) -> bool:
    if isinstance(thing.size, Soft) or not isinstance(holder, Bag | Insert):
        return True
    turns = turns_of(thing.size)
    return any(
        all(a <= b for a, b in zip(turn.sides, room.size, strict=True)) for turn in turns for room in rooms_of(holder)
    )
