"""Proposed outings: the lightest bag, of what is on the trip, that serves a day as well as all of it would.

Bags are tried from the lightest: what goes along beside the bag weighs at the least what it would if room were no
matter, so once a bag and that weigh no less than what was found, no heavier bag can be better. See
docs/algorithms/outings.md.
"""

from collections.abc import Callable, Iterator, Sequence
from datetime import date

from pydantic import Field

from mule.analysis.load import PersonLoad
from mule.analysis.optics import table_of
from mule.base.deadline import Deadline
from mule.base.errors import InvalidInput, Problem
from mule.base.units import Frozen, ItemId, Number
from mule.findings.assess import case_of
from mule.findings.rules import speak
from mule.findings.said import Finding
from mule.plan import Plan
from mule.plan.editing import apply
from mule.plan.edits import Load
from mule.plan.gear import Bag, Battery, holds_still
from mule.plan.kit import Kit
from mule.plan.places import Worn
from mule.plan.trip import Day
from mule.search.outings.along import bags_to_go
from mule.search.outings.answer import PacksOut, WantOut
from mule.search.outings.day import plan_out, wanted_on
from mule.search.outings.judge import of_the_bag, packs_out, want_out
from mule.search.outings.one_bag import SAME_POINTS, OneBag, OneBagAsked, PackedBag, Way, pair_of

# Time for one bag, as long as there are heavier ones to try.
_EACH_BAG_S = 2.0
# Grams nearer than this are the same.
_SAME_G = 0.05


class OutingAsked(Frozen):
    """What is to be proposed. days: for which the one bag is. person: who carries it. bag: a certain one, or whichever
    is lightest. share: of what all that travels would serve, 0 to 1. way: what is asked of it beside. seconds: time."""

    days: tuple[date, ...] = Field(min_length=1, max_length=400)
    person: ItemId
    bag: ItemId | None = None
    share: Number = Field(default=1, gt=0, le=1)
    way: Way = "any"
    seconds: Number = Field(default=20, ge=1e-6, le=600)


class ProposedOuting(Frozen):
    """One way to go out. kit: what goes along, and where it lies. carried_g: what the bearer has with the bag, without
    what is no photography (water, food, clothes of the person).

    score: of what is shot on the days, 0 to 100; whole_score: of all that travels. proved: nothing lighter serves as
    much in any bag. left: pieces that found no place. findings: what is amiss with it and would not be with all that
    travels.
    """

    way: Way
    share: float
    bag: str
    person: str
    kit: Kit
    carried_g: float
    score: float
    whole_score: float
    proved: bool
    left: dict[str, int]
    wants: tuple[WantOut, ...]
    packs: tuple[PacksOut, ...]
    lost_gb: float
    people: tuple[PersonLoad, ...]
    findings: tuple[Finding, ...]


def propose(plan: Plan, asked: OutingAsked, should_stop: Callable[[], bool] | None = None) -> ProposedOuting | None:
    """The lightest bag for these days; None where no way of the sort takes a picture, or no bag takes it in time.

    Raises InvalidInput for days that are not of the trip, an unknown person or bag, and a kit without a bag to carry.

    >>> from tests import cast
    >>> gear = [cast.bag(), cast.body(), cast.normal_zoom(), cast.tele_zoom()]
    >>> loaded = [cast.entry("bag", cast.INES_CABIN), *(cast.entry(t.id) for t in gear[1:])]
    >>> plan = cast.plan(gear, *loaded, wants=(cast.want("near", 24, 70),))
    >>> made = propose(plan, OutingAsked(days=(plan.trip.days[0].date,), person="ines"))
    >>> sorted(made.kit.loaded()), made.score == made.whole_score, made.proved
    (['bag', 'body', 'normal'], True, True)
    """
    days = _days(plan, asked)
    bags = _bags(plan, asked)
    wants = wanted_on(plan.trip, days)
    whole = table_of([plan.items[i] for i in plan.loaded], plan.loaded, wants)
    at_least = asked.share * whole.score()
    one_bag = OneBagAsked(days=days, bag=bags[0], person=asked.person, at_least=at_least, way=asked.way)
    deadline = Deadline(asked.seconds, should_stop)
    best: PackedBag | None = None
    least_g: float | None = None
    asked_points, sure = 0.0, True
    for bag in bags:
        if best is not None and best.whole and least_g is not None and bag.mass_g + least_g >= best.carried_g - _SAME_G:
            break
        # A bag that is too small may take long to show it: others are to have their time.
        seconds = deadline.left_s if bag is bags[-1] else min(_EACH_BAG_S, deadline.left_s)
        search = OneBag(plan, one_bag.model_copy(update={"bag": bag}), deadline.soonest(seconds))
        if least_g is None:
            free = search.run(in_bag=False)
            if free is None:
                return None
            sure = sure and free.proved
            least_g = free.carried_g - bag.mass_g
            asked_points = min(search.at_least, free.score) - SAME_POINTS
        found = search.packed(asked_points)
        # What was given up for want of time in one bag may have been lighter than what is found in another.
        sure = sure and search.settled and (found is None or found.proved)
        if found is not None and (best is None or found.rank < best.rank):
            best = found
        if deadline.stopped:
            sure = False
            break
    if best is None:
        return None
    return _judged(plan, asked, days, _with_every_pack(plan, days, best, asked.person), whole_proved=sure)


