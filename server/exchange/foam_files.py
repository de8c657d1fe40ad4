"""Cutting plans as files: SVG and DXF to scale, one unit a millimetre, and A4 pages to be taped together."""

from io import StringIO
from xml.etree.ElementTree import Element, SubElement

from mule.packing.foam import Foam, FoamLayer
from server.exchange.true_size import Drawing, box, canvas, label, pages, written

# Between layers that stand side by side in one drawing.
_BETWEEN_MM = 40.0
_THIN = "0.3"


def svg(foam: Foam) -> str:
    """All layers side by side."""
    wide, high = foam.size_mm
    width = len(foam.layers) * (wide + _BETWEEN_MM) - _BETWEEN_MM
    root = canvas(width, high + 12)
    for index, layer in enumerate(foam.layers):
        left = index * (wide + _BETWEEN_MM)
        group = SubElement(root, "g", {"id": f"layer-{layer.number}", "transform": f"translate({left:g} 0)"})
        _draw(group, foam, layer)
        label(group, 0, high + 8, f"Layer {layer.number}, {layer.thickness_mm:g} mm thick", 6)
    return written(root)


def _draw(group: Element, foam: Foam, layer: FoamLayer) -> None:
    line = {"fill": "none", "stroke": "black", "stroke-width": _THIN}
    wide, high = foam.size_mm
    box(group, 0, 0, wide, high, **line)
    for pocket in layer.pockets:
        if pocket.round:
            half = pocket.width_mm / 2
            at = {"cx": f"{pocket.x_mm + half:g}", "cy": f"{pocket.y_mm + half:g}", "r": f"{half:g}"}
            SubElement(group, "circle", {**at, **line})
        else:
            box(group, pocket.x_mm, pocket.y_mm, pocket.width_mm, pocket.height_mm, **line)
        for notch in pocket.notches:
            at = {"cx": f"{notch.x_mm:g}", "cy": f"{notch.y_mm:g}", "r": f"{notch.radius_mm:g}"}
            SubElement(group, "circle", {**at, **line, "stroke-dasharray": "2 1"})
        said = f"{pocket.block}, {'through' if pocket.through else f'{pocket.depth_mm:g} mm deep'}"
        label(group, pocket.x_mm + 2, pocket.y_mm + 6, said)


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


def paper(foam: Foam, title: str) -> str:
    """A document that prints true to size on A4 sheets, layer by layer."""
    return pages(title, [_layer(foam, layer) for layer in foam.layers])


def _layer(foam: Foam, layer: FoamLayer) -> Drawing:
    return Drawing(f"Layer {layer.number}", foam.size_mm, lambda root: _draw(root, foam, layer))
