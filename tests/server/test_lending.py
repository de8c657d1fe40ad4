"""Lending gear to a trip: what lies on its table then, under which id and name, and how much there may be."""

from importlib import import_module
from typing import Any

import pytest
from django.apps import apps
from django.contrib.auth.models import User

from mule.base.errors import InvalidInput
from mule.plan import MOST_THINGS, Plan
from mule.plan.gear import Cylinder, Filter, Gear, Lens
from server.kernel.errors import NotFound
from server.library.locker import services as locker
from server.library.locker.models import Thing
from server.trips.lending import MOST_LENT, gear_for, gear_stamp, lend, note_lending, take_back
from server.trips.models import LentThing, Trip
from tests import cast
from tests.server.conftest import asker, make_user

pytestmark = pytest.mark.django_db


@pytest.fixture
def trip(owner: User, stored: Plan) -> Trip:
    made: Trip = Trip.objects.get(owner=owner)
    return made


def lent(trip: Trip, item: str) -> Gear:
    """A lent thing as it lies on the table."""
    return next(thing for thing in gear_for(trip) if thing.id == item)


def owns(user: User, *things: Gear) -> None:
    for thing in things:
        locker.add(user, thing)


def test_the_stamp_changes_with_every_lending_and_with_the_owners_locker(
    owner: User, stranger: User, trip: Trip
) -> None:
    owns(stranger, cast.lens("fifty", 50, 50, 2))
    stamps = [gear_stamp(trip)]
    (row,) = lend(trip, stranger, ["fifty"])
    stamps.append(gear_stamp(trip))
    assert trip.lendings == 1
    assert [thing.id for thing in gear_for(trip)][-1] == row.item
    assert gear_for(trip) is gear_for(trip), "the same object until it changes"
    note_lending(trip)
    stamps.append(gear_stamp(trip))
    assert trip.lendings == 2
    locker.add(owner, cast.lens("new", 50, 50, 2))
    stamps.append(gear_stamp(trip))
    assert "new" in {thing.id for thing in gear_for(trip)}
    take_back(trip, row.item, stranger)
    stamps.append(gear_stamp(trip))
    assert row.item not in {thing.id for thing in gear_for(trip)}
    assert len(set(stamps)) == len(stamps)


def test_what_is_lent_carries_its_owner_and_keeps_its_secrets(stranger: User, trip: Trip) -> None:
    secrets: dict[str, Any] = {"serial": "S-1", "value": 900.0, "note": "under the bed"}
    owns(stranger, cast.lens("fifty", 50, 50, 2, **secrets))
    (row,) = lend(trip, stranger, ["fifty"])
    thing = lent(trip, row.item)
    assert (row.item, row.source, row.lender_name) == ("fifty-lent", "fifty", "Torvald")
    assert (thing.name, thing.owner) == ("fifty · Torvald’s", "Torvald")
    assert (thing.serial, thing.value, thing.note, thing.picture) == ("", None, "", None)


def test_long_names_are_cut_so_that_both_can_be_read(trip: Trip) -> None:
    lender = make_user("T" * 100)
    name, slug = (
        "Grandfather’s very long lens out of the attic no 1234567890",
        "grandfathers-very-long-lens-out-of-the-attic-1234567890",
    )
    owns(lender, cast.lens(slug, 50, 50, 2).model_copy(update={"name": name}))
    (row,) = lend(trip, lender, [slug])
    thing = lent(trip, row.item)
    assert thing.name == f"{name[:50].rstrip()} · {'T' * 24}’s"
    assert thing.owner == "T" * 80
    assert row.item == f"{slug[:48]}-lent"


def test_what_a_thing_works_with_is_named_only_where_it_is_lent_too(stranger: User, trip: Trip) -> None:
    owns(
        stranger,
        cast.converter(1.4),
        cast.converter(2.0),
        cast.tele_zoom(needs=("x14",)),
    )
    rows = {row.source: row.item for row in lend(trip, stranger, ["tele"])}
    assert set(rows) == {"tele", "x14"}
    tele = lent(trip, rows["tele"])
    assert isinstance(tele, Lens)
    assert tele.needs == (rows["x14"],)
    assert tele.takes_converters == (rows["x14"],)
    # Lent later, it is known from then on.
    both = {row.source: row.item for row in lend(trip, stranger, ["tele", "x20"])}
    tele = lent(trip, both["tele"])
    assert isinstance(tele, Lens)
    assert tele.takes_converters == (rows["x14"], both["x20"])


def test_what_is_named_twice_is_lent_once(stranger: User, trip: Trip) -> None:
    owns(stranger, cast.lens("wide", 14, 14, 2.8))
    assert [row.source for row in lend(trip, stranger, ["wide", "wide"])] == ["wide"]


def test_nothing_is_lent_where_one_of_them_is_not_there(stranger: User, trip: Trip) -> None:
    owns(stranger, cast.lens("fifty", 50, 50, 2))
    with pytest.raises(NotFound):
        lend(trip, stranger, ["fifty", "ghost"])
    assert not LentThing.objects.exists()


def test_things_of_several_lenders_have_ids_of_their_own(stranger: User, trip: Trip) -> None:
    other = make_user("Sigrid")
    for lender in (stranger, other):
        owns(lender, cast.lens("fifty", 50, 50, 2))
    ids = [lend(trip, lender, ["fifty"])[0].item for lender in (stranger, other)]
    assert len(set(ids)) == 2
    # Each takes back their own only; the owner may take back any.
    with pytest.raises(NotFound):
        take_back(trip, ids[0], other)
    take_back(trip, ids[1], other)
    take_back(trip, ids[0], None)
    assert not trip.lent.exists()
    with pytest.raises(NotFound):
        take_back(trip, ids[0], None)


