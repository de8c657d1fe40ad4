"""A picture of a thing of one's own: added in the locker, seen on the mat, taken back."""

from pathlib import Path

from PIL import Image
from playwright.sync_api import Page, expect

from tests.journeys import labels


def test_a_picture_of_a_thing_stands_on_the_mat(page: Page, tmp_path: Path) -> None:
    photo = tmp_path / "lens.png"
    Image.new("RGB", (900, 700), "teal").save(photo)
    (tmp_path / "notes.png").write_bytes(b"no picture")
    page.goto("/welcome")
    page.get_by_role("button", name="Step into the demo").click()
    page.wait_for_url("**/bench")
    page.goto("/locker")
    page.locator(".rows").get_by_text("Corrie 24–70 f/2.8").first.click()
    editor = page.get_by_role("complementary", name=labels.CHOSEN_ITEM)
    editor.get_by_label(labels.A_PICTURE_OF_IT).set_input_files(tmp_path / "notes.png")
    expect(page.get_by_text("no picture that this browser can open")).to_be_visible()
    editor.get_by_label(labels.A_PICTURE_OF_IT).set_input_files(photo)
    picture = editor.get_by_role("img", name="Picture of").locator("image")
    expect(picture).to_be_visible()
    editor.get_by_role("button", name=labels.SAVE).click()
    expect(page.locator(".rows image")).to_have_count(1)

    page.goto("/trips/lofoten/b/bench")
    expect(page.locator("[data-thing] image").first).to_be_visible()
    # Not by red light: eyes stay used to the dark.
    page.evaluate("document.documentElement.dataset.theme = 'red'")
    expect(page.locator("[data-thing] image").first).to_be_hidden()

    page.goto("/locker")
    page.locator(".rows").get_by_text("Corrie 24–70 f/2.8").first.click()
    editor.get_by_role("button", name=labels.WITHOUT_A_PICTURE).click()
    editor.get_by_role("button", name=labels.SAVE).click()
    expect(page.locator(".rows image")).to_have_count(0)
