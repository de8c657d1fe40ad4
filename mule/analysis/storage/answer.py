"""What ``store`` answers with. Sizes in GB (10^9 bytes)."""

from datetime import date
from typing import Literal

from mule.base.units import Frozen, NumberedPiece
from mule.plan.gear import Source

Medium = Literal["stills", "video"]


class Made(Frozen):
    """What one camera makes on a day: frames with those of time-lapses, and GB of each medium.

    mb_source: whether the size of a frame was measured or stated for the body, or reckoned from its megapixels.
    """

    body: str
    frames: int
    mb_per_frame: float
    mb_source: Source
    stills_gb: float
    video_gb: float


class CardUse(Frozen):
    """A card that a camera wrote to on a day. gb: that day; held_gb: of capacity_gb, in the evening."""

    card: NumberedPiece
    body: str
    slot: int
    gb: float
    held_gb: float
    capacity_gb: float


class Copy(Frozen):
    """A copy made in the night. to: a drive, or a computer's own storage. from_: read out through this."""

    day: date
    to: NumberedPiece
    through: str
    gb: float
    minutes: float


class StorageDay(Frozen):
    """A day and its night. lost_gb: made, but no card was left for it.

    copies: places that each picture of the day is in by the end of the night, 0 where some found no card; None where
    none was made.
    cards_left: blank cards by type in the evening. erased: cards that are blank again in the morning.
    """

    date: date
    made: tuple[Made, ...]
    cards: tuple[CardUse, ...]
    lost_gb: float
    copies: int | None
    copying: tuple[Copy, ...]
    minutes: float
    cards_left: dict[str, int]
    erased: tuple[NumberedPiece, ...]

    @property
    def gb(self) -> float:
        """All that was made."""
        return sum(m.stills_gb + m.video_gb for m in self.made)


class Gone(Frozen):
    """Something lost on the worst night for it. days: whose pictures would be gone; gb: how much. on: that night.

    number: which piece of the item, from 1; None for a bag and for the hold.
    """

    what: Literal["card", "camera", "drive", "computer", "bag", "hold"]
    item: str
    number: int | None
    days: tuple[date, ...]
    gb: float
    on: date | None


class CardsOf(Frozen):
    """A type of card over the trip. needed: cards used when there are always enough; full_on: the day they run out."""

    type: str
    loaded: int
    needed: int
    full_on: date | None


class Storage(Frozen):
    """The whole answer. asked_copies: places each picture is to be in. days_carried: days before the first short one.

    drive_gb: space for copies that the trip asks of each place. unread: types of card that nothing reads.
    one_slot, one_card: cameras that are to mirror, and have one slot, or for which there was only one card.
    together: whether all places of some picture were in one bag, or in one camera.
    """

    days: tuple[StorageDay, ...]
    types: tuple[CardsOf, ...]
    gone: tuple[Gone, ...]
    asked_copies: int
    days_carried: int
    drive_gb: float
    unread: tuple[str, ...]
    one_slot: tuple[str, ...]
    one_card: tuple[str, ...]
    together: bool

    @property
    def short_nights(self) -> tuple[StorageDay, ...]:
        """Nights by whose end some picture of the day is in fewer places than asked."""
        return tuple(day for day in self.days if day.copies is not None and day.copies < self.asked_copies)

    @property
    def short_on(self) -> date | None:
        """The first of them."""
        return next((day.date for day in self.short_nights), None)

    @property
    def fewest_copies(self) -> int | None:
        """Places that every picture is in by the end of its night; None where there are no pictures."""
        return min((day.copies for day in self.days if day.copies is not None), default=None)
