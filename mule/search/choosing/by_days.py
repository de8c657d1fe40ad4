"""What a choice is told of the days of a trip: whether a kit can be carried out day by day, and what that comes to.

The days themselves are judged by whoever asks for the choice (``mule.search.outings.days_carried``).
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Protocol

from ortools.sat.python import cp_model

from mule.base.units import Frozen
from mule.plan.kit import Kit


class DayServed(Frozen):
    """How a kit serves days that ask for the same: the lightest bag out of it that does, in which bag, on whom.

    bag_g: on the bearer, without what is no photography; carried_g: with clothes, water and food. well_g: what the
    bearer carries well, None where nobody said so. score: of what is shot on the days, 0 to 100; whole: of the kit.
    proved: nothing lighter serves as much.
    """

    days: tuple[date, ...]
    bag: str
    person: str
    bag_g: float
    carried_g: float
    well_g: float | None
    score: float
    whole: float
    proved: bool

    @property
    def within(self) -> bool:
        """Whether the bearer carries it well, as far as that is known."""
        return self.well_g is None or self.carried_g <= self.well_g


class DaysServed(Frozen):
    """A kit by its days. heaviest_g: the heaviest of the days' bags, 0 where no day shoots anything."""

    days: tuple[DayServed, ...]
    heaviest_g: float


@dataclass(frozen=True)
class KitRefused:
    """Kits that hold all of ``together`` and no more of anything else than ``but`` cannot be carried out day by day.

    together: pieces by the items that stand in for each other. but: pieces in play beyond which a kit may do, by item.
    proved: no way was overlooked.
    """

    together: Mapping[tuple[str, ...], int]
    but: Mapping[str, int]
    proved: bool

    def keep(self, cp: cp_model.CpModel, pieces: Mapping[str, cp_model.IntVar]) -> cp_model.Constraint:
        """Some of it stays, or something else comes along."""
        ways = []
        for alike, count in self.together.items():
            fewer = cp.new_bool_var("")
            cp.add(sum(pieces[item] for item in alike) <= count - 1).only_enforce_if(fewer)
            ways.append(fewer)
        for item, count in self.but.items():
            more = cp.new_bool_var("")
            cp.add(pieces[item] >= count + 1).only_enforce_if(more)
            ways.append(more)
        return cp.add_bool_or(ways)


@dataclass(frozen=True)
class DayCap:
    """Kits that are worth more than so many points to the wants of a day cannot be carried out on it, whatever is in
    them. points: of these wants, 0 to 100."""

    wants: tuple[str, ...]
    points: float
    proved: bool


class DaysTried(Protocol):
    """Tries kits day by day; asked from several threads."""

    def refused(self, kit: Kit, in_play: Mapping[str, int]) -> Sequence[KitRefused | DayCap]:
        """Why a kit cannot be carried out day by day; nothing when it can.

        in_play: pieces that a kit could hold, of what the choice decides about.
        """
        ...

    def told(self, kit: Kit) -> DaysServed:
        """What a kit comes to, day by day."""
        ...
