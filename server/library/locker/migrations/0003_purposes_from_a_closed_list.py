"""What things are for was typed by hand; now it comes from a closed list, with the owner's words beside it."""

from typing import Any

from django.db import migrations

from mule.plan.purposes import with_purpose


def read_uses(apps: Any, schema_editor: Any) -> None:
    for thing in apps.get_model("locker", "Thing").objects.iterator():
        spec = with_purpose(thing.spec)
        if spec is not thing.spec:
            thing.spec = spec
            thing.save(update_fields=["spec"])


class Migration(migrations.Migration):

    dependencies = [("locker", "0002_things_have_pictures")]

    operations = [migrations.RunPython(read_uses, migrations.RunPython.noop)]
