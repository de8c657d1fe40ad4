"""What worker processes do: each job is a value with all that it needs, and tells lines of text.

Nothing here knows Django or the database: a worker on another machine has neither.
"""

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass
from datetime import date
from itertools import count
from typing import Any, ClassVar, Literal, Protocol

from pydantic import TypeAdapter

from mule.analysis.gate import GateCheckPlan, gate_check_plan
from mule.analysis.optics import cover
from mule.base.deadline import Deadline
from mule.findings.cures import look_for_cures
from mule.findings.said import Finding
from mule.findings.shopping import Wanted, shopping_list
from mule.findings.spares import Spare, spares
from mule.packing import Before, PlacingOptions, StowCase, stow
from mule.packing.foam import CaseFit, FoamWish, compare_cases, cut_foam
from mule.packing.placements import USUAL
from mule.plan import Plan
from mule.plan.gear import Bag, Insert
from mule.search.bag_sets import bag_sets
from mule.search.choosing import Asking, Point, standing
from mule.search.outings import OutingAsked, at_base, day_of, light_to_complete, look_for_day_cures, proposals
from mule.search.split import split
from mule.search.suggest import suggest
from server.searching.lines import BagSetLine, ChoiceLine, CureLine, OutingLine, StowLine

# Searches of one lane wait for each other; those of different lanes do not: cures are waited for at every click.
Lane = Literal["long", "short", "click"]
LANES: tuple[Lane, ...] = ("long", "short", "click")
Tell = Callable[[str], None]
ShouldStop = Callable[[], bool]
CASE_FITS = TypeAdapter(list[CaseFit])
SPARES = TypeAdapter(list[Spare])
WANTED = TypeAdapter(list[Wanted])
DRILL = TypeAdapter(list[GateCheckPlan])


class Job(Protocol):
    """A search."""

    @property
    def lane(self) -> Lane:
        """Which others it waits for."""
        ...

    @property
    def plan(self) -> Plan:
        """What it is about; sent in parts that workers remember."""
        ...

    def run(self, tell: Tell, should_stop: ShouldStop) -> None:
        """Searches, and tells each line as it is known."""
        ...


@dataclass(frozen=True)
class Choosing:
    """The best kits, point by point."""

    lane: ClassVar[Lane] = "long"
    plan: Plan
    asking: Asking

    def run(self, tell: Tell, should_stop: ShouldStop) -> None:
        """Tells a ChoiceLine for each point, and one for the whole."""
        told: list[Point] = []

        def take(point: Point) -> None:
            told.append(point)
            tell(ChoiceLine(point=point, standing=standing(told)).written())

        tell(ChoiceLine(choice=suggest(self.plan, self.asking, take, should_stop)).written())


def _tell_cures(findings: Iterable[Finding], tell: Tell, should_stop: ShouldStop) -> None:
    for finding in findings:
        tell(CureLine(finding=finding).written())
    tell(CureLine(whole=not should_stop()).written())


@dataclass(frozen=True)
class Curing:
    """All findings of a plan with their cures."""

    lane: ClassVar[Lane] = "click"
    plan: Plan

    def run(self, tell: Tell, should_stop: ShouldStop) -> None:
        """Tells a CureLine for each finding, and one that says whether these are all."""
        _tell_cures(look_for_cures(self.plan, should_stop), tell, should_stop)


@dataclass(frozen=True)
class CuringDay:
    """What is amiss with the bag of a day, with ways out."""

    lane: ClassVar[Lane] = "click"
    plan: Plan
    on: date

    def run(self, tell: Tell, should_stop: ShouldStop) -> None:
        """Tells a CureLine for each finding, and one that says whether these are all."""
        _tell_cures(look_for_day_cures(self.plan, self.on, should_stop), tell, should_stop)


