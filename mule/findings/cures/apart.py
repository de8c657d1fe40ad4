"""What should not lie together: pairs that back each other up, all packs and cards, water and electronics, medicine in
the hold."""

from collections.abc import Collection, Iterable

from mule.analysis.ledger import Pieces
from mule.findings import said
from mule.findings.codes import CureCode
from mule.findings.cures.getting import more_of, to_get
from mule.findings.cures.making import Proposals, carried_pieces, move, owner_of
from mule.findings.rules import Trials
from mule.findings.said.cure import Cure, Doing, Moving
from mule.plan.edits import Load, Move
from mule.plan.gear import Battery, Card
from mule.plan.places import InBag, PieceKind, Place, Worn


def out_of_the_hold(trials: Trials, finding: said.MedicineHeld) -> Iterable[Cure]:
    """What must be in reach, into a bag that is carried, or onto whoever has checked it in."""
    (item,) = finding.items
    held = [Pieces(trials.plan.items[item], trials.loaded[item])]
    owner = owner_of(trials, finding.bag)
    for piece in sorted(carried_pieces(trials), key=lambda p: (p.person != owner, p.piece != PieceKind.PERSONAL)):
        yield move(held, InBag(bag=piece.bag))
    if owner:
        yield move(held, Worn(person=owner), CureCode.WEAR)


def pair_apart(trials: Trials, finding: said.BothInOneBag) -> Iterable[Cure]:
    """Two things that back each other up in one bag: the lighter one goes into another, or into a pocket."""
    bag = finding.items[-1]
    pair = sorted((trials.plan.items[i] for i in finding.items[:-1]), key=lambda t: t.mass_g)
    owner = owner_of(trials, bag)
    others = [p for p in carried_pieces(trials) if p.bag != bag]
    for thing in pair:
        held = [Pieces(thing, trials.loaded[thing.id])]
        for piece in sorted(others, key=lambda p: p.mass_g):
            yield move(held, InBag(bag=piece.bag))
        if owner:
            yield move(held, Worn(person=owner), CureCode.WEAR)


def spread(trials: Trials, finding: said.LostBag) -> Iterable[Cure]:
    """Half of the packs and cards, and what charges them, into another bag or a pocket, so that no loss takes all."""
    lost = next((loss for loss in trials.bag_losses if loss.bags == finding.items), None)
    if lost is None:
        return
    bags = [p.bag for p in carried_pieces(trials) if p.bag not in lost.bags]
    places: list[Place] = [*(InBag(bag=bag) for bag in bags), *(Worn(person=p.id) for p in trials.plan.trip.people)]
    moves = [move for item, n in lost.items.items() for move in _half(trials, item, n, lost.bags)]
    packs = [m for m in moves if isinstance(trials.plan.items[m[0]], Battery | Card)]
    cards = [m for m in packs if isinstance(trials.plan.items[m[0]], Card)]
    for place in places:
        yield from (_moved(trials, some, place) for some in (cards, packs, moves) if some)


# So many pieces of an item, from a place.
_Pieces = tuple[str, int, Place]


def _half(trials: Trials, item: str, lost: int, bags: Collection[str]) -> Iterable[_Pieces]:
    """Half of what there is of an item goes elsewhere, and of a single one all."""
    going = min(lost, max(1, trials.loaded[item] // 2))
    root = trials.plan.kit.outermost()
    for entry in trials.plan.kit.entries:
        if entry.item == item and isinstance(entry.place, InBag) and root[entry.place.bag] in bags and going:
            taken = min(going, entry.count)
            going -= taken
            yield item, taken, entry.place


def _moved(trials: Trials, pieces: Iterable[_Pieces], place: Place) -> Cure:
    pieces = list(pieces)
    edits = tuple(Move(item=item, place=place, count=n, origin=at) for item, n, at in pieces)
    grams = sum(trials.plan.items[item].mass_g * n for item, n, _ in pieces)
    return Moving(code=CureCode.MOVE, edits=edits, moved_g=grams)


def water_out(trials: Trials, finding: said.WaterBeside) -> Iterable[Cure]:
    """Water outside on the bag, or on somebody."""
    water, bag = trials.plan.items[finding.items[0]], finding.bag
    held = [Pieces(water, trials.loaded[water.id])]
    yield move(held, InBag(bag=bag, outside=True), CureCode.OUTSIDE)
    if owner := owner_of(trials, bag):
        yield move(held, Worn(person=owner), CureCode.WEAR)


def bear_a_loss(trials: Trials, finding: said.SinglePoint) -> Iterable[Cure]:
    """The ways to bear a loss, as they were found with it."""
    for backup in (b for loss in trials.resilience.losses if (loss.item,) == finding.items for b in loss.backups):
        edits = tuple(Load(item=item) for item in backup.items)
        yield Doing(code=CureCode.LOAD, edits=edits, mass_change_g=backup.mass_g)
    thing = trials.plan.items[finding.items[0]]
    yield to_get(more_of(thing))


PROPOSALS: Proposals = {
    said.BothInOneBag: pair_apart,
    said.LostBag: spread,
    said.MedicineHeld: out_of_the_hold,
    said.SinglePoint: bear_a_loss,
    said.WaterBeside: water_out,
}