def beside(trip: Trip, lender: User, count: int) -> None:
    """So many things that somebody else has lent already."""
    spec = cast.lens("x", 50, 50, 2).model_dump(mode="json")
    LentThing.objects.bulk_create(
        LentThing(trip=trip, lender=lender, lender_name="S", item=f"x{n}", source=f"x{n}", spec=spec | {"id": f"x{n}"})
        for n in range(count)
    )
    note_lending(trip)


def test_so_many_things_may_be_lent_to_one_trip(stranger: User, trip: Trip) -> None:
    owns(stranger, *(cast.lens(f"l{n}", 50, 50, 2) for n in range(3)))
    lend(trip, stranger, ["l0"])
    beside(trip, make_user("Sigrid"), MOST_LENT - 2)
    lend(trip, stranger, ["l0", "l1"])
    assert trip.lent.count() == MOST_LENT == 200
    with pytest.raises(InvalidInput, match="at most 200 items"):
        lend(trip, stranger, ["l2"])
    # What is there already may be lent again.
    lend(trip, stranger, ["l0", "l1"])


def test_the_table_of_a_trip_holds_no_more_than_a_plan_does(
    owner: User, stranger: User, trip: Trip, monkeypatch: pytest.MonkeyPatch
) -> None:
    assert MOST_THINGS == 5_000
    owns(stranger, cast.lens("l0", 50, 50, 2), cast.lens("l1", 50, 50, 2))
    monkeypatch.setattr("server.trips.lending.MOST_THINGS", len(gear_for(trip)) + 1)
    lend(trip, stranger, ["l0"])
    with pytest.raises(InvalidInput, match="at most"):
        lend(trip, stranger, ["l1"])


def loads(trip: Trip, item: str, *counts: int) -> None:
    kit = trip.kits.get()
    places = ({"where": "worn", "person": "ines"}, {"where": "worn", "person": "marit"})
    kit.entries = [{"item": item, "count": n, "place": place} for n, place in zip(counts, places, strict=False)]
    kit.save()


@pytest.mark.parametrize(
    ("counts", "enough"), [((2,), True), ((3,), True), ((2, 1), True), ((2, 2), False), ((4,), False)]
)
def test_no_fewer_are_lent_than_a_kit_loads(stranger: User, trip: Trip, counts: tuple[int, ...], enough: bool) -> None:
    owns(stranger, cast.pack(count=3))
    (row,) = lend(trip, stranger, ["pack"])
    loads(trip, row.item, *counts)
    if enough:
        lend(trip, stranger, ["pack"])
    else:
        with pytest.raises(InvalidInput, match=f"at least {sum(counts)}"):
            lend(trip, stranger, ["pack"])


def drop_in(**into: Any) -> Filter:
    size = Cylinder(diameter_mm=40, length_mm=4)
    return Filter(id="pol", name="pol", mass_g=20, size=size, effect="polariser", **into)


@pytest.mark.parametrize("home", ["adapter", "body"])
def test_a_filter_comes_with_what_it_is_dropped_into(owner: User, stranger: User, trip: Trip, home: str) -> None:
    thing = cast.adapter() if home == "adapter" else cast.body()
    owns(stranger, thing.model_copy(update={"id": "home"}), drop_in(**{home: "home"}))
    rows = {row.source: row.item for row in lend(trip, stranger, ["pol"])}
    assert set(rows) == {"pol", "home"}
    assert getattr(lent(trip, rows["pol"]), home) == rows["home"]
    for path in (f"/trips/{trip.slug}/kits/a", f"/exchange/plans/{trip.slug}/a", "/exchange/account.zip"):
        assert asker(owner)("get", path).status_code == 200, path


def test_a_filter_for_nothing_is_not_lent(stranger: User, trip: Trip) -> None:
    owns(stranger, cast.adapter().model_copy(update={"id": "home"}), drop_in(adapter="home"))
    Thing.objects.filter(owner=stranger, slug="home").delete()
    with pytest.raises(InvalidInput, match="adapter or camera"):
        lend(trip, stranger, ["pol"])
    assert not LentThing.objects.exists()


def test_a_filter_that_is_screwed_on_comes_as_it_is(stranger: User, trip: Trip) -> None:
    owns(stranger, drop_in(thread_mm=77))
    (row,) = lend(trip, stranger, ["pol"])
    thing = lent(trip, row.item)
    assert isinstance(thing, Filter)
    assert (thing.adapter, thing.body, thing.thread_mm) == (None, None, 77)


def test_a_trip_that_a_filter_for_nothing_was_lent_to_opens_again(owner: User, stranger: User, trip: Trip) -> None:
    owns(stranger, drop_in(thread_mm=77))
    (row,) = lend(trip, stranger, ["pol"])
    kit = trip.kits.get()
    before = kit.entries
    kit.entries = [*before, {"item": row.item, "count": 1, "place": {"where": "worn", "person": "ines"}}]
    kit.save()
    trip.spec["marks"] = {"must_take": [row.item], "must_leave": ["body"], "slots": []}
    trip.save()
    row.spec |= {"thread_mm": None}
    row.save()
    path = f"/trips/{trip.slug}/kits/a"
    assert asker(owner)("get", path).status_code == 422
    mend = import_module("server.trips.migrations.0008_drop_lent_filters_without_a_home").drop_filters
    mend(apps, None)
    assert asker(owner)("get", path).status_code == 200
    assert trip.kits.get().entries == before
    assert Trip.objects.get(pk=trip.pk).spec["marks"] == {"must_take": [], "must_leave": ["body"], "slots": []}
    mend(apps, None)
    assert asker(owner)("get", path).status_code == 200
