"""Which thing of the kit goes into which bag of a set: a model for CP-SAT, before anything is packed."""

from collections import Counter
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field

from ortools.sat.python import cp_model

from mule.analysis.gate.limits import mass_limits
from mule.base.deadline import Deadline
from mule.base.solving import Linear, Solved, Var, solve, solver_of, total
from mule.packing import suits
from mule.packing.blocks import never_held
from mule.plan import Plan
from mule.plan.gear import Bag, Insert, keeps_safe
from mule.plan.kit import Entry, Kit
from mule.plan.places import AsPiece, InBag, PieceKind, Place, Worn
from mule.search.bag_sets.choices import Bags

# Grams that things lie elsewhere for than they do now, in another person's bag or another sort of bag (estimate).
_MOVED_G = 100
# What is told of grams over a limit, beside grams on a back.
_OVER = 1_000
# Millilitres that a thing counts for beside its litres when it is left over: its number, and what keeps somebody safe.
_LEFT_ML, _SAFE_ML = 200, 100_000
_MOST_S = 0.5
# What lies where among as good ways need not be the very best: it is packed and judged in any case.
_NEAR, _BEST_S = 0.02, 0.15
_STEP_G = 25


@dataclass(frozen=True)
class Item:
    """What goes somewhere: pieces of a thing, or two things packed as one. held: it is checked in now; outside: it
    hangs on a bag now."""

    items: tuple[str, ...]
    count: int
    mass_g: float
    litres: float
    held: bool
    outside: bool
    seat: bool
    person: str
    piece: PieceKind | None


@dataclass
class SharingOut:
    """A set of bags and what may go where.

    staying: pieces that have no part in it, by thing and place. forbidden: pieces that do not go into a bag together,
    by number of the item.
    """

    plan: Plan
    bags: Bags
    items: Sequence[Item]
    staying: Mapping[tuple[str, Place], int]
    forbidden: list[tuple[str, Mapping[int, int]]] = field(default_factory=list)

    def kit(self, deadline: Deadline) -> tuple[Kit, dict[str, int], bool] | None:
        """The open kit in these bags, what is left over by pieces, and whether no more would find room by litres,
        sides and what is forbidden; None where time was up."""
        model = _Model(self)
        ending = solve(model.fewest_left(), deadline.grant(_MOST_S))
        if not isinstance(ending, Solved):
            return None
        sure = ending.best
        solver = solver_of()
        solver.parameters.relative_gap_limit = _NEAR
        best = solve(model.best_with(ending.value(model.left_ml)), deadline.grant(_BEST_S), solver)
        ending = best if isinstance(best, Solved) else ending
        counts = Counter[tuple[str, Place]](dict.fromkeys(self.bags.pieces.items(), 1))
        counts.update((insert, InBag(bag=bag)) for insert, bag in self.bags.inserts.items())
        counts.update(self.staying)
        left = Counter[str]()
        for item, at, over in zip(self.items, model.at, model.left, strict=True):
            for name in item.items:
                counts.update({(name, place): ending.value(var) for place, var in at.items()})
                left[name] += ending.value(over)
        entries = [Entry(item=name, count=n, place=place) for (name, place), n in counts.items() if n]
        stow = self.plan.kit.stow.model_copy(update={"pins": (), "hangs": (), "rides": (), "loadouts": ()})
        return self.plan.kit.model_copy(update={"entries": tuple(entries), "stow": stow}), dict(+left), sure


