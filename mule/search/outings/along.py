"""What goes along on a day out whatever is shot: what keeps people safe, water, what keeps rain off, what they wear.

Nothing of it is ever weighed against glass.
"""

from collections.abc import Iterable, Sequence

from mule.plan import Plan
from mule.plan.gear import Bag, Computer, Gear, Other, OtherSupport, Tripod, is_water, keeps_safe
from mule.plan.kit import Entry, Kit
from mule.plan.places import AsPiece, InBag, PieceKind, Place, Worn
from mule.plan.purposes import Purpose
from mule.plan.trip import Day, Weather

# Purposes of things that come along on every day out: medicine stays within reach, and a wet lens takes no picture.
_ALWAYS = frozenset({Purpose.MEDICINE, Purpose.CLEANING})
_WET = {Weather.RAIN, Weather.SPRAY, Weather.SNOW, Weather.DUST}


def bags_to_go(plan: Plan) -> tuple[Bag, ...]:
    """Bags on the trip that can be carried on a day out, the lightest first: those that roll or ride in the hold do so
    for their size."""
    pieces = {bag: at.piece for bag, at in plan.kit.luggage().items()}
    found = [t for i in plan.loaded if isinstance(t := plan.items[i], Bag)]
    return tuple(sorted((t for t in found if pieces.get(t.id) != PieceKind.HOLD and not t.hard), key=_lightest))


def _lightest(bag: Bag) -> tuple[float, str]:
    return bag.mass_g, bag.id


def goes_along(plan: Plan, days: Sequence[Day], bag: Bag, person: str) -> Kit:
    """The kit with just what goes along in any case, in a bag on somebody's back, of what the open kit holds.

    Of a thing of which there is one for everybody, each has one: the bearer's lies in the bag.
    """
    entries = [Entry(item=bag.id, place=AsPiece(piece=bag.carried_as, person=person))]
    for item, count in plan.loaded.items():
        thing = plan.items[item]
        if always(thing, days):
            entries += _put(plan, thing, count, bag.id, person)
    return plan.kit.model_copy(update={"entries": tuple(entries)})


def always(thing: Gear, days: Sequence[Day]) -> bool:
    """Whether a thing goes along whatever is shot."""
    match thing:
        case Computer():
            return thing.form == "phone"
        case Other():
            wet = any(not _WET.isdisjoint(day.weather) for day in days)
            return thing.purpose in _ALWAYS or is_water(thing) or (wet and thing.purpose is Purpose.COVER)
        case _:
            return keeps_safe(thing)


def _put(plan: Plan, thing: Gear, count: int, bag: str, person: str) -> Iterable[Entry]:
    """What somebody wears stays on them; of one for each, the others have theirs on them."""
    worn = [e for e in plan.kit.entries if e.item == thing.id and isinstance(e.place, Worn)]
    yield from (e.model_copy(update={"place": Worn(person=e.place.person)}) for e in worn if isinstance(e.place, Worn))
    left = count - sum(e.count for e in worn)
    others = [p.id for p in plan.trip.people if p.id != person]
    for other in others if left > len(others) else ():
        yield Entry(item=thing.id, place=Worn(person=other))
        left -= 1
    if left:
        yield Entry(item=thing.id, count=left, place=InBag(bag=bag))


def strappable(plan: Plan, bag: Bag) -> tuple[Gear, ...]:
    """Legs that a strap of the bag takes, the lightest first."""
    legs = [t for i in plan.loaded if isinstance(t := plan.items[i], Tripod | OtherSupport)]
    able = [t for t in legs if bag.takes_outside(t)]
    return tuple(sorted(able, key=lambda t: t.mass_g))


def strapped(kit: Kit, legs: Iterable[Gear], bag: Bag) -> Kit:
    """The kit with legs that the search kept out of the bag on its outside, as far as there are straps."""
    names, left = {t.id for t in legs}, bag.straps
    entries: list[Entry] = []
    for entry in kit.entries:
        place: Place = entry.place
        if entry.item in names and isinstance(place, Worn) and left >= entry.count:
            left -= entry.count
            place = InBag(bag=bag.id, outside=True)
        entries.append(entry.model_copy(update={"place": place}))
    return kit.model_copy(update={"entries": tuple(entries)})
