"""Who has the site's data open: every process that connects holds a lock on a file beside it, for life.

The kernel drops a lock with its process, so a crash or ``kill -9`` leaves none behind. A worker that Gunicorn forks
shares the lock of its master.
"""

import fcntl
import os
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from django.db.backends.signals import connection_created

from server.kernel.unusable import Unusable

# By lock file: the descriptor this process holds.
_HELD: dict[Path, int] = {}


def taken() -> Unusable:
    """The error for data that another process has open."""
    return Unusable("The site is running: its data is in use.", "stop the site and every manage.py command, then retry")


def _lock_file(database: Path) -> Path:
    return database.with_name(f"{database.name}.lock")


def _take(database: Path, how: int) -> None:
    file = _lock_file(database)
    held = _HELD.get(file)
    number = os.open(file, os.O_RDWR | os.O_CREAT, 0o600) if held is None else held
    try:
        fcntl.flock(number, how | fcntl.LOCK_NB)
    except OSError:
        if held is None:
            os.close(number)
        raise
    _HELD[file] = number


def hold(database: Path) -> None:
    """Holds the data, together with other processes, for life. Raises Unusable while it is being restored."""
    if _lock_file(database) in _HELD or not database.parent.is_dir():
        return
    try:
        _take(database, fcntl.LOCK_SH)
    except BlockingIOError as error:
        raise Unusable(
            "The data is being restored.", "wait until restore_site has finished, then start again"
        ) from error
    except OSError:
        # A folder that cannot be written: what reads from there may go on, and writing says so itself.
        return


@contextmanager
def alone(database: Path) -> Iterator[None]:
    """Holds the data for this process only. Raises Unusable while any other has it open."""
    file = _lock_file(database)
    before = file in _HELD
    try:
        _take(database, fcntl.LOCK_EX)
    except BlockingIOError as error:
        raise taken() from error
    try:
        yield
    finally:
        if before:
            fcntl.flock(_HELD[file], fcntl.LOCK_SH)
        else:
            os.close(_HELD.pop(file))


def hold_on_connecting(sender: Any, connection: Any, **_: Any) -> None:
    """Holds the file of a database as soon as something connects to it."""
    name = str(connection.settings_dict["NAME"])
    if connection.vendor == "sqlite" and not name.startswith(("file:", ":")):
        hold(Path(name))


connection_created.connect(hold_on_connecting, dispatch_uid="server.ops.in_use")
