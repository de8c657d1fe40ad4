"""Pictures: do the cards last, and what would be gone with what? The front door is ``store`` (domain 5)."""

from collections.abc import Collection, Iterable, Mapping, Sequence
from typing import NamedTuple

from mule.gear import Body, Card, Computer, Drive, Gear, Source
from mule.storage.answer import CardsOf, CardUse, Copy, Gone, Made, Medium, Storage, StorageDay
from mule.storage.chain import Target, Way, ports, targets, way
from mule.storage.losses import Losses, Whereabouts
from mule.storage.writing import TINY_GB, Camera, Chunk, Sheet, Writing
from mule.trip import Demand, Trip

# MB of a raw frame per megapixel: 14 bit, losslessly compressed; uncompressed takes 1.75 times as much (domain 5).
MB_PER_MP = 1.2
UNCOMPRESSED = 1.75
# GB an hour of video per Mbit/s (domain 5).
GB_PER_MBIT_H = 0.45


def store(
    gear: Mapping[str, Gear],
    counts: Mapping[str, int],
    trip: Trip,
    demands: Sequence[Sequence[tuple[str, Demand]]],
    where: Whereabouts,
) -> Storage:
    """Cards, copies and losses, day by day.

    counts: pieces loaded by item. demands: per day, what each camera does, pace included.
    """
    run = _Run(gear, counts, trip, where)
    days = tuple(run.day(index, asked) for index, asked in enumerate(demands))
    things = [gear[i] for i in counts]
    types = dict.fromkeys(t.card_type for t in things if isinstance(t, Card))
    endless = run
    if run.writing.missed:
        endless = _Run(gear, counts, trip, where, endless=True)
        for index, asked in enumerate(demands):
            endless.live(index, asked)
    slots = dict.fromkeys(slot.card_type for t in things if isinstance(t, Body) for slot in t.slots)
    return Storage(
        days=days,
        types=tuple(_cards_of(type_, run, endless, days) for type_ in dict.fromkeys((*slots, *types))),
        gone=run.losses.told([day.date for day in days]),
        asked_copies=trip.copies,
        short_on=next((day.date for day in days if day.cards and day.copies < trip.copies), None),
        days_carried=next((i for i, day in enumerate(days) if day.lost_gb > TINY_GB), len(days)),
        drive_gb=sum(day.gb for day in days),
        unread=tuple(type_ for type_ in types if type_ not in run.ways),
        one_slot=tuple(dict.fromkeys(c.body.id for c in run.cameras if c.mode == "mirror" and len(c.body.slots) < 2)),
        together=run.losses.together,
    )


def _cards_of(type_: str, run: "_Run", endless: "_Run", days: Sequence[StorageDay]) -> CardsOf:
    mine = {c.body.id for c in run.cameras if any(s.card_type == type_ for s in c.body.slots)}
    return CardsOf(
        type=type_,
        loaded=sum(c.type == type_ for c in run.writing.cards.values()),
        needed=sum(c.type == type_ and c.used_once for c in endless.writing.cards.values()),
        full_on=next((d.date for d in days if d.lost_gb > TINY_GB and any(m.body in mine for m in d.made)), None),
    )


class _Lived(NamedTuple):
    made: list[Made]
    lost_gb: float
    fresh: list[Chunk]
    copying: list[Copy]
    erased: tuple[str, ...]


