"""What lent things and what people carry anyway are for was typed by hand; now it comes from a closed list."""

from typing import Any

from django.db import migrations

from mule.plan.purposes import load_purpose_of, with_purpose


def read_uses(apps: Any, schema_editor: Any) -> None:
    for lent in apps.get_model("trips", "LentThing").objects.iterator():
        spec = with_purpose(lent.spec)
        if spec is not lent.spec:
            lent.spec = spec
            lent.save(update_fields=["spec"])
    for trip in apps.get_model("trips", "Trip").objects.iterator():
        loads = [load for person in trip.spec.get("people") or () for load in person.get("base_load") or ()]
        bare = [load for load in loads if "purpose" not in load]
        for load in bare:
            load["purpose"] = load_purpose_of(load["name"]).value
        if bare:
            trip.save(update_fields=["spec"])


class Migration(migrations.Migration):

    dependencies = [("trips", "0008_drop_lent_filters_without_a_home")]

    operations = [migrations.RunPython(read_uses, migrations.RunPython.noop)]
