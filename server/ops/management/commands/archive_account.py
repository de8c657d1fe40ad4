"""All of an account into a file."""

from pathlib import Path
from typing import Any

from django.contrib.auth.models import User
from django.core.management.base import CommandParser

from server.accounts.management.about import AboutAccount
from server.exchange.archive import archive_of


class Command(AboutAccount):
    """manage.py archive_account NAME FILE"""

    help = "Writes all of an account into a zip of open files."

    def add_arguments(self, parser: CommandParser) -> None:
        """Whose, and which file."""
        super().add_arguments(parser)
        parser.add_argument("file", type=Path)

    def about(self, user: User, **options: Any) -> None:
        """Writes the file; beside it first, so that it is never half there."""
        path: Path = options["file"]
        beside = path.with_name(f"{path.name}.part")
        beside.write_bytes(archive_of(user))
        beside.replace(path)
        self.stdout.write(f"{path}: {path.stat().st_size:,} bytes")