class _Run:
    """Cards, copies and pictures while the days go by."""

    def __init__(
        self,
        gear: Mapping[str, Gear],
        counts: Mapping[str, int],
        trip: Trip,
        where: Whereabouts,
        *,
        endless: bool = False,
    ) -> None:
        self._trip, self._where, self._endless = trip, where, endless
        self._habits = {body: trip.stamina.habit(body) for body in counts if isinstance(gear[body], Body)}
        things = [gear[i] for i in counts]
        reachable = ports(things)
        self.ways = _ways(things, reachable)
        self._targets = targets(gear, counts, reachable)
        self._free = {t.id: t.free_gb for t in self._targets}
        self.writing = Writing(list(_sheets(gear, counts)), trip.stamina.cards, endless=endless)
        self.cameras = [
            Camera(b, f"{b.id}#{n + 1}", trip.stamina.habit(b.id).slots, [None] * len(b.slots))
            for i, count in counts.items()
            if isinstance(b := gear[i], Body)
            for n in range(count)
        ]
        self._mades: dict[tuple[str, int, float, float], Made] = {}
        self.losses = Losses(_keepers(gear, counts), where)

    def live(self, index: int, asked: Sequence[tuple[str, Demand]]) -> _Lived:
        """One day and its night."""
        self.writing.morning(self.cameras)
        made, lost, fresh = [], 0.0, []
        for camera, (_, demand) in zip(self.cameras, asked, strict=True):
            one = self._made(camera, demand)
            made.append(one)
            # Of a camera without slots nobody looked what it takes: its pictures are told, not judged.
            for medium, gb in _media(one) if camera.body.slots else ():
                chunks, over = self.writing.write(camera, index, gb, medium)
                fresh += chunks
                lost += over
        erases = self._trip.stamina.cards == "erase-after"
        # To count how many cards it takes, copies matter only where they let a card be erased.
        copying = self._copy(index, fresh) if erases or not self._endless else []
        for chunk in () if self._endless else fresh:
            self.losses.count(chunk, 1)
        erased = self._erase() if erases else ()
        self.losses.night(index)
        return _Lived(made, lost, fresh, copying, erased)

    def day(self, index: int, asked: Sequence[tuple[str, Demand]]) -> StorageDay:
        """One day and its night, written down."""
        made, lost, fresh, copying, erased = self.live(index, asked)
        return StorageDay(
            date=self._trip.days[index].date,
            made=tuple(made),
            cards=tuple(self.writing.uses.values()),
            lost_gb=lost,
            copies=min((len(c.places) for c in fresh), default=0 if lost > TINY_GB else self._trip.copies),
            copying=tuple(copying),
            minutes=sum(c.minutes for c in copying),
            cards_left={type_: len(blank) for type_, blank in self.writing.blanks.items()},
            erased=erased,
        )

    def _made(self, camera: Camera, demand: Demand) -> Made:
        """What a camera makes of a day; days of one sort make the same."""
        key = camera.body.id, demand.frames, demand.video_min, demand.timelapse_h
        if key not in self._mades:
            self._mades[key] = self._reckon(camera, demand)
        return self._mades[key]

    def _reckon(self, camera: Camera, demand: Demand) -> Made:
        settings = self._trip.stamina
        habit = self._habits[camera.body.id]
        frames = demand.frames + round(demand.timelapse_h * 3_600 / settings.timelapse_every_s)
        known = camera.body.mb_per_frame
        mb = known or camera.body.megapixels * MB_PER_MP * (UNCOMPRESSED if habit.uncompressed else 1)
        video = demand.video_min / 60 * habit.video_mbit_s * GB_PER_MBIT_H
        return Made(
            body=camera.body.id,
            frames=frames,
            mb_per_frame=mb,
            mb_source=camera.body.rates_source if known else Source.COMPUTED,
            stills_gb=frames * mb / 1_000,
            video_gb=video,
        )

    def _copy(self, index: int, fresh: Sequence[Chunk]) -> list[Copy]:
        """Copies of the day until each picture is in as many places as asked, other bags first."""
        date = self._trip.days[index].date
        beside = self._trip.stamina.erase_after if self._trip.stamina.cards == "erase-after" else 0
        sums: dict[tuple[str, str], tuple[float, float]] = {}
        for chunk in fresh:
            source = min(chunk.places)
            read = self.ways.get(self.writing.cards[source].type)
            wanted = max(self._trip.copies - len(chunk.places), beside)
            bags = {self._where.of(place) for place in chunk.places}
            order = sorted(self._targets, key=lambda t: self._where.of(t.id) in bags)
            for target in order:
                if read is None or wanted <= 0:
                    break
                if self._free[target.id] + TINY_GB < chunk.gb:
                    continue
                wanted -= 1
                self._free[target.id] -= chunk.gb
                chunk.places.add(target.id)
                minutes = chunk.gb * 1_000 / min(read.mb_s, target.mb_s) / 60
                gb, before = sums.get((target.id, read.through), (0.0, 0.0))
                sums[(target.id, read.through)] = gb + chunk.gb, before + minutes
        return [
            Copy(day=date, to=to, through=through, gb=gb, minutes=minutes)
            for (to, through), (gb, minutes) in sums.items()
        ]

    def _erase(self) -> tuple[str, ...]:
        """Cards of which every picture is in enough other places are blank again."""
        need = self._trip.stamina.erase_after
        on_cards = self.writing.cards.keys()
        erased = []
        for card in self.writing.cards.values():
            if card.chunks and all(len(c.places - on_cards) >= need for c in card.chunks):
                for chunk in card.chunks:
                    if not self._endless:
                        self.losses.count(chunk, -1)
                    chunk.places.discard(card.id)
                    if not self._endless:
                        self.losses.count(chunk, 1)
                self.writing.erase(card, self.cameras)
                erased.append(card.id)
        return tuple(erased)


def _media(made: Made) -> list[tuple[Medium, float]]:
    return [("stills", made.stills_gb), ("video", made.video_gb)]


def _ways(things: Sequence[Gear], reachable: Collection[str]) -> dict[str, Way]:
    found: dict[str, Way] = {}
    for card in things:
        if isinstance(card, Card) and (read := way(card, things, set(reachable))):
            old = found.get(card.card_type)
            found[card.card_type] = read if old is None or read.mb_s < old.mb_s else old
    return found


def _sheets(gear: Mapping[str, Gear], counts: Mapping[str, int]) -> Iterable[Sheet]:
    for item, count in counts.items():
        card = gear[item]
        if isinstance(card, Card):
            for n in range(count):
                yield Sheet(f"{item}#{n + 1}", item, card.card_type, card.capacity_gb)


def _keepers(gear: Mapping[str, Gear], counts: Mapping[str, int]) -> list[tuple[str, str]]:
    """Everything that keeps pictures, piece by piece."""
    sorts = {Card: "card", Drive: "drive", Computer: "computer"}
    return [
        (sorts[type(gear[item])], f"{item}#{n + 1}")
        for item, count in counts.items()
        if type(gear[item]) in sorts and not (isinstance(t := gear[item], Computer) and t.form == "phone")
        for n in range(count)
    ]


__all__ = [
    "GB_PER_MBIT_H",
    "MB_PER_MP",
    "UNCOMPRESSED",
    "CardUse",
    "CardsOf",
    "Copy",
    "Gone",
    "Made",
    "Storage",
    "StorageDay",
    "Target",
    "Whereabouts",
    "store",
]
