"""All of an account out, and back: the same answers, and nothing half done."""

import io
import json
import zipfile
from pathlib import Path
from typing import Any

import pytest
from django.conf import settings
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.core.management import CommandError, call_command
from django.test import Client

from mule.base.errors import InvalidInput
from mule.plan import read
from server.accounts.services import preferences
from server.exchange.archive import archive_of, restore
from server.exchange.services import export_plan, import_plan
from server.library.locker.convert import locker_of
from server.library.locker.models import Thing
from server.trips.models import Kit, KitStep, Trip
from tests.server.conftest import asker, errors

pytestmark = pytest.mark.django_db


@pytest.fixture
def full(owner: User, ask: Any) -> User:
    """An account with the demo's trips, a step that can be undone, and a taste."""
    for path in sorted(settings.DEMO_DIR.glob("*.plan.json")):
        import_plan(owner, read(path.read_bytes()))
    taste = preferences(owner)
    taste.units, taste.theme = "imperial", "night"
    taste.save()
    bench = ask("get", "/trips/lofoten/kits/a").json()
    item = bench["state"]["kit"]["entries"][-1]["item"]
    body = {"version": bench["state"]["version"], "edits": [{"act": "leave", "item": item}]}
    assert ask("post", "/trips/lofoten/kits/a/edits", body).status_code == 200
    return owner


def everything(user: User) -> dict[str, Any]:
    kits = Kit.objects.filter(trip__owner=user).select_related("trip")
    return {
        "locker": locker_of(user),
        "trips": [export_plan(kit) for kit in kits],
        "open": list(Trip.objects.filter(owner=user).values_list("slug", "open_kit", "ticked", "scale")),
        "steps": list(KitStep.objects.filter(kit__trip__owner=user).values_list("number", "before", "after")),
        "at": [kit.at_step for kit in kits],
        "taste": (preferences(user).units, preferences(user).theme),
    }


def test_into_an_empty_account_it_comes_back_as_it_was(full: User, stranger: User) -> None:
    told = restore(stranger, archive_of(full)).told()
    assert everything(stranger) == everything(full)
    assert told["trips"] == {"new": 3, "same": 0, "renamed": 0}
    assert told["preferences"]
    ask = asker(stranger)
    own = asker(full)
    for kit in ("a", "b"):
        mine, theirs = (a("get", f"/trips/lofoten/kits/{kit}").json()["state"] for a in (own, ask))
        assert mine["assessment"] == theirs["assessment"]
        advice = [a("get", f"/trips/lofoten/kits/{kit}/advice").json()["advice"] for a in (own, ask)]
        assert advice[0] == advice[1]
    version = ask("get", "/trips/lofoten/kits/a").json()["state"]["version"]
    undone = ask("post", "/trips/lofoten/kits/a/undo", {"version": version})
    assert undone.status_code == 200


def test_into_the_account_it_came_from_nothing_is_added(full: User) -> None:
    before = everything(full)
    told = restore(full, archive_of(full)).told()
    assert everything(full) == before
    assert told["things"]["new"] == told["things"]["renamed"] == 0
    assert told["trips"] == {"new": 0, "same": 3, "renamed": 0}
    assert not told["preferences"]


def test_into_a_full_account_what_differs_comes_beside_it(full: User) -> None:
    raw = archive_of(full)
    row = Thing.objects.filter(owner=full, kind="lens").first()
    assert row is not None
    row.spec["note"] = "mine"
    row.save()
    things = Thing.objects.filter(owner=full).count()
    told = restore(full, raw).told()
    assert told["things"]["renamed"] == 1
    assert Thing.objects.filter(owner=full).count() == things + 1
    assert told["trips"]["renamed"] >= 1
    assert Thing.objects.get(pk=row.pk).spec["note"] == "mine"


def test_it_is_open_files_with_a_readable_index(full: User) -> None:
    with zipfile.ZipFile(io.BytesIO(archive_of(full))) as inside:
        names = inside.namelist()
        assert names[:5] == ["README.txt", "archive.json", "locker.json", "locker.csv", "carriers.json"]
        assert "3 trips" in inside.read("README.txt").decode()
        assert len(json.loads(inside.read("locker.json"))) == Thing.objects.filter(owner=full).count()
        for name in (n for n in names if n.endswith(".plan.json")):
            read(inside.read(name))


