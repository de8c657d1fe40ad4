"""Gunicorn's settings for ``make demo``: the demo world is made ready and the app imported once, before it serves.

gunicorn -c python:server.demo.serving server.wsgi:application
"""

from typing import Any

bind = "127.0.0.1:8000"
workers = 1
# Threads that wait for a search cost next to nothing.
threads = 128
loglevel = "warning"
# The app is imported in the process that made the world ready, and handed on: importing it twice takes longer than all
# the rest of a start.
preload_app = True


def on_starting(server: Any) -> None:
    """Brings the database up to date and makes the demo world unless it is there."""
    # Imported here: Django is not set up when Gunicorn reads these settings.
    from django import setup  # noqa: PLC0415
    from django.core.management import call_command  # noqa: PLC0415
    from django.db import connections  # noqa: PLC0415

    setup()
    call_command("load_demo")
    # The worker opens connections of its own.
    connections.close_all()


def post_worker_init(worker: Any) -> None:
    """The first search finds its workers ready."""
    # Imported here for the same reason.
    from server.searching.engine import ENGINE  # noqa: PLC0415

    ENGINE.warm_up()
