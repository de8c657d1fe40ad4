"""From the card to its copies: slots, readers, ports, hubs, drives; what is slowest sets the pace.

See docs/domain/pictures.md.
"""

from collections.abc import Collection, Iterable, Mapping
from typing import NamedTuple

from mule.base.units import NumberedPiece
from mule.plan.gear import MOST_LINKS, Card, Computer, Drive, Gear, Link, Reader

# MB a second through a port, where it is slower than what hangs on it (estimates).
PORT_MB_S = {"USB-C": 1_000.0, "USB-A": 400.0}
_OTHER_PORT_MB_S = 300.0
# A computer's own disk, and the share of it that is free (estimates).
DISK_MB_S = 1_000.0
FREE_SHARE = 0.5


class Target(NamedTuple):
    """A place that keeps copies. free_gb: at the start of the trip."""

    id: NumberedPiece
    free_gb: float
    mb_s: float


class ReadOut(NamedTuple):
    """How a type of card is read out."""

    through: str
    mb_s: float


def _port_mb_s(port: str) -> float:
    return PORT_MB_S.get(port, _OTHER_PORT_MB_S)


def ports(things: Iterable[Gear]) -> set[str]:
    """Ports of the computers, and of what hangs on them: a hub on a hub, no further."""
    things = list(things)
    found = {port for t in things if isinstance(t, Computer) and t.form != "phone" for port in t.ports}
    for _ in range(MOST_LINKS):
        found |= {port for t in things if isinstance(t, Link) and t.from_plug in found for port in t.to_ports}
    return found


def read_out(card: Card, things: Iterable[Gear], reachable: Collection[str]) -> ReadOut | None:
    """The fastest way of reading a card: a computer's own slot, a reader on a port, or None."""
    ways = (
        [ReadOut(card.card_type, min(card.speed_mb_s, _port_mb_s(card.card_type)))]
        if card.card_type in reachable
        else []
    )
    ways += [
        ReadOut(t.id, min(card.speed_mb_s, t.speed_mb_s, _port_mb_s(t.plug)))
        for t in things
        if isinstance(t, Reader) and card.card_type in t.card_types and t.plug in reachable
    ]
    return max(ways, key=lambda w: w.mb_s, default=None)


def targets(gear: Mapping[str, Gear], counts: Mapping[str, int], reachable: Collection[str]) -> list[Target]:
    """Drives that reach a port, then the computers' own disks; none without a computer."""
    found: list[Target] = []
    for item, count in counts.items():
        thing = gear[item]
        if isinstance(thing, Drive) and thing.plug in reachable:
            pace = min(thing.speed_mb_s, _port_mb_s(thing.plug))
            found += [Target(NumberedPiece(item, n + 1), thing.capacity_gb, pace) for n in range(count)]
    for item, count in counts.items():
        thing = gear[item]
        if isinstance(thing, Computer) and thing.form != "phone" and thing.storage_gb:
            free = thing.storage_gb * FREE_SHARE
            found += [Target(NumberedPiece(item, n + 1), free, DISK_MB_S) for n in range(count)]
    return found
