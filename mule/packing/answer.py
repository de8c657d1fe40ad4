"""What ``stow`` answers with. Millimetres from the corner of a compartment at the bottom of the bag's back: x upwards,
y across, z from the back outwards; grams; litres."""

from collections.abc import Iterable
from typing import Literal

from mule.base.units import Access, Frozen

Proof = Literal["proved", "ran-out"]
# How things lie in a space with dividers: in rows and cells, or freely where rows do not do.
Layout = Literal["cells", "free"] | None
Why = Literal["too-large", "no-room", "no-time", "pins", "straps", "strap-length", "never-hold", "stays"]


class Placed(Frozen):
    """One block where it lies: a thing, several alike bundled together, or a lens on its body.

    items: what is in it; count: pieces of each; number: of an item whose pieces are packed one by one, from 1. round:
    the axis of a round thing. layer: how many things on top of it must come out first. turn: which of its sides is
    along x, y and z.
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
    number: int | None = None


class SoftPlaced(Frozen):
    """A soft thing: in a compartment, taking what room is left."""

    item: str
    count: int
    room: str
    litres: float
    mass_g: float


class Divider(Frozen):
    """One straight divider, as deep as its space, fixed to walls or to other dividers.

    across: the axis that it cuts, at_mm: where its near face stands on it; from_mm, length_mm: along the other axis.
    long: from wall to wall.
    """

    across: Literal["x", "y"]
    at_mm: int
    thick_mm: int
    from_mm: int
    length_mm: int
    long: bool


class RoomUse(Frozen):
    """One compartment. measured: its inner size is known, else it is reckoned from litres and outer size.

    fill: share of its litres that things take, dividers counted. balance_mm: centre of mass from the middle along x
    (up), y (across) and z (out). layout: rows and cells of straight dividers, or things that lie freely because rows
    do not do; None where nothing is divided. dividers: those of rows and cells; came_with: how many it has, if told.
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
    layout: Layout = None
    dividers: tuple[Divider, ...] = ()
    came_with: int | None = None


class Elsewhere(Frozen):
    """A bag in which a left-over thing finds room, tried by packing it there. disturbs: only if things move there that
    somebody has packed already."""

    bag: str
    room: str
    disturbs: bool = False


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


def pieces_left(left: Iterable[LeftOver]) -> dict[str, int]:
    """Pieces without a place, by item."""
    found: dict[str, int] = {}
    for over in left:
        found[over.item] = found.get(over.item, 0) + over.count
    return found


class Strapped(Frozen):
    """A thing outside a bag."""

    item: str
    bag: str
    count: int


class Moved(Frozen):
    """What lay elsewhere before. from_room, to_room: the same where it only lies otherwise in its space."""

    item: str
    from_room: str
    to_room: str


class Hung(Frozen):
    """A strapped thing on another side of its bag. level_g: how far off that would be, as ``OnPerson`` counts it."""

    item: str
    bag: str
    side: Literal["left", "right", "out"]
    level_g: float


class OnPerson(Frozen):
    """How what one person carries in bags hangs on them.

    behind_mm, right_mm: its centre of mass from the middle of the body, less than 0 in front or left. back_g, front_g,
    left_g, right_g: what rides or hangs there. level_g: grams on the left hip that would level it, less than 0 on the
    right. riding: where each bag rides. better: the one strapped thing whose other side levels it most.
    """

    person: str
    mass_g: float
    behind_mm: float
    right_mm: float
    back_g: float
    front_g: float
    left_g: float
    right_g: float
    level_g: float
    riding: dict[str, Literal["back", "front", "left", "right"]]
    better: Hung | None = None


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
    nothing wrong. alternatives: whether the other things of each slot would fit, too. moved: what lay elsewhere in the
    packing that this one began from. people: how their bags hang on those who carry them.
    """

    rooms: tuple[RoomUse, ...]
    placed: tuple[Placed, ...]
    soft: tuple[SoftPlaced, ...]
    strapped: tuple[Strapped, ...]
    left: tuple[LeftOver, ...]
    checked: bool
    gap_mm: float
    alternatives: tuple[Alternative, ...] = ()
    moved: tuple[Moved, ...] = ()
    people: tuple[OnPerson, ...] = ()
