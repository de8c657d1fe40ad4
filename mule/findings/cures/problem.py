"""When two findings are about the same thing, and which of them is the smaller (docs/algorithms/cures.md)."""

from collections.abc import Callable, Iterable, Mapping
from math import log2

from mule.findings.finding import Finding, FindingCode, Severity

# What a finding is about, whatever day or leg is the worst and by how much: its code, things and the ids it names.
Problem = tuple[FindingCode, tuple[str, ...], tuple[tuple[str, str], ...]]
# How bad one is: of its severity, then by how much.
Weight = tuple[int, float]

# Names of what is worst, where, and when: they change while the problem stays.
_WORST = frozenset({"leg", "date", "day", "until", "start", "because", "policy", "bag", "where", "use", "due", "last"})
# Of these the things are what is affected, and the want, type, person or rule says what it is about.
_BY_REFS = frozenset(
    {
        FindingCode.BIG_BAGS_BARRED,
        FindingCode.AID_MISSING,
        FindingCode.CARD_OLD,
        FindingCode.FILM_SHORT,
        FindingCode.LIGHT_LEGS,
        FindingCode.TOO_COLD,
        FindingCode.CLASH_BASE_PLATE,
        FindingCode.CLASH_HOT_SHOE,
        FindingCode.CLASH_PHONE,
        FindingCode.DRONES_BARRED,
        FindingCode.FILTER_UNSERVED,
        FindingCode.GAP,
        FindingCode.LENS_CHANGES,
        FindingCode.NATIVE_GAP,
        FindingCode.POLICY_NONE_BODY,
        FindingCode.POLICY_ONE_ZOOM,
        FindingCode.POLICY_PRIMES,
        FindingCode.POLICY_SPECIALIST_BODY,
        FindingCode.POLICY_TRIO_OF_ZOOMS,
        FindingCode.POLICY_TWIN_BODY,
        FindingCode.POWER_SHORT,
        FindingCode.POWER_THIN,
        FindingCode.COVER_LEFT,
        FindingCode.SLOT_FULL,
        FindingCode.SUPPORT_LOADED,
        FindingCode.TRIPODS_BARRED,
        FindingCode.UNPLACED,
    }
)
_LEAST = 1e-6
# What is a little more of the same is not told.
_WORSE = 1.1
_ONE_FOCAL = 0.01


def _octaves(numbers: Mapping[str, float]) -> float:
    """Of a stretch; one focal length counts as a little, not as nothing."""
    return max(_ONE_FOCAL, log2(numbers["to_mm"] / numbers["from_mm"]))


_SIZES: Mapping[FindingCode, Callable[[Mapping[str, float]], float]] = {
    FindingCode.AID_MISSING: lambda n: n["count"] - n["have"],
    FindingCode.GAP: _octaves,
    FindingCode.LIGHT_LEGS: lambda n: 1 / n["mass_g"],
    FindingCode.TOO_COLD: lambda n: n["over"],
    FindingCode.LOST_BAG: lambda n: (
        n["of_days"] - n["power_days"] + (n["all_cards"] - n["cards"]) / max(1, n["all_cards"]) + (1 - n["charges"])
    ),
    FindingCode.SET_INCOMPLETE: lambda n: n["lacking"],
    FindingCode.NATIVE_GAP: _octaves,
    FindingCode.POWER_SHORT: lambda n: n["lacking_wh"],
    FindingCode.POWER_THIN: lambda n: 1 - n["margin"],
    FindingCode.COPIES_SHORT: lambda n: n["nights"] * (n["asked"] - n["copies"]),
    FindingCode.CARDS_FULL: lambda n: n["lost_gb"],
    FindingCode.OVERFULL: lambda n: n["litres"] - n["volume_l"],
    FindingCode.LENS_CHANGES: lambda n: n["days"] * n["changes"],
    FindingCode.TORCH_EACH: lambda n: n["people"] - n["have"],
    FindingCode.HEAVY_LOAD: lambda n: n["share"],
    FindingCode.UNPLACED: lambda n: n["mass_g"],
    FindingCode.SINGLE_POINT: lambda n: n["points"],
    FindingCode.PIECES_SHORT: lambda n: n["short"],
    FindingCode.FILTER_UNSERVED: lambda n: _octaves(n) if "from_mm" in n else 1.0,
    FindingCode.SUPPORT_LOADED: lambda n: n["mass_g"] / n["rated_g"],
}


def problem_of(finding: Finding) -> Problem:
    """What a finding is about; in which order it names things is chance."""
    refs = tuple(sorted((k, v) for k, v in finding.refs.items() if k not in _WORST))
    return finding.code, () if finding.code in _BY_REFS else tuple(sorted(finding.items)), refs


def size_of(finding: Finding) -> float:
    """How much of it there is, in whatever its numbers tell; 1 where it is there or not."""
    size = _SIZES.get(finding.code)
    if size:
        return size(finding.numbers)
    return float(len(finding.items)) if finding.code in _BY_REFS else finding.numbers.get("over", 1.0)


def problems(findings: Iterable[Finding]) -> dict[Problem, Weight]:
    """Everything that stands, with how bad it is: findings about the same thing add up."""
    found: dict[Problem, Weight] = {}
    for finding in findings:
        key, rank = problem_of(finding), finding.severity.gravity
        worst, size = found.get(key, (rank, 0.0))
        found[key] = max(worst, rank), size + size_of(finding)
    return found


def heavier(now: Weight, before: Weight | None) -> bool:
    """Whether a problem is new or clearly worse than it was."""
    return before is None or now[0] > before[0] or (now[0] == before[0] and now[1] > before[1] * _WORSE)


def new_or_worse(said: Iterable[Finding], before: Iterable[Finding]) -> tuple[Finding, ...]:
    """Of what is said, what is about something that was not said before, or clearly worse."""
    said = tuple(said)
    known, weights = problems(before), problems(said)
    return tuple(one for one in said if heavier(weights[problem_of(one)], known.get(problem_of(one))))


def lighter(now: Weight | None, before: Weight) -> bool:
    """Whether a problem is gone, or less than it was."""
    return now is None or now[0] < before[0] or (now[0] == before[0] and now[1] < before[1] - _LEAST)


def weighty(finding: Finding) -> bool:
    """Whether it may not come to stand unsaid."""
    return finding.severity != Severity.NOTE


# Of these the rules are silent while no picture can be taken at all.
_REVEALED = frozenset(
    {
        FindingCode.AID_MISSING,
        FindingCode.COPIES_SHORT,
        FindingCode.COPIES_TOGETHER,
        FindingCode.COVER_LEFT,
        FindingCode.FILTER_UNSERVED,
        FindingCode.GAP,
        FindingCode.IDLE_OPTICS,
        FindingCode.NOT_HELD,
        FindingCode.POWER_SHORT,
        FindingCode.SINGLE_POINT,
        FindingCode.SUPPORT_LOADED,
        FindingCode.WANT_UNMET,
    }
)


def is_revealed(finding: Finding, *, by: Finding) -> bool:
    """Whether something was so before and could only not be said while the other stood."""
    return by.code == FindingCode.NO_SET_UP and finding.code in _REVEALED
