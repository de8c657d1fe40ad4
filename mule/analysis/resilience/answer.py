"""What ``endure`` answers with."""

from typing import Literal

from mule.analysis.optics import WantChange
from mule.base.units import Frozen


class Backup(Frozen):
    """Things to load that bear a loss. mass_g: of all of them."""

    items: tuple[str, ...]
    mass_g: float


class Loss(Frozen):
    """One thing or bag lost or broken, and what is left.

    out: what is lost or of no use then. score: of what is left; points: lost. wants: ids of those lost (less than
    half of their cover is left). changes: what it does to the wants. days: days whose every want is lost.
    stops: no set-up is left at all. pictures: every card, drive and computer is gone with it, and so is every picture
    taken so far. fails: things that stay but no longer work. backups: the lightest ways to bear it.
    """

    what: Literal["thing", "bag"]
    item: str
    out: tuple[str, ...]
    score: float
    points: float
    wants: tuple[str, ...]
    changes: tuple[WantChange, ...]
    days: int
    stops: bool
    pictures: bool
    fails: tuple[str, ...]
    backups: tuple[Backup, ...]


class Resilience(Frozen):
    """Every single loss, worst first. steady: wants that some set-up still serves whatever one thing is lost.

    share: their share of the brief by importance, 0 to 1.
    """

    losses: tuple[Loss, ...]
    steady: tuple[str, ...]
    share: float
