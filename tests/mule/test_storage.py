"""Cards, copies and losses by hand. Figures of docs/domain/pictures.md."""

from collections.abc import Mapping, Sequence
from datetime import date, timedelta
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mule.analysis.power import camera_demands
from mule.analysis.storage import Storage, Whereabouts, store
from mule.plan.gear import Body, Card, CardSlot, Computer, Drive, Reader
from mule.plan.trip import BodyHabit, Day, Demand, Pattern, Stamina, Trip
from tests import cast

THING: dict[str, Any] = {"mass_g": 10, "size": cast.SMALL}
LAPTOP = Computer(
    id="laptop",
    name="l",
    form="laptop",
    screen_in=14,
    energy_wh=60,
    storage_gb=1_000,
    ports=("USB-C", "USB-C"),
    **THING,
)
READER = Reader(id="reader", name="r", card_types=("SD",), plug="USB-C", speed_mb_s=200, **THING)
SSD = Drive(id="ssd", name="s", capacity_gb=2_000, plug="USB-C", speed_mb_s=500, **THING)


def camera(id_: str = "body", slots: int = 1) -> Body:
    return cast.body(id_, slots=(CardSlot(card_type="SD"),) * slots)


def card(id_: str = "card", gb: float = 128) -> Card:
    return Card(id=id_, name=id_, card_type="SD", capacity_gb=gb, speed_mb_s=250, count=100, **THING)


def trip(days: int = 1, frames: int = 700, **changes: Any) -> Trip:
    trip_changes = {key: changes.pop(key) for key in ("stakes",) if key in changes}
    demand = Demand(frames=frames, video_min=changes.pop("video_min", 0), timelapse_h=changes.pop("timelapse_h", 0))
    pattern = Pattern(id="full", name="Full", first=demand, others=demand)
    start = date(2027, 2, 20)
    return Trip(
        id="trip",
        name="Trip",
        days=tuple(Day(date=start + timedelta(days=i), title="Out") for i in range(days)),
        stamina=Stamina.model_validate({"patterns": (pattern,), "cards": "fresh-daily"} | changes),
        **trip_changes,
    )


Where = Mapping[str, Sequence[str | None]]


def run(trip_: Trip, *gear: tuple[Any, int], where: Where | None = None, hold: Any = ()) -> Storage:
    things = {t.id: t for t, _ in gear}
    counts = {t.id: n for t, n in gear}
    bodies = {i: n for i, n in counts.items() if isinstance(things[i], Body)}
    asked = [camera_demands(things, bodies, trip_, day) for day in trip_.days]
    return store(things, counts, trip_, asked, Whereabouts(where or {}, frozenset(hold)))


def test_copies_go_to_another_bag_than_the_card_first() -> None:
    # Two drives: the first of the kit lies with the camera, the other in the second bag. One copy beside the card.
    other = SSD.model_copy(update={"id": "other"})
    where = {"card": ["cabin"], "ssd": ["cabin"], "other": ["second"], "laptop": ["cabin"]}
    gear = ((camera(), 1), (card(), 1), (READER, 1), (LAPTOP, 1), (SSD, 1), (other, 1))
    (day,) = run(trip(copies=2), *gear, where=where).days
    assert [c.to for c in day.copying] == [("other", 1)]
    (day,) = run(trip(copies=2), *gear, where=where | {"other": ["cabin"], "ssd": ["second"]}).days
    assert [c.to for c in day.copying] == [("ssd", 1)]


def test_seven_hundred_frames_of_45_mp_are_37_8_gb() -> None:
    # 45 x 1.2 = 54 MB a frame; 700 of them.
    (day,) = run(trip(), (camera(), 1), (card(), 1)).days
    assert day.gb == pytest.approx(37.8)
    assert [(c.held_gb, c.slot) for c in day.cards] == [(pytest.approx(37.8), 1)]


