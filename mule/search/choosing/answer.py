"""What ``choose`` is asked and what it answers with."""

from typing import Literal

from pydantic import Field

from mule.base.units import Flag, Frozen, ItemId, Number
from mule.plan.kit import Kit
from mule.search.choosing.above import AboveCurve
from mule.search.choosing.by_days import DaysServed
from mule.search.choosing.reasons import Reason


class Asking(Frozen):
    """What to choose.

    limit_g: most grams carried, None for no limit of one's own. points: of the trade curve; 1 asks for the best alone.
    keep_limits: whether what carriers and backs allow is kept to (the size of bags is never changed). seconds: time for
    the whole search; what is found by then comes with its bound. others: whether things that could be rented or
    borrowed are in play. may_leave: things that it does not decide about and need not keep, either. workers: threads
    that search side by side. at_least: points of brief that the one kit that is asked for then is to have, the lightest
    that has them; where none has so many, the lightest of the best. by_days: only kits that can be carried out day by
    day, within what each person carries well. open_bags: whether the bags are a part of the choice, too.
    """

    limit_g: Number | None = Field(default=None, ge=0, le=200_000)
    points: int = Field(default=20, ge=1, le=60, strict=True)
    keep_limits: Flag = True
    seconds: Number = Field(default=60, ge=1e-6, le=600)
    others: Flag = False
    may_leave: tuple[ItemId, ...] = Field(default=(), max_length=5_000)
    workers: int = Field(default=2, ge=1, le=8, strict=True)
    at_least: Number | None = Field(default=None, ge=0, le=100)
    by_days: Flag = False
    open_bags: Flag = False


class Point(Frozen):
    """One kit of the trade curve.

    limit_g: grams it was sought under; carried_g: what it carries (cabin, under the seat and worn). score: brief score
    of ``assess``, 0 to 100. bound: what no kit under the limit exceeds. steady: share of the brief that bears any
    single loss. proved: no kit that obeys the marks and lasts scores more within that mass. power_days,
    card_days: of ``days``, those that packs and cards carry before the first short one, by the simulation. stowed: it
    was packed by trial, which is done when limits are kept to. left: pieces that found no place then, by item; those
    without one whatever is chosen are not counted. provisional: a first answer by greed, left out of the whole one.
    by_days: the kit day by day, where that was asked for.
    """

    kit: Kit
    limit_g: float
    carried_g: float
    score: float
    bound: float
    steady: float
    proved: bool
    days: int
    power_days: int
    card_days: int
    stowed: bool
    left: dict[str, int] = Field(default={})
    provisional: bool = False
    by_days: DaysServed | None = None


class Line(Frozen):
    """A limit drawn into the curve: grams carried at which a leg refuses or a back has had enough."""

    what: Literal["leg", "share", "carries-well"]
    ref: str
    carried_g: float
    share: float | None = None


class KeptThing(Frozen):
    """Something that stays in any case, because the choice does not decide about it. mass_g: of all its pieces.

    carried: it counts in what is carried; hold bags do not. safe: it keeps people safe, and never is to be left.
    """

    item: str
    count: int
    mass_g: float
    carried: bool
    safe: bool


class OwnKit(Frozen):
    """A kit of the user against the curve. above: it scores more than any point of no more mass; why: everything that
    could have let it."""

    kit: str
    carried_g: float
    score: float
    above: bool
    why: tuple[AboveCurve, ...]


class Choice(Frozen):
    """The whole answer. conflict: the smallest set of demands that cannot hold together; empty when there is a kit.

    kept: what every point holds because it is not decided about. own: the kits of the trip against the curve. lines:
    limits to draw in. stopped: the search was stopped or ran out of time.
    """

    points: tuple[Point, ...]
    conflict: tuple[Reason, ...]
    lines: tuple[Line, ...]
    kept: tuple[KeptThing, ...]
    own: tuple[OwnKit, ...]
    stopped: bool
