"""Packing: does it fit, and where does it go? The front door is ``stow`` (docs/domain/stowing.md).

Two steps that talk: which compartment each thing goes into (``assign``), then where in it (``place``); what cannot be
placed together is told back as a limit, until everything has a place, or time is up and the best so far is the answer.
"""

from collections.abc import Callable, Hashable, Iterator, Mapping, Sequence
from dataclasses import replace

from mule.base.deadline import Deadline
from mule.packing.answer import (
    Alternative,
    Divider,
    Elsewhere,
    LeftOver,
    Moved,
    OnPerson,
    Placed,
    RoomUse,
    SoftPlaced,
    Stowage,
    Strapped,
    pieces_left,
)
from mule.packing.bag import Packed, pack
from mule.packing.blocks import Block
from mule.packing.dividing import extent
from mule.packing.keeping import USUAL_CASE, Before, StowCase
from mule.packing.left_over import OtherBags, cost_of_left, left_over
from mule.packing.luggage import BagToPack, luggage_of
from mule.packing.orientations import Orientation, orientations_of
from mule.packing.placements import TRIAL, USUAL, Outcome, Placement, PlacingOptions
from mule.packing.placing import place
from mule.packing.proof import faults, lies_on
from mule.packing.reporting import PackingJob, report
from mule.packing.rooms import Room, goes_in, rooms_of, suits
from mule.plan.gear import Gear
from mule.plan.kit import Kit
from mule.plan.places import InBag
from mule.plan.trip import Slot

# Time for all bags when none is given.
USUAL_S = 8.0
# The least time for a bag, and time for each other thing of a slot.
_LEAST_BAG_S = 0.1
_ALTERNATIVE_S = 0.8


def stow(
    gear: Mapping[str, Gear],
    kit: Kit,
    deadline: Deadline | None = None,
    news: Callable[[Stowage], None] | None = None,
    case: StowCase = USUAL_CASE,
    options: PlacingOptions = USUAL,
) -> Stowage:
    """Where everything lies, or what does not fit, and whether that is proved.

    gear: by id. deadline: over all bags, eight seconds from now when none is given; then, or soon after it is asked to
    stop, the best so far is the answer. news: is called with what is packed so far, each time another bag is done.
    case: slots, how the kit lay, what things are worth. options: of the solver.

    >>> from tests import cast
    >>> kit = cast.kit(cast.entry("bag", cast.INES_CABIN), cast.entry("body"))
    >>> made = stow({"bag": cast.bag(), "body": cast.body()}, kit)
    >>> [p.items for p in made.placed], made.left, made.checked
    ([('body',)], (), True)
    """
    packing = PackingJob(gear, kit, luggage_of(gear, kit, case.worth), round(kit.stow.gap_mm), case.before)
    for answer in _stowing(packing, deadline or Deadline(USUAL_S), case.slots, options):
        if news:
            news(answer)
    return answer


def _stowing(
    packing: PackingJob, deadline: Deadline, slots: Sequence[Slot], options: PlacingOptions
) -> Iterator[Stowage]:
    """What is packed so far, each time another bag is done, then the whole answer."""
    # The bags with least to pack first: their time goes to the others.
    for rest, luggage in enumerate(sorted(packing.bags, key=lambda b: len(b.blocks))):
        share = deadline.grant(max(_LEAST_BAG_S, deadline.left_s / (len(packing.bags) - rest)))
        packing.done.append(pack(luggage, packing.gap, share, options, packing.was(luggage)))
        yield report(packing)
    whole = report(packing, deadline)
    yield whole.model_copy(
        update={"alternatives": tuple(_alternatives(packing.gear, packing.kit, slots, whole, deadline))}
    )


class Packings:
    """Bags packed once each and not tidied, remembered by what lies in them: for searches that try many bags."""

    def __init__(self, seconds: float, deadline: Deadline) -> None:
        """seconds: for each bag that has no room for everything. deadline: of the search."""
        self._seconds, self._deadline = seconds, deadline
        self._known: dict[Hashable, Packed] = {}

    def of(self, gear: Mapping[str, Gear], kit: Kit) -> Stowage:
        """Where everything in a kit lies; what is left over is told without what would help. gear: by id."""
        packing = PackingJob(gear, kit, luggage_of(gear, kit), round(kit.stow.gap_mm))
        packing.done += [self._packed(luggage, packing.gap) for luggage in packing.bags]
        return report(packing)

    def _packed(self, luggage: BagToPack, gap: int) -> Packed:
        blocks = tuple((b.id, b.count, b.access, round(b.mass_g)) for b in luggage.blocks)
        soft = tuple((s.item, s.count, s.access) for s in luggage.soft)
        key = (luggage.bag, luggage.held, blocks, soft, gap)
        if key not in self._known:
            share = self._deadline.grant(self._seconds)
            self._known[key] = pack(luggage, gap, share, replace(TRIAL, workers=1))
        return self._known[key]


def left_in(
    gear: Mapping[str, Gear], kit: Kit, bag: str, deadline: Deadline, *, workers: int = 2
) -> tuple[dict[str, int], bool]:
    """Pieces that find no place in one bag or insert, by item, and whether that is proved. Nothing is tidied.

    gear: by id. deadline: of this bag. workers: of the solver; with one the answer is repeatable.

    >>> from mule.plan.gear import Cylinder
    >>> from tests import cast
    >>> tube = cast.body("tube", size=Cylinder(diameter_mm=90, length_mm=900))
    >>> kit = cast.kit(cast.entry("bag", cast.INES_CABIN), cast.entry("tube"))
    >>> left_in({"bag": cast.bag(), "tube": tube}, kit, "bag", Deadline(5))
    ({'tube': 1}, True)
    """
    luggage = next(one for one in luggage_of(gear, kit) if one.bag == bag)
    packed = pack(luggage, round(kit.stow.gap_mm), deadline, replace(TRIAL, workers=workers))
    return pieces_left(left_over(packed, OtherBags(gap=0))), packed.proved


def _alternatives(
    gear: Mapping[str, Gear], kit: Kit, slots: Sequence[Slot], whole: Stowage, deadline: Deadline
) -> Iterator[Alternative]:
    """Every other thing of each slot in the place of the loaded one: nothing more may stay over than now."""
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
                left, _ = left_in(gear, trial, bag, deadline.grant(_ALTERNATIVE_S))
                yield Alternative(
                    slot=slot.id, item=item, instead_of=entry.item, bag=bag, fits=sum(left.values()) <= now
                )


__all__ = [
    "USUAL",
    "USUAL_S",
    "Alternative",
    "Before",
    "Block",
    "Divider",
    "Elsewhere",
    "LeftOver",
    "Moved",
    "OnPerson",
    "Orientation",
    "Outcome",
    "Packings",
    "Placed",
    "Placement",
    "PlacingOptions",
    "Room",
    "RoomUse",
    "SoftPlaced",
    "StowCase",
    "Stowage",
    "Strapped",
    "cost_of_left",
    "extent",
    "faults",
    "goes_in",
    "left_in",
    "lies_on",
    "orientations_of",
    "pieces_left",
    "place",
    "rooms_of",
    "stow",
    "suits",
]
