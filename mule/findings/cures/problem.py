"""When two findings are about the same thing, and which of them is the smaller (docs/algorithms/cures.md)."""

from collections.abc import Iterable

from mule.findings import said
from mule.findings.codes import Severity
from mule.findings.said import Finding
from mule.findings.said.told import Subject

# How bad a problem is: of its severity, then by how much.
Weight = tuple[int, float]

_LEAST = 1e-6
# What is a little more of the same is not told.
_WORSE = 1.1


def problems(findings: Iterable[Finding]) -> dict[Subject, Weight]:
    """Everything that stands, with how bad it is: findings about the same thing add up."""
    found: dict[Subject, Weight] = {}
    for finding in findings:
        key, rank = finding.subject(), finding.severity.gravity
        worst, size = found.get(key, (rank, 0.0))
        found[key] = max(worst, rank), size + finding.size()
    return found


def heavier(now: Weight, before: Weight | None) -> bool:
    """Whether a problem is new or clearly worse than it was."""
    return before is None or now[0] > before[0] or (now[0] == before[0] and now[1] > before[1] * _WORSE)


def new_or_worse(said: Iterable[Finding], before: Iterable[Finding]) -> tuple[Finding, ...]:
    """Of what is said, what is about something that was not said before, or clearly worse."""
    said = tuple(said)
    known, weights = problems(before), problems(said)
    return tuple(one for one in said if heavier(weights[one.subject()], known.get(one.subject())))


def lighter(now: Weight | None, before: Weight) -> bool:
    """Whether a problem is gone, or less than it was."""
    return now is None or now[0] < before[0] or (now[0] == before[0] and now[1] < before[1] - _LEAST)


def weighty(finding: Finding) -> bool:
    """Whether it may not come to stand unsaid."""
    return finding.severity != Severity.NOTE


# Of these the rules are silent while no picture can be taken at all.
_REVEALED = (
    said.AidMissing,
    said.CopiesShort,
    said.CopiesTogether,
    said.CoverLeft,
    said.FilterUnserved,
    said.WantGap,
    said.IdleOptics,
    said.NotHeld,
    said.PowerShort,
    said.SinglePoint,
    said.SupportLoaded,
    said.WantUnmet,
)


def is_revealed(finding: Finding, *, by: Finding) -> bool:
    """Whether something was so before and could only not be said while the other stood."""
    return isinstance(by, said.NoSetUp) and isinstance(finding, _REVEALED)
