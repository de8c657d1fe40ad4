"""Loadouts: where everything is at one moment, and what moves between two of them.

See docs/domain/words.md and docs/domain/load.md.
"""

from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from itertools import zip_longest

from mule.analysis.load import Loads, weigh
from mule.base.errors import InvalidInput, Problem
from mule.base.units import Frozen
from mule.plan import Plan
from mule.plan.gear import Bag, Gear, Insert
from mule.plan.kit import Entry, Kit, Loadout
from mule.plan.places import InBag, Place


class Shift(Frozen):
    """Pieces of a thing that change their place. None is the base: the room, the car, the boat."""

    item: str
    count: int
    from_place: Place | None
    to_place: Place | None


class Outing(Frozen):
    """A loadout as it is carried. kit: what is in it of what the kit still holds; loads: what it weighs on whom.

    moves: from the transit packing to it, in the order of grabbing; back: in the evening; stays: pieces left at the
    base.
    """

    loadout: str
    kit: Kit
    loads: Loads
    moves: tuple[Shift, ...]
    back: tuple[Shift, ...]
    stays: dict[str, int]


def carried(kit: Kit, gear: Mapping[str, Gear], loadout: Loadout) -> Kit:
    """The part of a kit that a loadout carries: only what the kit still holds, only in bags that come along.

    gear: by id, with everything the kit holds.
    """
    left = kit.loaded()
    entries: list[Entry] = []
    for entry in loadout.entries:
        count = min(entry.count, left.get(entry.item, 0))
        if count:
            left[entry.item] -= count
            entries.append(entry.model_copy(update={"count": count}))
    grown = True
    while grown:
        bags = {e.item for e in entries if isinstance(gear[e.item], Bag | Insert)}
        kept = [e for e in entries if not isinstance(e.place, InBag) or e.place.bag in bags]
        grown, entries = len(kept) < len(entries), kept
    named = {mount.body for mount in loadout.mounts}
    mounts = (*(m for m in kit.stow.mounts if m.body not in named), *loadout.mounts)
    return kit.model_copy(
        update={"entries": tuple(entries), "stow": kit.stow.model_copy(update={"mounts": mounts})},
    )


@dataclass(frozen=True)
class Packing:
    """How the kit is packed on some legs. loadout: None for transit."""

    loadout: str | None
    legs: tuple[str, ...]
    kit: Kit


def packings(plan: Plan) -> tuple[Packing, ...]:
    """The transit packing with the legs it goes on, and each loadout that is packed for legs. The first one counts."""
    by_leg = {leg: loadout for loadout in reversed(plan.kit.stow.loadouts) for leg in loadout.legs}
    legs = [leg.id for leg in plan.trip.legs]
    found = [Packing(None, tuple(leg for leg in legs if leg not in by_leg), plan.kit)]
    for loadout in plan.kit.stow.loadouts:
        mine = tuple(leg for leg in legs if by_leg.get(leg) is loadout)
        if mine:
            found.append(Packing(loadout.id, mine, carried(plan.kit, plan.items, loadout)))
    return tuple(found)


def moves(before: Kit, after: Kit) -> tuple[Shift, ...]:
    """What to grab where, and where to put it: what leaves for a bag first, then what goes back to the base.

    Bags themselves come before what goes into them, so that the list can be followed from top to bottom.

    before, after: the same kit as it is packed and as it is to be packed.

    >>> from tests import cast
    >>> bag = cast.entry("bag", cast.INES_CABIN)
    >>> worn = cast.kit(bag, cast.entry("body", cast.ON_INES))
    >>> [(m.item, m.count) for m in moves(cast.kit(bag, cast.entry("body")), worn)]
    [('body', 1)]
    """
    found: list[Shift] = []
    for item in dict.fromkeys((*before.loaded(), *after.loaded())):
        gone, come = _places(before, item), _places(after, item)
        for place in [p for p in gone if p in come]:
            same = min(gone[place], come[place])
            gone[place] -= same
            come[place] -= same
        found += _pair(item, {p: n for p, n in gone.items() if n}, {p: n for p, n in come.items() if n})
    holders = {e.place.bag for e in after.entries if isinstance(e.place, InBag)}
    return tuple(sorted(found, key=lambda m: (m.to_place is None, m.item not in holders)))


def _places(kit: Kit, item: str) -> dict[Place, int]:
    return {e.place: e.count for e in kit.entries if e.item == item}


def _pair(item: str, gone: Mapping[Place, int], come: Mapping[Place, int]) -> Iterable[Shift]:
    """Pieces that left places with pieces that came to places; what is over is from or for the base."""
    froms = [place for place, count in gone.items() for _ in range(count)]
    tos = [place for place, count in come.items() for _ in range(count)]
    for (at, to), count in Counter(zip_longest(froms, tos)).items():
        yield Shift(item=item, count=count, from_place=at, to_place=to)


def outing(plan: Plan, loadout: str) -> Outing:
    """One loadout of the open kit. Raises InvalidInput for one that is not there."""
    return _outing(plan, find(plan.kit, loadout))


def find(kit: Kit, loadout: str) -> Loadout:
    """A loadout of a kit by id. Raises InvalidInput for one that is not there.

    >>> from tests import cast
    >>> find(cast.kit(), "dawn")
    Traceback (most recent call last):
    mule.base.errors.InvalidInput: loadout: must be one of the kit’s loadouts
    """
    found = next((known for known in kit.stow.loadouts if known.id == loadout), None)
    if found is None:
        raise InvalidInput([Problem("loadout", loadout, "must be one of the kit’s loadouts")])
    return found


def _outing(plan: Plan, loadout: Loadout) -> Outing:
    kit = carried(plan.kit, plan.items, loadout)
    out = kit.loaded()
    return Outing(
        loadout=loadout.id,
        kit=kit,
        loads=weigh(plan.items, kit, plan.trip.people, plan.weighed),
        moves=moves(plan.kit, kit),
        # What stayed lies where it is packed to travel.
        back=tuple(move for move in moves(kit, plan.kit) if move.from_place is not None),
        stays={item: n - out.get(item, 0) for item, n in plan.loaded.items() if n > out.get(item, 0)},
    )


__all__ = ["Outing", "Packing", "Shift", "carried", "find", "moves", "outing", "packings"]
