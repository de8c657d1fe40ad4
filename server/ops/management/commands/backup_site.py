"""The whole site into a file."""

from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandError, CommandParser

from server.kernel.unusable import Unusable
from server.ops.database import back_up


class Command(BaseCommand):
    """manage.py backup_site FILE"""

    help = "Copies the database into a file while people work; the file is whole or not there."

    def add_arguments(self, parser: CommandParser) -> None:
        """Which file."""
        parser.add_argument("file", type=Path)

    def handle(self, *args: Any, **options: Any) -> None:
        """Makes the copy."""
        try:
            back_up(options["file"])
        except Unusable as error:
            raise CommandError(str(error)) from error
        self.stdout.write(f"{options['file']}: {options['file'].stat().st_size:,} bytes")
