"""Drawings that print true to size: SVG in millimetres, and pages to be taped together."""

from base64 import b64encode
from collections.abc import Callable, Iterator, Sequence
from hashlib import sha256
from html import escape
from math import ceil
from typing import Literal, NamedTuple
from xml.etree.ElementTree import Element, SubElement, tostring

from csp.constants import SELF
from csp.decorators import csp_update
from django.http import HttpRequest, HttpResponse
from django.http.response import HttpResponseBase

Paper = Literal["a4", "a3"]
_MARGIN_MM = 10.0
# The printed part of a page, inside its margins, in mm (ISO 216: A4 is 210 × 297, A3 297 × 420).
PAGES_MM: dict[Paper, tuple[float, float]] = {"a4": (190.0, 277.0), "a3": (277.0, 400.0)}
# Room for the line that says which sheet it is.
_HEAD_MM = 6.0
_STYLES: dict[Paper, str] = {
    paper: (
        f"@page{{size:{paper.upper()};margin:{_MARGIN_MM:g}mm}}body{{margin:0;font-family:sans-serif}}"
        "section{break-inside:avoid}section+section{break-before:page}"
        "p{margin:0 0 1mm;font-size:3mm;height:4mm;overflow:hidden}svg{display:block}"
    )
    for paper in PAGES_MM
}


class Drawing(NamedTuple):
    """What is drawn: its name, its sides in mm, and what draws it into an SVG element."""

    name: str
    size_mm: tuple[float, float]
    draw: Callable[[Element], None]


def canvas(width: float, height: float, left: float = 0, top: float = 0) -> Element:
    """An SVG of so many millimetres, that shows a part of a drawing."""
    return Element(
        "svg",
        {
            "xmlns": "http://www.w3.org/2000/svg",
            "width": f"{width:g}mm",
            "height": f"{height:g}mm",
            "viewBox": f"{left:g} {top:g} {width:g} {height:g}",
        },
    )


def written(root: Element) -> str:
    """As text."""
    return tostring(root, encoding="unicode")


def label(parent: Element, x: float, y: float, text: str, size: float = 4) -> None:
    """A line of words."""
    at = {"x": f"{x:g}", "y": f"{y:g}", "font-size": f"{size:g}", "font-family": "sans-serif"}
    SubElement(parent, "text", at).text = text


def box(parent: Element, x: float, y: float, width: float, height: float, **style: str) -> None:
    """A rectangle."""
    size = {"x": f"{x:g}", "y": f"{y:g}", "width": f"{width:g}", "height": f"{height:g}"}
    SubElement(parent, "rect", {**size, **style})


def pages(title: str, drawings: Sequence[Drawing], paper: Paper = "a4") -> str:
    """A document that prints true to size, row by row, each sheet with its place written on it.

    Send it by :func:`as_page`: elsewhere the app's own policy keeps a browser from reading its style.
    """
    body = "".join(_page(*tile, paper) for tile in _tiles(drawings, paper))
    return (
        f"<!doctype html><html lang='en'><head><meta charset='utf-8'><title>{escape(title)}</title>"
        f"<style>{_STYLES[paper]}</style></head><body>{body}</body></html>"
    )


_DIGESTS = [f"'sha256-{b64encode(sha256(style.encode()).digest()).decode()}'" for style in _STYLES.values()]


def as_page(request: HttpRequest, document: str) -> HttpResponseBase:
    """A document of :func:`pages` as an answer whose policy allows its own style, named by its digest, and no other."""

    @csp_update({"style-src": [SELF, *_DIGESTS]})
    def page(request: HttpRequest) -> HttpResponseBase:
        return HttpResponse(document, content_type="text/html")

    return page(request)


def _tiles(drawings: Sequence[Drawing], paper: Paper) -> Iterator[tuple[Drawing, int, int]]:
    wide, high = PAGES_MM[paper]
    for drawing in drawings:
        columns, rows = ceil(drawing.size_mm[0] / wide), ceil(drawing.size_mm[1] / (high - _HEAD_MM))
        yield from ((drawing, row, column) for row in range(rows) for column in range(columns))


def _page(drawing: Drawing, row: int, column: int, paper: Paper) -> str:
    wide, high = PAGES_MM[paper][0], PAGES_MM[paper][1] - _HEAD_MM
    root = canvas(wide, high, column * wide, row * high)
    drawing.draw(root)
    said = f"{drawing.name}, row {row + 1}, column {column + 1}. Print at 100 %; measure the outline before you cut."
    return f"<section><p>{escape(said)}</p>{written(root)}</section>"
