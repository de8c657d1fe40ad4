"""A backup in place of the site's data."""

from pathlib import Path
from typing import Any

from django.core.management import call_command
from django.core.management.base import BaseCommand, CommandError, CommandParser

from server.database import Unusable, put_back


class Command(BaseCommand):
    """manage.py restore_site FILE"""

    help = "Puts a backup in place of the database; stop the site first. What was there is kept beside it."

    def add_arguments(self, parser: CommandParser) -> None:
        """Which file."""
        parser.add_argument("file", type=Path)

    def handle(self, *args: Any, **options: Any) -> None:
        """Puts it back and brings it up to date."""
        try:
            before = put_back(options["file"])
            call_command("migrate", verbosity=0)
        except Unusable as error:
            raise CommandError(str(error)) from error
        self.stdout.write(f"Done. What was there before is in {before}.")
