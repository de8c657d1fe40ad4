"""The kit and the bags in one: for each score of the curve the lightest kit that has it, in whichever bags.

Without room being a matter, a curve says what a score weighs at the least beside the bags. That kit in the lightest
bags that take it is a first answer. Then lighter bags are tried with whatever kit has the score: once empty bags and
the least weigh as much as what was found, no heavier bags can be better. See docs/algorithms/bag-sets.md.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, field

from mule.analysis.gate import check_legs
from mule.analysis.load import weigh
from mule.base.deadline import Deadline
from mule.plan import Plan
from mule.plan.kit import Kit
from mule.search.bag_sets.choices import Bags, Owned, checked_sets, sets_of
from mule.search.bag_sets.sharing_out import SharingOut, items_of, staying_in
from mule.search.bag_sets.trying import SetTrials
from mule.search.choosing import Asking, Choice, DaysTried, Point, choose, kept_things, standing

# Points of brief nearer than this are the same: rounding takes up to a millionth of a point per thing and want.
_SAME_POINTS = 1e-3
# Grams nearer than this are the same.
_SAME_G = 0.05
# Share of the time for the curve without room; time for one set of bags.
_FREE, _EACH_S = 0.4, 5.0


@dataclass
class _Set:
    """A set of bags. plan: with what stays in any case in them, None where that does not go in or a leg refuses them;
    fails_at: a score of which no kit goes in, as far as is known. sure: whether either was proved."""

    bags: Bags
    empty_g: float
    plan: Plan | None = None
    looked: bool = False
    fails_at: float = 101.0
    sure: bool = True


@dataclass
class _Search:
    """curve: of kits without room being a matter."""

    plan: Plan
    asking: Asking
    deadline: Deadline
    days: DaysTried | None
    curve: Sequence[Point]
    sets: list[_Set] = field(init=False)

    def __post_init__(self) -> None:
        (checked, *_) = checked_sets(self.plan)
        found = [_Set(bags, empty_g(self.plan, bags)) for bags in sets_of(self.plan, (checked,))]
        self.sets = sorted(found, key=lambda one: (one.empty_g, one.bags.key))
        self._kept = {kept.item for kept in kept_things(self.plan, self.asking)}
        # By grams beside the bags: limits that points of the curve were sought under, and what none exceeds there.
        self._bounds = [(p.limit_g - _bags_g(self.plan, p.kit), p.bound) for p in self.curve]

    def first(self, level: Point, begin: int) -> tuple[int, Point | None]:
        """The very kit of a level in the lightest bags that take it, from some set on; and which set that is."""
        trials = SetTrials(self.plan.with_kit(level.kit), self.deadline)
        for number, one in enumerate(self.sets[begin:], start=begin):
            if self.deadline.stopped:
                break
            made = trials.packed(one.bags, 0, lambda made: False) if self._filled(one) else None
            if made is None or (self.asking.keep_limits and made.refused):
                continue
            point = self._point(level, made.kit, one)
            over = self.asking.limit_g is not None and point.carried_g > self.asking.limit_g
            if not over and not (self.days and self.days.refused(made.kit, {})):
                days = self.days.told(made.kit) if self.days else None
                return number, point.model_copy(update={"by_days": days})
        return begin, None

    def _point(self, level: Point, kit: Kit, one: _Set) -> Point:
        carried_g = _beside_bags(self.plan, level) + one.empty_g
        things_g = carried_g - self.sets[0].empty_g
        # What weighs no more beside bags can be worth no more than the curve at that mass.
        beyond = [bound for limit_g, bound in self._bounds if limit_g >= things_g]
        return level.model_copy(
            update={
                "kit": kit,
                "carried_g": carried_g,
                "limit_g": carried_g,
                "bound": max(level.score, min(beyond, default=100.0)),
                "proved": False,
                "stowed": self.asking.keep_limits,
            }
        )

    def lightest(self, level: Point, best: Point | None) -> Point | None:
        """The lightest kit as good as a level in any bags. best: one that is known."""
        things_g, sure = _beside_bags(self.plan, level), level.proved
        for one in self.sets:
            if best is not None and one.empty_g + things_g >= best.carried_g - _SAME_G:
                break
            if self.deadline.stopped:
                sure = False
                break
            if one.fails_at <= level.score + _SAME_POINTS:
                sure = sure and one.sure
                continue
            point, settled = self._in(one, level.score, best.carried_g if best else None)
            sure = sure and settled
            if point is not None:
                best = point
        return best and best.model_copy(update={"proved": sure, "bound": best.score if sure else best.bound})

    def _in(self, one: _Set, at_least: float, under_g: float | None) -> tuple[Point | None, bool]:
        """The lightest kit of so many points in one set of bags, and whether there is no lighter one."""
        plan = self._filled(one)
        if plan is None:
            return None, one.sure
        limits = [g for g in (self.asking.limit_g, under_g and under_g - _SAME_G) if g is not None]
        asking = self.asking.model_copy(
            update={
                "points": 1,
                "at_least": max(0.0, at_least - _SAME_POINTS),
                "limit_g": max(0.0, min(limits)) if limits else None,
                "seconds": max(1e-6, min(_EACH_S, self.deadline.left_s)),
            }
        )
        made = choose(plan, asking, should_stop=lambda: self.deadline.asked_to_stop, days=self.days, or_best=False)
        point = made.points[0] if made.points else None
        if point is not None and not point.left and point.score >= at_least - 2 * _SAME_POINTS:
            return point, point.proved
        if under_g is None:
            one.fails_at, one.sure = at_least, not made.stopped
        return None, not made.stopped

    def _filled(self, one: _Set) -> Plan | None:
        """The plan with what stays in any case in a set of bags."""
        if not one.looked:
            one.looked = True
            one.plan, one.sure = self._with(one.bags)
        return one.plan

    def _with(self, bags: Bags) -> tuple[Plan | None, bool]:
        """None where that does not go in, and whether that is so for sure."""
        now = Owned(self.plan)
        stays = self._kept | set(now.now) | set(now.inserts_now)
        staying = tuple(e for e in self.plan.kit.entries if e.item in stays)
        plan = self.plan.with_kit(self.plan.kit.model_copy(update={"entries": staying}))
        made = SharingOut(plan, bags, items_of(plan), staying_in(plan)).kit(self.deadline)
        if made is None:
            return None, False
        kit, left, settled = made
        if left:
            return None, settled
        plan = plan.with_kit(kit)
        legs = check_legs(plan, weigh(plan.items, plan.kit, plan.trip.people))
        # What goes in weighs more: mass is asked of the whole kit.
        sizes = any(not check.passes for leg in legs for check in leg.checks if check.limit not in ("mass", "together"))
        return (None if sizes and self.asking.keep_limits else plan), True


def empty_g(plan: Plan, bags: Bags) -> float:
    """Grams of carried bags and their inserts with nothing in them."""
    carried = bags.carried()
    names = (*carried, *(insert for insert, bag in bags.inserts.items() if bag in carried))
    return sum(plan.items[name].mass_g for name in names)


def _bags_g(plan: Plan, kit: Kit) -> float:
    owned = Owned(plan.with_kit(kit))
    return empty_g(plan, Bags(owned.now, owned.inserts_now))


def _beside_bags(plan: Plan, point: Point) -> float:
    """Grams carried in a kit beside its bags, which were its own or, where it had none, chosen with it."""
    return point.carried_g - _bags_g(plan, point.kit)


def choose_with_bags(
    plan: Plan,
    asking: Asking,
    on_point: Callable[[Point], None] = lambda point: None,
    should_stop: Callable[[], bool] | None = None,
    days: DaysTried | None = None,
) -> Choice:
    """The best kits for a plan's brief, each in the bags in which it is lightest; from light to complete.

    What stays in any case is shared out anew over each set of bags; checked bags stay as they are. Raises InvalidInput
    as ``choose`` does.

    >>> from tests import cast
    >>> gear = [cast.bag(), cast.bag("light", mass_g=900), cast.body(), cast.normal_zoom()]
    >>> plan = cast.plan(gear, cast.entry("bag", cast.INES_CABIN))
    >>> [sorted(point.kit.loaded()) for point in choose_with_bags(plan, Asking(points=2)).points]
    [['body', 'light', 'normal']]
    """
    deadline = Deadline(asking.seconds, should_stop)
    free = asking.model_copy(update={"keep_limits": False, "seconds": max(1e-6, _FREE * asking.seconds)})
    curve = choose(plan, free, should_stop=should_stop)
    if curve.conflict:
        return curve
    search = _Search(plan, asking, deadline, days, curve.points)
    found = _searched(search, on_point)
    ended = not curve.stopped and not deadline.stopped and all(point.proved for point in found)
    return curve.model_copy(update={"points": found, "own": (), "stopped": not ended})


def _searched(search: _Search, on_point: Callable[[Point], None]) -> tuple[Point, ...]:
    """First answers for all levels, then better ones and proofs, from light to complete."""
    firsts: list[Point | None] = []
    begin = 0
    for level in search.curve:
        # What did not take a kit hardly takes a larger one.
        begin, made = search.first(level, begin)
        firsts.append(made)
        if made is not None:
            on_point(made)
    found: list[Point] = []
    for level, first in zip(search.curve, firsts, strict=True):
        made = search.lightest(level, first)
        if made is not None:
            if made != first:
                on_point(made)
            found.append(made)
    return tuple(found[number] for number in standing(found))
