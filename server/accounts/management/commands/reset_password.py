"""For whoever runs the site: a link that lets somebody set a new password, without knowing the old or the new one."""

from typing import Any

from django.contrib.auth.models import User

from server.accounts.forgotten import link_of
from server.accounts.management.about import AboutAccount


class Command(AboutAccount):
    """manage.py reset_password NAME"""

    help = "Prints the end of a link that sets a new password for an account; it works once, for three days."

    def about(self, user: User, **options: Any) -> None:
        """Prints the link."""
        self.stdout.write(f"/welcome?reset={link_of(user)}")
