"""Coverage by the book, one cell and one set-up at a time, in plain Python: an independent check of the fast one.

Written from docs/domain/optics.md and docs/domain/coverage.md alone; it shares no code with mule.analysis.optics.
"""

from itertools import pairwise, product
from math import atan, ceil, hypot, log, log2, sqrt
from typing import Any

from mule.plan.gear import Body, Lens, MountAdapter, Teleconverter
from mule.plan.trip import Trait, Want


def _k(body: Body) -> float:
    k = 43.27 / hypot(body.sensor_width_mm, body.sensor_height_mm)
    return 1.0 if abs(k - 1) < 0.02 else k


def _joints(body: Body, lens: Lens, gear: list[Any]) -> list[tuple[Any, Any]]:
    """Adapters (or none) x converters (or none) that join this lens to this body."""
    adapters = [a for a in gear if isinstance(a, MountAdapter)]
    if body.mount is None:
        return []
    fits = [a for a in adapters if (a.lens_mount, a.body_mount) == (lens.mount, body.mount)]
    between = [None] if lens.mount == body.mount else fits
    converters = [c for c in gear if isinstance(c, Teleconverter) and c.id in lens.takes_converters]
    return list(product(between, [None, *converters]))


def _crops(body: Body, circle_mm: float) -> list[float]:
    """The native crop first, then the modes beyond it."""
    diagonal = hypot(body.sensor_width_mm, body.sensor_height_mm)
    able = [c for c in (1.0, *sorted(body.crop_modes)) if diagonal / c <= circle_mm * 1.02]
    base = able[0] if able else diagonal / circle_mm
    return [base, *(c for c in body.crop_modes if c > base)]


def _held(trait: Trait, body: Body, lens: Lens, adapter: Any, converter: Any, f_number: float) -> bool:
    links = [part for part in (adapter, converter) if part is not None]
    match trait:
        case Trait.AUTOFOCUS:
            able = body.autofocus and lens.autofocus and (adapter is None or adapter.autofocus)
            return able and f_number <= (body.autofocus_min_aperture or 1e9) * (1 + 1e-9)
        case Trait.SEALED:
            return body.sealed and lens.sealed and all(part.sealed for part in links)
        case Trait.MACRO:
            return lens.macro
        case Trait.VIDEO:
            return body.video
        case Trait.NEBULAE:
            return body.nebulae
        case Trait.CLEAN:
            return body.clean
        case Trait.STABILISED:
            return body.stabilised or lens.stabilised


def _f_number(lens: Lens, factor: float, share: float) -> float:
    return lens.f_at_min * factor * float((lens.f_at_max / lens.f_at_min) ** share)


def _cell(want: Want, low: float, high: float, body: Body, lens: Lens, joint: tuple[Any, Any], crop: float) -> float:
    adapter, converter = joint
    factor = converter.factor if converter else 1.0
    k = _k(body) * crop
    short, long = lens.focal_min_mm * factor * k, lens.focal_max_mm * factor * k
    focal = min(max(sqrt(low * high), want.focal_min_mm), want.focal_max_mm)
    at = min(max(focal, short), long)
    share = log(at / short) / log(long / short) if long > short else 0.0
    f_number = _f_number(lens, factor, share)
    native = short < high and (long > low or short >= low)
    cut = focal / long if not native and focal > long else 1.0
    reach = 1.0
    if not native and focal < short:
        frame = 2 * atan(min(body.sensor_width_mm, body.sensor_height_mm) / crop / (2 * lens.focal_min_mm * factor))
        target = 2 * atan(36 / (2 * focal))
        frames = ceil((target - 0.3 * frame) / (0.7 * frame) - 1e-9)
        reach = 0.6 if want.static_subject and frames <= 12 else 0.0
    compared = f_number * k * cut if want.light == "equivalent" else f_number
    stops = 2 * log2(compared / want.max_f_number)
    light = 1.0 if stops <= 0 else 1 - 0.3 * stops if stops <= 2 + 1e-9 else 0.0
    pixels = min(1.0, body.megapixels / crop**2 / cut**2 / want.megapixels)
    traits = 1.0
    for wish in want.traits:
        if not _held(wish.trait, body, lens, adapter, converter, f_number):
            traits *= 0.0 if wish.essential else 0.8
    return reach * light * pixels * traits


def cover_of(want: Want, gear: list[Any]) -> float:
    """How much of a want this gear meets, 0 to 1. Bodies with fixed lenses are not looked at."""
    bodies = [t for t in gear if isinstance(t, Body)]
    lenses = [t for t in gear if isinstance(t, Lens)]
    edges = [8 * 2 ** (i / 12) for i in range(100)]
    cells = [
        (a, b)
        for a, b in pairwise(edges)
        if want.focal_min_mm < b * (1 - 1e-12) and (want.focal_max_mm > a * (1 + 1e-10) or want.focal_min_mm >= a)
    ]
    scores = []
    for low, high in cells:
        best = 0.0
        for body, lens in product(bodies, lenses):
            for joint in _joints(body, lens, gear):
                for crop in _crops(body, lens.image_circle_mm):
                    best = max(best, _cell(want, low, high, body, lens, joint, crop))
        scores.append(best)
    return sum(scores) / len(scores)
