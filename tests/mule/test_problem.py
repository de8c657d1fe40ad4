"""When two findings are about the same, how much of it there is, and which is worse (docs/algorithms/cures.md)."""

from datetime import date
from typing import Any

import pytest

from mule.findings import said
from mule.findings.codes import Severity
from mule.findings.cures.problem import (
    heavier,
    is_revealed,
    lighter,
    new_or_worse,
    problems,
    weighty,
)
from mule.findings.said import Finding

DAY = date(2027, 2, 21)


def leg(*items: str, person: str = "ines", leg: str = "out", over: float = 0, **more: Any) -> said.LegMass:
    severity = more.get("severity", Severity.CAUTION)
    return said.LegMass(
        severity=severity, items=items, leg=leg, legs=1, person=person, mass_g=9, allowed_g=9, over_g=over
    )


def lost(of_days: int, power_days: int, all_cards: int, cards: int, charges: bool) -> said.LostBag:
    counts = {"of_days": of_days, "whole_days": of_days, "power_days": power_days}
    return said.LostBag(severity=Severity.NOTE, **counts, all_cards=all_cards, cards=cards, charges=charges)


def gap(from_mm: float, to_mm: float, *items: str) -> said.WantGap:
    return said.WantGap(
        severity=Severity.CAUTION, items=items, want="w", from_mm=from_mm, to_mm=to_mm, because="reach", score=0
    )


def unserved(from_mm: float | None = None, to_mm: float | None = None) -> said.FilterUnserved:
    return said.FilterUnserved(severity=Severity.NOTE, want="w", effect="nd", from_mm=from_mm, to_mm=to_mm)


def orphan(item: str = "ring", severity: Severity = Severity.CAUTION) -> said.ServesNothing:
    return said.ServesNothing(severity=severity, items=(item,), what="lens", mass_g=50)


POWER: dict[str, Any] = {
    "type": "LB",
    "on": DAY,
    "need_wh": 9,
    "got_wh": 9,
    "ready_wh": 9,
    "lowest_c": 0,
    "short_days": 1,
}


@pytest.mark.parametrize(
    ("finding", "size"),
    [
        (said.AidMissing(severity=Severity.NOTE, want="w", aid="light", count=3, have=1), 2),
        # From 50 to 200 mm are two octaves; one focal length is a little.
        (gap(50, 200), 2),
        (gap(50, 50), 0.01),
        (said.NativeGapOfWants(want="w", from_mm=25, to_mm=200, wants=1), 3),
        (unserved(50, 100), 1),
        (unserved(50, 800), 4),
        (unserved(), 1),
        # The lighter the legs, the worse.
        (said.LightLegs(mass_g=800, days=1), 1 / 800),
        (said.TooCold(sort="worn", day=DAY, comfort_c=0, lowest_c=-9, have=1, people=8), 7),
        # Two days of five without power, three of four cards gone, and nothing that charges.
        (lost(5, 3, 4, 1, False), 2 + 3 / 4 + 1),
        (lost(5, 5, 0, 0, True), 0),
        (lost(5, 5, 1, 0, True), 1),
        (said.SetIncomplete(set="s", name="S", use="u", have=1, people=2, lacking=2), 2),
        (said.PowerShort(**POWER, margin=-0.1, asked=0.2, lacking_wh=12.5), 12.5),
        (said.PowerThin(**POWER, margin=0.2, asked=1.5, lacking_wh=0), 1.3),
        (said.CopiesShort(severity=Severity.NOTE, on=DAY, nights=3, asked=3, copies=1), 6),
        (said.CardsFull(types=("SD",), on=DAY, lost_gb=64, more=1), 64),
        (said.Overfull(what="bag", litres=26, volume_l=25), 1),
        (said.LensChanges(days=2, changes=9, day=DAY), 18),
        (said.TorchEach(people=3, have=1), 2),
        (said.HeavyLoad(severity=Severity.NOTE, person="ines", carried_g=9, share=0.22, line=0.2), 0.22),
        (said.Unplaced(person="ines", mass_g=900, litres=1), 900),
        (said.SinglePoint(severity=Severity.NOTE, points=31, wants=1, days=1, stops=False), 31),
        (said.PiecesShort(severity=Severity.NOTE, what="pack", short=4), 4),
        (said.SupportLoaded(severity=Severity.NOTE, want="w", mass_g=3000, rated_g=2000), 1.5),
        # Any other counts by what it is over, by what it names, or is there or not.
        (leg("bag", over=250), 250),
        (orphan(), 1),
        (said.Primes(items=("a", "b", "c"), lenses=9, zooms=9), 3),
    ],
)
def test_the_size_of_a_finding(finding: Finding, size: float) -> None:
    assert finding.size() == pytest.approx(size)


def test_what_a_finding_is_about_does_not_hang_on_the_worst_day_nor_on_an_order() -> None:
    here, there = leg("a", "b", leg="out"), leg("b", "a", leg="back", over=10)
    assert here.subject() == there.subject()
    assert here.subject() != leg("a", "b", person="marit").subject()
    assert here.subject() != leg("a").subject()


def test_of_some_findings_the_things_are_only_what_is_affected() -> None:
    assert gap(50, 100, "a").subject() == gap(50, 100, "b").subject()


def test_findings_about_the_same_add_up_and_count_as_the_worst_of_them() -> None:
    note, blocker = leg("bag", severity=Severity.NOTE, over=100), leg("bag", severity=Severity.BLOCKER, over=20)
    both = {note.subject(): (2, 120.0)}
    assert problems([note, blocker]) == problems([blocker, note]) == both
    assert problems([leg("bag", over=5)]) == {note.subject(): (1, 5.0)}
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
    before: list[Finding] = [leg("bag", over=100), orphan()]
    more, same, new = leg("bag", over=120), orphan(), orphan("cap")
    assert new_or_worse([more, same, new], before) == (more, new)
    assert new_or_worse(before, before) == ()
    assert new_or_worse(before, []) == tuple(before)


def test_only_a_note_may_come_unsaid() -> None:
    assert [weighty(orphan(severity=s)) for s in (Severity.NOTE, Severity.CAUTION, Severity.BLOCKER)] == [
        False,
        True,
        True,
    ]


def test_what_no_picture_hid_is_revealed_by_nothing_else() -> None:
    none = said.NoSetUp()
    assert is_revealed(gap(50, 100), by=none)
    assert not is_revealed(gap(50, 100), by=orphan())
    assert not is_revealed(leg("bag", over=1), by=none)
