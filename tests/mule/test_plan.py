"""The plan file: reading, refusing, and the command line."""

import json
from pathlib import Path
from typing import Any

import pytest
from pydantic import ValidationError

from mule import __main__ as cli
from mule.base.errors import InvalidInput
from mule.findings.assess import assess
from mule.plan import MAX_BYTES, Plan, read, write
from mule.plan.places import InBag
from mule.plan.trip import Day, Trait, Want
from tests import cast

PLAN = cast.plan(
    [cast.bag(), cast.insert(), cast.body(), cast.normal_zoom()],
    cast.entry("bag", cast.INES_CABIN),
    cast.entry("cube"),
    cast.entry("body", InBag(bag="cube")),
    cast.entry("normal"),
    carriers=(cast.carrier(mass_g=8000),),
)
DATA: dict[str, Any] = json.loads(write(PLAN))
DEMO = sorted((Path(__file__).parents[2] / "demo").glob("*.plan.json"))


def refused(data: Any) -> list[tuple[str, str]]:
    text = data if isinstance(data, bytes) else json.dumps(data).encode()
    with pytest.raises(InvalidInput) as caught:
        read(text)
    return [(p.field, p.rule) for p in caught.value.problems]


def changed(**parts: Any) -> dict[str, Any]:
    return DATA | parts


def test_a_plan_survives_writing_and_reading() -> None:
    assert read(write(PLAN).encode()) == PLAN


def test_a_file_that_is_cut_off_says_where() -> None:
    (problem,) = refused(write(PLAN).encode()[:500])
    assert problem == ("", "must be a complete JSON document in UTF-8")


def test_a_file_over_5_mb_is_refused_unread() -> None:
    assert "40,000,000" in refused(b" " * (MAX_BYTES + 1))[0][1]


@pytest.mark.parametrize("text", [b"", b"\xff\xfe\x00", b"[" * 100_000, b"nonsense"])
def test_what_is_no_json_is_refused_as_such(text: bytes) -> None:
    assert "JSON" in refused(text)[0][1]


@pytest.mark.parametrize(
    ("data", "field"),
    [
        ([], ""),
        ("text", ""),
        (changed(format="another-plan"), "format"),
        (changed(version=2), "version"),
        (changed(version="1"), "version"),
        (changed(extra=1), "extra"),
        (changed(kits=[]), "kits"),
        (changed(open_kit="z"), "open_kit"),
        (changed(trip=DATA["trip"] | {"name": ""}), "trip.name"),
        (changed(gear=[*DATA["gear"], DATA["gear"][0]]), "gear.4.id"),
        (changed(carriers=[*DATA["carriers"], DATA["carriers"][0]]), "carriers.1.id"),
        (changed(gear=DATA["gear"][:2]), "kits.0.entries.2.item"),
        (changed(carriers=[]), "trip.legs.0.carrier"),
    ],
)
def test_a_wrong_plan_names_the_place(data: Any, field: str) -> None:
    assert refused(data)[0][0] == field


def test_nan_in_a_file_is_refused_at_its_field() -> None:
    text = write(PLAN).replace('"mass_g": 720.0', '"mass_g": NaN')
    assert refused(text.encode())[0][0] == "gear.2.mass_g"


@pytest.mark.parametrize(
    ("place", "field"),
    [
        ({"where": "bag", "bag": "ghost"}, "place.bag"),
        ({"where": "bag", "bag": "body"}, "place.bag"),
        ({"where": "worn", "person": "ghost"}, "place.person"),
        ({"where": "piece", "piece": "cabin", "person": "ines"}, "place.piece"),
        ({"where": "space"}, "place"),
    ],
)
def test_an_entry_at_an_impossible_place_is_named(place: dict[str, str], field: str) -> None:
    entries = [*DATA["kits"][0]["entries"][:3], {"item": "normal", "count": 1, "place": place}]
    assert refused(changed(kits=[DATA["kits"][0] | {"entries": entries}]))[0][0] == f"kits.0.entries.3.{field}"


def test_more_than_is_owned_is_refused() -> None:
    entries = [
        DATA["kits"][0]["entries"][0],
        {"item": "body", "count": 2, "place": {"where": "worn", "person": "ines"}},
    ]
    field, rule = refused(changed(kits=[DATA["kits"][0] | {"entries": entries}]))[0]
    assert field == "kits.0.entries.1.count"
    assert rule.startswith("at most 1")


def test_inserts_in_a_circle_are_refused() -> None:
    other = DATA["gear"][1] | {"id": "cube-2"}
    loop = [
        {"item": "cube", "count": 1, "place": {"where": "bag", "bag": "cube-2"}},
        {"item": "cube-2", "count": 1, "place": {"where": "bag", "bag": "cube"}},
    ]
    data = changed(gear=[*DATA["gear"], other], kits=[DATA["kits"][0] | {"entries": loop}])
    assert "inside itself" in refused(data)[0][1]


