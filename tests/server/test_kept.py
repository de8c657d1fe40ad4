"""Answers that are kept by the value of what was asked."""

from typing import Any

import pytest
from django.core.cache import cache

from mule.findings.shopping import Wanted
from mule.plan import Plan
from mule.search.choosing import Asking
from server.searching.answers import AHEAD
from server.searching.engine import ENGINE
from server.searching.jobs import WANTED, Answering, Choosing, Curing, drill, shopping
from server.searching.kept import value_of
from server.trips import packed
from tests import cast
from tests.server.conftest import lines

pytestmark = pytest.mark.django_db
KIT = "/trips/trip/kits/a"


@pytest.fixture(autouse=True)
def _nothing_kept() -> None:
    cache.clear()


def at_rest(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(ENGINE, "begin", lambda *_: pytest.fail("it was found before"))


def counted(monkeypatch: pytest.MonkeyPatch) -> list[Any]:
    """Searches that are begun from now on."""
    told: list[Any] = []
    begun = ENGINE.begin

    def begin(*asked: Any) -> Any:
        told.append(asked)
        return begun(*asked)

    monkeypatch.setattr(ENGINE, "begin", begin)
    return told


def test_a_choice_that_came_to_its_end_is_not_looked_for_again(
    ask: Any, stored: Plan, monkeypatch: pytest.MonkeyPatch
) -> None:
    first = lines(ask("post", f"{KIT}/choose", {}))
    assert first[-1]["choice"]["stopped"] is False
    with monkeypatch.context() as patch:
        at_rest(patch)
        again = lines(ask("post", f"{KIT}/choose", {}))
    assert again[-1] == first[-1]
    assert [line for line in again if "point" in line] == [line for line in first if "point" in line]
    # Something else is another question.
    told = counted(monkeypatch)
    lines(ask("post", f"{KIT}/choose", {"points": 3}))
    version = ask("get", "/trips/trip").json()["version"]
    trip = ask("get", "/trips/trip").json()["trip"]
    ask("put", "/trips/trip", {"version": version, "trip": trip | {"name": "Another name"}})
    lines(ask("post", f"{KIT}/choose", {}))
    assert len(told) == 2


def test_one_that_ran_out_of_time_is_looked_for_again(ask: Any, stored: Plan, monkeypatch: pytest.MonkeyPatch) -> None:
    first = lines(ask("post", f"{KIT}/choose", {"seconds": 0.01}))
    if not first[-1]["choice"]["stopped"]:
        pytest.skip("it was done in no time")
    told = counted(monkeypatch)
    lines(ask("post", f"{KIT}/choose", {"seconds": 0.01}))
    assert told


def test_the_drill_at_the_gate_is_a_search_and_found_once(
    ask: Any, stored: Plan, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr("mule.analysis.gate.stow", lambda *_: pytest.fail("not in the threads that answer clicks"))
    first = ask("get", f"{KIT}/gate-drill").json()
    assert [one["bag"] for one in first] == ["bag"]
    at_rest(monkeypatch)
    assert ask("get", f"{KIT}/gate-drill").json() == first


@pytest.mark.parametrize("count", [0, 1, 2, 3])
def test_what_is_to_be_got_is_listed_however_many_lines_it_has(
    ask: Any, stored: Plan, count: int, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Two of anything in a tuple would be taken for a status and a body."""
    lines_told = [Wanted(how="get", item="tele", count=1, mass_g=900.0)] * count
    monkeypatch.setattr(packed, "answer", lambda *_: WANTED.dump_json(lines_told).decode())
    listed = ask("get", f"{KIT}/shopping")
    assert listed.status_code == 200
    assert len(listed.json()) == count


def test_undo_begins_the_search_for_cures_as_an_edit_does(
    ask: Any, stored: Plan, monkeypatch: pytest.MonkeyPatch
) -> None:
    begun: list[Any] = []
    monkeypatch.setattr(AHEAD, "begin", lambda job, *_, about: begun.append((type(job), about)))
    stamps = []
    for verb, more in (("edits", {"edits": [{"act": "leave", "item": "normal"}]}), ("undo", {}), ("redo", {})):
        version = ask("get", KIT).json()["state"]["version"]
        stamps.append(ask("post", f"{KIT}/{verb}", {"version": version, **more}).json()["stamp"])
    assert begun == [(Curing, stamp) for stamp in stamps]
    assert len(set(stamps)) == 3


def test_the_value_of_a_question_is_what_it_is_about() -> None:
    def plan(grams: float = 1400) -> Plan:
        gear = [cast.bag(mass_g=grams), cast.body()]
        return cast.plan(gear, cast.entry("bag", cast.INES_CABIN), cast.entry("body"))

    assert value_of(Choosing(plan(), Asking())) == value_of(Choosing(plan(), Asking()))
    values = {
        value_of(job)
        for job in (
            Choosing(plan(), Asking()),
            Choosing(plan(1401), Asking()),
            Choosing(plan(), Asking(points=3)),
            Curing(plan()),
            Answering(plan(), drill),
            Answering(plan(), shopping),
        )
    }
    assert len(values) == 6
