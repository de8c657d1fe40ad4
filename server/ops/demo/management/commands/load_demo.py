"""``manage.py load_demo``: brings the database up to date and makes the demo world unless it is there."""

from typing import Any

from django.core.management import call_command
from django.core.management.base import BaseCommand

from server.ops.demo.services import demo_user


class Command(BaseCommand):
    """Loads the demo world once; later runs leave what was changed alone."""

    help = __doc__

    def handle(self, *args: Any, **options: Any) -> None:
        """Run it."""
        # In one process with the loading: a start-up less on every start.
        call_command("migrate", verbosity=0)
        self.stdout.write(f"Demo world ready for {demo_user().username}.")
