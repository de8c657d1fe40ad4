"""Bags and backs: too heavy, too large, too many, too full, in the wrong place."""

from collections.abc import Iterable, Sequence
from math import inf

from mule.analysis.ledger import Burden, Pieces, grams, litres
from mule.findings import said
from mule.findings.codes import CureCode
from mule.findings.cures.getting import cabin_bag, to_get
from mule.findings.cures.lighten import enough, lighten, may_be_held, stays_in_cabin
from mule.findings.cures.making import (
    Proposals,
    carried_pieces,
    inside,
    leave,
    leave_all,
    left,
    load,
    move,
    owner_of,
    swap_bag,
    with_followers,
)
from mule.findings.rules import Trials
from mule.findings.said.cure import Cure, Doing, Moving
from mule.packing import goes_in
from mule.plan.edits import Leave, Load, Move
from mule.plan.gear import Bag, Gear, Insert, is_for, keeps_safe
from mule.plan.places import AsPiece, InBag, PieceKind, Worn
from mule.plan.purposes import Purpose

# Bags that are tried in place of one.
_MOST_BAGS = 3
# Longer than this nothing is strapped to a bag.
_LONGEST_MM = 900.0
# Beside supports, what people hang outside on a bag.
_OUTSIDE = (Purpose.SHELTER, Purpose.SLEEPING, Purpose.WALKING)
# A line of guidance is passed again by a gram.
_SPARE_G = 1.0


def lighter_bag(trials: Trials, finding: said.LegMass) -> Iterable[Cure]:
    """A bag over a leg's limit."""
    (bag,) = finding.items
    yield from lighten(trials, Burden(inside(trials, bag), finding.over_g, grams, finding.person, (bag,)))
    yield from _other_bags(trials, bag)


def lighter_together(trials: Trials, finding: said.LegTogether) -> Iterable[Cure]:
    """All that somebody takes on board, over a leg's limit."""
    person = finding.person
    bags = [p.bag for p in carried_pieces(trials) if p.person == person]
    held = [h for bag in bags for h in inside(trials, bag)]
    yield from lighten(trials, Burden(held, finding.over_g, grams, person, bags))


def lighter_back(trials: Trials, finding: said.CarriesWell | said.HeavyLoad) -> Iterable[Cure]:
    """More than somebody carries well, or than a share of their body mass."""
    person = finding.person
    if isinstance(finding, said.HeavyLoad):
        need = finding.carried_g * (1 - finding.line / finding.share) + _SPARE_G
    else:
        need = finding.over_g
    bags = [p.bag for p in carried_pieces(trials) if p.person == person]
    worn = [
        Pieces(trials.plan.items[e.item], e.count)
        for e in trials.plan.kit.entries
        if isinstance(e.place, Worn) and e.place.person == person
    ]
    held = [h for bag in bags for h in inside(trials, bag)] + worn
    yield from lighten(trials, Burden(held, need, grams, person, bags), worn_counts=True)
    yield from _bag_for_another(trials, Burden(held, need, grams, person, bags))
    # All of one bag on wheels, where somebody has one at hand.
    for hold in left(trials, Bag)[:_MOST_BAGS]:
        if hold.piece == PieceKind.HOLD:
            going = [h for h in held if may_be_held(h.thing)]
            if going:
                edits = (*load(hold).edits, *move(going, InBag(bag=hold.id)).edits)
                yield Doing(code=CureCode.SWAP_BAG, edits=edits)


def _bag_for_another(trials: Trials, burden: Burden) -> Iterable[Cure]:
    """Somebody who carries no bag takes one that lies at home, with enough in it."""
    laden = {p.person for p in carried_pieces(trials)}
    bags = [b for b in left(trials, Bag) if b.piece != PieceKind.HOLD]
    for other in (p.id for p in trials.plan.trip.people if p.id not in laden):
        for bag in bags[:_MOST_BAGS]:
            going = enough([h for h in burden.held if goes_in(h.thing, bag)], burden)
            if going:
                moved = move(going, InBag(bag=bag.id), CureCode.HAND_OVER)
                first = Load(item=bag.id, place=AsPiece(piece=bag.piece, person=other))
                yield moved.model_copy(update={"edits": (first, *moved.edits)})


def smaller_bag(trials: Trials, finding: said.LegSize | said.LegSum | said.LegSoft) -> Iterable[Cure]:
    """A bag that does not go into a frame: take off what is strapped on, take another, or let it travel otherwise."""
    (bag,) = finding.items
    yield from _smaller(trials, bag)


def _smaller(trials: Trials, bag: str) -> Iterable[Cure]:
    yield from _unstrapped(trials, bag)
    yield from _other_bags(trials, bag)
    yield from _as_other_piece(trials, bag)


def smaller_bags(trials: Trials, finding: said.BigBagsBarred) -> Iterable[Cure]:
    """Bags over a size that a place allows."""
    for bag in finding.items:
        yield from _smaller(trials, bag)


