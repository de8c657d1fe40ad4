"""Findings: what a rule has to say, with its numbers and its cures. Sentences are made by the interface."""

from enum import StrEnum
from typing import Annotated, Literal

from pydantic import Field

from mule.units import Count, Frozen, ItemId, Name


class PieceKind(StrEnum):
    """How a bag travels: overhead, under the seat, or checked in."""

    CABIN = "cabin"
    PERSONAL = "personal"
    HOLD = "hold"


class InBag(Frozen):
    """Inside a bag or insert, or strapped to its outside."""

    where: Literal["bag"] = "bag"
    bag: ItemId
    outside: bool = False


class Worn(Frozen):
    """On a person: pockets, neck, belt clip."""

    where: Literal["worn"] = "worn"
    person: ItemId


class AsPiece(Frozen):
    """A bag that is itself a piece of somebody's luggage."""

    where: Literal["piece"] = "piece"
    piece: PieceKind
    person: ItemId


Place = Annotated[InBag | Worn | AsPiece, Field(discriminator="where")]


class Load(Frozen):
    """Put ``count`` more of an item into the kit; without a place it goes where such things go by default."""

    act: Literal["load"] = "load"
    item: ItemId
    count: Count = 1
    place: Place | None = None


class Leave(Frozen):
    """Take ``count`` of an item out of the kit, or all of them; what a left bag held moves to the next best place."""

    act: Literal["leave"] = "leave"
    item: ItemId
    count: Count | None = None


class Move(Frozen):
    """Put what is loaded of an item somewhere else."""

    act: Literal["move"] = "move"
    item: ItemId
    place: Place


Edit = Annotated[Load | Leave | Move, Field(discriminator="act")]


class Severity(StrEnum):
    """blocker: the trip fails on it; caution: a picture or a comfort is lost; note: good to know."""

    BLOCKER = "blocker"
    CAUTION = "caution"
    NOTE = "note"


class Cure(Frozen):
    """One way out. ``edits`` may be empty when the cure is a way of shooting (crop mode, stitching)."""

    code: str
    edits: tuple[Edit, ...] = ()
    mass_change_g: float = 0
    numbers: dict[str, float] = Field(default={})


class Finding(Frozen):
    """What a rule found.

    code: which rule spoke. numbers: the figures of its sentence, unit in each key.
    items: the things it is about. refs: other ids by role (``want``, ``leg``, ``person``, ``bag``).
    """

    code: str
    severity: Severity
    station: str
    numbers: dict[str, float] = Field(default={})
    items: tuple[ItemId, ...] = ()
    refs: dict[str, Name] = Field(default={})
    cures: tuple[Cure, ...] = ()
