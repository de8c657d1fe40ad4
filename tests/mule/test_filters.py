"""What goes on which lens, how, and how dark it makes it."""

from dataclasses import replace
from typing import Any

import pytest

from mule.analysis.filters import FilterFit, FilterGear, Front, darken, fit, stops_needed
from mule.analysis.filters.lightest import lightest_set
from mule.plan.gear import Cylinder, Filter, FilterHolder, Gear, StepRing
from mule.plan.trip import EffectWish, Want
from tests import cast

R = Cylinder(diameter_mm=82, length_mm=5)


def nd(id_: str = "nd", stops: float = 6, **fields: Any) -> Filter:
    return Filter(id=id_, name=id_, mass_g=41, size=R, effect="nd", stops=stops, **({"thread_mm": 82} | fields))


def polariser(**fields: Any) -> Filter:
    return Filter(id="pol", name="pol", mass_g=38, size=R, effect="polariser", thread_mm=82, **fields)


def ring(low: float, high: float) -> StepRing:
    return StepRing(id=f"r{low:g}-{high:g}", name="ring", mass_g=9, size=R, lens_thread_mm=low, filter_thread_mm=high)


HOLDER = FilterHolder(id="holder", name="holder", mass_g=145, size=R, plate_width_mm=100, thread_mm=82)
PLATE = Filter(id="plate", name="plate", mass_g=70, size=R, effect="nd", stops=10, plate_width_mm=100)
NORMAL, WIDE, BULGING = Front("normal", 82, 24), Front("wide", 77, 16), Front("bulging", None, 14)


def matrix(*gear: Any, fronts: tuple[Front, ...] = (NORMAL, WIDE, BULGING), loaded: bool = True) -> FilterFit:
    return fit(fronts, FilterGear.of(gear, [t.id for t in gear] if loaded else []), [])


def how(found: FilterFit) -> dict[str, str]:
    return {row.lens: row.cells[0].how for row in found.rows}


def test_a_filter_fits_directly_by_ring_or_not() -> None:
    assert how(matrix(nd(), ring(77, 82))) == {"normal": "direct", "wide": "ring", "bulging": "none"}
    assert how(matrix(nd())) == {"normal": "direct", "wide": "none", "bulging": "none"}


def test_a_step_down_ring_is_refused() -> None:
    assert how(matrix(nd(thread_mm=77), ring(82, 77)))["normal"] == "none"


def test_rings_stack_at_most_two() -> None:
    small = (Front("small", 67, 35),)
    assert how(matrix(nd(), ring(67, 77), ring(77, 82), fronts=small)) == {"small": "ring"}
    assert how(matrix(nd(), ring(67, 72), ring(72, 77), ring(77, 82), fronts=small)) == {"small": "none"}


def test_a_plate_goes_into_a_holder_and_the_holder_onto_a_ring() -> None:
    found = matrix(PLATE, HOLDER, ring(77, 82))
    assert how(found) == {"normal": "holder", "wide": "holder", "bulging": "none"}
    assert how(matrix(PLATE))["normal"] == "none"


def test_a_drop_in_filter_serves_every_lens_on_its_adapter() -> None:
    drop = Filter(id="drop", name="drop", mass_g=20, size=R, effect="nd", stops=3, adapter="adapter")
    assert how(matrix(drop, fronts=(Front("bulging", None, 14, ("adapter",)),))) == {"bulging": "drop-in"}
    assert how(matrix(drop, fronts=(Front("bulging", None, 14),))) == {"bulging": "none"}


@pytest.mark.parametrize(
    ("front", "gear", "warnings"),
    [
        (WIDE, [nd(), ring(77, 82)], ("dark-corners",)),
        (NORMAL, [nd()], ()),
        (Front("wide", 82, 16), [nd()], ()),
        (Front("wide", 82, 16), [polariser()], ("uneven-sky",)),
        # Somebody found it clean from 15 mm: that goes before the estimate; and at 18 it is known not to be.
        (WIDE, [nd(clean_from_mm=15), ring(77, 82)], ()),
        (WIDE, [nd(clean_from_mm=18), ring(77, 82)], ("dark-corners",)),
    ],
)
def test_wides_are_warned_of(front: Front, gear: list[Any], warnings: tuple[str, ...]) -> None:
    (row,) = matrix(*gear, fronts=(front,)).rows
    assert row.cells[0].fit is not None
    assert row.cells[0].fit.warnings == warnings


def test_rims_add_up() -> None:
    (row,) = matrix(nd(rim_mm=4.5), ring(77, 82), fronts=(WIDE,)).rows
    assert row.cells[0].fit is not None
    assert row.cells[0].fit.rim_mm == 4.5 + 3.0


def asking(*effects: EffectWish, low: float = 16, high: float = 70) -> Want:
    return cast.want("w", low, high, effects=effects)


SIX = EffectWish(effect="nd", stops=6)
NORMAL_SEES = replace(NORMAL, seen=((24, 70),))
WIDE_SEES = replace(WIDE, seen=((16, 35),))


def test_what_a_want_asks_is_served_by_what_is_loaded_or_priced() -> None:
    gear: list[Gear] = [nd(), ring(77, 82)]
    (priced,) = fit((WIDE_SEES,), FilterGear.of(gear, []), [asking(SIX)]).asked
    (stretch,) = priced.stretches
    assert (set(stretch.loads or ()), stretch.mass_g) == ({"nd", "r77-82"}, 50)
    (weak,) = fit((NORMAL_SEES,), FilterGear.of([nd(stops=3)], []), [asking(SIX)]).asked
    assert weak.stretches[0].loads is None


