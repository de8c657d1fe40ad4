"""Signed-in clients and short ways to ask the API."""

import json
from collections.abc import Callable
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client

from mule.plan import Plan
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


def asker(user: User | None, **client: Any) -> Ask:
    made = Client(**client)
    if user:
        made.force_login(user)

    def ask(method: str, path: str, body: Any = None, **extra: Any) -> Any:
        data = body if isinstance(body, bytes) else json.dumps(body)
        kind = {} if body is None else {"data": data, "content_type": "application/json"}
        return getattr(made, method)(f"/api{path}", **kind, **extra)

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
