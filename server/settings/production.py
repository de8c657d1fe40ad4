"""For a server that others reach: refuses to start without a secret key and host names."""

import os

from django.core.exceptions import ImproperlyConfigured

from server.kernel.private import make_private
from server.settings.base import *  # noqa: F403
from server.settings.base import DATA_DIR

SECRET_KEY = os.environ.get("SECRET_KEY", "")
if len(SECRET_KEY) < 32:
    raise ImproperlyConfigured("Set SECRET_KEY to at least 32 random characters.")

ALLOWED_HOSTS = [host for host in os.environ.get("ALLOWED_HOSTS", "").split(",") if host]
if not ALLOWED_HOSTS:
    raise ImproperlyConfigured("Set ALLOWED_HOSTS to the host names this server answers to, with commas between.")

CSRF_TRUSTED_ORIGINS = [f"https://{host}" for host in ALLOWED_HOSTS]
SESSION_COOKIE_SECURE = True
CSRF_COOKIE_SECURE = True
SECURE_PROXY_SSL_HEADER = ("HTTP_X_FORWARDED_PROTO", "https")
SECURE_HSTS_SECONDS = 60 * 60 * 24 * 365
SECURE_HSTS_INCLUDE_SUBDOMAINS = True
SECURE_HSTS_PRELOAD = True
SECURE_SSL_REDIRECT = True
# Whoever looks whether the site is well does so beside the proxy.
SECURE_REDIRECT_EXEMPT = [r"^healthz$"]
BEHIND_PROXY = True
make_private(DATA_DIR)
