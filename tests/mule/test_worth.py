"""Worth: points lost without a thing, plus a tenth of what it saves as a backup (docs/domain/coverage.md)."""

from typing import Any

import pytest
from hypothesis import given, settings

from mule.analysis.optics import cover
from mule.plan.gear import Gear
from mule.plan.trip import TraitWish, Want
from tests import cast
from tests.strategies import optics, wishes


def worths(gear: list[Any], wants: list[Want], counts: dict[str, int] | None = None) -> dict[str, Any]:
    view = cover(gear, counts or cast.counts(*gear), wants)
    return {w.item: w for w in view.worths}


def test_the_only_lens_is_worth_all_that_the_kit_scores() -> None:
    made = worths([cast.body(), cast.normal_zoom()], [cast.want()])
    assert made["normal"].direct == pytest.approx(100)
    assert made["normal"].points == pytest.approx(100)
    assert made["body"].points == pytest.approx(100)


def test_a_twin_body_earns_only_as_a_backup() -> None:
    # Without it nothing is lost; when the other breaks it saves all 100 points, of which a tenth counts.
    made = worths([cast.body(), cast.body("twin"), cast.normal_zoom()], [cast.want()])
    assert (made["twin"].direct, made["twin"].backup) == (pytest.approx(0), pytest.approx(100))
    assert made["twin"].points == pytest.approx(10)


def test_two_pieces_of_one_thing_back_each_other_up_and_a_third_earns_nothing() -> None:
    gear = [cast.body(count=3), cast.normal_zoom()]
    two = worths(gear, [cast.want()], {"body": 2, "normal": 1})["body"]
    three = worths(gear, [cast.want()], {"body": 3, "normal": 1})["body"]
    assert (two.direct, two.points) == (0, pytest.approx(10))
    assert three.points == 0


def test_a_zoom_behind_a_prime_earns_as_backup_what_it_saves_there() -> None:
    # The prime scores 1 at f/1.4. Without it the zoom, two stops slower, still scores 0.4.
    prime, zoom = cast.lens("prime", 50, 50, 1.4), cast.lens("zoom", 24, 70, 2.8)
    made = worths([cast.body(), prime, zoom], [cast.want(low=50, high=50, max_f_number=1.4)])
    assert made["zoom"].direct == pytest.approx(0)
    assert made["zoom"].backup == pytest.approx(40)
    assert made["prime"].direct == pytest.approx(60)


def test_what_a_thing_earns_anyway_is_not_counted_again_as_a_backup() -> None:
    # Decision 0004. The zoom alone earns half of the brief; when the tele is lost it saves that half, and no more.
    sealed = (TraitWish(trait="sealed", essential=True),)
    gear = [cast.body(sealed=True), cast.lens("zoom", 24, 70, 2.8), cast.lens("tele", 250, 400, 4, sealed=True)]
    made = worths(gear, [cast.want(low=24, high=70), cast.want("far", low=250, high=400, traits=sealed)])
    assert made["zoom"].direct == pytest.approx(50)
    assert made["zoom"].backup == pytest.approx(0)


def test_what_takes_part_in_no_set_up_has_no_worth_and_is_idle() -> None:
    gear: list[Gear] = [cast.body(), cast.normal_zoom(), cast.converter(1.4), cast.lens("other", 50, 50, 2, mount="Z")]
    view = cover(gear, cast.counts(*gear), [cast.want()])
    assert {w.item for w in view.worths} == {"body", "normal"}
    assert set(view.coverage.idle) == {"x14", "other"}


@settings(max_examples=40, deadline=None)
@given(optics(), wishes)
def test_direct_worth_is_the_score_before_minus_the_score_without(gear: list[Any], wants: tuple[Want, ...]) -> None:
    view = cover(gear, cast.counts(*gear), wants)
    for made in view.worths:
        rest = [t for t in gear if t.id != made.item]
        without = cover(rest, cast.counts(*rest), wants).coverage
        assert made.direct == pytest.approx(view.coverage.score - without.score, abs=1e-9)
        assert made.points == pytest.approx(made.direct + made.backup / 10)
        assert made.backup >= 0
