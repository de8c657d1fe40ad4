"""Whether what a cure puts into a bag finds room: by sides and litres the rules see it; of long things the packer is
asked."""

from collections.abc import Iterable, Set

from mule.base.deadline import Deadline
from mule.base.memo import by_identity
from mule.packing import goes_in, left_in, rooms_of
from mule.plan import Plan
from mule.plan.edits import Edit
from mule.plan.gear import Bag, Gear, Insert, Soft
from mule.plan.kit import Entry, Kit, Stow
from mule.plan.places import AsPiece, InBag, PieceKind

# A thing longer than this share of the longest side of a bag lies only one way or two (docs/algorithms/cures.md).
_LONG = 0.5
# The packer's time for a few long things.
_WITHIN_S = 0.08
_SOMEBODYS = AsPiece(piece=PieceKind.CABIN, person="somebody")


def finds_room(plan: Plan, then: Plan, edits: Iterable[Edit]) -> bool:
    """Whether the long things of every bag into which a cure puts one lie in it together, as far as the packer finds a
    way; what was too much before is not held against the cure.

    plan, then: before and after it. edits: what it does.
    """
    touched = {e.item for e in edits if e.act != "leave"}
    inside = [(e.item, e.place) for e in then.kit.entries if isinstance(e.place, InBag) and not e.place.outside]
    return not any(_is_crowded(plan, then, bag, touched) for bag in {at.bag for item, at in inside if item in touched})


def _is_crowded(plan: Plan, then: Plan, bag: str, touched: Set[str]) -> bool:
    """Whether the long things of a bag have no room together, and had before."""
    after, before = _long_in(then, bag), _long_in(plan, bag)
    if after == before or _pieces(after) < 2 or touched.isdisjoint(item for item, _ in after):
        return False
    return _too_many(then.gear, then.kit.stow, bag, after) and not (
        _pieces(before) > 1 and _too_many(plan.gear, plan.kit.stow, bag, before)
    )


def _pieces(things: tuple[tuple[str, int], ...]) -> int:
    return sum(count for _, count in things)


def _long_in(plan: Plan, bag: str) -> tuple[tuple[str, int], ...]:
    """What lies in a bag and is longer than half of it, with pieces. What does not go in at all is said by a rule."""
    holder = plan.items[bag]
    if not isinstance(holder, Bag | Insert) or bag not in plan.loaded:
        return ()
    longest = max(max(room.size) for room in rooms_of(holder))
    return tuple(
        (e.item, e.count)
        for e in plan.kit.entries
        if isinstance(e.place, InBag)
        and e.place.bag == bag
        and not e.place.outside
        and _is_long(plan.items[e.item], longest)
        and goes_in(plan.items[e.item], holder)
    )


def _is_long(thing: Gear, longest_mm: float) -> bool:
    return not isinstance(thing.size, Soft) and thing.size.sides_mm()[0] > _LONG * longest_mm


# One search tries the same things in the same bag more than once.
@by_identity(64, of=2)
def _too_many(gear: tuple[Gear, ...], stow: Stow, bag: str, things: tuple[tuple[str, int], ...]) -> bool:
    """Whether the packer finds no way for all of these in one bag. things: items with their pieces."""
    entries = (Entry(item=bag, place=_SOMEBODYS), *(Entry(item=i, count=n, place=InBag(bag=bag)) for i, n in things))
    kit = Kit(id="long", name="long", entries=entries, stow=stow)
    items = {t.id: t for t in gear}
    left, _ = left_in(items, kit, bag, Deadline(_WITHIN_S), workers=1)
    return bool(left)
