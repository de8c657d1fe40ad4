"""For the tests: cheap passwords, demo mode on."""

from server.settings.base import *  # noqa: F403

DEMO_MODE = True
SECRET_KEY = "for testing only"
PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
ALLOWED_HOSTS = ["testserver", "127.0.0.1", "localhost"]
