"""What does not go where it lies."""

from typing import ClassVar, Literal

from mule.base.units import ItemId, Name
from mule.findings.codes import Severity, StationName
from mule.findings.said.told import Told


class AtTheGate(Told):
    """A restricted thing where it lies.

    count: pieces that lie there; total, most: that travel and that may; loadout: on legs that are packed otherwise.
    """

    stations: tuple[StationName, ...] = (StationName.GATE,)
    sort: Name
    because: Literal["place", "energy", "count"]
    held: bool
    bag: ItemId | None = None
    loadout: ItemId | None = None
    count: int
    total: int
    most: int | None = None
    energy_wh: float | None = None

    ABOUT: ClassVar[tuple[str, ...]] = ("items", "sort", "because", "loadout")


class GateNo(AtTheGate):
    """It does not go. over: pieces past those that may, or all that lie where none may."""

    code: Literal["gate-no"] = "gate-no"
    severity: Severity = Severity.BLOCKER
    stations: tuple[StationName, ...] = (StationName.GATE,)
    over: int

    def size(self) -> float:
        """How bad it is."""
        return float(self.over)


class GateAsk(AtTheGate):
    """It goes only with somebody's word."""

    code: Literal["gate-ask"] = "gate-ask"


class MedicineHeld(Told):
    """Medicine in a bag that is checked in."""

    code: Literal["medicine-held"] = "medicine-held"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.GATE,)
    bag: ItemId

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)
