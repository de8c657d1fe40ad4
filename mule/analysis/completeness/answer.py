"""What ``complete`` answers with."""

from typing import Literal

from mule.base.units import Frozen


class Missing(Frozen):
    """A link that a loaded thing lacks.

    what: the sort of link (``pack``, ``reader``, ``port``...); label: its type. short: pieces missing (0: all).
    """

    item: str
    what: str
    label: str
    short: int = 0


class Orphan(Frozen):
    """A loaded thing without a purpose. lacks: what would give it one, of type label."""

    item: str
    lacks: str
    label: str
    mass_g: float


class Chain(Frozen):
    """What hangs on one thing, or on all cards or packs of a type, and on nothing else. mass_g: of the followers."""

    lead: tuple[str, ...]
    what: Literal["card", "pack", "thing"]
    label: str
    followers: tuple[str, ...]
    mass_g: float


class Clash(Frozen):
    """Things that want the same place at once: a hot shoe, a phone, a base plate."""

    over: Literal["hot-shoe", "phone", "base-plate"]
    items: tuple[str, ...]
    places: int


class Overlap(Frozen):
    """Things that do the same. meant: one of them is marked as a backup."""

    by: str
    items: tuple[str, ...]
    meant: bool


class Broken(Frozen):
    """A link of another thing, or something a want asks for, that fails."""

    of: Literal["thing", "want"]
    id: str
    what: str
    label: str


class Hold(Frozen):
    """What leaving one thing means. goes: of no more use without it; breaks: what then fails."""

    item: str
    goes: tuple[str, ...]
    breaks: tuple[Broken, ...]


class Completeness(Frozen):
    """What the loaded things lack and double."""

    missing: tuple[Missing, ...]
    orphans: tuple[Orphan, ...]
    clashes: tuple[Clash, ...]
    overlaps: tuple[Overlap, ...]