def ways_of(plan: Plan, asked: OutingAsked) -> tuple[Way, ...]:
    """The ways worth a look beside the lightest: with one zoom, with two bodies, with nothing that is set up."""
    things = [plan.items[item] for item in plan.loaded]
    legs = any(holds_still(t) for t in things)
    steady = any(want.steady for want in wanted_on(plan.trip, _days(plan, asked)))
    two = pair_of(plan) is not None
    return ("any", "one-zoom", *(("two-bodies",) if two else ()), *(("hand-held",) if legs and steady else ()))


def _days(plan: Plan, asked: OutingAsked) -> tuple[Day, ...]:
    known = {day.date: day for day in plan.trip.days}
    for index, wanted in enumerate(asked.days):
        if wanted not in known:
            raise InvalidInput([Problem(f"days.{index}", wanted.isoformat(), "must be a day of the trip")])
    if not any(person.id == asked.person for person in plan.trip.people):
        raise InvalidInput([Problem("person", asked.person, "must be one of the trip’s people")])
    return tuple(day for day in plan.trip.days if day.date in set(asked.days))


def _bags(plan: Plan, asked: OutingAsked) -> Sequence[Bag]:
    bags = bags_to_go(plan)
    if asked.bag is not None:
        bags = tuple(bag for bag in bags if bag.id == asked.bag)
    if not bags:
        raise InvalidInput([Problem("bag", asked.bag or "", "load a bag that can be carried on foot")])
    return bags


def _with_every_pack(plan: Plan, days: tuple[Day, ...], found: PackedBag, person: str) -> PackedBag:
    """Where no number of packs on the trip lasts the day, all of them go along, in a pocket: so it lasts longest."""
    out = plan_out(plan, days, found.kit)
    short = {packs.type for packs in packs_out(case_of(out)) if packs.short}
    more = [
        Load(item=thing.id, count=left, place=Worn(person=person))
        for thing in out.gear
        if isinstance(thing, Battery) and thing.battery_type in short and (left := thing.count - found.along(thing.id))
    ]
    if not more:
        return found
    grams = sum(out.items[edit.item].mass_g * edit.count for edit in more)
    kit = apply(out, more).kit
    return found.model_copy(update={"kit": kit, "carried_g": found.carried_g + grams, "proved": False})


def _judged(
    plan: Plan, asked: OutingAsked, days: tuple[Day, ...], found: PackedBag, *, whole_proved: bool
) -> ProposedOuting:
    """Asked everything anew by the parts that answer for a kit."""
    case = case_of(plan_out(plan, days, found.kit))
    every = case_of(plan_out(plan, days, plan.kit))
    covers = {cover.want: cover.cover for cover in every.view.coverage.wants}
    return ProposedOuting(
        way=asked.way,
        share=asked.share,
        bag=found.bag,
        person=asked.person,
        kit=case.plan.kit,
        carried_g=next(p.carried_g - p.base_g for p in case.loads.people if p.person == asked.person),
        score=case.view.coverage.score,
        whole_score=every.view.coverage.score,
        proved=found.proved and whole_proved and not found.left,
        left=found.left,
        wants=tuple(want_out(cover.want, cover.cover, covers[cover.want]) for cover in case.view.coverage.wants),
        packs=packs_out(case),
        lost_gb=sum(lived.lost_gb for lived in case.stamina.pictures.days),
        people=case.loads.people,
        findings=of_the_bag(speak(case), speak(every)),
    )


def proposals(
    plan: Plan, asked: OutingAsked, should_stop: Callable[[], bool] | None = None
) -> Iterator[ProposedOuting]:
    """Each way as it is found, the lightest first; what is the same kit as one before is not told again."""
    known: list[dict[str, int]] = []
    for way in ways_of(plan, asked):
        made = propose(plan, asked.model_copy(update={"way": way}), should_stop)
        if made is not None and (loaded := made.kit.loaded()) not in known:
            known.append(loaded)
            yield made
