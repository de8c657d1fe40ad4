"""Reading pictures: only metadata, odd files named, nothing that a file says is trusted."""

import io
import json
import zipfile
from pathlib import Path
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.test import Client
from PIL import Image

from mule.plan import Plan
from mule.plan.field import Frame
from server.field.looking import _others
from server.field.pictures import HEAD_BYTES, Odd, plain_name, read_files
from server.field.services import take_in
from server.kernel.tables import as_csv, as_xlsx, rows_of
from server.library.locker.convert import locker_of
from server.ops.demo.services import demo_user
from server.trips.models import Trip

pytestmark = pytest.mark.django_db
SAMPLES = sorted(Path("demo/karst-pictures").glob("*.jpg"))


def read(name: str, raw: bytes) -> list[Frame | Odd]:
    return list(read_files([(name, io.BytesIO(raw))]))


def zipped(**files: bytes) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as made:
        for name, raw in files.items():
            made.writestr(name, raw)
    return out.getvalue()


def test_a_picture_says_who_took_it_when_and_how() -> None:
    (frame,) = read(SAMPLES[0].name, SAMPLES[0].read_bytes())
    assert isinstance(frame, Frame)
    assert frame.body == "Corrie C1"
    assert frame.lens == "Corrie 16-35 f/4"
    assert frame.taken
    assert frame.taken.date().isoformat() == "2026-10-03"
    assert (frame.focal_mm in (20, 24, 35), frame.f_number, frame.iso) == (True, 4, 400)


@pytest.mark.parametrize(
    ("name", "raw"),
    [
        ("empty.jpg", b""),
        ("text.jpg", b"this is no picture at all"),
        ("cut.jpg", SAMPLES[0].read_bytes()[:30]),
        ("noise.nef", bytes(range(256)) * 40),
        ("broken.zip", b"PK\x03\x04 and then nothing"),
        ("broken.json", b"{"),
        ("words.json", b'["a", "b"]'),
        ("nothing.csv", b""),
    ],
)
def test_an_odd_file_is_named_with_the_reason(name: str, raw: bytes) -> None:
    (odd,) = read(name, raw)
    assert isinstance(odd, Odd)
    assert odd.name == name


def test_a_picture_without_metadata_says_so() -> None:
    out = io.BytesIO()
    Image.new("RGB", (8, 8)).save(out, "JPEG")
    (odd,) = read("bare.jpg", out.getvalue())
    assert isinstance(odd, Odd)
    assert "metadata" in odd.rule


HOW = {0x9003: "2026:10:04 09:12:30", 0x920A: 35.0, 0x829D: 4.0, 0x8827: 800, 0xA434: "W"}


def bare(exif: Image.Exif) -> bytes:
    return exif.tobytes().removeprefix(b"Exif\x00\x00")


def block(*, second: bool = True) -> bytes:
    """A block of metadata as cameras write it: who and when in its first part, how in its second."""
    exif = Image.Exif()
    exif.update({0x0110: "Corrie C1", 0x0132: "2026:10:04 09:12:00"})
    if second:
        exif.get_ifd(0x8769).update(HOW)
    return bare(exif)


def flat() -> bytes:
    """The second part as a block of its own."""
    exif = Image.Exif()
    exif.update(HOW)
    return bare(exif)


def embedded() -> bytes:
    out = io.BytesIO()
    Image.new("RGB", (8, 8)).save(out, "JPEG", exif=b"Exif\x00\x00" + block())
    return out.getvalue()


@pytest.mark.parametrize(
    "raw",
    [
        block() + bytes(5_000),
        b"A BUILD OF ITS OWN 0201" + bytes(77) + embedded() + bytes(5_000),
        bytes(24) + b"boxes" + block(second=False) + bytes(40) + b"more" + flat() + bytes(5_000),
    ],
    ids=["like TIFF", "a JPEG inside", "blocks in boxes"],
)
def test_raw_files_of_every_build_say_the_same(raw: bytes) -> None:
    (frame,) = read("IMG_1.RAW", raw)
    assert isinstance(frame, Frame), frame
    assert (frame.body, frame.lens, frame.focal_mm, frame.f_number, frame.iso) == ("Corrie C1", "W", 35, 4, 800)
    assert frame.taken
    assert frame.taken.isoformat() == "2026-10-04T09:12:30"


def test_a_raw_file_without_metadata_is_odd_however_often_a_block_seems_to_start() -> None:
    (odd,) = read("IMG_2.RAW", b"II*\x00" * 50_000)
    assert isinstance(odd, Odd)


def test_a_zip_is_read_file_by_file_and_its_paths_lead_nowhere() -> None:
    picture = SAMPLES[0].read_bytes()
    made = read("all.zip", zipped(**{"a/one.jpg": picture, "../../etc/two.jpg": picture, "notes.txt": b"hello"}))
    assert [one.name for one in made] == ["one.jpg", "two.jpg", "notes.txt"]
    assert [type(one) for one in made] == [Frame, Frame, Odd]


def test_of_a_bomb_no_more_than_the_head_is_unpacked() -> None:
    bomb = zipped(**{"bomb.jpg": bytes(200_000_000)})
    assert len(bomb) < HEAD_BYTES
    (odd,) = read("bomb.zip", bomb)
    assert isinstance(odd, Odd)