@pytest.mark.parametrize(
    "change",
    [
        {"focal_min_mm": 70, "focal_max_mm": 24},
        {"focal_min_mm": 0},
        {"focal_max_mm": 5000},
        {"importance": 0},
        {"importance": 6},
        {"megapixels": -1},
        {"max_f_number": 0},
        {"light": "bright"},
        {"traits": (cast.wish(Trait.MACRO), cast.wish(Trait.MACRO, essential=True))},
    ],
)
def test_a_want_that_means_nothing_is_refused(change: dict[str, Any]) -> None:
    good: dict[str, Any] = {"id": "w", "name": "w", "focal_min_mm": 24, "focal_max_mm": 70}
    Want(**good)
    with pytest.raises(ValidationError):
        Want(**(good | change))


def test_days_run_forward_each_date_once() -> None:
    first, second = Day(date="2027-02-20", title="1"), Day(date="2027-02-21", title="2")
    cast.trip(days=(first, second))
    for wrong in ((second, first), (first, first)):
        with pytest.raises(ValidationError, match="days must run forward"):
            cast.trip(days=wrong)


@pytest.mark.parametrize("path", DEMO, ids=lambda p: p.stem)
def test_every_demo_plan_is_assessed_without_idle_optics(path: Path) -> None:
    plan = read(path.read_bytes())
    for kit in plan.kits:
        made = assess(plan.with_kit(kit))
        assert 40 < made.coverage.score <= 100
        assert made.coverage.idle == ()


def test_the_demo_has_a_kit_over_the_small_planes_limit_and_two_that_pass() -> None:
    plan = read(next(p for p in DEMO if p.name.startswith("lofoten")).read_bytes())
    passing = {kit.id: all(leg.passes for leg in assess(plan.with_kit(kit)).legs) for kit in plan.kits}
    assert passing == {"a": True, "b": False, "c": True}
    assert len(plan.gear) >= 60
    assert [i for i in plan.kit.loaded() if plan.items[i].absent] == ["pol-82", "hand-warmers"]


def test_the_command_line_prints_the_assessment(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    file = tmp_path / "trip.plan.json"
    file.write_text(write(PLAN))
    assert cli.main(["assess", str(file)]) == 0
    printed = json.loads(capsys.readouterr().out)
    assert printed == json.loads(assess(PLAN).model_dump_json()) | {"banks": [], "loadouts": []}
    assert printed["coverage"]["score"] == pytest.approx(100)


def test_the_command_line_tells_banks_loadouts_and_the_other_things_of_a_slot(
    capsys: pytest.CaptureFixture[str],
) -> None:
    file = next(p for p in DEMO if p.name.startswith("lofoten"))
    assert cli.main(["assess", str(file)]) == 0
    told = json.loads(capsys.readouterr().out)
    assert {b["item"]: round(b["gives_wh"], 1) for b in told["banks"]} == {"bank-90": 58.5}
    plan = read(file.read_bytes())
    weighed = {o["loadout"]: o["loads"]["people"] for o in told["loadouts"]}
    assert list(weighed) == [loadout.id for loadout in plan.kit.stow.loadouts]
    assert all(person["carried_g"] > 0 for people in weighed.values() for person in people)
    assert cli.main(["stow", str(file), "--seconds", "20"]) == 0
    slots = {a["slot"] for a in json.loads(capsys.readouterr().out)["alternatives"]}
    assert slots == {slot.id for slot in plan.trip.marks.slots}


def test_the_command_line_picks_a_kit_and_refuses_one_that_is_not_there(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    file = tmp_path / "trip.plan.json"
    file.write_text(write(PLAN))
    assert cli.main(["assess", str(file), "--kit", "a"]) == 0
    assert cli.main(["assess", str(file), "--kit", "q"]) == 2
    assert "open_kit: got q" in capsys.readouterr().err


def test_the_command_line_tells_problems_on_standard_error(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    file = tmp_path / "broken.json"
    file.write_text("{")
    assert cli.main(["assess", str(file)]) == 2
    assert "complete JSON document" in capsys.readouterr().err
    assert cli.main(["assess", str(tmp_path / "missing.json")]) == 2
    assert "No such file" in capsys.readouterr().err


def test_the_published_schema_is_the_one_of_the_code(capsys: pytest.CaptureFixture[str]) -> None:
    assert cli.main(["schema"]) == 0
    schema = json.loads(capsys.readouterr().out)
    assert schema == Plan.model_json_schema()
    assert set(schema["required"]) == {"trip", "kits", "open_kit"}


@pytest.mark.parametrize("path", DEMO, ids=lambda p: p.stem)
def test_the_command_line_tells_the_advice_with_its_cures(path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    assert cli.main(["advise", str(path)]) == 0
    told = json.loads(capsys.readouterr().out)
    assert {"ledger", "resilience", "findings", "stations"} <= told.keys()
    assert any(finding["cures"] for finding in told["findings"])
