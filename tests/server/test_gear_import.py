"""A locker from tables: columns matched, each row looked at, all of it stored or nothing."""

import csv
import io
import json
from typing import Any

import openpyxl
import pytest
from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from mule.plan.gear import Other
from mule.plan.purposes import Purpose
from server.exchange.gear_import import guess
from server.kernel.documents import ready, spec_of
from server.library.locker import services as locker
from server.library.locker.convert import gear_of, typical
from server.library.locker.models import Thing
from tests.saying import other
from tests.server.conftest import Ask, errors

pytestmark = pytest.mark.django_db
TABLE = """Item,Type,Weight (g),Length cm,Width cm,Height cm,Qty,Price
Corrie 24-70 f/2.8,Lens,806,12.4,8.8,8.8,1,1900
LB-4 battery,Batteries,0.082 kg,5.2,3.8,2,3,
Down jacket,other,420,,,,1,
"""


def send(owner: User, path: str, raw: bytes, name: str = "gear.csv", **form: str) -> Any:
    client = Client()
    client.force_login(owner)
    return client.post(f"/api/exchange/locker/{path}", {"file": SimpleUploadedFile(name, raw), **form})


def seen(owner: User, raw: bytes, name: str = "gear.csv", **form: str) -> Any:
    return send(owner, "preview", raw, name, **form).json()


def test_columns_are_matched_by_their_titles() -> None:
    assert guess(["Item", "Weight (g)", "Length cm", "Qty", "Serial number"]) == {
        "name": "Item",
        "mass_g": "Weight (g)",
        "length_mm": "Length cm",
        "count": "Qty",
        "serial": "Serial number",
    }


def test_a_table_is_shown_before_anything_is_stored(owner: User) -> None:
    made = seen(owner, TABLE.encode())
    assert (made["total"], made["good"]) == (3, 3)
    lens, pack, jacket = made["rows"]
    assert (lens["kind"], lens["mass_g"], lens["like"]) == ("lens", 806, "24-70 f/2.8 zoom, full frame")
    assert (pack["kind"], pack["mass_g"]) == ("battery", 82)
    assert jacket["kind"] == "other"
    assert not Thing.objects.filter(owner=owner).exists()


def test_what_is_shown_comes_in(owner: User) -> None:
    matched = json.dumps(seen(owner, TABLE.encode())["matched"])
    assert send(owner, "table", TABLE.encode(), matched=matched).json() == {"things": 3}
    lens = Thing.objects.get(owner=owner, kind="lens").spec
    assert (lens["mass_g"], lens["mass_source"], lens["value"]) == (806, "stated", 1900)
    assert lens["size"] == {"shape": "box", "length_mm": 124, "width_mm": 88, "height_mm": 88}
    assert (lens["focal_min_mm"], lens["focal_max_mm"]) == (24, 70)
    assert Thing.objects.get(owner=owner, kind="battery").spec["count"] == 3


def test_equal_names_get_ids_of_their_own_beside_those_of_before_and_those_that_come_meanwhile(
    owner: User, monkeypatch: pytest.MonkeyPatch
) -> None:
    table = "Item,Type,Weight (g),Length,Width,Height\n" + "Fifty,Lens,300,60,60,60\n" * 3
    matched = json.dumps(seen(owner, table.encode())["matched"])
    send(owner, "table", table.encode(), matched=matched)
    real, spec = ready, Thing.objects.get(owner=owner, slug="fifty").spec

    def while_another_writes(rows: Any) -> Any:
        made = real(rows)
        monkeypatch.setattr("server.exchange.gear_import.ready", real)
        Thing.objects.create(owner=owner, slug="fifty-4", name="Fifty", kind="lens", spec={**spec, "id": "fifty-4"})
        return made

    monkeypatch.setattr("server.exchange.gear_import.ready", while_another_writes)
    assert send(owner, "table", table.encode(), matched=matched).json() == {"things": 3}
    stored = Thing.objects.filter(owner=owner)
    assert sorted(row.slug for row in stored) == ["fifty", *(f"fifty-{n}" for n in range(2, 8))]
    assert all(row.spec["id"] == row.slug and row.version == 1 for row in stored)
    assert {gear_of(row).mass_g for row in stored} == {300}


