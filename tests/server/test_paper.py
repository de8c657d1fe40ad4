"""What is taken along on paper and in other programs, read back by independent readers."""

import csv
import io
from typing import Any

import openpyxl
import pypdfium2
import pytest
from icalendar import Calendar, Component

from mule.plan import Plan
from tests.server.conftest import Ask

pytestmark = pytest.mark.django_db


@pytest.fixture
def lofoten(ask: Ask) -> Ask:
    """The demo's current trip in one's own locker."""
    with open("demo/lofoten.plan.json", "rb") as file:
        assert ask("post", "/exchange/plans", file.read()).status_code == 201
    return ask


def text_of(raw: bytes) -> tuple[int, str]:
    made = pypdfium2.PdfDocument(raw)
    return len(made), "\n".join(page.get_textpage().get_text_bounded() for page in made)


def test_the_load_sheet_is_one_page_with_people_legs_days_and_cautions(lofoten: Ask) -> None:
    pages, text = text_of(lofoten("get", "/exchange/paper/lofoten/b/sheet.pdf").content)
    assert pages == 1
    text = " ".join(text.split())
    for words in (
        "Nine winter days in Lofoten",
        "Ines",
        "Marit",
        "Small plane to the islands",
        "9.77 kg",
        "Battery and card markings",
    ):
        assert words in text
    assert "follow local rules" in text


def test_the_sheet_stays_one_page_on_a_long_trip(ask: Ask, stored: Plan) -> None:
    doc = ask("get", "/trips").json()[0]
    days = [{"date": f"2027-{m:02}-{d:02}", "title": f"Day {m}/{d}"} for m in (1, 2, 3) for d in range(1, 29)]
    trip = doc["trip"] | {"days": days}
    assert ask("put", "/trips/trip", {"version": doc["version"], "trip": trip}).status_code == 200
    pages, _ = text_of(ask("get", "/exchange/paper/trip/a/sheet.pdf").content)
    assert pages == 1


def test_the_pack_list_names_every_loaded_thing(lofoten: Ask) -> None:
    _, text = text_of(lofoten("get", "/exchange/paper/lofoten/b/list.pdf").content)
    bench = lofoten("get", "/trips/lofoten/kits/b").json()
    names = {d["thing"]["id"]: d["thing"]["name"] for d in bench["gear"]}
    flat = " ".join(text.split())
    for entry in bench["state"]["kit"]["entries"]:
        if entry["place"]["where"] != "piece":
            assert names[entry["item"]] in flat, names[entry["item"]]
    assert "absent until 2027-02-16" in flat
    # Each line says where it goes, in the words of the screen.
    assert flat.count("at the back") + flat.count("at the front") + flat.count("halfway out") > 30
    for words in ("Charge batteries and power banks", "Fetch Hand warmers, pair", "Set all camera clocks alike"):
        assert words in flat


def test_names_in_other_alphabets_are_printed_and_what_has_no_letter_is_marked(ask: Ask, stored: Plan) -> None:
    doc = ask("get", "/trips").json()[0]
    name = "Žďár → Ελλάδα, Байкал ≤ 5 kg 山"
    assert (
        ask("put", "/trips/trip", {"version": doc["version"], "trip": doc["trip"] | {"name": name}}).status_code == 200
    )
    _, text = text_of(ask("get", "/exchange/paper/trip/a/sheet.pdf").content)
    assert "Žďár → Ελλάδα, Байкал ≤ 5 kg ?" in text


def test_each_bag_has_a_label(lofoten: Ask) -> None:
    _, text = text_of(lofoten("get", "/exchange/paper/lofoten/b/labels.pdf").content)
    assert all(bag in text for bag in ("Ridge 32", "Ridge 25", "Duffel 60"))


def _starts(event: Component) -> str:
    return str(event.decoded("dtstart"))


def test_the_calendar_says_what_to_fetch_charge_copy_and_bring_back(lofoten: Ask) -> None:
    raw = lofoten("get", "/exchange/calendar/lofoten/b.ics").content
    events = {str(e["summary"]): e for e in Calendar.from_ical(raw).walk("VEVENT")}
    assert _starts(events["Charge batteries and power banks"]) == "2027-02-19"
    assert _starts(events["Fetch Hand warmers, pair"]) == "2027-02-16"
    assert _starts(events["Bring back Polariser, 82 mm"]) == "2027-03-01"
    heads = [str(e["summary"]) for e in Calendar.from_ical(raw).walk("VEVENT")]
    assert heads.count("Tonight: copy and charge") == 9
    uids = [str(e["uid"]) for e in Calendar.from_ical(raw).walk("VEVENT")]
    assert len(set(uids)) == len(uids)
    assert raw == lofoten("get", "/exchange/calendar/lofoten/b.ics").content


