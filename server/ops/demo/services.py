"""Loading the demo world through the same services that people use."""

import io
from pathlib import Path
from typing import Any
from uuid import uuid4

from django.conf import settings
from django.contrib.auth import get_user_model
from django.contrib.auth.models import User
from django.db import transaction
from django.utils import timezone

from mule.plan import read
from server.accounts.demo import DEMO_NAME, REST
from server.accounts.services import preferences
from server.exchange.services import import_plan
from server.field.looking import take_pictures
from server.library.carriers.models import Carrier
from server.library.locker.models import Thing
from server.trips.models import Trip


def visitor() -> User:
    """Somebody new in the demo, with a world of their own: nobody sees or undoes another's."""
    forget_rested()
    user = _photographer(f"{DEMO_NAME} {uuid4().hex[:6]}")
    copy_world(demo_user(), user)
    return user


def forget_rested() -> None:
    """Removes the worlds of visitors who have rested longer than REST."""
    visitors = get_user_model().objects.filter(username__startswith=f"{DEMO_NAME} ", password__startswith="!")
    visitors.filter(last_login__lt=timezone.now() - REST).delete()


def _photographer(name: str) -> User:
    user, made = get_user_model().objects.get_or_create(username=name)
    if made:
        user.set_unusable_password()
        user.save()
        preferences(user)
    return user


def copy_world(of: User, to: User) -> None:
    """Row by row, as they stand: quicker than reading the files again."""
    with transaction.atomic():
        for model in (Thing, Carrier):
            _copy(model.objects.filter(owner=of), owner=to)
        for trip in Trip.objects.filter(owner=of):
            copy = _again(trip, owner=to)
            copy.save()
            for kit in trip.kits.all():
                kit_copy = _again(kit, trip=copy)
                kit_copy.save()
                _copy(kit.steps.all(), kit=kit_copy)
                _copy(kit.packings.all(), kit=kit_copy)
            _copy(trip.marks.all(), trip=copy)
            _copy(trip.frames.all(), trip=copy)


def _copy(rows: Any, **other: Any) -> None:
    rows.model.objects.bulk_create((_again(row, **other) for row in rows), batch_size=500)


def _again(row: Any, **other: Any) -> Any:
    told = {field.attname: getattr(row, field.attname) for field in row._meta.concrete_fields if not field.primary_key}
    return type(row)(**{k: v for k, v in told.items() if k.removesuffix("_id") not in other}, **other)


def demo_user() -> User:
    """The demo's photographer, with the demo world loaded on first use. Nobody can sign in with a password."""
    user = _photographer(DEMO_NAME)
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
