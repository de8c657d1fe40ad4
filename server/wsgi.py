"""Entry point for gunicorn."""

import gc
import os

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.settings.production")
application = get_wsgi_application()

# What is loaded by now stays for good: keep the garbage collector from walking it on every click.
gc.freeze()
