"""Accounts of the demo: nobody signs in with a password, and they go by themselves."""

from datetime import timedelta
from typing import Any

from django.contrib.auth import get_user_model
from django.contrib.auth.models import User
from django.utils import timezone

DEMO_NAME = "Demo photographer"
# Whoever has not come by for so long finds a new world, and the old one is gone.
REST = timedelta(days=1)


def is_demo(user: Any) -> bool:
    """Whether somebody is in the demo: the photographer of its world as it ships, or a visitor."""
    # Somebody may sign up under such a name: they have a password.
    return bool(user.is_authenticated and user.username.startswith(DEMO_NAME) and not user.has_usable_password())


def seen(user: User) -> None:
    """A visitor is still there; written down once an hour at most."""
    now = timezone.now()
    if user.last_login is None or user.last_login < now - REST / 24:
        get_user_model().objects.filter(pk=user.pk).update(last_login=now)
