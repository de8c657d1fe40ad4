"""The database as a file: sound at the start, copied while people work, put back, and plain words when it fails."""

import json
import logging
import os
import sqlite3
import subprocess
import sys
from collections.abc import Iterator
from contextlib import closing, contextmanager
from pathlib import Path
from typing import Any

import pytest
from django.db import IntegrityError, OperationalError, connection
from django.test import Client

from server.kernel.unusable import Unusable, ails
from server.library.locker.models import Thing
from server.ops import in_use
from server.ops.database import require_sound
from tests.server.conftest import asker

ROOT = Path(__file__).parents[2]


def run(data: Path, *args: str) -> subprocess.CompletedProcess[str]:
    """Python on a site whose database is a file, whatever the tests run on."""
    env = {**os.environ, "DATA_DIR": str(data), "DJANGO_SETTINGS_MODULE": "server.settings.demo", "DATABASE_URL": ""}
    return subprocess.run([sys.executable, *args], cwd=ROOT, env=env, capture_output=True, text=True, check=False)


def manage(data: Path, *args: str) -> subprocess.CompletedProcess[str]:
    return run(data, "manage.py", *args)


@contextmanager
def full_disk() -> Iterator[None]:
    """No room for more than a few things: a file that may not grow, or a server that has no space for the tenth."""
    with connection.cursor() as cursor:
        if connection.vendor == "sqlite":
            pages = cursor.execute("PRAGMA page_count").fetchone()[0]
            cursor.execute(f"PRAGMA max_page_count = {pages}")
            try:
                yield
            finally:
                cursor.execute("PRAGMA max_page_count = 1073741823")
        else:
            cursor.execute(
                "CREATE FUNCTION fill() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN"
                " IF (SELECT count(*) FROM locker_thing) > 9 THEN"
                " RAISE 'could not extend file: No space left on device' USING ERRCODE = 'disk_full'; END IF;"
                " RETURN NEW; END $$"
            )
            cursor.execute("CREATE TRIGGER fill BEFORE INSERT ON locker_thing FOR EACH ROW EXECUTE FUNCTION fill()")
            yield
            cursor.execute("DROP TRIGGER fill ON locker_thing; DROP FUNCTION fill()")


