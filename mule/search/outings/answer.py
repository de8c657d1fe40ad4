"""What judging a trip by its days answers with."""

from datetime import date

from mule.analysis.load import PersonLoad
from mule.analysis.walking import DayOnFoot
from mule.base.units import Frozen
from mule.findings.said import Finding
from mule.plan.gear import Group


class WantOut(Frozen):
    """A want on a day. cover: what goes along meets of it, 0 to 1; whole: what all that travels would.

    there: it is met out there as well as it can be with what is on the trip, or nearly (``THERE``).
    """

    want: str
    cover: float
    whole: float
    there: bool


class PacksOut(Frozen):
    """Packs of one type on a day, full in the morning. need_wh: asked; ready_wh: what they give in that cold."""

    type: str
    packs: int
    need_wh: float
    ready_wh: float
    short: bool


class DayBag(Frozen):
    """What goes out of the door on one day, and what it comes to.

    loadout: None where all that travels goes along. named: whether the day says what is shot on it. score: of what is
    shot that day, 0 to 100. lost_gb: pictures for which no card is along. heaviest: who carries most, of what they
    carry well where that is known of everybody; by_group: their grams, by heading; base_g: theirs that are no
    photography and are not in the kit (water, food, clothes). trip_short: types of pack that would be short on this day
    with all packs of the trip, for want of charging. walk: where the day has a goal on foot. findings: what is amiss
    with the bag and would not be with all that travels; without cures.
    """

    date: date
    loadout: str | None
    named: bool
    score: float
    wants: tuple[WantOut, ...]
    packs: tuple[PacksOut, ...]
    lost_gb: float
    people: tuple[PersonLoad, ...]
    heaviest: str | None
    by_group: dict[Group, float]
    base_g: float
    trip_short: tuple[str, ...]
    walk: DayOnFoot | None
    findings: tuple[Finding, ...]


class WantDays(Frozen):
    """One want over the trip. best: cover on the day that meets it best. wanted, there: days that shoot it, and those
    on which what it needs is out there."""

    want: str
    best: float
    wanted: tuple[date, ...]
    there: tuple[date, ...]


class ByDays(Frozen):
    """A trip judged by its days. score: of the brief, each want as the best of its days meets it, 0 to 100; whole: of
    all that travels. outings: days with a bag of their own."""

    days: tuple[DayBag, ...]
    wants: tuple[WantDays, ...]
    score: float
    whole: float
    outings: int
