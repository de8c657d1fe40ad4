"""Whether a kit can be carried out day by day: each day served by some bag that its bearer carries well.

Asked of kits while they are chosen. What is told back holds for other kits, too: where even with everything in play no
bag that serves as much as a few things of the kit do can be carried, no kit with these things can be.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from threading import Lock

from mule.base.deadline import Deadline
from mule.base.units import Frozen
from mule.plan import Plan
from mule.plan.gear import Bag
from mule.plan.kit import Kit
from mule.plan.trip import Day, Person, Want
from mule.search.choosing import DayCap, DayServed, DaysServed, KitRefused
from mule.search.outings.along import bags_to_go
from mule.search.outings.day import wanted_on
from mule.search.outings.judge import THERE
from mule.search.outings.one_bag import SAME_POINTS, MostOut, OneBag, OneBagAsked
from mule.search.outings.proposing import OutingAsked, ProposedOuting, propose
from mule.search.outings.what_weighs import few_worth, score_of, standing_in, with_everything

# Time for one bag to be proposed, and for what it could take at the most.
_BAG_S, _NONE_S = 5.0, 5.0

Pieces = frozenset[tuple[str, int]]


class _Sort(Frozen):
    """Days that ask for the same."""

    days: tuple[Day, ...]
    wants: tuple[Want, ...]


@dataclass(frozen=True)
class _Out:
    """A bag that serves. score: of what is shot, as the table has it."""

    pieces: Mapping[str, int]
    score: float

    def is_in(self, loaded: Mapping[str, int]) -> bool:
        return all(loaded.get(item, 0) >= n for item, n in self.pieces.items())


class DaysCarried:
    """Tries kits of one plan, day by day; what was found of one kit stands for others."""

    def __init__(self, plan: Plan, deadline: Deadline) -> None:
        # A day that names nothing shoots what no day names: where that is nothing, nothing need go out.
        shot = plan.trip.wants_by_day()
        days = tuple(day.model_copy(update={"wants": shot[day.date]}) for day in plan.trip.days if shot[day.date])
        self._plan, self._deadline = plan.with_trip(plan.trip.model_copy(update={"days": days})), deadline
        # Whoever carries most well is asked first.
        self._bearers = sorted(plan.trip.people, key=lambda p: -(_well_g(p) or float("inf")))
        self._served: dict[tuple[_Key, Pieces], DayServed] = {}
        self._outs: dict[_Key, list[_Out]] = {}
        self._mosts: dict[tuple[date, Pieces], MostOut] = {}
        self._lock = Lock()

    def refused(self, kit: Kit, in_play: Mapping[str, int]) -> tuple[KitRefused | DayCap, ...]:
        """Why a kit cannot be carried out; nothing when it can, or somebody did not say what they carry well."""
        if any(person.carries_well_kg is None for person in self._bearers):
            return ()
        plan = self._plan.with_kit(kit)
        for sort in self._sorts(plan):
            if (cap := self._capped(plan, sort, in_play)) is not None:
                return (cap,)
            if not self._known(plan, sort) and (over := self._over(plan, sort)):
                # Of a kit that nothing is to be learned of it is enough to know.
                return self._why(plan, over, in_play) if in_play else (KitRefused({}, {}, proved=False),)
        return ()

    def told(self, kit: Kit) -> DaysServed:
        """What a kit comes to, day by day."""
        plan = self._plan.with_kit(kit)
        found = tuple(made for sort in self._sorts(plan) for made in self._days(plan, sort))
        return DaysServed(days=found, heaviest_g=max((day.bag_g for day in found), default=0.0))

    def _sorts(self, plan: Plan) -> Iterator[_Sort]:
        """Days by what is shot on them, where something is and a bag can be carried."""
        sorts: dict[tuple[Want, ...], list[Day]] = {}
        for day in plan.trip.days if bags_to_go(plan) else ():
            sorts.setdefault(wanted_on(plan.trip, (day,)), []).append(day)
        yield from (_Sort(days=tuple(days), wants=wants) for wants, days in sorts.items() if wants)

    def _known(self, plan: Plan, sort: _Sort) -> bool:
        """Whether a bag of another kit is in this one, too, and serves as much."""
        loaded, least = plan.loaded, THERE * score_of(plan, plan.loaded, sort.wants) - SAME_POINTS
        with self._lock:
            outs = list(self._outs.get(_key(sort), ()))
        return any(out.score >= least and out.is_in(loaded) for out in outs)

    def _capped(self, plan: Plan, sort: _Sort, in_play: Mapping[str, int]) -> DayCap | None:
        """A cap known before that a kit passes; None where there is none."""
        score = THERE * score_of(plan, plan.loaded, sort.wants)
        with self._lock:
            mosts = [most for day in sort.days if (most := self._mosts.get(_able_key(plan, day, in_play)))]
        return next((_cap(sort, most) for most in mosts if score > most.points + 2 * SAME_POINTS), None)

    def _over(self, plan: Plan, sort: _Sort) -> _Sort | None:
        """The days on which no bag can be carried; None where there are none."""
        made = self._days(plan, sort)
        over = {on for served in made if not served.within for on in served.days}
        days = tuple(day for day in sort.days if day.date in over)
        return sort.model_copy(update={"days": days}) if days else None

    def _days(self, plan: Plan, sort: _Sort) -> list[DayServed]:
        """One bag for all days of a sort; where that is too much, one for each of them."""
        together = self._day(plan, sort)
        if together is None or together.within or len(sort.days) == 1:
            return [together] if together else []
        each = (self._day(plan, sort.model_copy(update={"days": (day,)})) for day in sort.days)
        return [made for made in each if made]

    def _day(self, plan: Plan, sort: _Sort) -> DayServed | None:
        """The lightest bag on the first who carries it well, or else on who is least over; None where no bag serves."""
        key = _key(sort), frozenset(plan.loaded.items())
        with self._lock:
            if key in self._served:
                return self._served[key]
        best: DayServed | None = None
        for person in self._bearers:
            made = propose(plan, self._asked(sort, person), lambda: self._deadline.asked_to_stop)
            if made is None:
                continue
            served = self._judged(plan, sort, made, person)
            if best is None or _rank(served) < _rank(best):
                best = served
            if served.within and _serves(served):
                self._keep(plan, sort, made)
                break
        if best is not None and not self._deadline.stopped:
            with self._lock:
                self._served[key] = best
        return best

    def _asked(self, sort: _Sort, person: Person) -> OutingAsked:
        days = tuple(day.date for day in sort.days)
        return OutingAsked(days=days, person=person.id, share=THERE, seconds=_BAG_S)

    def _keep(self, plan: Plan, sort: _Sort, made: ProposedOuting) -> None:
        out = _Out(made.kit.loaded(), score_of(plan, made.kit.loaded(), sort.wants))
        with self._lock:
            self._outs.setdefault(_key(sort), []).append(out)

    def _judged(self, plan: Plan, sort: _Sort, made: ProposedOuting, person: Person) -> DayServed:
        load = next(load for load in made.people if load.person == person.id)
        return DayServed(
            days=tuple(day.date for day in sort.days),
            bag=made.bag,
            person=person.id,
            bag_g=made.carried_g,
            carried_g=load.carried_g,
            well_g=_well_g(person),
            score=made.score,
            whole=made.whole_score,
            proved=made.proved,
        )

    def _why(self, plan: Plan, over: _Sort, in_play: Mapping[str, int]) -> tuple[KitRefused | DayCap, ...]:
        """Where a day cannot be carried by anybody with what is worth so much, that; or else kits like this one."""
        score = score_of(plan, plan.loaded, over.wants)
        for day in over.days:
            most = self._most(plan, over, day, in_play)
            if THERE * score > most.points + 2 * SAME_POINTS:
                return (_cap(over, most),)
        few = few_worth(plan, over.wants, score - SAME_POINTS)
        fixed = {item: n for item, n in plan.loaded.items() if item not in in_play}
        more = {item: n for item, n in in_play.items() if n > plan.loaded.get(item, 0)}
        # Of what is heavy, much together does not help either.
        heavy_first = sorted(more, key=lambda item: -plan.items[item].mass_g)
        helps = self._helping(plan, over, more, heavy_first, THERE * score - SAME_POINTS)
        proved = all(served.proved for served in self._days(plan, over))
        return (KitRefused(standing_in(plan, few, fixed, in_play), helps, proved),)

    def _helping(
        self, plan: Plan, over: _Sort, more: Mapping[str, int], those: Sequence[str], least: float
    ) -> dict[str, int]:
        """Of things that are not in a kit those of which one might let a day be carried, with the pieces that do not;
        of the others all together do not. least: points that a bag has to have."""
        held: dict[str, int] = {}
        helps: dict[str, int] = {}
        todo = [list(those)]
        while todo:
            some = todo.pop()
            with_them = held | {item: more[item] for item in some}
            if some and not self._might(plan, over, with_them, least):
                held = with_them
            elif len(some) == 1:
                helps[some[0]] = plan.loaded.get(some[0], 0)
            elif some:
                middle = len(some) // 2
                todo += [some[middle:], some[:middle]]
        return helps

    def _might(self, plan: Plan, over: _Sort, more: Mapping[str, int], least: float) -> bool:
        """Whether a kit with more pieces of some things could do, room being no matter."""
        # One day on which it does not is enough to tell that it does not.
        day, lightest = over.days[0], min(bags_to_go(plan), key=lambda bag: bag.mass_g)
        able = with_everything(plan, {**plan.loaded, **more}, day)
        tried = (self._most_on(able, day, lightest, person, in_bag=False) for person in self._bearers)
        return any(one.points >= least for one in tried)

    def _most(self, plan: Plan, over: _Sort, day: Day, in_play: Mapping[str, int]) -> MostOut:
        """What nobody can carry more of on a day, in any bag, of everything in play."""
        with self._lock:
            if (known := self._mosts.get(_able_key(plan, day, in_play))) is not None:
                return known
        able = with_everything(plan, {**plan.loaded, **in_play}, day)
        tried = [self._most_on(able, day, bag, person) for bag in bags_to_go(plan) for person in self._bearers]
        found = MostOut(max(one.points for one in tried), all(one.sure for one in tried))
        with self._lock:
            self._mosts[_able_key(plan, day, in_play)] = found
        return found

    def _most_on(self, plan: Plan, day: Day, bag: Bag, person: Person, *, in_bag: bool = True) -> MostOut:
        """The most of a kit that somebody carries well on a day, in a bag or with room being no matter."""
        asked = OneBagAsked(days=(day,), bag=bag, person=person.id, at_least=0)
        return OneBag(plan, asked, self._deadline.soonest(_NONE_S)).most(_well_g(person), in_bag=in_bag)


_Key = tuple[tuple[str, ...], tuple[str, ...]]


def _key(sort: _Sort) -> _Key:
    return tuple(want.id for want in sort.wants), tuple(day.date.isoformat() for day in sort.days)


def _able_key(plan: Plan, day: Day, in_play: Mapping[str, int]) -> tuple[date, Pieces]:
    """The same for kits of one choice: their bags, what stays, and what is in play."""
    return day.date, frozenset({**plan.loaded, **in_play}.items())


def _well_g(person: Person) -> float | None:
    return None if person.carries_well_kg is None else person.carries_well_kg * 1000


def _serves(served: DayServed) -> bool:
    """Whether it is as much as is asked; less where no bag takes more, or no pack lasts longer."""
    return served.score >= THERE * served.whole - SAME_POINTS


def _rank(served: DayServed) -> tuple[bool, float]:
    """Less is better."""
    return not _serves(served), served.carried_g - (served.well_g or float("inf"))


def _cap(over: _Sort, most: MostOut) -> DayCap:
    points = (most.points + 2 * SAME_POINTS) / THERE
    return DayCap(tuple(want.id for want in over.wants), min(100.0, points), most.sure)
