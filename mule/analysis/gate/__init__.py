"""The gate rehearsed: what is restricted where it lies, what comes out when a cabin bag is refused, what goes in the
security tray. The front doors are ``rehearse`` and ``gate_check_plan`` (docs/domain/carriers.md)."""

from collections.abc import Iterable, Mapping
from typing import Literal

from mule.analysis.carriers import SIZED, Judged, Lying, judge, strictest
from mule.analysis.gate.legs import check_legs
from mule.analysis.load import weigh
from mule.analysis.loadouts import Packing, packings
from mule.base.deadline import Deadline
from mule.base.units import Frozen
from mule.packing import pieces_left, stow
from mule.plan import Plan
from mule.plan.carriers import Carrier, Restriction
from mule.plan.gear import (
    Battery,
    Body,
    Card,
    Computer,
    Drive,
    Drone,
    Gear,
    Insert,
    Lens,
    PowerBank,
    Soft,
    Teleconverter,
)
from mule.plan.kit import Entry, Kit
from mule.plan.places import AsPiece, InBag, PieceKind, Worn

# What goes in a pocket of a jacket: no longer, no heavier, and no more litres together (estimates).
POCKET_SIDE_MM = 180.0
POCKET_G = 1_000.0
POCKETS_L = 3.0

Grab = Literal["lithium", "pictures", "body", "fragile"]
# The order in which things are grabbed when a cabin bag must go into the hold.
_GRABS: tuple[tuple[Grab, tuple[type, ...]], ...] = (
    ("lithium", (PowerBank, Battery)),
    ("pictures", (Card, Drive, Computer)),
    ("body", (Body, Drone)),
    ("fragile", (Lens, Teleconverter)),
)


class Repacked(Frozen):
    """What is restricted on legs that are packed otherwise: as which loadout, by the carriers of those legs."""

    loadout: str
    legs: tuple[str, ...]
    restricted: tuple[Judged, ...]


class Rehearsal(Frozen):
    """What a look into the bags says. flies: whether any leg is a flight; restricted: in transit, worst first.

    rules: in force in transit, the strictest of the carriers that fly. tray: what comes out at security, by person.
    repacked: the same for legs that are packed otherwise.
    """

    flies: bool
    rules: tuple[Restriction, ...]
    restricted: tuple[Judged, ...]
    tray: tuple[Lying, ...]
    repacked: tuple[Repacked, ...] = ()


class Taken(Frozen):
    """One thing that comes out, and why. into: the bag it goes into then, "pocket", or None where it finds no room."""

    item: str
    count: int
    mass_g: float
    why: Grab
    into: str | None


class GateCheckPlan(Frozen):
    """A bag is refused. out: in the order of grabbing. into: the bag that stays, with the mass it comes to.

    proved: whether what finds no room in it was proved to have none.
    """

    bag: str
    person: str
    out: tuple[Taken, ...]
    mass_g: float
    into: str | None
    into_g: float
    proved: bool


def lying(plan: Plan) -> tuple[Lying, ...]:
    """Every loaded thing with who has it, in which piece of luggage, and whether that is checked in.

    >>> from tests import cast
    >>> plan = cast.plan([cast.bag(), cast.body()], cast.entry("bag", cast.INES_CABIN), cast.entry("body"))
    >>> [(one.item, one.person, one.bag, one.held) for one in lying(plan)]
    [('body', 'ines', 'bag', False)]
    """
    pieces = plan.kit.luggage()
    outermost = plan.kit.outermost()
    worn = {e.item: e.place.person for e in plan.kit.entries if isinstance(e.place, Worn)}
    found = []
    for entry in plan.kit.entries:
        place = entry.place
        bag = outermost[place.bag] if isinstance(place, InBag) else None
        if bag in pieces:
            piece = pieces[bag]
            held = piece.piece == PieceKind.HOLD
            found.append(Lying(item=entry.item, count=entry.count, person=piece.person, bag=bag, held=held))
        elif isinstance(place, InBag | Worn):
            # In the pocket of somebody, or in a bag that somebody wears.
            person = place.person if isinstance(place, Worn) else worn.get(outermost[place.bag], "")
            found.append(Lying(item=entry.item, count=entry.count, person=person, bag=None, held=False))
    return tuple(found)


def rehearse(plan: Plan) -> Rehearsal:
    """What is restricted on the flights of a trip, by the strictest of their carriers, and what goes in the tray.

    >>> from tests import cast
    >>> rehearse(cast.plan([cast.bag()], cast.entry("bag", cast.INES_CABIN))).flies
    False
    """
    transit, *others = packings(plan)
    rules, where = strictest(c.restricted for c in _flown(plan, transit)), lying(plan)
    tray = (w for w in where if not w.held and _in_tray(plan.items[w.item]))
    return Rehearsal(
        flies=any(_flown(plan, packing) for packing in (transit, *others)),
        rules=tuple(rules.values()),
        restricted=judge(plan.items, where, rules),
        tray=tuple(tray) if rules else (),
        repacked=tuple(_repacked(plan, packing) for packing in others if _flown(plan, packing)),
    )


