"""Writes the API's OpenAPI document to the file named, for the web app's generated types."""

import json
import os
import sys
from pathlib import Path

import django

if __name__ == "__main__":
    sys.path.insert(0, str(Path(__file__).resolve().parent.parent))
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.settings.test")
    django.setup()
    from server.api import api

    target = Path(sys.argv[1])
    target.parent.mkdir(exist_ok=True)
    target.write_text(json.dumps(api.get_openapi_schema(), indent=1))
