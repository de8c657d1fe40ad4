"""Signed-in clients and short ways to ask the API."""

import json
import re
from collections.abc import Callable
from functools import cache
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client

from mule.plan import Plan
from server.api import api
from server.exchange.services import import_plan
from tests import cast

Ask = Callable[..., Any]


def make_user(name: str) -> User:
    return User.objects.create_user(username=name, password="a long password")


@pytest.fixture
def owner(db: None) -> User:
    return make_user("Ines")


@pytest.fixture
def stranger(db: None) -> User:
    return make_user("Torvald")


@pytest.fixture
def demo(ask: Ask, settings: Any) -> Ask:
    """Somebody in the demo world."""
    settings.DEMO_MODE = True
    assert ask("post", "/session/demo", {}).status_code == 200
    return ask


def lines(answer: Any) -> list[dict[str, Any]]:
    """What a search tells, line by line; an empty one only says that it is alive."""
    return [json.loads(line) for line in b"".join(answer.streaming_content).decode().splitlines() if line]


@cache
def described() -> list[tuple[re.Pattern[str], dict[str, Any]]]:
    """Each path of the OpenAPI description as a pattern, with its operations; the most literal ones first."""
    paths = api.get_openapi_schema()["paths"]
    plain = sorted(paths, key=lambda path: path.count("{"))
    return [(re.compile(re.sub(r"\\{\w+\\}", "[^/]+", re.escape(path))), paths[path]) for path in plain]


def require_described(method: str, path: str, status: int) -> None:
    """Whatever the API answers stands in its description; addresses and methods that it does not offer do not."""
    operations = next((methods for pattern, methods in described() if pattern.fullmatch(path)), {})
    if method in operations:
        assert status in {int(s) for s in operations[method]["responses"]}, f"{method} {path} may answer {status}"


def asker(user: User | None, **client: Any) -> Ask:
    made = Client(**client)
    if user:
        made.force_login(user)

    def ask(method: str, path: str, body: Any = None, **extra: Any) -> Any:
        data = body if isinstance(body, bytes) else json.dumps(body)
        kind = {} if body is None else {"data": data, "content_type": "application/json"}
        response = getattr(made, method)(f"/api{path}", **kind, **extra)
        require_described(method, f"/api{path.partition('?')[0]}", response.status_code)
        return response

    return ask


@pytest.fixture
def ask(owner: User) -> Ask:
    return asker(owner)


@pytest.fixture
def ask_as_stranger(stranger: User) -> Ask:
    return asker(stranger)


GEAR = [cast.bag(), cast.insert(), cast.body(), cast.normal_zoom(), cast.tele_zoom(), cast.converter(1.4), cast.pack()]


@pytest.fixture
def plan() -> Plan:
    return cast.plan(
        GEAR,
        cast.entry("bag", cast.INES_CABIN),
        cast.entry("body"),
        cast.entry("normal"),
        carriers=(cast.carrier(mass_g=8000),),
    )


@pytest.fixture
def stored(owner: User, plan: Plan) -> Plan:
    import_plan(owner, plan)
    return plan


def errors(response: Any) -> dict[str, str]:
    assert response["Content-Type"] == "application/problem+json", response.content
    return {e["field"]: e["rule"] for e in response.json()["errors"]}
