"""Cutting plans as files: SVG and DXF to scale, one unit a millimetre, and A4 pages to be taped together."""

from collections.abc import Iterator
from html import escape
from io import StringIO
from math import ceil
from xml.etree.ElementTree import Element, SubElement, tostring

from mule.packing.foam import Foam, FoamLayer

# Sheets of A4 with 10 mm left blank all around, in mm.
PAGE_MM = (190.0, 277.0)
# Between layers that stand side by side in one drawing.
_BETWEEN_MM = 40.0
_THIN = "0.3"


def svg(foam: Foam) -> str:
    """All layers side by side."""
    wide, high = foam.size_mm
    width = len(foam.layers) * (wide + _BETWEEN_MM) - _BETWEEN_MM
    root = _root(width, high + 12)
    for index, layer in enumerate(foam.layers):
        left = index * (wide + _BETWEEN_MM)
        group = SubElement(root, "g", {"id": f"layer-{layer.number}", "transform": f"translate({left:g} 0)"})
        _draw(group, foam, layer)
        text = SubElement(
            group, "text", {"x": "0", "y": f"{high + 8:g}", "font-size": "6", "font-family": "sans-serif"}
        )
        text.text = f"Layer {layer.number}, {layer.thickness_mm:g} mm thick"
    return tostring(root, encoding="unicode")


def _root(width: float, height: float, left: float = 0, top: float = 0) -> Element:
    return Element(
        "svg",
        {
            "xmlns": "http://www.w3.org/2000/svg",
            "width": f"{width:g}mm",
            "height": f"{height:g}mm",
            "viewBox": f"{left:g} {top:g} {width:g} {height:g}",
        },
    )


def _draw(group: Element, foam: Foam, layer: FoamLayer) -> None:
    line = {"fill": "none", "stroke": "black", "stroke-width": _THIN}
    wide, high = foam.size_mm
    SubElement(group, "rect", {"x": "0", "y": "0", "width": f"{wide:g}", "height": f"{high:g}", **line})
    for pocket in layer.pockets:
        if pocket.round:
            half = pocket.width_mm / 2
            at = {"cx": f"{pocket.x_mm + half:g}", "cy": f"{pocket.y_mm + half:g}", "r": f"{half:g}"}
            SubElement(group, "circle", {**at, **line})
        else:
            size = {"width": f"{pocket.width_mm:g}", "height": f"{pocket.height_mm:g}"}
            SubElement(group, "rect", {"x": f"{pocket.x_mm:g}", "y": f"{pocket.y_mm:g}", **size, **line})
        for notch in pocket.notches:
            at = {"cx": f"{notch.x_mm:g}", "cy": f"{notch.y_mm:g}", "r": f"{notch.radius_mm:g}"}
            SubElement(group, "circle", {**at, **line, "stroke-dasharray": "2 1"})
        text = SubElement(
            group,
            "text",
            {
                "x": f"{pocket.x_mm + 2:g}",
                "y": f"{pocket.y_mm + 6:g}",
                "font-size": "4",
                "font-family": "sans-serif",
            },
        )
        text.text = f"{pocket.block}, {'through' if pocket.through else f'{pocket.depth_mm:g} mm deep'}"


def dxf(foam: Foam) -> str:
    """All layers in one drawing, each on a layer of its own; notches on another.

    Drawings of this kind count y upwards: everything is turned over, so that it looks as it does in the SVG.
    """
    # Loading it takes most of a second, and hardly anybody cuts foam: the app starts without it.
    from ezdxf import units  # noqa: PLC0415
    from ezdxf.filemanagement import new  # noqa: PLC0415

    drawing = new("R2010", units=units.MM)
    space = drawing.modelspace()
    wide, high = foam.size_mm
    for index, layer in enumerate(foam.layers):
        left = index * (wide + _BETWEEN_MM)
        name, notches = f"FOAM-{layer.number}", f"NOTCHES-{layer.number}"
        drawing.layers.add(name)
        drawing.layers.add(notches)
        _rectangle(space, left, 0, wide, high, name)
        for pocket in layer.pockets:
            x, y = left + pocket.x_mm, high - pocket.y_mm - pocket.height_mm
            if pocket.round:
                half = pocket.width_mm / 2
                space.add_circle((x + half, y + half), half, dxfattribs={"layer": name})
            else:
                _rectangle(space, x, y, pocket.width_mm, pocket.height_mm, name)
            for notch in pocket.notches:
                at = (left + notch.x_mm, high - notch.y_mm)
                space.add_circle(at, notch.radius_mm, dxfattribs={"layer": notches})
    text = StringIO()
    drawing.write(text)
    return text.getvalue()


def _rectangle(space: object, x: float, y: float, width: float, height: float, layer: str) -> None:
    corners = [(x, y), (x + width, y), (x + width, y + height), (x, y + height)]
    space.add_lwpolyline(corners, close=True, dxfattribs={"layer": layer})  # type: ignore[attr-defined]


def pages(foam: Foam, title: str) -> str:
    """A document that prints true to size on A4 sheets, row by row, each with its place written on it."""
    body = "".join(_page(foam, *tile) for tile in _tiles(foam))
    style = (
        "@page{size:A4;margin:10mm}body{margin:0;font-family:sans-serif}"
        "section{break-after:page}p{margin:0 0 1mm;font-size:3mm;height:4mm}svg{display:block}"
    )
    return (
        f"<!doctype html><html lang='en'><head><meta charset='utf-8'><title>{escape(title)}</title>"
        f"<style>{style}</style></head><body>{body}</body></html>"
    )


# Room for the line that says which sheet it is.
_HEAD_MM = 6.0


def _tiles(foam: Foam) -> Iterator[tuple[FoamLayer, int, int]]:
    columns = ceil(foam.size_mm[0] / PAGE_MM[0])
    rows = ceil(foam.size_mm[1] / (PAGE_MM[1] - _HEAD_MM))
    return ((layer, row, column) for layer in foam.layers for row in range(rows) for column in range(columns))


def _page(foam: Foam, layer: FoamLayer, row: int, column: int) -> str:
    wide, high = PAGE_MM[0], PAGE_MM[1] - _HEAD_MM
    root = _root(wide, high, column * wide, row * high)
    _draw(root, foam, layer)
    said = (
        f"Layer {layer.number}, row {row + 1}, column {column + 1}. Print at 100 %; measure the outline before you cut."
    )
    return f"<section><p>{said}</p>{tostring(root, encoding='unicode')}</section>"
