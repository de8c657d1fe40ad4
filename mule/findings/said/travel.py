"""What carriers refuse and what backs bear."""

from typing import ClassVar, Literal

from mule.base.units import ItemId, Name
from mule.findings.codes import Severity, StationName
from mule.findings.said.told import Told
from mule.plan.places import PieceKind


class LegRefusal(Told):
    """A carrier does not take a bag as it is.

    leg: where it is most over, one of ``legs``. risked: by choice, of who looks light.
    """

    stations: tuple[StationName, ...] = (StationName.BENCH, StationName.GATE)
    leg: ItemId
    legs: int
    person: Name
    piece: PieceKind | None = None
    risked: bool = False

    ABOUT: ClassVar[tuple[str, ...]] = ("items", "person", "piece")


class LegMass(LegRefusal):
    """A bag is too heavy."""

    code: Literal["leg-mass"] = "leg-mass"
    mass_g: float
    allowed_g: float
    over_g: float

    def size(self) -> float:
        """How bad it is."""
        return float(self.over_g)


class LegTogether(LegRefusal):
    """Bags are too heavy together."""

    code: Literal["leg-together"] = "leg-together"
    mass_g: float
    allowed_g: float
    over_g: float

    def size(self) -> float:
        """How bad it is."""
        return float(self.over_g)


class LegSize(LegRefusal):
    """A bag does not go into the frame. over_mm: where most is lacking."""

    code: Literal["leg-size"] = "leg-size"
    side_mm: float
    allowed_mm: float
    over_mm: float

    def size(self) -> float:
        """How bad it is."""
        return float(self.over_mm)


class LegSum(LegRefusal):
    """The sides of a bag come to too much."""

    code: Literal["leg-sum"] = "leg-sum"
    sum_mm: float
    allowed_mm: float
    over_mm: float

    def size(self) -> float:
        """How bad it is."""
        return float(self.over_mm)


class LegSoft(LegRefusal):
    """Only soft bags go."""

    code: Literal["leg-soft"] = "leg-soft"


class LegCount(LegRefusal):
    """Too many pieces."""

    code: Literal["leg-count"] = "leg-count"
    pieces: int
    allowed: int
    over: int

    def size(self) -> float:
        """How bad it is."""
        return float(self.over)


class Unplaced(Told):
    """Things in no bag of their bearer."""

    code: Literal["unplaced"] = "unplaced"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH, StationName.STOW, StationName.GATE)
    person: ItemId
    mass_g: float
    litres: float

    ABOUT: ClassVar[tuple[str, ...]] = ("person",)

    def size(self) -> float:
        """How bad it is."""
        return float(self.mass_g)


class HeavyLoad(Told):
    """More than a share of body mass on one back. line: the share that is passed."""

    code: Literal["heavy-load"] = "heavy-load"
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    person: ItemId
    carried_g: float
    share: float
    line: float

    ABOUT: ClassVar[tuple[str, ...]] = ("person",)

    def size(self) -> float:
        """How bad it is."""
        return float(self.share)
