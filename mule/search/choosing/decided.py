"""What a choice decides about: all that the brief can speak of. Everything else stays as the open kit has it."""

from collections.abc import Collection, Mapping
from functools import cached_property

from mule.analysis.load import roots
from mule.analysis.optics import OPTICAL, asks_of
from mule.plan import Plan
from mule.plan.gear import (
    SUPPORT,
    Bag,
    Battery,
    Card,
    Charger,
    Computer,
    Drive,
    Filter,
    FilterHolder,
    Gear,
    Head,
    Insert,
    Plate,
    PowerBank,
    Reader,
    StepRing,
    keeps_safe,
    serves,
)
from mule.plan.places import AsPiece, PieceKind

# Decided about in any brief.
_ALWAYS = (*OPTICAL, Battery, Charger, PowerBank, Card, Drive, Reader, Filter, StepRing, FilterHolder)
# What legs stand and fall with.
_ON_LEGS = (Head, Plate)


class Decided:
    """Which things the brief of one trip speaks of.

    aids: pieces of what wants ask for beside glass, the most that one of them asks for.
    """

    def __init__(self, plan: Plan) -> None:
        self._plan = plan
        self.aids: dict[str, int] = {}
        for want in plan.trip.wants:
            for aid, pieces in asks_of(want):
                self.aids[aid] = max(pieces, self.aids.get(aid, 0))
        # A computer is chosen where copies are asked for: without days there are no pictures to copy.
        self._copies = bool(plan.trip.days) and plan.trip.copies > 1

    def __contains__(self, thing: Gear) -> bool:
        """Whether the choice decides about a thing. Leads and plugs it only adds: phones need them, too."""
        if isinstance(thing, _ALWAYS) or serves(thing) in self.aids:
            return True
        if isinstance(thing, _ON_LEGS):
            return SUPPORT in self.aids
        # A phone is no place for pictures, and stays.
        return isinstance(thing, Computer) and self._copies and thing.form != "phone"

    def fixed(self, may_leave: Collection[str] = ()) -> dict[str, int]:
        """Pieces that stay, by item. may_leave: what need not be kept for all that."""
        plan = self._plan
        marked = plan.trip.marks.items()
        return {
            item: count
            for item, count in plan.loaded.items()
            if (item not in may_leave or keeps_safe(plan.items[item])) and self._stays(item, marked)
        }

    def _stays(self, item: str, marked: Collection[str]) -> bool:
        thing = self._plan.items[item]
        if item in self._in_hold or isinstance(thing, Bag | Insert):
            return True
        return thing not in self and (item not in marked or keeps_safe(thing))

    @cached_property
    def _in_hold(self) -> set[str]:
        """Things of which some piece lies in a hold bag: they stay there."""
        kit = self._plan.kit
        hold = {e.item for e in kit.entries if isinstance(e.place, AsPiece) and e.place.piece == PieceKind.HOLD}
        return {item for item, places in roots(kit).bags.items() if any(bag in hold for bag, _ in places)}

    def lacking(self, fixed: Mapping[str, int]) -> dict[str, int]:
        """Pieces of each asked aid that what stays does not give."""
        left = dict(self.aids)
        for item, pieces in fixed.items():
            aid = serves(self._plan.items[item])
            if aid in left:
                left[aid] -= pieces
        return {aid: pieces for aid, pieces in left.items() if pieces > 0}
