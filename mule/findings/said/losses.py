"""What one loss costs."""

from typing import ClassVar, Literal

from mule.findings.codes import StationName
from mule.findings.said.told import Told


class LostBag(Told):
    """A bag that takes power or cards along and leaves the cameras.

    power_days, whole_days: without and with it, of ``of_days``; charges: whether what is left still charges.
    """

    code: Literal["lost-bag"] = "lost-bag"
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    power_days: int
    whole_days: int
    of_days: int
    cards: int
    all_cards: int
    charges: bool

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)

    def size(self) -> float:
        """How bad it is."""
        gone = (self.all_cards - self.cards) / max(1, self.all_cards)
        return self.of_days - self.power_days + gone + (not self.charges)


class SinglePoint(Told):
    """One thing whose loss costs much. points: of the brief; stops: whether no picture is taken any more."""

    code: Literal["single-point"] = "single-point"
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    points: float
    wants: int
    days: int
    stops: bool

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)

    def size(self) -> float:
        """How bad it is."""
        return float(self.points)


class PicturesInOneBag(Told):
    """All copies of the pictures ride in one bag."""

    code: Literal["pictures-in-one-bag"] = "pictures-in-one-bag"
    stations: tuple[StationName, ...] = (StationName.BENCH,)

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)
