"""Wire shapes of the locker."""

from typing import Annotated

from ninja import Schema
from pydantic import Field

from mule.base.units import Count, Grams
from mule.intake.typed import MOST_LINES
from mule.plan import MOST_THINGS
from mule.plan.gear import Gear


class ThingOut(Schema):
    """A thing and the version to send back when changing it."""

    version: int
    thing: Gear


class NewThing(Schema):
    """A thing to add; the id ``new`` asks the server to make one from the name."""

    thing: Gear


class ChangedThing(Schema):
    """An edited thing and the version it was edited from."""

    version: int
    thing: Gear


class FromTypical(Schema):
    """A typical thing to add."""

    typical: str
    count: Count = 1


class WeighIn(Schema):
    """What the scale said, for one piece."""

    version: int
    mass_g: Grams


class Typed(Schema):
    """A list as somebody wrote it. picks: written line -> id of the typical thing that it is."""

    text: str = Field(max_length=20_000)
    picks: dict[str, str] = Field(default={}, max_length=MOST_LINES)


class UnderstoodOut(Schema):
    """A thing of such a list: what was written, how many, the thing as it would come in, and what it could be."""

    typed: str
    count: int
    thing: Gear | None
    likes: list[str]


class LockerChanges(Schema):
    """Changes that come about together or not at all. put: version 0 is new, another was edited from that version;
    remove: ids of things that go.
    """

    put: Annotated[list[ChangedThing], Field(max_length=MOST_THINGS)] = []
    remove: Annotated[list[str], Field(max_length=MOST_THINGS)] = []


class PictureOut(Schema):
    """A picture that is kept, by its name."""

    picture: str
