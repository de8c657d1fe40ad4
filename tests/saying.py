"""A small kit and what is said of it, for tests of single rules."""

from datetime import date
from typing import Any

from mule.findings.assess import assess
from mule.findings.cures import cure
from mule.findings.said.told import Told
from mule.plan import Plan
from mule.plan.gear import Lens, Other, Soft
from mule.plan.purposes import Purpose
from mule.plan.trip import Day
from tests import cast

THING: dict[str, Any] = {"size": Soft(volume_l=0.3)}
DAYS = tuple(Day(date=date(2027, 5, n), title=f"day {n}", on_foot_h=2) for n in range(1, 5))


def plan(*loaded: Any, left: tuple[Any, ...] = (), lens: Lens | None = None, **trip: Any) -> Plan:
    gear = [cast.bag(), cast.body(), lens or cast.normal_zoom(), *loaded, *left]
    ids = [thing["id"] if isinstance(thing, dict) else thing.id for thing in gear[1 : 3 + len(loaded)]]
    return cast.plan(gear, cast.entry("bag", cast.INES_CABIN), *map(cast.entry, ids), **trip)


def found(made: Plan, code: str) -> list[Any]:
    return [f for f in cure(made).findings if f.code == code]


def fields(finding: Any) -> dict[str, Any]:
    """What a finding says beside what every finding has."""
    own: dict[str, Any] = finding.model_dump(mode="json", exclude=set(Told.model_fields), exclude_none=True)
    return own


def only(made: Plan, code: str) -> Any:
    (one,) = found(made, code)
    return one


def other(id_: str, purpose: Purpose = Purpose.OTHER, **fields: Any) -> Other:
    return Other(id=id_, name=id_, mass_g=fields.pop("mass_g", 100), purpose=purpose, **THING | fields)


def score(made: Plan) -> float:
    return assess(made).coverage.score


def codes(made: Plan) -> set[str]:
    return {f.code for f in assess(made).findings}
