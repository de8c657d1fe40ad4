"""Cures: ways out of what the rules found, each tried before it is offered. The front doors are
``look_for_cures``, which tells them finding by finding, and ``cure``, which waits for all of them.

Small generators propose edits. Each proposal is done on a copy of the plan and the facts are worked out anew; it is
offered if the finding is gone or smaller, with what it brings along named as its price (docs/algorithms/cures.md).
"""

from collections.abc import Callable, Iterator
from itertools import chain

from mule.base.units import Frozen
from mule.findings.assess import case_of
from mule.findings.cures.problem import lighter, new_or_worse, problems, weighty
from mule.findings.cures.trying import MOST_CURES, Trying
from mule.findings.rules import Station, Trials, in_order, speak, speak_of_trials, stations_of
from mule.findings.said import Finding
from mule.plan import Plan


class Cures(Frozen):
    """Everything the rules say of one kit, with ways out. stations: with what only other kits show counted in."""

    kit: str
    findings: tuple[Finding, ...]
    stations: tuple[Station, ...]


def look_for_cures(
    plan: Plan, should_stop: Callable[[], bool] = lambda: False, about: Callable[[Finding], bool] = lambda one: True
) -> Iterator[Finding]:
    """What the rules say of the open kit, blockers first, each with its cures as soon as they are known; what only
    other kits show comes last. Never raises for a valid plan.

    should_stop: is asked between steps of a few milliseconds; then nothing more is told. about: which of them are told.

    >>> from tests import cast
    >>> [(found.code, found.why.value) for found in look_for_cures(cast.plan([]))]
    [('nothing-loaded', 'bench')]
    """
    trials = Trials(case_of(plan))
    if should_stop():
        return
    facts = speak(trials.case)
    if should_stop():
        return
    trying = Trying(trials, facts, should_stop)
    for finding in filter(about, chain(facts, speak_of_trials(trials))):
        found = _with_cures(finding, trying)
        if should_stop():
            return
        yield found


def _with_cures(finding: Finding, trying: Trying) -> Finding:
    found, why = trying.offer(finding)
    return finding.model_copy(update={"cures": found, "why": why if weighty(finding) else None})


def cure(plan: Plan) -> Cures:
    """All findings on the open kit with their cures. Never raises for a valid plan.

    >>> from tests import cast
    >>> cure(cast.plan([])).findings[0].cures
    ()
    """
    findings = in_order(look_for_cures(plan))
    return Cures(kit=plan.kit.id, findings=findings, stations=stations_of(findings, len(plan.trip.legs)))


__all__ = [
    "MOST_CURES",
    "Cures",
    "cure",
    "lighter",
    "look_for_cures",
    "new_or_worse",
    "problems",
]
