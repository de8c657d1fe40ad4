"""The list of the evening before: order, harm, tasks, what nobody weighed."""

from datetime import date
from pathlib import Path
from typing import Any

import pytest

from mule.base.deadline import Deadline
from mule.findings.advise import review
from mule.findings.assess import StationMark, assess
from mule.packing import PlacingOptions, stow
from mule.plan import Plan, read
from mule.plan.carriers import Carrier
from mule.plan.field import Field, Mark, Used, fold
from mule.plan.gear import Absence, AbsenceReason, Battery, Source
from mule.plan.places import AsPiece, InBag, PieceKind, Worn
from mule.plan.trip import Day, Leg
from mule.trail.packout import BagOut, PackOut, field_stations, lines_of, list_out
from tests import cast

DAY = Day(date=date(2027, 2, 20), title="Out")


def listed(plan: Plan) -> PackOut:
    return list_out(
        plan,
        assess(plan),
        review(plan).resilience,
        stow(plan.items, plan.kit, Deadline(4), options=PlacingOptions(workers=1)),
    )


def ready(**changes: Any) -> Plan:
    """A bag with an insert: a body and a lens in the insert, a pack and first aid in the bag, a card in a pocket."""
    gear = [
        cast.bag(mass_g=1_000, mass_source=Source.MEASURED),
        cast.insert(),
        cast.body(mass_source=Source.MEASURED),
        cast.normal_zoom(mass_source=Source.TYPICAL),
        cast.pack(**changes),
        cast.first_aid(),
    ]
    entries = (
        cast.entry("bag", cast.INES_CABIN),
        cast.entry("cube"),
        cast.entry("body", InBag(bag="cube")),
        cast.entry("normal", InBag(bag="cube")),
        cast.entry("pack", count=2),
        cast.entry("first-aid", Worn(person="ines")),
    )
    return cast.plan(gear, *entries, days=(DAY,), wants=(cast.want(),))


def of(made: PackOut, bag: str) -> BagOut:
    return next(b for b in made.bags if b.bag == bag)


def test_inserts_are_packed_before_the_bags_they_go_into() -> None:
    made = listed(ready())
    assert [b.bag for b in made.bags] == ["cube", "bag"]
    assert of(made, "cube").inside == "bag"
    assert {line.item for line in of(made, "bag").lines} == {"cube", "pack"}
    assert [line.id for line in made.worn] == ["first-aid@on.ines"]


def test_each_line_says_where_it_goes() -> None:
    made = listed(ready())
    (cube,) = [line for line in of(made, "bag").lines if line.item == "cube"]
    assert cube.placed is not None
    assert (cube.room, cube.placed.block, cube.person) == ("bag", "cube", "ines")


def test_a_bag_is_told_with_all_that_is_in_it_and_what_nobody_weighed() -> None:
    plan = ready()
    bag = of(listed(plan), "bag")
    worth = {t.id: t.mass_g for t in plan.gear}
    assert bag.planned_g == pytest.approx(
        worth["bag"] + worth["cube"] + worth["body"] + worth["normal"] + 2 * worth["pack"]
    )
    # Bag and body were weighed; the others were not.
    assert {u.item: (u.count, u.source) for u in bag.unsure} == {
        "cube": (1, Source.STATED),
        "normal": (1, Source.TYPICAL),
        "pack": (2, Source.STATED),
    }


def test_what_does_most_harm_when_forgotten_comes_first() -> None:
    made = listed(ready())
    lines = sorted([*(line for b in made.bags for line in b.lines), *made.worn], key=lambda line: line.rank)
    assert (lines[0].item, lines[0].harm) == ("first-aid", "safety")
    assert {line.item for line in lines[1:3]} == {"body", "normal"}
    assert all(line.harm == "stops" for line in lines[1:3])
    assert [line.rank for line in lines] == list(range(len(lines)))


def test_tasks_name_their_things_and_their_day() -> None:
    until = Absence(reason=AbsenceReason.IN_POST, until=date(2027, 2, 17))
    made = {task.id: task for task in listed(ready(absent=until)).tasks}
    assert made["task.charge"].items == ("pack",)
    assert made["task.charge"].by == date(2027, 2, 19)
    assert made["task.fetch.pack"].by == date(2027, 2, 17)
    assert made["task.sensor"].items == ("body",)
    assert "task.format" not in made
    assert {"task.documents", "task.medicine"} <= made.keys()


def test_closing_checks_say_what_still_stands_against_the_door() -> None:
    assert all(check.passes for check in listed(ready()).closing if check.check != "copies")
    plan = ready()
    hold = cast.bag("hold", piece=PieceKind.HOLD)
    bad = Battery(id="spare", name="spare", mass_g=80, size=cast.SMALL, battery_type="P", energy_wh=16)
    entries = (
        *plan.kit.entries,
        cast.entry("hold", AsPiece(piece=PieceKind.HOLD, person="ines")),
        cast.entry("spare", InBag(bag="hold")),
    )
    air = Carrier(id="air", name="Air", means="plane")
    leg = Leg(id="out", name="Out", carrier="air")
    flown = cast.plan([*plan.gear, hold, bad], *entries, carriers=(air,), legs=(leg,), days=(DAY,))
    checks = {c.check: c for c in listed(flown).closing}
    assert (checks["lithium"].passes, checks["lithium"].findings) == (False, 1)
    assert checks["gate"].passes
    # It is not packed where it must not lie, either.
    assert not checks["room"].passes