def _flown(plan: Plan, packing: Packing) -> list[Carrier]:
    """Carriers of the flights on which the kit is packed so."""
    carriers = {c.id: c for c in plan.carriers}
    on = [carriers[leg.carrier] for leg in plan.trip.legs if leg.carrier and leg.id in packing.legs]
    return [carrier for carrier in on if carrier.means == "plane"]


def _repacked(plan: Plan, packing: Packing) -> Repacked:
    rules = strictest(c.restricted for c in _flown(plan, packing))
    judged = judge(plan.items, lying(plan.with_kit(packing.kit)), rules)
    return Repacked(loadout=packing.loadout or "", legs=packing.legs, restricted=judged)


def _in_tray(thing: Gear) -> bool:
    """Laptops and tablets, and other large electronics: bodies, drones, banks."""
    return isinstance(thing, Body | Drone | PowerBank) or (isinstance(thing, Computer) and thing.form != "phone")


def gate_check_plan(plan: Plan) -> tuple[GateCheckPlan, ...]:
    """For each cabin bag, and each bag under the seat that is too big for it: it is refused at the gate. What comes
    out, and whether what stays takes it: by stowing it.

    >>> from tests import cast
    >>> plan = cast.plan([cast.bag(), cast.pack()], cast.entry("bag", cast.INES_CABIN), cast.entry("pack"))
    >>> [(one.bag, one.person) for one in gate_check_plan(plan)]
    [('bag', 'ines')]
    """
    pieces = list(plan.kit.luggage().items())
    too_big = _too_big(plan)
    return tuple(
        _refused(plan, bag, place.person, _keeps(pieces, place))
        for bag, place in pieces
        if place.piece == PieceKind.CABIN or (place.piece == PieceKind.PERSONAL and bag in too_big)
    )


def _too_big(plan: Plan) -> set[str | None]:
    """Bags that some leg refuses for their size."""
    loads = weigh(plan.items, plan.kit, plan.trip.people, plan.weighed)
    checks = (c for leg in check_legs(plan, loads) for c in leg.checks)
    return {c.bag for c in checks if c.limit in (*SIZED, "soft") and not c.passes}


def _keeps(pieces: Iterable[tuple[str, AsPiece]], refused: AsPiece) -> str | None:
    """The bag that stays with somebody: the personal item, or the cabin bag where it is that one which is refused."""
    stays = PieceKind.PERSONAL if refused.piece == PieceKind.CABIN else PieceKind.CABIN
    return next((b for b, p in pieces if p.piece == stays and p.person == refused.person), None)


def _refused(plan: Plan, bag: str, person: str, into: str | None) -> GateCheckPlan:
    gear = plan.items
    there = [w for w in lying(plan) if w.bag == bag]
    grabbed = [(w, why) for why, kinds in _GRABS for w in there if isinstance(gear[w.item], kinds) and _grabs(gear, w)]
    left, proved, into_g = {w.item: w.count for w, _ in grabbed}, True, 0.0
    if into is not None:
        kit = _with(plan, into, [(w.item, w.count) for w, _ in grabbed])
        made = stow(gear, kit, Deadline(3))
        left, proved = pieces_left(made.left), all(over.proof == "proved" for over in made.left)
        into_g = sum(gear[e.item].mass_g * e.count for e in kit.entries)
        into_g -= sum(gear[item].mass_g * count for item, count in left.items())
    pockets, room = set(), POCKETS_L
    for w, _ in grabbed:
        litres = gear[w.item].size.litres() * left.get(w.item, 0)
        if left.get(w.item) and _pocketed(gear[w.item]) and litres <= room:
            pockets.add(w.item)
            room -= litres
    out = tuple(
        Taken(
            item=w.item,
            count=w.count,
            mass_g=gear[w.item].mass_g * w.count,
            why=why,
            into="pocket" if w.item in pockets else None if w.item in left else into,
        )
        for w, why in grabbed
    )
    total = sum(t.mass_g for t in out)
    return GateCheckPlan(bag=bag, person=person, out=out, mass_g=total, into=into, into_g=into_g, proved=proved)


def _grabs(gear: Mapping[str, Gear], w: Lying) -> bool:
    """Dry cells may stay; everything else of a sort that is grabbed comes out."""
    thing = gear[w.item]
    return not isinstance(thing, Battery) or thing.lithium


def _pocketed(thing: Gear) -> bool:
    return not isinstance(thing.size, Soft) and thing.size.sides_mm()[0] <= POCKET_SIDE_MM and thing.mass_g <= POCKET_G


def _with(plan: Plan, bag: str, things: Iterable[tuple[str, int]]) -> Kit:
    """One bag by itself, with what lies in it and some things more."""
    inserts = {e.item for e in plan.kit.entries if e.place == InBag(bag=bag) and isinstance(plan.items[e.item], Insert)}
    entries = {
        (e.item, e.place): e
        for e in plan.kit.entries
        if e.item == bag or (isinstance(e.place, InBag) and e.place.bag in {bag, *inserts})
    }
    for item, count in things:
        key = (item, InBag(bag=bag))
        before = entries[key].count if key in entries else 0
        entries[key] = Entry(item=item, count=before + count, place=InBag(bag=bag))
    return plan.kit.model_copy(update={"entries": tuple(entries.values())})


__all__ = ["GateCheckPlan", "Rehearsal", "Repacked", "Taken", "check_legs", "gate_check_plan", "lying", "rehearse"]
