"""The locker over HTTP."""

from typing import Any

import pytest

from mule.plan.gear import Cylinder
from server.library.locker.convert import typical
from server.library.locker.models import Thing
from tests import cast
from tests.server.conftest import errors

pytestmark = pytest.mark.django_db


def put(ask: Any, doc: dict[str, Any], **changes: Any) -> Any:
    body = {"version": doc["version"], "thing": doc["thing"] | changes}
    return ask("put", f"/locker/things/{doc['thing']['id']}", body)


@pytest.fixture
def zoom(ask: Any) -> dict[str, Any]:
    made: dict[str, Any] = ask("post", "/locker/from-typical", {"typical": "lens-24-70-f2-8"}).json()
    return made


def test_the_typical_table_has_at_least_140_things_all_marked_typical() -> None:
    table = typical().values()
    assert len(table) >= 140
    assert {t.mass_source for t in table} | {t.size_source for t in table} == {"typical"}
    assert len({t.kind for t in table}) == 27


def test_every_typical_lens_names_only_converters_of_the_table() -> None:
    named = {c for t in typical().values() if t.kind == "lens" for c in t.takes_converters}
    assert named <= set(typical())


def test_the_typical_normal_zoom_weighs_800_g() -> None:
    zoom = typical()["lens-24-70-f2-8"]
    assert (zoom.mass_g, zoom.size) == (800, Cylinder(diameter_mm=88, length_mm=124))


def test_adding_a_typical_thing_twice_gives_two_ids(ask: Any) -> None:
    body = {"typical": "pack-large", "count": 3}
    first, second = (ask("post", "/locker/from-typical", body).json()["thing"] for _ in range(2))
    assert (first["id"], second["id"]) == ("pack-large", "pack-large-2")
    assert first["count"] == 3
    assert len(ask("get", "/locker/things").json()) == 2


def test_an_unknown_typical_thing_is_not_found(ask: Any) -> None:
    assert ask("post", "/locker/from-typical", {"typical": "unicorn"}).status_code == 404


def test_an_own_thing_gets_its_id_from_its_name(ask: Any) -> None:
    thing = cast.normal_zoom().model_dump(mode="json") | {"id": "new", "name": "My old 24–70, dented"}
    response = ask("post", "/locker/things", {"thing": thing})
    assert response.status_code == 201
    assert response.json()["thing"]["id"] == "my-old-24-70-dented"


def test_an_edit_is_stored_and_counts_the_version_up(ask: Any, zoom: dict[str, Any]) -> None:
    response = put(ask, zoom, name="Corrie 24–70", mass_g=806)
    assert response.json()["version"] == 2
    assert ask("get", "/locker/things").json()[0]["thing"]["name"] == "Corrie 24–70"


def test_a_stale_edit_is_refused_with_what_is_stored_now(ask: Any, zoom: dict[str, Any]) -> None:
    put(ask, zoom, name="First")
    response = put(ask, zoom, name="Second")
    assert response.status_code == 409
    assert response.json()["current"]["name"] == "First"
    assert Thing.objects.get().name == "First"


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"mass_g": -5}, "mass_g"),
        ({"focal_min_mm": 0}, "focal_min_mm"),
        ({"mass_g": "heavy"}, "mass_g"),
        ({"kind": "body"}, "megapixels"),
        ({"count": 1000}, "count"),
        ({"size": {"shape": "cylinder", "diameter_mm": 0, "length_mm": 10}}, "size.diameter_mm"),
    ],
)
def test_a_bad_edit_is_refused_at_its_field_and_nothing_is_stored(
    ask: Any, zoom: dict[str, Any], change: dict[str, Any], field: str
) -> None:
    response = put(ask, zoom, **change)
    assert response.status_code == 422
    found = errors(response)
    assert field in found
    assert Thing.objects.get().version == 1


def test_nan_in_the_body_is_refused(ask: Any, zoom: dict[str, Any]) -> None:
    response = put(ask, zoom, mass_g=float("nan"))
    assert "mass_g" in errors(response)


def test_a_reversed_range_is_refused_with_its_numbers(ask: Any, zoom: dict[str, Any]) -> None:
    response = put(ask, zoom, focal_min_mm=70, focal_max_mm=24)
    assert any("must not end at 24" in rule for rule in errors(response).values())


def test_a_thing_keeps_its_kind_and_its_id(ask: Any, zoom: dict[str, Any]) -> None:
    body = {"version": 1, "thing": cast.body("lens-24-70-f2-8").model_dump(mode="json")}
    assert "kind" in errors(ask("put", "/locker/things/lens-24-70-f2-8", body))
    other = {"version": 1, "thing": zoom["thing"] | {"id": "another"}}
    assert "id" in errors(ask("put", "/locker/things/lens-24-70-f2-8", other))