class _Model:
    def __init__(self, job: SharingOut) -> None:
        self._job, self._plan = job, job.plan
        self.cp = cp_model.CpModel()
        self.at: list[dict[Place, Var]] = []
        self.left: list[Var] = []
        for item in job.items:
            at: dict[Place, Var] = {place: self.cp.new_int_var(0, item.count, "") for place in self._places(item)}
            over = self.cp.new_int_var(0, item.count, "")
            self.cp.add(total([*((var, 1) for var in at.values()), (over, 1)]) == item.count)
            self.at.append(at)
            self.left.append(over)
        self._rooms()
        self._forbid()
        self.left_ml = total((over, self._leaves_ml(item)) for item, over in zip(job.items, self.left, strict=True))

    def _leaves_ml(self, item: Item) -> int:
        safe = any(keeps_safe(self._plan.items[name]) for name in item.items)
        return round(item.litres * 1000) + _LEFT_ML + (_SAFE_ML if safe else 0)

    def _places(self, item: Item) -> Iterator[Place]:
        things = [self._plan.items[name] for name in item.items]
        for holder in (*self._job.bags.pieces, *self._job.bags.inserts):
            bag = self._plan.items[holder]
            held = self._root(holder).piece == PieceKind.HOLD
            if held != item.held and (held or any(map(never_held, things))):
                continue
            if item.seat and self._root(holder).piece != PieceKind.PERSONAL:
                continue
            if all(suits(thing, bag) for thing in things):
                yield InBag(bag=holder)
            if item.outside and isinstance(bag, Bag) and all(bag.takes_outside(thing) for thing in things):
                yield InBag(bag=holder, outside=True)

    def _root(self, holder: str) -> AsPiece:
        return self._job.bags.pieces[self._job.bags.inserts.get(holder, holder)]

    def _rooms(self) -> None:
        inserts: dict[str, float] = {}
        for insert, into in self._job.bags.inserts.items():
            inserts[into] = inserts.get(into, 0.0) + self._plan.items[insert].size.litres()
        for holder in (*self._job.bags.pieces, *self._job.bags.inserts):
            bag = self._plan.items[holder]
            assert isinstance(bag, Bag | Insert)
            here = self._at(InBag(bag=holder), lambda item: round(item.litres * 1000))
            self.cp.add(total(here) <= max(0, round((bag.volume_l - inserts.get(holder, 0.0)) * 1000)))
            if isinstance(bag, Bag):
                self.cp.add(total(self._at(InBag(bag=holder, outside=True), lambda item: 1)) <= bag.straps)

    def _at(self, place: Place, worth: Callable[[Item], int]) -> list[tuple[Var, int]]:
        return [(at[place], worth(item)) for item, at in zip(self._job.items, self.at, strict=True) if place in at]

    def _forbid(self) -> None:
        for bag, pieces in self._job.forbidden:
            fewer = []
            for number, count in pieces.items():
                less = self.cp.new_bool_var("")
                self.cp.add(self.at[number][InBag(bag=bag)] <= count - 1).only_enforce_if(less)
                fewer.append(less)
            self.cp.add_bool_or(fewer)

    def fewest_left(self) -> cp_model.CpModel:
        """Looks for as little left over as can be."""
        self.cp.minimize(self.left_ml)
        return self.cp

    def best_with(self, left_ml: int) -> cp_model.CpModel:
        """With no more left over: under the limits of legs, light on the most loaded, and much where it is now."""
        self.cp.add(self.left_ml <= left_ml)
        self.cp.minimize(total((over, _OVER) for over in self._over()) + self._most_loaded() + self._moved())
        return self.cp

    def _grams(self, roots: set[str]) -> tuple[list[tuple[Var, int]], int]:
        """Steps of grams of some pieces of luggage: what can vary, and bags and inserts themselves."""
        inserts = [i for i, bag in self._job.bags.inserts.items() if bag in roots]
        own = sum(self._plan.items[name].mass_g for name in (*roots, *inserts))
        terms = [
            (var, round(item.mass_g / _STEP_G))
            for item, at in zip(self._job.items, self.at, strict=True)
            for place, var in at.items()
            if isinstance(place, InBag) and self._job.bags.inserts.get(place.bag, place.bag) in roots
        ]
        return terms, round(own / _STEP_G)

    def _over(self) -> Iterator[Var]:
        luggage = {bag: (at.person, at.piece) for bag, at in self._job.bags.pieces.items()}
        for limit in {(one.bags, one.allowed_g) for one in mass_limits(self._plan, luggage)}:
            terms, own = self._grams(set(limit[0]))
            over = self.cp.new_int_var(0, 10**6, "")
            self.cp.add(total(terms, own - round(limit[1] / _STEP_G)) <= over)
            yield over

    def _most_loaded(self) -> Linear:
        people = self._plan.trip.people
        well = {p.id: p.carries_well_kg for p in people}
        heaviest = max((kg for kg in well.values() if kg), default=1.0)
        most = self.cp.new_int_var(0, 10**6, "")
        for person in people:
            roots = {b for b in self._job.bags.carried() if self._job.bags.pieces[b].person == person.id}
            terms, own = self._grams(roots)
            own += round(sum(load.mass_g for load in person.base_load) / _STEP_G)
            # On the back of who carries best: others feel each gram more.
            kg = (well[person.id] or heaviest) if all(well.values()) else heaviest
            self.cp.add(most * round(kg * 10) >= total(terms, own) * round(heaviest * 10))
        return total([(most, 1)])

    def _moved(self) -> Linear:
        terms = []
        for item, at in zip(self._job.items, self.at, strict=True):
            for place, var in at.items():
                assert isinstance(place, InBag)
                root = self._root(place.bag)
                elsewhere = (root.person != item.person) + (root.piece != item.piece) + (place.outside != item.outside)
                if elsewhere:
                    terms.append((var, _MOVED_G // _STEP_G * elsewhere))
        return total(terms)


def staying_in(plan: Plan) -> dict[tuple[str, Place], int]:
    """What of the open kit has no part in bags: what somebody wears, and what is in a bag that somebody wears."""
    pieces = plan.kit.luggage()
    root = plan.kit.outermost()
    return {
        (e.item, e.place): e.count
        for e in plan.kit.entries
        if (isinstance(e.place, Worn) and not e.place.unplaced)
        or (isinstance(e.place, InBag) and root[e.place.bag] not in pieces)
    }


def items_of(plan: Plan) -> tuple[Item, ...]:
    """What of the open kit goes into bags, things that are packed as one together."""
    kit = plan.kit
    pieces = kit.luggage()
    root = kit.outermost()
    seat = {wish.item for wish in kit.stow.wishes if wish.seat}
    paired = kit.packed_as_one()
    staying = staying_in(plan)
    found: dict[tuple[tuple[str, ...], bool, bool], Item] = {}
    for entry in kit.entries:
        thing, place = plan.items[entry.item], entry.place
        luggage = isinstance(place, AsPiece) or isinstance(thing, Insert)
        if luggage or (entry.item, place) in staying or entry.item in paired.values():
            continue
        at = pieces.get(root.get(place.bag, "")) if isinstance(place, InBag) else None
        names = (entry.item, paired[entry.item]) if entry.item in paired else (entry.item,)
        things = [plan.items[name] for name in names]
        held, outside = at is not None and at.piece == PieceKind.HOLD, isinstance(place, InBag) and place.outside
        # Of what lies at several places, the last is where it is wanted.
        before = found.get((names, held, outside))
        found[names, held, outside] = Item(
            items=names,
            count=entry.count + (before.count if before else 0),
            mass_g=sum(t.mass_g for t in things),
            litres=sum(t.size.litres() for t in things),
            held=held,
            outside=outside,
            seat=any(name in seat for name in names),
            person=at.person if at else "",
            piece=at.piece if at else None,
        )
    return tuple(found.values())
