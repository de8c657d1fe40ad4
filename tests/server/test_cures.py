"""Cures over HTTP: told one by one, of the kit or of a thought, and over when the kit changes."""

from typing import Any

import pytest

from mule.findings.cures import cure
from mule.plan import Plan
from tests.server.conftest import lines

pytestmark = pytest.mark.django_db
KIT = "/trips/trip/kits/a"


def test_findings_come_one_by_one_after_the_stamp_and_are_those_of_the_core(ask: Any, stored: Plan) -> None:
    answer = ask("post", f"{KIT}/cures", {"edits": []})
    assert answer["Content-Type"] == "application/x-ndjson"
    first, *told, last = [line for line in lines(answer) if "ahead" not in line]
    assert first == {"stamp": ask("get", KIT).json()["state"]["stamp"]}
    assert [line["finding"]["code"] for line in told] == [f.code for f in cure(stored).findings]
    assert last == {"whole": True}


def test_a_thought_is_told_of_and_nothing_is_stored(ask: Any, stored: Plan) -> None:
    before = ask("get", KIT).json()["state"]
    empty = lines(ask("post", f"{KIT}/cures", {"entries": []}))
    assert next(line["finding"]["code"] for line in empty if "finding" in line) == "nothing-loaded"
    assert ask("get", KIT).json()["state"] == before


def test_a_thought_that_cannot_be_is_refused(ask: Any, stored: Plan) -> None:
    answer = ask("post", f"{KIT}/cures", {"edits": [{"act": "leave", "item": "nothing"}]})
    assert answer.status_code == 422


def test_what_is_looked_for_ends_when_the_kit_is_changed(ask: Any, stored: Plan) -> None:
    answer = ask("post", f"{KIT}/cures", {"edits": []})
    version = ask("get", KIT).json()["state"]["version"]
    ask("post", f"{KIT}/edits", {"version": version, "edits": [{"act": "load", "item": "tele"}]})
    assert lines(answer)[-1] == {"whole": False}
