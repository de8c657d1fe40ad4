"""Set-ups: body + adapter + converter + lens + crop mode. Only set-ups take pictures."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from math import hypot

from mule.gear import Body, Gear, Glass, Lens, MountAdapter, Teleconverter
from mule.optics.formulas import crop_factor

# An image circle this much under the sensor diagonal still counts as covering it: nominal sizes are rounded.
CIRCLE_TOLERANCE = 1.02


@dataclass(frozen=True, slots=True)
class SetUp:
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


def _build(body: Body, lens: Lens | None, glass: Glass, joint: _Joint) -> list[SetUp]:
    """The native set-up and one per crop mode of the body beyond it."""
    base = forced_crop(body, lens.image_circle_mm) if lens else 1.0
    full_k = nominal_crop_factor(body)
    short = min(body.sensor_width_mm, body.sensor_height_mm)
    built = []
    for crop in (base, *(c for c in body.crop_modes if c > base)):
        k = full_k * crop
        reach = joint.factor * k
        built.append(
            SetUp(
                body=body.id,
                lens=lens.id if lens else None,
                adapter=joint.adapter.id if joint.adapter else None,
                converter=joint.converter.id if joint.converter else None,
                crop=crop,
                forced=base > 1 and crop == base,
                low_mm=glass.focal_min_mm * reach,
                high_mm=glass.focal_max_mm * reach,
                f_low=glass.f_at_min * joint.factor,
                f_high=glass.f_at_max * joint.factor,
                k=k,
                megapixels=body.megapixels / crop**2,
                autofocus_to=_autofocus_to(body, glass, joint),
                sealed=body.sealed and glass.sealed and joint.passes("sealed"),
                stabilised=body.stabilised or glass.stabilised,
                macro=glass.macro,
                video=body.video,
                short_side_mm=short / crop,
                lens_low_mm=glass.focal_min_mm * joint.factor,
            )
        )
    return built


def _adapters_between(lens: Lens, body: Body, adapters: Sequence[MountAdapter]) -> list[MountAdapter | None]:
    if lens.mount == body.mount:
        return [None]
    return [a for a in adapters if a.lens_mount == lens.mount and a.body_mount == body.mount]


def set_ups(gear: Iterable[Gear], needing: frozenset[str] | None = None) -> list[SetUp]:
    """Every set-up these things allow, plainest first.

    needing: when given, only set-ups that use at least one of these items (used to price one more thing).
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
    found: list[SetUp] = []
    for body in bodies:
        if body.fixed_lens and (needing is None or body.id in needing):
            found += _build(body, None, body.fixed_lens, _Joint())
        for lens in lenses:
            for adapter in _adapters_between(lens, body, adapters):
                named = [converters[c] for c in lens.takes_converters if c in converters]
                for converter in (None, *named):
                    joint = _Joint(adapter, converter)
                    if needing is None or _touches(needing, body, lens, joint):
                        found += _build(body, lens, lens, joint)
    found.sort(key=lambda s: (s.converter is not None, s.adapter is not None, not s.native))
    return found


def _touches(needing: frozenset[str], body: Body, lens: Lens, joint: _Joint) -> bool:
    return (
        body.id in needing
        or lens.id in needing
        or (joint.adapter is not None and joint.adapter.id in needing)
        or (joint.converter is not None and joint.converter.id in needing)
    )
