"""For developing: debug pages, demo mode, the web app served by Vite."""

from server.settings.base import *  # noqa: F403

DEBUG = True
# Brings the pages of /api/docs from here instead of from a network.
INSTALLED_APPS = [*INSTALLED_APPS, "django.contrib.staticfiles", "ninja"]  # noqa: F405
TEMPLATES = [{"BACKEND": "django.template.backends.django.DjangoTemplates", "APP_DIRS": True}]
DEMO_MODE = True
SECRET_KEY = "for developing only"
CSRF_TRUSTED_ORIGINS = ["http://127.0.0.1:5173", "http://localhost:5173"]
