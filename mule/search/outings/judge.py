"""A trip judged by its days: what is out there on each, and which wants that serves."""

from collections.abc import Iterable, Mapping, Sequence
from datetime import date

from mule.analysis.load import PersonLoad
from mule.analysis.power import TINY_WH
from mule.analysis.storage.stamina import last
from mule.analysis.walking import day_on_foot
from mule.findings import said
from mule.findings.assess import case_of
from mule.findings.cures import new_or_worse
from mule.findings.rules import Case, speak
from mule.findings.said import Finding, MissingLink
from mule.plan import Plan
from mule.plan.gear import Gear, Group
from mule.plan.kit import Kit, Loadout
from mule.plan.places import AsPiece, InBag, PieceKind, Worn
from mule.plan.trip import Day, Trip
from mule.search.outings.answer import ByDays, DayBag, PacksOut, WantDays, WantOut
from mule.search.outings.day import day_plan, loadout_on

# A want is out there where no more than a tenth of what all that travels would see of it is missing (estimate).
THERE = 0.9
# What the rules say of a whole kit and nobody asks of a day's bag: how it flies, what is owned, and what is made up
# once for all days.
NOT_OF_A_DAY = (
    said.AbsentLoaded,
    said.BackTooLate,
    said.BankTooLarge,
    said.BothInOneBag,
    said.CardOld,
    said.ChainOfLinks,
    said.ChargerVolts,
    said.CopiesShort,
    said.CopiesTogether,
    said.GoesBack,
    said.LensChanges,
    said.LostBag,
    said.MedicineHeld,
    said.NotAtSeat,
    said.SeenTwice,
    said.PicturesInOneBag,
    said.PowerThin,
    said.SinglePoint,
    said.ToFetch,
)


def judge_days(plan: Plan) -> ByDays:
    """Each day of the trip with the bag that goes out then, and what the brief comes to by its days.

    A day that no loadout of the open kit names is judged with all that travels. Where days name what they shoot, a want
    counts on those that name it; a day that names nothing shoots what no day names.

    >>> from tests import cast
    >>> made = judge_days(cast.plan([cast.body()], cast.entry("body", cast.ON_INES)))
    >>> [(day.loadout, day.named) for day in made.days], made.outings
    ([(None, False)], 0)
    """
    whole = case_of(plan).view.coverage
    covers = {cover.want: cover.cover for cover in whole.wants}
    short = _trip_short(plan)
    days = tuple(_day(plan, day, covers, short.get(day.date, ())) for day in plan.trip.days)
    wants = tuple(_days_of(plan.trip, want.id, days, covers[want.id]) for want in plan.trip.wants)
    weight = sum(want.importance for want in plan.trip.wants)
    by_days = sum(want.importance * over.best for want, over in zip(plan.trip.wants, wants, strict=True))
    return ByDays(
        days=days,
        wants=wants,
        score=100 * by_days / weight if weight else 0.0,
        whole=whole.score,
        outings=sum(day.loadout is not None for day in days),
    )


def _trip_short(plan: Plan) -> Mapping[date, tuple[str, ...]]:
    """Types of pack that are short on a day although all of the trip's packs are there."""
    return {
        day.date: found
        for day in last(plan).power.days
        if (found := tuple(use.type for use in day.types if use.short and not use.bare))
    }


def bag_of(plan: Plan, day: Day, loadout: Loadout | None) -> tuple[Case, tuple[Finding, ...]]:
    """The facts about what goes out on a day, and what is amiss with that bag alone: with all that travels it would not
    be, or clearly less. loadout: of that day; None for all that travels."""
    case = case_of(day_plan(plan, (day,), loadout))
    if loadout is None:
        return case, ()
    return case, of_the_bag(speak(case), speak(case_of(day_plan(plan, (day,), None))))


def of_the_bag(said: Iterable[Finding], of_all: Iterable[Finding]) -> tuple[Finding, ...]:
    """What is said of a day's bag and is not as true of all that travels. of_all: what is said of that."""
    of_all = tuple(of_all)
    # What is nowhere on the trip is missed by whichever thing is named first.
    nowhere = {(one.what, one.label) for one in of_all if isinstance(one, MissingLink)}
    return tuple(
        one
        for one in new_or_worse(said, of_all)
        if not isinstance(one, NOT_OF_A_DAY) and not (isinstance(one, MissingLink) and (one.what, one.label) in nowhere)
    )