@pytest.mark.parametrize(("mode", "slots", "cards"), [("overflow", 1, 18), ("overflow", 2, 18), ("mirror", 2, 36)])
def test_a_fresh_card_a_day_for_two_cameras_and_nine_days(mode: Any, slots: int, cards: int) -> None:
    habits = tuple(BodyHabit(body=b, slots=mode) for b in ("a", "b"))
    out = trip(9, habits=habits)
    made = run(out, (camera("a", slots), 1), (camera("b", slots), 1), (card(), cards))
    assert made.days_carried == 9
    assert made.types[0].needed == cards
    short = run(out, (camera("a", slots), 1), (camera("b", slots), 1), (card(), cards - 1))
    # A mirror that finds one card less writes the last day once; with one slot the last day finds none.
    assert short.days_carried == (9 if mode == "mirror" else 8)
    assert short.days[-1].copies == 1 or mode != "mirror"


def test_video_uncompressed_and_time_lapses_count() -> None:
    habits = (BodyHabit(body="body", uncompressed=True, video_mbit_s=200),)
    out = trip(frames=100, video_min=30, timelapse_h=1, timelapse_every_s=10, habits=habits)
    ((made,),) = (day.made for day in run(out, (camera(), 1), (card(gb=512), 1)).days)
    # 100 frames and 3,600 / 10; 54 MB x 1.75. Video: 200 Mbit/s x 0.45 GB an hour, half an hour.
    assert made.frames == 460
    assert made.stills_gb == pytest.approx(460 * 0.0945)
    assert made.video_gb == pytest.approx(45)


def test_split_keeps_video_on_the_second_card() -> None:
    habits = (BodyHabit(body="body", slots="split"),)
    (day,) = run(trip(video_min=30, habits=habits), (camera(slots=2), 1), (card(), 2)).days
    assert [(c.slot, round(c.gb, 2)) for c in day.cards] == [(1, 37.8), (2, 22.5)]


def test_a_full_card_gives_way_to_the_next_slot_and_then_to_a_new_card() -> None:
    (day,) = run(trip(frames=2_000), (camera(slots=2), 1), (card(gb=32), 4)).days
    # 108 GB on cards of 32: three full ones and 12 on the fourth.
    assert [round(c.held_gb) for c in day.cards] == [32, 32, 32, 12]
    assert [c.slot for c in day.cards] == [1, 2, 1, 1]
    assert day.lost_gb == 0


def test_what_finds_no_card_is_told_with_its_day() -> None:
    made = run(trip(3, frames=2_000, cards="few-big"), (camera(), 1), (card(gb=128), 2))
    # 108 GB a day on 256: two days and 40 of the third.
    assert (made.days_carried, made.types[0].full_on) == (2, made.days[2].date)
    assert made.days[2].lost_gb == pytest.approx(3 * 108 - 256)
    assert made.types[0].needed == 3


def test_copies_go_through_the_slowest_link() -> None:
    (day,) = run(trip(copies=3), (camera(), 1), (card(), 1), (READER, 1), (LAPTOP, 1), (SSD, 1)).days
    # Reader 200 MB/s is slowest both times: 37,800 MB / 200 / 60 s.
    assert {c.to: c.minutes for c in day.copying} == {
        ("ssd", 1): pytest.approx(3.15),
        ("laptop", 1): pytest.approx(3.15),
    }
    assert (day.copies, day.minutes) == (3, pytest.approx(6.3))


@pytest.mark.parametrize("missing", ["reader", "laptop"])
def test_without_a_reader_or_a_computer_nothing_is_copied(missing: str) -> None:
    gear = [(t, 1) for t in (camera(), card(), READER, LAPTOP, SSD) if t.id != missing]
    made = run(trip(), *gear)
    assert made.days[0].copies == 1
    assert made.short_on == made.days[0].date
    assert made.unread == ("SD",)


