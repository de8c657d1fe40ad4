"""What is in play: things that stay as they are, things to choose among, and where they may go."""

from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass, field

from mule.choosing.containers import Container, carried_bags, containers_of
from mule.choosing.scoring import equivalence_of
from mule.completeness import DependencyGraph, Key, packs_eaten
from mule.finding import AsPiece, InBag, PieceKind, Worn
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
    OtherSupport,
    Plate,
    PowerBank,
    Reader,
    Remote,
    Standing,
    StepRing,
    Tripod,
    keeps_safe,
)
from mule.load import roots
from mule.optics import OPTICAL
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
SUPPORTS = (Tripod, OtherSupport)
# What comes along in numbers.
PACKS = (Battery, Card, Drive)
# Copies of one thing that a choice could ever use: one takes the pictures, one stands in when it is lost.
_MOST_COPIES = 2


@dataclass(frozen=True)
class Candidates:
    """Everything the model is built of.

    fixed: pieces that stay, by item. free: things to choose among. most, fewest: pieces of each when it comes along.
    fixed_g, worn_g, hold_g: grams that stay, by carried piece of luggage, worn by person, in
    the hold by person. now: pieces loaded in the open kit. seconds: copies that only stand in for others.
    """

    plan: Plan
    graph: DependencyGraph
    fixed: Mapping[str, int]
    free: Mapping[str, Gear]
    most: Mapping[str, int]
    fewest: Mapping[str, int]
    containers: Sequence[Container]
    fixed_g: Mapping[str, float]
    worn_g: Mapping[str, float]
    hold_g: Mapping[str, float]
    now: Mapping[str, int] = field(repr=False)
    seconds: frozenset[str] = frozenset()

    def must_stay(self, item: str) -> bool:
        """Whether an item is marked to be left, or shares a slot: then nothing holds it in the bag."""
        marks = self.plan.trip.marks
        return item in marks.must_leave or item in marks.slotted()

    def homes(self, item: str) -> list[Container]:
        """Where a thing may go: any carried bag or insert, and onto a person who wears it now."""
        worn = {e.place.person for e in self.plan.kit.entries if e.item == item and isinstance(e.place, Worn)}
        bags = [c for c in self.containers if c.root is not None]
        if isinstance(self.free[item], Bag):
            return []
        return [*bags, *(c for c in self.containers if c.root is None and (c.person in worn or not bags))]

    @property
    def root_kinds(self) -> dict[str, tuple[str, PieceKind]]:
        """Carried pieces of luggage with who carries them and as what."""
        kinds = {e.item: e.place.piece for e in self.plan.kit.entries if isinstance(e.place, AsPiece)}
        return {
            c.root: (c.person, kinds[c.root] if c.root in kinds else _piece(self.plan.items[c.root]))
            for c in self.containers
            if c.root is not None
        }

    @property
    def fixed_carried_g(self) -> float:
        """Grams that are carried whatever is chosen."""
        return sum(self.fixed_g.values()) + sum(self.worn_g.values())


def _piece(bag: Gear) -> PieceKind:
    """How a bag that is chosen travels."""
    return bag.piece if isinstance(bag, Bag) and bag.piece != PieceKind.HOLD else PieceKind.CABIN


