"""Reading pictures: only their metadata is kept, never a pixel. One odd file is named and holds up no other.

Files come as their first bytes (the metadata of a JPEG or a raw file stands at the front), as a ZIP of them, or as a
table or JSON that another program wrote of them.
"""

import io
import json
import re
import zipfile
from collections.abc import Callable, Iterable, Iterator, Mapping
from datetime import datetime
from itertools import islice
from pathlib import PurePosixPath
from typing import IO, Any

import exifread
from ninja import Schema
from pydantic import ValidationError

from mule.plan.field import Frame
from server.kernel.tables import rows_of

# Enough of a file to hold its metadata; the rest is never read.
HEAD_BYTES = 512 * 1024
MOST_FILES = 20_000
PICTURES = frozenset(
    f".{kind}"
    for kind in (
        *("jpg", "jpeg", "tif", "tiff", "dng", "nef", "cr2", "cr3", "arw", "orf", "rw2", "pef", "raf", "raw"),
        *("heic", "heif"),
    )
)
TABLES = (".csv", ".tsv", ".json", ".xlsx")
_EARLIEST = 1990


class Odd(Schema):
    """A file that gave nothing, or less than it should: which, and why."""

    name: str
    rule: str


def read_files(files: Iterable[tuple[str, IO[bytes]]]) -> Iterator[Frame | Odd]:
    """Frames of pictures, of ZIPs of pictures, and of tables of metadata, one after the other."""
    for name, file in files:
        plain = plain_name(name)
        suffix = PurePosixPath(plain.lower()).suffix
        if suffix == ".zip":
            yield from _zip(plain, file)
        elif suffix in TABLES:
            yield from _table(plain, file)
        else:
            yield from _picture(plain, file.read(HEAD_BYTES))


def plain_name(name: str) -> str:
    """The last part of a path, whatever slashes it uses: a name is shown, never gone to."""
    return re.sub(r"[\x00-\x1f]", "", name.replace("\\", "/").rsplit("/", 1)[-1])[:200] or "unnamed"


def _zip(name: str, file: IO[bytes]) -> Iterator[Frame | Odd]:
    try:
        whole = zipfile.ZipFile(file)
    except (zipfile.BadZipFile, ValueError):
        yield Odd(name=name, rule="cannot be opened as a ZIP")
        return
    with whole:
        inside = [i for i in whole.infolist() if not i.is_dir() and not plain_name(i.filename).startswith(".")]
        if len(inside) > MOST_FILES:
            yield Odd(name=name, rule=f"at most {MOST_FILES:,} files in one ZIP; it has {len(inside):,}")
            return
        for info in inside:
            plain = plain_name(info.filename)
            suffix = PurePosixPath(plain.lower()).suffix
            if suffix not in PICTURES:
                yield Odd(name=plain, rule="is no JPEG or raw picture; ZIPs in ZIPs are not opened")
                continue
            try:
                # However large it says it is, or is: no more than its head is ever unpacked.
                with whole.open(info) as member:
                    head = member.read(HEAD_BYTES)
            except (RuntimeError, OSError, ValueError, zipfile.BadZipFile, NotImplementedError) as error:
                yield Odd(name=plain, rule=f"cannot be unpacked ({type(error).__name__})")
                continue
            yield from _picture(plain, head)


def _picture(name: str, head: bytes) -> Iterator[Frame | Odd]:
    if not head:
        yield Odd(name=name, rule="is empty")
        return
    told = _told(head)
    if not told:
        yield Odd(name=name, rule="has no metadata, or is no picture")
        return
    found = {field: next((told[t] for t in tags if told.get(t)), None) for field, tags in _TAGS.items()}
    yield from _frame(name, found)


# Tags that say something, the best first. A block of its own calls the second sort the first.
_TAGS: Mapping[str, tuple[str, ...]] = {
    "taken": ("EXIF DateTimeOriginal", "Image DateTimeOriginal", "Image DateTime"),
    "focal_mm": ("EXIF FocalLength", "Image FocalLength"),
    "f_number": ("EXIF FNumber", "Image FNumber"),
    "iso": ("EXIF ISOSpeedRatings", "Image ISOSpeedRatings"),
    "body": ("Image Model",),
    "lens": ("EXIF LensModel", "Image LensModel"),
}
_TELLING = {tag for field, tags in _TAGS.items() if field in ("taken", "focal_mm", "body") for tag in tags}
# How a block of metadata starts (TIFF 6.0): byte order, then 42 in it.
_BLOCK = re.compile(rb"II\x2a\x00|MM\x00\x2a")
_MOST_BLOCKS = 6


