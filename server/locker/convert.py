"""Rows of the locker to core values."""

from functools import cache
from pathlib import Path

from pydantic import TypeAdapter

from mule.gear import GEAR, Gear
from server.locker.models import Thing

_TYPICAL = TypeAdapter(tuple[Gear, ...])


def gear_of(row: Thing) -> Gear:
    """The core value of a row."""
    return GEAR.validate_python(row.spec)


@cache
def typical() -> dict[str, Gear]:
    """The typical gear table by id: generic things without a make, every figure marked typical."""
    text = (Path(__file__).parent / "typical.json").read_bytes()
    return {thing.id: thing for thing in _TYPICAL.validate_json(text)}
