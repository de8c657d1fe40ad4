"""What two people share, and who carries it."""

from collections.abc import Iterable, Mapping
from itertools import combinations

from mule.finding import Cure, Finding, InBag, Move, PieceKind, Severity
from mule.gear import Body, Drive, Gear, Light, at_hand, twins
from mule.load import Piece, roots
from mule.rules.case import Case, load


class CarriesWell:
    """More on somebody's back than they carry well."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per person over their own figure; the cure gives something to who has room."""
        room = {p.id: self._room_g(case, p.id) for p in case.plan.trip.people}
        for who in case.loads.people:
            over = -room[who.person]
            if over > 0:
                yield Finding(
                    code="carries-well",
                    severity=Severity.CAUTION,
                    station="bench",
                    numbers={"carried_g": who.carried_g, "over": over},
                    refs={"person": who.person},
                    cures=tuple(_give_away(case, who.person, over, room)),
                )

    def _room_g(self, case: Case, person: str) -> float:
        most = next(p.carries_well_kg for p in case.plan.trip.people if p.id == person)
        carried = next(who.carried_g for who in case.loads.people if who.person == person)
        return float("inf") if most is None else most * 1000 - carried


def _give_away(case: Case, person: str, over_g: float, room: Mapping[str, float]) -> Iterable[Cure]:
    """The lightest single thing that is heavy enough, into the bag of somebody who has room for it."""
    where = roots(case.plan.kit)
    mine = [
        case.plan.items[item]
        for item, places in where.bags.items()
        if len(places) == 1 and where.owners[places[0][0]] == person and _carried(case, places[0][0])
    ]
    things = [t for t in mine if t.mass_g * case.loaded[t.id] >= over_g and t.group != "carry"]
    thing = min(things, key=lambda t: t.mass_g * case.loaded[t.id], default=None)
    if thing is None:
        return
    grams = thing.mass_g * case.loaded[thing.id]
    for piece in case.loads.pieces:
        if piece.person != person and piece.piece != PieceKind.HOLD and room[piece.person] >= grams:
            yield Cure(
                code="move", edits=(Move(item=thing.id, place=InBag(bag=piece.bag)),), numbers={"moved_g": grams}
            )
            return


def _carried(case: Case, bag: str) -> bool:
    return any(p.bag == bag and p.piece != PieceKind.HOLD for p in case.loads.pieces)


class BothInOneBag:
    """Two things that back each other up ride in one bag: it takes both along when it is lost."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per pair of twin bodies or drives in one piece of luggage, when there is another to move one to."""
        where = roots(case.plan.kit)
        carried = [p for p in case.loads.pieces if p.piece != PieceKind.HOLD]
        kept = {i: {bag for bag, _ in places} for i, places in where.bags.items()}
        for one, other in combinations([case.plan.items[i] for i in kept], 2):
            if _pair(one, other) and kept[one.id] == kept[other.id] and len(kept[one.id]) == 1:
                (bag,) = kept[one.id]
                yield Finding(
                    code="both-in-one-bag",
                    severity=Severity.NOTE,
                    station="bench",
                    items=(one.id, other.id, bag),
                    cures=tuple(_apart(other, bag, carried)),
                )


def _pair(one: Gear, other: Gear) -> bool:
    if isinstance(one, Body) and isinstance(other, Body):
        return twins(one, other)
    return isinstance(one, Drive) and isinstance(other, Drive)


def _apart(thing: Gear, bag: str, carried: list[Piece]) -> Iterable[Cure]:
    others = sorted((p for p in carried if p.bag != bag), key=lambda p: p.mass_g)
    if others:
        move = Move(item=thing.id, place=InBag(bag=others[0].bag))
        yield Cure(code="move", edits=(move,), numbers={"moved_g": thing.mass_g})


class TorchEach:
    """Lights to walk by are per person."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Speaks when head torches are loaded or owned, but fewer than people are loaded."""
        people = len(case.plan.trip.people)
        torches = [t for t in case.plan.gear if isinstance(t, Light) and t.form == "head-torch"]
        have = sum(case.loaded.get(t.id, 0) for t in torches)
        if not torches or have >= people or not case.loaded:
            return
        spare = next((t for t in torches if t.count - case.loaded.get(t.id, 0) >= people - have), None)
        cures: tuple[Cure, ...] = ()
        if spare and at_hand(spare):
            cures = (load(spare, count=people - have),)
        yield Finding(
            code="torch-each",
            severity=Severity.NOTE,
            station="bench",
            numbers={"have": have, "people": people},
            cures=cures,
        )
