"""Suggest by days and with open bags: against trying every kit, and every set of bags; judged again by ``assess``."""

from collections import Counter
from datetime import timedelta
from pathlib import Path
from random import Random

import pytest

from mule.base.deadline import Deadline
from mule.findings.assess import assess
from mule.packing import left_in
from mule.plan import Plan, kit_problems, read
from mule.plan.gear import Bag, Body, Insert, Lens
from mule.plan.kit import Entry
from mule.plan.places import AsPiece, InBag, PieceKind
from mule.search.bag_sets.choices import checked_sets, sets_of
from mule.search.bag_sets.with_kit import empty_g
from mule.search.choosing import Asking, Point
from mule.search.outings import THERE, DaysCarried, OutingAsked, day_plan, propose
from mule.search.suggest import kept_in_any_case, suggest
from tests import cast
from tests.covering import BY_DAYS
from tests.tiny import tiny
from tests.trying import SAME, able_kits

DEMO = read((Path(__file__).parents[2] / "demo" / "lofoten.plan.json").read_bytes())


def by_days(seed: int) -> tuple[Plan, float]:
    """A tiny plan with two days that shoot different things, and somebody who carries little well."""
    plan, limit_g = tiny(seed)
    chance = Random(seed)
    wants = [want.id for want in plan.trip.wants]
    half = max(1, len(wants) // 2)
    day = cast.trip().days[0]
    days = (
        day.model_copy(update={"wants": tuple(wants[:half])}),
        day.model_copy(update={"date": day.date + timedelta(days=1), "wants": tuple(wants[half:] or wants[:1])}),
    )
    well = chance.choice([1.8, 2.1, 2.4, 2.8, 3.5])
    people = tuple(person.model_copy(update={"carries_well_kg": well}) for person in plan.trip.people)
    return plan.with_trip(plan.trip.model_copy(update={"days": days, "people": people})), limit_g + 2000


def carried_out(plan: Plan, counts: dict[str, int]) -> bool:
    """Whether each day's lightest bag out of these things, that serves nine tenths of them, is carried well."""
    entries = [Entry(item="bag", place=AsPiece(piece=PieceKind.CABIN, person="ines"))]
    entries += [Entry(item=i, count=n, place=InBag(bag="bag")) for i, n in counts.items() if i != "bag"]
    own = plan.with_kit(plan.kit.model_copy(update={"entries": tuple(entries)}))
    (person,) = plan.trip.people
    for day in plan.trip.days:
        made = propose(own, OutingAsked(days=(day.date,), person="ines", share=THERE, seconds=600))
        if made is not None and made.people[0].carried_g > (person.carries_well_kg or 0) * 1000:
            return False
    return True


@pytest.mark.parametrize("seed", BY_DAYS)
def test_no_kit_that_can_be_carried_out_day_by_day_scores_more(seed: int) -> None:
    plan, limit_g = by_days(seed)
    asking = Asking(points=1, workers=1, seconds=600, limit_g=limit_g, by_days=True, keep_limits=False)
    made = suggest(plan, asking)
    every = sorted(able_kits(plan, limit_g), key=lambda one: -one[0][0])
    best = next((value for value, counts in every if carried_out(plan, counts)), None)
    assert (best is None) == (not made.points)
    if best is not None:
        (point,) = made.points
        assert carried_out(plan, point.kit.loaded())
        assert point.score <= best[0] + SAME
        if point.proved:
            assert point.score == pytest.approx(best[0], abs=SAME)


def test_most_of_these_are_proved_and_some_days_forbid_the_best() -> None:
    proved = forbidden = 0
    for seed in range(20):
        plan, limit_g = by_days(seed)
        asking = Asking(points=1, workers=1, seconds=600, limit_g=limit_g, keep_limits=False)
        free, made = suggest(plan, asking), suggest(plan, asking.model_copy(update={"by_days": True}))
        proved += all(point.proved for point in made.points)
        forbidden += bool(free.points) and (not made.points or made.points[0].score < free.points[0].score - SAME)
    assert proved >= 15
    assert forbidden >= 3


def test_a_kit_is_told_day_by_day_as_its_bags_are_proposed() -> None:
    (point,) = suggest(DEMO, Asking(points=1, seconds=120, limit_g=11_000, by_days=True)).points
    told = point.by_days
    assert told is not None
    wanted = {day.date for day in DEMO.trip.days if day.wants}
    assert {on for day in told.days for on in day.days} == wanted
    assert told.heaviest_g == max(day.bag_g for day in told.days)
    kit = DEMO.with_kit(point.kit)
    for day in told.days:
        made = propose(kit, OutingAsked(days=day.days, person=day.person, share=THERE, seconds=60))
        assert made is not None
        assert (made.bag, made.carried_g, made.score) == (day.bag, day.bag_g, day.score)
        assert day.within
        # Water and food of a walk come on top.
        assert day.carried_g >= next(p.carried_g for p in made.people if p.person == day.person) - 1e-6


def test_a_day_that_names_nothing_asks_for_nothing_others_name() -> None:
    days = DaysCarried(DEMO, Deadline(60))
    told = {on for day in days.told(DEMO.kit).days for on in day.days}
    assert DEMO.trip.days[0].date not in told
    assert day_plan(DEMO, (DEMO.trip.days[0],), None).trip.days[0].wants == ()


def test_what_was_found_of_a_kit_alone_says_nothing_of_others() -> None:
    told = 0
    for seed in range(12):
        plan, _ = by_days(seed)
        things = [t for t in plan.gear if not isinstance(t, Bag)]
        entries = [Entry(item=t.id, count=t.count, place=InBag(bag="bag")) for t in things]
        whole = plan.kit.model_copy(update={"entries": (plan.kit.entries[0], *entries)})
        in_play = {t.id: t.count for t in things}
        fresh, used = DaysCarried(plan, Deadline(600)), DaysCarried(plan, Deadline(600))
        alone, refused = used.refused(whole, {}), used.refused(whole, in_play)
        assert bool(alone) == bool(refused), seed
        assert refused == fresh.refused(whole, in_play), seed
        told += bool(refused)
    assert told


def test_nobody_said_what_they_carry_well_and_no_kit_is_left_out() -> None:
    people = tuple(p.model_copy(update={"carries_well_kg": None}) for p in DEMO.trip.people)
    plan = DEMO.with_trip(DEMO.trip.model_copy(update={"people": people}))
    asking = Asking(points=1, seconds=120, limit_g=11_000)
    (free,), (made,) = suggest(plan, asking).points, suggest(plan, asking.model_copy(update={"by_days": True})).points
    assert made.score == pytest.approx(free.score)
    assert made.by_days is not None
    assert all(day.well_g is None for day in made.by_days.days)


# Bags open.


def with_bags(seed: int) -> Plan:
    """A tiny plan with up to four bags, some of them too small."""
    plan, _ = tiny(seed)
    chance = Random(seed)
    more = [
        cast.bag(f"bag-{n}", mass_g=float(chance.choice([300, 500, 800])), volume_l=chance.choice([0.2, 0.5, 1.5, 60]))
        for n in range(chance.randint(1, 3))
    ]
    return plan.with_gear((*plan.gear, *more))


def lightest_in_every_set(plan: Plan, score: float) -> float | None:
    """Grams of the lightest kit of so many points in any set of bags, each looked at by itself."""
    found = []
    for bags in sets_of(plan, checked_sets(plan)[:1]):
        entries = [Entry(item=bag, place=at) for bag, at in bags.pieces.items()]
        first = next(iter(bags.pieces))
        entries += [
            e.model_copy(update={"place": InBag(bag=first)}) for e in plan.kit.entries if e.item not in bags.pieces
        ]
        entries = [e for e in entries if not (isinstance(plan.items[e.item], Bag) and e.item not in bags.pieces)]
        alone = plan.with_kit(plan.kit.model_copy(update={"entries": tuple(entries)}))
        made = suggest(alone, Asking(points=1, workers=1, seconds=600, at_least=max(0.0, score - SAME)))
        found += [p.carried_g for p in made.points if p.score >= score - 2 * SAME and not p.left]
    return min(found, default=None)


@pytest.mark.parametrize("seed", range(12))
def test_what_is_proved_is_lightest_in_any_set_of_bags(seed: int) -> None:
    plan = with_bags(seed)
    for point in suggest(plan, Asking(points=4, workers=1, seconds=60, open_bags=True)).points:
        least = lightest_in_every_set(plan, point.score)
        assert least is not None
        assert point.carried_g >= least - 0.1
        if point.proved:
            assert point.carried_g == pytest.approx(least, abs=0.1)


def test_with_open_bags_every_kit_is_carried_out_day_by_day() -> None:
    told = 0
    for seed in range(8):
        plan, _ = by_days(seed)
        plan = plan.with_gear((*plan.gear, cast.bag("light", mass_g=300, volume_l=200)))
        (person,) = plan.trip.people
        made = suggest(plan, Asking(points=4, workers=1, seconds=40, by_days=True, open_bags=True, keep_limits=False))
        for point in made.points:
            told += 1
            for day in DaysCarried(plan, Deadline(600)).told(point.kit).days:
                assert day.carried_g <= (person.carries_well_kg or 0) * 1000, seed
    assert told


def test_with_open_bags_something_is_proved() -> None:
    made = [p for seed in range(6) for p in suggest(with_bags(seed), Asking(points=3, open_bags=True)).points]
    assert sum(p.proved for p in made) >= len(made) / 2


def sound(plan: Plan, point: Point) -> None:
    """In its bags, as assess and the packer see it."""
    assert not list(kit_problems(point.kit, plan.items, {p.id for p in plan.trip.people}, "kit"))
    own = plan.with_kit(point.kit)
    found = assess(own)
    assert found.coverage.score == pytest.approx(point.score, abs=1e-6)
    assert found.loads.carried_g == pytest.approx(point.carried_g, abs=0.1)
    assert point.score <= point.bound + 1e-6
    pieces = Counter((e.place.person, e.place.piece) for e in point.kit.entries if isinstance(e.place, AsPiece))
    assert max(pieces.values()) == 1
    for entry in point.kit.entries:
        if isinstance(entry.place, InBag) and isinstance(plan.items[entry.item], Body | Lens):
            holder = plan.items[entry.place.bag]
            assert not (isinstance(holder, Bag) and holder.unpadded)
    for item in point.kit.loaded():
        if isinstance(plan.items[item], Bag | Insert):
            left, _ = left_in(plan.items, point.kit, item, Deadline(20))
            assert not left


def test_points_with_open_bags_hold_what_they_say() -> None:
    told: list[Point] = []
    made = suggest(DEMO, Asking(points=8, seconds=4, workers=1, open_bags=True), told.append)
    assert len(made.points) >= 5
    scores = [point.score for point in made.points]
    assert scores == sorted(scores)
    for point in made.points:
        sound(DEMO, point)
    # Every one of them came as it was found, or a heavier one of its score before it.
    assert all(any(one.score >= p.score - 0.01 for one in told) for p in made.points)
    # Bags are no part of what stays in any case, and lighter ones were found than those of the open kit.
    asking = Asking(open_bags=True)
    kept = [k for k in kept_in_any_case(DEMO, asking) if k.carried]
    assert not any(isinstance(DEMO.items[k.item], Bag | Insert) for k in kept)
    now_g = sum(t.mass_g for i in DEMO.loaded if isinstance(t := DEMO.items[i], Bag | Insert) and i != "duffel")
    top = made.points[-1]
    mine = {e.item: e.place for e in top.kit.entries if isinstance(e.place, AsPiece)}
    assert sum(DEMO.items[i].mass_g for i in mine if i != "duffel") < now_g


def test_a_kit_without_a_bag_gets_the_lightest_that_takes_it() -> None:
    gear = [cast.bag(), cast.bag("sling", mass_g=400), cast.body(), cast.normal_zoom(), cast.tele_zoom()]
    plan = cast.plan(gear, wants=(cast.want("near", 24, 70), cast.want("far", 100, 400)))
    made = suggest(plan, Asking(points=4, open_bags=True))
    assert made.points
    for point in made.points:
        sound(plan, point)
        assert point.proved
        assert "sling" in point.kit.loaded()


def test_glass_goes_into_no_bag_without_padding_that_was_chosen_for_it() -> None:
    dry = cast.bag("dry", mass_g=100, unpadded=True)
    gear = [cast.bag(), dry, cast.body(), cast.normal_zoom()]
    plan = cast.plan(gear, cast.entry("bag", cast.INES_CABIN), wants=(cast.want("near", 24, 70),))
    for point in suggest(plan, Asking(points=3, open_bags=True)).points:
        sound(plan, point)
        assert "bag" in point.kit.loaded()
    # With nothing else at hand there is no kit in it; who has it packed already keeps it.
    alone = cast.plan([dry, *gear[2:]], cast.entry("dry", cast.INES_CABIN), wants=plan.trip.wants)
    assert not suggest(alone, Asking(points=3, open_bags=True)).points
    assert suggest(alone, Asking(points=1)).points


def test_empty_bags_are_weighed_with_their_inserts() -> None:
    bags = sets_of(DEMO, checked_sets(DEMO)[:1])
    one = next(some for some in bags if some.inserts)
    names = (*one.carried(), *(i for i, bag in one.inserts.items() if bag in one.carried()))
    assert empty_g(DEMO, one) == sum(DEMO.items[name].mass_g for name in names)
