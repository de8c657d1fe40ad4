"""Dates to keep: what to charge, fetch, copy and bring back, for any calendar (RFC 5545)."""

from datetime import UTC, date, datetime, timedelta

from icalendar import Calendar, Event

from mule.gear import AbsenceReason, Gear, Standing
from mule.packout import PackOut
from mule.plan import Plan
from server.exchange.words import task_head, task_things


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
        words = f"Each picture into {plan.trip.copies} places. Charge packs: {sockets}."
        _add(out, plan, f"night-{day.date}", day.date, "Tonight: copy and charge", words)
    if plan.trip.days:
        back = plan.trip.days[-1].date + timedelta(days=1)
        for item in plan.loaded:
            if _anothers(plan.items[item]):
                _add(out, plan, f"return-{item}", back, f"Bring back {plan.items[item].name}", "")
    return bytes(out.to_ical())


def _anothers(thing: Gear) -> bool:
    """Hired or borrowed for the trip: it goes back afterwards."""
    hired = thing.absent is not None and thing.absent.reason in (AbsenceReason.HIRED_LATER, AbsenceReason.ON_LOAN)
    return hired or thing.standing != Standing.OWNED


def _add(out: Calendar, plan: Plan, what: str, on: date, head: str, words: str) -> None:
    event = Event()
    # The same event keeps its name, so that a calendar that reads the file again changes it and adds none.
    event.add("uid", f"{plan.trip.id}-{what}@narrow-mule")
    event.add("dtstamp", datetime(2000, 1, 1, tzinfo=UTC))
    event.add("dtstart", on)
    event.add("dtend", on + timedelta(days=1))
    event.add("summary", head)
    if words.strip():
        event.add("description", words.strip())
    out.add_component(event)
