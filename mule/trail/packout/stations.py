"""How far the stations are that hang on what was noted: Pack-out, Trail, Look back."""

from datetime import date

from mule.findings.assess import Station, StationMark
from mule.plan import Plan
from mule.plan.field import Field, line_of
from mule.plan.kit import Kit
from mule.plan.places import InBag, Worn
from mule.trail.packout.tasks import tasks_of


def lines_of(kit: Kit) -> tuple[str, ...]:
    """The lines of a kit's list: all that goes into a bag or onto a person. Bags in hand are no lines."""
    found = []
    for entry in kit.entries:
        match entry.place:
            case InBag(bag=bag, outside=outside):
                found.append(line_of(entry.item, bag=bag, person="", outside=outside))
            case Worn(person=person):
                found.append(line_of(entry.item, bag=None, person=person, outside=False))
    return tuple(found)


def field_stations(plan: Plan, field: Field, *, pictures: bool) -> tuple[Station, ...]:
    """Pack-out is done when all is ticked, Trail when the trip is, Look back when there is something to look back on.

    Pack-out is blocked by a thing that comes back only after leaving, Trail by notes that contradict each other.
    pictures: whether any were read.
    """
    over = plan.trip.status == "done"
    lines = lines_of(plan.kit)
    left = {*lines, *(task.id for task in tasks_of(plan))} - field.ticked()
    packed = over or (bool(lines) and not left)
    return (
        _station("packout", done=packed, blocked=not over and _too_late(plan)),
        _station("trail", done=over, blocked=bool(field.conflicts)),
        _station("lookback", done=over and (pictures or bool(field.log)), blocked=False),
    )


def _too_late(plan: Plan) -> bool:
    leaves = plan.trip.leaves
    return leaves is not None and any(_back(plan, item) > leaves for item in plan.loaded)


def _back(plan: Plan, item: str) -> date:
    absent = plan.items[item].absent
    return absent.until if absent and absent.until else date.min


def _station(name: str, *, done: bool, blocked: bool) -> Station:
    mark = StationMark.BLOCKED if blocked else StationMark.DONE if done else StationMark.OPEN
    return Station(name=name, mark=mark)
