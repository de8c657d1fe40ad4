"""Marks: what somebody noted while packing or out there. They are only ever added, so that nothing noted is lost.

A mark that says how something is now (a card is full, a line is packed) has a subject, and names the marks of that
subject that it replaces. Two devices that did not know of each other replace the same mark twice; both then stand.
"""

from collections.abc import Mapping
from datetime import date, datetime
from typing import Annotated, Literal

from pydantic import Field, StringConstraints

from mule.base.units import Celsius, Count, FocalMm, Frozen, Gigabytes, Grams, Hours, ItemId, Label, Note
from mule.plan.field.lines import relined
from mule.plan.gear import Effect

MarkId = Annotated[str, StringConstraints(pattern=r"^[A-Za-z0-9-]{8,64}$")]
LineId = Annotated[str, StringConstraints(pattern=r"^[a-z0-9:@.#-]{1,200}$")]
PieceNumber = Annotated[int, Field(strict=True, ge=1, le=500)]
FramesTaken = Annotated[int, Field(strict=True, ge=0, le=1_000_000)]

PackState = Literal["ready", "in-use", "spent", "charging"]
CardMarkState = Literal["blank", "in-use", "full"]


class Tick(Frozen):
    """A line of the list is done, or not any more: packed, a task before leaving, a thing to do tonight."""

    do: Literal["tick"] = "tick"
    line: LineId
    done: bool


class PackMark(Frozen):
    """How one battery pack is. piece: which of several alike, by the crew's own marks."""

    do: Literal["pack"] = "pack"
    item: ItemId
    piece: PieceNumber = 1
    state: PackState


class CardMark(Frozen):
    """How one card is. copies: places its pictures were copied to."""

    do: Literal["card"] = "card"
    item: ItemId
    piece: PieceNumber = 1
    state: CardMarkState
    copies: Annotated[int, Field(strict=True, ge=0, le=9)] = 0


class Held(Frozen):
    """So many pieces of a thing that lay in a bag on the scale, and what one of them was reckoned to weigh."""

    item: ItemId
    count: Count
    mass_g: Grams


class Weighed(Frozen):
    """A bag with all that is in it, on a scale. grams: None takes an earlier weighing back.

    held: what lay in it then, things in its inserts and the inserts too; None where nobody wrote that down.
    """

    do: Literal["weighed"] = "weighed"
    bag: ItemId
    grams: Grams | None
    source: Literal["typed", "scale"] = "typed"
    held: Annotated[tuple[Held, ...], Field(max_length=2_000)] | None = None


class Used(Frozen):
    """A thing was used that day."""

    do: Literal["used"] = "used"
    item: ItemId
    day: date


class Missed(Frozen):
    """A picture that was not had: what was wanted, and what was in the bag instead.

    focal_mm, had_mm: full-frame equivalents, as wants are. effect, lens: the filter that was missing, and the lens it
    should have gone on.
    """

    do: Literal["missed"] = "missed"
    day: date
    wanted: Label
    focal_mm: FocalMm | None = None
    had_mm: FocalMm | None = None
    effect: Effect | None = None
    lens: ItemId | None = None
    note: Note = ""


class Broke(Frozen):
    """A thing broke, or has a fault."""

    do: Literal["broke"] = "broke"
    item: ItemId
    day: date
    note: Note = ""


class Lent(Frozen):
    """A thing was given to somebody. until: when it should be back."""

    do: Literal["lent"] = "lent"
    item: ItemId
    day: date
    to: Label
    until: date | None = None


class Noted(Frozen):
    """Anything else worth remembering."""

    do: Literal["note"] = "note"
    day: date
    text: Annotated[Note, Field(min_length=1)]


class Cold(Frozen):
    """How cold it really was while shooting."""

    do: Literal["cold"] = "cold"
    day: date
    lowest_c: Celsius


class GoesAlong(Frozen):
    """So many pieces of a thing go along on a day, whatever was planned; None: as planned, after all."""

    do: Literal["along"] = "along"
    day: date
    item: ItemId
    count: Annotated[int, Field(strict=True, ge=0, le=500)] | None


class Swapped(Frozen):
    """A pack was changed in a camera after so many frames."""

    do: Literal["swap"] = "swap"
    item: ItemId
    body: ItemId
    day: date
    frames: FramesTaken
    at_c: Celsius | None = None


class Filled(Frozen):
    """A card was taken out of a camera: how much is on it, in how many frames."""

    do: Literal["filled"] = "filled"
    item: ItemId
    body: ItemId
    day: date
    gb: Gigabytes
    frames: FramesTaken


class Copied(Frozen):
    """Pictures were copied: how much in what time, to what."""

    do: Literal["copied"] = "copied"
    to: ItemId
    day: date
    gb: Gigabytes
    hours: Hours


class TakenBack(Frozen):
    """A note that was made by mistake counts no more; it stays among the marks."""

    do: Literal["taken-back"] = "taken-back"
    mark: MarkId


What = Annotated[
    Tick
    | PackMark
    | CardMark
    | Weighed
    | Used
    | Missed
    | Broke
    | Lent
    | Noted
    | Cold
    | GoesAlong
    | Swapped
    | Filled
    | Copied
    | TakenBack,
    Field(discriminator="do"),
]


class Mark(Frozen):
    """One mark. device, seq: who made it, counted up on each device. at: by that device's clock, which may be wrong.

    after: marks of the same subject that this device knew, and replaces. by: the guest who made it; None is the owner.
    """

    id: MarkId
    device: Label
    seq: Annotated[int, Field(strict=True, ge=0)]
    at: datetime
    after: tuple[MarkId, ...] = Field(default=(), max_length=40)
    by: Label | None = None
    what: What

    @property
    def subject(self) -> str | None:
        """What the mark says the state of; None for what simply happened."""
        match self.what:
            case Tick(line=line):
                return f"line:{line}"
            case PackMark(item=item, piece=piece):
                return f"pack:{item}#{piece}"
            case CardMark(item=item, piece=piece):
                return f"card:{item}#{piece}"
            case Weighed(bag=bag):
                return f"weight:{bag}"
            case Cold(day=day):
                return f"cold:{day}"
            case GoesAlong(day=day, item=item):
                return f"along:{day}.{item}"
        return None


# Fields of marks that name things of the locker.
_NAMED = ("item", "bag", "body", "lens")


def relabelled(mark: Mark, ids: Mapping[str, str]) -> Mark:
    """The same mark for things that go by other ids; ids that are not named stay."""
    what = mark.what
    named = {field: getattr(what, field) for field in _NAMED if hasattr(what, field)}
    if isinstance(what, Copied):
        named["to"] = what.to
    update = {field: ids.get(value, value) for field, value in named.items() if value is not None}
    if isinstance(what, Tick):
        update["line"] = relined(what.line, ids)
    if isinstance(what, Weighed) and what.held is not None:
        held = tuple(one.model_copy(update={"item": ids.get(one.item, one.item)}) for one in what.held)
        return mark.model_copy(update={"what": what.model_copy(update={**update, "held": held})})
    return mark.model_copy(update={"what": what.model_copy(update=update)})
