"""What stays as the open kit has it, and what is in play: of things that do the same, those that could be better."""

from collections.abc import Collection, Iterable, Mapping, Sequence

from mule.choosing.containers import carried_bags
from mule.choosing.scoring import equivalence_of
from mule.completeness import DependencyGraph, Key, packs_eaten
from mule.finding import AsPiece, PieceKind
from mule.gear import (
    Bag,
    Battery,
    Body,
    Card,
    Charger,
    Drive,
    Filter,
    FilterHolder,
    Gear,
    Head,
    Insert,
    Link,
    Plate,
    PowerBank,
    Reader,
    Remote,
    Standing,
    StepRing,
    keeps_safe,
    serves,
)
from mule.load import roots
from mule.optics import OPTICAL, asks_of
from mule.plan import Plan

# What a choice decides; everything else stays as the open kit has it.
CHOSEN_KINDS = (
    *OPTICAL,
    Battery,
    Charger,
    Card,
    Drive,
    Reader,
    Link,
    Filter,
    StepRing,
    FilterHolder,
    Head,
    Plate,
    Remote,
)
# What comes along in numbers.
PACKS = (Battery, Card, Drive)
# Copies of one thing that a choice could ever use: one takes the pictures, one stands in when it is lost.
_MOST_COPIES = 2


def _in_hold(plan: Plan) -> set[str]:
    """Things of which some piece lies in a hold bag: they stay there."""
    hold = {e.item for e in plan.kit.entries if isinstance(e.place, AsPiece) and e.place.piece == PieceKind.HOLD}
    return {item for item, places in roots(plan.kit).bags.items() if any(bag in hold for bag, _ in places)}


def fixed_things(plan: Plan, may_leave: Collection[str] = ()) -> dict[str, int]:
    """Pieces that the choice does not decide about, by item. may_leave: what need not be kept for all that."""
    marks = plan.trip.marks
    marked = marks.items()
    in_hold = _in_hold(plan)
    return {
        item: count
        for item, count in plan.loaded.items()
        if (item not in may_leave or keeps_safe(plan.items[item]))
        and (
            item in in_hold
            or isinstance(plan.items[item], Bag | Insert)
            or not (_is_chosen(plan.items[item]) or (item in marked and not keeps_safe(plan.items[item])))
        )
    }


def _is_chosen(thing: Gear) -> bool:
    """Whether the choice decides about a loaded thing. Leads, plugs and timers stay: phones need them too."""
    return isinstance(thing, CHOSEN_KINDS) and not isinstance(thing, Link | Remote)


def _in_play(plan: Plan, thing: Gear, *, others: bool) -> bool:
    if thing.id in plan.loaded:
        return True
    days = plan.trip.days
    back = thing.absent is None or bool(thing.absent.until and days and thing.absent.until < days[0].date)
    return back and (others or thing.standing == Standing.OWNED)


def aids_lacking(plan: Plan, fixed: Mapping[str, int], able: Iterable[Gear]) -> dict[str, tuple[int, tuple[Gear, ...]]]:
    """Of each aid that wants ask for and that what stays does not give: pieces lacking, as far as there are any, and
    what could give them. able: what could come along."""
    asked: dict[str, int] = {}
    for want in plan.trip.wants:
        for aid, pieces in asks_of(want):
            asked[aid] = max(pieces, asked.get(aid, 0))
    for item, pieces in fixed.items():
        aid_given = serves(plan.items[item])
        if aid_given in asked:
            asked[aid_given] -= pieces
    out = set(plan.trip.marks.must_leave)
    things = [t for t in able if t.id not in out]
    found = {aid: tuple(t for t in things if serves(t) == aid) for aid, lacking in asked.items() if lacking > 0}
    return {aid: (min(asked[aid], sum(t.count for t in givers)), givers) for aid, givers in found.items() if givers}


def free_things(
    plan: Plan, graph: DependencyGraph, fixed: Mapping[str, int], *, others: bool, may_leave: Collection[str] = ()
) -> dict[str, Gear]:
    """Optics in play, what is marked, and of all else what something in play could need."""
    marks = plan.trip.marks
    marked = marks.items()
    able = [t for t in plan.gear if t.id not in fixed and _in_play(plan, t, others=others)]
    optics = [t for t in able if isinstance(t, OPTICAL) and t.id not in marks.must_leave]
    spared = {t.id for t in _copies(optics, _MOST_COPIES)} | set(plan.loaded)
    free = {
        t.id: t
        for t in able
        if t.id in marked or (t.id in may_leave and t.id in plan.loaded) or (isinstance(t, OPTICAL) and t.id in spared)
    }
    free |= {t.id: t for _, things in aids_lacking(plan, fixed, able).values() for t in things}
    if any(want.effects for want in plan.trip.wants):
        free |= {t.id: t for t in able if isinstance(t, Filter | StepRing | FilterHolder)}
    if plan.trip.days:
        free |= {t.id: t for t in _helpers(able, graph, [*fixed, *free])}
    if not carried_bags(plan):
        free |= {t.id: t for t in able if isinstance(t, Bag) and t.piece != PieceKind.HOLD}
    rest = [t for t in able if isinstance(t, CHOSEN_KINDS) and t.id not in free]
    grown = True
    while grown:
        asked = _asked(graph, [*fixed, *free], marks.must_take)
        grown_by = [t for t in rest if t.id not in free and any(o.key in asked for o in graph.offers[t.id])]
        kept = _lightest_of_a_sort(graph, grown_by, plan, free)
        grown = any(t.id not in free for t in kept)
        free |= {t.id: t for t in kept}
    return free


