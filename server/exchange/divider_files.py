"""Where dividers go in a padded space, as files to print or to cut from: to scale, one unit a millimetre."""

from collections.abc import Mapping, Sequence
from typing import NamedTuple
from xml.etree.ElementTree import Element, SubElement

from mule.packing import Divider, Placed, RoomUse, extent
from mule.plan.gear import Gear
from server.exchange.true_size import Drawing, Paper, box, canvas, label, pages, written

_LINE = {"fill": "none", "stroke": "black", "stroke-width": "0.3"}
_DASHED = {"fill": "none", "stroke": "black", "stroke-width": "0.2", "stroke-dasharray": "2 1.5"}
_WALL = {"fill": "#bbbbbb", "stroke": "black", "stroke-width": "0.3"}
# Under the drawing, in mm: one line for each divider.
_TEXT_MM = 6.0


class DividedSpace(NamedTuple):
    """A space as it is packed. title: what it is called."""

    title: str
    room: RoomUse
    placed: Sequence[Placed]
    items: Mapping[str, Gear]


def svg(space: DividedSpace) -> str:
    """The space from the front, its dividers numbered, and under it how long each is and where it stands."""
    wide, high = space.room.size_mm[:2]
    ordered = _ordered(space.room)
    root = canvas(wide, high + _TEXT_MM * (len(ordered) + 2))
    _draw(root, space)
    label(root, 0, high + _TEXT_MM, f"{space.title}: inside {wide} × {high} mm, {space.room.size_mm[2]} mm deep.")
    for number, divider in enumerate(ordered, start=1):
        label(root, 0, high + _TEXT_MM * (number + 1), f"{number}: {_said(divider)}")
    return written(root)


def paper(space: DividedSpace, size: Paper) -> str:
    """Pages that print it true to size."""
    wide, high = space.room.size_mm[:2]
    return pages(space.title, [Drawing(space.title, (wide, high), lambda root: _draw(root, space))], size)


def _ordered(room: RoomUse) -> list[Divider]:
    """Long ones first, as they are put in."""
    return sorted(room.dividers, key=lambda d: (not d.long, d.across, d.at_mm, d.from_mm))


def _said(divider: Divider) -> str:
    edge = "the foot" if divider.across == "x" else "the left"
    begins = "" if divider.long else f", beginning at {divider.from_mm} mm"
    return f"{divider.length_mm} mm long, at {divider.at_mm} mm from {edge}{begins}"


def _draw(root: Element, space: DividedSpace) -> None:
    wide, high = space.room.size_mm[:2]
    for one in space.placed:
        (x, y, _), (width, height, _) = one.at_mm, one.size_mm
        if one.round == "z":
            half = width / 2
            SubElement(root, "circle", {"cx": f"{x + half:g}", "cy": f"{y + half:g}", "r": f"{half:g}", **_DASHED})
        else:
            box(root, x, y, width, height, **_DASHED)
        name = " + ".join(space.items[item].name for item in one.items)
        under = sum(one is not other and _covers(one, other) for other in space.placed)
        label(root, x + 2, y + 5 + 5 * under, f"{name} × {one.count}" if one.count > 1 else name)
    for number, divider in enumerate(_ordered(space.room), start=1):
        (x, x_end), (y, y_end) = extent(divider)
        box(root, x, y, x_end - x, y_end - y, **_WALL)
        label(root, x + 1, y + 5 if divider.across == "x" else y_end - 1, str(number))
    box(root, 0, 0, wide, high, **_LINE)


def _covers(one: Placed, other: Placed) -> bool:
    """Whether one lies in front of another: its name goes under that one's."""
    return one.at_mm[2] > other.at_mm[2] and all(
        one.at_mm[k] < other.at_mm[k] + other.size_mm[k] and other.at_mm[k] < one.at_mm[k] + one.size_mm[k]
        for k in (0, 1)
    )
