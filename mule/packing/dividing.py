"""Straight dividers, as deep as the space, seen from the front: x upwards, y across, whole millimetres."""

from collections.abc import Sequence
from dataclasses import dataclass

from mule.packing.answer import Divider
from mule.packing.orientations import Sides


@dataclass(frozen=True)
class Rect:
    """A rectangle of a space: its corner, and how far it goes along x and y."""

    x: int
    y: int
    width: int
    height: int

    def start(self, axis: int) -> int:
        """Where it begins along an axis."""
        return (self.x, self.y)[axis]

    def end(self, axis: int) -> int:
        """Where it ends along an axis."""
        return (self.x + self.width, self.y + self.height)[axis]

    def holds(self, at: Sequence[int]) -> bool:
        """Whether a corner lies in it."""
        return self.x <= at[0] < self.x + self.width and self.y <= at[1] < self.y + self.height

    def cut(self, axis: int, near: int, thick: int) -> tuple["Rect", "Rect | None"]:
        """Cut across an axis after ``near`` millimetres: that part, and what is left beyond a divider, if anything."""
        rest = (self.width, self.height)[axis] - near - thick
        if axis == 0:
            one = Rect(self.x, self.y, near if rest > 0 else self.width, self.height)
            return one, Rect(self.x + near + thick, self.y, rest, self.height) if rest > 0 else None
        one = Rect(self.x, self.y, self.width, near if rest > 0 else self.height)
        return one, Rect(self.x, self.y + near + thick, self.width, rest) if rest > 0 else None


def is_cut(rect: Rect, axis: int, near: int, thick: int) -> bool:
    """Whether a divider after ``near`` millimetres leaves something on both of its sides."""
    return 0 < near < (rect.width, rect.height)[axis] - thick


def cells_between(room: Sequence[int], dividers: Sequence[Divider]) -> list[Rect]:
    """The cells of a space: cut by a divider from side to side, again and again."""
    todo, found = [Rect(0, 0, room[0], room[1])], []
    while todo:
        rect = todo.pop()
        cut = next((d for d in dividers if _cuts(d, rect)), None)
        if cut is None:
            found.append(rect)
            continue
        axis = 0 if cut.across == "x" else 1
        one, other = rect.cut(axis, cut.at_mm - rect.start(axis), cut.thick_mm)
        todo += [one] if other is None else [one, other]
    return found


def _cuts(one: Divider, rect: Rect) -> bool:
    axis = 0 if one.across == "x" else 1
    inside = is_cut(rect, axis, one.at_mm - rect.start(axis), one.thick_mm)
    return inside and one.from_mm <= rect.start(1 - axis) and rect.end(1 - axis) <= one.from_mm + one.length_mm


def divider_across(rect: Rect, axis: int, near: int, thick: int, room: Sides) -> Divider:
    """The divider that cuts a rectangle across an axis, after ``near`` millimetres of it."""
    other = 1 - axis
    start, end = rect.start(other), rect.end(other)
    return Divider(
        across="xy"[axis],
        at_mm=rect.start(axis) + near,
        thick_mm=thick,
        from_mm=start,
        length_mm=end - start,
        long=start == 0 and end == room[other],
    )


def unfixed(room: Sequence[int], dividers: Sequence[Divider]) -> list[Divider]:
    """Dividers that leave the space, cross another, or of which an end is fixed to no wall and no other divider."""
    return [one for one in dividers if _crossed(one, dividers) or not _held(one, room, dividers)]


def _held(one: Divider, room: Sequence[int], dividers: Sequence[Divider]) -> bool:
    across, along = (0, 1) if one.across == "x" else (1, 0)
    if one.at_mm < 0 or one.at_mm + one.thick_mm > room[across]:
        return False
    start, end = one.from_mm, one.from_mm + one.length_mm
    facing = [d for d in dividers if d.across != one.across and _beside(d, one)]
    low = start == 0 or any(d.at_mm + d.thick_mm == start for d in facing)
    return low and (end == room[along] or any(d.at_mm == end for d in facing))


def _beside(holder: Divider, one: Divider) -> bool:
    """Whether a divider is long enough to hold the end of another across its whole thickness."""
    return holder.from_mm <= one.at_mm and one.at_mm + one.thick_mm <= holder.from_mm + holder.length_mm


def _crossed(one: Divider, dividers: Sequence[Divider]) -> bool:
    x, y = extent(one)
    for other in dividers:
        if other == one:
            continue
        u, v = extent(other)
        if x[0] < u[1] and u[0] < x[1] and y[0] < v[1] and v[0] < y[1]:
            return True
    return False


def extent(one: Divider) -> tuple[tuple[int, int], tuple[int, int]]:
    """From where to where a divider goes along x and along y."""
    across, along = (one.at_mm, one.at_mm + one.thick_mm), (one.from_mm, one.from_mm + one.length_mm)
    return (across, along) if one.across == "x" else (along, across)
