"""The small bench of the welcome page: open to anybody, computed by the core, and nothing of it is kept."""

from typing import Any

import pytest
from django.contrib.auth.models import User

from mule.findings.assess import assess
from mule.plan import Plan
from server.ops.demo.window import FIRST, SHOWN
from server.trips.models import Trip
from tests.server.conftest import asker, errors

pytestmark = pytest.mark.django_db


def shown(query: str = "") -> dict[str, Any]:
    answer = asker(None)("get", f"/window{query}")
    assert answer.status_code == 200
    made: dict[str, Any] = answer.json()
    return made


def loaded(bench: dict[str, Any]) -> set[str]:
    return {entry["item"] for entry in bench["kit"]["entries"]} & set(SHOWN)


def test_anybody_may_try_it_and_what_is_said_is_what_the_core_says() -> None:
    bench = shown()
    assert loaded(bench) == set(FIRST)
    wants = {w["want"]: w["cover"] for w in bench["assessment"]["coverage"]["wants"]}
    fewer = shown("?loaded=" + ",".join(sorted(set(FIRST) - {"l-100-400"})))
    after = {w["want"]: w["cover"] for w in fewer["assessment"]["coverage"]["wants"]}
    assert wants["eagles"] > 0.9 > after["eagles"]
    assert {want for want in wants if wants[want] != after[want]} <= {"eagles", "ice"}
    by = bench["assessment"]["loads"]["carried_g"] - fewer["assessment"]["loads"]["carried_g"]
    assert by == next(thing["mass_g"] for thing in bench["gear"] if thing["id"] == "l-100-400")


def test_at_first_it_flies_and_with_everything_it_does_not() -> None:
    assert [leg["passes"] for leg in shown()["assessment"]["legs"]] == [True]
    everything = shown("?loaded=" + ",".join(SHOWN))
    assert [leg["passes"] for leg in everything["assessment"]["legs"]] == [False]


def test_nothing_may_lie_there_and_nothing_else() -> None:
    assert loaded(shown("?loaded=")) == set()
    assert "loaded" in errors(asker(None)("get", "/window?loaded=c1,secret"))
    assert Trip.objects.count() == User.objects.count() == 0


def test_it_is_a_plan_like_any_other() -> None:
    bench = shown()
    demo = asker(None)
    demo("post", "/session/demo")
    rules = demo("get", "/carriers").json()
    rule = next(doc["carrier"] for doc in rules if doc["carrier"]["id"] == bench["trip"]["legs"][0]["carrier"])
    parts = {"trip": bench["trip"], "gear": bench["gear"], "kits": [bench["kit"]], "carriers": [rule]}
    plan = Plan.model_validate({**parts, "open_kit": bench["kit"]["id"]})
    assert assess(plan).model_dump(mode="json") == bench["assessment"]
