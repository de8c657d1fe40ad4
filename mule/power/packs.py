"""Packs as individuals while the days go by."""

from collections.abc import Mapping, Sequence

from mule.gear import Battery, Gear, PowerBank
from mule.power.answer import TINY_WH
from mule.power.demand import inside_wh


class Pack:
    """A pack, or the battery inside a device, with what it holds now. store: its type, or the device's id."""

    __slots__ = (
        *("id", "item", "number", "store", "full", "inside", "rechargeable"),
        *("left", "start", "drawn", "cold", "topped", "charged", "order", "warm"),
    )

    def __init__(self, item: str, number: int, store: str, full_wh: float, *, inside: bool, rechargeable: bool) -> None:
        self.item, self.number, self.store = item, number, store
        self.id = f"{item}#{number}"
        self.full, self.left = full_wh, full_wh
        self.inside, self.rechargeable = inside, rechargeable
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

    def draw(self, wanted_wh: float, usable: float) -> float:
        """Takes energy for use; the cold keeps its share of what leaves the pack. Returns what came out."""
        if self.left * usable <= wanted_wh:
            out, gone = self.left * usable, self.left
            self.left = 0.0
        else:
            out, gone = wanted_wh, wanted_wh / usable
            self.left -= gone
        self.drawn += out
        self.cold += gone - out
        return out


class Bank:
    """A power bank with what it holds now."""

    __slots__ = ("charged", "full", "given", "id", "item", "left", "lost", "output_w", "ports", "start")

    def __init__(self, bank: PowerBank, number: int) -> None:
        self.item, self.id = bank.id, f"{bank.id}#{number}"
        self.full, self.left = bank.energy_wh, bank.energy_wh
        self.ports, self.output_w = bank.ports, bank.output_w
        self.dawn()

    def dawn(self) -> None:
        """A new day: its books start again."""
        self.start = self.left
        self.given = self.lost = self.charged = 0.0

    def give(self, wanted_wh: float) -> float:
        """Gives so much to a pack, as far as it goes; 0.65 of what leaves a bank arrives (domain 4)."""
        out = min(wanted_wh, self.left * BANK_YIELD)
        gone = min(self.left, out / BANK_YIELD)
        self.left -= gone
        self.given += gone
        self.lost += gone - out
        return out


# Share of a bank's energy that reaches packs (estimate, domain 4).
BANK_YIELD = 0.65


def packs_of(gear: Mapping[str, Gear], counts: Mapping[str, int]) -> list[Pack]:
    """Every loaded pack, and the battery inside every loaded device, full."""
    found = []
    for item, count in counts.items():
        thing = gear[item]
        if isinstance(thing, Battery):
            found += [
                Pack(
                    item,
                    n + 1,
                    thing.battery_type,
                    thing.energy_wh * thing.health,
                    inside=False,
                    rechargeable=thing.rechargeable,
                )
                for n in range(count)
            ]
        elif (inside := inside_wh(thing)) is not None:
            found += [Pack(item, n + 1, item, inside, inside=True, rechargeable=True) for n in range(count)]
    return found


def banks_of(gear: Mapping[str, Gear], counts: Mapping[str, int]) -> list[Bank]:
    """Every loaded bank, full."""
    return [
        Bank(bank, n + 1) for i, count in counts.items() if isinstance(bank := gear[i], PowerBank) for n in range(count)
    ]


def turns(packs: Sequence[Pack]) -> list[Pack]:
    """The order of use: what was started is finished first, then by number; spent ones last."""
    return sorted(packs, key=lambda p: (p.left <= TINY_WH, p.left >= p.full - TINY_WH, p.left, p.item, p.number))
