"""assess(plan) -> Assessment: the facts about a kit. Wiring only; the rules speak in ``mule.findings.rules``.

What tries *other* kits (worth, drop order, losses, cures) is advice: ``mule.findings.advise``.
"""

from mule.analysis.carriers import LegVerdict
from mule.analysis.completeness import Completeness, complete
from mule.analysis.completeness.links import requirements_of
from mule.analysis.filters import FilterFit
from mule.analysis.filters.fronts import fit_filters
from mule.analysis.gate import Rehearsal, check_legs, rehearse
from mule.analysis.lens_changes import DayChanges, lens_changes
from mule.analysis.load import Loads, weigh
from mule.analysis.optics import Coverage, cover
from mule.analysis.sky import DayLight, light
from mule.analysis.storage.stamina import Lasts, in_short, summarize
from mule.base.units import Frozen
from mule.findings.rules import Case, Station, StationMark, speak, stations_of
from mule.findings.said import Finding
from mule.plan import Plan


class Assessment(Frozen):
    """All facts about one kit of one plan. filters: of what is loaded. sky: the days whose place is known.

    findings: without their cures, which are looked for in ``mule.findings.cures``.
    """

    kit: str
    coverage: Coverage
    loads: Loads
    legs: tuple[LegVerdict, ...]
    filters: FilterFit
    completeness: Completeness
    lens_changes: tuple[DayChanges, ...]
    lasts: Lasts
    gate: Rehearsal
    sky: tuple[DayLight, ...]
    findings: tuple[Finding, ...]
    stations: tuple[Station, ...]


def assess(plan: Plan) -> Assessment:
    """The facts about the open kit of ``plan``. Never raises for a valid plan.

    >>> from tests import cast
    >>> made = assess(cast.plan([]))
    >>> [finding.code for finding in made.findings][:1]
    ['nothing-loaded']
    """
    case = case_of(plan)
    return assessed(case, speak(case))


def case_of(plan: Plan) -> Case:
    """Every package asked for the facts about the open kit."""
    counts = plan.loaded
    view = cover(plan.gear, counts, plan.trip.wants)
    loads = weigh(plan.items, plan.kit, plan.trip.people, plan.weighed)
    filters = fit_filters(plan, view.coverage, with_rest=False)
    requirements = requirements_of(plan, filters, view.table.aids)
    return Case(
        plan=plan,
        view=view,
        requirements=requirements,
        loads=loads,
        legs=check_legs(plan, loads),
        filters=filters,
        completeness=complete(requirements, plan.items, counts),
        lens_changes=lens_changes(plan, view),
        stamina=summarize(plan),
        gate=rehearse(plan),
    )


def assessed(case: Case, findings: tuple[Finding, ...]) -> Assessment:
    """The facts as they are answered. findings: by the rules, of the same case."""
    trip = case.plan.trip
    return Assessment(
        kit=case.plan.kit.id,
        coverage=case.view.coverage,
        loads=case.loads,
        legs=case.legs,
        filters=case.filters,
        completeness=case.completeness,
        lens_changes=case.lens_changes,
        lasts=in_short(case.stamina.power, case.stamina.pictures, trip),
        gate=case.gate,
        sky=tuple(found for day in trip.days if (found := light(day, trip.spot))),
        findings=findings,
        stations=stations_of(findings, len(trip.legs)),
    )


__all__ = ["Assessment", "Station", "StationMark", "assess", "assessed", "case_of"]
