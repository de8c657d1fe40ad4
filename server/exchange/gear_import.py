"""A locker from a table: columns matched, every row looked at, and all of it stored or nothing.

What a table does not say (a sensor, a card slot) comes from the typical thing of its kind that has most words in
common; the preview says which. Masses from a table are stated, not measured.
"""

import re
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from typing import Any

from django.contrib.auth.models import User
from ninja import Schema
from pydantic import ValidationError

from mule.base.errors import InvalidInput, Problem, plain_path, rule_of, shorten
from mule.intake.typed import glass_of
from mule.plan import MOST_THINGS
from mule.plan.gear import GEAR, Gear, Lens, Source
from server.exchange.cells import READ, RULE, text_of
from server.exchange.every_field import is_whole, read_fields
from server.exchange.likeness import kind_of, kinds, like_of
from server.kernel.documents import FreeSlugs, insert, ready, require_room, slug_from, slugs, spec_of, writing
from server.kernel.tables import rows_of
from server.library.locker.convert import typical
from server.library.locker.models import Thing

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


class RowProblem(Schema):
    """What is wrong in a row: the field, its column, the value there, and the rule."""

    field: str
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


Mends = Mapping[str, Mapping[str, str]]


def preview(name: str, raw: bytes, matched: Mapping[str, str] | None = None, mends: Mends | None = None) -> Preview:
    """What would come in. matched: field -> column, else it is guessed. mends: row number -> field -> what is meant,
    ``like`` being the id of a typical thing. Raises InvalidInput for what is no table.
    """
    rows = _table(name, raw)
    columns = list(dict.fromkeys(title for row in rows[:50] for title in row))
    by = {f: c for f, c in (matched or guess(columns)).items() if f in FIELDS and c in columns}
    made = [_row(number, row, by, (mends or {}).get(str(number))) for number, row in enumerate(rows, 2)]
    good = sum(thing is not None for _, thing in made)
    shown = [out for out, thing in made if thing is None][:_SHOWN]
    shown += [out for out, thing in made if thing is not None][: _SHOWN - len(shown)]
    return Preview(columns=columns, matched=by, total=len(made), good=good, rows=sorted(shown, key=lambda r: r.number))


def bring_in(
    owner: User, name: str, raw: bytes, matched: Mapping[str, str], *, leave_bad: bool, mends: Mends | None = None
) -> int:
    """Puts every row into the locker, all or nothing; bad rows are left out only when asked.

    Raises InvalidInput that names each bad row otherwise. Gives how many things came in.
    """
    rows = _table(name, raw)
    made = [_row(number, row, matched, (mends or {}).get(str(number))) for number, row in enumerate(rows, 2)]
    bad = [out for out, thing in made if thing is None]
    if bad and not leave_bad:
        problems = [
            Problem(f"row {out.number}, {p.column}", p.value, p.rule) for out in bad[:_SHOWN] for p in out.problems
        ]
        raise InvalidInput(problems)
    things = [thing for _, thing in made if thing is not None]
    # Made ready before anything is locked: others write meanwhile.
    specs = [spec_of(thing) for thing in things]
    taken = slugs(Thing, owner)
    new = ready(_things(owner, specs, taken))
    with writing(owner):
        require_room(Thing, owner, len(new), MOST_THINGS, "things")
        now = slugs(Thing, owner)
        insert(Thing, new if now == taken else ready(_things(owner, specs, now)))
    return len(new)


def _things(owner: User, specs: Iterable[Mapping[str, Any]], taken: Iterable[str]) -> Iterator[Thing]:
    free = FreeSlugs(taken)
    for spec in specs:
        # What the table calls by an id is named by others by it.
        slug = free.take(slug_from(spec["name"]) if spec["id"] == "new" else spec["id"])
        yield Thing(owner=owner, slug=slug, name=spec["name"], kind=spec["kind"], spec={**spec, "id": slug})


def _table(name: str, raw: bytes) -> list[dict[str, Any]]:
    try:
        rows = list(rows_of(name, raw))
    except ValueError as error:
        raise InvalidInput([Problem("file", shorten(name), str(error))]) from error
    if not rows:
        raise InvalidInput([Problem("file", shorten(name), "must be a table with column titles and at least one row")])
    if len(rows) > MOST_THINGS:
        raise InvalidInput([Problem("file", f"{len(rows):,} rows", f"at most {MOST_THINGS:,}")])
    return rows


def _row(
    number: int, row: Mapping[str, Any], by: Mapping[str, str], mend: Mapping[str, str] | None = None
) -> tuple[RowOut, Gear | None]:
    told = {field: row.get(column) for field, column in by.items() if row.get(column) not in (None, "")}
    # What somebody put in place of a cell counts as if it stood there.
    told |= {field: value for field, value in (mend or {}).items() if value and field in FIELDS}
    problems: list[RowProblem] = []
    data: dict[str, Any] = {}
    for field, value in told.items():
        try:
            read: Callable[[Any, str], Any] = READ.get(field, text_of)
            data[field] = read(value, by.get(field, field))
        except (ValueError, OverflowError):
            rule = RULE.get(field, "text")
            problems.append(RowProblem(field=field, column=by.get(field, field), value=shorten(value), rule=rule))
    name = str(data.get("name", ""))
    if not name:
        problems.append(RowProblem(field="name", column=by.get("name", "name"), value="", rule="enter a name"))
    like = typical().get((mend or {}).get("like", "")) or like_of(name, str(data.get("kind", "")))
    if data.get("kind") and kind_of(str(data["kind"])) not in kinds():
        column = by.get("kind", "kind")
        problems.append(
            RowProblem(field="kind", column=column, value=shorten(data["kind"]), rule="pick a kind of gear")
        )
    thing = None
    if not problems:
        try:
            thing = GEAR.validate_python(_whole(row, data) if is_whole(row) else _spec(name, data, like))
        except ValidationError as error:
            for item in error.errors()[:3]:
                field = plain_path(list(item["loc"][1:]), "")
                column = by.get(field.split(".")[-1], field)
                value = shorten(item.get("input", ""))
                problems.append(RowProblem(field=field, column=column, value=value, rule=rule_of(item)))
    out = RowOut(
        number=number,
        name=name[:80],
        kind=thing.kind if thing else str(data.get("kind", "")),
        mass_g=thing.mass_g if thing else None,
        like=like.name if like and not is_whole(row) else "",
        problems=problems,
    )
    return out, thing


def _whole(row: Mapping[str, Any], data: Mapping[str, Any]) -> dict[str, Any]:
    told = {
        field: data[field] for field in ("name", "count", "mass_g", "serial", "value", "owner", "note") if field in data
    }
    spec = {"kind": row["kind"], **read_fields(row), **told}
    return spec | ({"volume_l": data["volume_l"]} if spec["kind"] in ("bag", "insert") and "volume_l" in data else {})


def _spec(name: str, data: Mapping[str, Any], like: Gear | None) -> dict[str, Any]:
    spec: dict[str, Any] = like.model_dump() if like else {"kind": "other", "purpose": "straps"}
    spec |= {"id": "new", "name": name, "absent": None}
    if isinstance(like, Lens):
        spec |= glass_of(name, lens=False)
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