def test_a_lens_sees_what_its_name_says(owner: User) -> None:
    raw = b"Item,Type,Weight\nHeron 40mm F2,Lens,310\nHeron 90-300 f/4.5-5.6,Lens,900\n"
    prime, zoom = seen(owner, raw)["rows"]
    assert "prime" in prime["like"]
    assert "70-300" in zoom["like"]
    send(owner, "table", raw, matched=json.dumps({"name": "Item", "kind": "Type", "mass_g": "Weight"}))
    specs = {t.name: t.spec for t in Thing.objects.filter(owner=owner)}
    assert (specs["Heron 40mm F2"]["focal_min_mm"], specs["Heron 40mm F2"]["focal_max_mm"]) == (40, 40)
    assert specs["Heron 90-300 f/4.5-5.6"]["f_at_max"] == 5.6


BAD = TABLE + "No mass lens,Lens,heavy,,,,1,\n,Lens,300,,,,1,\nWings,Feather,20,,,,0.5,\n"


def test_one_bad_row_holds_everything_up_and_is_named(owner: User) -> None:
    made = seen(owner, BAD.encode())
    assert (made["total"], made["good"]) == (6, 3)
    bad = {row["number"]: [p["column"] for p in row["problems"]] for row in made["rows"] if row["problems"]}
    assert bad == {5: ["Weight (g)"], 6: ["Item"], 7: ["Qty", "Type"]}
    matched = json.dumps(made["matched"])
    answer = send(owner, "table", BAD.encode(), matched=matched)
    assert answer.status_code == 422
    assert errors(answer)["row 5, Weight (g)"] == "a mass: 800, 800 g or 0.8 kg"
    assert not Thing.objects.filter(owner=owner).exists()
    assert send(owner, "table", BAD.encode(), matched=matched, leave_bad="true").json() == {"things": 3}


def test_columns_can_be_matched_by_hand(owner: User) -> None:
    raw = b"A;B\nCloth;12 g\n"
    assert seen(owner, raw)["good"] == 0
    made = seen(owner, raw, matched=json.dumps({"name": "A", "mass_g": "B"}))
    assert (made["good"], made["rows"][0]["mass_g"]) == (1, 12)


@pytest.mark.parametrize(
    ("name", "raw"),
    [
        ("empty.csv", b""),
        ("titles.csv", b"name,mass\n"),
        ("noise.xlsx", b"PK\x03\x04 no spreadsheet"),
        ("picture.csv", bytes(range(256)) * 20),
    ],
)
def test_what_is_no_table_is_said_at_the_file(owner: User, name: str, raw: bytes) -> None:
    answer = send(owner, "preview", raw, name)
    assert answer.status_code == 422
    assert "file" in errors(answer)


def test_formulas_are_never_worked_out(owner: User) -> None:
    book = openpyxl.Workbook()
    page = book.active
    page.append(["name", "mass"])
    page.append(["=1+1", 20])
    out = io.BytesIO()
    book.save(out)
    row = seen(owner, out.getvalue(), "gear.xlsx")["rows"][0]
    # A formula that nobody has opened has no value: then there is no name.
    assert row["problems"][0]["rule"] == "enter a name"


