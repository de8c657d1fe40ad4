"""Commands about one account, by its name."""

from typing import Any

from django.contrib.auth.models import User
from django.core.management.base import BaseCommand, CommandError, CommandParser

from server.accounts.services import account_named


class AboutAccount(BaseCommand):
    """A command whose first word is the name of an account."""

    def add_arguments(self, parser: CommandParser) -> None:
        """The name of the account."""
        parser.add_argument("name")

    def handle(self, *args: Any, **options: Any) -> None:
        """Finds the account. Raises CommandError."""
        user = account_named(options["name"])
        if user is None:
            raise CommandError(f"There is no account “{options['name']}”.")
        self.about(user, **options)

    def about(self, user: User, **options: Any) -> None:
        """What the command does with it."""
        raise NotImplementedError
