"""Loading the demo world through the same services that people use."""

import io
from pathlib import Path

from django.conf import settings
from django.contrib.auth import get_user_model
from django.contrib.auth.models import User

from mule.plan import read
from server.accounts.services import preferences
from server.exchange.services import import_plan
from server.field.looking import take_pictures
from server.trips.models import Trip

DEMO_NAME = "Demo photographer"


def demo_user() -> User:
    """The demo's photographer, with the demo world loaded on first use. Nobody can sign in with a password."""
    user, made = get_user_model().objects.get_or_create(username=DEMO_NAME)
    if made:
        user.set_unusable_password()
        user.save()
        preferences(user)
    if not Trip.objects.filter(owner=user).exists():
        for path in sorted(settings.DEMO_DIR.glob("*.plan.json")):
            _load(user, path)
    return user


def _load(user: User, path: Path) -> None:
    """One trip with what was noted on it, and what its pictures say: those are files of their own."""
    name = path.name.removesuffix(".plan.json")
    trip = import_plan(user, read(path.read_bytes()))
    pictures = sorted(path.with_name(f"{name}-pictures").glob("*.jpg"))
    take_pictures(user, trip.slug, ((picture.name, io.BytesIO(picture.read_bytes())) for picture in pictures))
