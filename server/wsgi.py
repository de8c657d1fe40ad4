"""Entry point for gunicorn."""

import gc
import os

from django.core.wsgi import get_wsgi_application
from django.urls import get_resolver

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.settings.production")
application = get_wsgi_application()

# Addresses are read on the first request otherwise, and with them everything they lead to.
_ = get_resolver().url_patterns

# What is loaded by now stays for good: keep the garbage collector from walking it on every click. An answer makes
# some thousands of small values that go again with it: look for cycles after several answers, not within each.
gc.freeze()
gc.set_threshold(20_000, 20, 50)
