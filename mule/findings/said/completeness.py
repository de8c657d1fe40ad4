"""What is missing, left over, wanted twice or doubled."""

from typing import ClassVar, Literal

from mule.base.units import ItemId, Name
from mule.findings.codes import Severity, StationName
from mule.findings.said.told import Told, octaves
from mule.plan.gear import Effect


class OfALink(Told):
    """What one thing needs of another. what: the sort of link; label: its type, thread or size, where it has one."""

    stations: tuple[StationName, ...] = (StationName.BENCH,)
    what: Name
    label: Name | None = None

    ABOUT: ClassVar[tuple[str, ...]] = ("items", "what", "label")


class MissingLink(OfALink):
    """Nothing loaded gives it."""

    code: Literal["missing-link"] = "missing-link"


class PiecesShort(OfALink):
    """It is loaded, in too few pieces."""

    code: Literal["pieces-short"] = "pieces-short"
    short: int

    def size(self) -> float:
        """How bad it is."""
        return float(self.short)


class ServesNothing(OfALink):
    """Nothing loaded needs it. mass_g: of all pieces."""

    code: Literal["orphan"] = "orphan"
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    mass_g: float


class ChainOfLinks(OfALink):
    """One thing, or type, that alone brings ``things`` others along, ``mass_g`` in all."""

    code: Literal["chain"] = "chain"
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    things: int
    mass_g: float


class OfAClash(Told):
    """Several things for too few places."""

    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    places: int

    ABOUT: ClassVar[tuple[str, ...]] = ()

    def size(self) -> float:
        """How bad it is."""
        return float(len(self.items))


class ClashHotShoe(OfAClash):
    """For hot shoes."""

    code: Literal["clash-hot-shoe"] = "clash-hot-shoe"


class ClashPhone(OfAClash):
    """For phones."""

    code: Literal["clash-phone"] = "clash-phone"


class ClashBasePlate(OfAClash):
    """For plates."""

    code: Literal["clash-base-plate"] = "clash-base-plate"


class SeenTwice(Told):
    """Things that do the same."""

    code: Literal["overlap"] = "overlap"
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    by: Name

    ABOUT: ClassVar[tuple[str, ...]] = ("items", "by")


class FilterUnserved(Told):
    """An effect that a want asks for is given on none, or not all, of its lenses.

    from_mm, to_mm: where it lacks, when it does so in part.
    """

    code: Literal["filter-unserved"] = "filter-unserved"
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    want: ItemId
    effect: Effect
    stops: float | None = None
    from_mm: float | None = None
    to_mm: float | None = None

    ABOUT: ClassVar[tuple[str, ...]] = ("want", "effect")

    def size(self) -> float:
        """How bad it is."""
        return octaves(self.from_mm, self.to_mm) if self.from_mm and self.to_mm else 1.0


class FiltersTogether(Told):
    """Effects that one lens does not wear together, or only with dark corners.

    rim_mm: of what they are in; from_mm: where the corners are dark.
    """

    code: Literal["filters-together"] = "filters-together"
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    want: ItemId
    rim_mm: float | None = None
    from_mm: float | None = None

    ABOUT: ClassVar[tuple[str, ...]] = ("items", "want")
