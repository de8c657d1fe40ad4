"""What is missing, left over, in the way, doubled or on nobody's lens."""

from collections.abc import Iterable
from itertools import islice

from mule.analysis.completeness import packs_eaten
from mule.findings import said
from mule.findings.cures.getting import filter_for_thread, to_get, usual, usual_sort
from mule.findings.cures.making import Proposals, at_home, leave_all, left, load, load_counts, sees, with_followers
from mule.findings.rules import Trials
from mule.findings.said import Finding
from mule.findings.said.cure import Cure
from mule.plan.gear import Battery, Body, Filter, Lens, MountAdapter, at_hand, keeps_safe

# Ways that are proposed of one sort.
_WAYS = 3


def missing_link(trials: Trials, finding: said.MissingLink | said.PiecesShort) -> Iterable[Cure]:
    """The lightest owned things that give it; the thing that lacks it may stay; or what to get."""
    (item,), what, label = finding.items, finding.what, finding.label or ""
    missing = next(m for m in trials.case.completeness.missing if (m.item, m.what, m.label) == (item, what, label))
    count = _pieces(trials, label) if what == "pack" else 1
    if what == "pack":
        yield from _packs(trials, label, missing.short or count)
    elif given := trials.givers.for_missing(missing, trials.case.requirements):
        yield load(*(trials.plan.items[i] for i in given[1]))
    yield from without(trials, finding)
    if what == "pack":
        yield from _packs_to_get(trials, label, missing.short or count)
    elif sort := usual_sort(what):
        yield to_get(usual(sort, label))


def _pieces(trials: Trials, battery_type: str) -> int:
    """Packs of a type that all loaded things hold at one time."""
    eaten = ((packs_eaten(trials.plan.items[i]), n) for i, n in trials.loaded.items())
    return max(1, sum(hunger[1] * n for hunger, n in eaten if hunger and hunger[0] == battery_type))


def _packs_at_home(trials: Trials, battery_type: str) -> dict[str, int]:
    """Packs of a type that lie at home, lightest first."""
    return at_home(trials, (t for t in left(trials, Battery) if t.battery_type == battery_type))


def _packs(trials: Trials, battery_type: str, count: int) -> Iterable[Cure]:
    """So many packs of those that lie at home, or all of them."""
    here = _packs_at_home(trials, battery_type)
    yield from (load_counts({item: count}) for item, n in here.items() if n >= count)
    if here:
        yield load_counts(here)


def _packs_to_get(trials: Trials, battery_type: str, count: int) -> Iterable[Cure]:
    """Those at home, and the rest from elsewhere."""
    here = _packs_at_home(trials, battery_type)
    more = count - sum(here.values())
    if more > 0:
        yield to_get(usual("pack", battery_type, more), edits=load_counts(here).edits)


def without(trials: Trials, finding: Finding) -> Iterable[Cure]:
    """What the finding is about stays at home, with what is of no use then."""
    for item in finding.items:
        yield from _without(trials, item)


def _without(trials: Trials, item: str) -> Iterable[Cure]:
    if item in trials.loaded and not keeps_safe(trials.plan.items[item]):
        yield leave_all([item])
        if len(both := with_followers(trials, item)) > 1:
            yield leave_all(both)


def all_without(trials: Trials, finding: Finding) -> Iterable[Cure]:
    """All that the finding names stays at home."""
    going = [i for i in finding.items if i in trials.loaded and not keeps_safe(trials.plan.items[i])]
    if going:
        yield leave_all(going)


def one_without(trials: Trials, finding: Finding) -> Iterable[Cure]:
    """One of several stays at home: the heaviest first, then the others."""
    heaviest = sorted(finding.items, key=lambda i: -trials.plan.items[i].mass_g)
    for item in heaviest[:_WAYS]:
        yield from _without(trials, item)


def idle(trials: Trials, finding: said.IdleOptics) -> Iterable[Cure]:
    """The lightest left adapter or body that would put an idle lens to use; or it stays at home."""
    (item,) = finding.items
    thing = trials.plan.items[item]
    if isinstance(thing, Lens):
        mounts = {t.mount for i in trials.loaded if isinstance(t := trials.plan.items[i], Body)}
        adapters = [t for t in left(trials, MountAdapter) if t.lens_mount == thing.mount and t.body_mount in mounts]
        bodies = [t for t in left(trials, Body) if t.mount == thing.mount]
        yield from (load(t) for t in sorted((*adapters[:1], *bodies[:1]), key=lambda t: t.mass_g))
    yield from without(trials, finding)


def orphan(trials: Trials, finding: said.ServesNothing) -> Iterable[Cure]:
    """It stays at home, or what it serves comes along."""
    yield from without(trials, finding)
    (item,) = finding.items
    link = finding.what, finding.label or ""
    for _, need in (u for u in trials.case.requirements.unmet if u.item == item):
        if (need.what, need.label) == link and (given := trials.givers.lightest(item, need)):
            yield load(*(trials.plan.items[i] for i in given[1]))


def filter_for(trials: Trials, finding: said.FilterUnserved) -> Iterable[Cure]:
    """What lies at home and gives the effect on a lens that sees the want; or a filter to get for one."""
    want, effect = finding.want, finding.effect
    low, high = finding.from_mm or 0.0, finding.to_mm or float("inf")
    asked = [a for a in trials.filters.asked if (a.want, a.effect) == (want, effect)]
    ways = sorted(
        (s.mass_g, s.loads) for a in asked for s in a.stretches if s.loads and s.from_mm < high and s.to_mm > low
    )
    yield from (load(*(trials.plan.items[item] for item in loads)) for _, loads in ways[:_WAYS])
    if not ways:
        yield from islice(_on_another_lens(trials, want, effect), _WAYS)
    threads = (t.thread_mm for i in finding.items if isinstance(t := trials.plan.items[i], Lens) and t.thread_mm)
    yield from (to_get(filter_for_thread(effect, mm, finding.stops or None)) for mm in dict.fromkeys(threads))


def _on_another_lens(trials: Trials, want: str, effect: str) -> Iterable[Cure]:
    """A lens at home that fits a loaded body, sees the want and has a thread of a filter that gives the effect."""
    asked = next(w for w in trials.plan.trip.wants if w.id == want)
    bodies = [t for i in trials.loaded if isinstance(t := trials.plan.items[i], Body)]
    filters = [f for f in trials.plan.gear if isinstance(f, Filter) and f.effect == effect and f.thread_mm]
    for lens in left(trials, Lens):
        body = next((b for b in bodies if b.mount == lens.mount), None)
        if body and sees(lens, body, asked.focal_min_mm, asked.focal_max_mm):
            here = (f for f in filters if f.thread_mm == lens.thread_mm and (f.id in trials.loaded or at_hand(f)))
            for one in here:
                yield load(lens, *([] if one.id in trials.loaded else [one]))


PROPOSALS: Proposals = {
    said.BackTooLate: all_without,
    said.BankTooLarge: all_without,
    said.ChargerVolts: all_without,
    said.ClashBasePlate: one_without,
    said.ClashHotShoe: one_without,
    said.ClashPhone: one_without,
    said.FilterUnserved: filter_for,
    said.GoesBack: all_without,
    said.IdleOptics: idle,
    said.MissingLink: missing_link,
    said.MustLeave: all_without,
    said.OneZoom: all_without,
    said.PiecesShort: missing_link,
    said.Primes: all_without,
    said.SeenTwice: one_without,
    said.ServesNothing: orphan,
    said.TrioOfZooms: all_without,
}