@pytest.fixture(scope="module")
def site(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """Data of a site with one account."""
    data = tmp_path_factory.mktemp("site")
    assert manage(data, "migrate", "-v0").returncode == 0
    make = "from django.contrib.auth.models import User; User.objects.create_user('Ines')"
    assert manage(data, "shell", "-v0", "-c", make).returncode == 0
    return data


@pytest.fixture(scope="module")
def backup(site: Path, tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A sound copy of it."""
    made = tmp_path_factory.mktemp("backup") / "monday.sqlite3"
    assert manage(site, "backup_site", str(made)).returncode == 0
    return made


def names(database: Path) -> list[str]:
    with closing(sqlite3.connect(database)) as opened:
        return [row[0] for row in opened.execute("SELECT username FROM auth_user ORDER BY username")]


def test_a_copy_is_made_while_somebody_writes_and_is_put_back(site: Path, tmp_path: Path) -> None:
    database, backup = site / "narrow-mule.sqlite3", tmp_path / "monday.sqlite3"
    with closing(sqlite3.connect(database, isolation_level=None)) as writer:
        writer.execute("BEGIN IMMEDIATE")
        writer.execute("UPDATE auth_user SET first_name = 'half'")
        made = manage(site, "backup_site", str(backup))
        writer.execute("ROLLBACK")
    assert made.returncode == 0, made.stderr
    assert [p.name for p in tmp_path.iterdir()] == ["monday.sqlite3"]
    assert backup.stat().st_mode & 0o077 == 0
    with closing(sqlite3.connect(backup)) as opened:
        assert opened.execute("SELECT first_name FROM auth_user").fetchall() == [("",)]
    with closing(sqlite3.connect(database)) as later:
        later.execute("UPDATE auth_user SET username = 'Somebody else'")
        later.commit()
    back = manage(site, "restore_site", str(backup))
    assert back.returncode == 0, back.stderr
    assert names(database) == ["Ines"]
    assert names(site / "narrow-mule.sqlite3.before") == ["Somebody else"]


WRITE_FOR_EVER = """
import sqlite3, sys, itertools
opened = sqlite3.connect(sys.argv[1], isolation_level=None)
opened.execute("PRAGMA journal_mode=WAL")
opened.execute("PRAGMA wal_autocheckpoint=0")
for number in itertools.count(1):
    opened.execute("UPDATE auth_user SET first_name = ?", (str(number),))
    print(number, flush=True)
"""


def test_after_a_crash_a_restore_keeps_every_edit_that_was_acknowledged(site: Path, backup: Path) -> None:
    database = site / "narrow-mule.sqlite3"
    writer = subprocess.Popen([sys.executable, "-c", WRITE_FOR_EVER, str(database)], stdout=subprocess.PIPE, text=True)
    assert writer.stdout is not None
    acknowledged = [writer.stdout.readline() for _ in range(500)][-1].strip()
    writer.kill()
    acknowledged = (writer.stdout.read().split() or [acknowledged])[-1]
    writer.wait()
    assert (site / "narrow-mule.sqlite3-wal").stat().st_size, "edits are in the log only"
    there = set(site.glob("*.before*"))
    assert manage(site, "restore_site", str(backup)).returncode == 0
    (previous,) = set(site.glob("*.before*")) - there
    with closing(sqlite3.connect(previous)) as opened:
        ((told,),) = opened.execute("SELECT first_name FROM auth_user").fetchall()
    assert int(told) >= int(acknowledged)
    # And back: the previous data restores like any backup, and is not written over by what it replaces.
    assert manage(site, "restore_site", str(previous)).returncode == 0
    with closing(sqlite3.connect(database)) as opened:
        assert opened.execute("SELECT first_name FROM auth_user").fetchall() == [(told,)]
    assert previous.exists()


HOLD = "from django.db import connection; connection.ensure_connection(); print('ready', flush=True); input()"
HOLD_RAW = """
import sqlite3, sys
opened = sqlite3.connect(sys.argv[1])
opened.execute("PRAGMA journal_mode=WAL"); opened.execute("SELECT * FROM auth_user").fetchall()
print("ready", flush=True); input()
"""


@pytest.mark.parametrize("by", ["the site", "another program"])
def test_a_site_that_runs_is_not_restored_and_loses_nothing(site: Path, backup: Path, by: str) -> None:
    database = site / "narrow-mule.sqlite3"
    command = ["manage.py", "shell", "-v0", "-c", HOLD] if by == "the site" else ["-c", HOLD_RAW, str(database)]
    env = {**os.environ, "DATA_DIR": str(site), "DJANGO_SETTINGS_MODULE": "server.settings.demo", "DATABASE_URL": ""}
    holder = subprocess.Popen(
        [sys.executable, *command], cwd=ROOT, env=env, stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True
    )
    assert holder.stdout is not None
    assert holder.stdout.readline().strip() == "ready"
    there, content = sorted(p.name for p in site.iterdir()), database.read_bytes()
    refused = manage(site, "restore_site", str(backup))
    assert refused.returncode != 0
    assert "stop the site" in refused.stderr
    assert "Traceback" not in refused.stderr
    assert (sorted(p.name for p in site.iterdir()), database.read_bytes()) == (there, content)
    holder.kill()
    holder.wait()
    assert manage(site, "restore_site", str(backup)).returncode == 0


def test_a_site_does_not_start_while_its_data_is_restored(site: Path) -> None:
    with in_use.alone(site / "narrow-mule.sqlite3"):
        made = run(site, "-c", "from server.ops.demo.serving import on_starting; on_starting(None)")
    assert made.returncode != 0
    (line,) = made.stderr.strip().splitlines()
    assert "being restored" in line


@pytest.mark.parametrize("content", [b"", b"no database at all, but long enough to be looked at" * 40])
def test_what_is_no_backup_is_not_put_back(site: Path, tmp_path: Path, content: bytes) -> None:
    before = names(site / "narrow-mule.sqlite3")
    bad = tmp_path / "bad.sqlite3"
    bad.write_bytes(content)
    made = manage(site, "restore_site", str(bad))
    assert made.returncode != 0
    assert "Traceback" not in made.stderr
    assert names(site / "narrow-mule.sqlite3") == before


def test_a_damaged_file_is_noticed(site: Path, tmp_path: Path) -> None:
    whole = (site / "narrow-mule.sqlite3").read_bytes()
    broken = tmp_path / "broken.sqlite3"
    broken.write_bytes(whole[:4096] + b"\x00" * 8192 + whole[12288:])
    with pytest.raises(Unusable, match=r"damaged|put a backup back|migrate"):
        require_sound(broken)
    require_sound(site / "narrow-mule.sqlite3")


def test_a_site_does_not_start_on_damaged_data_and_says_in_one_line_what_to_do(tmp_path: Path) -> None:
    (tmp_path / "narrow-mule.sqlite3").write_bytes(b"no database at all, but long enough to be looked at" * 40)
    made = run(tmp_path, "-c", "from server.ops.demo.serving import on_starting; on_starting(None)")
    assert made.returncode != 0
    (line,) = made.stderr.strip().splitlines()
    assert line.startswith("Narrow Mule does not start.")
    assert "restore_site" in line


@pytest.mark.parametrize(
    ("error", "said"),
    [
        ("database or disk is full", "disk is full"),
        ("attempt to write a readonly database", "may not write"),
        ("unable to open database file", "cannot open"),
        ("database disk image is malformed", "damaged"),
        ("database is locked", "busy"),
        ("could not extend file: No space left on device", "disk is full"),
        ("cannot execute INSERT in a read-only transaction", "may not write"),
        ("connection refused", "cannot reach"),
    ],
)
@pytest.mark.django_db
def test_what_fails_is_told_in_one_plain_line_here_and_in_the_log(
    error: str, said: str, monkeypatch: pytest.MonkeyPatch, caplog: pytest.LogCaptureFixture, owner: Any
) -> None:
    def fail(*_: Any) -> None:
        raise OperationalError(error)

    ask = asker(owner)
    monkeypatch.setattr("server.trips.services.trips", fail)
    logger = logging.getLogger("server.requests")
    monkeypatch.setattr(logger, "propagate", True)
    answer = ask("get", "/trips")
    assert answer.status_code == 503
    assert said in json.loads(answer.content)["title"]
    # Searches of tests before may still be ending, which the scheduler tells the log.
    told = next(record.getMessage() for record in caplog.records if record.name == "server.requests")
    assert "What to do" in told
    assert ails(OperationalError(error)).cure in told


@pytest.mark.django_db
def test_a_full_disk_leaves_nothing_half_written(owner: Any) -> None:
    ask = asker(owner)
    made = ask("post", "/locker/understand", {"text": "hat"}).json()[0]["thing"]
    put = [{"version": 0, "thing": made | {"note": "x" * 1900}} for _ in range(200)]
    with full_disk():
        assert ask("post", "/locker/changes", {"put": put}).status_code == 503
    assert Thing.objects.count() == 0


@pytest.mark.django_db
def test_a_statement_that_breaks_a_rule_is_no_fault_of_the_database(
    monkeypatch: pytest.MonkeyPatch, owner: Any
) -> None:
    def fail(*_: Any) -> None:
        raise IntegrityError("UNIQUE constraint failed")

    monkeypatch.setattr("server.trips.services.trips", fail)
    client = Client(raise_request_exception=False)
    client.force_login(owner)
    assert client.get("/api/trips").status_code == 500
