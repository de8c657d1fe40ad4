"""What ``stow`` answers with. Millimetres from the corner of a compartment at the bottom of the bag's back: x upwards,
y across, z from the back outwards; grams; litres."""

from typing import Literal

from mule.units import Access, Frozen

Proof = Literal["proved", "ran-out"]
Why = Literal["too-large", "no-room", "no-time", "pins", "straps", "strap-length", "never-hold"]


class Placed(Frozen):
    """One block where it lies: a thing, several alike bundled together, or a lens on its body.

    items: what is in it; count: pieces of each. round: the axis along which a round thing lies. layer: how many
    things must come out first, those on top of it. turn: which of its sides lies along x, y and z.
    """

    block: str
    items: tuple[str, ...]
    count: int
    room: str
    at_mm: tuple[int, int, int]
    size_mm: tuple[int, int, int]
    turn: tuple[int, int, int]
    round: Literal["x", "y", "z"] | None
    hard: bool
    mass_g: float
    pinned: bool
    layer: int


class SoftPlaced(Frozen):
    """A soft thing: in a compartment, taking what room is left."""

    item: str
    count: int
    room: str
    litres: float
    mass_g: float


class RoomUse(Frozen):
    """One compartment. measured: its inner size is known, else it is reckoned from litres and outer size.

    fill: share of its litres that things take, dividers counted. balance_mm: centre of mass from the middle along x
    (up), y (across) and z (out).
    """

    room: str
    bag: str
    compartment: str | None
    name: str
    sort: Literal["main", "pocket", "sleeve"]
    access: Access
    divided: bool
    measured: bool
    size_mm: tuple[int, int, int]
    litres: float
    fill: float
    mass_g: float
    balance_mm: tuple[float, float, float] | None


class Elsewhere(Frozen):
    """A bag in which a left-over thing finds room, tried by packing it there."""

    bag: str
    room: str


class LeftOver(Frozen):
    """What found no place in its bag. proof: whether that is proved, or the search ran out of time: then a longer one
    may place it, and why is not for want of room. tried: whether every other bag of the kit was tried to its end.

    owned: bags and inserts of the locker that stay at home and would take it, the smallest first.
    """

    item: str
    count: int
    bag: str
    why: Why
    proof: Proof
    helps: tuple[Elsewhere, ...] = ()
    tried: bool = False
    owned: tuple[str, ...] = ()


class Strapped(Frozen):
    """A thing outside a bag."""

    item: str
    bag: str
    count: int


class Alternative(Frozen):
    """Another thing of a slot, packed by trial where the loaded one lies. fits: nothing stays over with it."""

    slot: str
    item: str
    instead_of: str
    bag: str
    fits: bool


class Stowage(Frozen):
    """The whole answer. bags: outer size of each in mm, and the share of it that is not room inside.

    proof: of what is left over. checked: an independent look at bounds, overlap and weight on fragile things found
    nothing wrong. alternatives: whether the other things of each slot would fit, too.
    """

    rooms: tuple[RoomUse, ...]
    placed: tuple[Placed, ...]
    soft: tuple[SoftPlaced, ...]
    strapped: tuple[Strapped, ...]
    left: tuple[LeftOver, ...]
    checked: bool
    gap_mm: float
    alternatives: tuple[Alternative, ...] = ()
