"""Verbs of the field: take marks in, put them together, pack and list."""

from collections.abc import Iterable, Sequence
from typing import Any

from django.contrib.auth.models import User
from pydantic import ValidationError

from mule.base.errors import plain_path, rule_of, shorten
from mule.findings.advise import review
from mule.findings.assess import Station
from mule.plan import MOST_MARKS, Plan
from mule.plan.field import Mark, Tick, Weighed, fold
from mule.plan.field.lines import packed_in
from mule.trail.packout import PackOut, field_stations, list_out
from server.field.models import FieldMark
from server.field.schemas import FieldOut, Refusal, TakenMarks
from server.kernel.actor import Actor
from server.kernel.documents import find, writing
from server.trips.models import Kit, Trip
from server.trips.packed import packed
from server.trips.services import plan_for


def marks_of(trip: Trip) -> list[Mark]:
    """A trip's marks in the order in which they came."""
    return [Mark.model_validate(row.spec) for row in trip.marks.all()]


def field_of(owner: User, slug: str) -> FieldOut:
    """All that was noted on a trip. Raises NotFound."""
    return _told(marks_of(find(Trip, owner, slug, "trip")))


def _told(marks: list[Mark]) -> FieldOut:
    made = fold(marks)
    return FieldOut(marks=marks, now=made.now, conflicts=list(made.conflicts))


def take_in(owner: User, slug: str, sent: Sequence[dict[str, Any]], by: str | None = None) -> TakenMarks:
    """Adds marks in the order in which they are sent. A mark that stands already is taken once; a bad one is refused.

    by: the guest who sends them; what a mark says of that itself does not count. Raises NotFound for the trip.
    """
    with writing(owner):
        trip = find(Trip, owner, slug, "trip")
        known = {row.mark: row.spec for row in trip.marks.all()}
        taken: list[str] = []
        refused: list[Refusal] = []
        new: list[Mark] = []
        for raw in sent:
            id_ = shorten(raw.get("id", ""))
            try:
                mark = Mark.model_validate({**raw, "by": by})
            except ValidationError as error:
                first = error.errors()[0]
                where = plain_path(list(first["loc"]), "")
                refused.append(Refusal(id=id_, field=where, value=shorten(first.get("input", "")), rule=rule_of(first)))
                continue
            spec = mark.model_dump(mode="json")
            # As values: what an older version stored lacks the fields that came since.
            if mark.id in known and Mark.model_validate(known[mark.id]) != mark:
                rule = "use another id: a mark with this one exists"
                refused.append(Refusal(id=mark.id, field="id", value=mark.id, rule=rule))
                continue
            if mark.id not in known and len(known) >= MOST_MARKS:
                rule = f"at most {MOST_MARKS:,} marks for one trip"
                refused.append(Refusal(id=mark.id, field="id", value=mark.id, rule=rule))
                continue
            taken.append(mark.id)
            if mark.id not in known:
                known[mark.id] = spec
                new.append(mark)
        keep_marks(trip, new)
        whole = [Mark.model_validate(spec) for spec in known.values()]
        return TakenMarks(taken=taken, refused=refused, field=_told(whole))


def keep_marks(trip: Trip, marks: Iterable[Mark]) -> None:
    """Stores marks that are new to a trip, numbered in their order; what was weighed counts from now on."""
    new = list(marks)
    rows = [FieldMark(trip=trip, mark=mark.id, spec=mark.model_dump(mode="json")) for mark in new]
    FieldMark.objects.bulk_create(rows, batch_size=500)
    if any(isinstance(mark.what, Tick) for mark in new):
        ticks = (mark.what for mark in _standing(trip, "tick"))
        trip.ticked = [t.line for t in ticks if isinstance(t, Tick) and t.done and packed_in(t.line)]
        trip.save(update_fields=["ticked"])
    if any(isinstance(mark.what, Weighed) for mark in new):
        trip.scale = [mark.model_dump(mode="json") for mark in _standing(trip, "weighed")]
        trip.weighings += 1
        trip.save(update_fields=["scale", "weighings"])


def _standing(trip: Trip, do: str) -> list[Mark]:
    """Marks of one sort that stand. The database picks them out: a long trip has tens of thousands of others."""
    rows = trip.marks.filter(spec__what__do=do)
    return list(fold(Mark.model_validate(row.spec) for row in rows).now.values())


def list_for(plan: Plan, kit: Kit) -> PackOut:
    """The pack-out list of a plan's open kit. kit: its row, whose owner waits where it has to be packed first."""
    seen = review(plan)
    return list_out(plan, seen.assessment, seen.resilience, packed(plan, kit.trip.owner_id, kit))


def stations_of(actor: Actor, kit: Kit) -> list[Station]:
    """How far a kit's trip is by what was noted."""
    field = fold(marks_of(kit.trip))
    return list(field_stations(plan_for(actor, kit), field, pictures=kit.trip.frames.exists()))
