"""Frames: what a picture's metadata says, and which things of the locker took it."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from math import hypot
from typing import TypeVar

from mule.base.units import FULL_FRAME_DIAGONAL_MM
from mule.plan.field import Frame
from mule.plan.gear import Body, Gear, Glass, Lens, words_of

T = TypeVar("T", Body, Lens)
# Focal lengths in metadata are rounded; zooms breathe at their ends (estimate).
_SLACK = 0.04


@dataclass(frozen=True)
class Matched:
    """A frame with the things that took it; None where nothing in the locker answers to the name."""

    frame: Frame
    body: Body | None
    lens: Gear | None

    @property
    def equivalent_mm(self) -> float | None:
        """Full-frame equivalent focal length (docs/domain/optics.md); as written where the body is not known."""
        if self.frame.focal_mm is None:
            return None
        if self.body is None:
            return self.frame.focal_mm
        diagonal = hypot(self.body.sensor_width_mm, self.body.sensor_height_mm)
        return self.frame.focal_mm * FULL_FRAME_DIAGONAL_MM / diagonal


def match(frames: Iterable[Frame], gear: Sequence[Gear], loaded: Iterable[str]) -> list[Matched]:
    """Each frame with its body and lens. loaded: items that were along; of things of one name, those come first."""
    along = frozenset(loaded)
    bodies = sorted((t for t in gear if isinstance(t, Body)), key=lambda t: t.id not in along)
    lenses = sorted((t for t in gear if isinstance(t, Lens)), key=lambda t: t.id not in along)
    known: dict[tuple[str, str, float | None, float | None], tuple[Body | None, Gear | None]] = {}
    found = []
    for frame in frames:
        key = frame.body, frame.lens, frame.focal_mm, frame.f_number
        if key not in known:
            body = _named(frame.body, bodies)
            known[key] = body, _lens(frame, body, lenses, along)
        found.append(Matched(frame, *known[key]))
    return found


def _lens(frame: Frame, body: Body | None, lenses: Sequence[Lens], along: frozenset[str]) -> Gear | None:
    """By name; a fixed lens is its body; without a name, the one lens along that could have taken it."""
    if body is not None and body.fixed_lens is not None:
        return body
    if frame.lens:
        return _named(frame.lens, lenses)
    able = [t for t in lenses if t.id in along and (body is None or t.mount == body.mount) and _sees(t, frame)]
    return able[0] if len(able) == 1 else None


def _sees(lens: Glass, frame: Frame) -> bool:
    if frame.focal_mm is None:
        return False
    inside = lens.focal_min_mm * (1 - _SLACK) <= frame.focal_mm <= lens.focal_max_mm * (1 + _SLACK)
    return inside and (frame.f_number is None or frame.f_number >= lens.f_at_min * (1 - _SLACK))


def _words(name: str) -> frozenset[str]:
    return words_of(name) - {"f", "mm"}


def _named(name: str, things: Sequence[T]) -> T | None:
    """The thing that somebody said goes by that name; else the first whose name has the same words, or all words of
    the shorter of both.
    """
    asked = _words(name)
    if not asked:
        return None
    told = next((t for t in things if any(_words(other) == asked for other in t.also)), None)
    if told is not None:
        return told
    same = next((t for t in things if _words(t.name) == asked), None)
    return same or next((t for t in things if (w := _words(t.name)) and (w <= asked or asked <= w)), None)
