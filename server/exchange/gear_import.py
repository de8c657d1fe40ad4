"""A locker from a table: columns matched, every row looked at, and all of it stored or nothing.

What a table does not say (a sensor, a card slot) comes from the typical thing of its kind that has most words in
common; the preview says which. Masses from a table are stated, not measured.
"""

import re
from collections.abc import Mapping, Sequence
from functools import cache
from math import log2
from typing import Any

from django.contrib.auth.models import User
from django.db import transaction
from ninja import Schema
from pydantic import ValidationError

from mule.errors import InvalidInput, Problem, plain_path, shorten
from mule.gear import GEAR, Gear, Lens, Source
from server.documents import free_slug, slug_from, slugs
from server.exchange.tables import rows_of
from server.locker.convert import typical
from server.locker.models import Thing

# More things than anybody owns.
MOST_THINGS = 20_000
_SHOWN = 200

# What each field may be called, in small letters without anything else; units may stand in the title.
FIELDS: Mapping[str, tuple[str, ...]] = {
    "name": ("name", "thing", "item", "title", "description", "model"),
    "kind": ("kind", "type", "category", "sort"),
    "count": ("count", "pieces", "quantity", "qty", "number"),
    "mass_g": ("massg", "mass", "weight", "weightg", "grams", "masskg", "weightkg"),
    "length_mm": ("lengthmm", "length", "l"),
    "width_mm": ("widthmm", "width", "w"),
    "height_mm": ("heightmm", "height", "h", "depth", "depthmm"),
    "diameter_mm": ("diametermm", "diameter"),
    "volume_l": ("volumel", "volume", "litres", "liters"),
    "serial": ("serial", "serialnumber", "sn"),
    "value": ("value", "price"),
    "owner": ("owner", "belongsto"),
    "note": ("note", "notes", "comment"),
}
_NEEDS = ("length_mm", "width_mm", "height_mm")
# What a unit in a title or a cell multiplies by, to grams or millimetres.
_UNITS = {"kg": 1000.0, "g": 1.0, "lb": 453.59237, "oz": 28.349523125, "cm": 10.0, "mm": 1.0, "in": 25.4, "m": 1000.0}


class RowProblem(Schema):
    """What is wrong in a row: its column, the value there, and the rule."""

    column: str
    value: str
    rule: str


class RowOut(Schema):
    """One row as it would come in. number: in the file, the titles being row 1. problems: why it cannot."""

    number: int
    name: str
    kind: str
    mass_g: float | None
    like: str
    problems: list[RowProblem]


class Preview(Schema):
    """A table before it comes in. columns: its titles; matched: column by field; rows: bad ones, then good ones."""

    columns: list[str]
    matched: dict[str, str]
    total: int
    good: int
    rows: list[RowOut]


def guess(columns: Sequence[str]) -> dict[str, str]:
    """Which column holds which field: by exact title, then by its first word. field -> column."""
    plain = {column: re.sub(r"[^a-z0-9]", "", column.lower()) for column in columns}
    found: dict[str, str] = {}
    for field, names in FIELDS.items():
        free = [c for c in columns if c not in found.values()]
        same = next((c for name in names for c in free if plain[c] == name), None)
        starts = next((c for name in names[:2] for c in free if plain[c].startswith(name) and len(name) > 3), None)
        if same or starts:
            found[field] = same or starts or ""
    return found


def preview(name: str, raw: bytes, matched: Mapping[str, str] | None = None) -> Preview:
    """What would come in. matched: field -> column, else it is guessed. Raises InvalidInput for what is no table."""
    rows = _table(name, raw)
    columns = list(dict.fromkeys(title for row in rows[:50] for title in row))
    by = {f: c for f, c in (matched or guess(columns)).items() if f in FIELDS and c in columns}
    made = [_row(number, row, by) for number, row in enumerate(rows, 2)]
    good = sum(thing is not None for _, thing in made)
    shown = [out for out, thing in made if thing is None][:_SHOWN]
    shown += [out for out, thing in made if thing is not None][: _SHOWN - len(shown)]
    return Preview(columns=columns, matched=by, total=len(made), good=good, rows=sorted(shown, key=lambda r: r.number))


