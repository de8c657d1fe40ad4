"""Errors leave a trace, and nothing that anybody typed."""

import json
import logging
from collections.abc import Iterator
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.db import DatabaseError, connection
from django.test import Client

from mule.plan import Plan
from server.kernel.tracing import LOG, JsonLines
from server.trips import services

pytestmark = pytest.mark.django_db
KIT = "/trips/trip/kits/a"


class Heard(logging.Handler):
    """Lines as they are written."""

    def __init__(self) -> None:
        super().__init__()
        self.setFormatter(JsonLines())
        self.lines: list[str] = []

    def emit(self, record: logging.LogRecord) -> None:
        self.lines.append(self.format(record))


@pytest.fixture
def log() -> Iterator[Heard]:
    heard = Heard()
    LOG.addHandler(heard)
    yield heard
    LOG.removeHandler(heard)


def test_what_breaks_is_told_with_its_number_in_the_answer_and_the_log(
    client: Client, owner: User, stored: Plan, log: Heard, monkeypatch: pytest.MonkeyPatch
) -> None:
    client.force_login(owner)
    typed = "-".join(["grandmother", "s", "lens"])

    def breaks(*_: Any) -> None:
        raise RuntimeError(typed)

    monkeypatch.setattr(services, "find_kit", breaks)
    answer = client.get(f"/api{KIT}")
    number = answer["X-Request-Id"]
    assert answer.status_code == 500
    assert number in answer.json()["title"]
    told = [json.loads(line) for line in log.lines]
    assert {line["request"] for line in told} == {number}
    assert [line["what"] for line in told] == ["broke", "failed"]
    assert told[0]["error"] == "RuntimeError"
    assert "in breaks" in told[0]["traceback"]
    # Neither what the error says nor what the address names.
    assert typed not in "".join(log.lines)
    assert "kits/a" not in "".join(log.lines)
    assert told[0]["route"].startswith("api/trips/<slug>")


def test_slow_requests_are_told(ask: Any, stored: Plan, log: Heard, settings: Any) -> None:
    assert ask("get", KIT).status_code == 200
    assert not log.lines
    settings.SLOW_MS = 0
    ask("get", KIT)
    (line,) = map(json.loads, log.lines)
    assert (line["what"], line["status"], line["method"]) == ("slow", 200, "GET")
    assert line["ms"] >= 0


def test_private_answers_are_nobodys_to_keep(ask: Any, stored: Plan) -> None:
    assert ask("get", KIT)["Cache-Control"] == "no-store"
    assert "geolocation=()" in ask("get", KIT)["Permissions-Policy"]
    assert ask("get", KIT)["X-Request-Id"] != ask("get", KIT)["X-Request-Id"]


def test_the_site_says_whether_it_is_well(client: Client, monkeypatch: pytest.MonkeyPatch) -> None:
    assert client.get("/healthz").content == b"ok"

    def gone(*_: Any) -> None:
        raise DatabaseError

    monkeypatch.setattr(connection, "cursor", gone)
    assert client.get("/healthz").status_code == 503
