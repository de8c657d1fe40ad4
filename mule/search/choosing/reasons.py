"""Demands that cannot hold together, one type each, told apart by their code."""

from typing import Annotated, Literal

from pydantic import Field

from mule.base.units import Frozen, ItemId, Name

LensSchool = Literal["one-zoom", "trio-of-zooms", "primes"]
# Why nothing that is in play takes a picture.
Nothing = Literal["no-body", "no-lens", "out-of-reach"]
BodySchool = Literal["none", "twin", "specialist"]


class MustCome(Frozen):
    """A thing is marked as must come. here: it is in play."""

    code: Literal["must-take"] = "must-take"
    item: ItemId
    here: bool


class MustStay(Frozen):
    """A thing is marked as must stay. held: the open kit holds on to it."""

    code: Literal["must-leave"] = "must-leave"
    item: ItemId
    held: bool


class SlotOfOne(Frozen):
    """Things share a slot: one of them comes at most."""

    code: Literal["slot"] = "slot"
    slot: ItemId


class MustServe(Frozen):
    """What must come needs something. what: the sort of link; label: its type, thread or size."""

    code: Literal["need"] = "need"
    item: ItemId
    what: Name
    label: str


class BagOnLeg(Frozen):
    """What a leg allows in one bag."""

    code: Literal["leg-of-bag"] = "leg-of-bag"
    leg: Name
    bag: ItemId
    allowed_g: float


class PersonOnLeg(Frozen):
    """What a leg allows somebody, over all pieces."""

    code: Literal["leg-of-person"] = "leg-of-person"
    leg: Name
    person: ItemId
    allowed_g: float


class BackAllows(Frozen):
    """What somebody carries well."""

    code: Literal["person"] = "person"
    person: ItemId
    allowed_g: float


class RoomOfBag(Frozen):
    """How much a bag still takes, with what stays in it."""

    code: Literal["volume"] = "volume"
    bag: ItemId
    room_l: float


class MassAsked(Frozen):
    """The mass limit of the user. kept_g: mass of the things that the search may not leave."""

    code: Literal["limit"] = "limit"
    limit_g: float
    kept_g: float


class LensesAsked(Frozen):
    """The school of lenses that was picked."""

    code: Literal["policy-lenses"] = "policy-lenses"
    policy: LensSchool


class BodiesAsked(Frozen):
    """The school of second bodies that was picked."""

    code: Literal["policy-second-body"] = "policy-second-body"
    policy: BodySchool


class NoGapAsked(Frozen):
    """No want may have a gap."""

    code: Literal["policy-gaps"] = "policy-gaps"
    want: ItemId


class TakesPictures(Frozen):
    """The kit takes pictures that some want asks for. because: why nothing does, where nothing in play could."""

    code: Literal["pictures"] = "pictures"
    because: Nothing | None = None


Reason = Annotated[
    MustCome
    | MustStay
    | SlotOfOne
    | MustServe
    | BagOnLeg
    | PersonOnLeg
    | BackAllows
    | RoomOfBag
    | MassAsked
    | LensesAsked
    | BodiesAsked
    | NoGapAsked
    | TakesPictures,
    Field(discriminator="code"),
]
