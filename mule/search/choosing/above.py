"""What a kit of the user has, or lacks, that the search did not allow itself: one type each, told apart by its code."""

from typing import Annotated, Literal

from pydantic import Field

from mule.base.units import Frozen, ItemId, Name
from mule.plan.gear import Effect


class WithoutKept(Frozen):
    """It does without something that stays here in any case. mass_g: of all its pieces."""

    code: Literal["kept"] = "kept"
    item: ItemId
    mass_g: float


class LeavesMarked(Frozen):
    """It leaves what must come."""

    code: Literal["must-take"] = "must-take"
    item: ItemId


class TakesMarked(Frozen):
    """It takes what must stay."""

    code: Literal["must-leave"] = "must-leave"
    item: ItemId


class FillsSlot(Frozen):
    """It takes several things that share a slot."""

    code: Literal["slot"] = "slot"
    slot: ItemId


class OtherSchool(Frozen):
    """It breaks with a policy of the trip."""

    code: Literal["policy"] = "policy"
    policy: Literal["lenses", "second-body", "gaps"]


class NotInPlay(Frozen):
    """It takes a thing that the search does not choose from."""

    code: Literal["not-in-play"] = "not-in-play"
    item: ItemId


class LacksLink(Frozen):
    """Something in it lacks a link that something owned would give."""

    code: Literal["lacks"] = "lacks"
    item: ItemId
    what: Name
    label: str


class FewerPacks(Frozen):
    """It has fewer packs of a type than run at one time."""

    code: Literal["packs"] = "packs"
    type: Name


class LacksEffect(Frozen):
    """It has no filter for a want."""

    code: Literal["effect"] = "effect"
    want: ItemId
    effect: Effect


class AboveLimit(Frozen):
    """It weighs more than was asked for."""

    code: Literal["limit"] = "limit"
    limit_g: float


class LegRefuses(Frozen):
    """A leg refuses it."""

    code: Literal["leg"] = "leg"
    leg: Name


class EndsSooner(Frozen):
    """Its power or its cards carry fewer days than the curve's."""

    code: Literal["lasts"] = "lasts"
    days: int
    of_days: int


class FewerCopies(Frozen):
    """Some night it leaves pictures in fewer places than was asked, and the curve does not."""

    code: Literal["copies"] = "copies"


class DayTooHeavy(Frozen):
    """Some day of it is more than anybody carries well."""

    code: Literal["days"] = "days"


class Unproved(Frozen):
    """The search had no time to prove its points."""

    code: Literal["unproved"] = "unproved"


class NoRoom(Frozen):
    """Packed by trial, it may not go into its bags."""

    code: Literal["room"] = "room"


AboveCurve = Annotated[
    WithoutKept
    | LeavesMarked
    | TakesMarked
    | FillsSlot
    | OtherSchool
    | NotInPlay
    | LacksLink
    | FewerPacks
    | LacksEffect
    | AboveLimit
    | LegRefuses
    | EndsSooner
    | FewerCopies
    | DayTooHeavy
    | Unproved
    | NoRoom,
    Field(discriminator="code"),
]