def test_the_door_is_told_of_days_on_which_packs_run_dry() -> None:
    """Kit a of the winter trip has one charger and nothing to feed it."""
    plan = read(Path("demo/lofoten.plan.json").read_bytes())
    short = next(kit for kit in plan.kits if kit.id == "a")
    (power,) = (c for c in listed(plan.with_kit(short)).closing if c.check == "power")
    lasts = assess(plan.with_kit(short)).lasts
    assert not power.passes
    assert power.findings == max(t.short_days for t in lasts.types) > 0
    lasting = next(kit for kit in plan.kits if kit.id == "c")
    assert all(c.passes for c in listed(plan.with_kit(lasting)).closing if c.check == "power")


@pytest.mark.parametrize("name", ["lofoten", "karst", "canoe"])
def test_every_loaded_thing_of_the_demo_stands_on_the_list_once_per_place(name: str) -> None:
    plan = read((Path("demo") / f"{name}.plan.json").read_bytes())
    made = listed(plan)
    lines = [*(line for b in made.bags for line in b.lines), *made.worn]
    told = sum(line.count for line in lines) + sum(isinstance(e.place, AsPiece) for e in plan.kit.entries)
    assert told == sum(plan.kit.loaded().values())
    assert len({line.id for line in lines}) == len(lines)


def ticks(*lines: str) -> Field:
    return fold(
        Mark.model_validate(
            {
                "id": f"phone-{n:08}",
                "device": "phone",
                "seq": n,
                "at": "2027-02-19T20:00:00Z",
                "what": {"do": "tick", "line": line, "done": True},
            }
        )
        for n, line in enumerate(lines)
    )


def marks_of(plan: Plan, field: Field, *, pictures: bool = False) -> list[StationMark]:
    return [station.mark for station in field_stations(plan, field, pictures=pictures)]


def test_the_names_of_lines_are_those_of_the_list() -> None:
    plan = ready()
    made = listed(plan)
    lines = [line.id for bag in made.bags for line in bag.lines] + [line.id for line in made.worn]
    assert sorted(lines_of(plan.kit)) == sorted(lines)


def test_pack_out_is_done_when_all_things_and_all_tasks_are_ticked() -> None:
    plan = ready()
    everything = [*lines_of(plan.kit), *(task.id for task in listed(plan).tasks)]
    assert marks_of(plan, ticks(*everything))[0] == StationMark.DONE
    for one in everything:
        assert marks_of(plan, ticks(*(e for e in everything if e != one)))[0] == StationMark.OPEN


def test_an_empty_list_is_not_done() -> None:
    plan = cast.plan([cast.bag()], days=(DAY,))
    assert marks_of(plan, ticks(*(task.id for task in listed(plan).tasks)))[0] == StationMark.OPEN


@pytest.mark.parametrize(
    ("until", "mark"),
    [
        (date(2027, 2, 20), StationMark.OPEN),
        (date(2027, 2, 21), StationMark.BLOCKED),
        (None, StationMark.OPEN),
    ],
)
def test_a_thing_that_comes_back_after_leaving_blocks_pack_out(until: date | None, mark: StationMark) -> None:
    plan = ready(absent=Absence(reason=AbsenceReason.IN_POST, until=until))
    assert marks_of(plan, ticks())[0] == mark


def test_a_trip_that_is_over_is_packed_and_out_and_wants_something_to_look_back_on() -> None:
    plan = ready(absent=Absence(reason=AbsenceReason.IN_POST, until=date(2028, 1, 1)))
    over = plan.with_trip(plan.trip.model_copy(update={"status": "done"}))
    done, still = StationMark.DONE, StationMark.OPEN
    assert marks_of(over, ticks()) == [done, done, still]
    assert marks_of(over, ticks(), pictures=True) == [done, done, done]
    # Ticks say what was packed, not what happened out there.
    assert marks_of(over, ticks("pack@bag")) == [done, done, still]
    used = {"do": "used", "item": "body", "day": "2027-02-20"}
    log = fold([ticks("a@b").now["line:a@b"].model_copy(update={"what": Used.model_validate(used)})])
    assert marks_of(over, log) == [done, done, done]
    assert marks_of(plan, log, pictures=True)[1:] == [still, still]


def test_two_phones_that_contradict_each_other_block_the_trail() -> None:
    one = ticks("pack@bag").now["line:pack@bag"]
    undone = one.what.model_copy(update={"done": False})
    other = one.model_copy(update={"id": "tablet-00000001", "device": "tablet", "what": undone})
    assert marks_of(ready(), fold([one, other]))[1] == StationMark.BLOCKED
