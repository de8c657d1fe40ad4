"""What ``cover`` answers with: the shapes the screens and the plan file's assessment show."""

from typing import Literal

from mule.analysis.optics.formulas import angle_of_view
from mule.base.units import FULL_FRAME_LONG_SIDE_MM, Frozen

Because = Literal["reach", "light", "pixels", "trait"]
ReachedBy = Literal["native", "crop-mode", "crop-in-post", "stitch", "none"]


class SetUpName(Frozen):
    """The parts of a set-up by id; ``crop`` is the camera crop in force."""

    body: str
    lens: str | None = None
    adapter: str | None = None
    converter: str | None = None
    crop: float = 1


class CoveredRun(Frozen):
    """Neighbouring cells served by the same set-up in the same way. score: mean over them, 0 to 1."""

    from_mm: float
    to_mm: float
    score: float
    how: ReachedBy
    set_up: SetUpName | None
    light: float
    pixels: float
    traits: float


class Gap(Frozen):
    """A run of cells inside a want that scores under 0.5. because: its weakest factor."""

    from_mm: float
    to_mm: float
    score: float
    because: Because


class NativeGap(Frozen):
    """A stretch of a want that no set-up sees without cropping or stitching, and what bridges it.

    bridged_to_mm: how far a crop mode of the set-up below reaches; megapixels: what is left there.
    frames: frames of a stitch from the set-up above, for a static want (None when it takes more than 12).
    """

    from_mm: float
    to_mm: float
    bridge: SetUpName | None = None
    bridged_to_mm: float | None = None
    megapixels: float | None = None
    frames: int | None = None

    @property
    def view_rad(self) -> float:
        """Horizontal view between its two ends, in radians: 14 to 17 mm are 11 degrees."""
        return angle_of_view(FULL_FRAME_LONG_SIDE_MM, self.from_mm) - angle_of_view(FULL_FRAME_LONG_SIDE_MM, self.to_mm)


class WantCover(Frozen):
    """How much of one want the kit meets, 0 to 1, and by what.

    glass: what its set-ups alone would meet. lacks: what the want asks for beside glass and has too little of.
    """

    want: str
    cover: float
    glass: float
    lacks: tuple[str, ...]
    runs: tuple[CoveredRun, ...]
    gaps: tuple[Gap, ...]
    native_gaps: tuple[NativeGap, ...]


class Worth(Frozen):
    """What one piece of an item earns, in points of brief score (0 to 100).

    direct: points lost without it. backup: points it saves, beyond direct, in the single loss in which it saves most.
    points: direct + backup / 10 (docs/domain/coverage.md).
    """

    item: str
    points: float
    direct: float
    backup: float


class ReachBar(Frozen):
    """One bar of the reach chart. unsealed: the links that let water in; sealing is a chain, one is enough."""

    how: Literal["native", "crop-mode", "converter"]
    set_up: SetUpName
    from_mm: float
    to_mm: float
    f_from: float
    f_to: float
    megapixels: float
    autofocus_lost_from_mm: float | None = None
    unsealed: tuple[str, ...] = ()


class ReachRow(Frozen):
    """The bars of one lens on one sort of body (twins share a row)."""

    lens: str | None
    bodies: tuple[str, ...]
    bars: tuple[ReachBar, ...]


class Closer(Frozen):
    """A way to close a gap by taking more along. after: cover of the want then, 0 to 1."""

    items: tuple[str, ...]
    mass_g: float
    after: float
    closes: bool


class WantChange(Frozen):
    """What a change of the kit does to one want: its cover before and after, 0 to 1."""

    want: str
    before: float
    after: float


class Gain(Frozen):
    """Points of brief score (0 to 100) that something left behind would add."""

    items: tuple[str, ...]
    mass_g: float
    points: float


class Headroom(Frozen):
    """How far a body crops in post past its longest lens: from 70 to 94 mm with 24 MP left."""

    body: str
    lens: str | None
    from_mm: float
    to_mm: float
    megapixels: float


class Coverage(Frozen):
    """The whole optical answer. score: importance-weighted mean of the wants, 0 to 100."""

    score: float
    wants: tuple[WantCover, ...]
    reach: tuple[ReachRow, ...]
    idle: tuple[str, ...]
    headroom: tuple[Headroom, ...]
