"""``manage.py load_demo``: makes the demo photographer and the demo world unless they are there."""

from typing import Any

from django.core.management.base import BaseCommand

from server.demo.services import demo_user


class Command(BaseCommand):
    """Loads the demo world once; later runs leave what was changed alone."""

    help = __doc__

    def handle(self, *args: Any, **options: Any) -> None:
        """Run it."""
        self.stdout.write(f"Demo world ready for {demo_user().username}.")
