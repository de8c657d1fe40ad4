"""A filter that is dropped into an adapter or a camera was lent without it: such a trip could not be opened any more."""

from typing import Any

from django.db import migrations

_HOMES = ("thread_mm", "plate_width_mm", "adapter", "body")


def drop_filters(apps: Any, schema_editor: Any) -> None:
    LentThing = apps.get_model("trips", "LentThing")
    for row in LentThing.objects.filter(spec__kind="filter").select_related("trip"):
        if any(row.spec.get(home) is not None for home in _HOMES):
            continue
        trip, item = row.trip, row.item
        row.delete()
        # Loaded or marked it may be where it was lent once before, with its adapter.
        for kit in trip.kits.all():
            entries = [entry for entry in kit.entries if entry["item"] != item]
            if entries != kit.entries:
                kit.entries = entries
                kit.version += 1
                kit.save(update_fields=["entries", "version"])
        marks = trip.spec.get("marks") or {}
        for mark in ("must_take", "must_leave"):
            marks[mark] = [marked for marked in marks.get(mark, ()) if marked != item]
        marks["slots"] = [slot for slot in marks.get("slots") or [] if item not in slot["items"]]
        trip.spec["marks"] = marks
        trip.version += 1
        trip.lendings += 1
        trip.save(update_fields=["spec", "version", "lendings"])


class Migration(migrations.Migration):

    dependencies = [("trips", "0007_drop_marks_on_withdrawn_gear")]

    operations = [migrations.RunPython(drop_filters, migrations.RunPython.noop)]
