"""What no packing could put where it is meant to go (docs/domain/stowing.md). Whether all fits together, only a packing
says."""

from collections.abc import Iterable

from mule.findings import said
from mule.findings.rules.case import Case
from mule.findings.said import Finding
from mule.packing import goes_in
from mule.plan.gear import Bag, Body, Computer, Drive, Drone, is_bladder, is_water
from mule.plan.places import InBag, PieceKind

# What water harms.
_ELECTRIC = (Body, Computer, Drive, Drone)


class TooLargeRule:
    """A thing that is larger than every space of the bag it is meant to lie in."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One blocker per thing."""
        gear = case.plan.items
        for entry in case.plan.kit.entries:
            place, thing = entry.place, gear[entry.item]
            if not isinstance(place, InBag) or place.outside or goes_in(thing, gear[place.bag]):
                continue
            yield said.TooLarge(items=(thing.id,), bag=place.bag, longest_mm=thing.size.sides_mm()[0])


class WaterBesideRule:
    """Water in the one space of a bag in which electronics lie loose, or a bladder and a laptop for one sleeve."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per bag, with its water and the largest of what would get wet."""
        gear = case.plan.items
        for holder in (gear[i] for i in case.loaded if isinstance(gear[i], Bag)):
            assert isinstance(holder, Bag)
            inside = [
                gear[e.item]
                for e in case.plan.kit.entries
                if isinstance(e.place, InBag) and e.place.bag == holder.id and not e.place.outside
            ]
            water = [t for t in inside if is_water(t)]
            electric = sorted((t for t in inside if isinstance(t, _ELECTRIC)), key=lambda t: -t.mass_g)
            sleeves = sum(space.sort == "sleeve" for space in holder.compartments)
            bladder = any(is_bladder(t) for t in water)
            laptop = next((t for t in electric if isinstance(t, Computer) and t.form == "laptop"), None)
            if laptop and bladder and sleeves == 1:
                electric = [laptop]
            # With a pocket or a sleeve beside the main space the two lie apart.
            elif len(holder.compartments) > 1:
                continue
            if water and electric:
                yield said.WaterBeside(items=(water[0].id, electric[0].id), bag=holder.id)


class AtTheSeatRule:
    """A thing that is needed in the seat and travels overhead or in the hold."""

    def find(self, case: Case) -> Iterable[Finding]:
        """A caution per thing."""
        kit = case.plan.kit
        wished = {wish.item for wish in kit.stow.wishes if wish.seat}
        if not wished:
            return
        pieces = kit.luggage()
        seats = [bag for bag, place in pieces.items() if place.piece == PieceKind.PERSONAL]
        outermost = kit.outermost()
        for entry in kit.entries:
            if entry.item not in wished or not isinstance(entry.place, InBag):
                continue
            root = outermost[entry.place.bag]
            if root not in pieces or root in seats:
                continue
            yield said.NotAtSeat(items=(entry.item,), bag=root)
