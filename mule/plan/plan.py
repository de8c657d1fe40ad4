"""Plan = gear + carriers + trip + kits: the open file format is this, as JSON (docs/plan-format.md)."""

import json
from collections.abc import Iterable, Mapping
from functools import cached_property
from typing import Any, Literal, Self

from pydantic import Field, ValidationError, model_validator

from mule.base.errors import InvalidInput, Problem, invalid, shorten
from mule.base.units import Frozen, ItemId
from mule.plan.carriers.rules import Carrier
from mule.plan.field import Frame, Mark, Weighed, fold
from mule.plan.gear import Bag, Gear, Insert
from mule.plan.kit import MOST_ENTRIES, Entry, Kit
from mule.plan.places import AsPiece, InBag, Worn
from mule.plan.trip import Trip

FORMAT = "narrow-mule-plan"
VERSION = 1
# Larger files are refused unread: 2,000 things are about 1 MB, 50,000 marks 13 MB, 100,000 frames 20 MB.
MAX_BYTES = 40_000_000
# More than anybody owns, or flies with.
MOST_THINGS = 5_000
MOST_CARRIERS = 200
# More than a crew makes in a year out.
MOST_MARKS = 50_000
MOST_FRAMES = 100_000


class Plan(Frozen):
    """Everything one assessment needs. ``open_kit`` names the kit that is on the table.

    noted, frames: what was noted on the trip, and what its pictures say; of these only what was weighed has a part in
    an assessment. Things that they name may be gone from the locker since.
    """

    format: Literal["narrow-mule-plan"] = "narrow-mule-plan"
    version: Literal[1] = 1
    gear: tuple[Gear, ...] = Field(default=(), max_length=MOST_THINGS)
    carriers: tuple[Carrier, ...] = Field(default=(), max_length=MOST_CARRIERS)
    trip: Trip
    kits: tuple[Kit, ...] = Field(min_length=1, max_length=26)
    open_kit: ItemId
    noted: tuple[Mark, ...] = Field(default=(), max_length=MOST_MARKS)
    frames: tuple[Frame, ...] = Field(default=(), max_length=MOST_FRAMES)

    @model_validator(mode="after")
    def _refers_to_what_is_there(self) -> Self:
        problems = list(_reference_problems(self))
        if problems:
            raise InvalidInput(problems)
        return self

    @cached_property
    def items(self) -> Mapping[str, Gear]:
        """Gear by id."""
        return {thing.id: thing for thing in self.gear}

    @cached_property
    def kit(self) -> Kit:
        """The kit on the table."""
        return next(kit for kit in self.kits if kit.id == self.open_kit)

    @cached_property
    def loaded(self) -> Mapping[str, int]:
        """Pieces loaded of each item in the open kit, over all places."""
        return self.kit.loaded()

    @cached_property
    def weighed(self) -> Mapping[str, Weighed]:
        """What a scale said of bags with all that was in them, by bag."""
        return fold(mark for mark in self.noted if isinstance(mark.what, Weighed)).weighed()

    def with_kit(self, kit: Kit) -> "Plan":
        """The same plan with ``kit`` in place of the kit of the same id, and open.

        The kit must be sound in this plan (see kit_problems): nothing is checked again.
        """
        return self._with(kits=tuple(kit if k.id == kit.id else k for k in self.kits), open_kit=kit.id)

    def with_log(self, noted: Iterable[Mark], frames: Iterable[Frame]) -> "Plan":
        """The same plan with what was noted on its trip: nothing is checked again."""
        return self._with(noted=tuple(noted), frames=tuple(frames))

    def with_trip(self, trip: Trip) -> "Plan":
        """The same plan for a trip with the same legs, people and marks: nothing is checked again."""
        return self._with(trip=trip)

    def with_gear(self, gear: tuple[Gear, ...]) -> "Plan":
        """The same plan with another locker, in which all is that the plan names: nothing is checked again."""
        return self._with(gear=gear)

    def _with(self, **changed: Any) -> "Plan":
        # Not model_copy: that would take along what is cached of the plan before.
        return Plan.model_construct(**{name: getattr(self, name) for name in type(self).model_fields} | changed)


def assemble(
    gear: tuple[Gear, ...],
    carriers: tuple[Carrier, ...],
    trip: Trip,
    kits: tuple[Kit, ...],
    open_kit: str,
    noted: tuple[Mark, ...] = (),
) -> Plan:
    """A plan of values that were checked one by one: only that they refer to what is there is checked again.

    noted: as far as it has a part in an assessment. The locker stays the same object: what is kept of it hangs on that.
    Raises InvalidInput.
    """
    plan = Plan.model_construct(gear=gear, carriers=carriers, trip=trip, kits=kits, open_kit=open_kit, noted=noted)
    problems = list(_reference_problems(plan))
    if problems:
        raise InvalidInput(problems)
    return plan


def _twice(ids: Iterable[str], field: str) -> Iterable[Problem]:
    seen: set[str] = set()
    for index, id_ in enumerate(ids):
        if id_ in seen:
            yield Problem(f"{field}.{index}.id", id_, "use each id once")
        seen.add(id_)


