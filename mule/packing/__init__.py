"""Packing: does it fit, and where does it go? The front door is ``stow`` (domain 10).

Two steps that talk: which compartment each thing goes into (``assign``), then where in it (``place``); what cannot be
placed together is told back as a limit, until everything has a place, or time is up and the best so far is the answer.
"""

from collections.abc import Callable, Iterator, Mapping, Sequence
from time import monotonic
from typing import Annotated

from pydantic import Field

from mule.finding import InBag
from mule.gear import Gear
from mule.kit import Kit
from mule.packing.answer import Alternative, Elsewhere, LeftOver, Placed, RoomUse, SoftPlaced, Stowage, Strapped
from mule.packing.bag import Packed, pack
from mule.packing.proof import faults, lies_on
from mule.packing.rooms import Block, Room, Turn, luggage_of, rooms_of, turns_of
from mule.packing.spots import Effort, Outcome, Spot, place
from mule.packing.telling import left_over, told
from mule.trip import Slot
from mule.units import Frozen

# Time for each other thing of a slot.
_ALTERNATIVE_S = 0.8


class Looking(Frozen):
    """How long to look, over all bags. workers, seed: of the solver; with one worker the answer is repeatable."""

    seconds: Annotated[float, Field(gt=0, le=120)] = 8.0
    workers: int = 2
    seed: int = 0


def stow(
    gear: Mapping[str, Gear],
    kit: Kit,
    looking: Looking | None = None,
    news: Callable[[Stowage], None] | None = None,
    slots: Sequence[Slot] = (),
) -> Stowage:
    """Where everything lies, or what does not fit, and whether that is proved.

    gear: by id. news: is called with what is packed so far, each time another bag is done.
    slots: of which every alternative is tried where the loaded one lies.
    """
    for answer in stowing(gear, kit, looking, slots):
        if news:
            news(answer)
    return answer


def stowing(
    gear: Mapping[str, Gear], kit: Kit, looking: Looking | None = None, slots: Sequence[Slot] = ()
) -> Iterator[Stowage]:
    """What is packed so far, each time another bag is done, then the whole answer.

    Never longer than ``looking.seconds`` and a little: then the best so far is the answer.
    """
    looking = looking or Looking()
    end = monotonic() + looking.seconds
    gap = round(kit.stow.gap_mm)
    bags = luggage_of(gear, kit)
    done: list[Packed] = []
    # The bags with least to pack first: their time goes to the others.
    for rest, luggage in enumerate(sorted(bags, key=lambda b: len(b.blocks))):
        share = (end - monotonic()) / (len(bags) - rest)
        effort = Effort(until=monotonic() + max(0.1, share), workers=looking.workers, seed=looking.seed)
        done.append(pack(luggage, gap, effort))
        yield told(gear, kit, bags, done, gap, end, final=False)
    whole = told(gear, kit, bags, done, gap, end, final=True)
    yield whole.model_copy(update={"alternatives": tuple(_alternatives(gear, kit, slots, whole))})


def left_in(gear: Mapping[str, Gear], kit: Kit, bag: str, looking: Looking) -> tuple[dict[str, int], bool]:
    """Pieces that find no place in one bag or insert, by item, and whether that is proved. Nothing is tidied."""
    luggage = next(one for one in luggage_of(gear, kit) if one.bag == bag)
    effort = Effort.of(looking.seconds, workers=looking.workers, seed=looking.seed, tidy_s=0)
    packed = pack(luggage, round(kit.stow.gap_mm), effort)
    left: dict[str, int] = {}
    for over in left_over(packed, [], 0, 0.0):
        left[over.item] = left.get(over.item, 0) + over.count
    return left, packed.proved


def _alternatives(gear: Mapping[str, Gear], kit: Kit, slots: Sequence[Slot], whole: Stowage) -> Iterator[Alternative]:
    """Every other thing of each slot in the place of the loaded one: nothing more may stay over than now."""
    looking = Looking(seconds=_ALTERNATIVE_S)
    for slot in slots:
        for entry in kit.entries:
            if entry.item not in slot.items or not isinstance(entry.place, InBag) or entry.place.outside:
                continue
            bag = entry.place.bag
            now = sum(over.count for over in whole.left if over.bag == bag and over.item != entry.item)
            for item in slot.items:
                if item == entry.item or item not in gear:
                    continue
                others = tuple(e for e in kit.entries if e != entry)
                trial = kit.model_copy(update={"entries": (*others, entry.model_copy(update={"item": item}))})
                left, _ = left_in(gear, trial, bag, looking)
                yield Alternative(
                    slot=slot.id, item=item, instead_of=entry.item, bag=bag, fits=sum(left.values()) <= now
                )


__all__ = [
    "Alternative",
    "Block",
    "Effort",
    "Elsewhere",
    "LeftOver",
    "Looking",
    "Outcome",
    "Placed",
    "Room",
    "RoomUse",
    "SoftPlaced",
    "Spot",
    "Stowage",
    "Strapped",
    "Turn",
    "faults",
    "left_in",
    "lies_on",
    "place",
    "rooms_of",
    "stow",
    "stowing",
    "turns_of",
]
