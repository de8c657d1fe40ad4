"""Coming home in the browser: the demo's done trip, pictures read, a measured rate that the next plan uses."""

import re
from pathlib import Path

from playwright.sync_api import FilePayload, Page, expect

from tests.journeys import labels

SAMPLES = sorted(Path("demo/karst-pictures").glob("*.jpg"))


def test_the_done_trip_says_what_earned_its_place(inside: Page) -> None:
    inside.goto("/trips/karst/a/look-back")
    expect(inside.get_by_role("heading", name=re.compile("Look back"))).to_contain_text("60 frames")
    row = inside.get_by_role("row", name=re.compile("^Corrie 16–35"))
    expect(row).to_contain_text("49")
    expect(inside.get_by_text("Take Corrie 100–400")).to_be_visible()
    expect(inside.get_by_text(re.compile("^Leave First-aid"))).to_have_count(0)
    inside.get_by_role("button", name=labels.AS_A_TABLE).click()
    expect(inside.get_by_role("row", name=re.compile("reached")).first).to_be_visible()


def test_a_measured_rate_goes_into_the_next_plan(inside: Page) -> None:
    inside.goto("/trips/karst/a/look-back")
    inside.get_by_role("button", name="rates").click()
    row = inside.get_by_role("row", name=re.compile("MB a frame"))
    row.get_by_role("button", name=labels.USE_IT_IN_PLANS).click()
    expect(row).to_contain_text("in the locker, measured")
    inside.goto("/locker")
    body = inside.evaluate(
        "fetch('/api/locker/things').then((r) => r.json()).then((all) => all.find((d) => d.thing.id === 'c1').thing)"
    )
    assert body["rates_source"] == "measured"
    assert 50 < body["mb_per_frame"] < 60


def test_pictures_are_read_and_odd_ones_are_named(inside: Page) -> None:
    inside.goto("/trips/canoe/a/look-back")
    files: list[FilePayload] = [
        {"name": p.name, "mimeType": "image/jpeg", "buffer": p.read_bytes()} for p in SAMPLES[:25]
    ]
    files.append({"name": "odd.jpg", "mimeType": "image/jpeg", "buffer": b"no picture"})
    inside.get_by_label(labels.FILES_TO_READ).set_input_files(files)
    part = inside.get_by_role("region", name=labels.PICTURES)
    expect(part).to_contain_text("25 pictures read; 1 file not:")
    expect(part).to_contain_text("odd.jpg")
    expect(inside.get_by_role("heading", name=re.compile("Look back"))).to_contain_text("25 frames")


def test_advice_goes_into_the_brief_of_the_trip_to_come_and_into_notes(inside: Page) -> None:
    inside.goto("/trips/karst/a/look-back")
    part = inside.get_by_role("region", name=labels.NEXT_TIME)
    part.get_by_label(labels.TRIP_TO_COME).select_option(label="Five days by canoe through lake country")
    leave = part.get_by_role("listitem").filter(has_text="Leave Tablet")
    leave.get_by_role("button", name=labels.LEAVE_AT_HOME_BUTTON).click()
    expect(leave.get_by_role("button")).to_have_attribute("aria-pressed", "true")
    marks = inside.evaluate(
        "fetch('/api/trips').then((r) => r.json()).then((all) => all.find((d) => d.trip.id === 'canoe').trip.marks)"
    )
    assert "tablet" in marks["must_leave"]
    leave.get_by_role("button").click()
    expect(leave.get_by_role("button")).to_have_attribute("aria-pressed", "false")

    fault = part.get_by_role("listitem").filter(has_text="Have Rain cover checked")
    fault.get_by_role("button", name=labels.ADD_TO_ITS_NOTE).click()
    expect(fault).to_contain_text("in its note")
    inside.reload()
    expect(part.get_by_role("listitem").filter(has_text="Have Rain cover checked")).to_contain_text("in its note")


def test_a_missed_filter_leads_to_the_ring_at_home(inside: Page) -> None:
    inside.goto("/trips/karst/a/look-back")
    part = inside.get_by_role("region", name=labels.NEXT_TIME)
    expect(part).to_contain_text(re.compile("Take Ring 77 → 82.*a polariser on Corrie 16–35 f/4 was missed once"))


def test_the_trail_says_how_far_a_trip_is(inside: Page) -> None:
    inside.goto("/trips/karst/a/look-back")
    trail = inside.get_by_role("navigation", name=labels.STATIONS_OF_THIS_TRIP)
    for name in ("Pack-out", "Trail", "Look back"):
        expect(trail.get_by_role("link", name=re.compile(f"^{name}"))).to_contain_text("done")
    inside.goto("/trips/lofoten/b/trail")
    expect(trail.get_by_role("link", name=re.compile("^Pack-out"))).to_contain_text("open")


def test_a_trip_moves_with_its_notes_and_pictures(inside: Page, tmp_path: Path) -> None:
    inside.goto("/trips/karst/a/pack-out")
    inside.get_by_role("navigation", name=labels.BESIDE_THE_LIST).get_by_role("button", name=labels.TAKE_ALONG).click()
    with inside.expect_download() as caught:
        inside.get_by_role("link", name=labels.PLAN_FILE).click()
    file = tmp_path / "karst.plan.json"
    caught.value.save_as(file)
    inside.goto("/trips")
    trips = inside.locator(".trip", has_text="Caves and karst by night train")
    expect(trips).to_have_count(1)
    inside.get_by_label(labels.PLAN_FILE_TO_IMPORT).set_input_files(file)
    expect(trips).to_have_count(2)
    inside.goto("/trips/karst-2/a/look-back")
    expect(inside.get_by_role("heading", name=re.compile("Look back"))).to_contain_text("60 frames")
    expect(inside.get_by_text("Take Corrie 100–400")).to_be_visible()
    inside.evaluate(
        """() => fetch('/api/trips/karst-2', {
          method: 'DELETE', headers: { 'X-CSRFToken': document.cookie.match(/csrftoken=([^;]+)/)[1] } })"""
    )
