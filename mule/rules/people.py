"""What two people share, and who carries it."""

from collections.abc import Iterable, Mapping
from functools import partial
from itertools import combinations

from mule.finding import Cure, CureCode, FindingCode, InBag, Move, PieceKind, Severity, StationName
from mule.gear import Body, Drive, Gear, Light, at_hand, twins
from mule.load import Piece, roots
from mule.rules.case import Case, Said, Trials, always, load, no_cures, say


class CarriesWell:
    """More on somebody's back than they carry well."""

    def find(self, case: Case) -> Iterable[Said]:
        """One caution per person over their own figure; the cure gives something to who has room."""
        room = {p.id: self._room_g(case, p.id) for p in case.plan.trip.people}
        for who in case.loads.people:
            over = -room[who.person]
            if over > 0:
                yield say(
                    FindingCode.CARRIES_WELL,
                    Severity.CAUTION,
                    StationName.BENCH,
                    numbers={"carried_g": who.carried_g, "over": over},
                    refs={"person": who.person},
                    cures=partial(_give_away, person=who.person, over_g=over, room=room),
                )

    def _room_g(self, case: Case, person: str) -> float:
        most = next(p.carries_well_kg for p in case.plan.trip.people if p.id == person)
        carried = next(who.carried_g for who in case.loads.people if who.person == person)
        return float("inf") if most is None else most * 1000 - carried


def _give_away(trials: Trials, person: str, over_g: float, room: Mapping[str, float]) -> Iterable[Cure]:
    """The lightest single thing that is heavy enough, into the bag of somebody who has room for it."""
    case = trials.case
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
                code=CureCode.MOVE, edits=(Move(item=thing.id, place=InBag(bag=piece.bag)),), numbers={"moved_g": grams}
            )
            return


def _carried(case: Case, bag: str) -> bool:
    return any(p.bag == bag and p.piece != PieceKind.HOLD for p in case.loads.pieces)


class BothInOneBag:
    """Two things that back each other up ride in one bag: it takes both along when it is lost."""

    def find(self, case: Case) -> Iterable[Said]:
        """One note per pair of twin bodies or drives in one piece of luggage, when there is another to move one to."""
        where = roots(case.plan.kit)
        carried = [p for p in case.loads.pieces if p.piece != PieceKind.HOLD]
        kept = {i: {bag for bag, _ in places} for i, places in where.bags.items()}
        paired = [t for i in kept if isinstance(t := case.plan.items[i], Body | Drive)]
        for one, other in combinations(paired, 2):
            if _pair(one, other) and kept[one.id] == kept[other.id] and len(kept[one.id]) == 1:
                (bag,) = kept[one.id]
                yield say(
                    FindingCode.BOTH_IN_ONE_BAG,
                    Severity.NOTE,
                    StationName.BENCH,
                    items=(one.id, other.id, bag),
                    cures=always(*_apart(other, bag, carried)),
                )


def _pair(one: Gear, other: Gear) -> bool:
    if isinstance(one, Body) and isinstance(other, Body):
        return twins(one, other)
    return isinstance(one, Drive) and isinstance(other, Drive)


def _apart(thing: Gear, bag: str, carried: list[Piece]) -> Iterable[Cure]:
    others = sorted((p for p in carried if p.bag != bag), key=lambda p: p.mass_g)
    if others:
        move = Move(item=thing.id, place=InBag(bag=others[0].bag))
        yield Cure(code=CureCode.MOVE, edits=(move,), numbers={"moved_g": thing.mass_g})


class TorchEach:
    """Lights to walk by are per person."""

    def find(self, case: Case) -> Iterable[Said]:
        """Speaks when head torches are loaded or owned, but fewer than people are loaded."""
        people = len(case.plan.trip.people)
        torches = [t for t in case.plan.gear if isinstance(t, Light) and t.form == "head-torch"]
        have = sum(case.loaded.get(t.id, 0) for t in torches)
        if not torches or have >= people or not case.loaded:
            return
        spare = next((t for t in torches if t.count - case.loaded.get(t.id, 0) >= people - have), None)
        yield say(
            FindingCode.TORCH_EACH,
            Severity.NOTE,
            StationName.BENCH,
            numbers={"have": have, "people": people},
            cures=always(load(spare, count=people - have)) if spare and at_hand(spare) else no_cures,
        )