@dataclass(frozen=True)
class Proposing:
    """Ways to go out on some days; shares: one way, from complete to light."""

    lane: ClassVar[Lane] = "short"
    plan: Plan
    asked: OutingAsked
    shares: bool = False

    def run(self, tell: Tell, should_stop: ShouldStop) -> None:
        """Tells an OutingLine for each way, and one that says whether these are all."""
        found = light_to_complete if self.shares else proposals
        for made in found(self.plan, self.asked, should_stop):
            tell(OutingLine(proposal=made).written())
        tell(OutingLine(whole=not should_stop()).written())


@dataclass(frozen=True)
class SortingBags:
    """Every set of bags that could carry the kit."""

    lane: ClassVar[Lane] = "long"
    plan: Plan
    seconds: float

    def run(self, tell: Tell, should_stop: ShouldStop) -> None:
        """Tells a BagSetLine for each set looked at, and one that says whether these are all."""
        tried = of = 0
        for found in bag_sets(self.plan, self.seconds, should_stop):
            tried, of = found.tried, found.of
            tell(BagSetLine(found=found).written())
        tell(BagSetLine(whole=tried == of).written())


@dataclass(frozen=True)
class Stowing:
    """Where everything lies. seconds: over all bags. before: how it lay."""

    plan: Plan
    seconds: float
    options: PlacingOptions = USUAL
    lane: Lane = "short"
    before: Before | None = None

    def run(self, tell: Tell, should_stop: ShouldStop) -> None:
        """Tells a StowLine for each bag that is done."""
        plan, number = self.plan, count()
        bags = sum(isinstance(plan.items[item], Bag | Insert) for item in plan.loaded)

        def done(line: StowLine) -> None:
            tell(line.written())

        deadline = Deadline(self.seconds, should_stop)
        stow(
            plan.items,
            plan.kit,
            deadline,
            lambda made: done(StowLine(stowage=made, final=next(number) == bags)),
            StowCase(plan.trip.marks.slots, self.before, worth_to_wants(plan)),
            self.options,
        )


def worth_to_wants(plan: Plan) -> Mapping[str, float]:
    """Points that each loaded thing is worth to the wants of a plan."""
    return cover(plan.gear, plan.loaded, plan.trip.wants).worth


@dataclass(frozen=True)
class Answering:
    """A search with a single answer. make: gives it as JSON, from the plan, whether to stop, and ``asked``; a function
    of this module, which workers know by its name."""

    plan: Plan
    make: Callable[..., bytes]
    asked: tuple[Any, ...] = ()
    lane: ClassVar[Lane] = "short"

    def run(self, tell: Tell, should_stop: ShouldStop) -> None:
        """Tells the answer."""
        tell(self.make(self.plan, should_stop, *self.asked).decode())


def shopping(plan: Plan, should_stop: ShouldStop) -> bytes:
    """What is to be bought, hired or borrowed."""
    return WANTED.dump_json(list(shopping_list(plan, should_stop)))


def drill(plan: Plan, should_stop: ShouldStop) -> bytes:
    """Each cabin bag refused at the gate in turn."""
    return DRILL.dump_json(list(gate_check_plan(plan)))


def sharing(plan: Plan, should_stop: ShouldStop, seconds: float) -> bytes:
    """Who carries what."""
    return split(plan, seconds, should_stop).model_dump_json().encode()


def spare_things(plan: Plan, should_stop: ShouldStop) -> bytes:
    """Which one thing more covers most."""
    return SPARES.dump_json(list(spares(plan, should_stop)))


def left_at_base(plan: Plan, should_stop: ShouldStop, on: date) -> bytes:
    """What lies at the base on a day, and what of it the safe takes."""
    return at_base(plan, day_of(plan, on)).model_dump_json().encode()


def foam(plan: Plan, should_stop: ShouldStop, bag: str, wish: FoamWish) -> bytes:
    """A cutting plan for a hard case."""
    return cut_foam(plan.items, plan.kit, bag, wish).model_dump_json().encode()


def cases(plan: Plan, should_stop: ShouldStop, bag: str, wish: FoamWish) -> bytes:
    """The same things in every hard case of the locker."""
    return CASE_FITS.dump_json(list(compare_cases(plan.items, plan.kit, bag, wish)))
