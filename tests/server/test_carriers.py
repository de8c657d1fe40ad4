"""Carriers over HTTP."""

from typing import Any

import pytest

from mule.analysis.carriers import check
from mule.plan.trip import Leg
from server.library.carriers.patterns import PATTERNS
from tests.mule.test_carriers import BAG
from tests.server.conftest import errors

pytestmark = pytest.mark.django_db
OWN = {"id": "new", "name": "Skua Air", "pieces": [{"piece": "cabin", "mass_g": 8000}]}


def test_a_carrier_is_added_changed_and_removed(ask: Any) -> None:
    made = ask("post", "/carriers", {"carrier": OWN})
    assert made.status_code == 201
    doc = made.json()
    assert doc["carrier"]["id"] == "skua-air"
    doc["carrier"]["pieces"][0]["mass_g"] = 7000
    changed = ask("put", "/carriers/skua-air", doc)
    assert changed.json()["version"] == 2
    assert ask("put", "/carriers/skua-air", doc).status_code == 409
    assert ask("delete", "/carriers/skua-air").status_code == 204


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"name": ""}, "name"),
        ({"pieces": [{"piece": "trunk"}]}, "pieces.0.piece"),
        ({"pieces": [{"piece": "cabin", "mass_g": -1}]}, "pieces.0.mass_g"),
        ({"pieces": [{"piece": "cabin", "size_mm": [550, 400]}]}, "pieces.0.size_mm"),
        ({"pieces": [{"piece": "cabin", "size_mm": [550, 400, 0]}]}, "pieces.0.size_mm.2"),
        ({"pieces": [{"piece": "cabin"}, {"piece": "cabin"}]}, ""),
    ],
)
def test_a_bad_rule_is_refused_at_its_field(ask: Any, change: dict[str, Any], field: str) -> None:
    response = ask("post", "/carriers", {"carrier": OWN | change})
    assert response.status_code == 422
    assert field in errors(response)
    assert ask("get", "/carriers").json() == []


def test_a_carrier_that_a_leg_names_cannot_be_removed(ask: Any, stored: Any) -> None:
    response = ask("delete", "/carriers/air")
    assert response.status_code == 409
    assert "A trip" in errors(response)["id"]


def test_nobody_sees_another_owners_carriers(ask_as_stranger: Any, stored: Any) -> None:
    assert ask_as_stranger("get", "/carriers").json() == []
    assert ask_as_stranger("delete", "/carriers/air").status_code == 404


def test_there_are_patterns_of_several_means_each_usable_as_it_is(ask: Any) -> None:
    assert len(ask("get", "/carriers/patterns").json()) == len(PATTERNS) >= 8
    for pattern in PATTERNS:
        (verdict,) = check([Leg(id="l", name="l", carrier=pattern.id)], {pattern.id: pattern}, [BAG])
        assert verdict.limits is bool(pattern.pieces or pattern.together)
