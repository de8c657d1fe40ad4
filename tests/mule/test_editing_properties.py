"""Whatever is clicked, in whatever order: a kit stays sound, and what it holds is neither lost nor doubled."""

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from pydantic import ValidationError

from mule.analysis.load import weigh
from mule.base.errors import InvalidInput
from mule.findings.cures import cure
from mule.plan import Plan, kit_problems, read, write
from mule.plan.editing import apply
from mule.plan.edits import Leave, Load, Move
from mule.plan.kit import Kit
from mule.plan.places import AsPiece, InBag, PieceKind, Worn
from tests import cast

GEAR = [
    cast.bag(),
    cast.bag("second", mass_g=900),
    cast.insert(),
    cast.insert("cube-2"),
    cast.body(),
    cast.normal_zoom(),
    cast.tele_zoom(),
    cast.converter(1.4),
    cast.pack(),
    cast.first_aid(),
]
IDS = [thing.id for thing in GEAR]
EMPTY = cast.plan(GEAR, carriers=(cast.carrier(mass_g=8000),))

items = st.sampled_from(IDS)
places = st.one_of(
    st.builds(InBag, bag=st.sampled_from(["bag", "second", "cube", "cube-2"]), outside=st.booleans()),
    st.builds(Worn, person=st.sampled_from(["ines", "marit"])),
    st.builds(AsPiece, piece=st.sampled_from(list(PieceKind)), person=st.sampled_from(["ines", "marit"])),
)
edits = st.one_of(
    st.builds(Load, item=items, count=st.integers(1, 3), place=st.none() | places),
    st.builds(Leave, item=items, count=st.none() | st.integers(1, 3)),
    st.builds(Move, item=items, place=places),
)


def after(clicks: list[Any]) -> list[Plan]:
    """The plans along the way; clicks that cannot be done leave the plan as it was."""
    plans = [EMPTY]
    for click in clicks:
        try:
            plans.append(apply(plans[-1], [click]))
        except InvalidInput:
            plans.append(plans[-1])
    return plans


def sound(plan: Plan) -> bool:
    return not list(kit_problems(plan.kit, plan.items, {"ines", "marit"}, "kit"))


@settings(max_examples=120, deadline=None)
@given(st.lists(edits, max_size=14))
def test_a_kit_stays_sound_and_readable_through_any_clicks(clicks: list[Any]) -> None:
    last = after(clicks)[-1]
    assert sound(last)
    assert read(write(last).encode()) == last


@settings(max_examples=120, deadline=None)
@given(st.lists(edits, max_size=14))
def test_the_bags_and_backs_weigh_what_is_loaded(clicks: list[Any]) -> None:
    plan = after(clicks)[-1]
    loads = weigh(plan.items, plan.kit, plan.trip.people)
    loaded = sum(plan.items[item].mass_g * count for item, count in plan.kit.loaded().items())
    carried = sum(p.cabin_g + p.personal_g + p.hold_g + p.worn_g for p in loads.people)
    assert abs(loads.total_g - loaded) < 1e-6
    assert abs(carried - loaded) < 1e-6


@settings(max_examples=80, deadline=None)
@given(st.lists(edits, max_size=10), edits)
def test_moving_changes_nothing_but_the_place(clicks: list[Any], click: Any) -> None:
    before = after(clicks)[-1]
    if not isinstance(click, Move):
        return
    try:
        moved = apply(before, [click])
    except InvalidInput:
        return
    assert moved.kit.loaded() == before.kit.loaded()


@settings(max_examples=80, deadline=None)
@given(st.lists(edits, max_size=10), items)
def test_leaving_a_thing_leaves_everything_else(clicks: list[Any], item: str) -> None:
    before = after(clicks)[-1]
    if item not in before.kit.loaded():
        return
    left = apply(before, [Leave(item=item)])
    assert left.kit.loaded() == {i: n for i, n in before.kit.loaded().items() if i != item}
    assert sound(left)


@settings(max_examples=60, deadline=None)
@given(st.lists(edits, max_size=12))
def test_every_kit_gets_an_answer_and_every_cure_can_be_done(clicks: list[Any]) -> None:
    plan = after(clicks)[-1]
    answer = cure(plan)
    assert answer.kit == plan.kit.id
    for finding in answer.findings:
        for way in finding.cures:
            if way.gets:
                continue
            cured = apply(plan, way.edits) if way.edits else plan
            change = weigh(cured.items, cured.kit, ()).total_g - weigh(plan.items, plan.kit, ()).total_g
            assert abs(change - way.mass_change_g) < 1e-6, (finding.code, way.code)
            assert "first-aid" not in [e.item for e in way.edits if isinstance(e, Leave)]


def test_a_kit_lists_an_item_once_per_place() -> None:
    with pytest.raises(ValidationError, match="once per place"):
        Kit(id="a", name="A", entries=(cast.entry("body", cast.ON_INES), cast.entry("body", cast.ON_INES)))
