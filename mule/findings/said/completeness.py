"""What is missing, left over, wanted twice or doubled."""

from typing import ClassVar, Literal

from mule.base.units import ItemId, Name
from mule.findings.codes import FindingCode, Severity, StationName
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

    code: Literal[FindingCode.MISSING_LINK] = FindingCode.MISSING_LINK


class PiecesShort(OfALink):
    """It is loaded, in too few pieces."""

    code: Literal[FindingCode.PIECES_SHORT] = FindingCode.PIECES_SHORT
    short: int

    def size(self) -> float:
        """How bad it is."""
        return float(self.short)


class ServesNothing(OfALink):
    """Nothing loaded needs it. mass_g: of all pieces."""

    code: Literal[FindingCode.ORPHAN] = FindingCode.ORPHAN
    severity: Severity = Severity.CAUTION
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    mass_g: float


class ChainOfLinks(OfALink):
    """One thing, or type, that alone brings ``things`` others along, ``mass_g`` in all."""

    code: Literal[FindingCode.CHAIN] = FindingCode.CHAIN
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

    code: Literal[FindingCode.CLASH_HOT_SHOE] = FindingCode.CLASH_HOT_SHOE


class ClashPhone(OfAClash):
    """For phones."""

    code: Literal[FindingCode.CLASH_PHONE] = FindingCode.CLASH_PHONE


class ClashBasePlate(OfAClash):
    """For plates."""

    code: Literal[FindingCode.CLASH_BASE_PLATE] = FindingCode.CLASH_BASE_PLATE


class SeenTwice(Told):
    """Things that do the same."""

    code: Literal[FindingCode.OVERLAP] = FindingCode.OVERLAP
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    by: Name

    ABOUT: ClassVar[tuple[str, ...]] = ("items", "by")


class FilterUnserved(Told):
    """An effect that a want asks for is given on none, or not all, of its lenses.

    from_mm, to_mm: where it lacks, when it does so in part.
    """

    code: Literal[FindingCode.FILTER_UNSERVED] = FindingCode.FILTER_UNSERVED
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

    code: Literal[FindingCode.FILTERS_TOGETHER] = FindingCode.FILTERS_TOGETHER
    severity: Severity = Severity.NOTE
    stations: tuple[StationName, ...] = (StationName.BENCH,)
    want: ItemId
    rim_mm: float | None = None
    from_mm: float | None = None

    ABOUT: ClassVar[tuple[str, ...]] = ("items", "want")
