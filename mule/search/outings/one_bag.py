"""What goes into one bag on a day out: the lightest kit of so many points, in the bag or with room being no matter."""

from typing import Literal, NamedTuple

from mule.analysis.load import weigh
from mule.base.deadline import Deadline
from mule.base.units import Frozen
from mule.packing import left_in
from mule.plan import Plan
from mule.plan.gear import Bag, Body, Tripod, holds_still, twins
from mule.plan.kit import Entry, Kit
from mule.plan.places import Worn
from mule.plan.trip import Day, Marks, Policies
from mule.search.choosing import Asking, Point, choose
from mule.search.outings.along import goes_along, strappable, strapped
from mule.search.outings.day import plan_out, wanted_on

Way = Literal["any", "one-zoom", "two-bodies", "hand-held"]
# Points of brief nearer than this are the same: rounding takes up to a millionth of a point per thing and want.
SAME_POINTS = 1e-3
# Time for one bag to be packed once more, with all that goes along in any case.
_BAG_S = 1.0


class OneBagAsked(Frozen):
    """days: for which the one bag is. bag, person: which on whom. at_least: points. way: what is asked beside."""

    days: tuple[Day, ...]
    bag: Bag
    person: str
    at_least: float
    way: Way = "any"


class MostOut(NamedTuple):
    """points: no bag is worth more to what is shot. sure: it lasts, too; what does not may be lighter without packs."""

    points: float
    sure: bool


class PackedBag(Frozen):
    """A kit found for one bag, with what finds no place in it. serves: whether it serves as much as any bag could."""

    bag: str
    kit: Kit
    score: float
    carried_g: float
    serves: bool
    proved: bool
    left: dict[str, int]

    @property
    def whole(self) -> bool:
        """Whether it is all that was asked."""
        return self.serves and not self.left

    def along(self, item: str) -> int:
        """Pieces of a thing that go along."""
        return self.kit.loaded().get(item, 0)

    @property
    def rank(self) -> tuple[float, ...]:
        """Less is better: what goes in, then what serves, then what is light."""
        return sum(self.left.values()), not self.serves, 0.0 if self.serves else -self.score, self.carried_g


class OneBag:
    """Searches what goes into one bag."""

    def __init__(self, plan: Plan, asked: OneBagAsked, deadline: Deadline) -> None:
        """plan: whose open kit is all that travels."""
        bag, days = asked.bag, asked.days
        self._bag, self._deadline = bag, deadline
        self._legs = strappable(plan, bag)
        kit = goes_along(plan, days, bag, asked.person)
        # Legs that a strap takes have a place beside the bag, which the search knows as being worn.
        steady = any(want.steady for want in wanted_on(plan.trip, days))
        hung = tuple(Entry(item=t.id, place=Worn(person=asked.person)) for t in self._legs if steady)
        out = plan_out(plan, days, kit.model_copy(update={"entries": (*kit.entries, *hung)}))
        self._plan = in_way(out, plan, asked.way)
        self._bearer = next(person for person in out.trip.people if person.id == asked.person)
        # Whether every search came to its end.
        self.settled = True
        self.at_least = max(0.0, asked.at_least - SAME_POINTS)

    def run(self, *, in_bag: bool) -> Point | None:
        """The lightest kit that serves as much, in the bag or with room being no matter."""
        asking = Asking(
            points=1,
            workers=1,
            at_least=self.at_least,
            keep_limits=in_bag,
            seconds=max(1e-6, self._deadline.left_s),
        )
        made = choose(self._plan, asking, should_stop=lambda: self._deadline.asked_to_stop)
        self.settled = self.settled and (bool(made.points) or not made.stopped)
        return made.points[0] if made.points else None

    def most(self, well_g: float | None, *, in_bag: bool = True) -> MostOut:
        """The most that the bearer can carry of it within so many grams, in the bag or with room being no matter."""
        loads = weigh(self._plan.items, self._plan.kit, self._plan.trip.people)
        others_g = sum(load.carried_g - load.base_g for load in loads.people if load.person != self._bearer.id)
        base_g = sum(load.mass_g for load in self._bearer.base_load)
        if well_g is None:
            return MostOut(100.0, sure=True)
        asking = Asking(
            points=1,
            workers=1,
            limit_g=max(0.0, well_g - base_g + others_g),
            keep_limits=in_bag,
            seconds=max(1e-6, self._deadline.left_s),
        )
        made = choose(self._plan, asking, should_stop=lambda: self._deadline.asked_to_stop)
        if not made.points:
            # Under so low a limit nothing takes a picture, or time was up.
            return MostOut(0.0 if made.conflict else 100.0, sure=True)
        point = made.points[0]
        return MostOut(point.bound, sure=min(point.power_days, point.card_days) >= point.days)

    def packed(self, points: float) -> PackedBag | None:
        """The same, with legs on the outside and everything else packed and proved. points: that serve as much as any
        bag could."""
        point = self.run(in_bag=True)
        if point is None:
            return None
        kit = strapped(point.kit, self._legs, self._bag)
        left, _ = left_in(self._plan.items, kit, self._bag.id, self._deadline.grant(_BAG_S), workers=1)
        return PackedBag(
            bag=self._bag.id,
            kit=kit,
            score=point.score,
            carried_g=point.carried_g,
            serves=point.score >= points,
            proved=point.proved,
            left=left,
        )


def in_way(plan: Plan, of: Plan, way: Way) -> Plan:
    """The plan with what a way asks, and nobody's back as a limit: what is too heavy is told, not cut off."""
    policies = Policies()
    leave: tuple[str, ...] = ()
    match way:
        case "one-zoom":
            policies = Policies(lenses="one-zoom")
        case "two-bodies":
            policies = Policies(second_body=pair_of(of) or "any")
        case "hand-held":
            leave = tuple(thing.id for thing in plan.gear if holds_still(thing) or isinstance(thing, Tripod))
    people = tuple(person.model_copy(update={"carries_well_kg": None}) for person in plan.trip.people)
    marks = Marks(must_leave=leave)
    return plan.with_trip(plan.trip.model_copy(update={"policies": policies, "marks": marks, "people": people}))


def pair_of(plan: Plan) -> Literal["twin", "specialist"] | None:
    """What two bodies that are along are to each other; None where there are not two."""
    bodies = [t for i in plan.loaded if isinstance(t := plan.items[i], Body) and t.mount]
    if any(plan.loaded[body.id] > 1 for body in bodies):
        return "twin"
    return None if len(bodies) < 2 else "twin" if twins(bodies[0], bodies[1]) else "specialist"