def _day(plan: Plan, day: Day, whole: Mapping[str, float], trip_short: tuple[str, ...]) -> DayBag:
    loadout = loadout_on(plan, day)
    case, findings = bag_of(plan, day, loadout)
    heaviest = _heaviest(plan.trip, case.loads.people)
    return DayBag(
        date=day.date,
        loadout=loadout.id if loadout else None,
        named=day.names_wants,
        score=case.view.coverage.score,
        wants=tuple(want_out(cover.want, cover.cover, whole[cover.want]) for cover in case.view.coverage.wants),
        packs=packs_out(case),
        lost_gb=sum(lived.lost_gb for lived in case.stamina.pictures.days),
        people=case.loads.people,
        heaviest=heaviest.person if heaviest else None,
        by_group=carried_by_group(case.plan.items, case.plan.kit, heaviest.person) if heaviest else {},
        base_g=heaviest.base_g if heaviest else 0.0,
        trip_short=trip_short,
        walk=day_on_foot(case.plan, day, case.loads),
        findings=findings,
    )


def want_out(want: str, cover: float, whole: float) -> WantOut:
    """A want as a bag meets it. whole: as all that travels would."""
    return WantOut(want=want, cover=cover, whole=whole, there=cover >= THERE * whole)


def packs_out(case: Case) -> tuple[PacksOut, ...]:
    """What the hardest of the case's days asks of each type of pack."""
    worst = case.stamina.power.worst
    return tuple(
        PacksOut(
            type=type_.type,
            packs=type_.packs,
            need_wh=worst[type_.type].on.need_wh,
            ready_wh=worst[type_.type].on.ready_wh,
            short=worst[type_.type].on.got_wh < worst[type_.type].on.need_wh - TINY_WH,
        )
        for type_ in case.stamina.power.types
        if type_.type in worst
    )


def _heaviest(trip: Trip, people: Sequence[PersonLoad]) -> PersonLoad | None:
    """Who carries most: as a share of what they carry well, where everybody has said so."""
    well = {person.id: person.carries_well_kg for person in trip.people}
    known = all(well.values())

    def share(load: PersonLoad) -> float:
        most = well[load.person]
        return load.carried_g / most if known and most else load.carried_g

    return max(people, key=share, default=None)


def carried_by_group(gear: Mapping[str, Gear], kit: Kit, person: str) -> dict[Group, float]:
    """Grams of what somebody carries, by heading: without what lies in a bag that rolls or rides."""
    mine = {
        e.item
        for e in kit.entries
        if isinstance(e.place, AsPiece) and e.place.piece != PieceKind.HOLD and e.place.person == person
    }
    worn = {e.item for e in kit.entries if isinstance(e.place, Worn) and e.place.person == person}
    outermost = kit.outermost()
    found: dict[Group, float] = {}
    for entry in kit.entries:
        match entry.place:
            case AsPiece():
                counts = entry.item in mine
            case Worn():
                counts = entry.place.person == person
            case InBag(bag=bag):
                # What lies in something worn is worn.
                counts = outermost[bag] in mine or outermost[bag] in worn
        if counts:
            thing = gear[entry.item]
            found[thing.group] = found.get(thing.group, 0.0) + thing.mass_g * entry.count
    return found


def _days_of(trip: Trip, want: str, days: Sequence[DayBag], whole: float) -> WantDays:
    """One want over the days. whole: its cover by all that travels, which stands where no day shoots it."""
    shot = trip.wants_by_day()
    asked = [day for day in days if want in shot[day.date]]
    on = [(day, out) for day in asked for out in day.wants if out.want == want]
    return WantDays(
        want=want,
        best=max((out.cover for _, out in on), default=whole),
        wanted=tuple(day.date for day in asked),
        there=tuple(day.date for day, out in on if out.there),
    )
