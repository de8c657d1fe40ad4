"""What every finding has; sentences are the interface's."""

from math import log2
from typing import ClassVar, Self

from pydantic import Field

from mule.base.units import Frozen, ItemId
from mule.findings.codes import NoWay, Severity, StationName
from mule.findings.said.cure import Cure

# What two findings share when they are about the same thing.
Subject = tuple[object, ...]
# One focal length counts as a little, not as nothing.
_ONE_FOCAL = 0.01


def octaves(from_mm: float, to_mm: float) -> float:
    """How wide a stretch of focal lengths is."""
    return max(_ONE_FOCAL, log2(to_mm / from_mm))


class Told(Frozen):
    """What a rule has to say.

    code: which rule spoke. stations: where it stands: the first is where it is mended. items: the things it is about.
    cures, why: ways out, or why there is none; empty until ``mule.findings.cures`` looked.
    """

    code: str
    severity: Severity
    stations: tuple[StationName, ...] = Field(min_length=1)
    items: tuple[ItemId, ...] = ()
    cures: tuple[Cure, ...] = ()
    why: NoWay | None = None

    # Fields that say what it is about. What is worst, where and when may change while the problem stays.
    ABOUT: ClassVar[tuple[str, ...]] = ("items",)

    def subject(self) -> Subject:
        """Equal for two findings about the same thing; in which order it names things is chance."""
        return self.code, *(
            tuple(sorted(self.items)) if name == "items" else getattr(self, name) for name in self.ABOUT
        )

    def size(self) -> float:
        """How bad it is: never negative, larger is worse, in one unit per code; 1 where it is there or not."""
        return 1.0

    @property
    def told(self) -> Self:
        """What the rule has to say, without what could be done about it."""
        return self.model_copy(update={"cures": (), "why": None})