def test_cards_are_erased_only_when_the_copies_are_there() -> None:
    out = trip(4, frames=2_000, cards="erase-after", erase_after=2)
    safe = run(out, (camera(), 1), (card(), 1), (READER, 1), (LAPTOP, 1), (SSD, 1))
    assert safe.days_carried == 4
    assert all(day.erased == (("card", 1),) for day in safe.days)
    # With the laptop alone there is one copy beside the card: it is kept, and full on day two.
    assert run(out, (camera(), 1), (card(), 1), (READER, 1), (LAPTOP, 1)).days_carried == 1


def test_paid_work_asks_three_places_and_not_one_bag() -> None:
    where = {i: ["cabin"] for i in ("card", "laptop", "ssd")}
    gear = [(t, 1) for t in (camera(), card(), READER, LAPTOP, SSD)]
    paid = run(trip(stakes="paid"), *gear, where=where)
    assert (paid.asked_copies, paid.days[0].copies, paid.together) == (3, 3, True)
    apart = run(trip(stakes="paid"), *gear, where=where | {"ssd": ["personal"]})
    assert not apart.together


def test_each_single_loss_names_the_days_whose_pictures_would_be_gone() -> None:
    where = {"card": ["cabin"] * 2, "laptop": ["hold"], "ssd": ["hold"]}
    made = run(
        trip(2, copies=1), (camera(), 1), (card(), 2), (READER, 1), (LAPTOP, 1), (SSD, 1), where=where, hold=["hold"]
    )
    gone = {(g.what, g.item, g.number): g for g in made.gone}
    assert gone["card", "card", 1].days == (made.days[0].date,)
    assert gone["card", "card", 2].gb == pytest.approx(37.8)
    assert gone["bag", "cabin", None].gb == pytest.approx(75.6)
    assert gone["bag", "cabin", None].on == made.days[1].date
    assert gone["hold", "hold", None].days == () == gone["computer", "laptop", 1].days


def test_a_mirror_in_a_camera_with_one_slot_is_told() -> None:
    made = run(trip(habits=(BodyHabit(body="body", slots="mirror"),)), (camera(), 1), (card(), 1))
    assert made.one_slot == ("body",)
    assert made.days[0].copies == 1


MIRROR = (BodyHabit(body="body", slots="mirror"),)


def test_two_slots_that_find_one_card_are_told() -> None:
    made = run(trip(2, habits=MIRROR, cards="few-big"), (camera(slots=2), 1), (card(), 1))
    assert (made.one_slot, made.one_card) == ((), ("body",))
    assert not run(trip(2, habits=MIRROR, cards="few-big"), (camera(slots=2), 1), (card(), 2)).one_card


def test_mirrored_cards_in_one_camera_are_one_place_and_one_loss() -> None:
    made = run(trip(2, habits=MIRROR), (camera(slots=2), 1), (card(), 4), where={"card": [None] * 4})
    gone = {(g.what, g.item, g.number): (g.gb, g.days) for g in made.gone}
    # A card is lost alone: its twin is there. With the camera the day goes; the day before left it in the morning.
    assert gone["card", "card", 1] == (0, ())
    assert gone["camera", "body", 1] == (pytest.approx(37.8), (made.days[0].date,))
    assert [day.copies for day in made.days] == [1, 1]
    assert made.together
    # A copy in the laptop is asked for beside the camera, and mends it.
    safe = run(trip(2, habits=MIRROR), (camera(slots=2), 1), (card(), 4), (READER, 1), (LAPTOP, 1))
    assert [day.copies for day in safe.days] == [2, 2]
    assert {g.gb for g in safe.gone if g.what == "camera"} == {0}


def test_what_stays_in_the_camera_over_days_is_lost_with_it() -> None:
    made = run(trip(3, cards="few-big"), (camera(), 1), (card(gb=512), 1))
    (gone,) = (g for g in made.gone if g.what == "camera")
    assert (gone.gb, len(gone.days)) == (pytest.approx(3 * 37.8), 3)


