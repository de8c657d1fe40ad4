"""Which bag: every set that is told holds what it says, and none is told that another beats."""

from collections import Counter
from pathlib import Path

import pytest

from mule.findings.assess import assess
from mule.packing import stow
from mule.packing.blocks import never_held
from mule.plan import Plan, kit_problems, read
from mule.plan.gear import Bag, Body, Box, Insert, Lens, Other
from mule.plan.kit import Kit, Loadout, Mount, Stow, Wish
from mule.plan.places import AsPiece, InBag, PieceKind
from mule.plan.purposes import Purpose
from mule.search.bag_sets import MOST_LEFT, NOW, BagNews, BagSet, bag_sets, beats, worse
from mule.search.bag_sets.choices import checked_sets, sets_of
from tests import cast

DEMO = Path(__file__).parents[2] / "demo"
LOFOTEN = read((DEMO / "lofoten.plan.json").read_bytes())
KARST = read((DEMO / "karst.plan.json").read_bytes())


def kept(news: list[BagNews]) -> dict[str, BagSet]:
    """What stands at the end, without the kit as it is."""
    best: dict[str, BagSet] = {}
    for one in news:
        if one.bag_set is not None:
            assert one.bag_set.key not in best
            best = {key: found for key, found in best.items() if key not in one.beaten} | {one.bag_set.key: one.bag_set}
    assert best.pop(NOW, None) is not None
    return best


def sound(plan: Plan, one: BagSet) -> None:
    """Nothing lost, nobody with two bags of a sort, glass in padding, lithium out of the hold."""
    assert not list(kit_problems(one.kit, plan.items, {p.id for p in plan.trip.people}, "kit"))
    here = Counter(one.kit.loaded())
    bags = {i for i in plan.items if isinstance(plan.items[i], Bag | Insert)}
    gone = {item: n - here[item] for item, n in plan.loaded.items() if item not in bags and n != here[item]}
    # What the sharing out left over is in no bag of it; what the packing left over is.
    assert all(0 < n <= one.left[item] for item, n in gone.items())
    pieces = Counter((e.place.person, e.place.piece) for e in one.kit.entries if isinstance(e.place, AsPiece))
    assert max(pieces.values()) == 1
    held = {e.item for e in one.kit.entries if isinstance(e.place, AsPiece) and e.place.piece == PieceKind.HOLD}
    for entry in one.kit.entries:
        thing = plan.items[entry.item]
        if isinstance(entry.place, InBag):
            holder = plan.items[entry.place.bag]
            if isinstance(thing, Body | Lens) and isinstance(holder, Bag):
                assert not holder.unpadded, (entry.item, entry.place.bag)
            assert not (entry.place.bag in held and never_held(thing))
    assert one.stowage.checked
    packed = Counter[str]()
    for lies in one.stowage.placed:
        packed.update(dict.fromkeys(lies.items, lies.count))
    for soft in one.stowage.soft:
        packed[soft.item] += soft.count
    inside = Counter[str]()
    for entry in one.kit.entries:
        if isinstance(entry.place, InBag) and not entry.place.outside:
            inside[entry.item] += entry.count
    over = sum((inside - packed).values()) + sum(gone.values())
    assert over == sum(one.left.values())


def judged(plan: Plan, one: BagSet) -> None:
    """The same figures by the parts that answer for a kit."""
    made = assess(plan.with_kit(one.kit))
    assert one.on_foot_g == max(load.carried_g for load in made.loads.people)
    assert set(one.refused) == {leg.leg for leg in made.legs if not leg.passes}


@pytest.fixture(scope="module")
def karst() -> list[BagNews]:
    return list(bag_sets(KARST))


def test_what_is_told_is_so(karst: list[BagNews]) -> None:
    for one in kept(karst).values():
        sound(KARST, one)
        judged(KARST, one)


def test_none_beats_another(karst: list[BagNews]) -> None:
    best = list(kept(karst).values())
    assert not any(beats(one, other) for one in best for other in best)
    assert karst[-1].tried == karst[-1].of


def test_the_kit_as_it_is_comes_first_and_is_what_stow_says(karst: list[BagNews]) -> None:
    now = karst[0].bag_set
    assert now is not None
    assert (now.key, now.kit) == (NOW, KARST.kit)
    left = Counter[str]()
    for one in stow(KARST.items, KARST.kit).left:
        left[one.item] += one.count
    assert now.left == dict(left)


def test_a_set_that_takes_everything_is_packed_once_more_by_stow(karst: list[BagNews]) -> None:
    whole = [one for one in kept(karst).values() if not one.left]
    assert whole
    for one in whole:
        assert not stow(KARST.items, one.kit).left


def test_the_demo_for_a_while() -> None:
    plan = LOFOTEN.with_kit(LOFOTEN.kits[0])
    news = [one for one, _ in zip(bag_sets(plan), range(60), strict=False)]
    best = kept(news)
    assert best
    for one in best.values():
        sound(plan, one)
        judged(plan, one)
        assert sum(one.left.values()) <= MOST_LEFT


def plan_with(*gear: object, stow_: Stow | None = None) -> Plan:
    """A body and a zoom in the bag of Ines, who is alone."""
    things = [cast.body(), cast.normal_zoom()]
    plan = cast.plan(
        [cast.bag(), *gear, *things],
        cast.entry("bag", cast.INES_CABIN),
        *(cast.entry(t.id) for t in things),
        people=cast.trip().people[:1],
    )
    return plan.with_kit(plan.kit.model_copy(update={"stow": stow_})) if stow_ else plan


def bags(plan: Plan) -> list[tuple[str, ...]]:
    """Of sets that take everything."""
    return [tuple(sorted(one.bags)) for one in kept(list(bag_sets(plan))).values() if not one.left]


