"""The site's database as a file: whether it is sound, a copy of it while people work, and a copy put back.

Where DATABASE_URL names a PostgreSQL, its own tools do all of this (docs/hosting.md).
"""

import os
import shutil
import sqlite3
from collections.abc import Iterator
from contextlib import closing, contextmanager
from pathlib import Path

from django.conf import settings
from django.db import connections

from server.kernel.unusable import Unusable, ails
from server.ops import in_use


def _in_a_file() -> bool:
    return bool(settings.DATABASES["default"]["ENGINE"].endswith("sqlite3"))


def _file() -> Path:
    if not _in_a_file():
        raise Unusable("This site's data is not in a file.", "use the tools of its database, as docs/hosting.md says")
    return Path(str(connections["default"].settings_dict["NAME"]))


def require_sound(path: Path) -> None:
    """Raises Unusable for a file that is no database of this app, or a damaged one."""
    try:
        with closing(sqlite3.connect(f"file:{path}?mode=ro", uri=True)) as opened:
            (said,) = opened.execute("PRAGMA quick_check(1)").fetchone()
            opened.execute("SELECT 1 FROM django_migrations LIMIT 1")
    except sqlite3.DatabaseError as error:
        raise ails(error) from error
    if said != "ok":
        raise ails(ValueError("malformed"))


def check_at_start() -> None:
    """Raises Unusable when the database cannot be read or written, or is being restored; a missing one will be made."""
    if not _in_a_file():
        return
    path = _file()
    if not path.exists():
        if not os.access(path.parent, os.W_OK):
            raise ails(ValueError("readonly"))
        return
    if path.stat().st_size:
        require_sound(path)
    if not os.access(path, os.W_OK):
        raise ails(ValueError("readonly"))
    in_use.hold(path)


def _copy(path: Path, to: Path) -> None:
    """SQLite's own copying: what is written meanwhile is in it whole or not at all."""
    with closing(sqlite3.connect(f"file:{path}?mode=ro", uri=True)) as here, closing(sqlite3.connect(to)) as copy:
        here.backup(copy, pages=1000)
        # One file, with nothing beside it; the app sets its own way when it opens it.
        copy.execute("PRAGMA journal_mode=DELETE")


def back_up(to: Path) -> None:
    """Copies the database into a file while people work with it; the file is whole or not there. Raises Unusable."""
    beside = to.with_name(f"{to.name}.part")
    try:
        _copy(_file(), beside)
        require_sound(beside)
        beside.chmod(0o600)
        beside.replace(to)
    except (sqlite3.DatabaseError, OSError) as error:
        raise ails(error) from error
    finally:
        beside.unlink(missing_ok=True)


@contextmanager
def replacing(backup: Path) -> Iterator[Path]:
    """Replaces the database with a backup and keeps the data to this process until the block ends.

    Yields the file that holds the previous data, every committed edit included; an earlier copy is never overwritten.
    Raises Unusable, with everything as it was, while the site runs or when the file is not a sound backup.
    """
    require_sound(backup)
    path = _file()
    connections.close_all()
    with in_use.alone(path):
        try:
            yield _replaced(path, backup)
        finally:
            connections.close_all()


def _replaced(path: Path, backup: Path) -> Path:
    previous = _free_name(path)
    incoming = path.with_name(f"{path.name}.part")
    try:
        _copy(backup, incoming)
        if path.exists():
            _fold_log(path)
            _keep(path, previous)
            _move_log(path, previous)
        incoming.replace(path)
    except (sqlite3.DatabaseError, OSError) as error:
        raise ails(error) from error
    finally:
        incoming.unlink(missing_ok=True)
    return previous


def _keep(path: Path, previous: Path) -> None:
    """Gives the database a second name, so that there is one at every moment; a copy where a disk has no links."""
    try:
        os.link(path, previous)
    except OSError:
        shutil.copy2(path, previous)


def _free_name(path: Path) -> Path:
    names = (f"{path.name}.before", *(f"{path.name}.before-{n}" for n in range(2, 1000)))
    free = (path.with_name(name) for name in names)
    return next(name for name in free if not name.exists())


def _fold_log(path: Path) -> None:
    """Writes committed edits that are still in the write-ahead log into the database file itself.

    Raises Unusable when another program has the database open. A damaged database keeps its log as a file.
    """
    try:
        with closing(sqlite3.connect(path, timeout=1)) as opened:
            opened.execute("PRAGMA journal_mode=DELETE")
    except sqlite3.OperationalError as error:
        if "locked" in str(error):
            raise in_use.taken() from error
    except sqlite3.DatabaseError:
        # Damaged: moved aside as it is, its log with it.
        pass


def _move_log(path: Path, previous: Path) -> None:
    for rest in ("-wal", "-shm"):
        log = path.with_name(path.name + rest)
        if log.exists():
            log.replace(previous.with_name(previous.name + rest))
