"""What the days ask of packs and cards, and the schools of carrying power and pictures.

See docs/domain/power.md and docs/domain/pictures.md.
"""

from typing import Annotated, Literal, Self

from pydantic import Field, model_validator
from pydantic_core import PydanticCustomError

from mule.base.units import Frozen, ItemId, Name, Number, Share

Minutes = Annotated[Number, Field(ge=0, le=1_440)]
DayHours = Annotated[Number, Field(ge=0, le=24)]
Frames = Annotated[int, Field(strict=True, ge=0, le=50_000)]

PowerSchool = Literal["packs-only", "charge-nightly", "bank-by-day", "usb-c"]
CardSchool = Literal["fresh-daily", "erase-after", "few-big"]
SlotMode = Literal["overflow", "mirror", "split"]


class Demand(Frozen):
    """What one camera does on a day. timelapse_h: hours of time-lapse or star trails."""

    frames: Frames = 0
    video_min: Minutes = 0
    timelapse_h: DayHours = 0

    def paced(self, pace: float) -> "Demand":
        """So many times as much."""
        if pace == 1:
            return self
        # Checked when it was read: what is more or less of it needs no second look.
        return Demand.model_construct(
            frames=round(self.frames * pace), video_min=self.video_min * pace, timelapse_h=self.timelapse_h * pace
        )

    def least(self, other: "Demand") -> "Demand":
        """What both ask at the least."""
        return Demand.model_construct(
            frames=min(self.frames, other.frames),
            video_min=min(self.video_min, other.video_min),
            timelapse_h=min(self.timelapse_h, other.timelapse_h),
        )


class Pattern(Frozen):
    """A sort of day, to be named and used again.

    first: the camera used most; others: every other camera. laptop, tablet, phone: share of its own battery used.
    flights: of each drone, a pack each. light_h, torch_h: hours that each lamp burns.
    """

    id: ItemId
    name: Name
    first: Demand = Demand()
    others: Demand = Demand()
    laptop: Share = 0.0
    tablet: Share = 0.0
    phone: Share = 0.0
    flights: int = Field(default=0, ge=0, le=40, strict=True)
    light_h: DayHours = 0
    torch_h: DayHours = 0


# Estimates to start from: a user changes them, and the log of a trip later replaces them.
PATTERNS = (
    Pattern(
        id="easy", name="Easy", first=Demand(frames=200), others=Demand(frames=60), laptop=0.25, tablet=0.2, phone=0.5
    ),
    Pattern(
        id="full",
        name="Full",
        first=Demand(frames=600, video_min=10),
        others=Demand(frames=250),
        laptop=0.4,
        tablet=0.3,
        phone=0.7,
        flights=1,
        light_h=0.5,
        torch_h=0.5,
    ),
    Pattern(
        id="dusk-night",
        name="Dusk and night",
        first=Demand(frames=350, timelapse_h=2),
        others=Demand(frames=150),
        laptop=0.4,
        tablet=0.3,
        phone=0.7,
        light_h=0.5,
        torch_h=3,
    ),
    Pattern(
        id="travel", name="Travel", first=Demand(frames=80), others=Demand(frames=20), laptop=0.4, tablet=0.5, phone=0.8
    ),
    Pattern(id="rest", name="Rest", first=Demand(frames=20), laptop=0.3, tablet=0.3, phone=0.4),
)
USUAL = "full"


class BodyDay(Frozen):
    """What one camera does on a day, in place of the day's pattern."""

    body: ItemId
    demand: Demand


class Night(Frozen):
    """The stop after a day. mains_h, outlets: hours of mains and wall sockets. car_h: hours of a car or boat."""

    mains_h: DayHours = 0
    outlets: int = Field(default=0, ge=0, le=20, strict=True)
    car_h: DayHours = 0


class BodyHabit(Frozen):
    """How a camera writes. uncompressed raw takes 1.75 times as much; video_mbit_s: bit rate of its video."""

    body: ItemId
    slots: SlotMode = "overflow"
    uncompressed: bool = Field(default=False, strict=True)
    video_mbit_s: Number = Field(default=100, ge=0.001, le=5_000)


class Stamina(Frozen):
    """How power and pictures are carried.

    margin: more demand that the packs must carry, as a share. warmer_c: added to every temperature. pace: 1.3 shoots
    30 % more. warm: which packs ride in an inner pocket. first: what gets the sockets first.
    copies: places each picture is to be in by the end of the night; None asks 2, of paid work 3. erase_after: copies
    beside the card before it is erased, in the school that erases. solar: share of its rating that a panel gives under
    way; 0.05 to 0.15 is usual (estimate), 0 leaves panels out. mornings: how packs and cards come into a day: as the
    night left them, or full and blank from a base where the others lie (the bag of a day, docs/domain/words.md).
    """

    patterns: tuple[Pattern, ...] = Field(default=PATTERNS, min_length=1, max_length=30)
    margin: Number = Field(default=0.25, ge=0, le=3)
    warmer_c: Number = Field(default=0, ge=-40, le=40)
    pace: Number = Field(default=1, ge=0.001, le=10)
    power: PowerSchool = "charge-nightly"
    warm: Literal["none", "spares", "all"] = "spares"
    first: Literal["packs", "computers"] = "packs"
    cards: CardSchool = "few-big"
    copies: int | None = Field(default=None, ge=1, le=6, strict=True)
    erase_after: int = Field(default=2, ge=1, le=6, strict=True)
    solar: Share = 0.0
    mornings: Literal["as-left", "full"] = "as-left"
    timelapse_every_s: Number = Field(default=10, ge=0.1, le=3_600)
    habits: tuple[BodyHabit, ...] = Field(default=(), max_length=100)

    @model_validator(mode="after")
    def _named_once(self) -> Self:
        for what, ids in (("pattern", [p.id for p in self.patterns]), ("camera", [h.body for h in self.habits])):
            if len(set(ids)) != len(ids):
                raise PydanticCustomError("twice", "list each {what} once", {"what": what})
        return self

    def habit(self, body: str) -> BodyHabit:
        """How a camera writes: as listed, or as usual."""
        return next((h for h in self.habits if h.body == body), BodyHabit(body=body))

    def pattern(self, id_: str | None) -> Pattern:
        """A pattern by id; the usual one, or the first, for None and for one that is gone."""
        found = {p.id: p for p in self.patterns}
        return found.get(id_ or USUAL) or found.get(USUAL) or self.patterns[0]
