"""Settings: production refuses to start half configured."""

import os
import subprocess
import sys
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[2]


def start(**environment: str) -> subprocess.CompletedProcess[str]:
    env = {**os.environ, "DJANGO_SETTINGS_MODULE": "server.settings.production", **environment}
    code = "import django; django.setup(); from django.conf import settings; print(settings.DEBUG, settings.DATA_DIR)"
    return subprocess.run([sys.executable, "-c", code], cwd=ROOT, env=env, capture_output=True, text=True, check=False)


@pytest.mark.parametrize("key", ["", "short"])
def test_production_refuses_to_start_without_a_secret_key(key: str) -> None:
    made = start(SECRET_KEY=key, ALLOWED_HOSTS="example.org")
    assert made.returncode != 0
    assert "Set SECRET_KEY" in made.stderr


def test_production_refuses_to_start_without_host_names() -> None:
    made = start(SECRET_KEY="k" * 50, ALLOWED_HOSTS="")
    assert "Set ALLOWED_HOSTS" in made.stderr


def test_production_starts_when_configured_and_data_dir_is_a_setting(tmp_path: Path) -> None:
    made = start(SECRET_KEY="k" * 50, ALLOWED_HOSTS="example.org", DATA_DIR=str(tmp_path))
    assert made.stdout.split() == ["False", str(tmp_path)]
