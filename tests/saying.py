"""A small kit and what is said of it, for tests of single rules."""

from typing import Any

from mule.cures import cure
from mule.finding import Finding
from mule.gear import Lens
from mule.plan import Plan
from tests import cast


def plan(*loaded: Any, left: tuple[Any, ...] = (), lens: Lens | None = None, **trip: Any) -> Plan:
    gear = [cast.bag(), cast.body(), lens or cast.normal_zoom(), *loaded, *left]
    ids = [thing["id"] if isinstance(thing, dict) else thing.id for thing in gear[1 : 3 + len(loaded)]]
    return cast.plan(gear, cast.entry("bag", cast.INES_CABIN), *map(cast.entry, ids), **trip)


def found(made: Plan, code: str) -> list[Finding]:
    return [f for f in cure(made).findings if f.code == code]


def only(made: Plan, code: str) -> Finding:
    (one,) = found(made, code)
    return one
