"""The day's bag: the trip by its days, cures of what lies at the base, proposals, and what a click does."""

import pytest

from tests.server.conftest import Ask, lines

pytestmark = pytest.mark.django_db
KIT = "/trips/lofoten/kits/b"


def test_each_day_says_what_is_out_there_and_a_click_on_a_cure_mends_it(demo: Ask) -> None:
    by_days = demo("get", f"{KIT}/days").json()
    assert (len(by_days["days"]), by_days["outings"]) == (9, 3)
    coast = by_days["days"][1]
    assert coast["loadout"] == "shore"
    codes = {(f["code"], f.get("what")) for f in coast["findings"]}
    assert ("missing-link", "card") in codes
    told = lines(demo("post", f"{KIT}/days/{coast['date']}/cures"))
    assert told[-1] == {"whole": True}
    cure = next(t["finding"]["cures"][0] for t in told if t.get("finding", {}).get("what") == "card")
    version = demo("get", KIT).json()["state"]["version"]
    changed = demo("post", f"{KIT}/loadouts/shore/edits", {"version": version, "edits": cure["edits"]})
    assert changed.status_code == 200
    then = demo("get", f"{KIT}/days").json()["days"][1]["findings"]
    assert ("missing-link", "card") not in {(f["code"], f.get("what")) for f in then}
    stale = demo("post", f"{KIT}/loadouts/shore/edits", {"version": version, "edits": cure["edits"]})
    assert stale.status_code == 409


def test_ways_to_go_out_come_line_by_line_and_the_same_question_is_answered_at_once(demo: Ask) -> None:
    asked = {"days": ["2027-02-26"], "person": "ines"}
    told = lines(demo("post", f"{KIT}/propose", asked))
    ways = [t["proposal"]["way"] for t in told if t.get("proposal")]
    assert ways[0] == "any"
    assert told[-1] == {"whole": True}
    assert told[0]["proposal"]["proved"]
    again = lines(demo("post", f"{KIT}/propose", asked))
    assert [t for t in again if "proposal" in t] == [t for t in told if "proposal" in t]


def test_what_cannot_be_asked_is_refused_before_the_first_line(demo: Ask) -> None:
    wrong = demo("post", f"{KIT}/propose", {"days": ["2030-01-01"], "person": "ines"})
    assert (wrong.status_code, wrong.json()["errors"][0]["field"]) == (422, "days.0")
    assert demo("post", f"{KIT}/days/2030-01-01/cures").status_code == 422
    version = demo("get", KIT).json()["state"]["version"]
    edits = [{"act": "load", "item": "l-100-400"}]
    lost = demo("post", f"{KIT}/loadouts/nowhere/edits", {"version": version, "edits": edits})
    assert (lost.status_code, lost.json()["errors"][0]["field"]) == (422, "loadout")


def test_the_safe_says_what_goes_in_first_and_only_where_there_is_one(demo: Ask) -> None:
    told = demo("get", f"{KIT}/days/2027-02-21/base").json()
    assert (told["sort"], told["packs"]) == ("room", {})
    assert [one["rank"] for one in told["locked"]] == sorted(one["rank"] for one in told["locked"])
    refused = demo("get", "/trips/karst/kits/a/days/2026-09-12/base")
    assert refused.status_code == 422


def test_what_goes_first_of_the_bag_of_a_day(demo: Ask) -> None:
    told = demo("get", f"{KIT}/days/2027-02-21/advice").json()
    bag = demo("get", f"{KIT}/days").json()["days"][1]
    loaded = {entry["item"] for entry in demo("get", f"{KIT}/loadouts/{bag['loadout']}").json()["kit"]["entries"]}
    drops = [drop["item"] for drop in told["ledger"]["drops"]]
    assert set(drops) <= loaded
    # What would add something lies at the base: nothing is fetched from home.
    whole = {entry["item"] for entry in demo("get", KIT).json()["state"]["kit"]["entries"]}
    assert {item for add in told["ledger"]["additions"] for item in add["items"]} <= whole - loaded
    assert drops or told["ledger"]["additions"]
    assert demo("get", f"{KIT}/days/2030-01-01/advice").status_code == 422
