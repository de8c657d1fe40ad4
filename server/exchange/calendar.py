"""Dates to keep: what to charge, fetch, copy and bring back, for any calendar (RFC 5545)."""

from datetime import UTC, date, datetime, timedelta

from icalendar import Alarm, Calendar, Event

from mule.analysis.load import weigh
from mule.analysis.walking import day_on_foot
from mule.plan import Plan
from mule.plan.gear import AbsenceReason, Gear, Standing
from mule.plan.trip import Day
from mule.search.outings import day_plan, loadout_on
from mule.trail.packout import PackOut
from server.exchange.words import clock_of, task_head, task_things

# How long before it is time somebody is told.
_BEFORE = timedelta(minutes=15)
ON_FOOT = (
    "By Naismith’s rule: general guidance. Weather service, avalanche bulletin, tides, local rules and trained guides "
    "decide. Tell someone your route."
)


def calendar_of(plan: Plan, made: PackOut) -> bytes:
    """Tasks before leaving, each day with its copies and charging at night, and hired things to return."""
    out = Calendar()
    out.add("prodid", "-//Narrow Mule//plan//EN")
    out.add("version", "2.0")
    out.add("x-wr-calname", plan.trip.name)
    for task in made.tasks:
        if task.by is None:
            continue
        _add(out, plan, task.id, task.by, task_head(task, plan), task_things(task, plan))
    for day in plan.trip.days:
        night = plan.trip.night(day)
        sockets = f"{night.mains_h:g} h of {night.outlets} outlets" if night.mains_h else "no mains"
        _add(out, plan, f"day-{day.date}", day.date, day.title, f"{day.place}. Coldest {day.lowest_c:g} °C.")
        _walk(out, plan, day)
        words = f"Keep each picture in {plan.trip.copies} places. Charge batteries: {sockets}."
        _add(out, plan, f"night-{day.date}", day.date, "Tonight: copy and charge", words)
    if plan.trip.days:
        back = plan.trip.days[-1].date + timedelta(days=1)
        for item in plan.loaded:
            if _anothers(plan.items[item]):
                _add(out, plan, f"return-{item}", back, f"Bring back {plan.items[item].name}", "")
    return bytes(out.to_ical())


def _walk(out: Calendar, plan: Plan, day: Day) -> None:
    """When to leave, and when to turn back at the latest, each with an alarm."""
    if day.walk is None:
        return
    out_there = day_plan(plan, (day,), loadout_on(plan, day))
    made = day_on_foot(out_there, day, weigh(out_there.items, out_there.kit, out_there.trip.people))
    if made is None or made.leave is None or made.there is None:
        return
    back_by = made.turn_back_by or made.turn_back
    words = f"To be there at {made.there:%H:%M}. {clock_of(made.there_h)} on the way. {ON_FOOT}"
    _timed(out, plan, f"leave-{day.date}", made.leave, f"Leave: {day.title}", words)
    if back_by is not None and made.down is not None:
        home = f" Down by {made.home_by:%H:%M}." if made.home_by else f" Down at {made.down:%H:%M}."
        words = f"Turn back now at the latest, however far you got.{home} {clock_of(made.back_h)} on the way. {ON_FOOT}"
        _timed(out, plan, f"turn-back-{day.date}", back_by, f"Turn back: {day.title}", words)


def _timed(out: Calendar, plan: Plan, what: str, at: datetime, head: str, words: str) -> None:
    """By the clock of the place: no zone, so that it stays so wherever the phone thinks it is."""
    event = _event(plan, what, head, words)
    event.add("dtstart", at)
    event.add("dtend", at + timedelta(minutes=5))
    alarm = Alarm()
    alarm.add("action", "DISPLAY")
    alarm.add("description", head)
    alarm.add("trigger", -_BEFORE)
    event.add_component(alarm)
    out.add_component(event)


def _anothers(thing: Gear) -> bool:
    """Hired or borrowed for the trip: it goes back afterwards."""
    hired = thing.absent is not None and thing.absent.reason in (AbsenceReason.HIRED_LATER, AbsenceReason.ON_LOAN)
    return hired or thing.standing != Standing.OWNED


def _add(out: Calendar, plan: Plan, what: str, on: date, head: str, words: str) -> None:
    event = _event(plan, what, head, words)
    event.add("dtstart", on)
    event.add("dtend", on + timedelta(days=1))
    out.add_component(event)


def _event(plan: Plan, what: str, head: str, words: str) -> Event:
    event = Event()
    # The same event keeps its name, so that a calendar that reads the file again changes it and adds none.
    event.add("uid", f"{plan.trip.id}-{what}@narrow-mule")
    event.add("dtstamp", datetime(2000, 1, 1, tzinfo=UTC))
    event.add("summary", head)
    if words.strip():
        event.add("description", words.strip())
    return event
