"""Cards, copies and pictures while the days go by."""

from collections.abc import Callable, Collection, Iterable, Mapping, Sequence
from typing import NamedTuple

from mule.analysis.storage.answer import Copy, Made, Medium, StorageDay
from mule.analysis.storage.chain import ReadOut, ports, read_out, targets
from mule.analysis.storage.losses import Losses, Whereabouts
from mule.analysis.storage.writing import TINY_GB, Camera, CardState, Chunk, Writing
from mule.base.units import NumberedPiece
from mule.plan.gear import Body, Card, Computer, Drive, Gear, Source
from mule.plan.trip import Demand, Trip

# MB of a raw frame per megapixel: 14 bit, losslessly compressed; uncompressed takes 1.75 times as much
# (estimates, docs/domain/pictures.md).
MB_PER_MP = 1.2
UNCOMPRESSED = 1.75
# GB an hour of video per Mbit/s: 3,600 s of 1 / 8,000 GB (docs/domain/pictures.md).
GB_PER_MBIT_H = 0.45


class _Lived(NamedTuple):
    """A day and its night. made: per camera. lost_gb: found no card. fresh: what was written, where."""

    made: list[Made]
    lost_gb: float
    fresh: list[Chunk]
    copying: list[Copy]
    erased: tuple[NumberedPiece, ...]


class StorageRun:
    """One run over the days of a trip.

    endless: a card that is missing is made, to count how many it takes; losses are not looked at then.
    """

    def __init__(
        self,
        gear: Mapping[str, Gear],
        counts: Mapping[str, int],
        trip: Trip,
        where: Whereabouts,
        *,
        endless: bool,
        losses: bool = True,
    ) -> None:
        """losses: whether what would be gone with what is followed."""
        self._trip, self._where, self._endless = trip, where, endless
        self._erases = trip.stamina.cards == "erase-after"
        # A card is erased when as many copies as are asked stand elsewhere (docs/domain/pictures.md).
        self._erase_need = max(trip.stamina.erase_after, trip.copies)
        self._habits = {body: trip.stamina.habit(body) for body in counts if isinstance(gear[body], Body)}
        things = [gear[i] for i in counts]
        reachable = ports(things)
        self.ways = _ways(things, reachable)
        self._targets = targets(gear, counts, reachable)
        self._free = {t.id: t.free_gb for t in self._targets}
        self.writing = Writing(list(_cards(gear, counts)), trip.stamina.cards, endless=endless)
        self.cameras = [
            Camera(b, NumberedPiece(b.id, n + 1), self._habits[b.id].slots, [None] * len(b.slots))
            for i, count in counts.items()
            if isinstance(b := gear[i], Body)
            for n in range(count)
        ]
        self._mades: dict[tuple[str, int, float, float], Made] = {}
        self.losses = Losses(_keepers(gear, counts) if losses and not endless else (), where)

    def live(self, index: int, asked: Sequence[tuple[str, Demand]]) -> _Lived:
        """One day and its night. asked: what each camera does, in their order."""
        if index and self._trip.stamina.mornings == "full":
            self._erase(lambda card: True)
        self.writing.morning(self.cameras)
        self._left_cameras()
        made, lost, fresh = [], 0.0, []
        for camera, (_, demand) in zip(self.cameras, asked, strict=True):
            one = self._made(camera, demand)
            made.append(one)
            # Film is its own card.
            if camera.body.film:
                continue
            # Of a camera without slots nobody looked what it takes: its pictures are told, not judged.
            for medium, gb in _media(one) if camera.body.slots else ():
                chunks, over = self.writing.write(camera, index, gb, medium)
                fresh += chunks
                lost += over
        # To count how many cards it takes, copies matter only where they let a card be erased.
        copying = self._copy(index, fresh) if self._erases or not self._endless else []
        for chunk in fresh:
            self.losses.count(chunk, 1)
        self._left_cameras()
        erased = self._erase(self._copied) if self._erases else ()
        self.losses.night(index)
        return _Lived(made, lost, fresh, copying, erased)

    def day(self, index: int, asked: Sequence[tuple[str, Demand]]) -> StorageDay:
        """One day and its night, written down."""
        made, lost, fresh, copying, erased = self.live(index, asked)
        return StorageDay(
            date=self._trip.days[index].date,
            made=tuple(made),
            cards=tuple(self.writing.uses()),
            lost_gb=lost,
            copies=0 if lost > TINY_GB else min((c.copies for c in fresh), default=None),
            copying=tuple(copying),
            minutes=sum(c.minutes for c in copying),
            cards_left={type_: len(blank) for type_, blank in self.writing.blanks.items()},
            erased=erased,
        )

    def _left_cameras(self) -> None:
        """Cards that were taken out of a camera are not lost with it any more."""
        for chunk, card in self.writing.taken_out:
            self.losses.take_out(chunk, card)
        self.writing.taken_out.clear()

    def _made(self, camera: Camera, demand: Demand) -> Made:
        """What a camera makes of a day; days of one sort make the same."""
        key = camera.body.id, demand.frames, demand.video_min, demand.timelapse_h
        if key not in self._mades:
            self._mades[key] = self._reckon(camera, demand)
        return self._mades[key]

    def _reckon(self, camera: Camera, demand: Demand) -> Made:
        return made_of(camera.body, demand, self._trip)

    def _copy(self, index: int, fresh: Sequence[Chunk]) -> list[Copy]:
        """Copies of the day until each picture is in as many places as asked, other bags first."""
        beside = self._erase_need if self._erases else 0
        sums: dict[tuple[NumberedPiece, str], tuple[float, float]] = {}
        for chunk in fresh:
            read = self.ways.get(self.writing.cards[min(chunk.places)].type)
            wanted = max(self._trip.copies - chunk.copies, beside)
            if read is None or wanted <= 0:
                continue
            bags = {self._where.of(place) for place in chunk.places}
            for target in sorted(self._targets, key=lambda t: self._where.of(t.id) in bags):
                if wanted <= 0:
                    break
                if self._free[target.id] + TINY_GB < chunk.gb:
                    continue
                wanted -= 1
                self._free[target.id] -= chunk.gb
                chunk.places.add(target.id)
                minutes = chunk.gb * 1_000 / min(read.mb_s, target.mb_s) / 60
                gb, before = sums.get((target.id, read.through), (0.0, 0.0))
                sums[(target.id, read.through)] = gb + chunk.gb, before + minutes
        date = self._trip.days[index].date
        return [
            Copy(day=date, to=to, through=through, gb=gb, minutes=minutes)
            for (to, through), (gb, minutes) in sums.items()
        ]

    def _copied(self, card: CardState) -> bool:
        """Whether every picture of a card is in enough places that are no cards."""
        return all(len(c.places - self.writing.cards.keys()) >= self._erase_need for c in card.chunks)

    def _erase(self, may: Callable[[CardState], bool]) -> tuple[NumberedPiece, ...]:
        """Makes those cards blank again that may be; says which."""
        erased = []
        for card in self.writing.cards.values():
            if card.chunks and may(card):
                for chunk in card.chunks:
                    self.losses.erase(chunk, card.id)
                self.writing.erase(card, self.cameras)
                erased.append(card.id)
        return tuple(erased)


