"""What to do about the next kit, as actions; nothing that keeps people safe is ever told to stay at home."""

from collections import Counter
from collections.abc import Collection, Iterable, Sequence

from mule.analysis.optics import CELLS_PER_OCTAVE, set_ups
from mule.plan import Plan
from mule.plan.field import Broke, Mark, Missed
from mule.plan.gear import Body, Lens, MountAdapter, Standing
from mule.trail.debrief.answer import PackWear, Use
from mule.trail.debrief.filters import missed_filters
from mule.trail.debrief.lessons import KeepIt, LeaveIt, Lesson, MissedReach, RentIt, RetireIt, ServiceIt, TakeIt

# A pack that holds no more than this of what it held when new wants replacing (estimate).
TIRED = 0.8
# Nobody sees half a cell of focal length (docs/domain/coverage.md).
_NEAR = 2 ** (0.5 / CELLS_PER_OCTAVE)
# Charges after which a lithium pack commonly holds a fifth less (estimate: makers say 300 to 500).
WORN_OUT = 500


def _sees(lens: Lens, mm: float, plan: Plan) -> bool:
    """Whether a lens sees a full-frame equivalent focal length on a camera that was along: 22 mm on APS-C is 34."""
    loaded = [plan.items[item] for item in plan.loaded]
    with_it = [t for t in loaded if isinstance(t, Body | MountAdapter)]
    made = set_ups([*with_it, lens], frozenset((lens.id,)), crop_modes=False)
    return any(s.low_mm / _NEAR <= mm <= s.high_mm * _NEAR for s in made)


def keep_or_leave(
    plan: Plan, uses: Sequence[Use], never: Collection[str], twice: Collection[str], kept: Collection[str]
) -> Iterable[Lesson]:
    """What never was used stays at home, the heaviest first; what is right to have along stays in the kit."""
    for use in sorted((u for u in uses if u.item in never), key=lambda u: -u.mass_g):
        yield LeaveIt(item=use.item, mass_g=use.mass_g, trips=2 if use.item in twice else 1)
    for item in kept:
        yield KeepIt(item=item, mass_g=plan.items[item].mass_g)


def take_or_rent(plan: Plan, uses: Sequence[Use], missed: Sequence[Mark]) -> Iterable[Lesson]:
    """Lenses, filters and rings that would have taken what was missed."""
    loaded = plan.loaded
    for mm, count in Counter(m.what.focal_mm for m in missed if isinstance(m.what, Missed)).items():
        if mm is None:
            continue
        able = [t for t in plan.gear if isinstance(t, Lens) and t.id not in loaded and _sees(t, mm, plan)]
        able.sort(key=lambda t: (t.standing != Standing.OWNED, t.mass_g))
        missed_mm = MissedReach(focal_mm=mm, times=count)
        for lens in able[:1]:
            owned = lens.standing == Standing.OWNED
            yield (
                TakeIt(item=lens.id, mass_g=lens.mass_g, missed=missed_mm)
                if owned
                else RentIt(item=lens.id, missed=missed_mm)
            )
        if not able:
            yield RentIt(missed=missed_mm)
    lenses = [use.item for use in uses if isinstance(plan.items[use.item], Lens | Body)]
    yield from missed_filters(plan, lenses, missed)


def service_or_retire(faults: Sequence[Mark], wear: Iterable[PackWear]) -> Iterable[Lesson]:
    """Things with a fault, and packs that have had their time."""
    for mark in faults:
        if isinstance(mark.what, Broke):
            yield ServiceIt(item=mark.what.item, note=mark.what.note)
    for pack in wear:
        if pack.health < TIRED or pack.cycles >= WORN_OUT:
            yield RetireIt(item=pack.item, health=pack.health, cycles=pack.cycles)
