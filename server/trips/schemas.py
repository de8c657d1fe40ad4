"""Wire shapes of trips and kits."""

from datetime import date
from typing import Annotated

from ninja import Schema
from pydantic import Field

from mule.analysis.power import Power
from mule.analysis.storage import Storage
from mule.analysis.storage.stamina import Lasts
from mule.base.units import ItemId, Name, Note
from mule.findings.advise import Advice
from mule.findings.assess import Assessment
from mule.packing import USUAL, USUAL_S
from mule.plan.carriers import Carrier
from mule.plan.edits import Edit
from mule.plan.gear import Gear
from mule.plan.kit import Entry, Kit, Stow
from mule.plan.trip import Stamina, Trip
from server.library.locker.schemas import ThingOut


class TripOut(Schema):
    """A trip and the version to send back when changing it. changed_by: who edited it last, empty for its owner."""

    version: int
    trip: Trip
    open_kit: str
    changed_by: str = ""


class NewTrip(Schema):
    """A trip to add; the id ``new`` asks the server to make one from the name.

    things: come into the locker with it. carriers: rules that its legs name, added unless they are here already.
    load: whatever is here and one's own goes into its first kit.
    """

    trip: Trip
    things: Annotated[list[Gear], Field(max_length=300)] = []
    carriers: Annotated[list[Carrier], Field(max_length=40)] = []
    load: bool = False


class CopiedTrip(Schema):
    """The same trip again. start: its first day; every date moves with it."""

    name: Name
    start: date | None = None


class ChangedTrip(Schema):
    """An edited trip and the version it was edited from."""

    version: int
    trip: Trip


class KitName(Schema):
    """A kit of the trip by name. version: of name and note."""

    id: str
    name: str
    note: str
    version: int


class KitState(Schema):
    """A kit with the facts about it: what every change returns.

    stamp: another one after every change of what the answer hangs on (kit, trip, locker, carriers). undo_by, redo_by:
    whose step it would be, empty for the owner's.
    """

    kit: Kit
    version: int
    stamp: str
    can_undo: bool
    can_redo: bool
    undo_by: str
    redo_by: str
    assessment: Assessment


class AdviceOut(Schema):
    """The advice on a kit, and the stamp of what it was said about: with another one it is not current."""

    stamp: str
    advice: Advice


class Bench(Schema):
    """All that the trip screens need in one go."""

    trip: TripOut
    kits: list[KitName]
    gear: list[ThingOut]
    state: KitState


class Edits(Schema):
    """Edits of a kit, done together or not at all."""

    version: int
    edits: Annotated[list[Edit], Field(min_length=1, max_length=500)]


class AtVersion(Schema):
    """The version the writer saw."""

    version: int


class NewKit(Schema):
    """A kit to add; ``copy_of`` names the kit to start from, ``entries`` says what it holds."""

    name: Name
    copy_of: ItemId | None = None
    entries: Annotated[list[Entry], Field(max_length=2_000)] | None = None


class PackingTime(Schema):
    """How long to pack, over all bags. workers, seed: of the solver; with one worker the answer is repeatable.

    anew: everything may lie elsewhere than it does now; disturb: what is ticked as packed may, where it must.
    """

    seconds: Annotated[float, Field(ge=0.01, le=120)] = USUAL_S
    workers: Annotated[int, Field(ge=1, le=8)] = USUAL.workers
    seed: Annotated[int, Field(ge=0, lt=2**31)] = USUAL.seed
    anew: bool = False
    disturb: bool = False


class WhatIf(Schema):
    """Edits to be thought through, not done; ``entries`` when given stand in for what the kit holds."""

    edits: Annotated[list[Edit], Field(max_length=500)] = []
    entries: Annotated[list[Entry], Field(max_length=2_000)] | None = None


class Thought(Schema):
    """A kit as it would be, with its answer. Nothing of it is stored."""

    kit: Kit
    assessment: Assessment


class RenamedKit(Schema):
    """A kit's name and note. version: of both, that the writer saw."""

    version: int
    name: Name
    note: Note = ""


class ChangedStow(Schema):
    """How a kit is to be packed, and the version it was changed from."""

    version: int
    stow: Stow


class StaminaTry(Schema):
    """Settings to try on a trip, in place of its own; None takes those of the trip."""

    stamina: Stamina | None = None


class StaminaReport(Schema):
    """Packs, cards and copies day by day, and the short of it."""

    power: Power
    pictures: Storage
    lasts: Lasts


class LendItems(Schema):
    """Things of one's own locker to lay beside those of a trip."""

    items: Annotated[list[ItemId], Field(min_length=1, max_length=200)]


class LentOut(Schema):
    """A lent thing: its id on the trip, whose it is, and whether that is who asks. source: its id in their locker."""

    item: str
    by: str
    mine: bool
    source: str
