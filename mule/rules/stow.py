"""What no packing could put where it is meant to go (docs/domain/stowing.md). Whether all fits together, only a packing
says."""

from collections.abc import Iterable
from functools import partial
from math import ceil

from mule.finding import AsPiece, Cure, CureCode, FindingCode, InBag, Move, PieceKind, Severity, StationName
from mule.gear import Bag, Gear, Insert, Soft
from mule.memo import by_identity
from mule.packing import rooms_of
from mule.rules.case import Case, Said, Trials, always, say


class TooLarge:
    """A thing that is larger than every space of the bag it is meant to lie in."""

    def find(self, case: Case) -> Iterable[Said]:
        """One blocker per thing, cured by a bag that has a space for it, or by a strap outside."""
        gear = case.plan.items
        for entry in case.plan.kit.entries:
            place, thing = entry.place, gear[entry.item]
            if not isinstance(place, InBag) or place.outside or _goes_in(thing, gear[place.bag]):
                continue
            yield say(
                FindingCode.TOO_LARGE,
                Severity.BLOCKER,
                StationName.STOW,
                numbers={"longest_mm": thing.size.sides_mm()[0]},
                items=(thing.id,),
                refs={"bag": place.bag},
                cures=partial(self._cures, thing=thing, count=entry.count),
            )

    def _cures(self, trials: Trials, thing: Gear, count: int) -> Iterable[Cure]:
        holders = [t for i in trials.loaded if isinstance(t := trials.plan.items[i], Bag | Insert)]
        able = [h for h in holders if h.id != thing.id and _goes_in(thing, h)]
        return [_moved(thing, holder.id, count) for holder in able[:2]]


class AtTheSeat:
    """A thing that is needed in the seat and travels overhead or in the hold."""

    def find(self, case: Case) -> Iterable[Said]:
        """A caution per thing, cured by the personal item of whoever carries it, or of anybody."""
        kit = case.plan.kit
        wished = {wish.item for wish in kit.stow.wishes if wish.seat}
        if not wished:
            return
        pieces = {e.item: e.place for e in kit.entries if isinstance(e.place, AsPiece)}
        seats = [bag for bag, place in pieces.items() if place.piece == PieceKind.PERSONAL]
        outermost = kit.outermost()
        for entry in kit.entries:
            if entry.item not in wished or not isinstance(entry.place, InBag):
                continue
            root = outermost[entry.place.bag]
            if root not in pieces or root in seats:
                continue
            person = pieces[root].person
            able = sorted(seats, key=lambda bag: pieces[bag].person != person)
            cures = [_moved(case.plan.items[entry.item], bag, entry.count) for bag in able[:1]]
            yield say(
                FindingCode.NOT_AT_SEAT,
                Severity.CAUTION,
                StationName.STOW,
                items=(entry.item,),
                refs={"bag": root},
                cures=always(*cures),
            )


def _moved(thing: Gear, bag: str, count: int) -> Cure:
    return Cure(
        code=CureCode.MOVE,
        edits=(Move(item=thing.id, place=InBag(bag=bag)),),
        numbers={"moved_g": thing.mass_g * count},
    )


def _goes_in(thing: Gear, holder: Gear) -> bool:
    """Whether some turn of a thing is within some space: every turn may be taken, so sorted sides are compared."""
    if isinstance(thing.size, Soft) or not isinstance(holder, Bag | Insert):
        return True
    long, middle, thin = (ceil(side) for side in thing.size.sides_mm())
    return any(long <= x and middle <= y and thin <= z for x, y, z in _spaces(holder))


# Bags stay the same from click to click.
@by_identity(256)
def _spaces(holder: Bag | Insert) -> list[list[int]]:
    """Sides of each space of a bag, longest first."""
    return [sorted(room.size, reverse=True) for room in rooms_of(holder)]