def test_a_card_is_erased_only_when_as_many_copies_as_asked_stand_elsewhere() -> None:
    # Three places asked, and the school would erase after two: with two targets the card stays.
    gear = ((camera(), 1), (card(gb=512), 1), (READER, 1), (LAPTOP, 1), (SSD, 1))
    kept = run(trip(3, copies=3, cards="erase-after", erase_after=2), *gear)
    assert [day.erased for day in kept.days] == [(), (), ()]
    other = SSD.model_copy(update={"id": "other"})
    erased = run(trip(3, copies=3, cards="erase-after", erase_after=2), *gear, (other, 1))
    assert [day.erased for day in erased.days] == [(("card", 1),)] * 3
    assert [day.copies for day in erased.days] == [3, 3, 3]


def test_nights_and_numbers_come_from_one_place() -> None:
    none = run(trip(2, frames=0), (camera(), 1))
    assert (none.fewest_copies, none.short_on, none.days[0].copies) == (None, None, None)
    # No card at all: the pictures are nowhere, and nothing says otherwise.
    lost = run(trip(2), (camera(), 1))
    assert (lost.fewest_copies, lost.short_on, len(lost.short_nights)) == (0, lost.days[0].date, 2)


def test_cards_are_few_and_big_where_nobody_picked() -> None:
    assert Stamina().cards == "few-big"
    out = trip(9).model_copy(update={"stamina": Stamina(patterns=trip().stamina.patterns)})
    # 9 x 37.8 GB go on three cards of 128 GB; a fresh one a day would take nine.
    assert run(out, (camera(), 1), (card(), 3)).days_carried == 9


def test_a_camera_of_which_nobody_knows_the_slots_is_not_judged() -> None:
    made = run(trip(2), (camera(slots=0), 1))
    assert (made.days_carried, made.days[0].lost_gb) == (2, 0)
    assert made.days[0].gb == pytest.approx(37.8)


def test_no_cards_no_days_and_no_frames_are_no_trouble() -> None:
    assert run(trip(0)).days == ()
    assert run(trip(2), (camera(), 1)).days_carried == 0
    assert run(trip(2, frames=0), (camera(), 1)).days_carried == 2


@settings(max_examples=100, deadline=None)
@given(
    days=st.integers(1, 5),
    frames=st.integers(0, 4_000),
    cards=st.integers(0, 6),
    school=st.sampled_from(["fresh-daily", "erase-after", "few-big"]),
    mode=st.sampled_from(["overflow", "mirror", "split"]),
    slots=st.integers(1, 2),
    copies=st.integers(1, 4),
    taken=st.sets(st.sampled_from(["reader", "laptop", "ssd"])),
)
def test_every_picture_is_somewhere_or_told_and_no_card_overflows(
    days: int, frames: int, cards: int, school: Any, mode: Any, slots: int, copies: int, taken: set[str]
) -> None:
    habits = (BodyHabit(body="body", slots=mode),)
    out = trip(days, frames, video_min=5, cards=school, habits=habits, copies=copies)
    gear: list[tuple[Any, int]] = [(camera(slots=slots), 1)]
    gear += [(card(gb=64), cards)] if cards else []
    gear += [(t, 1) for t in (READER, LAPTOP, SSD) if t.id in taken]
    made = run(out, *gear)
    for day in made.days:
        written = sum(c.gb for c in day.cards)
        kept = day.gb - day.lost_gb
        assert kept - 1e-9 <= written <= 2 * kept + 1e-9
        assert all(c.held_gb <= c.capacity_gb + 1e-9 for c in day.cards)
        # The report never says more places than cards written and copies made can come to.
        most = (2 if mode == "mirror" and slots == 2 else 1) + len({c.to for c in day.copying})
        assert day.copies is None or day.copies <= most
    assert sum(g.gb for g in made.gone if g.what == "card") <= sum(d.gb for d in made.days) + 1e-9
