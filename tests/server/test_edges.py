"""Numbers at the edge of what can be written: a clear refusal at the field, never a fault."""

import json
from typing import Any

import pytest
from django.contrib.auth.models import User

from mule.base.errors import InvalidInput
from mule.plan import Plan, read
from mule.plan.editing import apply
from mule.plan.edits import Load
from server.library.locker.models import Thing
from tests import cast
from tests.server.conftest import Ask, errors

pytestmark = pytest.mark.django_db
DEEP = b'{"thing":' + b"[" * 100_000 + b"]" * 100_000 + b"}"


@pytest.mark.parametrize(
    "change",
    [
        {"size": {"shape": "box", "length_mm": 1e-150, "width_mm": 1e-150, "height_mm": 1e-150}},
        {"size": {"shape": "soft", "volume_l": 5e-324}},
        {"mass_g": 1e300},
        {"megapixels": 5e-324},
        {"sensor_width_mm": 1e-308},
        {"frames_per_charge": 5e-324},
        {"mb_per_frame": 1e308},
    ],
)
def test_a_figure_that_nothing_has_is_refused_at_its_field(ask: Ask, change: dict[str, Any]) -> None:
    thing = cast.body().model_dump(mode="json") | change
    response = ask("post", "/locker/things", {"thing": thing})
    assert response.status_code == 422
    (field,) = change
    assert all(name.startswith(field) for name in errors(response))


@pytest.mark.parametrize("body", [{"seed": 2**40}, {"seed": -1}, {"seconds": 1e-320}, {"workers": 10**9}])
def test_a_search_takes_no_figure_that_its_solver_does_not(ask: Ask, stored: Plan, body: dict[str, Any]) -> None:
    response = ask("post", "/trips/trip/kits/a/stowage", body)
    assert response.status_code == 422
    assert list(errors(response)) == list(body)


@pytest.mark.parametrize("metered", [5e-324, 1e300, 0, -1])
def test_an_exposure_is_a_time_that_a_camera_has(ask: Ask, metered: float) -> None:
    response = ask("post", "/brief/exposure", {"metered_s": metered, "wanted_s": 1})
    assert (response.status_code, list(errors(response))) == (422, ["metered_s"])


@pytest.mark.parametrize("path", ["/locker/things", "/trips", "/exchange/plans", "/field/trip/marks"])
def test_a_document_nested_a_hundred_thousand_deep_is_refused(ask: Ask, stored: Plan, path: str) -> None:
    assert ask("post", path, DEEP).status_code in (400, 422)


def test_a_plan_file_nested_too_deep_is_no_plan() -> None:
    with pytest.raises(InvalidInput):
        read(DEEP)


def test_what_is_no_number_is_refused_wherever_it_stands(ask: Ask, stored: Plan) -> None:
    thing = json.dumps({"thing": cast.body().model_dump(mode="json")}).replace(
        '"megapixels": 45.0', '"megapixels": NaN'
    )
    assert "NaN" in thing
    response = ask("post", "/locker/things", thing.encode())
    assert (response.status_code, list(errors(response))) == (422, ["megapixels"])
    marks = b'{"marks": [{"id": "phone-000001", "device": "phone", "seq": 0, "at": NaN, "what": {"do": "cold"}}]}'
    refused = ask("post", "/field/trip/marks", marks).json()["refused"]
    assert refused[0]["id"] == "phone-000001"
    choice = ask("post", "/trips/trip/kits/a/choose", b'{"limit_g": NaN}')
    assert (choice.status_code, list(errors(choice))) == (422, ["limit_g"])


def test_more_things_than_a_plan_holds_are_refused_where_they_are_added(ask: Ask, owner: User, stored: Plan) -> None:
    spec = cast.body().model_dump(mode="json")
    have = Thing.objects.filter(owner=owner).count()
    rows = [
        Thing(owner=owner, slug=f"b{n}", name="b", kind="body", spec=spec | {"id": f"b{n}"})
        for n in range(5_000 - have)
    ]
    Thing.objects.bulk_create(rows, batch_size=500)
    response = ask("post", "/locker/things", {"thing": spec | {"id": "new"}})
    assert response.status_code == 422
    assert list(errors(response).values()) == ["at most 5,000 things in all: 5,000 are here already"]
    assert ask("post", "/locker/from-typical", {"typical": "card-sd-128", "count": 1}).status_code in (404, 422)
    assert Thing.objects.filter(owner=owner).count() == 5_000
    # The account goes on working, and its plan file can be read again.
    assert ask("get", "/trips/trip/kits/a").status_code == 200
    assert len(read(ask("get", "/exchange/plans/trip/a").content).gear) == 5_000


def test_names_alike_as_long_as_they_may_be_get_ids_that_can_be_read(ask: Ask, owner: User) -> None:
    name = "a very long name that goes on and on until it is as long as a name may be, ok"
    for _ in range(12):
        assert (
            ask(
                "post", "/locker/things", {"thing": cast.body(id_="new").model_dump(mode="json") | {"name": name}}
            ).status_code
            == 201
        )
    slugs = [t["thing"]["id"] for t in ask("get", "/locker/things").json()]
    assert len(set(slugs)) == 12
    assert max(map(len, slugs)) <= 64
    trip = ask("post", "/trips", {"trip": {"id": "new", "name": name}}).json()["trip"]["id"]
    for _ in range(3):
        assert ask("post", "/trips", {"trip": {"id": trip, "name": name}}).status_code == 201
    assert ask("get", f"/trips/{trip}/kits/a").status_code == 200


def test_a_kit_of_more_entries_than_can_be_read_again_is_refused() -> None:
    gear = [cast.bag(), *(cast.body(f"b{n}") for n in range(2_001))]
    plan = cast.plan(gear, cast.entry("bag", cast.INES_CABIN))
    with pytest.raises(InvalidInput):
        apply(plan, [Load(item=f"b{n}") for n in range(2_001)])
