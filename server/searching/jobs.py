"""What worker processes do: each job is a value with all that it needs, and tells lines of text.

Nothing here knows Django or the database: a worker on another machine has neither.
"""

from collections.abc import Callable, Iterable
from dataclasses import dataclass
from itertools import count
from typing import ClassVar, Literal, Protocol

from pydantic import TypeAdapter

from mule.choosing import Asking, choose
from mule.cures import look_for_cures
from mule.deadline import Deadline
from mule.gear import Bag, Insert
from mule.packing import PlacingOptions, stow
from mule.packing.foam import CaseFit, FoamWish, compare_cases, cut_foam
from mule.packing.placements import USUAL
from mule.plan import Plan
from mule.shopping import Wanted, shopping_list
from server.searching.lines import ChoiceLine, CureLine, StowLine

# Searches of one lane wait for each other; those of different lanes do not: cures are waited for at every click.
Lane = Literal["long", "short", "click"]
LANES: tuple[Lane, ...] = ("long", "short", "click")
Tell = Callable[[str], None]
ShouldStop = Callable[[], bool]
CASE_FITS = TypeAdapter(list[CaseFit])
WANTED = TypeAdapter(list[Wanted])


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
        whole = choose(self.plan, self.asking, lambda point: tell(ChoiceLine(point=point).written()), should_stop)
        tell(ChoiceLine(choice=whole).written())


@dataclass(frozen=True)
class Curing:
    """All findings of a plan with their cures."""

    lane: ClassVar[Lane] = "click"
    plan: Plan

    def run(self, tell: Tell, should_stop: ShouldStop) -> None:
        """Tells a CureLine for each finding, and one that says whether these are all."""
        for finding in look_for_cures(self.plan, should_stop):
            tell(CureLine(finding=finding).written())
        tell(CureLine(whole=not should_stop()).written())


@dataclass(frozen=True)
class Stowing:
    """Where everything lies. seconds: over all bags."""

    plan: Plan
    seconds: float
    options: PlacingOptions = USUAL
    lane: Lane = "short"

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
            plan.trip.marks.slots,
            self.options,
        )


@dataclass(frozen=True)
class Shopping:
    """What is to be bought, hired or borrowed."""

    plan: Plan
    lane: ClassVar[Lane] = "short"

    def run(self, tell: Tell, should_stop: ShouldStop) -> None:
        """Tells a list of Wanted."""
        tell(WANTED.dump_json(list(shopping_list(self.plan, should_stop))).decode())


@dataclass(frozen=True)
class CuttingFoam:
    """A cutting plan for a hard case."""

    lane: ClassVar[Lane] = "short"
    plan: Plan
    bag: str
    wish: FoamWish

    def run(self, tell: Tell, should_stop: ShouldStop) -> None:
        """Tells a Foam."""
        tell(cut_foam(self.plan.items, self.plan.kit, self.bag, self.wish).model_dump_json())


@dataclass(frozen=True)
class TryingCases:
    """The same things in every hard case of the locker."""

    lane: ClassVar[Lane] = "short"
    plan: Plan
    bag: str
    wish: FoamWish

    def run(self, tell: Tell, should_stop: ShouldStop) -> None:
        """Tells a list of CaseFits."""
        fits: Iterable[CaseFit] = compare_cases(self.plan.items, self.plan.kit, self.bag, self.wish)
        tell(CASE_FITS.dump_json(list(fits)).decode())
