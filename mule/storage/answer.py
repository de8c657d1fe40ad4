"""What ``store`` answers with. Sizes in GB (10^9 bytes); a card is named by its item and a number from 1."""

from datetime import date
from typing import Literal

from mule.gear import Source
from mule.units import Frozen

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

    card: str
    item: str
    body: str
    slot: int
    gb: float
    held_gb: float
    capacity_gb: float


class Copy(Frozen):
    """A copy made in the night. to: a drive, or a computer's own storage. from_: read out through this."""

    day: date
    to: str
    through: str
    gb: float
    minutes: float


class StorageDay(Frozen):
    """A day and its night. lost_gb: made, but no card was left for it. copies: places each picture of the day is in.

    cards_left: blank cards by type in the evening. erased: cards that are blank again in the morning.
    """

    date: date
    made: tuple[Made, ...]
    cards: tuple[CardUse, ...]
    lost_gb: float
    copies: int
    copying: tuple[Copy, ...]
    minutes: float
    cards_left: dict[str, int]
    erased: tuple[str, ...]

    @property
    def gb(self) -> float:
        """All that was made."""
        return sum(m.stills_gb + m.video_gb for m in self.made)


class Gone(Frozen):
    """Something lost on the worst night for it. days: whose pictures would be gone; gb: how much. on: that night."""

    what: Literal["card", "drive", "computer", "bag", "hold"]
    item: str
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

    drive_gb: space for copies that the trip asks of each place; reach: how each type of card gets read, or None.
    """

    days: tuple[StorageDay, ...]
    types: tuple[CardsOf, ...]
    gone: tuple[Gone, ...]
    asked_copies: int
    short_on: date | None
    days_carried: int
    drive_gb: float
    unread: tuple[str, ...]
    one_slot: tuple[str, ...]
    together: bool
