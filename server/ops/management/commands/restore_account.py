"""A file of an account back into one."""

from pathlib import Path
from typing import Any

from django.contrib.auth.models import User
from django.core.management.base import CommandError, CommandParser

from mule.base.errors import InvalidInput
from server.accounts.management.about import AboutAccount
from server.exchange.archive import restore


class Command(AboutAccount):
    """manage.py restore_account NAME FILE"""

    help = "Puts an archive into an account that is there: everything, or nothing."

    def add_arguments(self, parser: CommandParser) -> None:
        """Whose, and which file."""
        super().add_arguments(parser)
        parser.add_argument("file", type=Path)

    def about(self, user: User, **options: Any) -> None:
        """Restores it and tells what came."""
        try:
            told = restore(user, options["file"].read_bytes()).told()
        except OSError as error:
            raise CommandError(f"{options['file']}: {error.strerror}") from error
        except InvalidInput as error:
            raise CommandError("\n".join(f"{p.field}: {p.rule}" for p in error.problems)) from error
        for what in ("things", "carriers", "trips"):
            self.stdout.write(f"{what}: " + ", ".join(f"{count} {how}" for how, count in told[what].items()))
