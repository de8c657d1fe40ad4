"""What hangs outside a bag, and what no strap of it takes."""

from collections.abc import Iterable, Mapping

from mule.packing.answer import LeftOver, Strapped
from mule.plan.gear import Bag, Gear
from mule.plan.kit import Kit
from mule.plan.places import InBag


def _outside(kit: Kit) -> Iterable[tuple[str, str, int]]:
    for entry in kit.entries:
        if isinstance(entry.place, InBag) and entry.place.outside:
            yield entry.item, entry.place.bag, entry.count


def strapped(kit: Kit) -> Iterable[Strapped]:
    """Everything that hangs outside a bag."""
    return (Strapped(item=item, bag=bag, count=count) for item, bag, count in _outside(kit))


def unstrapped(gear: Mapping[str, Gear], kit: Kit) -> Iterable[LeftOver]:
    """What hangs outside a bag that has no strap for it, or only shorter ones."""
    used: dict[str, int] = {}
    for item, bag, count in _outside(kit):
        holder = gear[bag]
        straps = holder.straps if isinstance(holder, Bag) else 0
        used[bag] = used.get(bag, 0) + count
        if straps and isinstance(holder, Bag) and not holder.takes_outside(gear[item]):
            yield LeftOver(item=item, count=count, bag=bag, why="strap-length", proof="proved")
        elif used[bag] > straps:
            yield LeftOver(item=item, count=min(count, used[bag] - straps), bag=bag, why="straps", proof="proved")