def test_zips_in_zips_are_not_opened() -> None:
    (odd,) = read("outer.zip", zipped(**{"inner.zip": zipped(**{"a.jpg": SAMPLES[0].read_bytes()})}))
    assert isinstance(odd, Odd)


def test_absurd_figures_are_left_out_and_said() -> None:
    table = b"FileName,FocalLength,DateTimeOriginal,ISO,Model\na.jpg,65535 mm,0000:00:00 00:00:00,-3,Corrie C1\n"
    frame, odd = read("export.csv", table)
    assert isinstance(frame, Frame)
    assert isinstance(odd, Odd)
    assert (frame.focal_mm, frame.taken, frame.body) == (None, None, "Corrie C1")
    assert "65535" in odd.rule


@pytest.mark.parametrize("encoding", ["utf-8", "utf-8-sig", "utf-16", "latin-1"])
@pytest.mark.parametrize("separator", [",", ";", "\t"])
def test_tables_come_in_every_encoding_and_separator(encoding: str, separator: str) -> None:
    text = separator.join(("Name", "Focal length", "Camera", "Lens")) + "\n"
    text += separator.join(("fjæra.jpg", "50 mm", "Corrie C1", "Fjord-glass 50 æøå")) + "\n"
    (frame,) = read("export.csv", text.encode(encoding))
    assert isinstance(frame, Frame)
    assert (frame.focal_mm, frame.body) == (50, "Corrie C1")
    assert frame.name.startswith("fj")


def test_json_of_another_program_comes_in() -> None:
    told = [{"SourceFile": "C:\\pictures\\a.jpg", "FocalLength": "24.0 mm", "DateTimeOriginal": "2026:10:04 09:12:00"}]
    (frame,) = read("export.json", json.dumps(told).encode())
    assert isinstance(frame, Frame)
    assert (frame.name, frame.focal_mm, frame.taken and frame.taken.hour) == ("a.jpg", 24, 9)


def test_names_lose_their_paths_and_what_cannot_be_seen() -> None:
    assert plain_name("../../a\x00b.jpg") == "ab.jpg"
    assert plain_name("C:\\x\\y.jpg") == "y.jpg"
    assert plain_name("/") == "unnamed"


def test_tables_come_back_as_they_went_and_formulas_stay_text() -> None:
    rows = [{"name": "=2+2", "grams": 41.5}, {"name": "Fjæra", "grams": 3}]
    (first, second) = rows_of("a.csv", as_csv(("name", "grams"), rows))
    assert (first["name"], second["name"]) == ("'=2+2", "Fjæra")
    (first, second) = rows_of("a.xlsx", as_xlsx(("name", "grams"), rows, "Things"))
    assert (first["name"], first["grams"], second["grams"]) == ("'=2+2", 41.5, 3)


def upload(owner: User, *files: tuple[str, bytes]) -> Any:
    client = Client()
    client.force_login(owner)
    sent = [io.BytesIO(raw) for _, raw in files]
    for file, (name, _) in zip(sent, files, strict=True):
        file.name = name
    return client.post("/api/field/trip/pictures", {"files": sent}).json()


def test_pictures_are_read_once_and_odd_ones_hold_up_no_other(owner: User, stored: Plan) -> None:
    files = [(p.name, p.read_bytes()) for p in SAMPLES[:5]]
    made = upload(owner, *files, ("odd.jpg", b"x"))
    assert (made["taken"], made["known"], [o["name"] for o in made["odd"]]) == (5, 0, ["odd.jpg"])
    assert upload(owner, *files)["known"] == 5


def test_the_demo_trip_that_is_done_looks_back_on_its_pictures() -> None:
    user = demo_user()
    client = Client()
    client.force_login(user)
    made = client.get("/api/field/karst/kits/a/look-back").json()
    assert made["frames"] == len(SAMPLES)
    assert made["unknown"] == []
    assert {r["what"] for r in made["rates"]} == {"frames-per-charge", "mb-per-frame", "speed-mb-s"}
    uses = {u["item"]: u for u in made["uses"]}
    assert uses["l-16-35"]["frames"] + uses["l-70-200"]["frames"] == len(SAMPLES)
    assert any(a["code"] == "take" for a in made["advice"])


def test_what_is_noted_on_a_trip_before_counts_at_the_next_look_back() -> None:
    user = demo_user()
    karst = Trip.objects.get(owner=user, slug="karst")
    lofoten = Trip.objects.get(owner=user, slug="lofoten")
    before = {h.trip: h for h in _others(user, lofoten, locker_of(user))}["karst"]
    assert _others(user, lofoten, locker_of(user))[0] is before
    item = next(i for i in before.carried if i not in before.used)
    at, day = "2026-10-04T09:00:00Z", karst.spec["days"][0]["date"]
    mark = {"id": "phone-late-000001", "device": "phone-late", "seq": 1, "at": at}
    assert not take_in(user, "karst", [mark | {"what": {"do": "used", "item": item, "day": day}}]).refused
    after = {h.trip: h for h in _others(user, lofoten, locker_of(user))}["karst"]
    assert after.used[item] == 1
