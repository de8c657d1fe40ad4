"""What searches share: bounds and limits found so far, and what a found kit is."""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, field
from threading import Lock

from mule.search.choosing.bounds import Bound
from mule.search.choosing.by_days import KitRefused
from mule.search.choosing.day_caps import CapPassed
from mule.search.choosing.lasting import Ask, LastingPart
from mule.search.choosing.placing import RoomLimit
from mule.search.choosing.scoring import UNITS

_POINTS_PER_UNIT = 100.0 / UNITS


@dataclass
class CutPool:
    """Bounds found so far; they hold under every limit, so all searches share them.

    masses: under how many the best fractional kit was asked for. brought_g: grams that each class of camera brings as
    the first beside its pack; inf where it can not be the first. relaxed: parts in which no kit lasts.
    refused: kits that cannot be carried out day by day.
    """

    bounds: list[Bound] = field(default_factory=list)
    asks: list[Ask] = field(default_factory=list)
    limits: list[RoomLimit] = field(default_factory=list)
    masses: int = 0
    brought_g: dict[int, float] = field(default_factory=dict)
    relaxed: list[LastingPart] = field(default_factory=list)
    refused: list[KitRefused | CapPassed] = field(default_factory=list)
    lock: Lock = field(default_factory=Lock)

    def put(self, more: list[Bound]) -> None:
        """Adds bounds."""
        with self.lock:
            self.bounds += more

    def demand(self, more: list[Ask]) -> None:
        """Adds what kits like one that was found must have to last."""
        with self.lock:
            self.asks += more

    def crowd(self, more: Collection[RoomLimit]) -> None:
        """Adds what does not go into a bag together."""
        with self.lock:
            self.limits += more

    def refuse(self, more: Sequence[KitRefused | CapPassed]) -> None:
        """Adds what cannot be carried out day by day."""
        with self.lock:
            self.refused += more

    @property
    def all_proved(self) -> bool:
        """Whether every limit that may hang on lack of time was proved."""
        return all(known.proved for known in self.limits) and all(
            (kits.cap if isinstance(kits, CapPassed) else kits).proved for kits in self.refused
        )


@dataclass(frozen=True)
class Found:
    """A kit of the search. pieces: by item. units: true score. bound: units that nothing under the limit exceeds."""

    pieces: Mapping[str, int]
    units: int
    bound: int
    carried_g: float
    proved: bool

    @property
    def bound_points(self) -> float:
        """The bound in points of brief score."""
        return self.bound * _POINTS_PER_UNIT