def fewer_bags(trials: Trials, finding: said.LegCount) -> Iterable[Cure]:
    """More pieces than a leg allows: hand one over, let one travel otherwise, or do without one."""
    person, kind = finding.person, finding.piece
    mine = [p for p in trials.case.loads.pieces if p.person == person and kind in (None, p.piece)]
    for piece in sorted(mine, key=lambda p: p.mass_g):
        for other in trials.plan.trip.people:
            if other.id != person:
                edit = Move(item=piece.bag, place=AsPiece(piece=piece.piece, person=other.id))
                yield Moving(code=CureCode.HAND_OVER, edits=(edit,), moved_g=piece.mass_g)
        yield from _as_other_piece(trials, piece.bag)
        yield leave_all([piece.bag])


def emptier_bag(trials: Trials, finding: said.Overfull) -> Iterable[Cure]:
    """More litres in a bag or insert than it has."""
    (bag,) = finding.items
    need = finding.litres - finding.volume_l
    piece = trials.plan.kit.outermost().get(bag, bag)
    person = owner_of(trials, piece) or ""
    held = _straight_in(trials, bag)
    roomy = [c for c in trials.case.loads.bags if c.bag != bag]
    for contents in sorted(roomy, key=lambda c: c.litres - c.volume_l):
        going = _fewest(held, need, contents.volume_l - contents.litres)
        if going:
            yield move(going, InBag(bag=contents.bag))
    yield from _strapped_on(trials, bag, held, need)
    yield from lighten(trials, Burden(held, need, litres, person, (bag,)))
    if isinstance(trials.plan.items[bag], Bag):
        yield from _other_bags(trials, bag)


def place_for(trials: Trials, finding: said.TooLarge) -> Iterable[Cure]:
    """A thing larger than every space of its bag."""
    (item,) = finding.items
    thing, bag = trials.plan.items[item], finding.bag
    count = trials.loaded[item]
    holders = [t for i in trials.loaded if isinstance(t := trials.plan.items[i], Bag | Insert)]
    able = [h for h in holders if h.id not in (item, bag) and goes_in(thing, h)]
    yield from (move([Pieces(thing, count)], InBag(bag=holder.id)) for holder in able)
    yield from _strapped_on(trials, bag, [Pieces(thing, count)], 0.0)
    yield from _other_bags(trials, bag, thing)
    if not keeps_safe(thing):
        yield leave_all(with_followers(trials, item))


def bag_for_all(trials: Trials, finding: said.Unplaced) -> Iterable[Cure]:
    """Things in nobody's bag because there is none."""
    bags = [b for b in left(trials, Bag) if b.id not in trials.loaded and b.piece != PieceKind.HOLD]
    yield from (load(bag) for bag in sorted(bags, key=lambda b: (b.volume_l < finding.litres, b.mass_g)))
    yield to_get(cabin_bag())


def gate_place(trials: Trials, finding: said.GateNo) -> Iterable[Cure]:
    """A thing that may not go where it lies, or too many of it: another bag, the pieces too many at home, or all."""
    (item,) = finding.items
    thing = trials.plan.items[item]
    if finding.because == "place":
        pieces = [p for p in trials.case.loads.pieces if (p.piece == PieceKind.HOLD) != finding.held]
        mine = owner_of(trials, finding.bag or "")
        for piece in sorted(pieces, key=lambda p: (p.person != mine, p.mass_g)):
            yield move([Pieces(thing, trials.loaded[item])], InBag(bag=piece.bag))
        if finding.held and mine:
            yield move([Pieces(thing, trials.loaded[item])], Worn(person=mine))
    if finding.because == "count" and finding.most is not None and finding.most < finding.total:
        many = finding.total - finding.most
        if many < trials.loaded[item] and not keeps_safe(thing):
            yield leave({item: many})
        for other in trials.plan.trip.people:
            for piece in (p for p in carried_pieces(trials) if p.person == other.id and p.bag != finding.bag):
                yield move([Pieces(thing, trials.loaded[item])], InBag(bag=piece.bag), CureCode.HAND_OVER)
    if not keeps_safe(thing):
        yield leave_all([item])
        yield leave_all(with_followers(trials, item))


def at_the_seat(trials: Trials, finding: said.NotAtSeat) -> Iterable[Cure]:
    """A thing that is wanted in the seat: into a bag under it, or on whoever carries it."""
    (item,) = finding.items
    owner = owner_of(trials, finding.bag)
    seats = [p for p in trials.case.loads.pieces if p.piece == PieceKind.PERSONAL]
    held = [Pieces(trials.plan.items[item], trials.loaded[item])]
    for piece in sorted(seats, key=lambda p: p.person != owner):
        yield move(held, InBag(bag=piece.bag))
    if owner and not seats:
        yield move(held, Worn(person=owner), CureCode.WEAR)


