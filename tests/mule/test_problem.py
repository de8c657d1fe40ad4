"""When two findings are about the same, how much of it there is, and which is worse (docs/algorithms/cures.md)."""

from collections.abc import Mapping

import pytest

from mule.findings.cures.problem import (
    heavier,
    is_revealed,
    lighter,
    new_or_worse,
    problems,
    weighty,
)
from mule.findings.finding import FindingCode, Severity
from mule.findings.said import Finding

F = FindingCode


def found(
    code: FindingCode,
    *items: str,
    severity: Severity = Severity.CAUTION,
    refs: Mapping[str, str] = {},
    **numbers: float,
) -> Finding:
    return Finding(code=code, severity=severity, stations=("bench",), items=items, refs=dict(refs), numbers=numbers)


@pytest.mark.parametrize(
    ("finding", "size"),
    [
        (found(F.AID_MISSING, count=3, have=1), 2),
        # From 50 to 200 mm are two octaves; one focal length is a little.
        (found(F.GAP, from_mm=50, to_mm=200), 2),
        (found(F.GAP, from_mm=50, to_mm=50), 0.01),
        (found(F.NATIVE_GAP, from_mm=25, to_mm=200), 3),
        (found(F.FILTER_UNSERVED, from_mm=50, to_mm=100), 1),
        (found(F.FILTER_UNSERVED, from_mm=50, to_mm=800), 4),
        (found(F.FILTER_UNSERVED), 1),
        # The lighter the legs, the worse.
        (found(F.LIGHT_LEGS, mass_g=800), 1 / 800),
        (found(F.TOO_COLD, over=7), 7),
        # Two days of five without power, three of four cards gone, a tenth of the charges.
        (found(F.LOST_BAG, of_days=5, power_days=3, all_cards=4, cards=1, charges=0.9), 2 + 3 / 4 + 0.1),
        (found(F.LOST_BAG, of_days=5, power_days=5, all_cards=0, cards=0, charges=0.75), 0.25),
        (found(F.LOST_BAG, of_days=5, power_days=5, all_cards=1, cards=0, charges=1), 1),
        (found(F.SET_INCOMPLETE, lacking=2), 2),
        (found(F.POWER_SHORT, lacking_wh=12.5), 12.5),
        (found(F.POWER_THIN, margin=0.2), 0.8),
        (found(F.COPIES_SHORT, nights=3, asked=3, copies=1), 6),
        (found(F.CARDS_FULL, lost_gb=64), 64),
        (found(F.OVERFULL, litres=26, volume_l=25), 1),
        (found(F.LENS_CHANGES, days=2, changes=9), 18),
        (found(F.TORCH_EACH, people=3, have=1), 2),
        (found(F.HEAVY_LOAD, share=0.22), 0.22),
        (found(F.UNPLACED, mass_g=900), 900),
        (found(F.SINGLE_POINT, points=31), 31),
        (found(F.PIECES_SHORT, short=4), 4),
        (found(F.SUPPORT_LOADED, mass_g=3000, rated_g=2000), 1.5),
        # Any other counts by what it is over, by what it names, or is there or not.
        (found(F.LEG_MASS, "bag", over=250), 250),
        (found(F.ORPHAN, "ring"), 1),
        (found(F.POLICY_PRIMES, "a", "b", "c", over=9), 3),
    ],
)
def test_the_size_of_a_finding(finding: Finding, size: float) -> None:
    assert finding.size() == pytest.approx(size)


def test_what_a_finding_is_about_does_not_hang_on_the_worst_day_nor_on_an_order() -> None:
    here = found(F.LEG_MASS, "a", "b", refs={"person": "ines", "leg": "out"})
    there = found(F.LEG_MASS, "b", "a", refs={"leg": "back", "person": "ines"}, over=10)
    assert here.subject() == there.subject()
    assert here.subject() != problem_of(found(F.LEG_MASS, "a", "b", refs={"person": "marit", "leg": "out"}))
    assert here.subject() != problem_of(found(F.LEG_MASS, "a", refs={"person": "ines", "leg": "out"}))


def test_of_some_findings_the_things_are_only_what_is_affected() -> None:
    one, other = (found(F.GAP, item, refs={"want": "w"}, from_mm=50, to_mm=100) for item in ("a", "b"))
    assert one.subject() == other.subject()


def test_findings_about_the_same_add_up_and_count_as_the_worst_of_them() -> None:
    note, blocker = (
        found(F.LEG_MASS, "bag", severity=severity, over=over)
        for severity, over in ((Severity.NOTE, 100), (Severity.BLOCKER, 20))
    )
    both = {note.subject(): (2, 120.0)}
    assert problems([note, blocker]) == problems([blocker, note]) == both
    assert problems([found(F.LEG_MASS, "bag", over=5)]) == {note.subject(): (1, 5.0)}
    assert problems([note]) == {note.subject(): (0, 100.0)}


@pytest.mark.parametrize(("size", "worse"), [(10.0, False), (10.9, False), (11.0, False), (11.1, True), (9.0, False)])
def test_a_tenth_more_of_the_same_is_not_told_as_worse(size: float, worse: bool) -> None:
    assert heavier((1, size), (1, 10.0)) == worse


def test_another_severity_is_worse_or_better_whatever_the_size() -> None:
    assert heavier((2, 1.0), (1, 10.0))
    assert not heavier((1, 100.0), (2, 1.0))
    assert heavier((0, 0.1), None)
    assert lighter((1, 100.0), (2, 1.0))
    assert not lighter((2, 1.0), (1, 10.0))
    assert lighter(None, (0, 0.1))


@pytest.mark.parametrize(("size", "less"), [(10.0, False), (10 - 1e-7, False), (10 - 1e-5, True), (11.0, False)])
def test_less_of_the_same_is_lighter_however_little_but_not_by_rounding(size: float, less: bool) -> None:
    assert lighter((1, size), (1, 10.0)) == less


def test_new_or_worse_is_what_was_not_there_or_is_clearly_more() -> None:
    before = [found(F.LEG_MASS, "bag", over=100), found(F.ORPHAN, "ring")]
    more, same, new = found(F.LEG_MASS, "bag", over=120), found(F.ORPHAN, "ring"), found(F.ORPHAN, "cap")
    assert new_or_worse([more, same, new], before) == (more, new)
    assert new_or_worse(before, before) == ()
    assert new_or_worse(before, []) == tuple(before)


def test_only_a_note_may_come_unsaid() -> None:
    assert [weighty(found(F.ORPHAN, severity=s)) for s in (Severity.NOTE, Severity.CAUTION, Severity.BLOCKER)] == [
        False,
        True,
        True,
    ]


def test_what_no_picture_hid_is_revealed_by_nothing_else() -> None:
    none, gap = found(F.NO_SET_UP), found(F.GAP, from_mm=50, to_mm=100)
    assert is_revealed(gap, by=none)
    assert not is_revealed(gap, by=found(F.ORPHAN))
    assert not is_revealed(found(F.LEG_MASS, over=1), by=none)