def _told(head: bytes) -> dict[str, Any]:
    """What the metadata of a file says. Files of no common build are searched for the blocks that all cameras write."""
    told = _tags_at(head, 0)
    if not told:
        for block in islice(_BLOCK.finditer(head), _MOST_BLOCKS):
            told = _tags_at(head, block.start()) | told
    return told


def _tags_at(head: bytes, at: int) -> dict[str, Any]:
    """Tags that can be read from there on; none where they say nothing of how the picture was taken."""
    try:
        tags = exifread.process_file(io.BytesIO(head[at:]), details=False)
    except Exception:
        # The reader trips over broken files in its own ways; whatever it says, there is nothing to be read.
        return {}
    told = {key: _plain(tag) for key, tag in tags.items()}
    return told if _TELLING & told.keys() else {}


def _plain(tag: Any) -> Any:
    value = getattr(tag, "values", tag)
    if isinstance(value, list | tuple):
        value = value[0] if value else None
    if hasattr(value, "num") and hasattr(value, "den"):
        return value.num / value.den if value.den else None
    return value.strip("\x00 ") if isinstance(value, str) else value


# What tables call the same thing, in small letters without anything else.
_COLUMNS: Mapping[str, tuple[str, ...]] = {
    "name": ("name", "filename", "file", "sourcefile", "picture"),
    "taken": ("taken", "datetimeoriginal", "datetime", "createdate", "date", "time"),
    "focal_mm": ("focalmm", "focallength", "focal"),
    "f_number": ("fnumber", "aperture"),
    "iso": ("iso", "isospeedratings", "isospeed"),
    "body": ("body", "model", "camera", "cameramodel"),
    "lens": ("lens", "lensmodel", "lensid"),
}


def _table(name: str, file: IO[bytes]) -> Iterator[Frame | Odd]:
    raw = file.read()
    try:
        rows = _json(raw) if name.lower().endswith(".json") else list(rows_of(name, raw))
    except ValueError as error:
        yield Odd(name=name, rule=str(error))
        return
    for number, row in enumerate(rows, 1):
        known = {re.sub(r"[^a-z0-9]", "", str(key).lower()): value for key, value in row.items()}
        told = {field: next((known[c] for c in names if known.get(c)), None) for field, names in _COLUMNS.items()}
        if not told["name"] and not any(told.values()):
            yield Odd(name=f"{name}, row {number}", rule="needs a file name, a focal length or a date")
            continue
        named = plain_name(str(told.pop("name") or f"{name}, row {number}"))
        yield from _frame(named, told)


def _json(raw: bytes) -> list[dict[str, Any]]:
    try:
        told = json.loads(raw)
    except ValueError as error:
        raise ValueError("must be valid JSON") from error
    if not isinstance(told, list) or not all(isinstance(row, dict) for row in told):
        raise ValueError("must be a list of objects, one for each picture")
    return told


def _frame(name: str, told: Mapping[str, Any]) -> Iterator[Frame | Odd]:
    """A frame of what makes sense; what does not is left out and said."""
    kept: dict[str, Any] = {"name": name}
    wrong: list[str] = []
    for field, value in told.items():
        if value in (None, ""):
            continue
        try:
            kept[field] = _READ[field](value)
            Frame.model_validate(kept)
        except (ValueError, ValidationError, OverflowError, ZeroDivisionError):
            kept.pop(field, None)
            wrong.append(f"{field.removesuffix('_mm').replace('_', '-')} {str(value)[:30]}")
    yield Frame.model_validate(kept)
    if wrong:
        yield Odd(name=name, rule=f"left out impossible figures: {', '.join(wrong)}")


def _number(value: Any) -> float:
    """ "50.0 mm", "1/4" and 50 are numbers."""
    if isinstance(value, int | float):
        return float(value)
    found = re.search(r"(-?\d+(?:[.,]\d+)?)(?:\s*/\s*(\d+))?", str(value))
    if found is None:
        raise ValueError(value)
    return float(found[1].replace(",", ".")) / float(found[2] or 1)


def _taken(value: Any) -> datetime:
    if isinstance(value, datetime):
        made = value
    else:
        text = str(value).strip()[:19]
        text = re.sub(r"^(\d{4}):(\d\d):(\d\d)", r"\1-\2-\3", text)
        made = datetime.fromisoformat(text)
    if made.year < _EARLIEST:
        raise ValueError(value)
    return made.replace(tzinfo=None, microsecond=0)


def _text(value: Any) -> str:
    return re.sub(r"[\x00-\x1f]", "", str(value)).strip()[:200]


_READ: Mapping[str, Callable[[Any], Any]] = {
    "taken": _taken,
    "focal_mm": _number,
    "f_number": _number,
    "iso": lambda value: int(_number(value)),
    "body": _text,
    "lens": _text,
}

__all__ = ["HEAD_BYTES", "MOST_FILES", "Odd", "plain_name", "read_files"]
