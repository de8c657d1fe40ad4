"""Tables in and out: CSV and XLSX, whatever encoding and separator they come in."""

import csv
import io
from collections.abc import Iterable, Iterator, Mapping, Sequence
from typing import Any
from zipfile import ZipFile

from charset_normalizer import from_bytes
from openpyxl import Workbook, load_workbook

# More rows than any locker or card holds.
MOST_ROWS = 50_000
# Of a file, of any part of a spreadsheet when unpacked, and of its parts.
MOST_BYTES, MOST_UNPACKED, MOST_PARTS = 20_000_000, 40_000_000, 2_000
MOST_COLUMNS = 200
# A cell that begins so is taken for a formula by spreadsheets.
_FORMULA = ("=", "+", "-", "@", "\t", "\r")


def rows_of(name: str, raw: bytes) -> Iterator[dict[str, Any]]:
    """Rows by column title. Raises ValueError, in words, for what is no table."""
    if not raw:
        raise ValueError("must not be empty")
    if len(raw) > MOST_BYTES:
        raise ValueError(f"at most {MOST_BYTES:,} bytes")
    table = _xlsx(raw) if raw[:2] == b"PK" else _csv(raw)
    titles: list[str] = []
    for number, row in enumerate(table):
        if number == 0:
            titles = [str(cell).strip() if cell is not None else "" for cell in row][:MOST_COLUMNS]
            if not any(titles):
                raise ValueError("needs column titles in the first row")
            continue
        if number > MOST_ROWS:
            raise ValueError(f"at most {MOST_ROWS:,} rows")
        if any(cell not in (None, "") for cell in row):
            yield {title: cell for title, cell in zip(titles, row, strict=False) if title}


def _csv(raw: bytes) -> Iterator[Sequence[Any]]:
    text = _decoded(raw)
    first = text.split("\n", 1)[0]
    separator = max(";\t,|", key=first.count)
    try:
        yield from csv.reader(io.StringIO(text, newline=""), delimiter=separator)
    except csv.Error as error:
        raise ValueError(f"cannot be read as a table ({error})") from error


def _decoded(raw: bytes) -> str:
    for encoding in ("utf-8-sig", "utf-16") if raw[:2] in (b"\xff\xfe", b"\xfe\xff") else ("utf-8-sig",):
        try:
            return raw.decode(encoding)
        except UnicodeDecodeError:
            continue
    best = from_bytes(raw).best()
    if best is None or "\x00" in str(best):
        raise ValueError("must be text or a spreadsheet")
    return str(best)


def _require_small(raw: bytes) -> None:
    """Raises ValueError for a spreadsheet that is far larger inside than out, before anything of it is read."""
    with ZipFile(io.BytesIO(raw)) as inside:
        # Reading stops at the size that is told here: more than it says cannot come out.
        parts = inside.infolist()
    if len(parts) > MOST_PARTS or any(part.file_size > MOST_UNPACKED for part in parts):
        raise ValueError(f"unpacks to more than {MOST_UNPACKED:,} bytes")


def _xlsx(raw: bytes) -> Iterator[Sequence[Any]]:
    try:
        _require_small(raw)
        # Values as they were last seen: a formula is never worked out.
        book = load_workbook(io.BytesIO(raw), read_only=True, data_only=True)
        sheet = book.worksheets[0]
        yield from sheet.iter_rows(values_only=True, max_col=MOST_COLUMNS)
    except ValueError:
        raise
    except Exception as error:
        raise ValueError(f"cannot be opened as a spreadsheet ({type(error).__name__})") from error


def as_csv(titles: Sequence[str], rows: Iterable[Mapping[str, Any]]) -> bytes:
    """A table as CSV: UTF-8 with a mark, so that spreadsheets see it; text that looks like a formula is quoted."""
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(titles)
    writer.writerows([_safe(row.get(title)) for title in titles] for row in rows)
    return out.getvalue().encode("utf-8-sig")


def as_xlsx(titles: Sequence[str], rows: Iterable[Mapping[str, Any]], sheet: str) -> bytes:
    """A table as a spreadsheet with one sheet; figures stay figures."""
    book = Workbook(write_only=True)
    page = book.create_sheet(sheet[:31])
    page.append(list(titles))
    for row in rows:
        page.append([_safe(row.get(title)) for title in titles])
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


def _safe(cell: Any) -> Any:
    """Never lets a text be taken for a formula by whoever opens it; numbers pass."""
    return f"'{cell}" if isinstance(cell, str) and cell.startswith(_FORMULA) else cell
