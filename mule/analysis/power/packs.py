"""Packs and banks as individuals while the days go by."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from mule.analysis.power.answer import TINY_WH
from mule.analysis.power.demand import inside_wh
from mule.base.units import NumberedPiece
from mule.plan.gear import Battery, Body, Gear, PowerBank

# Share of a bank's energy that reaches packs (estimate, docs/domain/power.md#power-banks).
BANK_YIELD = 0.65


@dataclass(frozen=True, slots=True)
class PackKind:
    """Packs of one item, flat. store: their type, or for the battery inside a device the device's id.

    full_wh: energy when full, wear taken off. exposed: inside a camera, and so in the cold.
    """

    item: str
    count: int
    store: str
    full_wh: float
    inside: bool
    rechargeable: bool
    exposed: bool = False


@dataclass(frozen=True, slots=True)
class BankKind:
    """Power banks of one item, flat."""

    item: str
    count: int
    full_wh: float
    ports: int
    output_w: float


class Pack:
    """A pack, or the battery inside a device, with what it holds now. store: its type, or the device's id."""

    __slots__ = (
        *("id", "item", "store", "full", "inside", "rechargeable", "exposed"),
        *("left", "start", "drawn", "cold", "topped", "charged", "order", "warm"),
    )

    def __init__(self, kind: PackKind, number: int) -> None:
        self.id, self.item, self.store = NumberedPiece(kind.item, number), kind.item, kind.store
        self.full = self.left = kind.full_wh
        self.inside, self.rechargeable, self.exposed = kind.inside, kind.rechargeable, kind.exposed
        self.dawn()

    def dawn(self) -> None:
        """A new day: its books start again."""
        self.start = self.left
        self.drawn = self.cold = self.topped = self.charged = 0.0
        self.order: int | None = None
        self.warm = True

    @property
    def missing(self) -> float:
        """Wh to full."""
        return self.full - self.left

    def share(self, outside: float, pocket: float) -> float:
        """What the cold leaves of it: of devices in a pocket all. outside, pocket: shares that are left of packs."""
        if self.inside and not self.exposed:
            return 1.0
        return pocket if self.warm else outside

    def draw(self, wanted_wh: float, derating: float) -> float:
        """Takes energy for use; the cold keeps its share of what leaves the pack. Returns what came out."""
        if self.left * derating <= wanted_wh:
            out, gone = self.left * derating, self.left
            self.left = 0.0
        else:
            out, gone = wanted_wh, wanted_wh / derating
            self.left -= gone
        self.drawn += out
        self.cold += gone - out
        return out


class Bank:
    """A power bank with what it holds now."""

    __slots__ = ("charged", "full", "given", "id", "item", "left", "lost", "output_w", "ports", "start")

    def __init__(self, kind: BankKind, number: int) -> None:
        self.id, self.item = NumberedPiece(kind.item, number), kind.item
        self.full = self.left = kind.full_wh
        self.ports, self.output_w = kind.ports, kind.output_w
        self.dawn()

    def dawn(self) -> None:
        """A new day: its books start again."""
        self.start = self.left
        self.given = self.lost = self.charged = 0.0

    def give(self, wanted_wh: float) -> float:
        """Gives so much to a pack, as far as it goes; 0.65 of what leaves a bank arrives."""
        out = min(wanted_wh, self.left * BANK_YIELD)
        gone = min(self.left, out / BANK_YIELD)
        self.left -= gone
        self.given += gone
        self.lost += gone - out
        return out


def packs_of(gear: Mapping[str, Gear], counts: Mapping[str, int]) -> tuple[PackKind, ...]:
    """Every loaded pack, and the battery inside every loaded device, item by item."""
    found = []
    for item, count in counts.items():
        thing = gear[item]
        if isinstance(thing, Battery):
            wh = thing.energy_wh * thing.health
            found.append(PackKind(item, count, thing.battery_type, wh, inside=False, rechargeable=thing.rechargeable))
        elif (inside := inside_wh(thing)) is not None:
            cold = isinstance(thing, Body)
            found.append(PackKind(item, count, item, inside, inside=True, rechargeable=True, exposed=cold))
    return tuple(found)


def banks_of(gear: Mapping[str, Gear], counts: Mapping[str, int]) -> tuple[BankKind, ...]:
    """Every loaded bank, item by item."""
    banks = [(t, n) for item, n in counts.items() if isinstance(t := gear[item], PowerBank)]
    return tuple(BankKind(bank.id, n, bank.energy_wh, bank.ports, bank.output_w) for bank, n in banks)


def in_order_of_use(packs: Sequence[Pack]) -> list[Pack]:
    """What was started is finished first, then by number; spent ones last."""
    return sorted(packs, key=lambda p: (p.left <= TINY_WH, p.left >= p.full - TINY_WH, p.left, p.id))