def _reference_problems(plan: Plan) -> Iterable[Problem]:
    yield from _twice((t.id for t in plan.gear), "gear")
    yield from _twice((c.id for c in plan.carriers), "carriers")
    yield from _twice((k.id for k in plan.kits), "kits")
    yield from _twice((m.id for m in plan.noted), "noted")
    if plan.open_kit not in {k.id for k in plan.kits}:
        yield Problem("open_kit", plan.open_kit, "must be one of the kits")
    carriers = {c.id for c in plan.carriers}
    for index, leg in enumerate(plan.trip.legs):
        if leg.carrier is not None and leg.carrier not in carriers:
            yield Problem(f"trip.legs.{index}.carrier", leg.carrier, "must be one of the carriers")
    gear = {t.id: t for t in plan.gear}
    for field, item in plan.trip.marks.named():
        if item not in gear:
            yield Problem(f"trip.marks.{field}", item, "must be an item in the locker")
    people = {p.id for p in plan.trip.people}
    for index, kit in enumerate(plan.kits):
        yield from kit_problems(kit, gear, people, f"kits.{index}")


def kit_problems(kit: Kit, gear: Mapping[str, Gear], people: set[str], prefix: str) -> Iterable[Problem]:
    """What makes a kit impossible: things not owned, more than owned, bags that are not there or hold themselves.

    gear: by id. people: ids of who travels. prefix: of the paths of the problems, as ``kits.0.``.
    """
    if len(kit.entries) > MOST_ENTRIES:
        yield Problem(f"{prefix}.entries", f"{len(kit.entries):,} entries", f"at most {MOST_ENTRIES:,} in one kit")
    loaded = kit.loaded()
    holders = {id_ for id_ in loaded if isinstance(gear.get(id_), Bag | Insert)}
    for index, entry in enumerate(kit.entries):
        at = f"{prefix}.entries.{index}"
        thing = gear.get(entry.item)
        if thing is None:
            yield Problem(f"{at}.item", entry.item, "must be an item in the locker")
            continue
        if loaded[entry.item] > thing.count:
            yield Problem(f"{at}.count", str(loaded[entry.item]), f"at most {thing.count}, which is all there are")
        if isinstance(thing, Bag | Insert) and loaded[entry.item] > 1:
            yield Problem(f"{at}.count", str(loaded[entry.item]), "must be 1: each bag or insert is an item of its own")
        yield from _place_problems(entry, thing, holders, people, f"{at}.place")
    if _holds_itself(kit):
        yield Problem(f"{prefix}.entries", "", "a bag or insert cannot be inside itself")


def _place_problems(entry: Entry, thing: Gear, holders: set[str], people: set[str], at: str) -> Iterable[Problem]:
    match entry.place:
        case InBag(bag=bag):
            if bag not in holders:
                yield Problem(f"{at}.bag", bag, "must be a bag or insert that is loaded")
        case Worn(person=person) | AsPiece(person=person):
            if person not in people:
                yield Problem(f"{at}.person", person, "must be one of the trip’s people")
    if isinstance(entry.place, AsPiece) and not isinstance(thing, Bag):
        yield Problem(f"{at}.piece", entry.item, "must be a bag: other gear travels in one or on a person")


def _holds_itself(kit: Kit) -> bool:
    inside = {e.item: e.place.bag for e in kit.entries if isinstance(e.place, InBag)}
    for start in inside:
        at, steps = inside.get(start), 0
        while at is not None and steps <= len(inside):
            if at == start:
                return True
            at, steps = inside.get(at), steps + 1
    return False


def parse(data: Any) -> Plan:
    """A plan from its JSON shape. Raises InvalidInput; format and version are looked at before all else."""
    if not isinstance(data, dict):
        raise InvalidInput([Problem("", shorten(data), "must be a JSON object")])
    if data.get("format") != FORMAT:
        raise InvalidInput([Problem("format", shorten(data.get("format")), f'"{FORMAT}"')])
    if data.get("version") != VERSION:
        raise InvalidInput(
            [Problem("version", shorten(data.get("version")), f"{VERSION}, the version this build reads")]
        )
    try:
        return Plan.model_validate(data)
    except ValidationError as error:
        raise invalid(error) from error


def read(text: bytes) -> Plan:
    """A plan from a file's bytes. Raises InvalidInput for what is too large, cut off, or not a plan.

    >>> read(b"{")
    Traceback (most recent call last):
    mule.base.errors.InvalidInput: document: must be a complete JSON document in UTF-8
    """
    if len(text) > MAX_BYTES:
        raise InvalidInput([Problem("", f"{len(text):,} bytes", f"at most {MAX_BYTES:,} bytes")])
    try:
        data = json.loads(text)
    except (ValueError, RecursionError) as error:
        where = f"line {error.lineno}, column {error.colno}" if isinstance(error, json.JSONDecodeError) else ""
        raise InvalidInput([Problem("", where or "unreadable", "must be a complete JSON document in UTF-8")]) from error
    return parse(data)


def write(plan: Plan) -> str:
    """The plan as its file's text. Reading it back gives an equal plan.

    >>> from tests import cast
    >>> plan = cast.plan([cast.bag()], cast.entry("bag", cast.INES_CABIN))
    >>> read(write(plan).encode()) == plan
    True
    """
    return plan.model_dump_json(indent=1, exclude_defaults=False)
