"""Coming home in the browser: the demo's done trip, pictures read, a measured rate that the next plan uses."""

import re
from pathlib import Path

from playwright.sync_api import Page, expect

SAMPLES = sorted(Path("demo/karst-pictures").glob("*.jpg"))


def test_the_done_trip_says_what_earned_its_place(demo: Page) -> None:
    demo.goto("/trips/karst/a/look-back")
    expect(demo.get_by_role("heading", name=re.compile("Look back"))).to_contain_text("60 frames")
    row = demo.get_by_role("row", name=re.compile("^Corrie 16–35"))
    expect(row).to_contain_text("49")
    expect(demo.get_by_text("Take Corrie 100–400")).to_be_visible()
    expect(demo.get_by_text(re.compile("^Leave First-aid"))).to_have_count(0)
    demo.get_by_role("button", name="as a table").click()
    expect(demo.get_by_role("row", name=re.compile("reached")).first).to_be_visible()


def test_a_measured_rate_goes_into_the_next_plan(demo: Page) -> None:
    demo.goto("/trips/karst/a/look-back")
    demo.get_by_role("button", name="rates").click()
    row = demo.get_by_role("row", name=re.compile("MB a frame"))
    row.get_by_role("button", name="Plan with it").click()
    expect(row).to_contain_text("in the locker, measured")
    demo.goto("/locker")
    body = demo.evaluate(
        "fetch('/api/locker/things').then((r) => r.json()).then((all) => all.find((d) => d.thing.id === 'c1').thing)"
    )
    assert body["rates_source"] == "measured"
    assert 50 < body["mb_per_frame"] < 60


def test_pictures_are_read_and_odd_ones_are_named(demo: Page) -> None:
    demo.goto("/trips/canoe/a/look-back")
    files = [{"name": p.name, "mimeType": "image/jpeg", "buffer": p.read_bytes()} for p in SAMPLES[:25]]
    files.append({"name": "odd.jpg", "mimeType": "image/jpeg", "buffer": b"no picture"})
    demo.get_by_label("Files to read").set_input_files(files)
    part = demo.get_by_role("region", name="Pictures")
    expect(part).to_contain_text("25 pictures read; 1 file odd:")
    expect(part).to_contain_text("odd.jpg")
    expect(demo.get_by_role("heading", name=re.compile("Look back"))).to_contain_text("25 frames")
