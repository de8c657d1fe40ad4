"""Passwords are hashed one at a time and behind everything else: who signs in never slows down who clicks."""

import os
import threading
from concurrent.futures import ThreadPoolExecutor

from django.contrib.auth.hashers import PBKDF2PasswordHasher

from server.kernel.refusals import TooBusy

# So many wait; whoever comes then is told to come again.
MOST_WAITING = 16
# Kinder than who answers clicks, as `nice` counts, and still done soon on a busy machine.
_NICE = 5


def _be_kind() -> None:
    if hasattr(os, "setpriority"):
        os.setpriority(os.PRIO_PROCESS, threading.get_native_id(), _NICE)


_ONE = ThreadPoolExecutor(1, "hashing", _be_kind)
_waiting = threading.Semaphore(MOST_WAITING)


class QuietHasher(PBKDF2PasswordHasher):
    """Django's own way of hashing, in a thread of its own. Raises TooBusy."""

    def encode(self, password: str, salt: str, iterations: int | None = None) -> str:
        """As the parent does it."""
        if not _waiting.acquire(blocking=False):
            raise TooBusy
        try:
            return _ONE.submit(super().encode, password, salt, iterations).result()
        finally:
            _waiting.release()
