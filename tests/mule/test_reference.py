"""The fast coverage against the plain one of ``reference.py``."""

from typing import Any

import pytest
from hypothesis import given, settings

from mule.analysis.optics import cover
from mule.plan.trip import Want
from tests import cast
from tests.mule.reference import cover_of
from tests.strategies import optics, wishes


@settings(max_examples=150, deadline=None)
@given(optics(), wishes)
def test_coverage_agrees_with_the_plain_reference(gear: list[Any], wants: tuple[Want, ...]) -> None:
    made = cover(gear, cast.counts(*gear), wants).coverage
    expected = [cover_of(want, gear) for want in wants]
    assert [w.cover for w in made.wants] == pytest.approx(expected, abs=1e-9)
    weights = [want.importance for want in wants]
    mean = sum(w * c for w, c in zip(weights, expected, strict=True)) / sum(weights)
    assert made.score == pytest.approx(100 * mean, abs=1e-7)


def test_the_reference_knows_the_worked_examples() -> None:
    gear = [cast.body(), cast.normal_zoom(), cast.tele_zoom()]
    assert cover_of(cast.want(low=24, high=70), gear) == pytest.approx(1)
    assert cover_of(cast.want(low=16, high=16, static_subject=True), gear) == pytest.approx(0.6)
    assert cover_of(cast.want(low=10, high=11), gear) == 0
