"""Bags and the padded inserts that move between them."""

from typing import ClassVar, Literal

from mule.finding import PieceKind
from mule.gear.base import Box, Group, Thing
from mule.units import Flag, Litres, SqueezeMm


class Bag(Thing):
    """A bag. ``size`` is its outer size, wheels and handles included; ``inner`` says what really fits.

    piece: how it usually travels. squeeze_mm: how far its thinnest side gives when pressed into a frame.
    """

    kind: Literal["bag"] = "bag"
    group: ClassVar[Group] = Group.CARRY

    piece: PieceKind = PieceKind.CABIN
    volume_l: Litres
    inner: Box | None = None
    squeeze_mm: SqueezeMm = 0
    hard: Flag = False


class Insert(Thing):
    """A padded cube that moves between bags."""

    kind: Literal["insert"] = "insert"
    group: ClassVar[Group] = Group.CARRY

    volume_l: Litres
    inner: Box | None = None
