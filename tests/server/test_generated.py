"""Generated requests over the whole description of the API: nothing is answered by a fault, nothing outside of it."""

from collections.abc import Iterator
from typing import Any

import pytest
import schemathesis
from django.contrib.auth.models import User
from django.core.signals import request_finished, request_started
from django.core.wsgi import get_wsgi_application
from django.db import close_old_connections
from django.test import Client
from hypothesis import HealthCheck, Phase, settings
from schemathesis.checks import not_a_server_error
from schemathesis.specs.openapi.checks import (
    content_type_conformance,
    response_schema_conformance,
    status_code_conformance,
)

from mule.plan import Plan
from server.api import api

pytestmark = [pytest.mark.django_db, pytest.mark.xdist_group("generated")]

CHECKS = [not_a_server_error, status_code_conformance, content_type_conformance, response_schema_conformance]
# Names that are there: with random ones alone every answer would be that there is no such thing.
THERE = {"slug": "trip", "kit": "a", "bag": "bag", "loadout": "day", "form": "csv", "name": "list", "part": "sheet"}
# Searches are given a moment, whatever they would take by themselves: what is looked at here is how they answer.
BRIEF = {"choose": {"seconds": 0.2, "points": 2}, "stowage": {"seconds": 0.2}}

schema = schemathesis.openapi.from_dict(api.get_openapi_schema())
schema.app = get_wsgi_application()
# The demo is brought in whole on every call; signing out ends the session that the others need.
asked = schema.exclude(path_regex="^/api/session/(demo|sign-out)$")


@asked.hook
def map_path_parameters(context: Any, path_parameters: dict[str, Any] | None) -> dict[str, Any] | None:
    """Every second name is one that is there."""
    if not path_parameters:
        return path_parameters
    return {k: THERE.get(k, v) if len(str(v)) % 2 == 0 else v for k, v in path_parameters.items()}


@asked.hook
def map_body(context: Any, body: Any) -> Any:
    """Searches end soon."""
    return {**body, **BRIEF.get(context.operation.path.rsplit("/", 1)[-1], {})} if isinstance(body, dict) else body


@pytest.fixture
def signed_in(owner: User, stored: Plan) -> Iterator[dict[str, str]]:
    """Headers of a session. The connection is the test's own: an answer does not close it, as it would in life."""
    signals = (request_started, request_finished)
    for signal in signals:
        signal.disconnect(close_old_connections)
    client = Client()
    client.force_login(owner)
    token = "a" * 32
    yield {
        "Cookie": f"sessionid={client.cookies['sessionid'].value}; csrftoken={token}",
        "X-CSRFToken": token,
    }
    for signal in signals:
        signal.connect(close_old_connections)


@asked.parametrize()
@settings(
    max_examples=12,
    deadline=None,
    derandomize=True,
    # The explicit phase would be thousands of cases for the largest documents.
    phases=[Phase.generate],
    suppress_health_check=list(HealthCheck),
)
def test_every_answer_is_one_that_is_described(case: Any, signed_in: dict[str, str]) -> None:
    response = case.call(headers=signed_in)
    case.validate_response(response, checks=CHECKS)
