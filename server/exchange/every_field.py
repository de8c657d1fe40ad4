"""Every field of a thing in a table's row, and back: what the readable columns leave out stands in columns of its own.

A row with a ``whole`` cell is one that this app wrote: nothing of it is filled in from typical things.
"""

import json
from collections.abc import Mapping
from typing import Any

from mule.plan.gear import KINDS, Gear

WHOLE = "whole"
# The readable columns hold these, in the same units.
_READABLE = frozenset({"name", "kind", "count", "mass_g", "serial", "value", "owner", "note", "volume_l"})
# Columns of tables that earlier versions wrote; the gear reads what they held into today's fields.
_EARLIER = ("use",)
_BY_KIND = {kind.model_fields["kind"].default: kind for kind in KINDS}


def other_fields(thing: Gear) -> dict[str, Any]:
    """Field -> cell: plain values as they are, lists and parts as JSON; what says nothing is left out."""
    told = thing.model_dump(mode="json", exclude_none=True, exclude=set(_READABLE - {"volume_l"}))
    cells = {
        field: value if isinstance(value, str | int | float) and not isinstance(value, bool) else json.dumps(value)
        for field, value in told.items()
        if field != "volume_l"
    }
    return {WHOLE: "yes", **cells}


def is_whole(row: Mapping[str, Any]) -> bool:
    """Whether a row tells every field."""
    return bool(row.get(WHOLE)) and row.get("kind") in _BY_KIND


def read_fields(row: Mapping[str, Any]) -> dict[str, Any]:
    """Fields of a whole row that the readable columns do not hold; each cell as JSON where it is that, else as text."""
    model = _BY_KIND[row["kind"]]
    return {
        field: _value(row[field])
        for field in (*model.model_fields, *_EARLIER)
        if field not in _READABLE and row.get(field) not in (None, "")
    }


def _value(cell: Any) -> Any:
    if isinstance(cell, int | float | bool):
        return int(cell) if isinstance(cell, float) and cell.is_integer() else cell
    text = str(cell)
    try:
        return json.loads(text)
    except ValueError:
        # A spreadsheet's guard against formulas is no part of it.
        return text[1:] if text[:1] == "'" and text[1:2] in "=+-@" else text
