"""Set-ups: body + adapter + converter + lens + crop mode. Only set-ups take pictures."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from math import hypot
from typing import NamedTuple

from mule.analysis.optics.formulas import crop_factor
from mule.plan.gear import Body, Gear, Glass, Lens, MountAdapter, Teleconverter

# An image circle this much under the sensor diagonal still counts as covering it: nominal sizes are rounded.
CIRCLE_TOLERANCE = 1.02


class SetUp(NamedTuple):
    """One way of taking pictures. Focal lengths are full-frame equivalent millimetres.

    crop: camera crop in force (1 for none); ``forced`` when the lens leaves no choice. k: crop factor of the part
    of the sensor in use. f_low, f_high: f-numbers at the ends, converter included. autofocus_to: f-number beyond
    which autofocus stops (inf when it never does, 0 without autofocus). short_side_mm: of the part in use.
    lens_low_mm: real focal length at the wide end, converter included.
    """

    body: str
    lens: str | None
    adapter: str | None
    converter: str | None
    crop: float
    forced: bool
    low_mm: float
    high_mm: float
    f_low: float
    f_high: float
    k: float
    megapixels: float
    autofocus_to: float
    sealed: bool
    stabilised: bool
    macro: bool
    video: bool
    nebulae: bool
    clean: bool
    short_side_mm: float
    lens_low_mm: float

    @property
    def parts(self) -> tuple[str, ...]:
        """Ids of all things this set-up needs."""
        return tuple(p for p in (self.body, self.lens, self.adapter, self.converter) if p is not None)

    @property
    def native(self) -> bool:
        """Whether this is the set-up without a crop mode that somebody chose."""
        return self.crop == 1 or self.forced


@dataclass(frozen=True, slots=True)
class _Joint:
    """What stands between body and lens."""

    adapter: MountAdapter | None = None
    converter: Teleconverter | None = None

    @property
    def factor(self) -> float:
        return self.converter.factor if self.converter else 1.0

    def passes(self, name: str) -> bool:
        """Whether every link between body and lens has the trait; teleconverters always pass autofocus."""
        return (self.adapter is None or getattr(self.adapter, name)) and (
            self.converter is None or getattr(self.converter, name, True)
        )


def nominal_crop_factor(body: Body) -> float:
    """k of the whole sensor. Full-frame sensors differ by a few tenths of a millimetre: within 2 % of 1 is 1."""
    k = crop_factor(body.sensor_width_mm, body.sensor_height_mm)
    return 1.0 if abs(k - 1) < 0.02 else k


def forced_crop(body: Body, image_circle_mm: float) -> float:
    """The smallest crop at which the lens covers the sensor; 1 when it covers all of it.

    A camera crop mode is taken when one fits, otherwise the crop that exactly fits the circle.
    """
    diagonal = hypot(body.sensor_width_mm, body.sensor_height_mm)
    for crop in (1.0, *sorted(body.crop_modes)):
        if diagonal / crop <= image_circle_mm * CIRCLE_TOLERANCE:
            return crop
    return diagonal / image_circle_mm


def _autofocus_to(body: Body, glass: Glass, joint: _Joint) -> float:
    if not (body.autofocus and glass.autofocus and joint.passes("autofocus")):
        return 0.0
    return body.autofocus_min_aperture or float("inf")


def _build(body: Body, lens: Lens | None, glass: Glass, joint: _Joint, *, crop_modes: bool) -> list[SetUp]:
    """The native set-up and, when asked for, one per crop mode of the body beyond it."""
    base = forced_crop(body, lens.image_circle_mm) if lens else 1.0
    full_k = nominal_crop_factor(body)
    short = min(body.sensor_width_mm, body.sensor_height_mm)
    autofocus_to = _autofocus_to(body, glass, joint)
    sealed = body.sealed and glass.sealed and joint.passes("sealed")
    factor = joint.factor
    built = []
    for crop in (base, *(c for c in body.crop_modes if crop_modes and c > base)):
        k = full_k * crop
        built.append(
            SetUp(
                body=body.id,
                lens=lens.id if lens else None,
                adapter=joint.adapter.id if joint.adapter else None,
                converter=joint.converter.id if joint.converter else None,
                crop=crop,
                forced=base > 1 and crop == base,
                low_mm=glass.focal_min_mm * factor * k,
                high_mm=glass.focal_max_mm * factor * k,
                f_low=glass.f_at_min * factor,
                f_high=glass.f_at_max * factor,
                k=k,
                megapixels=body.megapixels / crop**2,
                autofocus_to=autofocus_to,
                sealed=sealed,
                stabilised=body.stabilised or glass.stabilised,
                macro=glass.macro,
                video=body.video,
                nebulae=body.nebulae,
                clean=body.clean,
                short_side_mm=short / crop,
                lens_low_mm=glass.focal_min_mm * factor,
            )
        )
    return built


class _AdaptersBetween:
    """The adapters that join two mounts; None stands for none being needed."""

    def __init__(self, adapters: Sequence[MountAdapter]) -> None:
        self._by_mounts: dict[tuple[str, str], list[MountAdapter | None]] = {}
        for adapter in adapters:
            self._by_mounts.setdefault((adapter.lens_mount, adapter.body_mount), []).append(adapter)

    def find(self, lens: Lens, body: Body) -> Sequence[MountAdapter | None]:
        if body.mount is None:
            return ()
        return (None,) if lens.mount == body.mount else self._by_mounts.get((lens.mount, body.mount), ())


def set_ups(gear: Iterable[Gear], needing: frozenset[str] | None = None, *, crop_modes: bool = True) -> list[SetUp]:
    """Every set-up these things allow, plainest first.

    needing: when given, only set-ups that use at least one of these items (used to price one more thing).
    crop_modes: whether chosen crop modes count; a forced crop always does.
    """
    bodies: list[Body] = []
    lenses: list[Lens] = []
    adapters: list[MountAdapter] = []
    converters: dict[str, Teleconverter] = {}
    for thing in gear:
        match thing:
            case Body():
                bodies.append(thing)
            case Lens():
                lenses.append(thing)
            case MountAdapter():
                adapters.append(thing)
            case Teleconverter():
                converters[thing.id] = thing
    between = _AdaptersBetween(adapters)
    named = [(lens, [None, *(converters[c] for c in lens.takes_converters if c in converters)]) for lens in lenses]
    found: list[SetUp] = []
    for body in bodies:
        needed = needing is None or body.id in needing
        if body.fixed_lens and needed:
            found += _build(body, None, body.fixed_lens, _Joint(), crop_modes=crop_modes)
        for lens, fitting in named:
            for adapter in between.find(lens, body):
                for converter in fitting:
                    joint = _Joint(adapter, converter)
                    if needed or _touches(needing, lens, joint):
                        found += _build(body, lens, lens, joint, crop_modes=crop_modes)
    found.sort(key=lambda s: (s.converter is not None, s.adapter is not None, not s.native))
    return found


def _touches(needing: frozenset[str] | None, lens: Lens, joint: _Joint) -> bool:
    """Whether a set-up of a body that is not itself needed uses something that is."""
    return needing is not None and (
        lens.id in needing
        or (joint.adapter is not None and joint.adapter.id in needing)
        or (joint.converter is not None and joint.converter.id in needing)
    )
