"""Ways out of what is amiss with a day's bag: of what lies at the base, tried like any cure; and what a click does."""

from collections.abc import Callable, Iterable, Iterator
from datetime import date

from mule.analysis.loadouts import find
from mule.base.errors import InvalidInput, Problem
from mule.findings.codes import NoWay
from mule.findings.cures import look_for_cures
from mule.findings.said import Finding
from mule.plan import Plan
from mule.plan.editing import apply
from mule.plan.edits import Edit
from mule.plan.kit import Entry, Loadout
from mule.plan.trip import Day
from mule.search.outings.day import day_plan, loadout_on
from mule.search.outings.judge import bag_of


def day_of(plan: Plan, on: date) -> Day:
    """A day of the trip. Raises InvalidInput where it is none."""
    found = next((day for day in plan.trip.days if day.date == on), None)
    if found is None:
        raise InvalidInput([Problem("date", on.isoformat(), "must be a day of the trip")])
    return found


def look_for_day_cures(plan: Plan, on: date, should_stop: Callable[[], bool] = lambda: False) -> Iterator[Finding]:
    """What is amiss with the bag of a day and would not be with all that travels, each with its cures as soon as they
    are known. Nothing has to be got: it is the morning, and what is on the trip is all there is.

    should_stop: asked often; then nothing more is told. Raises InvalidInput for a day that is not of the trip.

    >>> from tests import cast
    >>> plan = cast.plan([cast.body()], cast.entry("body", cast.ON_INES))
    >>> list(look_for_day_cures(plan, plan.trip.days[0].date))
    []
    """
    day = day_of(plan, on)
    loadout = loadout_on(plan, day)
    if loadout is None:
        return
    _, findings = bag_of(plan, day, loadout)
    amiss = {finding.subject() for finding in findings}
    for found in look_for_cures(day_plan(plan, (day,), loadout), should_stop, lambda one: one.subject() in amiss):
        here = tuple(cure for cure in found.cures if not cure.gets)
        why = NoWay.NONE if found.cures and not here else found.why
        yield found.model_copy(update={"cures": here, "why": why})


def with_edits(plan: Plan, loadout: str, edits: Iterable[Edit]) -> Loadout:
    """A loadout of the open kit after these edits, done on what it carries. Raises InvalidInput when one of them cannot
    be done.

    What it names and the kit does not hold now stays named: it is back with the kit.
    """
    named = find(plan.kit, loadout)
    before = day_plan(plan, (), named)
    after = apply(before, edits).kit
    places = {(entry.item, entry.place) for entry in (*before.kit.entries, *after.entries)}
    away = (e for e in named.entries if (e.item, e.place) not in places)
    return named.model_copy(update={"entries": (*after.entries, *_of_what_stays(away, after.loaded()))})


def _of_what_stays(entries: Iterable[Entry], loaded: dict[str, int]) -> Iterator[Entry]:
    """Entries of things that went along nowhere: their bag stays at the base, or they are not in the kit now."""
    return (entry for entry in entries if entry.item not in loaded)