def _helpers(able: Sequence[Gear], graph: DependencyGraph, items: Iterable[str]) -> Iterable[Gear]:
    """Banks and drives that no lighter one outdoes, and chargers that fill something as fast as no lighter one does."""
    room = 0.0
    for drive in sorted((t for t in able if isinstance(t, Drive)), key=lambda t: t.mass_g):
        if drive.capacity_gb > room:
            room = drive.capacity_gb
            yield drive
    types = {need.label for item in items for need in graph.needs[item] if need.what == "pack"}
    banks = sorted((t for t in able if isinstance(t, PowerBank)), key=lambda t: t.mass_g)
    most = 0.0
    for bank in banks:
        if bank.energy_wh > most:
            most = bank.energy_wh
            yield bank
    best: dict[tuple[tuple[str, ...], str], float] = {}
    for charger in sorted((t for t in able if isinstance(t, Charger)), key=lambda t: t.mass_g):
        key, pace = (charger.battery_types, charger.input), charger.bays / charger.hours_per_charge
        if not types.isdisjoint(charger.battery_types) and pace > best.get(key, 0.0):
            best[key] = pace
            yield charger


def _asked(graph: DependencyGraph, items: Iterable[str], must_take: Collection[str]) -> set[Key]:
    """Every key that links of these things ask for, that what must come needs for a purpose, and what those hang on."""
    asked = {
        key
        for item in items
        for need in graph.needs[item]
        if need.sort == "link" or item in must_take
        for key in need.keys
    }
    todo = list(asked)
    while todo:
        for _, through in graph.givers.get(todo.pop(), ()):
            if through is not None and through not in asked:
                asked.add(through)
                todo.append(through)
    return asked


def _copies(things: Sequence[Gear], count: int) -> Iterable[Gear]:
    """Of things that see alike the lightest few, and smaller ones: nothing is gained by the others."""
    classes: dict[object, list[Gear]] = {}
    for thing in things:
        classes.setdefault(equivalence_of(thing), []).append(thing)
    for alike in classes.values():
        kept: list[Gear] = []
        for thing in sorted(alike, key=lambda t: t.mass_g):
            smaller = sum(t.size.litres() <= thing.size.litres() for t in kept)
            if smaller < count:
                kept.append(thing)
        yield from kept


def _lightest_of_a_sort(
    graph: DependencyGraph, things: Sequence[Gear], plan: Plan, free: Mapping[str, Gear]
) -> list[Gear]:
    """Of things that offer and need the same, the lightest and the smallest; of packs, as many as could be eaten."""
    loaded = plan.loaded
    classes: dict[object, list[Gear]] = {}
    for thing in things:
        classes.setdefault((tuple(graph.offers[thing.id]), tuple(graph.needs[thing.id])), []).append(thing)
    kept: list[Gear] = []
    for alike in classes.values():
        wanted = 1
        if isinstance(alike[0], PACKS):
            eaters = [*(plan.items[i] for i in loaded), *free.values()]
            hunger = sum(h[1] for t in eaters if (h := packs_eaten(t)))
            wanted = max(hunger, sum(loaded.get(t.id, 0) for t in alike))
        light: list[Gear] = []
        pieces = 0
        for thing in sorted(alike, key=lambda t: t.mass_g):
            if pieces >= wanted and thing.size.litres() >= min(t.size.litres() for t in light):
                continue
            light.append(thing)
            pieces += thing.count if isinstance(thing, PACKS) else 1
        kept += [t for t in alike if t in light or t.id in loaded]
    return kept


def mere_copies(plan: Plan, free: Mapping[str, Gear], now: Mapping[str, int]) -> frozenset[str]:
    """Copies without which the best score is the same; none of them where a pair of bodies is asked for."""
    if plan.trip.policies.second_body not in ("any", "none"):
        return frozenset()
    barred = set(plan.trip.marks.must_leave)
    # A second camera that charges a pack inside may be what lets the power last: it is no mere copy.
    fills = {t.id for t in free.values() if isinstance(t, Body) and t.usb_charging and plan.trip.days}
    optics = [t for t in free.values() if isinstance(t, OPTICAL) and t.id not in barred]
    firsts = fills | {t.id for t in _copies(optics, 1)} | set(now) | set(plan.trip.marks.must_take)
    return frozenset(t.id for t in optics if t.id not in firsts | plan.trip.marks.slotted())
