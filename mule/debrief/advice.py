"""What to do about the next kit, as actions; nothing that keeps people safe is ever told to stay at home."""

from collections import Counter
from collections.abc import Collection, Iterable, Sequence
from math import hypot
from typing import Literal

from mule.debrief.answer import Advice, Use
from mule.field import Broke, Mark, Missed
from mule.gear import Battery, Body, Lens, Standing
from mule.plan import Plan

# A pack that holds no more than this of what it held when new wants replacing (estimate).
TIRED = 0.8


def _fits_one(lens: Lens, plan: Plan) -> bool:
    """Whether a lens goes on a camera that was along, and fills its picture (3 % of dark corner is no matter)."""
    bodies = (t for item in plan.kit.loaded() if isinstance(t := plan.items[item], Body))
    return any(
        b.mount == lens.mount and lens.image_circle_mm >= 0.97 * hypot(b.sensor_width_mm, b.sensor_height_mm)
        for b in bodies
    )


def advise(
    plan: Plan,
    uses: Sequence[Use],
    never: Collection[str],
    twice: Collection[str],
    kept: Collection[str],
    missed: Sequence[Mark],
    faults: Sequence[Mark],
) -> Iterable[Advice]:
    """Leave, keep, take or rent, service, retire."""
    for use in sorted((u for u in uses if u.item in never), key=lambda u: -u.mass_g):
        trips = 2.0 if use.item in twice else 1.0
        yield Advice(code="leave", item=use.item, numbers={"mass_g": use.mass_g, "trips": trips})
    for item in kept:
        yield Advice(code="keep", item=item, numbers={"mass_g": plan.items[item].mass_g})
    loaded = plan.kit.loaded()
    for mm, count in Counter(m.what.focal_mm for m in missed if isinstance(m.what, Missed)).items():
        if mm is None:
            continue
        able = [t for t in plan.gear if isinstance(t, Lens) and t.id not in loaded and _fits_one(t, plan)]
        able = [t for t in able if t.focal_min_mm <= mm <= t.focal_max_mm]
        able.sort(key=lambda t: (t.standing != Standing.OWNED, t.mass_g))
        for lens in able[:1]:
            code: Literal["take", "rent"] = "take" if lens.standing == Standing.OWNED else "rent"
            yield Advice(
                code=code, item=lens.id, numbers={"mass_g": lens.mass_g, "focal_mm": mm, "times": float(count)}
            )
        if not able:
            yield Advice(code="rent", numbers={"focal_mm": mm, "times": float(count)})
    for mark in faults:
        if isinstance(mark.what, Broke):
            yield Advice(code="service", item=mark.what.item, refs={"note": mark.what.note})
    for item in loaded:
        thing = plan.items[item]
        if isinstance(thing, Battery) and thing.health < TIRED:
            yield Advice(code="retire", item=item, numbers={"health": thing.health})
