"""What no packing could put where it is meant to go (domain 10). Whether all fits together, only a packing says."""

from collections.abc import Iterable

from mule.finding import Cure, Finding, InBag, Move, Severity
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


def _goes_in(thing: Gear, holder: Gear) -> bool:
    if isinstance(thing.size, Soft) or not isinstance(holder, Bag | Insert):
        return True
    turns = turns_of(thing.size)
    return any(
        all(a <= b for a, b in zip(turn.sides, room.size, strict=True)) for turn in turns for room in rooms_of(holder)
    )