def test_weighing_in_makes_the_mass_measured(ask: Any, zoom: dict[str, Any]) -> None:
    made = ask("post", "/locker/things/lens-24-70-f2-8/weigh-in", {"version": 1, "mass_g": 812}).json()
    assert (made["thing"]["mass_g"], made["thing"]["mass_source"], made["version"]) == (812, "measured", 2)
    again = ask("post", "/locker/things/lens-24-70-f2-8/weigh-in", {"version": 1, "mass_g": 1})
    assert again.status_code == 409


def test_nobody_sees_or_touches_another_owners_things(ask_as_stranger: Any, ask: Any, zoom: dict[str, Any]) -> None:
    assert ask_as_stranger("get", "/locker/things").json() == []
    assert put(ask_as_stranger, zoom, name="Mine now").status_code == 404
    assert ask_as_stranger("delete", "/locker/things/lens-24-70-f2-8").status_code == 404
    assert ask("delete", "/locker/things/lens-24-70-f2-8").status_code == 204


def test_a_loaded_thing_cannot_leave_the_locker(ask: Any, stored: Any) -> None:
    response = ask("delete", "/locker/things/normal")
    assert response.status_code == 409
    assert "Kit a" in errors(response)["id"]
    assert ask("delete", "/locker/things/tele").status_code == 204


def test_pieces_cannot_fall_below_what_a_kit_loads(ask: Any, stored: Any) -> None:
    edit = {"version": 1, "edits": [{"act": "load", "item": "pack", "count": 4}]}
    assert ask("post", "/trips/trip/kits/a/edits", edit).status_code == 200
    doc = next(d for d in ask("get", "/locker/things").json() if d["thing"]["id"] == "pack")
    assert "at least 4" in errors(put(ask, doc, count=3))["count"]
    assert put(ask, doc, count=4).status_code == 200


def test_a_written_list_is_understood_before_it_is_added(ask: Any) -> None:
    found = ask("post", "/locker/understand", {"text": "24-70 2.8, 4 packs, zorgblatt"}).json()
    assert [(one["typed"], one["count"], one["thing"] and one["thing"]["kind"]) for one in found] == [
        ("24-70 2.8", 1, "lens"),
        ("4 packs", 4, "battery"),
        ("zorgblatt", 1, None),
    ]
    assert Thing.objects.count() == 0
    picked = ask("post", "/locker/understand", {"text": "zorgblatt", "picks": {"zorgblatt": "hat"}}).json()
    assert picked[0]["thing"]["name"] == "zorgblatt"


def test_many_things_come_change_and_go_together(ask: Any) -> None:
    found = ask("post", "/locker/understand", {"text": "24-70 2.8, 4 packs, hat"}).json()
    made = ask("post", "/locker/changes", {"put": [{"version": 0, "thing": one["thing"]} for one in found]}).json()
    assert [doc["thing"]["count"] for doc in made] == [1, 4, 1]
    assert len({doc["thing"]["id"] for doc in made}) == 3
    put_back = [{"version": doc["version"], "thing": doc["thing"] | {"owner": "Marit"}} for doc in made[:2]]
    changed = ask("post", "/locker/changes", {"put": put_back, "remove": [made[2]["thing"]["id"]]}).json()
    assert [(doc["version"], doc["thing"]["owner"]) for doc in changed] == [(2, "Marit")] * 2
    assert sorted(Thing.objects.values_list("version", flat=True)) == [2, 2]
    # What went comes back under its own id.
    again = ask("post", "/locker/changes", {"put": [{"version": 0, "thing": made[2]["thing"]}]}).json()
    assert again[0]["thing"]["id"] == made[2]["thing"]["id"]


def test_many_changes_come_about_together_or_not_at_all(ask: Any, zoom: dict[str, Any]) -> None:
    hat = typical()["hat"].model_dump(mode="json") | {"id": "new"}
    stale = {"version": 7, "thing": zoom["thing"] | {"note": "x"}}
    answer = ask("post", "/locker/changes", {"put": [{"version": 0, "thing": hat}, stale]})
    assert answer.status_code == 409
    assert list(Thing.objects.values_list("slug", "version")) == [(zoom["thing"]["id"], 1)]
    gone = ask("post", "/locker/changes", {"put": [{"version": 0, "thing": hat}], "remove": ["nothing-such"]})
    assert gone.status_code == 404
    assert Thing.objects.count() == 1
