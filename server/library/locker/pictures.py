"""Pictures of own things: made small, and nothing kept of them but the pixels.

A thing names its picture by what is in it, so a copy, an undone deletion and an archive find it again, and nobody's
picture ever changes under a name.
"""

import hashlib
import io
from collections.abc import Iterable
from datetime import timedelta

from django.contrib.auth.models import User
from django.utils import timezone
from PIL import Image, ImageOps, UnidentifiedImageError

from mule.base.errors import InvalidInput, Problem
from mule.plan.gear.base import PICTURE_NAME_LENGTH
from server.kernel.documents import writing
from server.kernel.errors import NotFound
from server.library.locker.models import Thing, ThingPicture

# Longest side of what is kept, in pixels: enough for the mat of a large window.
SIDE_PX = 480
# A picture of more pixels than any camera's is not unpacked.
_MOST_PIXELS = 120_000_000
# Kept at most; those that no thing names go first when there is no room left.
MOST_PICTURES = 1_000
_FORMATS = ("JPEG", "PNG", "WEBP")
# So long something may be undone that took the last name of a picture away.
_KEPT_UNNAMED = timedelta(days=30)


def keep_picture(owner: User, raw: bytes) -> str:
    """Keeps a picture, small and without metadata; gives its name. Raises InvalidInput for what is no picture."""
    image = _made_small(raw)
    name = hashlib.sha256(image).hexdigest()[:PICTURE_NAME_LENGTH]
    put_pictures(owner, {name: image})
    return name


def put_pictures(owner: User, pictures: dict[str, bytes]) -> None:
    """Keeps pictures that are small already, under their names. Raises InvalidInput when there would be too many."""
    with writing(owner):
        mine = ThingPicture.objects.filter(owner=owner)
        new = pictures.keys() - set(mine.filter(name__in=pictures).values_list("name", flat=True))
        if mine.count() + len(new) > MOST_PICTURES:
            long_ago = timezone.now() - _KEPT_UNNAMED
            mine.filter(made__lt=long_ago).exclude(name__in=names_of(owner)).delete()
        if mine.count() + len(new) > MOST_PICTURES:
            raise InvalidInput([Problem("file", "", f"at most {MOST_PICTURES:,} pictures in all")])
        ThingPicture.objects.bulk_create(
            [ThingPicture(owner=owner, name=name, image=pictures[name]) for name in sorted(new)]
        )


def picture_of(owner: User, name: str) -> bytes:
    """A picture by its name, as WebP. Raises NotFound."""
    row = ThingPicture.objects.filter(owner=owner, name=name).first()
    if row is None:
        raise NotFound("picture", name)
    return bytes(row.image)


def pictures_of(owner: User, names: Iterable[str]) -> dict[str, bytes]:
    """Those of these pictures that are there."""
    rows = ThingPicture.objects.filter(owner=owner, name__in=set(names))
    return {row.name: bytes(row.image) for row in rows}


def names_of(owner: User) -> set[str]:
    """The pictures that things of a locker name."""
    named = Thing.objects.filter(owner=owner).values_list("spec__picture", flat=True)
    return {name for name in named if name}


def is_small_picture(name: str, image: bytes) -> bool:
    """Whether bytes are the picture of that name, as it was kept."""
    if hashlib.sha256(image).hexdigest()[:PICTURE_NAME_LENGTH] != name:
        return False
    try:
        with Image.open(io.BytesIO(image), formats=("WEBP",)) as opened:
            return max(opened.size) <= SIDE_PX
    except (UnidentifiedImageError, OSError, ValueError):
        return False


def _made_small(raw: bytes) -> bytes:
    try:
        with Image.open(io.BytesIO(raw), formats=_FORMATS) as opened:
            if opened.width * opened.height > _MOST_PIXELS:
                raise InvalidInput([Problem("file", "", f"must have at most {_MOST_PIXELS // 1_000_000} megapixels")])
            # A JPEG is unpacked no larger than it need be.
            opened.draft("RGB", (SIDE_PX * 2, SIDE_PX * 2))
            upright = ImageOps.exif_transpose(opened)
            upright.thumbnail((SIDE_PX, SIDE_PX))
            plain = upright.convert("RGBA" if upright.has_transparency_data else "RGB")
    except (UnidentifiedImageError, OSError, ValueError, SyntaxError, Image.DecompressionBombError) as error:
        raise InvalidInput([Problem("file", "", "must be a JPEG, PNG or WebP picture")]) from error
    out = io.BytesIO()
    # A new picture of the pixels alone: place, camera and owner stay behind.
    bare = Image.new(plain.mode, plain.size)
    bare.paste(plain)
    bare.save(out, "WEBP", quality=80, method=4)
    return out.getvalue()
