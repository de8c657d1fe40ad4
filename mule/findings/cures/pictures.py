"""Cards that run out and pictures in too few places."""

from collections.abc import Callable, Iterable
from itertools import chain, combinations, islice

from mule.analysis.ledger import Pieces
from mule.analysis.storage import CardsOf, Storage
from mule.analysis.storage.stamina import keep
from mule.findings import said
from mule.findings.codes import CureCode
from mule.findings.cures.getting import to_get, usual
from mule.findings.cures.making import Proposals, at_home, left, load, load_counts, move
from mule.findings.rules import Trials
from mule.findings.said.cure import Cure, Doing, EraseAfter, FewBig
from mule.plan.edits import Load
from mule.plan.gear import Card, Computer, Drive, Gear, Link, Reader
from mule.plan.places import AsPiece, InBag, PieceKind, Worn

_MOST = 3
# What is tried together: the lightest of all that copies.
_MOST_PAIRED = 6


def more_cards(trials: Trials, finding: said.CardsFull) -> Iterable[Cure]:
    """The cards that are missing, largest first; what copies them so that they may be wiped; then ways of working."""
    yield from more_cards_at_home(trials)
    lost = sum(day.lost_gb for day in trials.case.stamina.pictures.days)
    yield from _helping(trials, lambda kept: sum(day.lost_gb for day in kept.days) < lost)
    yield from _other_schools(trials)
    for type_ in _full(trials):
        yield to_get(usual("card", type_.type, max(1, type_.needed - type_.loaded)))


def more_cards_at_home(trials: Trials) -> Iterable[Cure]:
    """The cards that are missing of each type that runs out, largest first, or all that there are."""
    for type_ in _full(trials):
        more = max(1, type_.needed - type_.loaded)
        cards = [c for c in left(trials, Card) if c.card_type == type_.type]
        here = at_home(trials, cards)
        able = [c for c in cards if here[c.id] >= more]
        yield from (load(c, count=more) for c in sorted(able, key=lambda c: -c.capacity_gb)[:_MOST])
        if here:
            yield load_counts(here)


def _full(trials: Trials) -> list[CardsOf]:
    return [t for t in trials.case.stamina.pictures.types if t.full_on and t.loaded]


def more_copies(trials: Trials, finding: said.CopiesShort) -> Iterable[Cure]:
    """The lightest drive, computer, reader or lead that helps, or two of them; else a drive to get."""
    ways = list(_helping(trials, lambda kept: kept.short_on is None))
    yield from ways
    if not ways:
        yield from _all_of_it(trials)
    yield to_get(usual("drive"))
    yield to_get(usual("drive"), usual("drive"))
    yield to_get(usual("laptop"))
    yield to_get(usual("laptop"), usual("drive"))


def _all_of_it(trials: Trials) -> Iterable[Cure]:
    """Where nothing copies yet: a computer, a reader and a drive that lie at home, and the cards that are missing."""
    computers = [t for t in left(trials, Computer) if t.form != "phone"]
    types = {t.card_type for i in trials.loaded if isinstance(t := trials.plan.items[i], Card)}
    readers = [t for t in left(trials, Reader) if not types.isdisjoint(t.card_types)]
    things: list[Gear] = [*computers[:1], *readers[:1], *left(trials, Drive)[:1]]
    edits = load(*things).edits
    cards = next((c.edits for c in more_cards_at_home(trials)), ())
    for chosen in (edits, (*cards, *edits), cards):
        if chosen:
            yield Doing(code=CureCode.LOAD, edits=chosen)


def _helping(trials: Trials, helps: Callable[[Storage], bool]) -> Iterable[Cure]:
    things: list[Gear] = [t for kind in (Drive, Computer, Reader, Link) for t in left(trials, kind)]
    things.sort(key=lambda t: t.mass_g)
    singles = [t for t in things if helps(_kept_with(trials, t))]
    yield from map(load, singles[:_MOST])
    if not singles:
        pairs = combinations(things[:_MOST_PAIRED], 2)
        yield from islice((load(*pair) for pair in pairs if helps(_kept_with(trials, *pair))), 1)


def _kept_with(trials: Trials, *things: Gear) -> Storage:
    counts = dict(trials.loaded)
    for thing in things:
        counts[thing.id] = counts.get(thing.id, 0) + 1
    return keep(trials.plan, counts)


def _other_schools(trials: Trials) -> Iterable[Cure]:
    """Schools of keeping cards that the loaded cards would last for: a way of working, nothing to load."""
    stamina = trials.plan.trip.stamina
    for school, way in (("erase-after", EraseAfter(copies=stamina.erase_after)), ("few-big", FewBig())):
        if school != stamina.cards:
            other = trials.plan.trip.with_stamina(cards=school)
            kept = keep(trials.plan.with_trip(other), trials.loaded)
            # A school of erasing that never comes to it is none.
            erases = school == "few-big" or any(day.erased for day in kept.days)
            if erases and kept.days_carried == len(other.days):
                yield way


def copies_apart(trials: Trials, finding: said.CopiesTogether | said.PicturesInOneBag) -> Iterable[Cure]:
    """A drive into another bag or a pocket; or one that lies at home comes along there."""
    at = {e.item: e.place for e in trials.plan.kit.entries}
    people = [p.id for p in trials.plan.trip.people]
    bags = [InBag(bag=p.bag) for p in trials.case.loads.pieces if p.piece != PieceKind.HOLD]
    pockets = [Worn(person=person) for person in people]
    loaded = (trials.plan.items[i] for i in trials.loaded if not isinstance(at[i], AsPiece))
    drives = [t for t in loaded if isinstance(t, Drive)]
    for drive in drives[:2]:
        held = [Pieces(drive, trials.loaded[drive.id])]
        yield from (move(held, place) for place in bags if place != at[drive.id])
        yield from (move(held, place, CureCode.WEAR) for place in pockets if place != at[drive.id])
    for drive in left(trials, Drive)[:1]:
        places = chain(bags, pockets)
        yield from (Doing(code=CureCode.LOAD, edits=(Load(item=drive.id, place=place),)) for place in places)
    yield to_get(usual("drive"))


PROPOSALS: Proposals = {
    said.CardsFull: more_cards,
    said.CopiesShort: more_copies,
    said.CopiesTogether: copies_apart,
    said.PicturesInOneBag: copies_apart,
}
