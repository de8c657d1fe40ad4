"""Trips whose marks name gear that a companion has withdrawn since could not be opened any more."""

from typing import Any

from django.db import migrations


def drop_marks(apps: Any, schema_editor: Any) -> None:
    Trip, Thing = apps.get_model("trips", "Trip"), apps.get_model("locker", "Thing")
    for trip in Trip.objects.iterator():
        marks = trip.spec.get("marks") or {}
        slots = marks.get("slots") or []
        named = {*marks.get("must_take", ()), *marks.get("must_leave", ())}
        named.update(item for slot in slots for item in slot["items"])
        if not named:
            continue
        there = set(Thing.objects.filter(owner_id=trip.owner_id, slug__in=named).values_list("slug", flat=True))
        there.update(trip.lent.filter(item__in=named).values_list("item", flat=True))
        if named <= there:
            continue
        for mark in ("must_take", "must_leave"):
            marks[mark] = [item for item in marks.get(mark, ()) if item in there]
        marks["slots"] = [slot for slot in slots if there.issuperset(slot["items"])]
        trip.spec["marks"] = marks
        trip.version += 1
        trip.save(update_fields=["spec", "version"])


class Migration(migrations.Migration):

    dependencies = [
        ("trips", "0006_others_lend_things"),
        ("locker", "0002_things_have_pictures"),
    ]

    operations = [migrations.RunPython(drop_marks, migrations.RunPython.noop)]
