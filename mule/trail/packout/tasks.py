"""What is to be done before leaving: things to charge, empty, set, clean, fetch and bring back."""

from collections.abc import Iterable
from datetime import date, timedelta
from typing import Literal

from mule.base.units import Frozen
from mule.plan import Plan
from mule.plan.field import fetch_line
from mule.plan.gear import Battery, Body, Card, Computer, Drone, Gear, PowerBank

TaskKind = Literal[
    "charge", "devices", "format", "firmware", "clock", "sensor", "permits", "documents", "medicine", "fetch"
]


class Task(Frozen):
    """One task. items: the things it is about. by: the day by which it is done, None without days."""

    id: str
    kind: TaskKind
    items: tuple[str, ...] = ()
    by: date | None = None


def tasks_of(plan: Plan) -> tuple[Task, ...]:
    """Tasks in the order of doing: what takes longest, and what others answer for, first."""
    gear = [plan.items[item] for item in plan.loaded]
    return tuple(_tasks(plan, gear, plan.trip.leaves))


def _tasks(plan: Plan, gear: list[Gear], leaves: date | None) -> Iterable[Task]:
    def of(kind: TaskKind, kinds: tuple[type, ...], days: int) -> Iterable[Task]:
        items = tuple(thing.id for thing in gear if isinstance(thing, kinds))
        if items:
            yield Task(id=f"task.{kind}", kind=kind, items=items, by=_before(leaves, days))

    yield Task(id="task.documents", kind="documents", by=_before(leaves, 7))
    if plan.trip.local_rules:
        yield Task(id="task.permits", kind="permits", by=_before(leaves, 7))
    yield Task(id="task.medicine", kind="medicine", by=_before(leaves, 2))
    for thing in gear:
        if thing.absent is not None:
            until = thing.absent.until or _before(leaves, 1)
            yield Task(id=fetch_line(thing.id), kind="fetch", items=(thing.id,), by=until)
    yield from of("firmware", (Body, Drone), 3)
    yield from of("sensor", (Body,), 3)
    yield from of("charge", (Battery, PowerBank), 1)
    yield from of("devices", (Computer,), 1)
    yield from of("format", (Card,), 1)
    yield from of("clock", (Body,), 1)


def _before(leaves: date | None, days: int) -> date | None:
    return leaves - timedelta(days=days) if leaves else None
