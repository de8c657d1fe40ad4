"""What the kit does not see of what is wanted."""

from collections.abc import Iterable

from mule.analysis.optics import Closer, Gap, NativeGap
from mule.findings import said
from mule.findings.codes import CureCode
from mule.findings.cures.getting import lens_that_sees, to_get
from mule.findings.cures.making import Proposals, left, load, sees
from mule.findings.rules import Trials
from mule.findings.said.cure import CropMode, Cure, Doing, InPart, Stitch
from mule.plan.edits import Load
from mule.plan.gear import Body, Gear, Lens, MountAdapter

# A cure that has no want to look at takes this, as most zooms for travelling do.
_USUAL_F = 4.0
_MOST = 2


def close_gap(trials: Trials, finding: said.WantGap | said.WantUnmet) -> Iterable[Cure]:
    """The lightest things at home that close a gap of a want or make it less; or a lens to get."""
    want = next(i for i, w in enumerate(trials.plan.trip.wants) if w.id == finding.want)
    gaps = trials.case.view.coverage.wants[want].gaps
    at = finding.from_mm, finding.to_mm
    gap = next((g for g in gaps if (g.from_mm, g.to_mm) == at), gaps[0])
    barred = trials.barred
    closers = (c for c in trials.case.view.unselected.close(want, gap) if barred.isdisjoint(c.items))
    yield from map(_closing, closers)
    yield from _with_a_body(trials, gap)
    yield from _lens_to_get(trials, want, gap)


def _closing(closer: Closer) -> Cure:
    edits = tuple(Load(item=item) for item in closer.items)
    return Doing(code=CureCode.LOAD, edits=edits) if closer.closes else InPart(edits=edits, cover_after=closer.after)


def _with_a_body(trials: Trials, gap: Gap) -> Iterable[Cure]:
    """A lens at home that sees it, with a body at home that takes it, where no loaded body does."""
    mounts = {t.mount for i in trials.loaded if isinstance(t := trials.plan.items[i], Body)}
    bodies = left(trials, Body)
    for lens in left(trials, Lens):
        body = next((b for b in bodies if b.mount == lens.mount and b.mount not in mounts), None)
        if body and sees(lens, body, gap.from_mm, gap.to_mm):
            yield load(body, lens)


def _lens_to_get(trials: Trials, want: int, gap: Gap) -> Iterable[Cure]:
    mounts = [t for i in trials.loaded if isinstance(t := trials.plan.items[i], Body) and t.mount]
    if mounts:
        f_number = trials.plan.trip.wants[want].max_f_number or _USUAL_F
        yield to_get(lens_that_sees(gap.from_mm, gap.to_mm, f_number))


def bridge(trials: Trials, finding: said.NativeGapOfWants) -> Iterable[Cure]:
    """Ways of shooting over a stretch that no lens sees by itself."""
    at = finding.from_mm, finding.to_mm
    gaps = (g for cover in trials.case.view.coverage.wants for g in cover.native_gaps)
    gap = next((g for g in gaps if (g.from_mm, g.to_mm) == at), None)
    if gap:
        yield from _ways(gap)


def _ways(gap: NativeGap) -> Iterable[Cure]:
    if gap.bridge and gap.bridged_to_mm and gap.megapixels:
        yield CropMode(crop=gap.bridge.crop, to_mm=gap.bridged_to_mm, megapixels=gap.megapixels)
    if gap.frames:
        yield Stitch(frames=gap.frames, to_mm=gap.from_mm)


def something_to_shoot(trials: Trials, finding: said.NoSetUp) -> Iterable[Cure]:
    """The lightest body that fits, lens that fits a body, adapter between them, or body with a lens."""
    loaded = [trials.plan.items[i] for i in trials.loaded]
    able = [t for kind in (Body, Lens, MountAdapter) for t in left(trials, kind) if _completes(t, loaded)]
    yield from (load(t) for t in sorted(able, key=lambda t: t.mass_g)[:_MOST])
    if not able:
        yield from _pairs(trials)


def _pairs(trials: Trials) -> Iterable[Cure]:
    """The lightest body at home with the lightest lens at home that it takes."""
    lenses = left(trials, Lens)
    pairs = [(b, x) for b in left(trials, Body) for x in lenses if b.mount and b.mount == x.mount]
    if pairs:
        yield load(*min(pairs, key=lambda pair: pair[0].mass_g + pair[1].mass_g))


def _completes(thing: Gear, loaded: list[Gear]) -> bool:
    bodies = [t for t in loaded if isinstance(t, Body)]
    lenses = [t for t in loaded if isinstance(t, Lens)]
    match thing:
        case Body(fixed_lens=fixed, mount=mount):
            return fixed is not None or any(lens.mount == mount for lens in lenses)
        case Lens(mount=mount):
            return any(body.mount == mount for body in bodies)
        case MountAdapter(lens_mount=lens_mount, body_mount=body_mount):
            return any(b.mount == body_mount for b in bodies) and any(x.mount == lens_mount for x in lenses)
        case _:
            return False


def fewer_changes(trials: Trials, finding: said.LensChanges) -> Iterable[Cure]:
    """The lightest body that saves changing lenses in the weather."""
    days = (d for d in trials.case.lens_changes if d.date == finding.day and d.second_body)
    yield from (load(trials.plan.items[d.second_body]) for d in days if d.second_body)


PROPOSALS: Proposals = {
    said.LensChanges: fewer_changes,
    said.NativeGapOfWants: bridge,
    said.NoSetUp: something_to_shoot,
    said.WantGap: close_gap,
    said.WantUnmet: close_gap,
}