def test_an_effect_is_served_over_the_part_of_a_want_where_a_lens_can_wear_it() -> None:
    # The 82 mm density goes on the zoom from 24 mm on; from 16 to 24 only the wide sees, and lacks a ring.
    made = fit((NORMAL_SEES, WIDE_SEES), FilterGear.of([nd()], ["nd"]), [asking(SIX)])
    (asked,) = made.asked
    assert [(b.from_mm, b.to_mm) for b in asked.bare] == [(16, 24)]
    assert asked.ways == (("normal", "nd"),)
    (whole,) = fit((NORMAL_SEES, WIDE_SEES), FilterGear.of([nd(), ring(77, 82)], ["nd", "r77-82"]), [asking(SIX)]).asked
    assert whole.bare == ()


def test_corners_are_judged_where_the_want_is_not_at_the_widest_end() -> None:
    bag = FilterGear.of([nd(), ring(77, 82)], ["nd", "r77-82"])
    dark = {low: fit((WIDE_SEES,), bag, [asking(SIX, low=low)]).asked[0].stretches[0].fit for low in (16.0, 24.0)}
    assert [made.warnings if made else None for made in dark.values()] == [("dark-corners",), ()]


def test_filters_asked_at_once_are_judged_together() -> None:
    wide = Front("wide", 82, 16, seen=((16, 35),))
    wants = [asking(SIX, EffectWish(effect="polariser"))]
    both = fit((wide,), FilterGear.of([nd(), polariser()], ["nd", "pol"]), wants).asked
    # Either alone is one rim of 5 mm and clean; both are two.
    for asked in both:
        (stretch,) = asked.stretches
        assert stretch.fit is not None
        assert stretch.together
        assert (set(stretch.fit.parts), stretch.fit.rim_mm) == ({"nd", "pol"}, 10)
        assert "dark-corners" in stretch.fit.warnings
    # A density of another thread goes on as well, but not with the polariser on.
    apart = fit(
        (wide,), FilterGear.of([nd(thread_mm=95), polariser(), ring(82, 95)], ["nd", "pol", "r82-95"]), wants
    ).asked
    assert [(a.stretches[0].fit is not None, a.stretches[0].together) for a in apart] == [(True, False), (True, False)]


@pytest.mark.parametrize(
    ("stops", "served"), [((3, 3), True), ((3, 2), False), ((2, 2, 2), True), ((2, 1, 1, 2), False)]
)
def test_densities_on_one_thread_add_up_to_what_is_asked(stops: tuple[float, ...], served: bool) -> None:
    gear = [nd(f"nd{i}", s) for i, s in enumerate(stops)]
    (asked,) = fit((NORMAL_SEES,), FilterGear.of(gear, [f.id for f in gear]), [asking(SIX, low=24)]).asked
    assert (asked.stretches[0].fit is not None) == served
    # On two threads they do not stack.
    other = [gear[0], *(f.model_copy(update={"thread_mm": 95}) for f in gear[1:])]
    bag = FilterGear.of([*other, ring(82, 95)], [t.id for t in (*other, ring(82, 95))])
    (apart,) = fit((NORMAL_SEES,), bag, [asking(SIX)]).asked
    assert apart.stretches[0].fit is None


def test_the_lightest_set_shares_one_filter_through_rings() -> None:
    # One ND of 82 mm and a ring, 41 + 9 = 50 g, beat one ND per thread, 41 + 41 = 82 g.
    gear: list[Gear] = [nd(), nd("nd77", thread_mm=77), ring(77, 82)]
    found = lightest_set((NORMAL_SEES, WIDE_SEES), FilterGear.of(gear, []), [asking(SIX)], {t.id: t for t in gear})
    assert (set(found.items), found.mass_g, found.proved) == ({"nd", "r77-82"}, 50, True)
    assert found.unserved == ()


def test_the_lightest_set_names_what_nothing_serves() -> None:
    bulging = replace(BULGING, seen=((14, 24),))
    found = lightest_set((NORMAL_SEES, bulging), FilterGear.of([nd()], []), [asking(SIX)], {"nd": nd()})
    assert found.unserved == (("bulging", "nd"),)


def test_stops_are_the_log_of_the_times() -> None:
    # 1/60 s to 1 s: log2(60) = 5.91 stops.
    assert stops_needed(1 / 60, 1) == pytest.approx(5.907, abs=1e-3)


def test_the_exposure_helper_finds_a_filter_a_pair_or_the_nearest() -> None:
    owned = [nd("nd3", 3), nd("nd6", 6), nd("nd10", 10)]
    assert darken(owned, 1 / 60, 1)[0].filters == ("nd6",)
    assert darken(owned, 1 / 60, 1)[0].time_s == pytest.approx(64 / 60)
    # Nine stops: 3 + 6 stacked.
    assert darken(owned, 1 / 512, 1)[0].filters == ("nd3", "nd6")
    far = darken(owned[:1], 1 / 512, 1)
    assert far[0].off_stops == pytest.approx(-6)
    assert darken([], 1, 2) == ()


def test_a_variable_density_takes_any_stops_in_its_range() -> None:
    variable = Filter(id="var", name="var", mass_g=60, size=R, effect="variable-nd", stops=2, stops_max=5, thread_mm=82)
    assert darken([variable], 1, 8)[0].off_stops == 0
    assert darken([variable], 1, 2)[0].off_stops == 1