def test_a_heavier_bag_that_does_no_more_is_not_told() -> None:
    assert bags(plan_with(cast.bag("light", mass_g=700), cast.bag("heavy", mass_g=3000))) == [("light",)]


def test_glass_goes_into_no_bag_without_padding_but_into_an_insert_in_it() -> None:
    sack = cast.bag("sack", mass_g=200, unpadded=True)
    assert bags(plan_with(sack)) == [("bag",)]
    found = [one for one in kept(list(bag_sets(plan_with(sack, cast.insert())))).values() if not one.left]
    assert [(one.bags, one.inserts) for one in found] == [(("sack",), {"cube": "sack"})]


def test_nobody_has_two_bags_of_a_sort() -> None:
    plan = plan_with(cast.bag("b"), cast.bag("c"), cast.bag("p", piece="personal"))
    sets = sets_of(plan, checked_sets(plan))
    assert {len(one.pieces) for one in sets} == {1, 2}
    assert all(Counter(at.piece for at in one.pieces.values()).most_common(1)[0][1] == 1 for one in sets)


def test_bags_that_are_away_are_not_proposed() -> None:
    away = cast.bag("away", mass_g=100, absent={"reason": "in-use"})
    assert bags(plan_with(away)) == [("bag",)]


def test_what_is_checked_in_stays_checked_in_and_nothing_else_joins_it() -> None:
    plan = plan_with(cast.bag("hold", piece="hold"), cast.bag("small", piece="hold", mass_g=600))
    tent = Other(
        id="tent",
        name="tent",
        mass_g=1800,
        size=Box(length_mm=400, width_mm=150, height_mm=150),
        purpose=Purpose.SHELTER,
        label="tent",
    )
    entries = (
        *plan.kit.entries,
        cast.entry("hold", AsPiece(piece=PieceKind.HOLD, person="ines")),
        cast.entry("tent", InBag(bag="hold")),
    )
    plan = plan.with_gear((*plan.gear, tent)).with_kit(plan.kit.model_copy(update={"entries": entries}))
    (found,) = kept(list(bag_sets(plan))).values()
    assert set(found.bags) == {"bag", "small"}
    assert {e.item for e in found.kit.entries if e.place == InBag(bag="small")} == {"tent"}


def test_what_is_needed_in_the_seat_is_in_a_personal_item() -> None:
    plan = plan_with(cast.bag("p", piece="personal"), stow_=Stow(wishes=(Wish(item="body", seat=True),)))
    for one in kept(list(bag_sets(plan))).values():
        lies = next((e.place for e in one.kit.entries if e.item == "body"), None)
        assert lies == InBag(bag="p") or one.left == {"body": 1}


def test_outings_that_a_bag_serves_by_itself() -> None:
    out = Loadout(
        id="dawn",
        name="Dawn",
        days=(cast.trip().days[0].date,),
        entries=(cast.entry("bag", cast.INES_CABIN), cast.entry("body")),
    )
    plan = plan_with(stow_=Stow(loadouts=(out,)))
    tiny = cast.bag("tiny", piece="personal", size=Box(length_mm=90, width_mm=60, height_mm=40), volume_l=0.2)
    plan = plan.with_gear((*plan.gear, tiny))
    serves = {one.bags: one.serves for one in kept(list(bag_sets(plan))).values()}
    assert serves[("bag",)] == ("dawn",)


def test_a_bag_that_somebody_wears_stays_on_them_with_what_is_in_it() -> None:
    pouch = cast.bag("pouch", piece="personal", mass_g=150)
    plan = plan_with(pouch, cast.bag("light", mass_g=700))
    entries = [e for e in plan.kit.entries if e.item != "normal"]
    entries += [cast.entry("pouch", cast.ON_INES), cast.entry("normal", InBag(bag="pouch"))]
    plan = plan.with_kit(plan.kit.model_copy(update={"entries": tuple(entries)}))
    best = kept(list(bag_sets(plan)))
    assert best
    for one in best.values():
        sound(plan, one)
        assert cast.entry("pouch", cast.ON_INES) in one.kit.entries
        assert cast.entry("normal", InBag(bag="pouch")) in one.kit.entries


def test_a_lens_whose_body_is_worn_is_not_lost_for_being_meant_to_sit_on_it() -> None:
    stow_ = Stow(mounts=(Mount(body="body", lens="normal"),))
    plan = plan_with(cast.bag("light", mass_g=700), stow_=stow_)
    entries = tuple(e.model_copy(update={"place": cast.ON_INES}) if e.item == "body" else e for e in plan.kit.entries)
    plan = plan.with_kit(plan.kit.model_copy(update={"entries": entries}))
    best = kept(list(bag_sets(plan)))
    assert best
    for one in best.values():
        sound(plan, one)
        assert one.kit.loaded()["normal"] == 1


def test_it_stops_when_it_is_asked_to_and_answers_without_people() -> None:
    assert list(bag_sets(cast.plan([cast.bag()], people=()))) == []
    asked = iter([False] * 40)
    told = list(bag_sets(KARST, should_stop=lambda: next(asked, True)))
    assert told[-1].tried < told[-1].of


def test_worse_is_about_what_matters() -> None:
    now = next(iter(bag_sets(plan_with()))).bag_set
    assert now is not None
    lighter = now.model_copy(update={"on_foot_g": now.on_foot_g - 500, "total_g": now.total_g - 500})
    refused = lighter.model_copy(update={"refused": ("out",)})
    assert beats(lighter, now)
    assert not beats(now, lighter)
    assert not beats(refused, now)
    assert worse(lighter) < worse(now)
    assert isinstance(now.kit, Kit)
