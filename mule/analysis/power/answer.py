"""What ``simulate`` answers with. Energies in Wh.

What comes by the hundred (a pack's day, a stretch of charging) is a plain dataclass: making a checked model of each
took twice the time of the whole simulation.
"""

from dataclasses import dataclass
from datetime import date
from typing import Literal

from mule.base.units import Frozen, NumberedPiece
from mule.plan.gear import Source


@dataclass(slots=True)
class PackDay:
    """One pack, or the battery inside a device, on one day.

    start: in the morning. drawn: what came out to use; cold: what the cold kept. topped_up: charged by day.
    evening: left before the night. charged: by night. order: its turn that day, from 1; None when it stayed unused.
    """

    pack: NumberedPiece
    full_wh: float
    start_wh: float
    drawn_wh: float
    cold_wh: float
    topped_up_wh: float
    evening_wh: float
    charged_wh: float
    warm: bool
    order: int | None

    @property
    def morning_wh(self) -> float:
        """In the morning after."""
        return self.evening_wh + self.charged_wh


Unit = Literal["frames", "video-min", "timelapse-h", "hours", "share", "flights"]


class Part(Frozen):
    """A sum that can be redone by hand: amount / per_charge, in charges. source: where the rate came from."""

    amount: float
    unit: Unit
    per_charge: float
    source: Source


class PowerLoad(Frozen):
    """Something that draws from a type of pack: charges of a new pack, and the energy that comes to.

    charges: of ``parts``, for ``times`` pieces or cells.
    """

    item: str
    charges: float
    wh: float
    times: int = 1
    parts: tuple[Part, ...] = ()


@dataclass(slots=True)
class TypeDay:
    """One type of pack on one day. ready_wh: usable in the morning, cold taken off. got_wh: of need_wh, what came.

    margin: how much more of the need there would have been, as a share; None when nothing is asked. bare: none of the
    type is loaded: a link that is missing, not a day that is short.
    """

    type: str
    need_wh: float
    got_wh: float
    ready_wh: float
    margin: float | None
    bare: bool
    loads: tuple[PowerLoad, ...]

    @property
    def short(self) -> bool:
        """Whether less came than was asked."""
        return self.got_wh < self.need_wh - TINY_WH


@dataclass(slots=True)
class Charge:
    """A stretch on a socket, in hours after the night began. by: the charger, body or lead. wh: into the pack."""

    source: str
    socket: int
    by: str
    pack: NumberedPiece
    from_h: float
    to_h: float
    wh: float


@dataclass(slots=True)
class BankDay:
    """A bank on one day. given: left the bank; lost: of that, what did not reach a pack; charged: at night."""

    pack: NumberedPiece
    start_wh: float
    given_wh: float
    lost_wh: float
    charged_wh: float

    @property
    def morning_wh(self) -> float:
        """In the morning after."""
        return self.start_wh - self.given_wh + self.charged_wh


class PowerDay(Frozen):
    """A day and its night. usable: shares that the cold leaves of packs outside and in a pocket."""

    date: date
    lowest_c: float
    usable_cold: float
    usable_warm: float
    night_h: float
    outlets: int
    types: tuple[TypeDay, ...]
    packs: tuple[PackDay, ...]
    banks: tuple[BankDay, ...]
    charges: tuple[Charge, ...]

    @property
    def short(self) -> tuple[TypeDay, ...]:
        """Types that do not carry the day."""
        return tuple(t for t in self.types if t.short and not t.bare)


# Less than this is a rounding of the floats.
TINY_WH = 1e-9


class Useless(Frozen):
    """A charger that does nothing here, and why."""

    item: str
    why: Literal["plug", "volts", "no-port", "no-pack", "no-car"]


class TypeSummary(Frozen):
    """One type over all days. short_on: the first day it does not carry; worst: least margin and its day.

    short_days: days that it does not carry. lacking_wh: what is missing on them in all.
    """

    type: str
    packs: int
    short_on: date | None
    short_days: int
    lacking_wh: float
    worst_margin: float | None
    worst_on: date | None


class Worst(Frozen):
    """The day on which a type runs short first, or else has the least margin."""

    date: date
    lowest_c: float
    on: TypeDay


class PowerSummary(Frozen):
    """The short of it. days_carried: of ``days``, those before the first short one; missing: types that something
    asks for and of which none is loaded, so that no day is judged by them. worst: by type.
    """

    days: int
    days_carried: int
    missing: tuple[str, ...]
    types: tuple[TypeSummary, ...]
    worst: dict[str, Worst]
    useless: tuple[Useless, ...]
    coldest_c: float | None


class Power(Frozen):
    """The whole answer. days_carried: days before the first short one; missing: types that are asked for and not
    loaded."""

    days: tuple[PowerDay, ...]
    types: tuple[TypeSummary, ...]
    useless: tuple[Useless, ...]
    days_carried: int
    missing: tuple[str, ...]
