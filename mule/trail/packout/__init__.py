"""Pack-out: the list of the evening before, from plan and stowage. The front door is ``list_out``.

See docs/domain/stowing.md, docs/domain/lookback.md.
"""

from collections.abc import Iterable, Mapping, Sequence
from typing import Literal

from mule.analysis.resilience import Resilience
from mule.base.units import Frozen
from mule.findings.assess import Assessment
from mule.findings.said import CopiesTogether, GateNo
from mule.packing import Moved, Placed, RoomUse, Stowage
from mule.plan import Plan
from mule.plan.field import line_of
from mule.plan.gear import (
    Absence,
    Battery,
    Body,
    Card,
    Computer,
    Drone,
    Gear,
    Lens,
    Light,
    PowerBank,
    Source,
    is_for,
    keeps_safe,
)
from mule.plan.kit import Entry
from mule.plan.places import InBag, Worn
from mule.plan.purposes import Purpose
from mule.trail.packout.stations import field_stations, lines_of
from mule.trail.packout.tasks import Task, tasks_of

Harm = Literal["safety", "papers", "stops", "pictures", "wants", "power", "cards", "rest"]
# What forgetting a thing does, worst first; within one, by points of the brief.
_HARMS: tuple[Harm, ...] = ("safety", "papers", "stops", "pictures", "wants", "power", "cards", "rest")
# Purposes of things that are checked before leaving (estimate).
_PAPERS = (Purpose.PAPERS, Purpose.MEDICINE)


class OutLine(Frozen):
    """One thing to put in its place. id stays the same as long as thing and place do.

    bag: None for what is worn. room, placed: of the packing; room alone for soft things, neither where it found no
    place or hangs outside. harm: what
    forgetting it would do; rank: 0 is the worst of all lines. points: of brief score that go with it.
    """

    id: str
    item: str
    count: int
    bag: str | None
    person: str
    outside: bool
    room: str | None
    placed: Placed | None
    absent: Absence | None
    harm: Harm
    points: float
    rank: int


class Unsure(Frozen):
    """Things in a bag that nobody ever weighed. grams: of all pieces, as stated or typical."""

    item: str
    count: int
    grams: float
    source: Source


class BagOut(Frozen):
    """One bag or insert in the order of packing: what lies deepest first. planned_g: with all that is in it, added up.

    weighed_g: what a scale said; None where it was not weighed. since_g: what came in since then, or went out.
    """

    bag: str
    inside: str | None
    person: str
    lines: tuple[OutLine, ...]
    planned_g: float
    weighed_g: float | None
    since_g: float
    unsure: tuple[Unsure, ...]


class Closing(Frozen):
    """A last check before the door shuts. findings: how many stand against it."""

    check: Literal["lithium", "gate", "power", "copies", "room"]
    passes: bool
    findings: int


class PackOut(Frozen):
    """The whole list. bags: inserts first, since they go into bags. worn: on people. tasks: before leaving.

    rooms: the spaces that lines name; moved: what lay elsewhere when it was last packed.
    """

    bags: tuple[BagOut, ...]
    rooms: tuple[RoomUse, ...]
    moved: tuple[Moved, ...]
    worn: tuple[OutLine, ...]
    tasks: tuple[Task, ...]
    closing: tuple[Closing, ...]


def list_out(plan: Plan, assessment: Assessment, resilience: Resilience, stowage: Stowage) -> PackOut:
    """The list for the open kit. assessment, resilience, stowage: of the same plan.

    >>> from mule.findings.advise import review
    >>> from mule.packing import stow
    >>> from tests import cast
    >>> plan = cast.plan([cast.bag(), cast.body()], cast.entry("bag", cast.INES_CABIN), cast.entry("body"))
    >>> made = list_out(plan, review(plan).assessment, review(plan).resilience, stow(plan.items, plan.kit))
    >>> [(bag.bag, [line.item for line in bag.lines]) for bag in made.bags]
    [('bag', ['body'])]
    """
    made = _Lines(plan, assessment, resilience, stowage)
    contents = {one.bag: one for one in assessment.loads.bags}
    outermost = plan.kit.outermost()
    held: dict[str, list[Entry]] = {}
    for entry in plan.kit.entries:
        if isinstance(entry.place, InBag):
            held.setdefault(entry.place.bag, []).append(entry)
    pieces = plan.kit.luggage()
    inside = {e.item: e.place.bag for e in plan.kit.entries if isinstance(e.place, InBag)}
    worn = {e.item: e.place.person for e in plan.kit.entries if isinstance(e.place, Worn)}
    depth = {bag: _depth(bag, held) for bag in {*held, *pieces}}
    bags = []
    for bag in sorted(depth, key=lambda b: (depth[b], b)):
        root = outermost.get(bag, bag)
        person = pieces[root].person if root in pieces else worn.get(root, "")
        lines = sorted(made.of(held.get(bag, ()), person), key=_order)
        bags.append(
            BagOut(
                bag=bag,
                inside=inside.get(bag),
                person=person,
                lines=tuple(lines),
                planned_g=contents[bag].planned_g,
                weighed_g=contents[bag].weighed_g,
                since_g=contents[bag].since_g,
                unsure=tuple(_unsure(plan.items, bag, 1, held)),
            )
        )
    on = [e for e in plan.kit.entries if isinstance(e.place, Worn)]
    ranked = _ranked([line for bag in bags for line in bag.lines] + list(made.of(on, "")))
    return PackOut(
        bags=tuple(b.model_copy(update={"lines": tuple(ranked[line.id] for line in b.lines)}) for b in bags),
        rooms=stowage.rooms,
        moved=stowage.moved,
        worn=tuple(ranked[line.id] for line in made.of(on, "")),
        tasks=tasks_of(plan),
        closing=tuple(_closing(plan, assessment, stowage)),
    )


