"""Packs, cards and copies over HTTP."""

from typing import Any

import pytest

from mule.analysis.storage.stamina import last
from mule.plan import Plan
from tests.server.conftest import errors

pytestmark = pytest.mark.django_db
KIT = "/trips/trip/kits/a"


def test_the_report_is_that_of_the_core(ask: Any, stored: Plan) -> None:
    made = ask("post", f"{KIT}/stamina", {}).json()
    lasting = last(stored)
    assert made["power"] == lasting.power.model_dump(mode="json")
    assert made["pictures"] == lasting.pictures.model_dump(mode="json")
    assert made["lasts"]["days"] == len(stored.trip.days)


def test_settings_are_tried_and_not_stored(ask: Any, stored: Plan) -> None:
    before = ask("get", KIT).json()
    plain = ask("post", f"{KIT}/stamina", {}).json()
    colder = ask("post", f"{KIT}/stamina", {"stamina": {"warmer_c": -20, "pace": 2}}).json()
    assert [d["lowest_c"] for d in colder["power"]["days"]] == [d["lowest_c"] - 20 for d in plain["power"]["days"]]
    assert ask("get", KIT).json() == before


def test_advice_names_the_four_schools(ask: Any, stored: Plan) -> None:
    made = ask("post", f"{KIT}/stamina/advice", {}).json()
    assert [row["school"] for row in made["schools"]] == ["packs-only", "charge-nightly", "bank-by-day", "usb-c"]


@pytest.mark.parametrize(
    ("settings", "field"),
    [
        ({"margin": -1}, "stamina.margin"),
        ({"pace": 0}, "stamina.pace"),
        ({"patterns": []}, "stamina.patterns"),
        ({"copies": 0}, "stamina.copies"),
        ({"habits": [{"body": "body", "video_mbit_s": 0}]}, "stamina.habits.0.video_mbit_s"),
    ],
)
def test_impossible_settings_are_told_at_their_field(
    ask: Any, stored: Plan, settings: dict[str, Any], field: str
) -> None:
    refused = ask("post", f"{KIT}/stamina", {"stamina": settings})
    assert refused.status_code == 422
    assert field in "".join(str(e) for e in errors(refused))


def test_stamina_of_somebody_elses_kit_is_not_there(ask: Any) -> None:
    assert ask("post", "/trips/nothing/kits/a/stamina", {}).status_code == 404
