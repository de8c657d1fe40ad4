"""What is in play: of things that do the same, those that could be better. It does not hang on which kit is open."""

from collections.abc import Callable, Collection, Iterable, Mapping, Sequence
from functools import cached_property
from itertools import pairwise

from mule.analysis.completeness import DependencyGraph, Key, packs_eaten
from mule.analysis.optics import OPTICAL
from mule.plan import Plan
from mule.plan.gear import (
    Bag,
    Battery,
    Body,
    Card,
    Charger,
    Computer,
    Drive,
    Filter,
    FilterHolder,
    Gear,
    Link,
    PowerBank,
    Reader,
    Standing,
    StepRing,
    serves,
)
from mule.plan.places import PieceKind, Worn
from mule.search.choosing.containers import carried_bags
from mule.search.choosing.decided import Decided
from mule.search.choosing.scoring import equivalence_of

# What comes along in numbers.
PACKS = (Battery, Card, Drive)
# What makes power and pictures last, beside packs and cards.
_HELPS = (Charger, PowerBank, Drive, Reader, Computer, Link)
# Copies of one thing that a choice could ever use: one takes the pictures, one stands in when it is lost.
MOST_COPIES = 2


class _InPlay:
    """Gathers what is in play for one case."""

    def __init__(self, plan: Plan, graph: DependencyGraph, decided: Decided, fixed: Mapping[str, int]) -> None:
        self._plan, self._graph, self._decided, self._fixed = plan, graph, decided, fixed
        self._marks = plan.trip.marks
        # What lies in any kit of this trip is meant to be there, whoever owns it.
        self._meant = {item for kit in plan.kits for item in kit.loaded()}

    def free(self, may_leave: Collection[str], *, others: bool) -> dict[str, Gear]:
        """Optics in play, what is marked, and of all else what something in play could need."""
        plan = self._plan
        able = [t for t in plan.gear if t.id not in self._fixed and self._here(t, others=others)]
        out = set(self._marks.must_leave)
        marked = self._marks.items()
        # What is marked is in play anyway, and may have to stay: it stands in for nothing.
        optics = {t.id for t in _copies([t for t in able if isinstance(t, OPTICAL) and t.id not in marked])}
        free = {t.id for t in able if t.id in marked or t.id in optics or (t.id in may_leave and t.id in plan.loaded)}
        lacking = self._decided.lacking(self._fixed)
        free |= {t.id for t in able if serves(t) in lacking and t.id not in out}
        if any(want.effects for want in plan.trip.wants):
            free |= {t.id for t in able if isinstance(t, Filter | StepRing | FilterHolder)}
        if plan.trip.days:
            free |= {t.id for t in self._lightest([t for t in able if self._helps(t)])} - out
        if not carried_bags(plan):
            free |= {t.id for t in able if isinstance(t, Bag) and t.piece != PieceKind.HOLD}
        self._grow(free, [t for t in able if (t in self._decided or isinstance(t, Link)) and t.id not in free])
        return {t.id: t for t in _in_order([t for t in able if t.id in free])}

    def _here(self, thing: Gear, *, others: bool) -> bool:
        if thing.id in self._meant:
            return True
        days = self._plan.trip.days
        back = thing.absent is None or bool(thing.absent.until and days and thing.absent.until < days[0].date)
        return back and (others or thing.standing == Standing.OWNED)

    def _helps(self, thing: Gear) -> bool:
        """Whether a thing could let power or pictures last."""
        if isinstance(thing, Charger):
            return not self._eaten.isdisjoint(thing.battery_types)
        return isinstance(thing, _HELPS) and (thing in self._decided or isinstance(thing, Link))

    @cached_property
    def _eaten(self) -> set[str]:
        """Every type of pack that something here runs on."""
        return {hunger[0] for t in self._plan.gear if (hunger := packs_eaten(t))}

    def _grow(self, free: set[str], rest: Sequence[Gear]) -> None:
        """Takes in what things in play ask for, and what that asks for, until nothing more comes."""
        grown = True
        while grown:
            asked = self._asked([*self._fixed, *free])
            able = [t for t in rest if any(o.key in asked for o in self._graph.offers[t.id])]
            more = {t.id for t in self._lightest(able)} - free
            grown = bool(more)
            free |= more

    def _asked(self, items: Iterable[str]) -> set[Key]:
        """Every key that links of these things ask for, that what must come needs for a purpose, and what those hang
        on."""
        asked = {
            key
            for item in items
            for need in self._graph.needs[item]
            if need.sort == "link" or item in self._marks.must_take
            for key in need.keys
        }
        todo = list(asked)
        while todo:
            for _, through in self._graph.givers.get(todo.pop(), ()):
                if through is not None and through not in asked:
                    asked.add(through)
                    todo.append(through)
        return asked

    def _lightest(self, things: Sequence[Gear]) -> Iterable[Gear]:
        """Of things that do the same, the lightest few and smaller ones; of packs and cards, as many as there are."""
        for alike in _grouped(things, lambda t: (_links(self._graph, t), effect_of(t))):
            most = self._most_packs if isinstance(alike[0], PACKS) else MOST_COPIES
            yield from _smallest(alike, most)

    @cached_property
    def _most_packs(self) -> int:
        """Pieces of one sort of pack or card that a kit could use: with days, what they ask decides."""
        if self._plan.trip.days:
            return sum(t.count for t in self._plan.gear if isinstance(t, PACKS))
        return max(1, sum(hunger[1] * t.count for t in self._plan.gear if (hunger := packs_eaten(t))))