@pytest.mark.parametrize("form", ["csv", "xlsx"])
def test_a_locker_goes_out_and_comes_back(ask: Ask, owner: User, stranger: User, form: str) -> None:
    with open("demo/canoe.plan.json", "rb") as file:
        ask("post", "/exchange/plans", file.read())
    raw = ask("get", f"/exchange/locker.{form}").content
    made = seen(stranger, raw, f"locker.{form}")
    assert made["good"] == made["total"] == Thing.objects.filter(owner=owner).count()
    matched = json.dumps(made["matched"])
    assert send(stranger, "table", raw, f"locker.{form}", matched=matched).status_code == 201
    ours = {t.name: (t.kind, t.spec["mass_g"], t.spec["count"]) for t in Thing.objects.filter(owner=owner)}
    assert {t.name: (t.kind, t.spec["mass_g"], t.spec["count"]) for t in Thing.objects.filter(owner=stranger)} == ours


def test_the_lockers_own_table_tells_every_field_both_ways(owner: User, stranger: User) -> None:
    rows = [
        Thing(owner=owner, slug=slug, name=thing.name, kind=thing.kind, spec=spec_of(thing))
        for slug, thing in typical().items()
    ]
    Thing.objects.bulk_create(rows)
    client = Client()
    client.force_login(owner)
    for form in ("csv", "xlsx"):
        raw = client.get(f"/api/exchange/locker.{form}").content
        shown = seen(stranger, raw, f"locker.{form}")
        assert shown["good"] == shown["total"] == len(rows)
        matched = json.dumps(shown["matched"])
        assert send(stranger, "table", raw, f"locker.{form}", matched=matched).status_code == 201
        assert set(map(gear_of, Thing.objects.filter(owner=stranger))) == set(map(gear_of, rows))
        Thing.objects.filter(owner=stranger).delete()


def test_a_table_of_an_earlier_version_keeps_what_its_things_are_for(owner: User, stranger: User) -> None:
    roses, pills = other("roses", label="Flowers"), other("pills", Purpose.MEDICINE)
    for thing in (roses, pills):
        locker.add(owner, thing)
    client = Client()
    client.force_login(owner)
    rows = list(csv.DictReader(io.StringIO(client.get("/api/exchange/locker.csv").content.decode("utf-8-sig"))))
    for row in rows:
        row["use"] = row.pop("label") or row["purpose"]
        del row["purpose"]
    table = io.StringIO()
    writer = csv.DictWriter(table, rows[0])
    writer.writeheader()
    writer.writerows(rows)
    raw = table.getvalue().encode()
    matched = json.dumps(seen(stranger, raw)["matched"])
    assert send(stranger, "table", raw, matched=matched).status_code == 201
    made = {gear_of(row) for row in Thing.objects.filter(owner=stranger)}
    assert {(t.name, t.purpose, t.label) for t in made if isinstance(t, Other)} == {
        ("roses", Purpose.OTHER, "Flowers"),
        ("pills", Purpose.MEDICINE, None),
    }


def test_a_row_that_is_not_understood_is_mended_in_place(owner: User) -> None:
    raw = b"Item,Type,Weight\nOld zoom,Glass,many\nTripod,tripod,1400\n"
    bad = seen(owner, raw)["rows"][0]
    assert [(p["field"], p["value"]) for p in bad["problems"]] == [("mass_g", "many"), ("kind", "Glass")]
    mends = json.dumps({"2": {"kind": "lens", "mass_g": "0.8 kg", "like": "lens-24-70-f2-8"}})
    shown = seen(owner, raw, mends=mends)
    assert (shown["good"], shown["rows"][0]["like"]) == (2, "24-70 f/2.8 zoom, full frame")
    assert send(owner, "table", raw, matched=json.dumps(shown["matched"]), mends=mends).json() == {"things": 2}
    lens = Thing.objects.get(owner=owner, kind="lens").spec
    assert (lens["name"], lens["mass_g"], lens["focal_max_mm"]) == ("Old zoom", 800, 70)


@pytest.mark.parametrize("mends", ["[]", "{", '{"2": 3}'])
def test_mends_that_are_none_are_refused_at_their_field(owner: User, mends: str) -> None:
    assert "mends" in errors(send(owner, "preview", TABLE.encode(), mends=mends))
