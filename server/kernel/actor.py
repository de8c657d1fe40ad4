"""Who makes a request, and whose data it works on: passed to every function that shows or stores something for them."""

from dataclasses import dataclass

from django.contrib.auth.models import User


@dataclass(frozen=True)
class Guest:
    """A guest who opened a share link.

    name: chosen when opening it; link: its number; account: the guest's own, where the link lets them plan along.
    """

    name: str
    link: int
    account: User | None = None


@dataclass(frozen=True)
class Actor:
    """Who makes a request. owner: whose locker, carriers and trips it works on; guest: set when a guest makes it."""

    owner: User
    guest: Guest | None = None

    @property
    def only_visits(self) -> bool:
        """Whether this is a guest without an account: they see less of the trip."""
        return self.guest is not None and self.guest.account is None

    @property
    def signature(self) -> str:
        """The name stored with a change: the guest's, or empty for the owner."""
        return self.guest.name if self.guest else ""

    @property
    def searcher(self) -> object:
        """The key for queueing searches: a guest with an account queues apart from the owner."""
        guest = self.guest
        return ("guest", guest.link, guest.account.pk) if guest and guest.account else self.owner.pk