def _order(line: OutLine) -> tuple[bool, bool, int, int]:
    """Deepest first: what most things lie on; soft things when all hard ones are in; what hangs outside at last."""
    placed = line.placed
    return line.outside, placed is None, -placed.layer if placed else 0, placed.at_mm[2] if placed else 0


def _ranked(lines: Iterable[OutLine]) -> Mapping[str, OutLine]:
    order = sorted(lines, key=lambda one: (_HARMS.index(one.harm), -one.points))
    return {line.id: line.model_copy(update={"rank": rank}) for rank, line in enumerate(order)}


def _depth(bag: str, held: Mapping[str, Sequence[Entry]]) -> int:
    """0 for a bag that holds no other bag: those are packed first."""
    return 1 + max((_depth(e.item, held) for e in held.get(bag, ()) if e.item in held), default=-1)


def _unsure(gear: Mapping[str, Gear], item: str, count: int, held: Mapping[str, Sequence[Entry]]) -> Iterable[Unsure]:
    thing = gear[item]
    if thing.mass_source != Source.MEASURED:
        yield Unsure(item=item, count=count, grams=thing.mass_g * count, source=thing.mass_source)
    for entry in held.get(item, ()):
        yield from _unsure(gear, entry.item, entry.count, held)


class _Lines:
    """Makes lines of entries."""

    def __init__(self, plan: Plan, assessment: Assessment, resilience: Resilience, stowage: Stowage) -> None:
        self._plan = plan
        self._losses = {loss.item: loss for loss in resilience.losses if loss.what == "thing"}
        self._placed: dict[tuple[str, str], Placed] = {}
        rooms = {room.room: room.bag for room in stowage.rooms}
        for placed in stowage.placed:
            for item in placed.items:
                self._placed.setdefault((item, rooms[placed.room]), placed)
        self._soft = {(s.item, rooms[s.room]): s.room for s in stowage.soft}

    def of(self, entries: Iterable[Entry], person: str) -> Iterable[OutLine]:
        for entry in entries:
            place = entry.place
            bag = place.bag if isinstance(place, InBag) else None
            spot = self._placed.get((entry.item, bag)) if bag else None
            who = place.person if isinstance(place, Worn) else person
            harm, points = self._harm(entry.item)
            yield OutLine(
                id=line_of(entry.item, bag=bag, person=who, outside=_outside(entry)),
                item=entry.item,
                count=entry.count,
                bag=bag,
                person=who,
                outside=_outside(entry),
                room=spot.room if spot else self._soft.get((entry.item, bag or "")),
                placed=spot,
                absent=self._plan.items[entry.item].absent,
                harm=harm,
                points=points,
                rank=0,
            )

    def _harm(self, item: str) -> tuple[Harm, float]:
        thing = self._plan.items[item]
        loss = self._losses.get(item)
        points = loss.points if loss else 0.0
        if keeps_safe(thing):
            return "safety", points
        if is_for(thing, *_PAPERS):
            return "papers", points
        if loss and loss.stops:
            return "stops", points
        if loss and loss.pictures:
            return "pictures", points
        if points > 0 or isinstance(thing, Body | Lens | Drone):
            return "wants", points
        if isinstance(thing, Battery | PowerBank | Light):
            return "power", points
        return ("cards", points) if isinstance(thing, Card | Computer) else ("rest", points)


def _outside(entry: Entry) -> bool:
    return isinstance(entry.place, InBag) and entry.place.outside


_LITHIUM = ("spare-lithium", "power-bank", "device-lithium")


def _closing(plan: Plan, assessment: Assessment, stowage: Stowage) -> Iterable[Closing]:
    """Lithium where it may lie, every leg passed, packs for every day, enough copies possible, everything in its place.

    Of an empty kit nothing is checked, and of one that makes no pictures no copies are.
    """
    if not plan.kit.entries:
        return
    stopped = [f for f in assessment.findings if isinstance(f, GateNo)]
    lithium = sum(f.sort in _LITHIUM for f in stopped)
    refused = sum(not leg.passes for leg in assessment.legs)
    other = len(stopped) - lithium
    # The nights that Stamina and the scales count, and whether all of it lies in one bag where that is asked.
    together = sum(isinstance(f, CopiesTogether) for f in assessment.findings)
    copies = max(assessment.lasts.copies_short, together)
    lasts = assessment.lasts
    # Something that eats and has no pack at all is short on every day.
    dry = lasts.days if lasts.missing else max((type_.short_days for type_ in lasts.types), default=0)
    figures: tuple[tuple[Literal["lithium", "gate", "power", "copies", "room"], int], ...] = (
        ("lithium", lithium),
        ("gate", refused + other),
        ("power", dry),
        ("copies", copies),
        ("room", len(stowage.left)),
    )
    asked = lasts.missing or any(type_.worst_margin is not None for type_ in lasts.types)
    for check, count in figures:
        if (check == "copies" and lasts.copies_fewest is None) or (check == "power" and not asked):
            continue
        yield Closing(check=check, passes=count == 0, findings=count)


__all__ = ["BagOut", "Closing", "OutLine", "PackOut", "Task", "Unsure", "field_stations", "lines_of", "list_out"]