def candidates(plan: Plan, graph: DependencyGraph, *, others: bool) -> Candidates:
    """Sorts the locker into what stays, what may come and what is out of play."""
    fixed = _fixed(plan)
    free = _free(plan, graph, fixed, others=others)
    now = plan.loaded
    containers = containers_of(plan, fixed, free)
    where = roots(plan.kit)
    carried = {c.root for c in containers if c.root is not None}
    fixed_g = {root: plan.items[root].mass_g for root in carried if root in fixed}
    worn_g: dict[str, float] = {p.id: 0.0 for p in plan.trip.people}
    hold_g: dict[str, float] = {}
    for entry in plan.kit.entries:
        if entry.item not in fixed:
            continue
        grams = plan.items[entry.item].mass_g * entry.count
        if isinstance(entry.place, Worn):
            worn_g[entry.place.person] += grams
        elif isinstance(entry.place, InBag):
            root = next((bag for bag, _ in where.bags.get(entry.item, ())), None)
            if root in fixed_g:
                fixed_g[root] += grams
            elif root is not None:
                hold_g[where.owners[root]] = hold_g.get(where.owners[root], 0.0) + grams
        elif isinstance(entry.place, AsPiece) and entry.place.piece == PieceKind.HOLD:
            hold_g[entry.place.person] = hold_g.get(entry.place.person, 0.0) + grams
    packs = {i: t for i, t in free.items() if isinstance(t, PACKS)}
    return Candidates(
        plan=plan,
        graph=graph,
        fixed=fixed,
        free=free,
        most={i: t.count if i in packs else max(1, now.get(i, 0)) for i, t in free.items()},
        fewest={i: 1 if i in packs else max(1, now.get(i, 0)) for i in free},
        containers=containers,
        fixed_g=fixed_g,
        worn_g=worn_g,
        hold_g=hold_g,
        now=now,
        seconds=_seconds(plan, free, now),
    )


def _seconds(plan: Plan, free: Mapping[str, Gear], now: Mapping[str, int]) -> frozenset[str]:
    """Copies without which the best score is the same; none of them where a pair of bodies is asked for."""
    if plan.trip.policies.second_body not in ("any", "none"):
        return frozenset()
    barred = set(plan.trip.marks.must_leave)
    # A second camera that charges a pack inside may be what lets the power last: it is no mere copy.
    fills = {t.id for t in free.values() if isinstance(t, Body) and t.usb_charging and plan.trip.days}
    optics = [t for t in free.values() if isinstance(t, OPTICAL) and t.id not in barred]
    firsts = fills | {t.id for t in _copies(optics, 1)} | set(now) | set(plan.trip.marks.must_take)
    return frozenset(t.id for t in optics if t.id not in firsts | plan.trip.marks.slotted())


def _in_hold(plan: Plan) -> set[str]:
    """Things of which some piece lies in a hold bag: they stay there."""
    hold = {e.item for e in plan.kit.entries if isinstance(e.place, AsPiece) and e.place.piece == PieceKind.HOLD}
    return {item for item, places in roots(plan.kit).bags.items() if any(bag in hold for bag, _ in places)}


def _fixed(plan: Plan) -> dict[str, int]:
    marks = plan.trip.marks
    marked = marks.items()
    in_hold = _in_hold(plan)
    return {
        item: count
        for item, count in plan.loaded.items()
        if item in in_hold
        or isinstance(plan.items[item], Bag | Insert)
        or not (_is_chosen(plan.items[item]) or (item in marked and not keeps_safe(plan.items[item])))
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


def _free(plan: Plan, graph: DependencyGraph, fixed: Mapping[str, int], *, others: bool) -> dict[str, Gear]:
    """Optics in play, what is marked, and of all else what something in play could need."""
    marks = plan.trip.marks
    marked = marks.items()
    steady = any(want.steady for want in plan.trip.wants) and not any(
        isinstance(plan.items[i], SUPPORTS) for i in fixed
    )
    able = [t for t in plan.gear if t.id not in fixed and _in_play(plan, t, others=others)]
    kinds = (*CHOSEN_KINDS, *SUPPORTS) if steady else CHOSEN_KINDS
    optics = [t for t in able if isinstance(t, OPTICAL) and t.id not in marks.must_leave]
    spared = {t.id for t in _copies(optics, _MOST_COPIES)} | set(plan.loaded)
    free = {
        t.id: t
        for t in able
        if t.id in marked or (isinstance(t, OPTICAL) and t.id in spared) or (steady and isinstance(t, SUPPORTS))
    }
    if any(want.effects for want in plan.trip.wants):
        free |= {t.id: t for t in able if isinstance(t, Filter | StepRing | FilterHolder)}
    if plan.trip.days:
        free |= {t.id: t for t in _helpers(able, graph, [*fixed, *free])}
    if not carried_bags(plan):
        free |= {t.id: t for t in able if isinstance(t, Bag) and t.piece != PieceKind.HOLD}
    rest = [t for t in able if isinstance(t, kinds) and t.id not in free]
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
