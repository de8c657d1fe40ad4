"""assess(plan) -> Assessment: the whole answer. Wiring only; the rules speak in ``mule.rules``."""

from enum import StrEnum

from mule import rules
from mule.carriers import LegVerdict, Luggage, check
from mule.finding import Finding, Severity
from mule.load import Loads, weigh
from mule.optics import Closers, Coverage, cover
from mule.plan import Plan
from mule.units import Frozen


class Mark(StrEnum):
    """How far a station of the trail is."""

    DONE = "done"
    OPEN = "open"
    BLOCKED = "blocked"


class Station(Frozen):
    """One stop of the trail."""

    name: str
    mark: Mark


class Assessment(Frozen):
    """All answers for one kit of one plan."""

    kit: str
    coverage: Coverage
    loads: Loads
    legs: tuple[LegVerdict, ...]
    findings: tuple[Finding, ...]
    stations: tuple[Station, ...]


STATIONS = ("brief", "bench")


def assess(plan: Plan) -> Assessment:
    """Everything there is to say about the open kit of ``plan``. Never raises for a valid plan."""
    kit, gear = plan.kit, plan.items
    coverage, closers = cover(plan.gear, kit.loaded(), plan.trip.wants)
    loads = weigh(gear, kit, plan.trip.people)
    legs = check(plan.trip.legs, {c.id: c for c in plan.carriers}, _luggage(loads))
    findings = rules.speak(rules.Case(plan, coverage, _price(coverage, closers), loads, legs))
    return Assessment(
        kit=kit.id,
        coverage=coverage,
        loads=loads,
        legs=legs,
        findings=findings,
        stations=tuple(Station(name=name, mark=_mark(name, findings)) for name in STATIONS),
    )


def _luggage(loads: Loads) -> tuple[Luggage, ...]:
    return tuple(
        Luggage(bag=p.bag, person=p.person, piece=p.piece, size_mm=p.size_mm, mass_g=p.mass_g, squeeze_mm=p.squeeze_mm)
        for p in loads.pieces
    )


def _price(coverage: Coverage, closers: Closers | None) -> rules.Prices:
    if closers is None:
        return {}
    return {
        (want.want, gap): closers.close(index, gap) for index, want in enumerate(coverage.wants) for gap in want.gaps
    }


def _mark(station: str, findings: tuple[Finding, ...]) -> Mark:
    """Blocked by a blocker, open while a caution stands, done otherwise; notes leave a station done."""
    severities = {f.severity for f in findings if f.station == station}
    if Severity.BLOCKER in severities:
        return Mark.BLOCKED
    return Mark.OPEN if Severity.CAUTION in severities else Mark.DONE
