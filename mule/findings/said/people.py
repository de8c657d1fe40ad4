"""What people share, carry and wear."""

from datetime import date
from typing import ClassVar, Literal

from mule.base.units import ItemId, Label, Name
from mule.findings.codes import Severity, StationName
from mule.findings.said.told import Told


class CarriesWell(Told):
    """More on a back than it carries well."""

    code: Literal["carries-well"] = "carries-well"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    person: ItemId
    carried_g: float
    over_g: float

    ABOUT: ClassVar[tuple[str, ...]] = ("person",)

    def size(self) -> float:
        """How bad it is."""
        return float(self.over_g)


class BothInOneBag(Told):
    """Two things that back each other up, and the bag that both ride in."""

    code: Literal["both-in-one-bag"] = "both-in-one-bag"
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.BENCH,)

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class SetIncomplete(Told):
    """Not everybody has all of a set. use: what lacks most; lacking: pieces of everything in it."""

    code: Literal["set-incomplete"] = "set-incomplete"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    set: ItemId
    name: Name
    use: Label
    have: int
    people: int
    lacking: int

    ABOUT: ClassVar[tuple[str, ...]] = ("set",)

    def size(self) -> float:
        """How bad it is."""
        return float(self.lacking)


class TorchEach(Told):
    """Fewer head torches than people."""

    code: Literal["torch-each"] = "torch-each"
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    have: int
    people: int

    ABOUT: ClassVar[tuple[str, ...]] = ()

    def size(self) -> float:
        """How bad it is."""
        return float(self.people - self.have)


class TooCold(Told):
    """Clothes or sleeping bags that are not warm enough for everybody.

    comfort_c: of the warmest; have: warm enough ones.
    """

    code: Literal["too-cold"] = "too-cold"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    sort: Literal["worn", "slept-in"]
    day: date
    comfort_c: float
    lowest_c: float
    have: int
    people: int

    ABOUT: ClassVar[tuple[str, ...]] = ("sort",)

    def size(self) -> float:
        """How bad it is."""
        return float(self.people - self.have)