def _straight_in(trials: Trials, bag: str) -> list[Pieces]:
    """What lies in a bag itself, not what is strapped to it or lies in an insert of it."""
    entries = trials.plan.kit.entries
    here = [e for e in entries if isinstance(e.place, InBag) and e.place.bag == bag and not e.place.outside]
    return [Pieces(trials.plan.items[e.item], e.count) for e in here]


def _fewest(held: Sequence[Pieces], need: float, room: float) -> list[Pieces]:
    """The smallest single thing that frees enough litres and finds room, or the fewest, largest first."""
    alone = [h for h in held if need <= h.litres <= room]
    if alone:
        return [min(alone, key=litres)]
    going, gone = list[Pieces](), 0.0
    for one in sorted(held, key=litres, reverse=True):
        if gone + one.litres <= room:
            going.append(one)
            gone += one.litres
            if gone >= need:
                return going
    return []


def _strapped_on(trials: Trials, bag: str, held: Sequence[Pieces], need: float) -> Iterable[Cure]:
    """Outside of the bag, where it has a strap left that is long enough."""
    holder = trials.plan.items[bag]
    if not isinstance(holder, Bag):
        return
    entries = trials.plan.kit.entries
    used = sum(e.count for e in entries if isinstance(e.place, InBag) and e.place.bag == bag and e.place.outside)
    longest = holder.strap_mm or _LONGEST_MM
    able = [h for h in held if h.count <= holder.straps - used and h.litres >= need and _straps_on(h.thing) <= longest]
    for one in sorted(able, key=litres)[:2]:
        yield move([one], InBag(bag=bag, outside=True), CureCode.OUTSIDE)


def _straps_on(thing: Gear) -> float:
    """Longest side of what may hang outside of a bag: legs, mats, tents. Nothing else does."""
    outside = thing.group.value == "support" or is_for(thing, *_OUTSIDE)
    return thing.size.sides_mm()[0] if outside else inf


def _other_bags(trials: Trials, bag: str, thing: Gear | None = None) -> Iterable[Cure]:
    """Bags at home in its place, lightest first: of one that travels, and which the thing in question goes into."""
    old = trials.plan.items[bag]
    if not isinstance(old, Bag) or not any(p.bag == bag for p in trials.case.loads.pieces):
        return
    inner = sum(h.litres for h in _straight_in(trials, bag))
    able = [b for b in left(trials, Bag) if b.id not in trials.loaded and (thing is None or goes_in(thing, b))]
    roomy = sorted(able, key=lambda b: (b.volume_l < inner, b.piece != old.piece, b.mass_g))
    yield from (swap_bag(trials, bag, new) for new in roomy[:_MOST_BAGS])


def _as_other_piece(trials: Trials, bag: str) -> Iterable[Cure]:
    """The same bag overhead, under the seat, or checked in."""
    at = next(p for p in trials.case.loads.pieces if p.bag == bag)
    for kind in (PieceKind.PERSONAL, PieceKind.CABIN, PieceKind.HOLD):
        if kind != at.piece:
            yield Doing(code=CureCode.TRAVEL_AS, edits=(Move(item=bag, place=AsPiece(piece=kind, person=at.person)),))


def _unstrapped(trials: Trials, bag: str) -> Iterable[Cure]:
    """Take off what is strapped on, into the bag itself or another, or leave it."""
    entries = trials.plan.kit.entries
    strapped = [e.item for e in entries if isinstance(e.place, InBag) and e.place.bag == bag and e.place.outside]
    if not strapped:
        return
    others = sorted((p for p in trials.case.loads.pieces if p.bag != bag), key=lambda p: p.piece != PieceKind.HOLD)
    fragile = any(stays_in_cabin(trials.plan.items[item]) for item in strapped)
    into = [p.bag for p in others if not (fragile and p.piece == PieceKind.HOLD)]
    for target in (*into[:2], bag):
        yield Doing(code=CureCode.TAKE_OFF, edits=tuple(Move(item=i, place=InBag(bag=target)) for i in strapped))
    if not any(keeps_safe(trials.plan.items[item]) for item in strapped):
        yield Doing(code=CureCode.LEAVE, edits=tuple(Leave(item=item) for item in strapped))


PROPOSALS: Proposals = {
    said.CarriesWell: lighter_back,
    said.GateNo: gate_place,
    said.HeavyLoad: lighter_back,
    said.LegCount: fewer_bags,
    said.LegMass: lighter_bag,
    said.LegSize: smaller_bag,
    said.LegSoft: smaller_bag,
    said.LegSum: smaller_bag,
    said.LegTogether: lighter_together,
    said.NotAtSeat: at_the_seat,
    said.Overfull: emptier_bag,
    said.TooLarge: place_for,
    said.Unplaced: bag_for_all,
}