def test_what_was_rented_goes_back_the_day_after(lofoten: Ask) -> None:
    body = next(d for d in lofoten("get", "/locker/things").json() if d["thing"]["id"] == "c1")
    hired = {"version": body["version"], "thing": body["thing"] | {"standing": "can-rent"}}
    assert lofoten("put", "/locker/things/c1", hired).status_code == 200
    raw = lofoten("get", "/exchange/calendar/lofoten/b.ics").content
    back = [e for e in Calendar.from_ical(raw).walk("VEVENT") if "Bring back Corrie C1" in str(e["summary"])]
    assert [_starts(e) for e in back] == ["2027-03-01"]


@pytest.mark.parametrize("name", ["kit", "pack-out", "tasks", "days", "log", "used"])
def test_every_list_comes_as_csv_and_as_a_spreadsheet_with_the_same_cells(lofoten: Ask, name: str) -> None:
    text = lofoten("get", f"/exchange/tables/lofoten/b/{name}.csv").content.decode("utf-8-sig")
    rows = list(csv.reader(io.StringIO(text)))
    book = openpyxl.load_workbook(io.BytesIO(lofoten("get", f"/exchange/tables/lofoten/b/{name}.xlsx").content))
    cells = [["" if c is None else c for c in row] for row in book.active.iter_rows(values_only=True)]
    assert [[plain(c) for c in row] for row in cells] == [[plain(c) for c in row] for row in rows]
    assert len(rows) > 1 or name == "log"


@pytest.mark.parametrize("name", ["kit", "pack-out", "tasks", "days", "used"])
def test_every_column_of_a_list_is_filled_where_there_is_something_to_say(lofoten: Ask, name: str) -> None:
    text = lofoten("get", f"/exchange/tables/lofoten/b/{name}.csv").content.decode("utf-8-sig")
    titles, *rows = csv.reader(io.StringIO(text))
    # What nobody noted on the demo's trip stays blank.
    unsaid = {"serial", "value", "owner", "in", "absent_until", "done", "by", "loadout", "grams_per_frame", "told"}
    blank = {title for i, title in enumerate(titles) if not any(row[i] for row in rows)}
    assert blank <= unsaid


def test_what_was_used_says_on_how_many_days_of_all(lofoten: Ask) -> None:
    what = {"do": "used", "item": "nd6-82", "day": "2027-02-21"}
    mark = {"id": "phone-000001", "device": "phone", "seq": 1, "at": "2027-02-21T18:00:00Z", "what": what}
    assert lofoten("post", "/field/lofoten/marks", {"marks": [mark]}).json()["taken"] == ["phone-000001"]
    text = lofoten("get", "/exchange/tables/lofoten/b/used.csv").content.decode("utf-8-sig")
    rows = {row["thing"]: row for row in csv.DictReader(io.StringIO(text))}
    assert {row["carried_days_all"] for row in rows.values()} == {"9"}
    assert [name for name, row in rows.items() if row["used_days_all"] == "1"] == ["ND 6 stops, 82 mm"]


def plain(cell: Any) -> str:
    """Figures alike, whether they came as figures or as text."""
    try:
        return f"{float(cell):g}"
    except ValueError:
        return str(cell)


def test_a_list_that_is_not_there_is_said(lofoten: Ask) -> None:
    assert lofoten("get", "/exchange/tables/lofoten/b/secrets.csv").status_code == 404


def test_a_goal_on_foot_has_alarms_by_the_clock_of_the_place(lofoten: Ask) -> None:
    raw = lofoten("get", "/exchange/calendar/lofoten/b.ics").content
    events = {str(e["summary"]): e for e in Calendar.from_ical(raw).walk("VEVENT")}
    leave, back = events["Leave: Hut"], events["Turn back: Hut"]
    for event in (leave, back):
        at = event.decoded("dtstart")
        assert at.tzinfo is None
        assert (at.year, at.month, at.day) == (2027, 2, 24)
        (alarm,) = event.walk("VALARM")
        assert alarm.decoded("trigger").total_seconds() == -15 * 60
        assert "trained guides" in str(event["description"])
    assert leave.decoded("dtstart").hour < 13 <= back.decoded("dtstart").hour