def bring_in(owner: User, name: str, raw: bytes, matched: Mapping[str, str], *, leave_bad: bool) -> int:
    """Puts every row into the locker, all or nothing; bad rows are left out only when asked.

    Raises InvalidInput that names each bad row otherwise. Gives how many things came in.
    """
    rows = _table(name, raw)
    made = [_row(number, row, matched) for number, row in enumerate(rows, 2)]
    bad = [out for out, thing in made if thing is None]
    if bad and not leave_bad:
        problems = [
            Problem(f"row {out.number}, {p.column}", p.value, p.rule) for out in bad[:_SHOWN] for p in out.problems
        ]
        raise InvalidInput(problems)
    things = [thing for _, thing in made if thing is not None]
    with transaction.atomic():
        taken = set(slugs(Thing, owner))
        new = []
        for thing in things:
            slug = free_slug(taken, slug_from(thing.name))
            taken.add(slug)
            spec = thing.model_copy(update={"id": slug}).model_dump(mode="json")
            new.append(Thing(owner=owner, slug=slug, name=thing.name, kind=thing.kind, spec=spec))
        Thing.objects.bulk_create(new, batch_size=500)
    return len(new)


def _table(name: str, raw: bytes) -> list[dict[str, Any]]:
    try:
        rows = list(rows_of(name, raw))
    except ValueError as error:
        raise InvalidInput([Problem("file", shorten(name), str(error))]) from error
    if not rows:
        raise InvalidInput([Problem("file", shorten(name), "a table with a row of titles and at least one row")])
    if len(rows) > MOST_THINGS:
        raise InvalidInput([Problem("file", f"{len(rows):,} rows", f"at most {MOST_THINGS:,}")])
    return rows


def _row(number: int, row: Mapping[str, Any], by: Mapping[str, str]) -> tuple[RowOut, Gear | None]:
    told = {field: row.get(column) for field, column in by.items() if row.get(column) not in (None, "")}
    problems: list[RowProblem] = []
    data: dict[str, Any] = {}
    for field, value in told.items():
        try:
            data[field] = _READ.get(field, _text)(value, by[field])
        except (ValueError, OverflowError):
            problems.append(RowProblem(column=by[field], value=shorten(value), rule=_RULE.get(field, "text")))
    name = str(data.get("name", ""))
    if not name:
        problems.append(RowProblem(column=by.get("name", "name"), value="", rule="a name"))
    like = _like(name, str(data.get("kind", "")))
    if data.get("kind") and _kind(str(data["kind"])) not in _kinds():
        rule = f"one of {', '.join(_kinds())}"
        problems.append(RowProblem(column=by["kind"], value=shorten(data["kind"]), rule=rule))
    thing = None
    if not problems:
        try:
            thing = GEAR.validate_python(_spec(name, data, like))
        except ValidationError as error:
            for item in error.errors()[:3]:
                field = plain_path(list(item["loc"][1:]), "")
                column = by.get(field.split(".")[-1], field)
                problems.append(RowProblem(column=column, value=shorten(item.get("input", "")), rule=item["msg"]))
    out = RowOut(
        number=number,
        name=name[:80],
        kind=thing.kind if thing else str(data.get("kind", "")),
        mass_g=thing.mass_g if thing else None,
        like=like.name if like else "",
        problems=problems,
    )
    return out, thing


def _spec(name: str, data: Mapping[str, Any], like: Gear | None) -> dict[str, Any]:
    spec: dict[str, Any] = like.model_dump() if like else {"kind": "other", "use": "carrying"}
    spec |= {"id": "new", "name": name, "absent": None}
    if isinstance(like, Lens):
        spec |= _glass(name)
    if "mass_g" in data:
        spec |= {"mass_g": data["mass_g"], "mass_source": Source.STATED}
    size = _size(data)
    if size:
        spec |= {"size": size, "size_source": Source.STATED}
    elif like is None:
        spec["size"] = {"shape": "soft", "volume_l": data.get("volume_l", 0.1)}
    if spec["kind"] in ("bag", "insert") and "volume_l" in data:
        spec["volume_l"] = data["volume_l"]
    return spec | {field: data[field] for field in ("count", "serial", "value", "owner", "note") if field in data}


def _size(data: Mapping[str, Any]) -> dict[str, Any] | None:
    if "diameter_mm" in data and ("length_mm" in data or "height_mm" in data):
        long = data.get("length_mm", data.get("height_mm"))
        return {"shape": "cylinder", "diameter_mm": data["diameter_mm"], "length_mm": long}
    if all(field in data for field in _NEEDS):
        return {"shape": "box", **{field: data[field] for field in _NEEDS}}
    return None


