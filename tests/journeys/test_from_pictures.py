"""Wants from own pictures: read in the browser, names that cameras write remembered."""

from datetime import datetime, timedelta
from fractions import Fraction
from pathlib import Path

from PIL import Image
from PIL.TiffImagePlugin import IFDRational
from playwright.sync_api import Page, expect

from tests.journeys import labels

EXIF, FOCAL, F_NUMBER, EXPOSURE, ISO, TAKEN, MODEL = 0x8769, 0x920A, 0x829D, 0x829A, 0x8827, 0x9003, 0x0110


def rational(value: float) -> IFDRational:
    exact = Fraction(value).limit_denominator(10_000)
    return IFDRational(exact.numerator, exact.denominator)


def picture(path: Path, at: datetime, focal: float, f_number: float, exposure: float, iso: int) -> None:
    exif = Image.Exif()
    exif[MODEL] = "MODEL-7 II"
    exif.get_ifd(EXIF).update(
        {FOCAL: rational(focal), F_NUMBER: rational(f_number), EXPOSURE: rational(exposure)}
        | {ISO: iso, TAKEN: f"{at:%Y:%m:%d %H:%M:%S}"}
    )
    Image.new("RGB", (8, 8)).save(path, exif=exif)


def folder(path: Path) -> Path:
    """Thirty mornings along the shore, ten of stars, five of birds, and a file that is no picture."""
    path.mkdir()
    morning = datetime(2026, 6, 1, 6, 30)
    for n in range(30):
        picture(path / f"shore-{n}.jpg", morning + timedelta(days=n), 24, 8, 1 / 125, 100)
    for n in range(10):
        picture(path / f"stars-{n}.jpg", morning + timedelta(days=n, hours=-5), 16, 2.8, 15, 6400)
    for n in range(5):
        picture(path / f"birds-{n}.jpg", morning + timedelta(days=n, hours=1), 400, 6.3, 1 / 2000, 800)
    (path / "notes.txt").write_text("not a picture", encoding="utf-8")
    (path / "broken.jpg").write_bytes(b"\xff\xd8 and nothing more")
    return path


def test_pictures_of_before_become_wants(inside: Page, tmp_path: Path) -> None:
    sent: list[str] = []
    inside.on("request", lambda request: sent.append(request.post_data or "") if "/brief/past" in request.url else None)
    inside.goto("/trips/lofoten/b/brief")
    inside.get_by_role("button", name=labels.FROM_YOUR_PICTURES).click()
    window = inside.get_by_role("dialog", name=labels.SHOTS_FROM_YOUR_PICTURES)
    window.get_by_label(labels.A_FOLDER_OF_PICTURES).set_input_files(folder(tmp_path / "june"))
    expect(window.get_by_text("45 pictures read. 1 file has no metadata.")).to_be_visible()
    assert len(sent) == 1
    assert "shore-1" not in sent[0], "names of pictures stay in the browser"

    # The camera is one of one's own: from now on that is known.
    pick = window.get_by_label("Your item for MODEL-7 II")
    expect(window.get_by_text("45 pictures taken as full frame")).to_be_visible()
    pick.click()
    inside.locator(".v-overlay__content").get_by_role("option", name="Corrie C1 · second").click()
    expect(pick).to_have_count(0)
    expect(window.get_by_text("taken as full frame")).to_have_count(0)

    # The mornings matter most; what matters least is not taken unasked.
    expect(window.get_by_role("img", name="mostly 6 to 7 h")).to_be_visible()
    expect(window.get_by_label("Take Far subjects")).to_be_visible()
    window.get_by_label("Name of Wide views").fill("Shores at dawn")
    window.get_by_label("Take Far subjects").set_checked(True)
    window.get_by_role("button", name="Add 3 shots").click()
    wants = inside.get_by_role("listbox", name=labels.SHOTS).get_by_role("option")
    for name in ("Shores at dawn", "Night sky", "Far subjects"):
        expect(wants.filter(has_text=name)).to_have_count(1)


def test_reading_can_be_stopped(inside: Page, tmp_path: Path) -> None:
    many = folder(tmp_path / "many")
    for n in range(300):
        (many / f"again-{n}.jpg").hardlink_to(many / "shore-0.jpg")
    inside.goto("/trips/lofoten/b/brief")
    inside.get_by_role("button", name=labels.FROM_YOUR_PICTURES).click()
    window = inside.get_by_role("dialog", name=labels.SHOTS_FROM_YOUR_PICTURES)
    # Slow enough to be stopped on any machine.
    inside.evaluate(
        "() => { const whole = Blob.prototype.arrayBuffer;"
        " Blob.prototype.arrayBuffer = async function () {"
        " await new Promise(r => setTimeout(r, 100)); return whole.call(this) } }"
    )
    window.get_by_label(labels.A_FOLDER_OF_PICTURES).set_input_files(many)
    window.get_by_role("button", name=labels.STOP_HERE).click()
    expect(window.get_by_text("before you stopped, of 346")).to_be_visible()
