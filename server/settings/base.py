"""Settings shared by every way of running. ``DATA_DIR`` and ``PORT`` come from the environment."""

import os
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent.parent
DATA_DIR = Path(os.environ.get("DATA_DIR", ROOT / "data")).resolve()
WEB_DIST = ROOT / "web" / "dist"
DEMO_DIR = ROOT / "demo"

DEBUG = False
ALLOWED_HOSTS = ["127.0.0.1", "localhost", "[::1]"]

# Demo mode offers "step into the demo" and loads the made-up world.
DEMO_MODE = False

INSTALLED_APPS = [
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "django.contrib.sessions",
    "server.accounts",
    "server.locker",
    "server.carriers",
    "server.trips",
    "server.field",
    "server.exchange",
    "server.demo",
]

MIDDLEWARE = [
    "django.middleware.security.SecurityMiddleware",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
]

ROOT_URLCONF = "server.urls"
WSGI_APPLICATION = "server.wsgi.application"

DATABASES = {
    "default": {
        "ENGINE": "django.db.backends.sqlite3",
        "NAME": DATA_DIR / "narrow-mule.sqlite3",
        "OPTIONS": {
            "timeout": 10,
            "transaction_mode": "IMMEDIATE",
            # Readers go on while one writes; a lost power supply loses at most the last moment.
            "init_command": "PRAGMA journal_mode=WAL; PRAGMA synchronous=NORMAL;",
        },
        "CONN_MAX_AGE": 600,
    }
}
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"

AUTH_PASSWORD_VALIDATORS = [
    {"NAME": "django.contrib.auth.password_validation.MinimumLengthValidator", "OPTIONS": {"min_length": 8}},
    {"NAME": "django.contrib.auth.password_validation.CommonPasswordValidator"},
]
SESSION_ENGINE = "django.contrib.sessions.backends.db"
SESSION_COOKIE_AGE = 60 * 60 * 24 * 90
SESSION_COOKIE_SAMESITE = "Lax"
SESSION_COOKIE_HTTPONLY = True
CSRF_COOKIE_SAMESITE = "Lax"

# Searches (choosing, packing, cures) run in worker processes: beside this one, or where a scheduler listens
# (tcp://host:port). Nobody gets more than these seconds, and threads, for one search.
SEARCH_WORKERS = os.environ.get("WORKERS", "")
SEARCH_PROCESSES = int(os.environ.get("SEARCH_PROCESSES", os.cpu_count() or 1))
SEARCH_SECONDS = float(os.environ.get("SEARCH_SECONDS", "120"))
SEARCH_THREADS = int(os.environ.get("SEARCH_THREADS", "2"))

# What is asked in one go, but for files: those are read up to limits of their own.
DATA_UPLOAD_MAX_MEMORY_SIZE = 5_000_000

# The built web app is served from the root; hashed names may be kept for ever.
WHITENOISE_ROOT = WEB_DIST if WEB_DIST.is_dir() else None
WHITENOISE_INDEX_FILE = False
WHITENOISE_IMMUTABLE_FILE_TEST = r"^/assets/"
STATIC_URL = "/static/"

USE_TZ = True
TIME_ZONE = "UTC"
X_FRAME_OPTIONS = "DENY"
SECURE_REFERRER_POLICY = "same-origin"

# Where a luggage scale listens: the simulated one (python -m server.demo.scale), or a bridge to a real one.
_scale_host, _, _scale_port = os.environ.get("SCALE_ADDRESS", "127.0.0.1:7071").rpartition(":")
SCALE_ADDRESS = (_scale_host, int(_scale_port))
