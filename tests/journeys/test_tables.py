"""A locker from a table in the browser, and things to take along."""

import io

import pypdfium2
from icalendar import Calendar
from playwright.sync_api import Page, expect

from tests.journeys import labels

TABLE = "Item,Type,Weight (g)\nHeron 40 f/2,Lens,310\nHeron strap,other,90\nHeron filter,Feather,20\n"


def test_a_table_is_matched_looked_at_and_brought_in(inside: Page) -> None:
    inside.goto("/locker")
    inside.get_by_role("button", name=labels.FROM_A_TABLE).click()
    dialog = inside.get_by_role("dialog")
    dialog.get_by_label(labels.A_TABLE_OF_GEAR).set_input_files(
        {"name": "gear.csv", "mimeType": "text/csv", "buffer": TABLE.encode()}
    )
    expect(dialog).to_contain_text("2 rows good, 1 not")
    expect(dialog).to_contain_text("Type “Feather”")
    dialog.get_by_role("button", name="Import the 2 good rows").click()
    expect(dialog).to_contain_text("2 items came into the locker.")
    dialog.get_by_role("button", name=labels.CLOSE).click()
    inside.get_by_label(labels.FIND_GEAR).fill("heron")
    expect(inside.get_by_role("row").filter(has_text="Heron 40 f/2")).to_contain_text("310 g")


def test_paper_and_dates_are_taken_along(inside: Page) -> None:
    inside.goto("/trips/lofoten/b/pack-out")
    inside.get_by_role("navigation", name=labels.BESIDE_THE_LIST).get_by_role("button", name=labels.TAKE_ALONG).click()
    with inside.expect_download() as sheet:
        inside.get_by_role("link", name=labels.LOAD_SHEET_ONE_PAGE).click()
    pages = pypdfium2.PdfDocument(io.BytesIO(sheet.value.path().read_bytes()))
    assert len(pages) == 1
    with inside.expect_download() as dates:
        inside.get_by_role("link", name=labels.CHARGE_FETCH_COPY_BRING_BACK).click()
    events = Calendar.from_ical(dates.value.path().read_bytes()).walk("VEVENT")
    assert any("Charge" in str(event["summary"]) for event in events)