def free_things(
    plan: Plan,
    graph: DependencyGraph,
    decided: Decided,
    fixed: Mapping[str, int],
    *,
    others: bool,
    may_leave: Collection[str] = (),
) -> dict[str, Gear]:
    """What is chosen among, by item, in the order of the locker. fixed: pieces that stay."""
    return _InPlay(plan, graph, decided, fixed).free(may_leave, others=others)


def effect_of(thing: Gear) -> object:
    """Equal for things of one kind that do the same for power and pictures; None where offers and needs say it all."""
    match thing:
        case Battery():
            return "pack", thing.battery_type, thing.energy_wh * thing.health, thing.rechargeable
        case Charger():
            volts = thing.volts_min, thing.volts_max
            return "charger", thing.battery_types, thing.bays, thing.hours_per_charge, thing.input, thing.plug, *volts
        case PowerBank():
            return "bank", thing.energy_wh, thing.ports, thing.output_w
        case Link():
            return "link", thing.from_plug, thing.to_ports, thing.rating_w, thing.volts_max
        case Card():
            return "card", thing.card_type, thing.capacity_gb, thing.keep_for_last, thing.speed_mb_s
        case Drive():
            return "drive", thing.capacity_gb, thing.plug, thing.speed_mb_s
        case Reader():
            return "reader", thing.card_types, thing.plug, thing.speed_mb_s
        case Computer():
            return "computer", thing.form, thing.storage_gb, thing.ports, thing.energy_wh, thing.charge_w
        case _:
            return None


def _in_order(things: Sequence[Gear]) -> Iterable[Gear]:
    """In the order of the locker, cameras that are alike together: which one is a kit's first hangs neither on the open
    kit nor on which of two twins comes along."""
    for same in _grouped(things, lambda t: equivalence_of(t) if isinstance(t, Body) else t.id):
        yield from sorted(same, key=_before_its_like)


def _before_its_like(thing: Gear) -> tuple[float, float, str]:
    """Sort key among things that do the same: the lightest first, then the smallest, then by id.

    Every rule that lets one stand for the others uses this order. Under two different orders none would be left.
    """
    return thing.mass_g, thing.size.litres(), thing.id


def _copies(things: Sequence[Gear]) -> Iterable[Gear]:
    """Of things that see alike the lightest few, and smaller ones: nothing is gained by the others."""
    for alike in _grouped(things, equivalence_of):
        yield from _smallest(alike, MOST_COPIES)


def _grouped(things: Iterable[Gear], key: Callable[[Gear], object]) -> list[list[Gear]]:
    """Things of which the key is equal, in the order of the first of each."""
    found: dict[object, list[Gear]] = {}
    for thing in things:
        found.setdefault(key(thing), []).append(thing)
    return list(found.values())


def _links(graph: DependencyGraph, thing: Gear) -> object:
    """Equal for things that offer and need the same."""
    return tuple(graph.offers[thing.id]), tuple(graph.needs[thing.id])


def _smallest(alike: Sequence[Gear], most: int) -> Iterable[Gear]:
    """Of things that do the same, so many pieces of the lightest, and what is smaller than those."""
    kept: list[Gear] = []
    for thing in sorted(alike, key=_before_its_like):
        if sum(t.count for t in kept if t.size.litres() <= thing.size.litres()) < most:
            kept.append(thing)
    yield from kept


def interchangeable(plan: Plan, graph: DependencyGraph, free: Mapping[str, Gear]) -> Iterable[tuple[str, str]]:
    """Pairs of things in play that do the same: the second never comes along without all of the first, which is lighter
    and no larger."""
    marked = plan.trip.marks.items() | {use.body for day in plan.trip.days for use in day.bodies}
    marked |= {habit.body for habit in plan.trip.stamina.habits}
    # What is worn now has a place more than its like.
    marked |= {e.item for e in plan.kit.entries if isinstance(e.place, Worn)}
    able = [t for t in free.values() if t.id not in marked and (isinstance(t, OPTICAL) or effect_of(t) is not None)]
    for alike in _grouped(able, lambda t: (_links(graph, t), _does(t))):
        ordered = sorted(alike, key=_before_its_like)
        for one, other in pairwise(ordered):
            if one.size.litres() <= other.size.litres():
                yield one.id, other.id


def _does(thing: Gear) -> object:
    """Equal for things that see alike, or do the same for power and pictures."""
    return equivalence_of(thing) if isinstance(thing, OPTICAL) else effect_of(thing)


def mere_copies(plan: Plan, free: Mapping[str, Gear]) -> frozenset[str]:
    """Copies without which the best score is the same; none of them where a pair of bodies is asked for."""
    if plan.trip.policies.second_body not in ("any", "none"):
        return frozenset()
    # A second camera that charges a pack inside may be what lets the power last: it is no mere copy.
    fills = {t.id for t in free.values() if isinstance(t, Body) and t.usb_charging and plan.trip.days}
    marks = plan.trip.marks
    optics = [t for t in free.values() if isinstance(t, OPTICAL) and t.id not in marks.must_leave]
    firsts = {t.id for alike in _grouped(optics, equivalence_of) for t in _smallest(alike, 1)}
    barred = firsts | fills | set(marks.must_take) | marks.slotted()
    return frozenset(t.id for t in optics if t.id not in barred)
