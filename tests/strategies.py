"""Hypothesis strategies for gear and wants."""

from hypothesis import strategies as st

from mule.plan.gear import Body, Gear, Lens
from mule.plan.trip import Trait, TraitWish, Want
from tests import cast

focal = st.floats(8, 600)
f_number = st.sampled_from([1.4, 1.8, 2.8, 4.0, 5.6, 6.3, 8.0, 11.0])


@st.composite
def lenses(draw: st.DrawFn, id_: str) -> Lens:
    low, high = sorted((draw(focal), draw(focal)))
    fast, slow = sorted((draw(f_number), draw(f_number)))
    return cast.lens(
        id_,
        low,
        high,
        fast,
        slow,
        mass_g=draw(st.integers(50, 3000)),
        mount=draw(st.sampled_from(["K", "Old"])),
        image_circle_mm=draw(st.sampled_from([43.27, 28.85])),
        sealed=draw(st.booleans()),
        macro=draw(st.booleans()),
        takes_converters=draw(st.sampled_from([(), ("x14",), ("x14", "x20")])),
    )


@st.composite
def bodies(draw: st.DrawFn, id_: str) -> Body:
    width, height = draw(st.sampled_from([(36.0, 24.0), (23.5, 15.6), (17.3, 13.0)]))
    return cast.body(
        id_,
        sensor_width_mm=width,
        sensor_height_mm=height,
        megapixels=draw(st.sampled_from([12, 20, 24, 45, 61])),
        crop_modes=draw(st.sampled_from([(), (1.5,), (1.3, 2.0)])),
        autofocus_min_aperture=draw(st.sampled_from([None, 8, 11])),
        sealed=draw(st.booleans()),
        nebulae=draw(st.booleans()),
        clean=draw(st.booleans()),
    )


@st.composite
def wants(draw: st.DrawFn, id_: str) -> Want:
    low, high = sorted((draw(focal), draw(focal)))
    traits = draw(st.lists(st.sampled_from(list(Trait)), unique=True, max_size=3))
    return cast.want(
        id_,
        low,
        high,
        max_f_number=draw(f_number),
        light=draw(st.sampled_from(["exposure", "equivalent"])),
        megapixels=draw(st.sampled_from([2, 8, 20, 45])),
        traits=tuple(TraitWish(trait=t, essential=draw(st.booleans())) for t in traits),
        static_subject=draw(st.booleans()),
        importance=draw(st.integers(1, 5)),
    )


@st.composite
def optics(draw: st.DrawFn) -> list[Gear]:
    """One to two bodies, up to four lenses, both converters and the adapter."""
    made = [draw(bodies(f"body-{i}")) for i in range(draw(st.integers(1, 2)))]
    glass = [draw(lenses(f"lens-{i}")) for i in range(draw(st.integers(0, 4)))]
    return [*made, *glass, cast.converter(1.4), cast.converter(2.0), cast.adapter()]


wishes = st.lists(st.integers(0, 9), min_size=1, max_size=4, unique=True).flatmap(
    lambda ids: st.tuples(*(wants(f"want-{i}") for i in ids))
)
