"""What should not lie together: pairs that back each other up, all packs and cards, water and electronics, medicine in
the hold."""

from collections.abc import Iterable, Mapping

from mule.cures.making import Pieces, carried_pieces, move, owner_of
from mule.finding import Cure, CureCode, Edit, Finding, InBag, Leave, Load, Move, PieceKind, Place, Worn
from mule.gear import Battery, Card
from mule.rules import Trials


def out_of_the_hold(trials: Trials, finding: Finding) -> Iterable[Cure]:
    """What must be in reach, into a bag that is carried, or onto whoever has checked it in."""
    (item,) = finding.items
    held = [Pieces(trials.plan.items[item], trials.loaded[item])]
    owner = owner_of(trials, finding.refs["bag"])
    for piece in sorted(carried_pieces(trials), key=lambda p: (p.person != owner, p.piece != PieceKind.PERSONAL)):
        yield move(held, InBag(bag=piece.bag))
    if owner:
        yield move(held, Worn(person=owner), CureCode.WEAR)


def pair_apart(trials: Trials, finding: Finding) -> Iterable[Cure]:
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


def spread(trials: Trials, finding: Finding) -> Iterable[Cure]:
    """Half of the packs and cards, and a charger, into another bag or a pocket, so that no loss takes all."""
    lost = next((loss for loss in trials.bag_losses if loss.bags == finding.items), None)
    if lost is None:
        return
    moving: dict[str, int] = {}
    for item, count in lost.items.items():
        pieces = trials.loaded[item]
        moving[item] = min(count, pieces // 2) if pieces > 1 else 1
    places: list[Place] = [InBag(bag=p.bag) for p in carried_pieces(trials) if p.bag not in lost.bags]
    places += [Worn(person=p.id) for p in trials.plan.trip.people]
    packs = {i: n for i, n in moving.items() if isinstance(trials.plan.items[i], Battery | Card)}
    yield from (_half(trials, some, place) for place in places for some in (packs, moving) if some)


def _half(trials: Trials, pieces: Mapping[str, int], place: Place) -> Cure:
    edits: list[Edit] = []
    for item, count in pieces.items():
        if count >= trials.loaded[item]:
            edits.append(Move(item=item, place=place))
        else:
            edits += [Leave(item=item, count=count), Load(item=item, count=count, place=place)]
    moved = sum(trials.plan.items[i].mass_g * n for i, n in pieces.items())
    return Cure(code=CureCode.MOVE, edits=tuple(edits), numbers={"moved_g": moved})


def water_out(trials: Trials, finding: Finding) -> Iterable[Cure]:
    """Water outside on the bag, or on somebody."""
    water, bag = trials.plan.items[finding.items[0]], finding.refs["bag"]
    held = [Pieces(water, trials.loaded[water.id])]
    yield move(held, InBag(bag=bag, outside=True), CureCode.OUTSIDE)
    if owner := owner_of(trials, bag):
        yield move(held, Worn(person=owner), CureCode.WEAR)
