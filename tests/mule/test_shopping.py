"""What is to be bought, hired or borrowed for a trip."""

from datetime import date

import pytest

from mule.findings.cures.getting import with_gets
from mule.findings.said import NotHeld
from mule.findings.shopping import shopping_list
from mule.plan import Plan
from mule.plan.gear import Absence, AbsenceReason, Light, Soft, Standing, Tripod
from mule.plan.trip import Day
from server.exchange.words import wanted_how, wanted_name
from tests import cast
from tests.saying import plan
from tests.wandering import HARDEST, every

SIZE = Soft(volume_l=0.3)
PANEL = Light(id="panel", name="panel", mass_g=300, size=SIZE, form="panel", energy_wh=10)
DAYS = (Day(date=date(2027, 5, 1), title="a"),)


def test_what_the_best_way_out_gets_is_on_the_list_with_what_it_mends() -> None:
    (tripod,) = shopping_list(plan(wants=(cast.want("stars", steady=True),), days=DAYS))
    assert tripod.got is not None
    assert (tripod.how, tripod.got.what, tripod.count, tripod.by) == ("get", "tripod", 1, date(2027, 5, 1))
    assert [told.code for told in tripod.because] == ["not-held"]


def test_two_wants_that_lack_the_same_get_it_once() -> None:
    wants = (cast.want("stars", steady=True), cast.want("falls", steady=True))
    (tripod,) = shopping_list(plan(wants=wants, days=DAYS))
    assert [told.want for told in tripod.because if isinstance(told, NotHeld)] == ["stars", "falls"]


def test_what_lies_at_home_is_not_bought() -> None:
    legs = Tripod(
        id="legs", name="legs", mass_g=900, max_load_g=9000, max_height_mm=1500, head_included=True, size=SIZE
    )
    assert not shopping_list(plan(left=(legs,), wants=(cast.want("stars", steady=True),), days=DAYS))


@pytest.mark.parametrize(
    ("changes", "how"),
    [
        ({"standing": Standing.CAN_RENT, "return_by": date(2027, 5, 9)}, "rent"),
        ({"standing": Standing.CAN_BORROW}, "borrow"),
        ({"absent": Absence(reason=AbsenceReason.IN_POST, until=date(2027, 4, 20))}, "post"),
        ({"absent": Absence(reason=AbsenceReason.HIRED_LATER)}, "rent"),
        ({"absent": Absence(reason=AbsenceReason.CHARGING)}, None),
        ({}, None),
    ],
)
def test_what_is_loaded_and_not_ours_or_not_here_is_fetched(changes: dict[str, object], how: str | None) -> None:
    lines = shopping_list(plan(PANEL.model_copy(update=changes), days=DAYS))
    assert [(line.item, line.how) for line in lines] == ([("panel", how)] if how else [])
    for line in lines:
        assert line.back_by == changes.get("return_by")
        assert line.by == (date(2027, 4, 20) if how == "post" else date(2027, 5, 1))


@pytest.mark.parametrize("made", every(HARDEST))
def test_every_line_has_a_name_and_grams(made: Plan) -> None:
    for line in shopping_list(made):
        name = wanted_name(line, made)
        assert name
        assert "{" not in name
        assert line.got is None or with_gets(made, [line.got])[1]
        assert wanted_how(line)
        assert line.mass_g >= 0
