"""For the tests: cheap passwords, demo mode on, a database file as in life (threads share nothing in memory)."""

from server.settings.base import *  # noqa: F403
from server.settings.base import DATABASES, ROOT

DEMO_MODE = True
SECRET_KEY = "for testing only"
PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
ALLOWED_HOSTS = ["testserver", "127.0.0.1", "localhost"]

(ROOT / ".build").mkdir(exist_ok=True)
if DATABASES["default"]["ENGINE"].endswith("sqlite3"):
    DATABASES["default"]["TEST"] = {"NAME": ROOT / ".build" / "test.sqlite3"}