def _text(value: Any, column: str) -> str:
    # A spreadsheet's guard against formulas is no part of the text.
    text = str(value).strip()
    return text[1:] if text[:1] == "'" and text[1:2] in "=+-@" else text


def _count(value: Any, column: str) -> int:
    number = float(value) if isinstance(value, int | float) else float(str(value).strip())
    if number != int(number) or number < 1:
        raise ValueError(value)
    return int(number)


def _measure(value: Any, column: str) -> float:
    """ "0,8 kg", "800" under "Weight (g)", 12.5 under "Length cm": in grams or millimetres."""
    if isinstance(value, bool):
        raise ValueError(value)
    unit = next(iter(re.findall(r"\b(kg|g|lb|oz|cm|mm|in|m)\b", column.lower().replace("_", " "))), None)
    if isinstance(value, int | float):
        return float(value) * _UNITS[unit or "g"]
    found = re.fullmatch(r"\s*(-?\d+(?:[.,]\d+)?)\s*(kg|g|lb|oz|cm|mm|in|m)?\s*", str(value).lower())
    if found is None:
        raise ValueError(value)
    return float(found[1].replace(",", ".")) * _UNITS[found[2] or unit or "g"]


def _plain_number(value: Any, column: str) -> float:
    return float(value) if isinstance(value, int | float) else float(str(value).strip().replace(",", "."))


_READ = {
    "count": _count,
    "mass_g": _measure,
    "length_mm": _measure,
    "width_mm": _measure,
    "height_mm": _measure,
    "diameter_mm": _measure,
    "volume_l": _plain_number,
    "value": _plain_number,
}
_LENGTHS = ("length_mm", "width_mm", "height_mm", "diameter_mm")
_RULE = {
    "count": "a whole number, 1 or more",
    "mass_g": "a mass: 800, 800 g or 0.8 kg",
    "value": "a number",
    **dict.fromkeys(_LENGTHS, "a length: 88, 88 mm or 8.8 cm"),
}


@cache
def _kinds() -> tuple[str, ...]:
    return tuple(sorted({thing.kind for thing in typical().values()} | {"other"}))


def _words(text: str) -> frozenset[str]:
    return frozenset(re.findall(r"[a-z]+|\d+(?:\.\d+)?", text.lower()))


@cache
def _typical_words() -> tuple[tuple[frozenset[str], Gear], ...]:
    return tuple((_words(thing.name), thing) for thing in typical().values())


# "24-70 f/2.8", "40mm F2", "100–400 f/4.5–5.6".
_LENS = re.compile(
    r"(\d{1,4})(?:\s*[-–]\s*(\d{1,4}))?\s*(?:mm)?\s*f/?\s*(\d+(?:\.\d+)?)(?:\s*[-–]\s*(\d+(?:\.\d+)?))?", re.IGNORECASE
)


def _glass(name: str) -> dict[str, float]:
    """Focal lengths and f-numbers that a lens's name says; empty when it says none."""
    found = _LENS.search(name)
    if found is None:
        return {}
    low, fast = float(found[1]), float(found[3])
    return {
        "focal_min_mm": low,
        "focal_max_mm": float(found[2] or low),
        "f_at_min": fast,
        "f_at_max": float(found[4] or fast),
    }


def _unlike(lens: Lens, glass: Mapping[str, float]) -> float:
    """How far a typical lens is from what a name says, in octaves and stops."""
    return sum(abs(log2(getattr(lens, field) / value)) for field, value in glass.items() if value > 0)


def _kind(told: str) -> str:
    """ "Lenses" is lens, "Power bank" is power-bank."""
    plain = re.sub(r"[^a-z]+", "-", told.lower()).strip("-")
    return next(
        (
            k
            for k in (plain, plain.removesuffix("s"), plain.removesuffix("es"), f"{plain.removesuffix('ies')}y")
            if k in _kinds()
        ),
        plain,
    )


def _like(name: str, kind: str) -> Gear | None:
    """The typical thing of that kind with most words in common; without a kind, one with two words at least."""
    wanted = _kind(kind)
    mine = _words(name)
    able = [(len(words & mine), thing) for words, thing in _typical_words() if not wanted or thing.kind == wanted]
    if not able:
        return None
    glass = _glass(name)
    if wanted == "lens" and glass:
        return min((t for _, t in able if isinstance(t, Lens)), key=lambda lens: _unlike(lens, glass))
    common, best = max(able, key=lambda pair: pair[0])
    return best if wanted or common >= 2 else None
