"""Gunicorn's settings for a site: its data is checked and brought up to date once, before it serves.

gunicorn -c python:server.ops.serving server.wsgi:application
"""

import sys
from typing import Any

bind = "127.0.0.1:8000"
workers = 1
# Threads that wait for a search cost next to nothing.
threads = 128
loglevel = "warning"
# Nobody steers it from outside; it would want a home to be steered from.
control_socket_disable = True
# The app is imported in the process that made everything ready, and handed on: importing it twice takes longer than
# all the rest of a start.
preload_app = True


def make_ready(command: str) -> None:
    """Checks the database and runs a command that brings it up to date; ends with one line when it cannot be used."""
    # Imported here: Django is not set up when Gunicorn reads these settings.
    from django import setup  # noqa: PLC0415
    from django.core.management import call_command  # noqa: PLC0415
    from django.db import DatabaseError, connections  # noqa: PLC0415

    setup()
    from server.kernel.unusable import Unusable, ails  # noqa: PLC0415
    from server.ops.database import check_at_start  # noqa: PLC0415

    try:
        check_at_start()
        call_command(command, verbosity=0)
    except Unusable as error:
        sys.exit(f"Narrow Mule does not start. {error}")
    except DatabaseError as error:
        sys.exit(f"Narrow Mule does not start. {ails(error)}")
    # The worker opens connections of its own.
    connections.close_all()


def on_starting(server: Any) -> None:
    """Brings the database up to date."""
    make_ready("migrate")


def post_worker_init(worker: Any) -> None:
    """The first search finds its workers ready."""
    # Imported here for the same reason.
    from server.searching.engine import ENGINE  # noqa: PLC0415

    ENGINE.warm_up()
