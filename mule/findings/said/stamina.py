"""Power, cards and copies."""

from datetime import date
from typing import ClassVar, Literal

from mule.base.units import Name
from mule.findings.codes import Severity, StationName
from mule.findings.said.told import Told


class OfPower(Told):
    """A type of pack on its worst day.

    margin: what it had to spare, as a share of the need; asked: what was asked to spare.
    """

    stations: tuple[StationName, ...] = (StationName.STAMINA,)
    type: Name
    on: date
    need_wh: float
    got_wh: float
    ready_wh: float
    margin: float
    asked: float
    lowest_c: float
    short_days: int
    lacking_wh: float

    ABOUT: ClassVar[tuple[str, ...]] = ("type",)


class PowerShort(OfPower):
    """It does not carry the day."""

    code: Literal["power-short"] = "power-short"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.STAMINA,)

    def size(self) -> float:
        """How bad it is."""
        return float(self.lacking_wh)


class PowerThin(OfPower):
    """It carries the day, with less to spare than asked."""

    code: Literal["power-thin"] = "power-thin"
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.STAMINA,)

    def size(self) -> float:
        """How bad it is."""
        return max(0.0, self.asked - self.margin)


class ChargerVolts(Told):
    """It does not take the volts of the place."""

    code: Literal["charger-volts"] = "charger-volts"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.STAMINA,)
    volts: float

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class BankTooLarge(Told):
    """A bank that no airline takes."""

    code: Literal["bank-too-large"] = "bank-too-large"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.STAMINA,)
    energy_wh: float
    most_wh: float

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class BeyondCold(Told):
    """Colder than the estimate of cold goes. ends_c: down to where it does."""

    code: Literal["beyond-cold"] = "beyond-cold"
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.STAMINA,)
    lowest_c: float
    ends_c: float

    ABOUT: ClassVar[tuple[str, ...]] = ()


class CardsFull(Told):
    """Cards run out. more: cards that would do."""

    code: Literal["cards-full"] = "cards-full"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.STAMINA,)
    types: tuple[Name, ...]
    on: date
    lost_gb: float
    more: int

    ABOUT: ClassVar[tuple[str, ...]] = ("types",)

    def size(self) -> float:
        """How bad it is."""
        return float(self.lost_gb)


class FilmShort(Told):
    """Less film than the days ask, in frames."""

    code: Literal["film-short"] = "film-short"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.STAMINA,)
    type: Name
    asked: float
    have: int

    ABOUT: ClassVar[tuple[str, ...]] = ("type",)

    def size(self) -> float:
        """How bad it is."""
        return float(self.asked - self.have)


class CardOld(Told):
    """Cards older than they are trusted. since: the year of the oldest; years: for how long they are."""

    code: Literal["card-old"] = "card-old"
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.STAMINA,)
    since: int
    years: int

    ABOUT: ClassVar[tuple[str, ...]] = ()

    def size(self) -> float:
        """How bad it is."""
        return float(len(self.items))


class CopiesShort(Told):
    """Pictures are in fewer places than asked by the end of some nights, worst of that of ``on``."""

    code: Literal["copies-short"] = "copies-short"
    stations: tuple[StationName, ...] = (StationName.STAMINA,)
    on: date
    copies: int
    asked: int
    nights: int

    ABOUT: ClassVar[tuple[str, ...]] = ()

    def size(self) -> float:
        """How bad it is."""
        return float(self.nights * (self.asked - self.copies))


class CopiesTogether(Told):
    """All places of a picture are in one bag or camera."""

    code: Literal["copies-together"] = "copies-together"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.STAMINA,)

    ABOUT: ClassVar[tuple[str, ...]] = ()


class MirrorOneSlot(Told):
    """Every frame twice is asked of a camera with one slot."""

    code: Literal["mirror-one-slot"] = "mirror-one-slot"
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.STAMINA,)

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)


class MirrorOneCard(Told):
    """Every frame twice is asked of a camera with one card on some day."""

    code: Literal["mirror-one-card"] = "mirror-one-card"
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.STAMINA,)

    ABOUT: ClassVar[tuple[str, ...]] = ("items",)