def made_of(body: Body, demand: Demand, trip: Trip) -> Made:
    """What a camera makes of a day."""
    habit = trip.stamina.habit(body.id)
    frames = demand.frames + round(demand.timelapse_h * 3_600 / trip.stamina.timelapse_every_s)
    known = body.mb_per_frame
    mb = known or body.megapixels * MB_PER_MP * (UNCOMPRESSED if habit.uncompressed else 1)
    return Made(
        body=body.id,
        frames=frames,
        mb_per_frame=mb,
        mb_source=body.rates_source if known else Source.COMPUTED,
        stills_gb=frames * mb / 1_000,
        video_gb=demand.video_min / 60 * habit.video_mbit_s * GB_PER_MBIT_H,
    )


def written_mb(body: Body, demand: Demand, trip: Trip) -> float:
    """Megabytes that a camera writes on a day, the pace of the trip included."""
    made = made_of(body, demand.paced(trip.stamina.pace), trip)
    return (made.stills_gb + made.video_gb) * 1_000


def _media(made: Made) -> list[tuple[Medium, float]]:
    return [("stills", made.stills_gb), ("video", made.video_gb)]


def _ways(things: Sequence[Gear], reachable: Collection[str]) -> dict[str, ReadOut]:
    """How each type of card is read out; of several speeds of one type the slowest counts."""
    found: dict[str, ReadOut] = {}
    for card in things:
        if isinstance(card, Card) and (read := read_out(card, things, reachable)):
            old = found.get(card.card_type)
            found[card.card_type] = read if old is None or read.mb_s < old.mb_s else old
    return found


def _cards(gear: Mapping[str, Gear], counts: Mapping[str, int]) -> Iterable[CardState]:
    for item, count in counts.items():
        card = gear[item]
        if isinstance(card, Card):
            for n in range(count):
                yield CardState(NumberedPiece(item, n + 1), card.card_type, card.capacity_gb, card.keep_for_last)


def _keepers(gear: Mapping[str, Gear], counts: Mapping[str, int]) -> list[tuple[str, NumberedPiece]]:
    """Everything that keeps pictures, piece by piece."""
    kinds = {Card: "card", Body: "camera", Drive: "drive", Computer: "computer"}
    return [
        (kinds[type(gear[item])], NumberedPiece(item, n + 1))
        for item, count in counts.items()
        if type(gear[item]) in kinds and not (isinstance(t := gear[item], Computer) and t.form == "phone")
        for n in range(count)
    ]
