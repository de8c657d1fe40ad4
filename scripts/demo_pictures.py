"""Makes the demo's pictures: tiny JPEGs with real metadata, the same every time. Run from the top of the project."""

import random
from collections.abc import Iterator
from datetime import datetime, timedelta
from pathlib import Path

from PIL import Image
from PIL.TiffImagePlugin import IFDRational

HOME = Path("demo/karst-pictures")
_MODEL, _EXIF, _TAKEN, _F, _ISO, _FOCAL, _LENS = 0x0110, 0x8769, 0x9003, 0x829D, 0x8827, 0x920A, 0xA434
# Day, first hour, lens, focal lengths, f-number, ISO, how many.
SHOT = (
    ("2026-10-03", 15, "Corrie 16-35 f/4", (20, 24, 35), 4.0, 400, 6),
    ("2026-10-04", 9, "Corrie 16-35 f/4", (16, 16, 18, 20, 24), 5.6, 1600, 22),
    ("2026-10-05", 8, "Corrie 16-35 f/4", (16, 20, 24, 35), 8.0, 200, 14),
    ("2026-10-06", 6, "Corrie 70-200 f/2.8", (135, 180, 200, 200), 8.0, 100, 11),
    ("2026-10-06", 16, "Corrie 16-35 f/4", (24, 35), 8.0, 100, 5),
    ("2026-10-07", 10, "Corrie 16-35 f/4", (35,), 5.6, 800, 2),
)


def shots() -> Iterator[tuple[datetime, str, float, float, int]]:
    """Moment, lens, focal length, f-number and ISO of each picture."""
    chance = random.Random(20261003)
    for day, hour, lens, focals, f_number, iso, count in SHOT:
        at = datetime.fromisoformat(f"{day}T{hour:02}:00:00")
        for _ in range(count):
            at += timedelta(seconds=chance.randint(40, 900))
            yield at, lens, float(chance.choice(focals)), f_number, iso


def main() -> None:
    """Writes them all."""
    HOME.mkdir(exist_ok=True)
    for number, (at, lens, focal, f_number, iso) in enumerate(shots(), 1):
        picture = Image.new("RGB", (12, 8), (40 + number * 2 % 90, 70, 60))
        exif = Image.Exif()
        exif[_MODEL] = "Corrie C1"
        inner = exif.get_ifd(_EXIF)
        inner[_TAKEN] = at.strftime("%Y:%m:%d %H:%M:%S")
        inner[_F], inner[_FOCAL] = IFDRational(round(f_number * 10), 10), IFDRational(round(focal), 1)
        inner[_ISO], inner[_LENS] = iso, lens
        picture.save(HOME / f"KARST{number:04}.jpg", quality=50, exif=exif)


if __name__ == "__main__":
    main()
