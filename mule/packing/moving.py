"""What lies elsewhere than before."""

from collections.abc import Iterable, Iterator, Mapping, Sequence

from mule.packing.answer import Moved, Placed, RoomUse, SoftPlaced, Stowage


def moved(
    before: Stowage, rooms: Iterable[RoomUse], placed: Sequence[Placed], soft: Sequence[SoftPlaced]
) -> Iterator[Moved]:
    """Things that had a place in a bag and have another there, in its spaces or within one of them.

    What left its bag, or grew or shrank in number, is not one that moved: somebody wanted that.
    """
    bag_of = {room.room: room.bag for room in [*before.rooms, *rooms]}
    lay = {(bag_of[one.room], one.block): one for one in before.placed}
    for one in placed:
        was = lay.get((bag_of[one.room], one.block))
        if was is None or (was.at_mm, was.turn, was.room) == (one.at_mm, one.turn, one.room) or was.count != one.count:
            continue
        for item in one.items:
            yield Moved(item=item, from_room=was.room, to_room=one.room)
    had, has = _rooms(before.soft, bag_of), _rooms(soft, bag_of)
    for thing, now in has.items():
        gone, come = (had.get(thing, set()) - now), (now - had.get(thing, set()))
        if gone and come:
            yield Moved(item=thing[1], from_room=min(gone), to_room=min(come))


def _rooms(soft: Iterable[SoftPlaced], bag_of: Mapping[str, str]) -> dict[tuple[str, str], set[str]]:
    """By bag and soft thing: the spaces it lies in."""
    found: dict[tuple[str, str], set[str]] = {}
    for thing in soft:
        found.setdefault((bag_of[thing.room], thing.item), set()).add(thing.room)
    return found
