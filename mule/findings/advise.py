"""advise(plan) -> Advice: what trying other kits says about this one. Wiring only.

What each thing earns, what goes first, what comes next, what a loss costs. None of it is needed to show what a click
did: facts are ``mule.findings.assess``; ways out of findings are ``mule.findings.cures``.
"""

from typing import NamedTuple

from mule.analysis.completeness import Hold, holds
from mule.analysis.filters import FilterFit
from mule.analysis.ledger import Ledger, reckon
from mule.analysis.optics import Worth
from mule.analysis.resilience import Resilience
from mule.base.units import Frozen
from mule.findings.assess import Assessment, assessed, case_of
from mule.findings.rules import Station, Trials, speak, speak_of_trials, stations_of
from mule.findings.said import Finding
from mule.plan import Plan


class Advice(Frozen):
    """All advice on one kit of one plan. worth: of each optical thing in use. holds: what hangs on each loaded thing.

    filters: with what is left at home, too. findings: what only other kits show; stations: with these counted in. Ways
    out are ``mule.findings.cures``.
    """

    kit: str
    worth: tuple[Worth, ...]
    holds: tuple[Hold, ...]
    ledger: Ledger
    resilience: Resilience
    filters: FilterFit
    findings: tuple[Finding, ...]
    stations: tuple[Station, ...]


def advise(plan: Plan) -> Advice:
    """The advice on the open kit of ``plan``. Never raises for a valid plan.

    >>> from tests import cast
    >>> advise(cast.plan([])).ledger.drops
    ()
    """
    trials = Trials(case_of(plan))
    case = trials.case
    others = speak_of_trials(trials)
    return Advice(
        kit=plan.kit.id,
        worth=trials.worths,
        holds=holds(case.requirements, plan.items, case.loaded),
        ledger=reckon(plan, case.view, case.requirements, case.loads, case.legs),
        resilience=trials.resilience,
        filters=trials.filters,
        findings=others,
        stations=stations_of((*speak(case), *others), len(plan.trip.legs)),
    )


class Review(NamedTuple):
    """A kit looked at once, for lists and sheets. findings: those that only other kits show, too, without cures."""

    assessment: Assessment
    findings: tuple[Finding, ...]
    resilience: Resilience


def review(plan: Plan) -> Review:
    """The facts about the open kit with what each single loss would cost; for who does not ask what to do about it.

    >>> from tests import cast
    >>> review(cast.plan([])).resilience.losses
    ()
    """
    trials = Trials(case_of(plan))
    said = speak(trials.case)
    return Review(assessed(trials.case, said), (*said, *speak_of_trials(trials)), trials.resilience)
