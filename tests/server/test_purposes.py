"""What things are for, in rows of versions in which it was typed by hand."""

from importlib import import_module
from typing import Any

import pytest
from django.apps import apps
from django.contrib.auth.models import User

from mule.plan import Plan
from mule.plan.purposes import Purpose
from server.library.locker import services as locker
from server.library.locker.models import Thing
from server.trips.lending import lend
from server.trips.models import Trip
from tests.saying import other
from tests.server.conftest import Ask, asker

pytestmark = pytest.mark.django_db
USES = {"pills": "Medicine", "roses": "Flowers", "bottle": "bottle"}
READ = {
    "pills": {"purpose": "medicine"},
    "roses": {"purpose": "other", "label": "Flowers"},
    "bottle": {"purpose": "water", "label": "bottle"},
}


def _mend() -> None:
    import_module("server.library.locker.migrations.0003_purposes_from_a_closed_list").read_uses(apps, None)
    import_module("server.trips.migrations.0009_purposes_from_a_closed_list").read_uses(apps, None)


def _typed(spec: dict[str, Any], use: str) -> dict[str, Any]:
    return {key: value for key, value in spec.items() if key not in ("purpose", "label")} | {"use": use}


def _said(spec: dict[str, Any]) -> dict[str, Any]:
    return {key: spec[key] for key in ("purpose", "label", "use") if spec.get(key) is not None}


def test_rows_of_landed_versions_are_read_into_the_list_once(
    owner: User, stranger: User, stored: Plan, ask: Ask
) -> None:
    trip = Trip.objects.get(owner=owner)
    for item in USES:
        locker.add(owner, other(item))
    locker.add(stranger, other("lent", Purpose.FOOD))
    (lent,) = lend(trip, stranger, ["lent"])
    for row in Thing.objects.filter(slug__in=USES):
        row.spec = _typed(row.spec, USES[row.slug])
        row.save()
    lent.spec = _typed(lent.spec, "food")
    lent.save()
    loads = [{"name": "Waterproof jacket", "mass_g": 600}, {"name": "Water", "mass_g": 900}]
    trip.spec["people"][0]["base_load"] = loads
    trip.save()
    path = f"/trips/{trip.slug}/kits/{stored.open_kit}"
    # Read as they are, too: copies and archives of landed versions come without a migration.
    before = ask("get", path).json()
    assert {d["thing"]["id"]: _said(d["thing"]) for d in before["gear"] if d["thing"]["id"] in USES} == READ
    for _ in range(2):
        _mend()
        assert {row.slug: _said(row.spec) for row in Thing.objects.filter(slug__in=USES)} == READ
        lent.refresh_from_db()
        trip.refresh_from_db()
        assert _said(lent.spec) == {"purpose": "food"}
        assert [load["purpose"] for load in trip.spec["people"][0]["base_load"]] == ["other", "water"]
        assert ask("get", path).json()["gear"] == before["gear"]
    assert asker(owner)("get", "/exchange/account.zip").status_code == 200
