"""What stands on an outlet at night, and the bays and ports that it opens.

One of three: a charger with its bays, a plug with its ports (or a bank, which is a plug that runs empty), or a device
with a lead of its own. Source: docs/domain/power.md#night.
"""

from dataclasses import dataclass
from typing import NamedTuple

from mule.analysis.power.packs import Bank, Pack
from mule.analysis.power.sources import PackCharger


@dataclass(eq=False)
class OnMains:
    """A charger's bays on an outlet. source: how the timetable names it; busy: bays or ports that are at work."""

    source: str
    charger: PackCharger
    socket: int = 0
    busy: int = 0
    ended_h: float = 0.0

    @property
    def places(self) -> int:
        """Its bays."""
        return self.charger.bays


@dataclass(eq=False)
class Ports:
    """Ports on an outlet, which share its watts. bank: what is behind them, when that is no wall.

    each_w: what one port gives with as many in use as there are things waiting for one.
    """

    source: str
    places: int
    watts: float
    bank: Bank | None = None
    each_w: float = 0.0
    socket: int = 0
    busy: int = 0
    ended_h: float = 0.0


@dataclass(eq=False)
class OwnLead:
    """A device on an outlet with a lead of its own."""

    source: str
    device: Pack | None
    socket: int = 0
    busy: int = 0
    ended_h: float = 0.0
    places: int = 1


OnOutlet = OnMains | Ports | OwnLead


class FreePlace(NamedTuple):
    """A bay or port that is free from ``at_h`` on. turn: single among the slots, so that no two compare further.

    charger: what hangs on it, a charger's own bay or one on a port of a plug; None for a bare port.
    """

    at_h: float
    turn: int
    on: OnOutlet
    charger: PackCharger | None
