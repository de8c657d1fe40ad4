"""Any list as rows with titles, to be taken along as CSV or a spreadsheet."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from mule.findings.shopping import Wanted
from mule.plan import Plan
from mule.plan.field import Field
from mule.plan.gear import Box, Cylinder, Gear, Soft
from mule.plan.places import AsPiece, InBag
from mule.trail.debrief import LookBack
from mule.trail.packout import PackOut
from server.exchange.every_field import WHOLE, other_fields
from server.exchange.words import spot_words, task_head, task_things, wanted_how, wanted_name

Rows = tuple[tuple[str, ...], list[dict[str, Any]]]
_LOCKER = (
    "name",
    "kind",
    "count",
    "mass_g",
    "length_mm",
    "width_mm",
    "height_mm",
    "diameter_mm",
    "volume_l",
    "serial",
    "value",
    "owner",
    "note",
)


def locker_rows(gear: tuple[Gear, ...]) -> Rows:
    """The locker with every field, under the titles that an import reads."""
    rows = [_thing(thing) | other_fields(thing) for thing in gear]
    others = sorted({title for row in rows for title in row} - {*_LOCKER, WHOLE, "id"})
    return (*_LOCKER, WHOLE, "id", *others), rows


def _thing(thing: Gear) -> dict[str, Any]:
    size: dict[str, Any] = {}
    match thing.size:
        case Box():
            size = thing.size.model_dump(include={"length_mm", "width_mm", "height_mm"})
        case Cylinder():
            size = thing.size.model_dump(include={"diameter_mm", "length_mm"})
        case Soft():
            size = {"volume_l": thing.size.volume_l}
    if hasattr(thing, "volume_l"):
        size["volume_l"] = thing.volume_l
    told = thing.model_dump(include={"name", "kind", "count", "mass_g", "serial", "value", "owner", "note"})
    return told | size


def loaded_rows(plan: Plan) -> Rows:
    """What a kit holds, entry by entry, with its place."""
    titles = ("thing", "kind", "pieces", "mass_g", "place", "person", "serial", "value", "owner")
    people = {p.id: p.name for p in plan.trip.people}
    rows = []
    for entry in plan.kit.entries:
        thing, place = plan.items[entry.item], entry.place
        where = (
            plan.items[place.bag].name
            if isinstance(place, InBag)
            else place.piece
            if isinstance(place, AsPiece)
            else "worn"
        )
        rows.append(
            {
                "thing": thing.name,
                "kind": thing.kind,
                "pieces": entry.count,
                "mass_g": thing.mass_g * entry.count,
                "place": f"outside {where}" if isinstance(place, InBag) and place.outside else where,
                "person": "" if isinstance(place, InBag) else people.get(place.person, ""),
                "serial": thing.serial,
                "value": thing.value,
                "owner": thing.owner,
            }
        )
    return titles, rows


def pack_rows(plan: Plan, made: PackOut, field: Field) -> Rows:
    """The pack-out list, in packing order, with what is ticked."""
    titles = ("bag", "thing", "pieces", "space", "in", "absent_until", "why")
    rooms = {room.room: room for room in made.rooms}
    ticked = field.ticked()
    lines = [(plan.items[bag.bag].name, line) for bag in made.bags for line in bag.lines]
    lines += [("on the person", line) for line in made.worn]
    rows = [
        {
            "bag": bag,
            "thing": plan.items[line.item].name,
            "pieces": line.count,
            "space": spot_words(line, rooms),
            "in": "yes" if line.id in ticked else "",
            "absent_until": str(line.absent.until or "") if line.absent else "",
            "why": line.harm,
        }
        for bag, line in lines
    ]
    return titles, rows


def day_rows(plan: Plan) -> Rows:
    """The days of a trip."""
    titles = ("date", "title", "place", "lowest_c", "on_foot_h", "wants", "loadout")
    wants = {w.id: w.name for w in plan.trip.wants}
    out = {day: loadout.name for loadout in plan.kit.stow.loadouts for day in loadout.days}
    rows = [
        {
            "date": day.date.isoformat(),
            "title": day.title,
            "place": day.place,
            "lowest_c": day.lowest_c,
            "on_foot_h": day.on_foot_h,
            "wants": ", ".join(wants[w] for w in day.wants),
            "loadout": out.get(day.date, ""),
        }
        for day in plan.trip.days
    ]
    return titles, rows


def log_rows(plan: Plan, field: Field) -> Rows:
    """What was noted, one row each, with all that it says."""
    titles = ("day", "what", "thing", "figures", "words")
    rows = []
    for mark in field.log:
        told: Mapping[str, Any] = mark.what.model_dump(mode="json")
        item = told.get("item") or told.get("to", "")
        known = plan.items.get(str(item))
        figures = {k: v for k, v in told.items() if isinstance(v, int | float) and not isinstance(v, bool)}
        words = " ".join(str(told[k]) for k in ("wanted", "text", "note") if told.get(k))
        rows.append(
            {
                "day": told.get("day", ""),
                "what": told["do"],
                "thing": known.name if known else item,
                "figures": ", ".join(f"{k} {v:g}" for k, v in figures.items()),
                "words": words,
            }
        )
    return titles, rows


def task_rows(plan: Plan, made: PackOut, field: Field) -> Rows:
    """What is to be done before leaving, with what is ticked."""
    ticked = field.ticked()
    rows = [
        {
            "by": task.by.isoformat() if task.by else "",
            "task": task_head(task, plan),
            "things": task_things(task, plan),
            "done": "yes" if task.id in ticked else "",
        }
        for task in made.tasks
    ]
    return ("by", "task", "things", "done"), rows


def used_rows(plan: Plan, back: LookBack) -> Rows:
    """What earned its place: frames, days and grams on this trip; days used and carried on all."""
    titles = (
        "thing",
        "pieces",
        "mass_g",
        "frames",
        "days",
        "grams_per_frame",
        "used_days_all",
        "carried_days_all",
        "told",
    )
    rows = [
        {
            "thing": plan.items[use.item].name,
            "pieces": use.count,
            "mass_g": use.mass_g,
            "frames": use.frames,
            "days": use.days,
            "grams_per_frame": "" if use.grams_per_frame is None else round(use.grams_per_frame, 1),
            "used_days_all": use.used_days,
            "carried_days_all": use.carried_days,
            "told": "yes" if use.told else "",
        }
        for use in back.uses
    ]
    return titles, rows


def to_get_rows(plan: Plan, wanted: Sequence[Wanted]) -> Rows:
    """What is to be bought, hired or borrowed."""
    titles = ("thing", "pieces", "mass_g", "how", "by", "back_by")
    rows = [
        {
            "thing": wanted_name(line, plan),
            "pieces": line.count,
            "mass_g": line.mass_g,
            "how": wanted_how(line),
            "by": line.by,
            "back_by": line.back_by,
        }
        for line in wanted
    ]
    return titles, rows


@dataclass(frozen=True)
class Sources:
    """What lists are made of. listed, back, wanted: asked for only by the lists that need them, as they take long."""

    plan: Plan
    field: Field
    listed: Callable[[], PackOut]
    back: Callable[[], LookBack]
    wanted: Callable[[], Sequence[Wanted]]


LISTS: Mapping[str, Callable[[Sources], Rows]] = {
    "kit": lambda of: loaded_rows(of.plan),
    "pack-out": lambda of: pack_rows(of.plan, of.listed(), of.field),
    "tasks": lambda of: task_rows(of.plan, of.listed(), of.field),
    "to-get": lambda of: to_get_rows(of.plan, of.wanted()),
    "days": lambda of: day_rows(of.plan),
    "log": lambda of: log_rows(of.plan, of.field),
    "used": lambda of: used_rows(of.plan, of.back()),
}
