"""Who acts in a request, and on whose things: handed on to whatever shows, stores or notes something for them."""

from dataclasses import dataclass

from django.contrib.auth.models import User


@dataclass(frozen=True)
class Guest:
    """Somebody who came by a link.

    name: what they call themselves; link: its number; account: their own, if they plan along.
    """

    name: str
    link: int
    account: User | None = None

    @property
    def only_visits(self) -> bool:
        """Whether they have no account here that plans along: they are shown less."""
        return self.account is None


@dataclass(frozen=True)
class Actor:
    """Who acts. owner: whose locker, carriers and trips; guest: who acts on the owner's trip, None for the owner."""

    owner: User
    guest: Guest | None = None

    @property
    def only_visits(self) -> bool:
        """Whether a guest acts who has no account here: they are shown less."""
        return self.guest is not None and self.guest.only_visits

    @property
    def signature(self) -> str:
        """What is noted beside something they changed: a guest's name, nothing for the owner."""
        return self.guest.name if self.guest else ""

    @property
    def searcher(self) -> object:
        """For whom a search is made: whoever plans along takes turns of their own, and is answered apart from the
        owner."""
        guest = self.guest
        return ("guest", guest.link, guest.account.pk) if guest and guest.account else self.owner.pk
