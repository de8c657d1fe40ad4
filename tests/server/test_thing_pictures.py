"""Pictures of own things: small, without metadata, nobody else's, taken away and brought back."""

import io
import zipfile
from datetime import timedelta
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from django.utils import timezone
from PIL import Image

from mule.base.errors import InvalidInput
from mule.plan import Plan
from server.exchange.archive import archive_of, restore
from server.library.locker import pictures
from server.library.locker.convert import locker_of
from server.library.locker.models import Thing, ThingPicture
from tests.server.conftest import asker

pytestmark = pytest.mark.django_db
MODEL, GPS, LATITUDE, ORIENTATION = 0x0110, 0x8825, 2, 0x0112


def drawn(size: tuple[int, int] = (900, 600), form: str = "JPEG", *, turned: bool = False) -> bytes:
    """A picture that says where and with what it was taken."""
    exif = Image.Exif()
    exif[MODEL] = "MODEL-7 II"
    exif.get_ifd(GPS)[LATITUDE] = (68.0, 9.0, 0.0)
    if turned:
        exif[ORIENTATION] = 6
    out = io.BytesIO()
    Image.new("RGB", size, "teal").save(out, form, exif=exif)
    return out.getvalue()


def send(user: User, raw: bytes) -> Any:
    client = Client()
    client.force_login(user)
    return client.post("/api/locker/pictures", {"file": SimpleUploadedFile("mine.jpg", raw)})


def shown(user: User, name: str) -> Image.Image:
    raw = asker(user)("get", f"/locker/pictures/{name}").content
    return Image.open(io.BytesIO(raw))


def with_picture(user: User, name: str) -> str:
    """A thing of the locker that shows it."""
    thing = locker_of(user)[0]
    asker(user)(
        "put", f"/locker/things/{thing.id}", {"version": 1, "thing": thing.model_dump(mode="json") | {"picture": name}}
    )
    return thing.id


@pytest.mark.parametrize("form", ["JPEG", "PNG", "WEBP"])
def test_a_picture_is_kept_small_and_tells_nothing(owner: User, form: str) -> None:
    told = send(owner, drawn(form=form))
    assert told.status_code == 201
    kept = shown(owner, told.json()["picture"])
    assert (kept.format, kept.size) == ("WEBP", (480, 320))
    assert not kept.getexif()
    assert not set(kept.info) & {"exif", "xmp", "icc_profile"}


def test_a_picture_stands_as_it_was_held(owner: User) -> None:
    assert shown(owner, send(owner, drawn(turned=True)).json()["picture"]).size == (320, 480)


@pytest.mark.parametrize("raw", [b"", b"no picture", drawn()[:200], b"\x89PNG\r\n\x1a\n" + bytes(40), b"<svg/>"])
def test_what_is_no_picture_is_refused(owner: User, raw: bytes) -> None:
    assert send(owner, raw).status_code == 422
    assert not ThingPicture.objects.exists()


def test_a_picture_that_unpacks_to_too_much_is_not_unpacked(owner: User, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(pictures, "_MOST_PIXELS", 100_000)
    assert "must have at most" in send(owner, drawn()).content.decode()


def test_nobody_sees_anothers_picture(owner: User, stranger: User) -> None:
    name = send(owner, drawn()).json()["picture"]
    assert asker(stranger)("get", f"/locker/pictures/{name}").status_code == 404
    assert asker(None)("get", f"/locker/pictures/{name}").status_code == 401


def test_the_same_picture_is_kept_once(owner: User) -> None:
    assert send(owner, drawn()).json() == send(owner, drawn()).json()
    assert ThingPicture.objects.count() == 1


def test_without_room_those_that_nothing_shows_go_and_those_shown_stay(
    owner: User, stored: Plan, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(pictures, "MOST_PICTURES", 2)
    mine = send(owner, drawn((500, 400))).json()["picture"]
    with_picture(owner, mine)
    # What was let go of just now may come back by an undo.
    send(owner, drawn((500, 300)))
    assert send(owner, drawn((500, 200))).status_code == 422
    ThingPicture.objects.update(made=timezone.now() - timedelta(days=31))
    assert send(owner, drawn((500, 200))).status_code == 201
    assert mine in set(ThingPicture.objects.values_list("name", flat=True))
    assert ThingPicture.objects.count() == 2


def test_an_archive_holds_the_pictures_that_things_show(owner: User, stranger: User, stored: Plan) -> None:
    name = send(owner, drawn()).json()["picture"]
    send(owner, drawn((500, 200)))
    thing = with_picture(owner, name)
    archive = archive_of(owner)
    with zipfile.ZipFile(io.BytesIO(archive)) as inside:
        assert [n for n in inside.namelist() if n.startswith("pictures/")] == [f"pictures/{name}.webp"]
    restore(stranger, archive)
    assert Thing.objects.get(owner=stranger, slug=thing).spec["picture"] == name
    assert shown(stranger, name).tobytes() == shown(owner, name).tobytes()


def test_an_archive_with_another_picture_under_that_name_brings_nothing(
    owner: User, stranger: User, stored: Plan
) -> None:
    name = send(owner, drawn()).json()["picture"]
    with_picture(owner, name)
    out = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(archive_of(owner))) as inside, zipfile.ZipFile(out, "w") as made:
        for info in inside.infolist():
            made.writestr(info, drawn() if info.filename.startswith("pictures/") else inside.read(info))
    with pytest.raises(InvalidInput, match=r"pictures/.*as exported"):
        restore(stranger, out.getvalue())
    assert not locker_of(stranger)


def test_a_thing_names_a_picture_by_its_sum_only(owner: User, stored: Plan) -> None:
    thing = locker_of(owner)[0].model_dump(mode="json") | {"picture": "../../etc"}
    assert asker(owner)("put", f"/locker/things/{thing['id']}", {"version": 1, "thing": thing}).status_code == 422
