"""Entry point for gunicorn."""

import os

from django.core.wsgi import get_wsgi_application
from django.urls import get_resolver

from server.kernel.process import keep_what_is_loaded, share_time

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.settings.production")
application = get_wsgi_application()

# Addresses are read on the first request otherwise, and with them everything they lead to.
_ = get_resolver().url_patterns

keep_what_is_loaded()
share_time()