def without(raw: bytes, name: str, instead: bytes | None = None) -> bytes:
    held = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(raw)) as old, zipfile.ZipFile(held, "w") as new:
        for one in old.namelist():
            if one != name:
                new.writestr(one, old.read(one))
            elif instead is not None:
                new.writestr(one, instead)
    return held.getvalue()


@pytest.mark.parametrize(
    ("name", "instead"),
    [
        ("archive.json", None),
        ("archive.json", b'{"format": "other"}'),
        ("archive.json", b'{"format": "narrow-mule-archive", "version": 99}'),
        ("locker.json", b"[{"),
        ("locker.json", b'[{"kind": "lens"}]'),
        ("carriers.json", None),
        ("trips/001-canoe.plan.json", b"{}"),
        ("trips/001-canoe.plan.json", b"[" * 100_000),
    ],
)
def test_a_damaged_archive_says_where_and_brings_nothing(
    full: User, stranger: User, name: str, instead: bytes | None
) -> None:
    raw = archive_of(full)
    with zipfile.ZipFile(io.BytesIO(raw)) as inside:
        name = next(n for n in inside.namelist() if n.split("-")[-1] == name.rsplit("-", maxsplit=1)[-1])
    with pytest.raises(InvalidInput) as refused:
        restore(stranger, without(raw, name, instead))
    assert refused.value.problems[0].field.startswith(name[:20])
    assert not (Thing.objects.filter(owner=stranger).exists())
    assert not (Trip.objects.filter(owner=stranger).exists())


@pytest.mark.parametrize("cut", [0, 10, 1000])
def test_a_cut_off_file_is_refused(full: User, stranger: User, cut: int) -> None:
    with pytest.raises(InvalidInput):
        restore(stranger, archive_of(full)[:cut])


def test_memory_that_cannot_be_read_is_left_behind(full: User, stranger: User) -> None:
    raw = archive_of(full)
    with zipfile.ZipFile(io.BytesIO(raw)) as inside:
        name = next(n for n in inside.namelist() if n.endswith("lofoten.memory.json"))
    bad = {"kits": {"a": {"at_step": 1, "steps": [{"number": 1, "before": [{"x": 1}], "after": []}], "packings": []}}}
    told = restore(stranger, without(raw, name, json.dumps(bad).encode())).told()
    assert told["trips"]["new"] == 3
    assert not KitStep.objects.filter(kit__trip__owner=stranger, kit__trip__slug="lofoten").exists()


def test_it_goes_and_comes_over_http(full: User, stranger: User) -> None:
    client = Client()
    client.force_login(full)
    answer = client.get("/api/exchange/account.zip")
    assert answer["Content-Type"] == "application/zip"
    assert answer["Cache-Control"] == "no-store"
    other = Client()
    other.force_login(stranger)
    back = other.post("/api/exchange/account", {"file": SimpleUploadedFile("a.zip", answer.content)})
    assert back.status_code == 201
    assert back.json()["trips"]["new"] == 3
    bad = other.post("/api/exchange/account", {"file": SimpleUploadedFile("a.zip", b"no zip")})
    assert "file" in errors(bad)


def test_whoever_runs_the_site_does_the_same(full: User, stranger: User, tmp_path: Path) -> None:
    path = tmp_path / "ines.zip"
    call_command("archive_account", full.username, path)
    call_command("restore_account", stranger.username, path)
    assert everything(stranger)["locker"] == everything(full)["locker"]
    assert [p.name for p in tmp_path.iterdir()] == ["ines.zip"]
    for args in (("archive_account", "Nobody", path), ("restore_account", "Nobody", path)):
        with pytest.raises(CommandError):
            call_command(*args)
    path.write_bytes(b"broken")
    with pytest.raises(CommandError, match="zip"):
        call_command("restore_account", stranger.username, path)
