"""A backup in place of the site's data."""

from pathlib import Path
from typing import Any

from django.core.management import call_command
from django.core.management.base import BaseCommand, CommandError, CommandParser

from server.kernel.unusable import Unusable
from server.ops.database import replacing


class Command(BaseCommand):
    """manage.py restore_site FILE"""

    help = "Replaces the database with a backup. Refuses while the site runs; keeps the previous data beside it."

    def add_arguments(self, parser: CommandParser) -> None:
        """Which file."""
        parser.add_argument("file", type=Path)

    def handle(self, *args: Any, **options: Any) -> None:
        """Restores it and brings it up to date."""
        try:
            with replacing(options["file"]) as previous:
                call_command("migrate", verbosity=0)
        except Unusable as error:
            raise CommandError(str(error)) from error
        self.stdout.write(f"Restored. The previous data is in {previous}.")
