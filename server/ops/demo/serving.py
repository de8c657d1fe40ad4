"""Gunicorn's settings for ``make demo``: as for a site, and the demo world is made ready.

gunicorn -c python:server.ops.demo.serving server.wsgi:application
"""

from typing import Any

from server.ops.serving import bind, loglevel, make_ready, post_worker_init, preload_app, threads, workers

__all__ = ["bind", "loglevel", "on_starting", "post_worker_init", "preload_app", "threads", "workers"]


def on_starting(server: Any) -> None:
    """Brings the database up to date and makes the demo world unless it is there."""
    make_ready("load_demo")
